<?php

declare(strict_types=1);

/*
 * A simulated camera: a stand-in for a real one. It listens on a local port and answers one line for each it is sent:
 *
 *   NAME               the device's name
 *   FRAME              "BYTES n" and n bytes of JPEG: what it sees now
 *   PLAY <rung> <what> only this stand-in: straight, sagging or piking; the film of that exercise starts again, and its line is left
 *                      after twelve seconds
 *
 * Started with the port as its argument; 127.0.0.1 only.
 */

require dirname(__DIR__).'/vendor/autoload.php';

use EvenRungs\Devices\Camera\Film;
use EvenRungs\Devices\Camera\Scene;
use EvenRungs\Devices\LineServer;
use EvenRungs\Storage\DataFolder;

const FAULT_AFTER_S = 12.0;

const LONGEST_MS = 30_000;

$library = DataFolder::shipped()->library();
$sags = ['straight' => null, 'sagging' => 9.0, 'piking' => -16.0];
$film = new Film(new Scene(2), $library);
$began = hrtime(true);
LineServer::serve((int) ($argv[1] ?? 0), 'camera', static function (string $line) use ($library, $sags, &$film, &$began): string {
    if (preg_match('/^play ([a-z0-9-]+) (straight|sagging|piking)$/', $line, $found) === 1) {
        [, $rung, $what] = $found;
        if (! $library->hasRung($rung) || ($library->rung($rung)->line->joints ?? []) === []) {
            return "ERROR no line\n";
        }
        $film = new Film(new Scene(2, $rung, $sags[$what] === null ? null : FAULT_AFTER_S, $sags[$what] ?? 0.0), $library);
        $began = hrtime(true);

        return "OK\n";
    }
    if ($line === 'frame') {
        $frame = $film->frame(intdiv(hrtime(true) - $began, 1_000_000) % LONGEST_MS);

        return sprintf("BYTES %d\n%s", strlen($frame), $frame);
    }

    return $line === 'name' ? "Simulated camera\n" : "ERROR not understood\n";
});
