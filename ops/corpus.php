<?php

declare(strict_types=1);

use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Corpus;
use Tests\Support\Visitor;

/**
 * What the command line and the pages' API say, written down before a change that must change nothing, and compared after it.
 *
 *   php ops/corpus.php record DIR               200 runs of the job commands of this checkout, always the same ones
 *   php ops/corpus.php record-api DIR INSTANCE  200 answers of an instance with a fresh demo
 *   php ops/corpus.php compare BEFORE AFTER [RENAMES]
 *
 * The command line is compared byte by byte. Ids and moments of the API are numbered in the order in which they come; RENAMES is a table
 * of fields, old and new parted by a tab, by which the answers of before are read.
 */
require dirname(__DIR__).'/vendor/autoload.php';

const SEED = 20261128;
const COUNT = 200;

$root = dirname(__DIR__);
[, $act, $dir] = [...$argv, '', ''];
match ($act) {
    'record' => record($dir, $root),
    'record-api' => recordApi($dir, $argv[3] ?? 'test', $root),
    'compare' => exit(compare($dir, $argv[3] ?? '', $argv[4] ?? null)),
    default => exit("what: record, record-api or compare\n"),
};

/** @return array{int, string, string} exit code, output, diagnostics */
function run(string $root, array $arguments, string $input): array
{
    $process = proc_open([$root.'/even-rungs', ...$arguments], [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes, $root);
    fwrite($pipes[0], $input);
    fclose($pipes[0]);
    $out = (string) stream_get_contents($pipes[1]);
    $err = (string) stream_get_contents($pipes[2]);

    return [proc_close($process), $out, $err];
}

function record(string $dir, string $root): void
{
    @mkdir($dir.'/cli', 0777, true);
    $codes = [];
    (new Corpus($root))->each(
        static function (array $arguments, string $input) use (&$codes, $dir, $root): string {
            [$code, $out, $err] = run($root, $arguments, $input);
            file_put_contents(
                sprintf('%s/cli/%03d-%s.txt', $dir, count($codes), $arguments[0] ?? 'none'),
                str_replace($dir, 'DIR', implode(' ', $arguments))."\n{$code}\n{$out}\n--\n{$err}",
            );
            $codes[] = $code;

            return $out;
        },
        static function (array $document) use ($dir): string {
            file_put_contents($dir.'/client.json', json_encode($document));

            return $dir.'/client.json';
        },
    );
    printf("%d runs, exit codes %s\n", count($codes), json_encode(array_count_values($codes)));
}

function recordApi(string $dir, string $instance, string $root): void
{
    @mkdir($dir.'/api', 0777, true);
    $settings = parse_ini_file("{$root}/var/{$instance}/app.env", false, INI_SCANNER_RAW) ?: [];
    $visitor = new Visitor('http://127.0.0.1:'.$settings['WEB_PORT']);
    $visitor->send('GET', '/sign-in');
    $visitor->signIn();
    $chance = new Randomizer(new Mt19937(SEED));
    $requests = [
        ['GET', '/me'],
        ['GET', '/clients'],
        ['GET', '/archive'],
        ['GET', '/library'],
        ['GET', '/ladders'],
        ['GET', '/styles'],
        ['GET', '/poses'],
        ['GET', '/people'],
        ['GET', '/templates'],
        ['GET', '/words'],
        ['GET', '/rungs?q=plank'],
        ['GET', '/rungs?q=bug'],
        ['GET', '/rungs/forearm-plank'],
        ['GET', '/rungs/heel-taps'],
        ['GET', '/happened'],
        ['GET', '/clients/nobody/board'],
    ];
    $clients = $visitor->send('GET', '/api/clients')[1]['clients'];
    $ids = array_column($clients, 'id');
    foreach ($ids as $id) {
        $board = $visitor->send('GET', "/api/clients/{$id}/board")[1];
        $requests = [
            ...$requests,
            ...array_map(
                static fn (string $path): array => ['GET', "/clients/{$id}{$path}"],
                [
                    '',
                    '/board',
                    '/document',
                    '/audit',
                    '/evenness',
                    '/logs',
                    '/programs',
                    '/screen',
                    '/tests',
                    '/happened',
                    '/trainers',
                    '/swaps/forearm-plank',
                    '/swaps/heel-taps',
                    '/road/plank-long-lever',
                    '/minutes/forearm-plank',
                ],
            ),
        ];
        for ($week = 1; $week <= ($board['weeks'] ?? 0); $week++) {
            $requests[] = ['GET', "/clients/{$id}/programs/current/weeks/{$week}"];
        }
        foreach ($board['week']['sessions'] ?? [] as $session) {
            $place = $session['number'];
            $requests = [...$requests, ['GET', "/clients/{$id}/floor/1/{$place}"], ['GET', "/clients/{$id}/sessions/1/{$place}"],
                [
                    'POST',
                    "/clients/{$id}/door/check",
                    [
                        'week' => 1,
                        'place' => $place,
                        'pain' => $chance->getInt(0, 7),
                        'soreness' => $chance->getInt(0, 5),
                        'minutes' => $chance->getInt(5, 30),
                        'sore' => [['wrist', 'shoulder', 'kneeling'][$chance->getInt(0, 2)]],
                    ],
                ],
                [
                    'POST',
                    "/clients/{$id}/sessions/move/check",
                    ['version' => $board['version'], 'week' => 1, 'place' => $place, 'day' => 'sun'],
                ],
                ['POST', "/clients/{$id}/moves", ['version' => $board['version'], 'ladder' => 'plank', 'rung' => 'no-such-rung']]];
        }
    }
    $group = static fn (bool $rotate, int $work): array => [
        'clients' => array_slice($ids, 1, 2),
        'stations' => ['dead-bug', 'side-plank', 'press-out'],
        'rounds' => 2,
        'work_s' => $work,
        'rest_s' => 20,
        'warm_up_s' => 60,
        'cool_down_s' => 0,
        'rotate' => $rotate,
    ];
    foreach ([12, 40, 90] as $work) {
        $requests = [
            ...$requests,
            ['POST', '/group', $group(false, $work)],
            ['POST', '/group', $group(true, $work)],
            ['POST', '/group/floor', $group(true, $work)],
        ];
    }
    $codes = [];
    foreach (array_slice($requests, 0, COUNT) as $i => $request) {
        [$method, $path] = $request;
        [$code, $answer] = $visitor->send($method, '/api'.$path, $request[2] ?? null);
        $codes[] = $code;
        file_put_contents(
            sprintf('%s/api/%03d.json', $dir, $i),
            numbered(
                $method.' '.$path."\n".$code."\n".json_encode($answer, JSON_PRETTY_PRINT | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES),
            ),
        );
    }
    printf("%d answers of %d, statuses %s\n", count($codes), count($requests), json_encode(array_count_values($codes)));
}

/** Ids and moments by the order in which they come. */
function numbered(string $text): string
{
    foreach ([
        '/\b[0-9a-hjkmnp-tv-z]{26}\b/' => 'id',
        '/\d{4}-\d\d-\d\dT\d\d:\d\d:\d\d(?:\.\d+)?(?:Z|[+-]\d\d:\d\d)/' => 'moment',
        '/"device_key": "[^"]+"/' => 'key',
    ] as $pattern => $name) {
        $seen = [];
        $text = (string) preg_replace_callback($pattern, static function (array $found) use (&$seen, $name): string {
            return $name.($seen[$found[0]] ??= count($seen) + 1);
        }, $text);
    }

    return $text;
}

function compare(string $before, string $after, ?string $renames): int
{
    $fields = [];
    foreach ($renames === null ? [] : (file($renames, FILE_IGNORE_NEW_LINES) ?: []) as $line) {
        [$old, $new] = [...explode("\t", $line), ''];
        $fields["\"{$old}\":"] = "\"{$new}\":";
    }
    $differ = 0;
    $names = [];
    foreach ([$before, $after] as $side) {
        foreach (glob($side.'/{cli,api}/*', GLOB_BRACE) ?: [] as $file) {
            $names[substr($file, strlen($side) + 1)] = true;
        }
    }
    foreach (array_keys($names) as $name) {
        $old = (string) @file_get_contents($before.'/'.$name);
        if ($fields !== [] && str_starts_with($name, 'api')) {
            $old = strtr($old, $fields);
        }
        if ($old !== (string) @file_get_contents($after.'/'.$name)) {
            $differ++;
            echo $name, ' differs', "\n";
        }
    }
    printf("%d compared, %d differ\n", count($names), $differ);

    return $differ === 0 ? 0 : 1;
}
