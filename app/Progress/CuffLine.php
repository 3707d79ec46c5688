<?php

declare(strict_types=1);

namespace App\Progress;

/**
 * The pressure cuff at the end of a local line. docs/cuff.md tells what is spoken.
 */
final class CuffLine
{
    private const PATIENCE_S = 0.5;

    /** @param  string  $address  host:port of a device; empty where there is none */
    public function __construct(private readonly string $address)
    {
    }

    /** @return ?float millimetres of mercury; null where nothing answers */
    public function read(): ?float
    {
        return preg_match('/^(\d{1,3}(?:\.\d+)?) mmHg$/', $this->ask('READ') ?? '', $found) === 1 ? (float) $found[1] : null;
    }

    public function name(): ?string
    {
        return $this->ask('NAME');
    }

    /** Only the simulated cuff: what it plays from now on. */
    public function play(string $what): bool
    {
        return $this->ask('PLAY '.$what) === 'OK';
    }

    private function ask(string $line): ?string
    {
        $socket = $this->address === '' ? false : @stream_socket_client('tcp://'.$this->address, $code, $message, self::PATIENCE_S);
        if ($socket === false) {
            return null;
        }
        stream_set_timeout($socket, 0, (int) (self::PATIENCE_S * 1_000_000));
        fwrite($socket, $line."\n");
        $answer = fgets($socket, 256);
        fclose($socket);

        return $answer === false ? null : trim($answer);
    }
}
