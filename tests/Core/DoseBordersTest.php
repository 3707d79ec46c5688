<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Dose\Distance;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Hold;
use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Rounds;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Tempo;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\OutOfRange;
use EvenRungs\Core\Program\Change;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\RestBlock;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\StraightBlock;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Time\Weekday;
use EvenRungs\Core\Unreadable;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * What a dose may be at its borders, and how it is said in words.
 */
final class DoseBordersTest extends TestCase
{
    /** @return iterable<string, array{callable(int|float): mixed, int|float, int|float, int|float, int|float}> below, least, most, above */
    public static function borders(): iterable
    {
        $s = Seconds::of(...);
        yield 'repetitions' => [static fn ($n) => new Reps($n), 0, 1, 1000, 1001];
        yield 'the hold of a repetition' => [static fn ($n) => new Reps(8, null, $s($n)), 0.5, 1, 3600, 3601];
        yield 'a hold' => [static fn ($n) => new Hold($s($n)), 0.5, 1, 3600, 3601];
        yield 'work' => [static fn ($n) => new Work($s($n)), 0.5, 1, 7200, 7201];
        yield 'metres' => [static fn ($n) => new Distance($n), 0.5, 1, 5000, 5001];
        yield 'metres a second' => [static fn ($n) => new Distance(10, $n), 0.04, 0.05, 5, 5.1];
        yield 'short holds' => [static fn ($n) => new Intervals($n, $s(10), $s(5)), 0, 1, 50, 51];
        yield 'one of short holds' => [static fn ($n) => new Intervals(4, $s($n), $s(5)), 0.5, 1, 3600, 3601];
        yield 'a break between' => [static fn ($n) => new Intervals(4, $s(10), $s($n)), -1, 0, 3600, 3601];
        yield 'sets' => [static fn ($n) => new Dose(new Reps(8), $n), 0, 1, 50, 51];
        yield 'a rest' => [static fn ($n) => new Dose(new Reps(8), 1, null, $s($n)), -1, 0, 3600, 3601];
        yield 'a load' => [static fn ($n) => new Dose(new Reps(8), 1, null, null, $n), -1, 0, 500, 501];
        yield 'a share of the range' => [static fn ($n) => Range::share($n), 0, 0.001, 1, 1.1];
        yield 'centimetres' => [static fn ($n) => Range::cm($n), 0.5, 1, 300, 301];
        yield 'rounds that are jotted down' => [static fn ($n) => Rounds::parse($n.' rounds'), 0, 1, 50, 51];
        yield 'work of rounds' => [static fn ($n) => Rounds::parse("3 rounds {$n}:20"), 0, 1, 7200, 7201];
        yield 'rest of rounds' => [static fn ($n) => Rounds::parse("3 rounds 40:{$n}"), 3601, 0, 3600, 3601];
        $session = static fn (int|float $up, int|float $down): Session => new Session(
            Weekday::Monday,
            Kind::Standalone,
            [],
            $s($up),
            $s($down),
            Change::none(),
        );
        yield 'a warm-up' => [static fn ($n) => $session($n, 0), -1, 0, 7200, 7201];
        yield 'a cool-down' => [static fn ($n) => $session(0, $n), -1, 0, 7200, 7201];
        $entries = static fn (int $n): array => array_fill(0, $n, new Entry('bridge', new Dose(new Reps(8))));
        yield 'the change of sides' => [static fn ($n) => new Change($s($n), $s(0)), -1, 0, 3600, 3601];
        yield 'the change of stations' => [static fn ($n) => new Change($s(0), $s($n)), -1, 0, 3600, 3601];
        yield 'exercises of a block' => [static fn ($n) => new StraightBlock($entries($n), Seconds::zero()), 0, 1, 50, 51];
        yield 'stations of a circuit' => [
            static fn ($n) => new CircuitBlock($entries($n), 3, Seconds::zero(), Seconds::zero()),
            0,
            1,
            50,
            51,
        ];
        yield 'rounds of a circuit' => [
            static fn ($n) => new CircuitBlock($entries(1), $n, Seconds::zero(), Seconds::zero()),
            0,
            1,
            50,
            51,
        ];
        $rest = new RestBlock(Seconds::of(30), Seconds::zero());
        yield 'blocks of a session' => [
            static fn ($n) => new Session(
                Weekday::Monday,
                Kind::Standalone,
                $n === 0 ? [] : array_fill(0, $n, $rest),
                Seconds::zero(),
                Seconds::zero(),
                Change::none(),
            ),
            51,
            0,
            50,
            51,
        ];
    }

    #[DataProvider('borders')]
    public function test_at_the_border_it_is_taken_and_past_it_it_is_not(
        callable $make,
        int|float $below,
        int|float $least,
        int|float $most,
        int|float $above,
    ): void {
        self::assertNotNull($make($least));
        self::assertNotNull($make($most));
        foreach ([$below, $above] as $outside) {
            try {
                $make($outside);
                self::fail($outside.' was taken');
            } catch (OutOfRange $e) {
                self::assertNotSame('', $e->sentence);
            }
        }
    }

    /** @return iterable<array{string, string}> shorthand, and what is said */
    public static function said(): iterable
    {
        yield ['1 × 1', '1 set of 1 rep'];
        yield ['3 × 8', '3 sets of 8 reps'];
        yield ['2 × 8 /s', '2 sets of 8 reps on each side'];
        yield ['2 × 8 /alt', '2 sets of 8 reps on each side, alternating'];
        yield ['2 × 8 × 3 s', '2 sets of 8 reps held 3 s'];
        yield ['2 × 8 3-1-3-1', '2 sets of 8 reps, tempo 3-1-3-1'];
        yield ['2 × 30 s', '2 sets of 30 s'];
        yield ['2 × 12.5 s r0:45', '2 sets of 12.5 s, rest 0:45'];
        yield ['2 × 30 s r0:00', '2 sets of 30 s, no rest'];
        yield ['2 × 20 m at 0.8 m/s', '2 sets of 20 m at 0.8 m/s'];
        yield ['1 × (1 × 10 s / 5 s)', '1 set of 1 hold of 10 s with 5 s between'];
        yield ['1 × (4 × 10 s / 5 s)', '1 set of 4 holds of 10 s with 5 s between'];
        yield ['2 × 40 s work', '2 sets of 40 s of work'];
        yield ['2 × 20 m @16 kg', '2 sets of 20 m, 16 kg'];
        yield ['3 × 8 half range', '3 sets of 8 reps, half the range'];
        yield ['3 × 8 75% range', '3 sets of 8 reps, 75 % of the range'];
        yield ['3 × 8 30 cm', '3 sets of 8 reps, 30 cm far'];
        yield ['3 × 8 2-0-2-0 @7.5 kg 30 cm r1:05', '3 sets of 8 reps, tempo 2-0-2-0, 7.5 kg, 30 cm far, rest 1:05'];
    }

    #[DataProvider('said')]
    public function test_a_dose_is_said_in_words(string $shorthand, string $words): void
    {
        self::assertSame($words, Wording::of(Shorthand::parse($shorthand)));
    }

    public function test_left_and_right_make_one_repetition_where_the_rung_is_counted_so(): void
    {
        self::assertSame('2 sets of 8 reps, left and right make one', Wording::of(Shorthand::parse('2 × 8 /alt'), true));
        self::assertSame('2 sets of 8 reps', Wording::of(Shorthand::parse('2 × 8'), true), 'both sides at once are no sides');
        self::assertSame(
            '2 sets of 8 s on each side',
            Wording::of(Shorthand::parse('2 × 8 s /s'), true),
            'seconds are not counted in pairs',
        );
    }

    public function test_rounds_are_written_as_they_are_read(): void
    {
        $of = static fn (string ...$doses): array => array_map(Shorthand::parse(...), $doses);
        self::assertSame('1 round', Rounds::write(1, $of('1 × 8')));
        self::assertSame('3 rounds', Rounds::write(3, []));
        self::assertSame('3 rounds 40:20', Rounds::write(3, $of('1 × 40 s work r0:20', '1 × 40 s work r0:20')));
        self::assertSame('3 rounds 40:0', Rounds::write(3, $of('1 × 40 s work', '1 × 40 s work')));
        self::assertSame('3 rounds', Rounds::write(3, $of('1 × 40 s work r0:20', '1 × 40 s work r0:15')), 'rests that differ');
        self::assertSame('3 rounds', Rounds::write(3, $of('1 × 40 s work r0:20', '1 × 30 s work r0:20')), 'times that differ');
        self::assertSame('3 rounds', Rounds::write(3, $of('1 × 40 s work r0:20', '1 × 8 r0:20')), 'a station of its own dose');
        $read = Rounds::parse('Circuit: 3 rounds of 50 s on, 25 s off');
        self::assertSame([3, 50_000, 25_000], [$read?->count, $read?->work?->ms, $read?->rest?->ms]);
        self::assertSame(
            [3, null, null],
            [Rounds::parse('3 rounds')?->count, Rounds::parse('3x')?->work, Rounds::parse('3 rounds')?->rest],
        );
        self::assertNull(Rounds::parse('a few rounds'));
    }

    public function test_the_parts_of_a_tempo_and_what_a_repetition_takes(): void
    {
        self::assertSame([3, 1, 2, 0], Tempo::parse('3-1-2-0')->parts());
        self::assertSame([2, 0, 1, 1], Tempo::parse('2-0-X-1')->parts(), 'as fast as one can is a second');
        self::assertSame(60_000, (new Reps(10, Tempo::parse('3-1-2-0')))->work()->ms);
        self::assertSame(40_000, (new Reps(10))->work()->ms, 'four seconds where nobody wrote a tempo');
        self::assertSame(90_000, (new Reps(10, Tempo::parse('3-1-2-0'), Seconds::of(3)))->work()->ms);
    }

    public function test_work_of_all_sets_and_sides_counts_a_work_time_once(): void
    {
        $ms = static fn (string $dose): int => Shorthand::parse($dose)->tension()->ms;
        self::assertSame(60_000, $ms('3 × 20 s'));
        self::assertSame(120_000, $ms('3 × 20 s /s'));
        self::assertSame(128_000, $ms('2 × 8 /alt'), 'four seconds a repetition where nobody wrote a tempo');
        self::assertSame(80_000, $ms('2 × 40 s work /s'), 'both sides share a work time');
        self::assertSame(80_000, $ms('2 × (4 × 10 s / 5 s)'), 'breaks are no work');
    }

    public function test_two_doses_with_sets_alike_differ_in_their_number_alone(): void
    {
        $like = static fn (string $a, string $b): bool => Shorthand::parse($a)->hasSetsLike(Shorthand::parse($b));
        self::assertTrue($like('2 × 8 /s 2-0-2-0 @8 kg half range r0:30', '5 × 8 /s 2-0-2-0 @8 kg half range r0:30'));
        foreach ([
            '2 × 9 /s @8 kg r0:30',
            '2 × 8 @8 kg r0:30',
            '2 × 8 /s @9 kg r0:30',
            '2 × 8 /s @8 kg r0:31',
            '2 × 8 /s @8 kg half range r0:30',
        ] as $b) {
            self::assertFalse($like('2 × 8 /s @8 kg r0:30', $b), $b);
        }
        self::assertSame(Side::Each, Shorthand::parse('2 × 8 /s')->side);
    }

    public function test_short_holds_without_a_break_are_one_long_hold(): void
    {
        $of = static fn (int $break): Intervals => new Intervals(4, Seconds::of(10), Seconds::of($break));
        self::assertSame([10_000, 40_000], [$of(5)->longestHold()->ms, $of(0)->longestHold()->ms]);
        self::assertSame([40_000, 40_000, 15_000], [$of(5)->work()->ms, $of(5)->amount(), $of(5)->breaks()->ms]);
        self::assertSame(
            [4, 10_000, 5_000],
            [Intervals::parse('4 × 10 / 5')->count, Intervals::parse('4x10/5')->hold->ms, Intervals::parse('4x10/5')->break->ms],
        );
        try {
            Intervals::parse('4 times ten');
            self::fail('that is no table of repeats');
        } catch (Unreadable $e) {
            self::assertSame('"4 times ten" is not written as 4x10/5', $e->sentence);
        }
    }
}
