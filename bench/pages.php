<?php

declare(strict_types=1);

// What the application answers, each beside a bare PHP page of the same pool in the same run: a row a kind of answer.
// usage: php bench/pages.php ADDRESS [RUNS]

require __DIR__.'/http.php';

$base = $argv[1] ?? exit("usage: php bench/pages.php ADDRESS [RUNS]\n");
$runs = (int) ($argv[2] ?? 40);
$curl = session($base);
[, $list] = call($curl, $base.'/api/clients');
while (($list['behind'] ?? 0) > 0) {
    [, $list] = call($curl, $base.'/api/clients');
}
$urls = array_map(static fn (array $client): string => $base.'/api/clients/'.$client['id'], $list['clients']);
$of = static fn (int $i): string => $urls[$i % count($urls)];

$rows = [
    'health' => static fn (int $i): array => call($curl, $base.'/api/health'),
    'who is signed in' => static fn (int $i): array => call($curl, $base.'/api/me'),
    'list' => static fn (int $i): array => call($curl, $base.'/api/clients'),
    'list, 304' => static fn (int $i): array => again($curl, $base.'/api/clients'),
    'board' => static fn (int $i): array => call($curl, $of($i).'/board'),
    'board, 304' => static fn (int $i): array => again($curl, $of($i).'/board'),
    'log' => static fn (int $i): array => call($curl, $of($i).'/logs'),
    'log, 304' => static fn (int $i): array => again($curl, $of($i).'/logs'),
    'evenness' => static fn (int $i): array => call($curl, $of($i).'/evenness'),
    'progress' => static fn (int $i): array => call($curl, $of($i).'/progress'),
    'screen' => static fn (int $i): array => call($curl, $of($i).'/screen'),
    'figures' => static fn (int $i): array => call($curl, $base.'/api/figures'),
    'library' => static fn (int $i): array => call($curl, $base.'/api/library'),
    'move' => static function (int $i) use ($curl, $of): array {
        [, $board] = call($curl, $of($i).'/board');
        $ladders = array_values(array_filter($board['ladders'], static fn (array $each): bool => ($each['up'] ?? $each['down']) !== null));
        $ladder = $ladders[$i % count($ladders)];

        return call($curl, $of($i).'/moves', [
            'version' => $board['version'],
            'rung' => $ladder[$i % 2 === 0 ? 'up' : 'down'] ?? $ladder['up'] ?? $ladder['down'],
        ]);
    },
    'list after a write' => static fn (int $i): array => call($curl, $base.'/api/clients'),
    'plan of six weeks' => static function (int $i) use ($curl, $of): array {
        [, $board] = call($curl, $of($i).'/board');

        return call($curl, $of($i).'/plan', ['version' => $board['version']]);
    },
];
$only = array_slice($argv, 3);
$times = $statuses = ['bare' => []];
for ($i = -2; $i < $runs; $i++) {
    foreach ($rows as $name => $ask) {
        if ($only !== [] && ! in_array($name, $only, true)) {
            continue;
        }
        [$status, , $ms] = $ask(abs($i));
        $bare = call($curl, $base.'/bare')[2];
        if ($i >= 0) {
            $times[$name][] = $ms;
            $times['bare'][] = $bare;
            $statuses[$name][$status] = ($statuses[$name][$status] ?? 0) + 1;
        }
    }
}
$yard = percentile($times['bare'], 0.5);
printf("%-22s %10s %10s %8s %8s   %s\n", '', 'median ms', 'p95 ms', 'x bare', 'p95 x', 'answers');
foreach ($times as $name => $of) {
    printf(
        "%-22s %10.1f %10.1f %8.1f %8.1f   %s\n",
        $name,
        percentile($of, 0.5),
        percentile($of, 0.95),
        percentile($of, 0.5) / $yard,
        percentile($of, 0.95) / $yard,
        http_build_query($statuses[$name], '', ' '),
    );
}
