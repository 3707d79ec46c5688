<?php

declare(strict_types=1);

// The list of a studio with 300 clients and a year of logs, and the wall, log and evenness pages of its clients, over HTTP, beside a
// bare PHP page on the same server. The first look of a day is warmed, as the page does by asking again.

require __DIR__.'/http.php';

$base = $argv[1] ?? exit("usage: php bench/roster.php ADDRESS\n");
$scenario = json_decode((string) file_get_contents(dirname(__DIR__).'/demo/scenario.json'), true)['many'];
$curl = session($base, $scenario['email'], $scenario['password']);
$first = [];
do {
    [, $list, $ms] = call($curl, $base.'/api/clients');
    $first[] = $ms;
} while (($list['behind'] ?? 0) > 0);
printf(
    "%d clients; the list of a new day is whole after %d looks, the longest %.0f ms\n",
    count($list['clients']),
    count($first),
    max($first),
);
$times = ['list' => [], 'bare' => []];
for ($i = 0; $i < 60; $i++) {
    $times['list'][] = call($curl, $base.'/api/clients')[2];
    if (isset($argv[2])) {
        $times['bare'][] = call($curl, $base.'/bare')[2];
    }
    $client = $list['clients'][(7 * $i) % count($list['clients'])]['id'];
    foreach (['wall' => 'board', 'log' => 'logs', 'evenness' => 'evenness'] as $page => $path) {
        [$status, , $ms] = call($curl, $base.'/api/clients/'.$client.'/'.$path);
        if ($status !== 200) {
            exit("$path answered $status\n");
        }
        $times[$page][] = $ms;
    }
}
$bare95 = $times['bare'] === [] ? null : percentile($times['bare'], 0.95);
foreach (array_diff_key($times, ['bare' => 0]) as $page => $of) {
    $p95 = percentile($of, 0.95);
    printf(
        "%s: median %.0f ms, 95th percentile %.0f ms%s; the aim is under 300 ms: %s\n",
        ucfirst($page),
        percentile($of, 0.5),
        $p95,
        $bare95 === null ? '' : sprintf(', %.0f times a bare PHP page', $p95 / $bare95),
        $p95 < 300 ? 'met' : 'MISSED',
    );
}
