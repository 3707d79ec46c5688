<?php

declare(strict_types=1);

namespace Tests\Formats;

use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Formats\JoinedLog;
use PHPUnit\Framework\TestCase;

/**
 * One session written down in two places.
 */
final class JoinedLogTest extends TestCase
{
    use TestTrait;

    private const SET = ['rung' => 'heel-taps', 'side' => 'left', 'target' => 8, 'done' => 8];

    public function test_the_floor_and_the_desk_complete_each_other(): void
    {
        $floor = [
            'key' => 'floor-1',
            'on' => '2027-01-06',
            'soreness' => 1,
            'minutes' => 22,
            'ticks' => (object) ['dead-bug' => ['no-pain', 'breathing']],
            'sets' => [self::SET, [...self::SET, 'side' => 'right', 'pain' => 0]],
        ];
        $desk = [
            'key' => 'desk-1',
            'on' => '2027-01-06',
            'pain_next_day' => 0,
            'ticks' => ['dead-bug' => ['breathing', 'no-pain']],
            'sets' => [[...self::SET, 'effort' => 4, 'faults' => []], [...self::SET, 'side' => 'right', 'done' => 8.0]],
        ];
        $joined = JoinedLog::of($floor, $desk);
        self::assertSame([], $joined->differences);
        self::assertEqualsCanonicalizing(['breathing', 'no-pain'], $joined->log['ticks']['dead-bug'], 'in any order');
        self::assertEquals(
            [
                'on' => '2027-01-06',
                'soreness' => 1,
                'minutes' => 22,
                'pain_next_day' => 0,
                'sets' => [[...self::SET, 'effort' => 4, 'faults' => []], [...self::SET, 'side' => 'right', 'pain' => 0]],
            ],
            array_diff_key($joined->log ?? [], ['ticks' => 0]),
        );
    }

    public function test_what_differs_is_named_and_nothing_is_decided(): void
    {
        $joined = JoinedLog::of(
            ['on' => '2027-01-06', 'soreness' => 1, 'sets' => [[...self::SET, 'faults' => ['back-arches'], 'breathing' => true]]],
            ['on' => '2027-01-06', 'soreness' => 4, 'sets' => [[...self::SET, 'done' => 6, 'faults' => [], 'breathing' => false]]],
        );
        self::assertNull($joined->log);
        self::assertSame(
            [
                'heel-taps, left, set 1: breathing no or yes',
                'heel-taps, left, set 1: done 6 or 8',
                'heel-taps, left, set 1: faults back-arches or none',
                'soreness 1 or 4',
            ],
            $joined->differences,
        );
    }

    public function test_joined_in_any_order_it_is_the_same(): void
    {
        $set = Generators::map(
            static fn (array $of): array => array_filter(
                [
                    'rung' => $of[0],
                    'side' => $of[1],
                    'target' => 8,
                    'done' => $of[2],
                    'pain' => $of[3],
                    'effort' => $of[4],
                    'faults' => $of[5],
                ],
                static fn (mixed $value): bool => $value !== null,
            ),
            Generators::tuple(
                Generators::elements('heel-taps', 'plank'),
                Generators::elements('left', 'right'),
                Generators::elements(8, 8, 8.0, 6),
                Generators::elements(null, 0, 1),
                Generators::elements(null, null, 4),
                Generators::elements(null, [], ['back-arches']),
            ),
        );
        $log = Generators::map(
            static fn (array $of): array => array_filter(
                ['on' => '2027-01-06', 'soreness' => $of[1], 'minutes' => $of[2], 'ticks' => $of[3], 'sets' => $of[0]],
                static fn (mixed $value): bool => $value !== null,
            ),
            Generators::tuple(
                Generators::seq($set),
                Generators::elements(null, 1, 1, 2),
                Generators::elements(null, 30),
                Generators::elements(
                    null,
                    ['dead-bug' => ['no-pain', 'breathing']],
                    ['dead-bug' => ['breathing', 'no-pain']],
                    ['plank' => []],
                ),
            ),
        );
        $whole = 0;
        $this->limitTo(400)->forAll($log, $log)->then(function (array $a, array $b) use (&$whole): void {
            $one = JoinedLog::of($a, $b);
            self::assertSame(serialize($one), serialize(JoinedLog::of($b, $a)));
            self::assertSame($one->log === null, $one->differences !== []);
            $whole += $one->log === null ? 0 : 1;
            if ($one->log !== null) {
                self::assertEquals($one->log, JoinedLog::of($one->log, $a)->log, 'joined again it stays');
                self::assertGreaterThanOrEqual(max(count($a['sets']), count($b['sets'])), count($one->log['sets']));
            }
            self::assertSame([], JoinedLog::of($a, $a)->differences);
        });
        self::assertGreaterThan(20, $whole);
    }
}
