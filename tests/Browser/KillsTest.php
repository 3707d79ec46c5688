<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\TestServer;
use Tests\Support\Visitor;

/**
 * Servers that are killed while a device sends its run: nothing is lost, nothing doubled. Ten kills here, EVEN_RUNGS_KILLS of them in soak.
 */
final class KillsTest extends TestCase
{
    private const KILLS = 10;

    public function test_whatever_is_killed_a_run_arrives_once_and_whole(): void
    {
        TestServer::freshDemo();
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        $chance = new Randomizer(new Mt19937($seed));
        $kills = (int) (getenv('EVEN_RUNGS_KILLS') ?: self::KILLS);
        $visitor = Visitor::ofTests();
        self::assertSame(200, $visitor->signIn());
        $client = array_column($visitor->send('GET', '/api/clients')[1]['clients'], 'id', 'name')['Bea Thwart'];
        $before = count($visitor->send('GET', "/api/clients/{$client}/logs")[1]['sessions']);
        $key = 'killed-'.$seed;
        $set = static fn (int $done): array => [
            'rung' => 'dead-bug-opposite',
            'side' => 'left',
            'target' => 10,
            'done' => $done,
            'faults' => [],
            'pain' => 0,
            'breathing' => true,
        ];
        $sent = 0;
        for ($kill = 0; $kill < $kills; $kill++) {
            $what = [['nginx'], ['fpm'], ['db'], ['nginx', 'fpm', 'db']][$chance->getInt(0, 3)];
            $sent++;
            $body = ['on' => date('Y-m-d'), 'revision' => $sent, 'open' => $kill < $kills - 1, 'sets' => array_map($set, range(1, $sent))];
            $process = TestServer::killSoon($what, $chance->getInt(0, 120));
            $visitor->send('PUT', "/api/clients/{$client}/logs/run/{$key}", $body);
            $process();
            TestServer::start();
            // the device sends again until it is taken, the revision of before now and then too
            $answer = [0];
            for ($try = 0; $try < 20 && $answer[0] !== 200; $try++) {
                $answer = $visitor->send('PUT', "/api/clients/{$client}/logs/run/{$key}", $body);
                self::assertNotSame(500, $answer[0], 'seed '.$seed);
            }
            self::assertSame(200, $answer[0], sprintf('seed %d, kill %d of %s: %s', $seed, $kill, implode(', ', $what), $answer[2] ?? ''));
            self::assertSame($sent, $answer[1]['revision']);
        }
        $sessions = $visitor->send('GET', "/api/clients/{$client}/logs")[1]['sessions'];
        self::assertCount($before + 1, $sessions, 'seed '.$seed);
        self::assertSame(
            $sent,
            max(array_column(array_filter($sessions, static fn (array $each): bool => $each['on'] === date('Y-m-d')), 'sets')),
            'every set once, seed '.$seed,
        );
        $happened = $visitor->send('GET', "/api/clients/{$client}/happened")[1]['events'];
        self::assertLessThanOrEqual(
            1,
            count(array_filter($happened, static fn (array $each): bool => $each['act'] === 'Ran a session')),
            'seed '.$seed,
        );
    }
}
