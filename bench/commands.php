<?php

declare(strict_types=1);

// The job commands that plan, place and compare, beside a command that does nothing but start.

const RUNS = 15;

/** @return float milliseconds, the median of some runs */
function median(string $command, string $input): float
{
    $times = [];
    for ($i = 0; $i < RUNS; $i++) {
        $began = hrtime(true);
        $process = proc_open(
            [PHP_BINARY, dirname(__DIR__).'/cli/main.php', ...explode(' ', $command)],
            [['pipe', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
        );
        fwrite($pipes[0], $input);
        fclose($pipes[0]);
        if (proc_close($process) !== 0) {
            exit("$command did not work\n");
        }
        $times[] = (hrtime(true) - $began) / 1e6;
    }
    sort($times);

    return $times[intdiv(RUNS, 2)];
}

$scenario = json_decode((string) file_get_contents(dirname(__DIR__).'/demo/scenario.json'), true);
$client = $scenario['clients'][2];
$tests = [
    'format' => 'even-rungs/tests',
    'version' => 1,
    'norm_group' => 'women',
    'tests' => ['front-plank_s' => 118, 'side-plank-left_s' => 72, 'side-plank-right_s' => 70, 'extensor_s' => 160, 'flexor_s' => 150],
];
$start = median('schema session', '');
printf("Start of a command: %.0f ms\n", $start);
foreach (['plan --weeks 8' => $client, 'place' => $client, 'norms' => $tests] as $command => $input) {
    $beyond = median($command, (string) json_encode($input)) - $start;
    printf(
        "%s: %.0f ms beyond the start, %.1f times the start itself; the aim is under 150 ms: %s\n",
        $command,
        $beyond,
        $beyond / $start,
        $beyond < 150 ? 'met' : 'MISSED',
    );
}
