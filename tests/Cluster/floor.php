<?php

declare(strict_types=1);

// One floor in a process of its own: NAME, the host of its studio, the file that ends it, the file it writes what was taken to.
require __DIR__.'/../../vendor/autoload.php';

[, $name, $host, $end, $report] = $argv;
$scenario = json_decode((string) file_get_contents(__DIR__.'/../../demo/scenario.json'), true);
$report .= '.part';
try {
    $said = (new Tests\Cluster\Floor($name, $scenario['clients'][2], $host))->until($end);
} catch (Throwable $e) {
    $said = ['wrong' => $e->getMessage()];
}
file_put_contents($report, json_encode($said));
rename($report, substr($report, 0, -5));
