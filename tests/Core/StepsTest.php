<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\History;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\Judge;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * The steps of a rung for a client in a style, and what they promise.
 */
final class StepsTest extends TestCase
{
    /**
     * @return iterable<string, array{string, string, list<string>, list<string>}> worked by hand from the ladder files and the open
     *         formats
     */
    public static function worked(): iterable
    {
        yield 'holds up to 30 s: 45 s are two pieces of 25 s' => ['forearm-plank', 'even-keel', [], ['10', '20', '30', '2 of 25, 5 off']];
        yield 'a minute is two pieces of 30 s' => ['knee-plank', 'even-keel', [], ['10', '20', '30', '2 of 30, 5 off']];
        yield 'tens: every longer hold in pieces of ten' => [
            'forearm-plank',
            'ten-count',
            [],
            ['10', '2 of 10, 5 off', '3 of 10, 5 off', '5 of 10, 5 off'],
        ];
        yield 'a limit of 10 s cuts like tens' => [
            'forearm-plank',
            'even-keel',
            ['blood-pressure'],
            ['10', '2 of 10, 5 off', '3 of 10, 5 off', '5 of 10, 5 off'],
        ];
        yield 'a style that builds goes to the smaller cap exactly, and from there to the next rung' => [
            'side-plank-split',
            'long-haul',
            ['blood-pressure'],
            ['10'],
        ];
        yield 'equal neighbours become one' => ['side-plank-leg', 'ten-count', [], ['8', '2 of 10, 5 off']];
        yield 'built to a minute: fives below 30 s, tens above' => [
            'forearm-plank',
            'long-haul',
            [],
            ['10', '15', '20', '25', '30', '40', '50', '60'],
        ];
        yield 'built from its own start' => ['side-plank-stacked', 'long-haul', [], ['15', '20', '25', '30', '40', '50', '60']];
        yield 'a top under 30 s is not built' => ['side-plank-leg', 'long-haul', [], ['8', '14', '20']];
        yield 'range grows by 15 cm before the dose does' => [
            'rollout-wheel-short',
            'even-keel',
            [],
            ['4 to 15 cm', '4 to 30 cm', '4', '7', '10'],
        ];
        yield 'the last range is the full one' => [
            'fallout-low',
            'even-keel',
            [],
            ['5 to 15 cm', '5 to 30 cm', '5 to 45 cm', '5', '8', '10'],
        ];
    }

    /**
     * @param  list<string>  $limits
     * @param  list<string>  $expected
     */
    #[DataProvider('worked')]
    public function test_the_steps_of_a_rung_are_those_worked_by_hand(string $rung, string $style, array $limits, array $expected): void
    {
        $steps = new Steps(Documents::data()->style($style), self::client(['limits' => $limits]));
        $on = Documents::data()->library()->rung($rung);
        $write = static function (Dose $dose) use ($on): string {
            $measure = $dose->measure;
            $amount = match (true) {
                $measure instanceof Intervals => sprintf(
                    '%d of %d, %d off',
                    $measure->count,
                    $measure->hold->toNumber(),
                    $measure->break->toNumber(),
                ),
                $measure instanceof Reps => (string) $measure->count,
                default => (string) ($measure->amount() / 1000),
            };

            return $amount.(
                $on->range === null || $on->range->perMille($dose->range) === 1000 ? '' : sprintf(' to %s', $dose->range?->toShort())
            );
        };

        self::assertSame($expected, array_map($write, $steps->of($on)));
    }

    /** @return iterable<string, array{string}> */
    public static function styles(): iterable
    {
        foreach (Documents::data()->styleNames() as $style) {
            yield $style => [$style];
        }
    }

    /** Whoever does what is written, clean, never gets less, and gets the next step after as many sessions as the style says. */
    #[DataProvider('styles')]
    public function test_what_is_written_and_done_earns_the_next_step_on_every_rung(string $name): void
    {
        $library = Documents::data()->library();
        $style = Documents::data()->style($name);
        foreach ([
            [],
            ['limits' => ['blood-pressure']],
            ['goal' => 'rehab', 'limits' => ['pregnancy'], 'born' => 1990],
            ['goal' => 'youth', 'born' => 2016],
            ['goal' => 'healthy-ageing', 'born' => 1950, 'limits' => ['osteoporosis']],
        ] as $more) {
            $client = self::client($more);
            $goal = GoalRule::for($client, Documents::data()->goals());
            $judge = new Judge($library, $style, $client, $goal);
            $moves = new Moves($library, $goal, $style);
            $own = $style->suiting($client);
            foreach ($library->ladders as $ladder) {
                foreach ($ladder->rungs as $rung) {
                    if (! Obstacles::between($client, $rung, $library)->isSafe()) {
                        continue;
                    }
                    foreach ($judge->steps->of($rung) as $step => $dose) {
                        $sessions = [];
                        for ($i = 0; $i < $own->cleanSessions; $i++) {
                            $sessions[] = self::done($rung, $dose, new DateTimeImmutable('2027-03-01 +'.(2 * $i).' days'));
                        }
                        $where = sprintf('%s, %s, step %d of %s: %s', $name, json_encode($more), $step, $rung->id, Shorthand::write($dose));
                        $history = static fn (array $of): History => new History(
                            $ladder,
                            $rung,
                            $step,
                            new DateTimeImmutable('2027-01-01'),
                            end($of)->date,
                            $of,
                            $judge->steps,
                        );
                        if ($own->cleanSessions > 1) {
                            self::assertSame(
                                Decision::Stay,
                                $judge->decide($history(array_slice($sessions, 1)))->decision,
                                $where.': one session too few',
                            );
                        }
                        $verdict = $judge->decide($history($sessions));
                        $further = $judge->steps->further($rung, $step, null);
                        $next = $further === null ? $moves->next($rung, $client) : null;
                        self::assertSame(match (true) {
                            $further !== null => [Decision::StepUp, $rung->id, $step + 1],
                            $next !== null => [Decision::Progress, $next->id, 0],
                            default => [Decision::Stay, $rung->id, $step],
                        }, [$verdict->decision, $verdict->to?->rung->id, $verdict->to?->step], $where);
                        self::assertEquals(
                            $judge->steps->dose($verdict->to->rung, $verdict->to->step)->measure,
                            $verdict->dose?->measure,
                            $where,
                        );
                    }
                }
            }
        }
    }

    /** The caps of a style and of a limit hold on every rung; holds grow; nothing moves less far than before without growing otherwise. */
    #[DataProvider('styles')]
    public function test_steps_grow_and_keep_their_caps_on_every_rung(string $name): void
    {
        foreach ([[], ['limits' => ['blood-pressure']]] as $more) {
            $steps = new Steps(Documents::data()->style($name), self::client($more));
            foreach (Documents::data()->library()->ladders as $ladder) {
                foreach ($ladder->rungs as $rung) {
                    $before = null;
                    foreach ($steps->of($rung) as $dose) {
                        $where = $name.' '.$rung->id.' '.Shorthand::write($dose);
                        self::assertLessThanOrEqual($more === [] ? PHP_INT_MAX : 10_000, $dose->measure->longestHold()->ms, $where);
                        self::assertLessThanOrEqual($steps->cap()?->ms ?? PHP_INT_MAX, $dose->measure->longestHold()->ms, $where);
                        if ($before !== null && $rung->range !== null) {
                            self::assertGreaterThanOrEqual(
                                $rung->range->perMille($before->range),
                                $rung->range->perMille($dose->range),
                                $where,
                            );
                        }
                        $before = $dose;
                    }
                }
            }
        }
    }

    private static function done(Rung $rung, Dose $dose, DateTimeImmutable $date): LoggedSession
    {
        $hold = $dose->measure instanceof Reps ? $dose->measure->hold?->ms : null;
        $sets = [];
        foreach (['left', 'right'] as $side) {
            $sets[] = new LoggedSet(
                $side,
                $dose->measure->amount(),
                $dose->measure->amount(),
                [],
                [],
                null,
                0,
                null,
                5,
                true,
                [],
                $dose->range,
                $dose->range,
                false,
                false,
                false,
                $hold,
                $hold,
            );
        }

        return new LoggedSession($date, 0, 0, 0, $sets);
    }

    /** @param  array<string, mixed>  $more */
    private static function client(array $more): Client
    {
        $limits = $more['limits'] ?? [];

        return Documents::client([
            'equipment' => Documents::ALL_KIT,
            'ability' => ['BR' => 6, 'AE' => 6, 'AF' => 6, 'AL' => 6, 'AR' => 6],
            'as_of' => '2027-03-01',
            'clearances' => array_map(
                static fn (string $limit): array => ['lifts' => $limit, 'on' => '2026-12-01', 'by' => 'A. Practice', 'role' => 'Physician'],
                $limits,
            ),
            ...$more,
        ]);
    }
}
