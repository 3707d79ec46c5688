<?php

declare(strict_types=1);

// Searching the whole library over HTTP at every key that is pressed, beside a bare PHP page on the same server.

require __DIR__.'/http.php';
require dirname(__DIR__).'/vendor/autoload.php';

use EvenRungs\Core\Ladder\Search;
use EvenRungs\Storage\DataFolder;

const TYPED = [
    'side plank knees',
    'ded bug',
    'suitcase carry',
    'anti-rotation pres',
    'standing wheel rolout',
    'goblet squat',
    'prone arms and legs',
    'hollow hold',
    'clam',
    'zzzz nothing',
];

$base = $argv[1] ?? exit("usage: php bench/search.php ADDRESS\n");
$curl = session($base);
$keys = [];
$bare = [];
$beyond = [];
$found = [];
$search = new Search(DataFolder::shipped()->library());
$search->suggestions('plank');
foreach (TYPED as $name) {
    for ($length = 1; $length <= strlen($name); $length++) {
        [$status, , $ms] = call($curl, $base.'/api/rungs?q='.rawurlencode(substr($name, 0, $length)));
        if ($status !== 200) {
            exit("a search answered $status\n");
        }
        $keys[] = $ms;
        $bare[] = $alone = call($curl, $base.'/bare')[2];
        $beyond[] = $ms - $alone;
        $began = hrtime(true);
        $search->suggestions(substr($name, 0, $length));
        $found[] = (hrtime(true) - $began) / 1e6;
    }
}
[$p50, $p95, $bare50, $bare95] = [percentile($keys, 0.5), percentile($keys, 0.95), percentile($bare, 0.5), percentile($bare, 0.95)];
printf(
    'Searching the library, %d key presses: median %.1f ms, 95th percentile %.1f ms, of it beyond a bare page at the same moment %.1f ms; '
        ."the aim is under 30 ms: %s\n",
    count($keys),
    $p50,
    $p95,
    percentile($beyond, 0.95),
    $p95 < 30 ? 'met' : (percentile($beyond, 0.95) < 30 ? 'met beyond the bare page only' : 'MISSED'),
);
printf("Finding names alone, in core: median %.2f ms, 95th percentile %.2f ms\n", percentile($found, 0.5), percentile($found, 0.95));
printf(
    'A bare PHP page in the same run: median %.2f ms, 95th percentile %.2f ms; '
        ."a key press takes %.0f times as long at the median, %.0f times at the 95th\n",
    $bare50,
    $bare95,
    $p50 / $bare50,
    $p95 / $bare95,
);
