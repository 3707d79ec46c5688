<?php

declare(strict_types=1);

// Moving a rung on the demo data, over HTTP as a page does it, beside a bare PHP page on the same server.

require __DIR__.'/http.php';

$base = $argv[1] ?? exit("usage: php bench/move.php ADDRESS\n");
$curl = session($base);
[, $list] = call($curl, $base.'/api/clients');
$moves = [];
$bare = [];
foreach ($list['clients'] as $client) {
    $url = $base.'/api/clients/'.$client['id'];
    [, $board] = call($curl, $url.'/board');
    for ($i = 0; $i < 40; $i++) {
        $ladder = $board['ladders'][$i % count($board['ladders'])];
        $target = $ladder[$i % 2 === 0 ? 'up' : 'down'] ?? $ladder['up'] ?? $ladder['down'];
        if ($target === null) {
            continue;
        }
        [$status, $board, $ms] = call($curl, $url.'/moves', ['version' => $board['version'], 'rung' => $target]);
        if ($status !== 200) {
            exit("a move answered $status\n");
        }
        $moves[] = $ms;
        $bare[] = call($curl, $base.'/bare')[2];
    }
}
[$p50, $p95, $bare50, $bare95] = [percentile($moves, 0.5), percentile($moves, 0.95), percentile($bare, 0.5), percentile($bare, 0.95)];
printf(
    "Moving a rung, %d moves: median %.1f ms, 95th percentile %.1f ms; the aim is under 100 ms: %s\n",
    count($moves),
    $p50,
    $p95,
    $p95 < 100 ? 'met' : 'MISSED',
);
printf(
    'A bare PHP page in the same run: median %.2f ms, 95th percentile %.2f ms; '
        ."a move takes %.0f times as long at the median, %.0f times at the 95th\n",
    $bare50,
    $bare95,
    $p50 / $bare50,
    $p95 / $bare95,
);
