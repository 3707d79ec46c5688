<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use EvenRungs\Core\Planning\Choice\Pace;
use EvenRungs\Core\Planning\Week\Calendar;
use EvenRungs\Core\Planning\Week\WeekPlanner;
use EvenRungs\Core\Program\Note;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Review\Forecast\Forecast;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Once there are logs, the steps that are expected follow the client's own pace. House rule.
 */
final class OwnPaceTest extends TestCase
{
    /**
     * By hand: two running take (1 + p) / p² sessions at a share p, the middle of Wilson's interval; eight in fifty days are 1.12 a week.
     *
     * @return array<string, array{int, int, ?int}> days between sessions, every which one qualified, weeks a step
     */
    public static function paces(): array
    {
        return [
            'three days, all 19 clean: p 0.96, 2.13 sessions at 2.4 a week' => [3, 1, 1],
            'a week, all 8 clean: p 0.91, 2.29 sessions' => [7, 1, 2],
            'a week, 4 of 8 clean: p 0.5, 6 sessions' => [7, 2, 5],
            'too few' => [28, 1, null],
        ];
    }

    #[DataProvider('paces')]
    public function test_a_step_takes_as_long_as_it_took(int $days, int $each, ?int $weeks): void
    {
        $today = new DateTimeImmutable('2026-11-02');
        $sessions = [];
        for ($ago = 0, $i = 0; $ago < 56; $ago += $days, $i++) {
            $sessions[] = [$today->modify("-{$ago} days"), $i % $each === 0];
        }
        self::assertSame($weeks, Forecast::from($sessions, $today, 2)->weeksPerStep());
    }

    /** @return list<string> the doses of a ladder, week by week */
    private static function doses(Program $program, string $ladder): array
    {
        $doses = [];
        foreach ($program->weeks as $week) {
            foreach ($week->sessions as $session) {
                foreach ($session->entries() as $entry) {
                    if (Documents::data()->library()->find($entry->exercise)?->ladder === $ladder) {
                        $doses[$week->number] = $entry->exercise.serialize($entry->dose->measure);
                    }
                }
            }
        }

        return array_values($doses);
    }

    public function test_a_plan_grows_at_the_clients_own_pace_and_says_so(): void
    {
        $data = Documents::data();
        $client = Documents::client([
            'equipment' => Documents::ALL_KIT,
            'ability' => ['BR' => 3, 'AE' => 3, 'AF' => 3, 'AL' => 3, 'AR' => 3],
            'days' => ['mon' => 40, 'thu' => 40],
        ]);
        $planner = new WeekPlanner($data->library(), $data->style('even-keel'), $data->goals());
        $usual = $planner->plan($client, 6);
        $ladder = $usual->weeks[0]->sessions[0]->blocks[1]->entries()[0]->planned->ladder ?? '';
        $slow = $planner->plan($client, 6, new Calendar, new Pace([$ladder => 12]));
        $fast = $planner->plan($client, 6, new Calendar, new Pace([$ladder => 1]));

        self::assertCount(1, array_unique(self::doses($slow, $ladder)), 'no step within six weeks');
        self::assertGreaterThan(count(array_unique(self::doses($usual, $ladder))), count(array_unique(self::doses($fast, $ladder))));
        $told = array_filter($slow->notes, static fn (Note $note): bool => $note->code === Note::GROWTH_PACE);
        self::assertStringContainsString('every 12 weeks', implode('', array_map(static fn (Note $note): string => $note->text, $told)));
        self::assertSame([$ladder => 12], Pace::of($slow)->weeks, 'it stays with the program');
        self::assertSame([], Pace::of($usual)->weeks);
    }
}
