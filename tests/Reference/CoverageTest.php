<?php

declare(strict_types=1);

namespace Tests\Reference;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Choice\ExerciseChooser;
use EvenRungs\Core\Planning\Session\Preparation;
use EvenRungs\Core\Planning\Session\SessionWriter;
use EvenRungs\Core\Planning\Session\Slot;
use EvenRungs\Core\Planning\Session\SlotDose;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\SessionShape;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

/**
 * No direction is missed in a week that an integer-program solver, glpsol of glpk-utils, finds a place for on the same days: with one set
 * of one exercise in one session, inside the minutes, the shape of a session and the line of a hard one. The model is written from
 * docs/rules.md.
 */
final class CoverageTest extends TestCase
{
    private static function cases(): int
    {
        return (int) (getenv('EVEN_RUNGS_SOLVER_CASES') ?: 30);
    }

    public function test_no_direction_is_missed_that_the_solver_has_a_place_for(): void
    {
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        fprintf(STDERR, "\nCoverage against the solver, seed %d\n", $seed);
        $chance = new Randomizer(new Mt19937($seed));
        $styles = Documents::data()->styleNames();
        $covered = 0;
        for ($case = 0; $case < self::cases(); $case++) {
            $client = Documents::anyone($chance);
            $days = $client->days ?? [];
            // few minutes: where there are many, nothing is missed anyway
            $client = $client->but(days: array_map(static fn (int $minutes): int => max(3, intdiv($minutes, 3)), $days));
            $style = Documents::data()->style($styles[$case % count($styles)]);
            $most = self::mostCovered($client, $style);
            $week = Documents::plan($client, 1, $style)->weeks[0];
            $times = DirectionShares::of($week, Documents::data()->library())->sessions;
            $here = count(array_filter(Category::directions(), static fn (Category $direction): bool => $times[$direction->value] > 0));
            self::assertGreaterThanOrEqual($most, $here, "seed {$seed}, case {$case}, {$style->name}");
            foreach ($week->sessions as $session) {
                $beside = array_filter(
                    $session->entries(),
                    static fn (Entry $entry): bool => $entry->planned?->category !== Category::Bracing,
                );
                self::assertNotSame([], $beside, "seed {$seed}, case {$case}: nothing but the switch-on");
            }
            $covered += $most;
        }
        self::assertGreaterThan(2 * self::cases(), $covered);
    }

    private static function mostCovered(Client $client, Style $style): int
    {
        $data = Documents::data();
        $goal = GoalRule::for($client, $data->goals());
        $placements = (new Placer($data->library(), $style))->place($client);
        $choices = (new ExerciseChooser($data->library(), $style))->choices($client, $goal, $placements);
        $rows = $binary = [];
        $inDirection = [];
        foreach (Documents::slots($client, $goal, $style) as $s => $slot) {
            if ($slot->kind === Kind::Activation) {
                continue;
            }
            $time = $sets = $tension = [];
            foreach (Category::directions() as $direction) {
                foreach (array_slice($choices[$direction->value], 0, 2) as $c => $choice) {
                    $x = "x_{$s}_{$direction->value}_{$c}";
                    [$ms, $work] = self::costs($slot, $choice, $client, $style, $goal);
                    $binary[] = $x;
                    $inDirection[$direction->value][] = $x;
                    $time[] = "{$ms} {$x}";
                    $tension[] = "{$work} {$x}";
                    $sets[] = $x;
                }
            }
            if ($sets === []) {
                continue;
            }
            $left = $slot->length->ms - self::fixed($slot, $client, $style, $goal, $choices);
            $rows[] = implode(' + ', $time).' <= '.max(0, $left);
            $rows[] = implode(' + ', $sets).' <= '.SessionShape::mostExercises($slot->length, $client, $style);
            if (! $slot->mayBeHard) {
                $rows[] = implode(' + ', $sets).' <= '.($style->hardSets - 1);
                $rows[] = implode(' + ', $tension).' <= '.($style->hardTension->ms - 1);
            }
        }
        $goals = [];
        foreach ($inDirection as $code => $of) {
            $rows[] = "y_{$code} - ".implode(' - ', $of).' <= 0';
            $goals[] = "y_{$code}";
            $binary[] = "y_{$code}";
        }

        return $goals === [] ? 0 : Glpsol::optimum(implode("\n", [
            'Maximize',
            'cost: '.implode(' + ', $goals),
            'Subject To',
            ...$rows,
            'Binary',
            ...$binary,
            'End',
        ])."\n");
    }

    /**
     * @return array{int, int} milliseconds that one set of an exercise adds to a session with its rest and the change to it, and its work
     */
    private static function costs(Slot $slot, ExerciseChoice $choice, Client $client, Style $style, GoalRule $goal): array
    {
        $doses = self::doses($slot, $client, $style, $goal);
        $item = $doses->of($choice, 1);
        $writer = self::writer($slot, $client, $style, $goal);
        $alone = Documents::time($writer->write(null, [$item]))->time->total()->ms;
        $twice = Documents::time($writer->write(null, [$item, $item]))->time->total()->ms;

        return [$twice - $alone, $item->dose->tension()->ms];
    }

    /** @param  array<string, list<ExerciseChoice>>  $choices */
    private static function fixed(Slot $slot, Client $client, Style $style, GoalRule $goal, array $choices): int
    {
        $open = $choices[Category::Bracing->value][0] ?? null;
        $opening = $open === null ? null : self::doses($slot, $client, $style, $goal)->opening($open);

        return Documents::time(self::writer($slot, $client, $style, $goal)->write($opening, []))->time->total()->ms
            + 1000 * ($opening->dose->rest->ms ?? 0) / 1000;
    }

    private static function doses(Slot $slot, Client $client, Style $style, GoalRule $goal): SlotDose
    {
        return new SlotDose($slot, $goal->circuit || $style->plan->circuit, new Steps($style, $client), $style);
    }

    private static function writer(Slot $slot, Client $client, Style $style, GoalRule $goal): SessionWriter
    {
        $prepared = (new Preparation(Documents::data()->library()))->of($slot, $client);

        return new SessionWriter(self::doses($slot, $client, $style, $goal), $goal, $prepared);
    }
}
