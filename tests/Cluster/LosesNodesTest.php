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
        $folder = sys_get_temp_dir().'/even-rungs-floors-'.getmypid();
        mkdir($folder);
        $floors = array_map(static fn (string $name, int $i): mixed => proc_open(
            [PHP_BINARY, __DIR__.'/floor.php', $name, $folder.'/end', "{$folder}/{$i}.json"],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', "{$folder}/{$i}.log", 'w']],
            $pipes,
        ), self::FLOORS, array_keys(self::FLOORS));
        $began = microtime(true);
        sleep(10);
        $plugs = new PullsPlugs(new Randomizer(new Mt19937($seed)));
        for ($i = 0; $i < (int) (getenv('EVEN_RUNGS_MOMENTS') ?: self::MOMENTS); $i++) {
            $plugs->once('a');
            fwrite(STDERR, sprintf("%s %s: %.1f s until it was as the others again\n", $plugs->moments[$i]['node'], $plugs->moments[$i]['what'], $plugs->moments[$i]['to'] - $plugs->moments[$i]['from']));
        }
        sleep(2);
        touch($folder.'/end');
        $reports = [];
        foreach ($floors as $i => $floor) {
            is_resource($floor) && proc_close($floor);
            $reports[] = json_decode((string) file_get_contents("{$folder}/{$i}.json"), true);
        }
        self::assertSame([], array_filter(array_column($reports, 'wrong')), 'seed '.$seed);
        $taken = array_merge(...array_column($reports, 'taken'));
        $asked = array_merge(...array_column($reports, 'asked'));
        (new Figures($plugs->moments, $asked, microtime(true) - $began))->print($seed);

        $copies = array_map(static fn (string $node): string => Site::tell('artisan', 'a', $node, 'studio', 'take-out', Site::studio()), ['db1', 'db2', 'db3']);
        self::assertSame([$copies[0], $copies[0]], [$copies[1], $copies[2]], 'the same from each node');
        self::assertSame($taken, self::kept($copies[0], $taken), 'seed '.$seed);
    }

    /**
     * @param  array<string, array<string, list<int>>>  $taken
     * @return array<string, array<string, list<int>>> what a take-out has of the same clients
     */
    private static function kept(string $copy, array $taken): array
    {
        $logs = [];
        foreach (json_decode($copy, true)['clients'] as $client) {
            foreach ($client['logs'] as $log) {
                $logs[$log['key']][] = array_column($log['sets'], 'done');
            }
        }
        $kept = [];
        foreach ($taken as $client => $runs) {
            foreach (array_keys($runs) as $key) {
                // a log that is there twice, or not at all, is no list of sets
                $kept[$client][$key] = count($logs[$key] ?? []) === 1 ? $logs[$key][0] : [count($logs[$key] ?? [])];
            }
        }

        return $kept;
    }
}
