<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Planning\Fit\FitChange;
use EvenRungs\Core\Planning\Fit\FittedProgram;
use EvenRungs\Core\Planning\Fit\ProgramFit;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Gap;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionShape;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Formats\ProgramText;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

/**
 * Anyone's program on somebody's own rungs, inside their minutes, with every change told.
 */
final class ProgramFitTest extends TestCase
{
    private const HANDOUT = <<<'TEXT'
        Wednesday, 20 min
        Forearm plank 3 x 45s
        Stability ball rollout 5 x 10
        Dead bug 3 x 12 alternate
        Moonwalk 2 x 10
        TEXT;

    private static function fit(Program $program, Client $client, string $style = 'even-keel'): FittedProgram
    {
        $data = Documents::data();

        return (new ProgramFit($data->library(), $data->style($style), $data->goals()))->to($program, $client);
    }

    /** @param  array<string, mixed>  $more */
    private static function client(array $more = []): Client
    {
        return Documents::client([
            'name' => 'Nela Cleat',
            'as_of' => '2027-01-04',
            'equipment' => ['mat', 'band', 'ball'],
            'ability' => ['BR' => 3, 'AE' => 3, 'AF' => 3, 'AL' => 3, 'AR' => 3],
            'days' => ['tue' => 20, 'sat' => 15],
            'screen' => ['flags' => [], 'cleared' => true],
            ...$more,
        ]);
    }

    /** @return list<string> */
    private static function written(Session $session): array
    {
        return array_map(static fn (Entry $each): string => $each->exercise.' '.Shorthand::write($each->dose), $session->entries());
    }

    /** Read off the ladders by hand: the highest at or under level 3; the rollout stands behind a gate, so a swap stands in. */
    public function test_a_handout_goes_onto_the_clients_own_rungs_and_a_day_that_has_minutes(): void
    {
        $fitted = self::fit(ProgramText::read(self::HANDOUT), self::client());
        $session = $fitted->program->weeks[0]->sessions[0];

        self::assertSame('tue', $session->day->value, 'Wednesday has no minutes; Tuesday is nearer than Saturday');
        self::assertSame(
            ['knee-plank', 'pull-down-standing', 'knees-up-one-arm'],
            array_map(static fn (Entry $each): string => $each->exercise, $session->entries()),
        );
        self::assertSame(['Moonwalk'], array_map(static fn (FitChange $each): string => $each->from, array_filter(
            $fitted->leftOut,
            static fn (FitChange $each): bool => str_contains($each->why[0], 'No exercise of the library'),
        )));
        $days = array_values(array_filter(
            $fitted->changes,
            static fn (FitChange $each): bool => $each->where === '/weeks/0/sessions/0/day',
        ));
        self::assertSame(['Wednesday', 'Tuesday'], [$days[0]->from, $days[0]->to]);
        self::assertSame(
            [3, 3, 3],
            array_map(static fn (Entry $each): int => $each->dose->sets, $session->entries()),
            'as many sets as the handout has, where the goal has them',
        );
        self::assertEquals(Documents::time($session)->time->total(), $session->claimed);
        self::assertSame(['AF', 'AL', 'AR'], array_values(array_unique(array_map(
            static fn (Gap $gap): string => $gap->category->value,
            array_filter($fitted->program->gaps, static fn (Gap $gap): bool => str_contains($gap->why, 'Nothing')),
        ))));
    }

    public function test_what_was_planned_for_somebody_changes_nothing_for_them(): void
    {
        foreach (['general', 'rehab', 'strength', 'healthy-ageing'] as $goal) {
            $client = self::client(['goal' => $goal, 'equipment' => Documents::ALL_KIT, 'days' => ['mon' => 25, 'thu' => 25]]);
            $planned = Documents::plan($client);
            $fitted = self::fit($planned, $client);

            self::assertEquals([[], []], [$fitted->changes, $fitted->leftOut], $goal);
            self::assertSame(
                array_map(self::written(...), $planned->weeks[0]->sessions),
                array_map(self::written(...), $fitted->program->weeks[0]->sessions),
            );
        }
    }

    public function test_hard_work_before_a_heavy_lift_goes_after_it(): void
    {
        $client = self::client(['days' => ['tue' => 25], 'other_training' => [['day' => 'tue', 'type' => 'heavy-lift']]]);
        $program = Documents::program(['weeks' => [['week' => 1, 'sessions' => [[
            'format' => 'even-rungs/session', 'version' => 1, 'day' => 'tue', 'kind' => 'before-lift',
            'blocks' => [['type' => 'straight', 'entries' => array_map(
                static fn (string $name): array => ['exercise' => $name, 'sets' => 3, 'reps' => 8, 'rest_s' => 20],
                ['Dead bug', 'Bird dog', 'Press-out'],
            )]],
        ]]]]]);
        $fitted = self::fit($program, $client);

        self::assertSame(Kind::AfterLift, $fitted->program->weeks[0]->sessions[0]->kind);
        self::assertContains('/weeks/0/sessions/0/kind', array_map(static fn (FitChange $each): string => $each->where, $fitted->changes));
    }

    /** `EVEN_RUNGS_CLIENTS` asks for more: half of the programs from a fixed seed, half fresh. */
    public function test_whatever_is_fitted_to_whomever_the_audit_finds_no_error(): void
    {
        $count = (int) (getenv('EVEN_RUNGS_CLIENTS') ?: 40);
        $fresh = random_int(1, 1_000_000_000);
        fprintf(STDERR, "\nFitted programs, seed %d\n", $fresh);
        foreach ([20261128, $fresh] as $seed) {
            $chance = new Randomizer(new Mt19937($seed));
            for ($i = 0; $i < intdiv($count, 2); $i++) {
                $this->assertFits(self::anyProgram($chance), Documents::anyone($chance), "seed {$seed}, case {$i}");
            }
        }
    }

    /** A planned week of somebody else, written on by whoever had it: other doses, names nobody knows, times instead of repetitions. */
    private static function anyProgram(Randomizer $chance): Program
    {
        $styles = Documents::data()->styleNames();
        $program = Documents::plan(Documents::anyone($chance), $chance->getInt(1, 2), $styles[$chance->getInt(0, count($styles) - 1)]);

        return $program->mapSessions(static fn (Session $session): Session => $session->mapEntries(
            static function (Entry $entry) use ($chance): Entry {
                return match ($chance->getInt(0, 9)) {
                    0 => new Entry('Something '.$chance->getInt(1, 99), $entry->dose),
                    1, 2 => $entry->withDose(
                        Shorthand::parse($chance->getInt(5, 90).' s'.($entry->dose->isPerSide() ? ' /s' : ''))
                            ->withSets($entry->dose->sets),
                    ),
                    default => $entry,
                };
            },
        ));
    }

    private function assertFits(Program $program, Client $client, string $case): void
    {
        $data = Documents::data();
        $style = $data->style('even-keel');
        $fitted = self::fit($program, $client);
        $goal = GoalRule::for($client, $data->goals());
        $audit = new Audit($data->library(), $style);
        foreach ($audit->found($audit->read($fitted->program, $client)) as $finding) {
            self::assertNotSame(Severity::Error, $finding->severity, "{$case}: {$finding->rule} {$finding->message}");
        }
        $before = $after = 0;
        foreach ($program->weeks as $week) {
            foreach ($week->sessions as $session) {
                $before += count($session->entries());
            }
        }
        foreach ($fitted->program->weeks as $week) {
            $shares = DirectionShares::of($week, $data->library());
            foreach (Category::directions() as $direction) {
                $named = array_filter(
                    $fitted->program->gaps,
                    static fn (Gap $gap): bool => $gap->category === $direction && $gap->week === $week->number,
                );
                self::assertSame($shares->sessions[$direction->value] < $style->directionSessions, $named !== [], $case);
            }
            foreach ($week->sessions as $session) {
                $after += count($session->entries());
                $minutes = $client->minutesOn($session->day);
                self::assertGreaterThan(0, $minutes, $case);
                self::assertEquals(Documents::time($session)->time->total(), $session->claimed, $case);
                $beside = array_filter(
                    $session->entries(),
                    static fn (Entry $entry): bool => $data->library()->rung($entry->exercise)->category !== Category::Bracing,
                );
                self::assertLessThanOrEqual(SessionShape::mostExercises(Seconds::of(60 * $minutes), $client), count($beside), $case);
                foreach ($session->blocks as $block) {
                    foreach ($block->entries() as $entry) {
                        $sets = $block instanceof CircuitBlock ? $block->rounds : $entry->dose->sets;
                        self::assertLessThanOrEqual($goal->mostSets, $sets, $case);
                    }
                }
            }
        }
        self::assertLessThanOrEqual($before, $after, $case.': nothing is added');
    }
}
