<?php

declare(strict_types=1);

namespace Tests\Cluster;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * A cluster that loses a node loses no set. Four floors run at once while databases and web servers are killed, cut off and brought back;
 * 60 times, or EVEN_RUNGS_MOMENTS. Part of `./even-rungs soak cluster` only.
 */
final class LosesNodesTest extends TestCase
{
    private const MOMENTS = 60;

    private const FLOORS = ['North floor', 'South floor', 'East floor', 'West floor'];

    public function test_every_set_that_was_taken_is_there_once_whatever_node_is_lost(): void
    {
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        $floors = new Floors(self::FLOORS);
        $began = microtime(true);
        sleep(10);
        $plugs = new PullsPlugs(new Randomizer(new Mt19937($seed)));
        for ($i = 0; $i < (int) (getenv('EVEN_RUNGS_MOMENTS') ?: self::MOMENTS); $i++) {
            $plugs->once('a');
            $moment = $plugs->moments[$i];
            fwrite(STDERR, sprintf("%2d %s, %s: %.1f s\n", $i + 1, $moment['what'], $moment['node'], $moment['to'] - $moment['from']));
        }
        sleep(2);
        ['wrong' => $wrong, 'taken' => $taken, 'asked' => $asked] = $floors->end();
        self::assertSame([], $wrong, 'seed '.$seed);
        (new Figures($plugs->moments, $asked))->print(
            sprintf('%d moments in %.0f s under four floors, seed %d', count($plugs->moments), microtime(true) - $began, $seed),
        );

        $copies = array_map(
            static fn (string $node): string => Site::tell('artisan', 'a', $node, 'studio', 'take-out', Site::studio()),
            ['db1', 'db2', 'db3'],
        );
        self::assertSame([$copies[0], $copies[0]], [$copies[1], $copies[2]], 'the same from each node');
        self::assertSame($taken, Floors::kept($copies[0], $taken), 'seed '.$seed);
    }
}
