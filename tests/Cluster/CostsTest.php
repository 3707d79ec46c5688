<?php

declare(strict_types=1);

namespace Tests\Cluster;

use PHPUnit\Framework\TestCase;

/**
 * What one set costs each part of a cluster in processor time, and how much of it goes over the wire and onto the disk: what the sums of
 * docs/scale.md start from. Part of `./even-rungs soak cluster` only.
 */
final class CostsTest extends TestCase
{
    private const SECONDS = 60;

    private const PARTS = [
        'web servers' => ['a/web1/run/nginx', 'a/web1/run/fpm', 'a/web2/run/nginx', 'a/web2/run/fpm'],
        'database 1' => ['a/db1/run/db'],
        'database 2' => ['a/db2/run/db'],
        'database 3' => ['a/db3/run/db'],
        'proxy' => ['front/haproxy'],
    ];

    public function test_what_a_set_costs(): void
    {
        $floors = new Floors(['First floor', 'Second floor', 'Third floor', 'Fourth floor']);
        sleep(8);
        [$cpu, $wire, $from] = [$this->cpu(), self::wire(), microtime(true)];
        $bytes = $this->bytes();
        sleep(self::SECONDS);
        [$cpuThen, $wireThen, $to] = [$this->cpu(), self::wire(), microtime(true)];
        $bytesThen = $this->bytes();
        ['wrong' => $wrong, 'asked' => $asked] = $floors->end();
        self::assertSame([], $wrong);
        $asked = array_filter($asked, static fn (array $each): bool => $each['at'] > $from && $each['at'] < $to);
        $sets = count(array_filter($asked, static fn (array $each): bool => $each['is'] === 'set'));
        self::assertGreaterThan(100, $sets);
        printf("%d requests in %.0f s, of them %d sets\n", count($asked), $to - $from, $sets);
        foreach ($cpuThen as $part => $seconds) {
            printf("%-12s %6.2f ms of a processor for each request\n", $part, 1000 * ($seconds - $cpu[$part]) / count($asked));
        }
        printf(
            "%.0f bytes a set to each other node, %.0f bytes a set on each disk\n",
            ($wireThen - $wire) / $sets,
            ($bytesThen - $bytes) / $sets,
        );
    }

    /** @return array<string, float> seconds of a processor so far, by part, its children included */
    private function cpu(): array
    {
        return array_map(static function (array $files): float {
            $ticks = 0;
            foreach ($files as $file) {
                $pid = (int) file_get_contents(Site::folder().$file.'.pid');
                $children = array_filter(explode(' ', trim((string) file_get_contents("/proc/{$pid}/task/{$pid}/children"))));
                foreach ([$pid, ...array_map(intval(...), $children)] as $each) {
                    $after = explode(' ', (string) preg_replace('/^.*\) /', '', (string) file_get_contents("/proc/{$each}/stat")));
                    $ticks += (int) $after[11] + (int) $after[12];
                }
            }

            return $ticks / 100;
        }, self::PARTS);
    }

    private static function wire(): int
    {
        return array_sum(array_map(
            static fn (string $node): int => (int) Site::ask('a', $node, 'select variable_value from information_schema.global_status '
                ."where variable_name = 'wsrep_replicated_bytes'"),
            ['db1', 'db2', 'db3'],
        ));
    }

    private function bytes(): int
    {
        return (int) Site::ask('a', 'db3', 'analyze local table even_rungs.logged_sets, even_rungs.logged_sessions, even_rungs.standings; '
            ."select sum(data_length + index_length) from information_schema.tables where table_schema = 'even_rungs'");
    }
}
