<?php

declare(strict_types=1);

namespace App\Support;

/**
 * A device at the end of a local line: one line of text is sent, one comes back, with as many bytes behind it as that says.
 */
final class DeviceLine
{
    private const PATIENCE_S = 0.5;

    private const MOST_BYTES = 4_000_000;

    /** @param  string  $address  host:port of a device; empty where there is none */
    public function __construct(private readonly string $address)
    {
    }

    /** @return ?string what is answered; null where nothing answers in half a second */
    public function ask(string $line): ?string
    {
        return $this->asked($line, static fn (string $answer): string => $answer);
    }

    /** @return ?string the bytes that follow an answer `BYTES n`; null where none do */
    public function bytes(string $line): ?string
    {
        return $this->asked($line, static function (string $answer, $socket): ?string {
            if (preg_match('/^BYTES (\d{1,7})$/', $answer, $found) !== 1 || (int) $found[1] > self::MOST_BYTES) {
                return null;
            }
            $bytes = stream_get_contents($socket, (int) $found[1]);

            return $bytes === false || strlen($bytes) !== (int) $found[1] ? null : $bytes;
        });
    }

    /** @param  callable(string, resource): ?string  $read */
    private function asked(string $line, callable $read): ?string
    {
        $socket = $this->address === '' ? false : @stream_socket_client('tcp://'.$this->address, $code, $message, self::PATIENCE_S);
        if ($socket === false) {
            return null;
        }
        stream_set_timeout($socket, 0, (int) (self::PATIENCE_S * 1_000_000));
        fwrite($socket, $line."\n");
        $answer = fgets($socket, 256);
        $read = $answer === false ? null : $read(trim($answer), $socket);
        fclose($socket);

        return $read;
    }
}
