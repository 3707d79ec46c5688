<?php

declare(strict_types=1);

namespace EvenRungs\Devices;

/**
 * Answers lines of text on a local port, as simulated devices do; 127.0.0.1 only.
 */
final class LineServer
{
    private const LONGEST = 256;

    /**
     * Goes on until the process ends.
     *
     * @param  string  $name  of the device, for the message where the port is taken
     * @param  callable(string): string  $answer  to a line in small letters, with its line feed
     */
    public static function serve(int $port, string $name, callable $answer): never
    {
        $server = stream_socket_server('tcp://127.0.0.1:'.$port, $code, $message);
        if ($server === false) {
            fwrite(STDERR, sprintf("the %s cannot listen on port %d: %s\n", $name, $port, $message));
            exit(1);
        }
        $clients = $pending = [];
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
                        $clients[(int) $client] = $client;
                        $pending[(int) $client] = '';
                    }

                    continue;
                }
                $text = fread($socket, self::LONGEST);
                if ($text === false || $text === '' && feof($socket) || strlen($pending[(int) $socket]) > self::LONGEST) {
                    unset($clients[(int) $socket], $pending[(int) $socket]);
                    fclose($socket);

                    continue;
                }
                $pending[(int) $socket] .= $text;
                while (($end = strpos($pending[(int) $socket], "\n")) !== false) {
                    $line = strtolower(trim(substr($pending[(int) $socket], 0, $end)));
                    $pending[(int) $socket] = substr($pending[(int) $socket], $end + 1);
                    @fwrite($socket, $answer($line));
                }
            }
        }
    }
}
