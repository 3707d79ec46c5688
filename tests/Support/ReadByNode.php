<?php

declare(strict_types=1);

namespace Tests\Support;

use RuntimeException;

/**
 * What a library of another language reads out of a file that was written here.
 */
final class ReadByNode
{
    /** @return array<mixed> what the script under tests/tools says of the text */
    public static function with(string $script, string $text): array
    {
        $root = dirname(__DIR__, 2);
        $node = is_executable($root.'/var/node/bin/node') ? $root.'/var/node/bin/node' : 'node';
        $process = proc_open([$node, $root.'/tests/tools/'.$script], [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes, $root);
        if ($process === false) {
            throw new RuntimeException('node does not start');
        }
        fwrite($pipes[0], $text);
        fclose($pipes[0]);
        $said = (string) stream_get_contents($pipes[1]);
        $problem = (string) stream_get_contents($pipes[2]);
        if (proc_close($process) !== 0) {
            throw new RuntimeException($problem);
        }

        return (array) json_decode($said, true, 512, JSON_THROW_ON_ERROR);
    }
}
