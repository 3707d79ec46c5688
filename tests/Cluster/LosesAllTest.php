<?php

declare(strict_types=1);

namespace Tests\Cluster;

use PHPUnit\Framework\TestCase;

/**
 * Two of three databases lost, all of them at once, each in turn for an upgrade, and a cluster that is made anew from a backup. Part of
 * `./even-rungs soak cluster` only.
 */
final class LosesAllTest extends TestCase
{
    private static function copyOf(string $cluster, string $node): string
    {
        return Site::tell('artisan', $cluster, $node, 'studio', 'take-out', Site::studio());
    }

    public function test_without_a_majority_nothing_is_taken_and_nothing_is_lost(): void
    {
        $visitor = Site::visitor();
        self::assertSame(200, $visitor->signIn());
        $before = self::copyOf('a', 'db1');
        Site::tell('kill', 'a', 'db1');
        Site::tell('kill', 'a', 'db3');
        $statuses = [];
        for ($end = microtime(true) + 20; microtime(true) < $end && array_slice($statuses, -3) !== [503, 503, 503];) {
            $statuses[] = $visitor->send('POST', '/api/emergency', ['steps' => ['Kept by nobody']])[0];
        }
        self::assertSame([503, 503, 503], array_slice($statuses, -3), json_encode($statuses) ?: '');
        Site::tell('start', 'a');
        self::assertSame(200, $visitor->send('GET', '/api/clients')[0], 'whoever was signed in is');
        self::assertSame($before, self::copyOf('a', 'db3'));
    }

    public function test_after_a_power_cut_the_node_that_had_come_furthest_begins(): void
    {
        $visitor = Site::visitor();
        self::assertSame(200, $visitor->signIn());
        Site::tell('kill', 'a', 'db2');
        sleep(3);
        // what only two of them know
        self::assertSame(200, $visitor->send('POST', '/api/emergency', ['steps' => ['The last word']])[0]);
        foreach (['web1', 'web2', 'db1', 'db3'] as $node) {
            Site::tell('kill', 'a', $node);
        }
        Site::tell('start', 'a');
        foreach (['db1', 'db2', 'db3'] as $node) {
            self::assertStringContainsString('The last word', self::copyOf('a', $node), $node);
        }
        self::assertSame(200, $visitor->send('GET', '/api/clients')[0]);
    }

    public function test_each_node_is_taken_out_for_an_upgrade_and_nothing_is_lost(): void
    {
        $floors = new Floors(['Long floor', 'Wide floor']);
        sleep(8);
        $moments = [];
        foreach (['db1', 'db2', 'db3', 'web1', 'web2'] as $node) {
            $from = microtime(true);
            Site::tell('leave', 'a', $node);
            sleep(2);
            Site::tell('heal', 'a', $node);
            $moments[] = ['what' => 'a node leaves in good order', 'node' => $node, 'from' => $from, 'to' => microtime(true)];
        }
        ['wrong' => $wrong, 'taken' => $taken, 'asked' => $asked] = $floors->end();
        self::assertSame([], $wrong);
        (new Figures($moments, $asked))->print('Each node in turn, in good order, under two floors');
        self::assertSame($taken, Floors::kept(self::copyOf('a', 'db1'), $taken));
    }

    public function test_of_two_web_servers_one_makes_the_copy_of_the_night(): void
    {
        for ($end = microtime(true) + 60; microtime(true) < $end && count(Site::nightlyCopies('a')) === 0;) {
            usleep(200_000);
        }
        self::assertCount(1, Site::nightlyCopies('a'));
    }

    public function test_another_cluster_is_made_from_a_backup(): void
    {
        $folder = sys_get_temp_dir().'/even-rungs-cluster-backup-'.bin2hex(random_bytes(4));
        $file = trim(Site::tell('backup', 'a', $folder));
        Site::empty('b');
        Site::tell('restore', 'b', $file);
        self::assertSame(self::copyOf('a', 'db1'), self::copyOf('b', 'db2'));
        Site::empty('b');
        exec('rm -r '.escapeshellarg($folder));
    }
}
