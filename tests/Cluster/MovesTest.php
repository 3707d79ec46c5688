<?php

declare(strict_types=1);

namespace Tests\Cluster;

use PHPUnit\Framework\TestCase;
use RuntimeException;

/**
 * A studio goes from one cluster to the other and back while two floors run in it. Part of `./even-rungs soak cluster` only.
 */
final class MovesTest extends TestCase
{
    private const HOST = 'slipway.localhost';

    protected function setUp(): void
    {
        Site::tell('artisan', 'a', 'web1', 'demo:seed', '--again', '--yes');
        Site::empty('b');
        Site::tell('place', Site::studio(), self::HOST);
    }

    public function test_a_studio_goes_to_another_cluster_and_no_set_is_lost(): void
    {
        $visitor = Site::visitor(self::HOST);
        self::assertSame(200, $visitor->signIn());
        $path = $visitor->send('POST', '/api/calendar/links')[1]['path'];
        $floors = new Floors(['Quay floor', 'Dock floor'], self::HOST);
        sleep(8);
        $seconds = [];
        foreach (['b', 'a', 'b'] as $cluster) {
            $began = microtime(true);
            Site::tell('move', self::HOST, $cluster);
            $seconds[] = microtime(true) - $began;
            sleep(4);
        }
        ['wrong' => $wrong, 'taken' => $taken, 'asked' => $asked] = $floors->end();
        self::assertSame([], $wrong);
        self::assertSame($taken, Floors::kept(Site::tell('artisan', 'b', 'db2', 'studio', 'take-out', Site::studio()), $taken));
        self::assertStringNotContainsString(Site::studio(), Site::tell('artisan', 'a', 'db3', 'studio', 'list'), 'nothing of it stayed');
        self::assertSame(200, $visitor->send('GET', $path)[0], 'a calendar that somebody has goes on');
        printf(
            "3 moves under two floors: %.1f s at the most, a request waited %.1f s at the most, %d sets\n",
            max($seconds),
            max(array_column($asked, 's')),
            count(array_filter($asked, static fn (array $each): bool => $each['is'] === 'set')),
        );
    }

    public function test_a_move_that_cannot_be_leaves_the_studio_where_it_was(): void
    {
        $visitor = Site::visitor(self::HOST);
        self::assertSame(200, $visitor->signIn());
        self::assertSame(200, $visitor->send('POST', '/api/emergency', ['steps' => ['Only here']])[0]);
        // the same people have another studio there
        Site::tell('artisan', 'b', 'web1', 'demo:seed');
        try {
            Site::tell('move', self::HOST, 'b');
            self::fail('moved');
        } catch (RuntimeException $e) {
            self::assertStringContainsString('somebody of another studio has the address', $e->getMessage());
            self::assertStringContainsString('Nothing was moved', $e->getMessage());
        }
        self::assertStringContainsString('Only here', $visitor->send('GET', '/api/take-out')[2], 'whoever was signed in goes on');
        Site::empty('b');
        Site::tell('move', self::HOST, 'b');
        self::assertSame(200, $visitor->signIn());
        self::assertStringContainsString('Only here', $visitor->send('GET', '/api/take-out')[2]);
    }
}
