<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use EvenRungs\Core\Body\Client;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\History;
use EvenRungs\Core\Verdict\Judge;
use EvenRungs\Core\Verdict\LoggedSession;
use EvenRungs\Core\Verdict\LoggedSet;
use EvenRungs\Core\Verdict\PainKind;
use EvenRungs\Core\Verdict\Verdict;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

/**
 * The verdict rules of the open formats, one after the other. The pain zones follow Thomeé R (1997) Phys Ther 77(12):1690–1703 and
 * Silbernagel KG et al. (2007) Am J Sports Med 35(6):897–906 (values from memory): 2 is safe, 5 is the most that is acceptable.
 */
final class VerdictTest extends TestCase
{
    private const CLEAN = ['target_reps' => 8, 'reps' => 8, 'faults' => [], 'pain' => 0, 'effort' => 5, 'breathing' => true];

    /**
     * @param  array<string, mixed>  $set  for both sides
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private static function session(string $date, array $set = [], array $more = []): array
    {
        return ['date' => $date, 'sets' => [['side' => 'left', ...self::CLEAN, ...$set], ['side' => 'right', ...self::CLEAN, ...$set]], ...$more];
    }

    /**
     * @param  list<array<string, mixed>>  $sessions
     * @param  array<string, mixed>  $more
     */
    private static function verdict(array $sessions, array $more = [], string $style = 'even-keel'): Verdict
    {
        $history = Documents::history(['ladder' => 'dead-bug', 'rung' => 'heel-taps', 'step' => 0, 'sessions' => $sessions, ...$more]);

        return (new Judge(Documents::data()->library(), Documents::data()->style($style)))->decide($history);
    }

    /** @return iterable<string, array{list<array<string, mixed>>, array<string, mixed>, string, string, ?string, int}> */
    public static function cases(): iterable
    {
        $two = static fn (array $set = [], array $more = []): array => [self::session('2027-01-04'), self::session('2027-01-06', $set, $more)];
        yield 'two clean sessions earn a step' => [$two(), [], 'step-up', 'earned', 'heel-taps', 1];
        yield 'one does not' => [[self::session('2027-01-06')], [], 'stay', 'stay', 'heel-taps', 0];
        yield 'a fault does not count' => [$two(['faults' => ['back-arches']]), [], 'stay', 'stay', 'heel-taps', 0];
        yield 'a fault cured by a cue is done but not clean' => [$two(['cued' => ['back-arches']]), [], 'stay', 'stay', 'heel-taps', 0];
        yield 'effort 6 counts' => [$two(['effort' => 6]), [], 'step-up', 'earned', 'heel-taps', 1];
        yield 'effort 7 does not' => [$two(['effort' => 7]), [], 'stay', 'stay', 'heel-taps', 0];
        yield 'pain 2, no more than before, counts' => [[self::session('2027-01-04', ['pain' => 2]), self::session('2027-01-06', ['pain' => 2])], [], 'step-up', 'earned', 'heel-taps', 1];
        yield 'pain that rises does not' => [[self::session('2027-01-04', ['pain' => 1]), self::session('2027-01-06', ['pain' => 2])], [], 'stay', 'stay', 'heel-taps', 0];
        foreach (['pain', 'effort', 'breathing', 'faults'] as $missing) {
            yield $missing.' that was not recorded is not good' => [$two([$missing => null]), [], 'stay', 'stay', 'heel-taps', 0];
        }
        yield 'one repetition short' => [$two(['reps' => 7]), [], 'stay', 'stay', 'heel-taps', 0];
        yield 'only one side' => [[self::session('2027-01-04'), ['date' => '2027-01-06', 'sets' => [['side' => 'left', ...self::CLEAN]]]], [], 'stay', 'stay', 'heel-taps', 0];
        yield 'a gap of two weeks starts the count again' => [[self::session('2027-01-04'), self::session('2027-01-18')], [], 'stay', 'stay', 'heel-taps', 0];
        yield 'thirteen days do not' => [[self::session('2027-01-04'), self::session('2027-01-17')], [], 'step-up', 'earned', 'heel-taps', 1];
        yield 'from the last step a rung' => [[self::session('2027-01-04', ['target_reps' => 12, 'reps' => 12]), self::session('2027-01-06', ['target_reps' => 12, 'reps' => 12])], ['step' => 2], 'progress', 'earned', 'dead-bug-opposite', 0];
        yield 'clean at an earlier step is no news' => [$two(), ['step' => 2], 'stay', 'stay', 'heel-taps', 2];
        yield 'pain 6 stops' => [$two(['pain' => 6]), [], 'stop', 'pain.stop', null, 0];
        yield 'pain 6 on the next day stops' => [$two([], ['pain_next_day' => 6]), [], 'stop', 'pain.stop', null, 0];
        yield 'pain 5 does not' => [$two(['pain' => 5]), ['step' => 1], 'step-down', 'pain.caution', 'heel-taps', 0];
        yield 'sharp pain stops however little' => [$two(['pain' => 1, 'pain_kind' => 'sharp']), [], 'stop', 'pain.stop', null, 0];
        yield 'pain 3 at the start dose goes a rung down' => [$two(['pain' => 3]), [], 'regress', 'pain.caution', 'knees-up-both-arms', 2];
        yield 'pain 3 twice running goes a rung down and refers' => [[self::session('2027-01-04', ['pain' => 3]), self::session('2027-01-06', ['pain' => 3])], ['step' => 2], 'regress', 'pain.caution', 'knees-up-both-arms', 2];
        $short = ['reps' => 6, 'faults' => ['back-arches'], 'ended_by' => 'back-arches'];
        yield 'the same fault ends two sessions' => [[self::session('2027-01-04', $short), self::session('2027-01-06', $short)], ['step' => 1], 'step-down', 'fault.repeat', 'heel-taps', 0];
        yield 'at the start dose it takes the rung' => [[self::session('2027-01-04', $short), self::session('2027-01-06', $short)], [], 'regress', 'fault.repeat', 'knees-up-both-arms', 2];
        yield 'another fault each time stays' => [[self::session('2027-01-04', $short), self::session('2027-01-06', ['reps' => 8, 'faults' => ['ribs-flare']])], ['step' => 1], 'stay', 'stay', 'heel-taps', 1];
        yield 'a sore trunk stays' => [$two([], ['soreness' => 4]), [], 'stay', 'soreness', 'heel-taps', 0];
        yield 'sore at 3 counts' => [$two([], ['soreness' => 3]), [], 'step-up', 'earned', 'heel-taps', 1];
        yield 'thirteen days away' => [$two(), ['as_of' => '2027-01-19'], 'step-up', 'earned', 'heel-taps', 1];
        yield 'fourteen days away' => [$two(), ['as_of' => '2027-01-20'], 'regress', 'layoff', 'knees-up-both-arms', 2];
        yield 'four weeks away' => [$two(), ['as_of' => '2027-02-03'], 'regress', 'layoff', 'knees-up-one-arm', 2];
        yield 'on the bottom rung the dose starts again' => [[self::session('2027-01-04', ['side' => null, 'target_reps' => 10, 'reps' => 10])], ['rung' => 'dead-bug-breathing', 'step' => 1, 'as_of' => '2027-01-20'], 'regress', 'layoff', 'dead-bug-breathing', 0];
        yield 'nothing logged' => [[], [], 'stay', 'stay', 'heel-taps', 0];
    }

    /**
     * @param  list<array<string, mixed>>  $sessions
     * @param  array<string, mixed>  $more
     */
    #[DataProvider('cases')]
    public function test_the_first_rule_that_fits_decides(array $sessions, array $more, string $decision, string $rule, ?string $to, int $step): void
    {
        $verdict = self::verdict($sessions, $more);

        self::assertSame([$decision, $rule, $to, $step], [$verdict->decision->value, $verdict->rule, $verdict->to?->id, $verdict->step], implode(' ', $verdict->reasons));
        self::assertNotSame([], $verdict->reasons);
    }

    public function test_a_stop_refers_and_offers_what_spares(): void
    {
        $verdict = self::verdict([self::session('2027-01-06', ['pain' => 7])]);

        self::assertTrue($verdict->refer);
        self::assertNull($verdict->dose);
        self::assertNotNull($verdict->swap);
    }

    public function test_monitored_pain_stays_only_under_a_recorded_clearance(): void
    {
        $history = static fn (int $pain) => Documents::history(['ladder' => 'dead-bug', 'rung' => 'heel-taps', 'step' => 1, 'sessions' => [self::session('2027-01-06', ['pain' => $pain])]]);
        $library = Documents::data()->library();
        $monitored = Documents::styleWith('pain', 'monitored');

        self::assertSame(Decision::Stay, (new Judge($library, $monitored, null, true))->decide($history(4))->decision);
        self::assertSame(Decision::StepDown, (new Judge($library, $monitored))->decide($history(4))->decision);
        self::assertSame(Decision::StepDown, (new Judge($library, Documents::data()->style('even-keel'), null, true))->decide($history(4))->decision);
        self::assertSame(Decision::Stop, (new Judge($library, $monitored, null, true))->decide($history(6))->decision);
    }

    public function test_four_weeks_away_ask_for_a_re_test(): void
    {
        self::assertTrue(self::verdict([self::session('2027-01-06')], ['as_of' => '2027-02-03'])->retest);
        self::assertFalse(self::verdict([self::session('2027-01-06')], ['as_of' => '2027-01-20'])->retest);
    }

    public function test_a_time_style_wants_days_on_the_rung_too(): void
    {
        $clean = [self::session('2027-01-04'), self::session('2027-01-06')];

        self::assertSame(Decision::Stay, self::verdict($clean, ['arrived' => '2027-01-03'], 'long-haul')->decision);
        self::assertSame(Decision::StepUp, self::verdict($clean, ['arrived' => '2026-12-30'], 'long-haul')->decision);
        self::assertSame(Decision::Stay, self::verdict($clean, [], 'long-haul')->decision, 'nobody knows when the client came');
    }

    public function test_what_would_have_changed_it_is_said(): void
    {
        $verdict = self::verdict([self::session('2027-01-04'), ['date' => '2027-01-06', 'sets' => [['side' => 'left', ...self::CLEAN], ['side' => 'right', ...self::CLEAN, 'reps' => 5]]]]);

        self::assertContains('Right side 3 repetitions short.', $verdict->wouldChange);
        self::assertStringContainsString('2 more clean sessions', implode(' ', $verdict->wouldChange));
    }

    /** Random but plausible logs over a year, with pain, faults, absences and nonsense mixed in; `./even-rungs soak` runs more. */
    public function test_no_career_breaks_a_safety_rule(): void
    {
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        fprintf(STDERR, "\nCareers, seed %d\n", $seed);
        $random = new Randomizer(new Mt19937($seed));
        $library = Documents::data()->library();
        $judge = fn (string $style, Client $client): Judge => new Judge($library, Documents::data()->style($style), $client);
        $styles = Documents::data()->styleNames();
        for ($career = 0; $career < (int) (getenv('EVEN_RUNGS_CAREERS') ?: 200); $career++) {
            $ladder = $library->ladders[$random->getInt(0, count($library->ladders) - 1)];
            $client = Documents::client(['equipment' => ['mat', 'band', 'wall', 'bench', 'kettlebell', 'ball'], 'ability' => array_fill_keys(['BR', 'AE', 'AF', 'AL', 'AR', 'HP', 'SG', 'IN', 'TM'], 9)]);
            $rung = $ladder->rungs[0];
            $step = 0;
            $sessions = [];
            $day = new DateTimeImmutable('2026-01-05');
            $arrived = $day;
            $style = $styles[$random->getInt(0, count($styles) - 1)];
            for ($week = 0; $week < 52; $week++) {
                $day = $day->modify(sprintf('+%d days', $random->getInt(1, 20) === 1 ? $random->getInt(14, 60) : $random->getInt(2, 7)));
                $sessions[] = self::randomSession($random, $rung, $step, $day);
                $asOf = $day->modify(sprintf('+%d days', $random->getInt(1, 12) === 1 ? $random->getInt(14, 40) : 1));
                $history = new History($ladder, $rung, $step, $arrived, $asOf, $sessions);
                $verdict = $judge($style, $client)->decide($history);
                $this->assertSafe($verdict, $history, $client, $seed);
                if ($verdict->to === null) {
                    continue;
                }
                if ($verdict->to !== $rung) {
                    $sessions = [];
                    $arrived = $asOf;
                }
                [$rung, $step] = [$verdict->to, $verdict->step];
            }
        }
    }

    private static function randomSession(Randomizer $random, Rung $rung, int $step, DateTimeImmutable $day): LoggedSession
    {
        $target = $rung->dose($step)->measure->amount();
        $one = static fn (int $in): bool => $random->getInt(1, $in) === 1;
        $set = static fn (?string $side): LoggedSet => new LoggedSet(
            $side,
            $target,
            $one(5) ? max(0, $target - $random->getInt(1, 5) * ($target > 1000 ? 1000 : 1)) : $target,
            $one(12) ? null : ($one(6) ? ['back-arches'] : []),
            $one(12) ? ['ribs-flare'] : [],
            $one(15) ? 'hips-sag' : null,
            $one(12) ? null : ($one(6) ? $random->getInt(1, 10) : 0),
            $one(30) ? PainKind::Sharp : PainKind::Ordinary,
            $one(12) ? null : $random->getInt(2, 8),
            $one(12) ? null : ! $one(12),
        );
        $sets = $one(25) ? [] : ($rung->side === \EvenRungs\Core\Dose\Side::Both ? [$set(null)] : [$set('left'), $set('right')]);

        return new LoggedSession($day, $one(4) ? null : $random->getInt(0, 5), null, $one(3) ? $random->getInt(0, 4) : null, $sets);
    }

    private function assertSafe(Verdict $verdict, History $history, Client $client, int $seed): void
    {
        $library = Documents::data()->library();
        $last = $history->last();
        self::assertNotNull($last);
        $say = sprintf('seed %d, %s: %s', $seed, $verdict->rule, implode(' ', $verdict->reasons));
        self::assertNotSame([], $verdict->reasons, $say);
        $index = $history->ladder->indexOf($verdict->to->id ?? '') ?? -1;
        if (in_array($verdict->decision, [Decision::Progress, Decision::StepUp], true)) {
            foreach (array_slice($history->sessions, -2) as $session) {
                self::assertLessThanOrEqual(2, $session->worstPain(), $say);
                self::assertNotSame([], $session->sets, $say);
                foreach ($session->sets as $set) {
                    self::assertSame([[], [], null, true], [$set->faults, $set->cued, $set->endedBy, $set->breathing], $say);
                    self::assertNotNull($set->pain, $say);
                    self::assertNotNull($set->effort, $say);
                    self::assertGreaterThanOrEqual($set->target, $set->done, $say);
                }
            }
            self::assertNotNull($verdict->to);
            self::assertTrue(Obstacles::between($client, $verdict->to, $library)->isClear() || $verdict->to === $history->rung, $say);
        }
        if ($verdict->decision === Decision::Progress) {
            foreach (range($history->index() + 1, max($history->index() + 1, $index - 1)) as $between) {
                self::assertTrue($between >= $index || ! Obstacles::between($client, $history->ladder->rungs[$between], $library)->isClear(), $say.' skipped a rung');
            }
        }
        self::assertSame($verdict->decision === Decision::Stop, $verdict->to === null, $say);
        self::assertTrue($verdict->decision !== Decision::Stop || $verdict->refer, $say);
        if ($last->worstPain() > 5 || $last->hasStoppingPain()) {
            self::assertSame(Decision::Stop, $verdict->decision, $say);
        }
        $away = (int) $last->date->diff($history->asOf ?? $last->date)->format('%a');
        if ($away >= 14 && $verdict->decision !== Decision::Stop) {
            self::assertTrue($index < $history->index() || ($history->index() === 0 && $verdict->step === 0), $say);
        }
    }
}
