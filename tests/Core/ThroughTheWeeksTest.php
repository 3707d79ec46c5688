<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Note;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Time\Seconds;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * A program grows: no week trains less than the one before it but those that say they are lighter.
 */
final class ThroughTheWeeksTest extends TestCase
{
    use TestTrait;
    use Weeks;

    /** @return array<string, int> sets by direction */
    private static function sets(Week $week): array
    {
        $sets = DirectionShares::of($week, Documents::data()->library())->sets;

        return array_intersect_key($sets, array_flip(array_column(Category::directions(), 'value')));
    }

    /** @return array<string, string> amount and range by exercise, day by day */
    private static function doses(Week $week): array
    {
        $doses = [];
        foreach ($week->sessions as $session) {
            foreach ($session->entries() as $entry) {
                $doses[$session->day->value.' '.$entry->exercise] = serialize([$entry->dose->measure, $entry->dose->range]);
            }
        }

        return $doses;
    }

    private static function workMs(Week $week): int
    {
        return array_sum(array_map(static fn (Session $session): int => Documents::time($session)->time->workMs, $week->sessions));
    }

    public function test_no_direction_loses_a_set_and_a_lighter_week_is_lighter(): void
    {
        $steps = 0;
        $this->limitTo((int) (getenv('EVEN_RUNGS_CLIENTS') ?: 45))->forAll(
            Generators::vector(5, Generators::choose(1, 8)),
            Generators::elements(...Documents::data()->styleNames()),
            Generators::elements('general', 'rehab', 'strength', 'endurance-sport', 'rotational-sport', 'youth', 'healthy-ageing'),
            Generators::vector(4, Generators::choose(5, 45)),
            Generators::elements([], ['mat', 'band'], Documents::ALL_KIT),
        )->disableShrinking()->then(function (array $levels, string $style, string $goal, array $minutes, array $kit) use (&$steps): void {
            $client = Documents::client([
                'goal' => $goal,
                'equipment' => $kit,
                'ability' => array_combine(['BR', 'AE', 'AF', 'AL', 'AR'], $levels),
                'days' => array_combine(['mon', 'tue', 'thu', 'sat'], $minutes),
            ]);
            $program = Documents::plan($client, 9, $style);
            $light = 0;
            foreach ($program->weeks as $i => $week) {
                $before = $program->weeks[$i - $light - 1] ?? null;
                if ($before === null) {
                    continue;
                }
                if ($week->x->text('lighter') === null) {
                    $light = 0;
                    $now = self::sets($week);
                    foreach (self::sets($before) as $direction => $sets) {
                        self::assertGreaterThanOrEqual($sets, $now[$direction], "{$style}, week {$week->number}: {$direction}");
                    }
                    $steps += count(array_diff_assoc(self::doses($week), self::doses($before)));
                } else {
                    $light++;
                    self::assertSame([], array_diff_assoc(self::doses($week), self::doses($before)), 'the same exercises and doses');
                    $this->assertLighter($week, $before);
                }
            }
        });
        self::assertGreaterThan(300, $steps, 'doses grow all the same');
    }

    private function assertLighter(Week $light, Week $before): void
    {
        $note = (string) $light->x->text('lighter');
        self::assertStringContainsString(
            sprintf('%d sets in the four directions instead of %d', array_sum(self::sets($light)), array_sum(self::sets($before))),
            $note,
        );
        self::assertStringContainsString(
            sprintf(
                '%s of work instead of %s',
                Seconds::ofMs(self::workMs($light))->toClock(),
                Seconds::ofMs(self::workMs($before))->toClock(),
            ),
            $note,
        );
        if (100 * self::workMs($light) > 80 * self::workMs($before)) {
            $times = DirectionShares::of($light, Documents::data()->library())->sessions;
            foreach ($light->sessions as $session) {
                foreach (count($session->entries()) > 2 ? $session->entries() : [] as $entry) {
                    $category = $entry->planned?->category;
                    $isLast = $entry->dose->sets === 1 && $category?->isDirection() && $times[$category->value] < 2;
                    self::assertTrue($isLast || $category === Category::Bracing, 'nothing more could go: '.$entry->exercise);
                }
            }
        }
    }

    public function test_a_step_that_has_no_room_waits_and_the_program_says_so(): void
    {
        $client = Documents::client([
            'equipment' => Documents::ALL_KIT,
            'ability' => ['BR' => 4, 'AE' => 4, 'AF' => 4, 'AL' => 4, 'AR' => 4],
            'days' => ['mon' => 9],
        ]);
        $program = Documents::plan($client, 6);
        $held = array_values(array_filter($program->notes, static fn (Note $note): bool => $note->code === Note::GROWTH_HELD));
        self::assertNotSame([], $held);
        self::assertStringContainsString('no room', $held[0]->text);
        $library = Documents::data()->library();
        $week = $program->weeks[$held[0]->week - 1];
        $before = $program->weeks[$held[0]->week - 2];
        $steps = new Steps(Documents::data()->style('even-keel'), $client);
        $waits = 0;
        foreach ($week->sessions[0]->entries() as $entry) {
            $rung = $library->rung($entry->exercise);
            if (str_contains($held[0]->text, lcfirst($rung->name))) {
                $waits++;
                self::assertSame(
                    self::doses($before)['mon '.$rung->id],
                    self::doses($week)['mon '.$rung->id],
                );
                self::assertGreaterThan(1, count($steps->of($rung)));
            }
        }
        self::assertGreaterThan(0, $waits, 'what waits is in the session that it waits in');
    }
}
