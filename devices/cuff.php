<?php

declare(strict_types=1);

/*
 * A simulated pressure cuff: a stand-in for a real one. It listens on a local port and answers one line for each it is sent:
 *
 *   NAME         the device's name
 *   READ         the reading, in millimetres of mercury: "40.8 mmHg"
 *   PLAY <what>  only this stand-in: steady, losing or pressing; it starts again from 40 mmHg
 *
 * Started with the port as its argument; 127.0.0.1 only.
 */

require dirname(__DIR__).'/vendor/autoload.php';

use EvenRungs\Devices\LineServer;

/** Millimetres of mercury so many seconds after a play began. */
$reading = static function (string $play, float $seconds): float {
    $breath = 1.2 * sin(1.6 * $seconds) + 0.4 * sin(7.0 * $seconds);

    return max(0.0, $breath + match ($play) {
        'losing' => 40.0 - min(24.0, 3.0 * $seconds),
        'pressing' => 40.0 + min(28.0, 3.0 * $seconds),
        default => 40.0,
    });
};

$play = 'steady';
$began = microtime(true);
LineServer::serve((int) ($argv[1] ?? 0), 'cuff', static function (string $line) use ($reading, &$play, &$began): string {
    if (preg_match('/^play (steady|losing|pressing)$/', $line, $found) === 1) {
        [$play, $began] = [$found[1], microtime(true)];

        return "OK\n";
    }

    return match ($line) {
        'name' => "Simulated cuff\n",
        'read' => sprintf("%.1f mmHg\n", $reading($play, microtime(true) - $began)),
        default => "ERROR not understood\n",
    };
});
