<?php

declare(strict_types=1);

// The rows of the table: what, the value of this run, how it stands beside the yardstick, the aim, and whether it is met.

const RUNS = 40;

/**
 * @param  array<string, float|int>  $aims  at most so many times the yardstick at the median (`x`), so many milliseconds at the 95th
 *                                          percentile (`p95`)
 * @param  list<float>  $times  milliseconds
 * @return array{string, string, string, string, ?bool}
 */
function row(string $what, array $times, float $yard, array $aims): array
{
    [$median, $p95] = [percentile($times, 0.5), percentile($times, 0.95)];
    $met = $median / $yard <= ($aims['x'] ?? INF) && $p95 < ($aims['p95'] ?? INF);

    return [
        $what,
        sprintf('%.1f ms, p95 %.1f ms', $median, $p95),
        sprintf('%.1f ×', $median / $yard),
        implode(', ', array_filter([
            isset($aims['x']) ? '≤ '.$aims['x'].' ×' : null,
            isset($aims['p95']) ? 'p95 < '.$aims['p95'].' ms' : null,
        ])),
        $aims === [] ? null : $met,
    ];
}

/** @return array{CurlHandle, list<string>} a session of the studio, and the addresses of its clients whose list is whole */
function studio(string $base, string $of): array
{
    $many = json_decode((string) file_get_contents(dirname(__DIR__).'/demo/scenario.json'), true)['many'];
    $curl = session($base, $of.strstr($many['email'], '@'), $many['password']);
    do {
        [, $list] = call($curl, $base.'/api/clients');
    } while (($list['behind'] ?? 1) > 0);

    return [$curl, array_map(static fn (array $each): string => $base.'/api/clients/'.$each['id'], $list['clients'])];
}

/** @return array<string, callable(int): array<mixed>> kinds of answers of clients */
function ofClients(CurlHandle $curl, array $clients): array
{
    $of = static fn (int $i): string => $clients[(7 * $i) % count($clients)];

    return [
        'board' => static fn (int $i): array => call($curl, $of($i).'/board'),
        'log' => static fn (int $i): array => call($curl, $of($i).'/logs'),
        'evenness' => static fn (int $i): array => call($curl, $of($i).'/evenness'),
        'progress' => static fn (int $i): array => call($curl, $of($i).'/progress'),
        'move' => static function (int $i) use ($curl, $of): array {
            [, $board] = call($curl, $of($i).'/board');
            $moves = static fn (array $each): bool => ($each['up'] ?? $each['down']) !== null;
            $moving = array_values(array_filter($board['ladders'], $moves));
            $ladder = $moving[$i % count($moving)];

            return call($curl, $of($i).'/moves', [
                'version' => $board['version'],
                'rung' => $ladder[$i % 2 === 0 ? 'up' : 'down'] ?? $ladder['up'] ?? $ladder['down'],
                'changes_only' => true,
            ]);
        },
    ];
}

/**
 * @param  array<string, callable(int): array<mixed>>  $kinds
 * @return array<string, list<float>> milliseconds by kind; the bare page under `bare`
 */
function timed(string $base, CurlHandle $curl, array $kinds): array
{
    $times = ['bare' => []];
    for ($i = -2; $i < RUNS; $i++) {
        foreach ($kinds as $kind => $ask) {
            [$status, , $ms] = $ask(abs($i));
            if (! in_array($status, [200, 304], true)) {
                exit("$kind answered $status\n");
            }
            $bare = call($curl, $base.'/bare')[2];
            if ($i >= 0) {
                $times[$kind][] = $ms;
                $times['bare'][] = $bare;
            }
        }
    }

    return $times;
}

/** @return list<array{string, string, string, string, ?bool}> of a studio with 300 clients and a year of logs */
function answers(string $base): array
{
    [$curl, $clients] = studio($base, 'many');
    $of = static fn (int $i): string => $clients[(7 * $i) % count($clients)];
    $client = ofClients($curl, $clients);
    $drawn = call($curl, $base.'/api/figures')[1]['drawn'];
    $times = timed($base, $curl, [
        'health' => static fn (int $i): array => call($curl, $base.'/api/health'),
        'who is signed in' => static fn (int $i): array => call($curl, $base.'/api/me'),
        'list of 300' => static fn (int $i): array => call($curl, $base.'/api/clients'),
        'list of 300, 304' => static fn (int $i): array => again($curl, $base.'/api/clients'),
        'board' => $client['board'],
        'board, 304' => static fn (int $i): array => again($curl, $of($i).'/board'),
        'log' => $client['log'],
        'log, 304' => static fn (int $i): array => again($curl, $of($i).'/logs'),
        'evenness' => $client['evenness'],
        'evenness, 304' => static fn (int $i): array => again($curl, $of($i).'/evenness'),
        'progress' => $client['progress'],
        'library' => static fn (int $i): array => call($curl, $base.'/api/library'),
        'library, 304' => static fn (int $i): array => again($curl, $base.'/api/library'),
        'figures' => static fn (int $i): array => call($curl, $base.'/api/figures'),
        'figures, the drawn ones' => static fn (int $i): array => call($curl, $base.$drawn),
    ]);
    // by themselves: a write makes the next list look at its client again
    $written = timed($base, $curl, [
        'move' => $client['move'],
        'list after a write' => static fn (int $i): array => call($curl, $base.'/api/clients'),
    ]) + timed($base, $curl, [
        'plan of six weeks' => static function (int $i) use ($curl, $of): array {
            // who has to be asked after a stop is not planned for
            do {
                [, $board] = call($curl, $of($i).'/board');
                $planned = call($curl, $of($i++).'/plan', ['version' => $board['version']]);
            } while ($planned[0] === 422);

            return $planned;
        },
    ]);
    $times = ['bare' => [...$times['bare'], ...$written['bare']]] + $times + $written;
    $yard = percentile($times['bare'], 0.5);
    $aims = [
        'health' => ['x' => 6], 'list of 300' => ['x' => 25], 'list of 300, 304' => ['x' => 8], 'board' => ['x' => 25],
        'board, 304' => ['x' => 8], 'log' => ['x' => 35], 'evenness' => ['x' => 35], 'figures' => ['x' => 8],
        'move' => ['x' => 40, 'p95' => 60], 'plan of six weeks' => ['x' => 300],
    ];

    return array_map(static fn (string $kind): array => row($kind, $times[$kind], $yard, $aims[$kind] ?? []), array_keys($times));
}

/** @return list<array{string, string, string, string, ?bool}> 300 clients and a year beside 10 clients and a month */
function growth(string $base): array
{
    $medians = [];
    foreach (['few', 'many'] as $studio) {
        [$curl, $clients] = studio($base, $studio);
        foreach (timed($base, $curl, ofClients($curl, $clients)) as $kind => $times) {
            $medians[$kind][$studio] = percentile($times, 0.5);
        }
    }
    unset($medians['bare']);

    return array_map(static fn (string $kind, array $of): array => [
        'growth of '.$kind.' from 10 clients and a month to 300 and a year',
        sprintf('%.1f ms to %.1f ms', $of['few'], $of['many']),
        sprintf('%.2f ×', $of['many'] / $of['few']),
        '≤ 1.3 ×',
        $of['many'] / $of['few'] <= 1.3,
    ], array_keys($medians), $medians);
}

/**
 * @param  int  $connections  that ask again as soon as they are answered
 * @return array{array<int, int>, float, float} answers by status, how long it took, and the longest, in seconds
 */
function rush(CurlHandle $session, string $url, int $connections, int $answers): array
{
    $cookies = implode('; ', array_map(static function (string $cookie): string {
        $parts = explode("\t", $cookie);

        return $parts[5].'='.$parts[6];
    }, curl_getinfo($session, CURLINFO_COOKIELIST)));
    $multi = curl_multi_init();
    $open = static function () use ($multi, $url, $cookies): void {
        $curl = curl_init($url);
        curl_setopt_array($curl, [CURLOPT_RETURNTRANSFER => true, CURLOPT_HTTPHEADER => ['Accept: application/json', 'Cookie: '.$cookies]]);
        curl_multi_add_handle($multi, $curl);
    };
    $statuses = [];
    $longest = 0.0;
    $began = hrtime(true);
    for ($asked = 0; $asked < min($connections, $answers); $asked++) {
        $open();
    }
    for ($done = 0; $done < $answers;) {
        curl_multi_exec($multi, $running);
        while (($info = curl_multi_info_read($multi)) !== false) {
            $status = curl_getinfo($info['handle'], CURLINFO_RESPONSE_CODE);
            $statuses[$status] = ($statuses[$status] ?? 0) + 1;
            $longest = max($longest, curl_getinfo($info['handle'], CURLINFO_TOTAL_TIME));
            curl_multi_remove_handle($multi, $info['handle']);
            $done++;
            if ($asked < $answers) {
                $asked++;
                $open();
            }
        }
        curl_multi_select($multi, 0.05);
    }

    return [$statuses, (hrtime(true) - $began) / 1e9, $longest];
}

/** @return list<array{string, string, string, string, ?bool}> */
function manyAtOnce(string $base): array
{
    [$curl, $clients] = studio($base, 'many');
    $rows = [];
    foreach (['list of 300' => [$base.'/api/clients', 60], 'board' => [$clients[0].'/board', null]] as $what => [$url, $aim]) {
        [$statuses, $seconds, $longest] = rush($curl, $url, 32, 300);
        $rate = ($statuses[200] ?? 0) / $seconds;
        $rows[] = [
            "$what, 32 connections",
            sprintf('%.0f answers a second, the longest %.2f s', $rate, $longest),
            '',
            $aim === null ? '' : "≥ $aim a second",
            $aim === null ? null : $rate >= $aim,
        ];
    }
    [$statuses, , $longest] = rush($curl, $clients[0].'/board', 400, 1200);
    ksort($statuses);
    $rows[] = [
        'board, 400 connections',
        sprintf('%s; the longest %.1f s', urldecode(http_build_query($statuses, '', ', ')), $longest),
        '',
        '503 instead of 10 s',
        $longest < 10 && array_diff(array_keys($statuses), [200, 503]) === [],
    ];

    return $rows;
}

/** @return array{float, int} seconds, the median of some runs, and lines that came out */
function run(array $command, string $input, int $runs = 5): array
{
    $file = (string) tempnam(sys_get_temp_dir(), 'bench');
    file_put_contents($file, $input);
    $times = [];
    $lines = 0;
    for ($i = 0; $i < $runs; $i++) {
        $began = hrtime(true);
        $process = proc_open($command, [['file', $file, 'r'], ['pipe', 'w'], ['file', '/dev/null', 'w']], $pipes);
        $lines = substr_count((string) stream_get_contents($pipes[1]), "\n");
        proc_close($process);
        $times[] = (hrtime(true) - $began) / 1e9;
    }
    unlink($file);

    return [percentile($times, 0.5), $lines];
}

/** @return list<array{string, string, string, string, ?bool}> */
function commands(): array
{
    mt_srand(7);
    $even = dirname(__DIR__).'/even-rungs';
    $client = json_decode((string) file_get_contents(dirname(__DIR__).'/demo/scenario.json'), true)['clients'][2];
    $set = static fn (string $side): array => [
        'side' => $side, 'target_reps' => 12, 'reps' => mt_rand(9, 12), 'faults' => [], 'pain' => mt_rand(0, 2), 'effort' => mt_rand(4, 7),
        'breathing' => true,
    ];
    $histories = '';
    for ($i = 0; $i < 4000; $i++) {
        $sessions = array_map(static fn (int $day): array => [
            'date' => sprintf('2027-01-%02d', 4 + 3 * $day),
            'sets' => [$set('left'), $set('right'), $set('left'), $set('right')],
        ], range(0, 3));
        $histories .= json_encode([
            'format' => 'even-rungs/history', 'version' => 1, 'ladder' => 'dead-bug', 'rung' => 'heel-taps', 'sessions' => $sessions,
        ])."\n";
    }
    $nothing = run([PHP_BINARY, '-r', ''], '')[0];
    $rows = [];
    foreach (['schema session' => '', 'place' => json_encode($client), 'plan --weeks 6' => json_encode($client)] as $command => $input) {
        $took = run([$even, ...explode(' ', $command)], $input)[0];
        $rows[] = ["./even-rungs $command", sprintf('%.0f ms', 1000 * $took), sprintf('%.1f × php -r \'\'', $took / $nothing), '', null];
    }
    foreach ([
        'verdict' => [$histories, 4000, 2000, 'verdicts of four sessions of four sets'],
        'plan' => [str_repeat(json_encode($client)."\n", 200), 200, 20, 'plans of one week'],
    ] as $command => [$input, $documents, $aim, $of]) {
        // beyond the start, which one document shows
        $one = run([$even, $command, '--many'], strstr($input, "\n", true)."\n")[0];
        [$took, $lines] = run([$even, $command, '--many'], $input, 3);
        $rate = ($lines - 1) / ($took - $one);
        $rows[] = [
            "./even-rungs $command --many",
            sprintf('%.0f %s a second', $rate, $of),
            '',
            "≥ $aim a second",
            $rate >= $aim && $lines === $documents,
        ];
    }

    return $rows;
}

/** @return list<array{string, string, string, string, ?bool}> compressed script that the first views load, with all it imports */
function firstViews(): array
{
    $build = dirname(__DIR__).'/public/build/';
    $manifest = json_decode((string) file_get_contents($build.'manifest.json'), true, 16, JSON_THROW_ON_ERROR);
    $rows = [];
    foreach ([
        'list' => ['web/main.tsx'],
        'wall' => ['web/main.tsx', 'web/features/board/BoardLayout.tsx', 'web/features/wall/Wall.tsx'],
    ] as $view => $queue) {
        $bytes = 0;
        for ($i = 0; $i < count($queue); $i++) {
            $chunk = $manifest[$queue[$i]];
            $bytes += (int) filesize($build.$chunk['file'].'.br');
            $queue = array_values(array_unique([...$queue, ...$chunk['imports'] ?? []]));
        }
        $rows[] = ["script of the first view: $view", sprintf('%.1f kB on the wire', $bytes / 1000), '', '≤ 120 kB', $bytes <= 120_000];
    }

    return $rows;
}

/** @return list<array{string, string, string, string, ?bool}> of the workers that answered all of this */
function memory(): array
{
    $kb = [];
    $master = trim((string) @file_get_contents(dirname(__DIR__).'/var/bench/run/fpm.pid'));
    foreach (glob('/proc/[0-9]*/status') ?: [] as $file) {
        $status = (string) @file_get_contents($file);
        if (preg_match('/^PPid:\s+'.$master.'$/m', $status) === 1) {
            preg_match('/^Pss:\s+(\d+)/m', (string) @file_get_contents(dirname($file).'/smaps_rollup'), $found);
            $kb[] = (int) ($found[1] ?? 0);
        }
    }

    return [['memory of a worker, its share of what is shared included', sprintf(
        '%.0f MB at most, %d workers',
        $kb === [] ? 0 : max($kb) / 1024,
        count($kb),
    ), '', '', null]];
}
