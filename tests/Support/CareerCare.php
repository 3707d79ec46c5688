<?php

declare(strict_types=1);

namespace Tests\Support;

use DateTimeImmutable;
use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Log\Position;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Week\MissedSession;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Week;
use PHPUnit\Framework\Assert;

/**
 * What a career asserts of every program, which sessions it misses, and how many clean ones run.
 */
trait CareerCare
{
    /** Does not come: the session goes to the next day that takes it, or is dropped, and nothing is logged either way. */
    private function miss(int $week, int $place, DateTimeImmutable $date): void
    {
        $dates = ProgramDates::of($this->program) ?? Assert::fail('the program has days');
        Assert::assertEquals($date, $dates->session($week, $place), 'the dates say the same as the days: '.$this->seed);
        $offer = MissedSession::of(
            $this->program,
            $dates,
            $week,
            $place,
            $date->modify('+1 day'),
            $this->known($date),
            Documents::data()->library(),
            $this->style,
        );
        $this->days['missed']++;
        $this->days['moved'] += $offer->day === null ? 0 : 1;
        $before = count(array_merge(...array_map(static fn (Week $each): array => $each->sessions, $this->program->weeks)));
        $this->program = $offer->day === null
            ? $this->program->changeSession($week, $place, static fn (Session $session): Session => ProgramDates::missed($session, true))
            : ProgramDates::moveSession($this->program, $week, $place, $offer->day, $offer->weekLater) ?? Assert::fail('it can be moved');
        $after = ProgramDates::of($this->program) ?? $dates;
        $on = [];
        foreach ($this->program->weeks as $w => $each) {
            $on = [...$on, ...array_map(static fn (int $s): DateTimeImmutable => $after->session($w, $s), array_keys($each->sessions))];
        }
        Assert::assertCount($before, $on, 'no session is lost');
        Assert::assertTrue($offer->on === null || in_array($offer->on, $on, false), 'it lies on the day that was offered');
    }

    private function assertGoodProgram(Client $client, string $when): void
    {
        $data = Documents::data();
        $audit = new Audit($data->library(), $this->style);
        $errors = array_map(
            static fn (Finding $each): string => $each->rule.' at '.$each->where.': '.$each->message,
            array_filter(
                $audit->found($audit->read($this->program, $client)),
                static fn (Finding $each): bool => $each->severity === Severity::Error,
            ),
        );
        Assert::assertSame([], array_values($errors), $this->seed.', '.$when);
        foreach ($this->program->weeks as $week) {
            foreach ($week->sessions as $session) {
                Assert::assertLessThanOrEqual(
                    60_000 * $client->minutesOn($session->day),
                    SessionTime::total($session, $data->library())->ms,
                    $this->seed.': over its minutes, '.$when,
                );
                foreach ($session->entries() as $entry) {
                    Assert::assertTrue(
                        Obstacles::between($client, $data->library()->rung($entry->exercise), $data->library())->isSafe(),
                        $this->seed.': '.$entry->exercise.' is barred, '.$when,
                    );
                }
            }
        }
    }

    /** Clean sessions running up to the last that asked at least what the position asks. */
    private function running(string $ladder, DateTimeImmutable $date): int
    {
        $at = $this->stands[$ladder];
        $dose = (new Steps($this->style, $this->known($date)))->dose($at->rung, $at->step, $at->range);
        $hold = $dose->measure instanceof Reps ? $dose->measure->hold->ms ?? 0 : 0;
        $running = 0;
        foreach (array_reverse($this->run[$ladder]) as $session) {
            foreach ($session->sets as $set) {
                $scale = $at->rung->range;
                if (
                    ! $set->timed
                    && (
                        $set->target < $dose->measure->amount() || ($set->targetHold ?? PHP_INT_MAX) < $hold || (
                            $scale !== null && $scale->perMille($set->targetRange) < $scale->perMille($dose->range)
                        )
                    )
                ) {
                    return $running;
                }
            }
            $running++;
        }

        return $running;
    }
}
