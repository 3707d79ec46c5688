<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Verdict\Judge;
use EvenRungs\Core\Verdict\Verdict;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * What a verdict says: why a session does not count, and what would have changed it, a line for each thing.
 */
final class VerdictWordsTest extends TestCase
{
    private const CLEAN = ['target_reps' => 8, 'reps' => 8, 'faults' => [], 'pain' => 0, 'effort' => 5, 'breathing' => true];

    /**
     * @param  array<string, mixed>  $left
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private static function session(string $date, array $left = [], array $more = []): array
    {
        return ['date' => $date, 'sets' => [['side' => 'left', ...self::CLEAN, ...$left], ['side' => 'right', ...self::CLEAN]], ...$more];
    }

    /**
     * @param  list<array<string, mixed>>  $sessions
     * @param  array<string, mixed>  $more
     */
    private static function verdict(array $sessions, array $more = [], string $style = 'even-keel'): Verdict
    {
        $history = Documents::history(
            ['ladder' => 'dead-bug', 'rung' => 'heel-taps', 'step' => 1, 'sessions' => $sessions, ...$more],
            $style,
        );

        return (new Judge(Documents::data()->library(), Documents::data()->style($style)))->decide($history);
    }

    /** @return iterable<string, array{array<string, mixed>, array<string, mixed>, string, string}> left side, session, why, what would */
    public static function misses(): iterable
    {
        $ten = ['target_reps' => 10, 'reps' => 10];
        yield 'short by one' => [
            ['target_reps' => 10, 'reps' => 9],
            [],
            'the left side was short of its target',
            'Left side 1 repetition more.',
        ];
        yield 'short by two' => [
            ['target_reps' => 10, 'reps' => 8],
            [],
            'the left side was short of its target',
            'Left side 2 repetitions more.',
        ];
        yield 'a fault' => [
            [...$ten, 'faults' => ['back-arches']],
            [],
            'the left side showed back arches',
            'A session without back arches.',
        ];
        yield 'faults unrecorded' => [[...$ten, 'faults' => null], [], 'faults were not recorded', 'Faults ticked, or "clean".'];
        yield 'a cue' => [
            [...$ten, 'cued' => ['back-arches']],
            [],
            'the left side needed a cue for back arches',
            'The same without the cue.',
        ];
        yield 'breath held' => [[...$ten, 'breathing' => false], [], 'the breath was held', 'Breathing freely all through.'];
        yield 'breath unrecorded' => [[...$ten, 'breathing' => null], [], 'breathing was not recorded', 'Breathing, ticked.'];
        yield 'pain unrecorded' => [[...$ten, 'pain' => null], [], 'pain was not recorded', 'Pain asked and written, 0 too.'];
        yield 'effort unrecorded' => [[...$ten, 'effort' => null], [], 'effort was not recorded', 'Effort asked and written.'];
        yield 'effort 7' => [[...$ten, 'effort' => 7], [], 'effort was 7', 'Effort of 6 or less.'];
        yield 'felt in the back' => [
            [...$ten, 'felt' => ['low-back']],
            [],
            'it was felt in the low back: try less range or load',
            'Not felt in the low back.',
        ];
        yield 'an earlier step' => [
            ['target_reps' => 6, 'reps' => 6],
            [],
            'it was done at an earlier step',
            'A session at the step of today.',
        ];
        yield 'nobody watched' => [$ten, ['checked' => false], 'nobody watched the form', 'A session in which you watch the form.'];
        yield 'a tick missing' => [
            $ten,
            ['ticks' => ['ribs-down', 'trunk-on', 'breathing', 'no-pain']],
            '"back still" was not ticked',
            '"Back still" ticked.',
        ];
    }

    /**
     * @param  array<string, mixed>  $left
     * @param  array<string, mixed>  $more
     */
    #[DataProvider('misses')]
    public function test_a_session_that_does_not_count_says_why_and_what_would_have(
        array $left,
        array $more,
        string $why,
        string $would,
    ): void {
        $session = self::session('2027-01-06', $left, $more);
        $session['sets'][0] = array_filter($session['sets'][0], static fn (mixed $value): bool => $value !== null);
        $target = $left['target_reps'];
        $session['sets'][1] = [...$session['sets'][1], 'target_reps' => $target, 'reps' => $target];
        $verdict = self::verdict([$session]);
        self::assertSame('stay', $verdict->decision->value);
        self::assertStringContainsString('The last session does not count: ', $verdict->reasons[0]);
        self::assertStringContainsString($why, $verdict->reasons[0]);
        self::assertContains($would, $verdict->wouldChange);
    }

    public function test_what_is_missing_is_counted(): void
    {
        $ten = ['target_reps' => 10, 'reps' => 10];
        $both = static fn (string $date): array => [
            'date' => $date,
            'sets' => [['side' => 'left', ...self::CLEAN, ...$ten], ['side' => 'right', ...self::CLEAN, ...$ten]],
        ];
        self::assertSame('1 clean of 2 that earn a step.', self::verdict([$both('2027-01-04')])->reasons[0]);
        self::assertStringContainsString('One more clean session at ', implode(' ', self::verdict([$both('2027-01-04')])->wouldChange));
        self::assertSame(
            'Nothing was logged on this rung yet.',
            self::verdict([])->reasons[0],
        );
        self::assertStringContainsString('2 more clean sessions at ', implode(' ', self::verdict([])->wouldChange));
        self::assertStringStartsWith(
            '2 clean sessions running at this step.',
            self::verdict([$both('2027-01-04'), $both('2027-01-06')])->reasons[0],
        );
        self::assertSame(
            'The last session was clean, but before the client came to stand here.',
            self::verdict([$both('2027-01-04')], ['arrived' => '2027-01-05'])->reasons[0],
        );
    }

    public function test_time_away_says_how_long_and_how_far_down(): void
    {
        $ten = ['target_reps' => 10, 'reps' => 10];
        $session = [
            'date' => '2027-01-04',
            'sets' => [['side' => 'left', ...self::CLEAN, ...$ten], ['side' => 'right', ...self::CLEAN, ...$ten]],
        ];
        $after = static fn (string $asOf): Verdict => self::verdict([$session], ['as_of' => $asOf]);
        self::assertNotSame('layoff', $after('2027-01-17')->rule, '13 days');
        self::assertSame('14 days since the last session: one rung lower.', $after('2027-01-18')->reasons[0]);
        self::assertSame('27 days since the last session: one rung lower.', $after('2027-01-31')->reasons[0]);
        self::assertSame('28 days since the last session: two rungs lower, and a re-test.', $after('2027-02-01')->reasons[0]);
        self::assertFalse($after('2027-01-31')->retest);
        self::assertTrue($after('2027-02-01')->retest);
        self::assertSame(['A session within 13 days.'], $after('2027-01-18')->wouldChange);
        $alone = static fn (string $asOf): Verdict => self::verdict([$session], ['as_of' => $asOf, 'trained_on' => $asOf]);
        self::assertNotSame('layoff', $alone('2027-01-31')->rule);
        self::assertSame('28 days since this ladder was trained: its dose starts again.', $alone('2027-02-01')->reasons[0]);
    }

    public function test_pain_is_said_with_its_number_and_refers_the_second_time(): void
    {
        $pain = static fn (string $date, int $pain): array => self::session($date, ['target_reps' => 10, 'reps' => 10, 'pain' => $pain]);
        $once = self::verdict([$pain('2027-01-04', 3)]);
        self::assertSame(['Pain was 3: it ends today, swap it or take less.'], array_map(
            static fn (string $reason): string => (string) preg_replace('/ Less range.*/', '', $reason),
            $once->reasons,
        ));
        self::assertFalse($once->refer);
        self::assertSame(['Pain of 2 or less.'], $once->wouldChange);
        $twice = self::verdict([$pain('2027-01-04', 4), $pain('2027-01-06', 3)]);
        self::assertTrue($twice->refer);
        self::assertStringContainsString('in two sessions running (now 3): one rung lower', $twice->reasons[0]);
        self::assertFalse(self::verdict([$pain('2027-01-04', 2), $pain('2027-01-06', 2)])->refer);
    }

    public function test_every_rule_of_verdict_and_audit_has_a_sentence_of_its_own(): void
    {
        $verdicts = array_map(static fn (string $rule): string => $rule::sentence(), Judge::RULES);
        $audits = array_values((new Audit(Documents::data()->library()))->sentences());
        foreach ([$verdicts, $audits] as $sentences) {
            self::assertSame(array_values(array_unique($sentences)), $sentences);
            foreach ($sentences as $sentence) {
                self::assertMatchesRegularExpression('/^[A-Z0-9].{15,}\.$/s', $sentence);
            }
        }
        self::assertGreaterThanOrEqual(20, count($audits));
    }

    public function test_a_day_that_is_missing_on_the_rung_is_one_day(): void
    {
        $set = static fn (string $side): array => ['side' => $side, ...self::CLEAN, 'target_reps' => 10, 'reps' => 10];
        $both = static fn (string $date): array => ['date' => $date, 'sets' => [$set('left'), $set('right')]];
        $days = static fn (string $asOf): string => implode(' ', self::verdict(
            [$both('2027-01-04'), $both('2027-01-06')],
            ['arrived' => '2027-01-04', 'as_of' => $asOf],
            'long-haul',
        )->wouldChange);
        $needs = Documents::data()->style('long-haul')->daysOnRung;
        self::assertGreaterThan(2, $needs);
        $day = static fn (int $left): string => (new \DateTimeImmutable('2027-01-04'))->modify(
            sprintf('+%d days', $needs - $left),
        )->format('Y-m-d');
        self::assertStringContainsString('1 more day on the rung.', $days($day(1)));
        self::assertStringContainsString('2 more days on the rung.', $days($day(2)));
        self::assertStringNotContainsString('on the rung.', $days($day(0)));
    }

    public function test_at_the_top_nothing_follows_and_it_is_said(): void
    {
        $library = Documents::data()->library();
        $ladder = $library->ladder('dead-bug');
        $top = $ladder->rungs[count($ladder->rungs) - 1];
        $steps = Documents::steps();
        $amount = (int) $steps->of($top)[$steps->last($top)]->measure->amount();
        $set = static fn (string $side): array => ['side' => $side, ...self::CLEAN, 'target_reps' => $amount, 'reps' => $amount];
        $session = static fn (string $date): array => ['date' => $date, 'sets' => [$set('left'), $set('right')]];
        $verdict = self::verdict([$session('2027-01-04'), $session('2027-01-06')], ['rung' => $top->id, 'step' => $steps->last($top)]);
        self::assertSame('stay', $verdict->decision->value);
        self::assertStringContainsString('Nothing that is allowed stands above.', $verdict->reasons[0]);
        self::assertSame([], $verdict->wouldChange);
    }

    public function test_every_rule_names_its_source(): void
    {
        foreach (Judge::RULES as $rule) {
            self::assertMatchesRegularExpression(
                '/(House rule|Common practice, no source|\(\d{4}\)|\d{4}, from memory)/',
                $rule::source(),
                $rule,
            );
        }
    }
}
