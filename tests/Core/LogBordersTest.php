<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use EvenRungs\Core\Contradiction;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Sign;
use EvenRungs\Core\Log\Band;
use EvenRungs\Core\Log\Bands;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Log\TwoForTwo;
use EvenRungs\Core\Log\WorkDone;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * What logs say at their borders: load that is earned, two reports of one session, work that was done.
 */
final class LogBordersTest extends TestCase
{
    private static function set(int|float $done, ?int $pain = 0, ?PainKind $kind = null, string $side = 'both'): LoggedSet
    {
        return new LoggedSet($side, 8, $done, [], [], null, $pain, $kind, 5, true);
    }

    /** @param  list<LoggedSet>  $sets */
    private static function session(array $sets, mixed ...$more): LoggedSession
    {
        $of = ['soreness' => null, 'painBefore' => null, 'painNextDay' => null, ...$more];

        return new LoggedSession(...['date' => new DateTimeImmutable('2027-01-04'), 'sets' => $sets, ...$of]);
    }

    /** Two repetitions over the goal in the last set of two sessions running: Baechle & Earle (2008), Essentials, from memory. */
    public function test_two_over_in_two_sessions_running_earn_a_tenth_at_most(): void
    {
        self::assertSame(0, TwoForTwo::times(8, []));
        self::assertSame(0, TwoForTwo::times(8, [10]));
        self::assertSame(1, TwoForTwo::times(8, [10, 10]));
        self::assertSame(0, TwoForTwo::times(8, [10, 9]));
        self::assertSame(0, TwoForTwo::times(8, [10, 9, 10]), 'not running');
        self::assertSame(1, TwoForTwo::times(8, [9, 10, 11]));
        self::assertSame(1, TwoForTwo::times(8, [10, 10, 10]), 'the count starts again');
        self::assertSame(2, TwoForTwo::times(8, [10, 10, 10, 10]));
        self::assertTrue(TwoForTwo::isEarned(8, 10, 10));
        self::assertFalse(TwoForTwo::isEarned(8, 10, 10, 10), 'earned before, not now');
        self::assertSame(11, TwoForTwo::next(10, 1));
        self::assertNull(TwoForTwo::next(9.9, 1), 'a kilogram is over a tenth');
        self::assertNull(TwoForTwo::next(20, 2.5));
        self::assertSame(27.5, TwoForTwo::next(25, 2.5), 'exactly a tenth');
    }

    public function test_the_next_weight_or_band_is_named_with_where_it_comes_from(): void
    {
        $bands = Bands::of(
            [new Band('Sand', 'yellow', 10), new Band('Moss', 'green', 11), new Band('Slate', 'grey', 13), new Band('Coal', 'black')],
        );
        $say = static fn (int|float|string $load, int ...$last): ?string => TwoForTwo::advice(
            array_map(static fn (int $reps): array => [$load, 8, $reps], $last),
            $bands,
        );
        self::assertNull($say(12, 10));
        self::assertNull($say(12, 10, 9));
        self::assertNull(TwoForTwo::advice([], $bands));
        self::assertNull($say(0, 10, 10), 'without a load there is no next one');
        self::assertSame('Two repetitions over the goal in the last set of two sessions: 13 kg next, from 12 kg.', $say(12, 10, 10));
        self::assertSame(
            'Two repetitions over in two sessions, but 1 kg more is over a tenth of 8 kg: repetitions or lever first.',
            $say(8, 10, 10),
        );
        self::assertSame(
            'Two repetitions over the goal in the last set of two sessions: the Moss band next, from Sand.',
            $say('Sand', 10, 10),
        );
        self::assertStringContainsString(
            'the band after Moss, Slate, pulls 13 kg for 11 kg, over a tenth more',
            (string) $say('Moss', 10, 10),
        );
        self::assertStringContainsString('the band after Slate is Coal. Nobody measured', (string) $say('Slate', 10, 10));
        self::assertStringContainsString('on the heaviest band, Coal', (string) $say('Coal', 10, 10));
        self::assertNull($say('Chalk', 10, 10), 'a band that the studio does not have');
        self::assertNull(TwoForTwo::advice([[10, 8, 10], [12, 8, 10]], $bands), 'of the newest weight there is one session');
        self::assertNull(TwoForTwo::advice([[12, 8, 10], [12, 10, 10]], $bands), 'of the newest goal there is one session');
    }

    public function test_bands_are_few_have_names_of_their_own_and_pull_more_one_by_one(): void
    {
        $fails = static function (Band ...$bands): string {
            try {
                Bands::of(array_values($bands));
            } catch (InvalidValue $e) {
                return $e::class.': '.$e->sentence;
            }

            return '';
        };
        self::assertStringContainsString('"moss" stands twice', $fails(new Band('Moss', 'green'), new Band('moss', 'green')));
        self::assertStringContainsString(Contradiction::class, $fails(new Band('Moss', 'green', 12), new Band('Sand', 'yellow', 11)));
        self::assertSame('', $fails(new Band('Moss', 'green', 12), new Band('Sand', 'yellow', 12)), 'as much is not less');
        self::assertSame('', $fails(new Band('Moss', 'green', 12), new Band('Sand', 'yellow'), new Band('Coal', 'black', 12)));
    }

    public function test_two_reports_of_one_session_count_at_their_worst(): void
    {
        $both = self::session([self::set(8)], soreness: 1, painBefore: 2, painNextDay: null, ticks: ['ribs-down', 'breathing'])
            ->with(
                self::session([self::set(7)], soreness: 3, painBefore: 1, painNextDay: 4, ticks: ['breathing'], signs: [Sign::cases()[0]]),
            );
        self::assertSame(
            [3, 2, 4, ['breathing'], 2],
            [$both->soreness, $both->painBefore, $both->painNextDay, $both->ticks, count($both->sets)],
        );
        self::assertSame([Sign::cases()[0]], $both->signs);
        self::assertSame(['breathing'], self::session([])->with(self::session([], ticks: ['breathing']))->ticks, 'one was asked');
    }

    public function test_where_one_was_watched_its_form_counts_and_the_pain_of_the_other_stays(): void
    {
        $watched = self::session([self::set(8, 1)]);
        $alone = self::session([self::set(6, 7)], checked: false);
        foreach ([$watched->with($alone), $alone->with($watched)] as $both) {
            self::assertTrue($both->checked);
            self::assertSame([8], array_map(static fn (LoggedSet $set): int|float => $set->done, $both->sets));
            self::assertSame(7, $both->painBefore, 'what hurt while nobody watched');
            self::assertTrue($both->mustStop());
        }
        $numb = self::session([self::set(6, 2, PainKind::Numb)], checked: false);
        foreach ([$watched->with($numb), $numb->with($watched)] as $both) {
            self::assertSame(PainKind::Numb, $both->painKind, 'a kind that stops is never lost');
        }
        self::assertFalse($alone->with($alone)->checked);
    }

    public function test_a_kind_of_pain_that_stops_everything_goes_before_one_that_stops_a_ladder(): void
    {
        $of = static fn (?PainKind $a, ?PainKind $b): ?PainKind => self::session([], painKind: $a)->with(
            self::session([], painKind: $b),
        )->painKind;
        self::assertSame(PainKind::Numb, $of(PainKind::Sharp, PainKind::Numb));
        self::assertSame(PainKind::Sharp, $of(PainKind::Ordinary, PainKind::Sharp));
        self::assertSame(PainKind::Familiar, $of(PainKind::Familiar, null));
        self::assertSame(PainKind::Familiar, $of(null, PainKind::Familiar));
        self::assertNull($of(null, null));
    }

    public function test_work_done_counts_a_pair_of_sides_once_and_half_for_what_it_trains_too(): void
    {
        $library = Documents::data()->library();
        $done = new WorkDone;
        $done->add($library->rung('side-plank-split'), 15_000, 'left', '2027-01-04');
        $done->add($library->rung('side-plank-split'), 12_000, 'right', '2027-01-04');
        $done->add($library->rung('side-plank-split'), 0, 'left', '2027-01-05');
        self::assertSame([27_000, 1, 1], [$done->ms['AL'], $done->sets['AL'], $done->sessions('AL')]);
        $done->add($library->rung('side-plank-split'), 1, 'both', '2027-01-06');
        self::assertSame([2, 2], [$done->sets['AL'], $done->sessions('AL')]);
        self::assertSame(0, $done->sessions('AE'));
        $reps = $library->rung('heel-taps');
        $one = $reps->start()->measure->work()->ms / $reps->start()->measure->amount();
        $more = new WorkDone;
        $more->add($reps, 5, 'both', '2027-01-04');
        self::assertSame((int) round(5 * $one), $more->ms[$reps->category->value]);
        foreach ($library->rungs() as $rung) {
            if ($rung->also !== []) {
                $also = new WorkDone;
                $also->add($rung, $rung->start()->measure->amount(), 'both', '2027-01-04');
                self::assertSame(intdiv($also->ms[$rung->category->value], 2), $also->ms[$rung->also[0]->value], $rung->id);
            }
        }
    }
}
