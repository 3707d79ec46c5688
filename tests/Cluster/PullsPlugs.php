<?php

declare(strict_types=1);

namespace Tests\Cluster;

use Random\Randomizer;

/**
 * What can become of one node at a time, and its way back.
 */
final class PullsPlugs
{
    private const WHAT = [
        'kill -9 a database' => ['kill', 'db', 3],
        'kill -9 a web server' => ['kill', 'web', 2],
        'cut a database off' => ['cut', 'db', 3],
        'stop a web server in the middle' => ['cut', 'web', 2],
    ];

    /** @var list<array{what: string, node: string, from: float, to: float}> */
    public array $moments = [];

    public function __construct(private readonly Randomizer $chance)
    {
    }

    /** One node at a random moment, for as long as chance will have it. */
    public function once(string $cluster): void
    {
        $what = array_keys(self::WHAT)[count($this->moments) % count(self::WHAT)];
        [$act, $kind, $of] = self::WHAT[$what];
        $node = $kind.$this->chance->getInt(1, $of);
        usleep($this->chance->getInt(0, 2_000_000));
        $from = microtime(true);
        Site::tell($act, $cluster, $node);
        usleep($this->chance->getInt(500_000, 6_000_000));
        Site::tell('heal', $cluster, $node);
        $this->moments[] = ['what' => $what, 'node' => $node, 'from' => $from, 'to' => microtime(true)];
    }
}
