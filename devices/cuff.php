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

$port = (int) ($argv[1] ?? 0);
$server = stream_socket_server('tcp://127.0.0.1:'.$port, $code, $message);
if ($server === false) {
    fwrite(STDERR, sprintf("the cuff cannot listen on port %d: %s\n", $port, $message));
    exit(1);
}

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
$clients = [];
$pending = [];
while (true) {
    $read = [$server, ...$clients];
    $write = $except = null;
    if (stream_select($read, $write, $except, null) === false) {
        continue;
    }
    foreach ($read as $socket) {
        if ($socket === $server) {
            $client = stream_socket_accept($server, 0);
            if ($client !== false) {
                stream_set_blocking($client, false);
                $clients[(int) $client] = $client;
                $pending[(int) $client] = '';
            }

            continue;
        }
        $text = fread($socket, 256);
        if ($text === false || $text === '' && feof($socket) || strlen($pending[(int) $socket]) > 256) {
            unset($clients[(int) $socket], $pending[(int) $socket]);
            fclose($socket);

            continue;
        }
        $pending[(int) $socket] .= $text;
        while (($end = strpos($pending[(int) $socket], "\n")) !== false) {
            $line = strtolower(trim(substr($pending[(int) $socket], 0, $end)));
            $pending[(int) $socket] = substr($pending[(int) $socket], $end + 1);
            if (preg_match('/^play (steady|losing|pressing)$/', $line, $found) === 1) {
                [$play, $began] = [$found[1], microtime(true)];
                fwrite($socket, "OK\n");
            } else {
                fwrite($socket, match ($line) {
                    'name' => "Simulated cuff\n",
                    'read' => sprintf("%.1f mmHg\n", $reading($play, microtime(true) - $began)),
                    default => "ERROR not understood\n",
                });
            }
        }
    }
}
