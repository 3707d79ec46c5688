<?php

declare(strict_types=1);

namespace Tests\Reference;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Role;
use EvenRungs\Core\Planning\Aim\AimedSession;
use EvenRungs\Core\Planning\Aim\Candidate;
use EvenRungs\Core\Planning\Session\Slot;
use EvenRungs\Core\Program\SessionShape;
use EvenRungs\Core\Style\FilledWeights;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * The filled sessions of a week as an integer program, in CPLEX LP form: x_s_c_k is 1 where session s holds candidate c with k sets. It is
 * written from docs/rules.md; from the code it takes only what a set of each exercise takes and trains. Times in seconds.
 */
final class FilledWeekModel
{
    private const STATION_S = 10;

    /** More than any rest. */
    private const LONG_S = 200;

    /** @var array<string, list<array{float, string}>> sums over the week, by name */
    private array $sums = [];

    private readonly FilledWeights $w;

    private readonly LinearProgram $lp;

    public function __construct(private readonly Client $client, private readonly GoalRule $goal, private readonly Style $style)
    {
        $this->w = $style->filledWeights;
        $this->lp = new LinearProgram;
    }

    /**
     * @param  list<array{Slot, AimedSession}>  $sessions
     * @param  list<Category>  $open  directions that something can train
     */
    public function write(array $sessions, array $open): string
    {
        foreach ($sessions as $s => [$slot, $session]) {
            $this->session($s, $slot, $session);
        }
        foreach ($open as $direction) {
            $this->direction($direction);
        }
        $open === [] || $this->evenness($open);
        $this->roles();
        $this->ladders();

        return $this->lp->write();
    }

    private function session(int $s, Slot $slot, AimedSession $session): void
    {
        $fixed = $session->takes($session->tally([])) / 1000;
        $length = $slot->length->toNumber();
        $time = $all = $sets = $work = $single = $beside = [];
        for ($k = 1; $k <= $this->goal->mostSets; $k++) {
            $this->lp->binary[] = "z_{$s}_{$k}";
        }
        $this->lp->rows[] = implode(' + ', array_map(static fn (int $k): string => "z_{$s}_{$k}", range(1, $this->goal->mostSets))).' <= 1';
        foreach ($session->candidates as $c => $candidate) {
            $code = $candidate->item->choice->rung->category->value;
            $own = [];
            for ($k = 1; $k <= $this->goal->mostSets; $k++) {
                $this->lp->binary[] = $x = "x_{$s}_{$c}_{$k}";
                $own[] = [1.0, $x];
                $all[] = [1.0, $x];
                $changes = self::STATION_S * ($session->circuit ? $k : 1);
                $time[] = [$k * ($candidate->setMs + $candidate->restMs) / 1000 + $changes, $x];
                foreach ($candidate->countsMs as $d => $counts) {
                    $this->sums["work {$d}"][] = [$k * $counts / 1000, $x];
                }
                $this->sums['role '.$candidate->role][] = [$k * $candidate->workMs / 1000, $x];
                $this->sums["ladder {$code} {$candidate->ladder}"][] = [1.0, $x];
                $this->lp->isWorth(-$candidate->less - $this->w->extraSet * max(0, $k - $this->goal->sets), $x);
                if ($candidate->direction === null) {
                    $beside[$code][] = [(float) $k, $x];
                } else {
                    $this->sums["sets {$code}"][] = [(float) $k, $x];
                    $sets[$code][] = [(float) $k, $x];
                    $work[] = [$k * $candidate->workMs / 1000, $x];
                }
                if ($session->circuit) {
                    $this->lp->rows[] = "{$x} - z_{$s}_{$k} <= 0";
                } elseif ($k === 1) {
                    $this->lp->isWorth(-$this->w->setAlone, $x);
                    $candidate->direction === null || $single[] = $x;
                }
            }
            $this->lp->rows[] = LinearProgram::sum($own).' <= 1';
            $rest = $candidate->restMs / 1000 + self::LONG_S;
            $this->lp->rows[] = "m_{$s} ".LinearProgram::sum($own, self::LONG_S)." <= {$rest}";
        }
        if ($all === []) {
            return;
        }
        // the shortest rest falls away, where there is anything
        $this->lp->rows[] = "m_{$s} ".LinearProgram::sum($all, -self::LONG_S).' <= 0';
        $this->lp->rows[] = LinearProgram::sum($time)." - m_{$s} <= ".($length - $fixed);
        $this->lp->rows[] = LinearProgram::sum($all).' <= '.SessionShape::mostExercises($slot->length, $this->client, $this->style);
        if (! $slot->mayBeHard && $sets !== []) {
            $this->lp->rows[] = LinearProgram::sum(array_merge(...array_values($sets))).' <= '.($this->style->hardSets - 1);
            $this->lp->rows[] = LinearProgram::sum($work).' <= '.($this->style->hardTension->toNumber() - 0.001);
        }
        if ($single !== [] && $beside !== []) {
            $this->lp->binary[] = "one_{$s}";
            foreach ($single as $x) {
                $this->lp->rows[] = "{$x} - one_{$s} <= 0";
            }
            foreach (array_merge(...array_values($beside)) as [, $x]) {
                $this->lp->rows[] = "{$x} + one_{$s} <= 1";
            }
        }
        foreach ($beside as $code => $terms) {
            $this->lp->upTo("beside_{$s}_{$code}", $terms, $this->goal->sets);
            $this->lp->isWorth($this->w->accessorySet, "beside_{$s}_{$code}");
        }
        foreach ($sets as $code => $terms) {
            $this->lp->upTo("in_{$s}_{$code}", $terms, $this->goal->sets);
            $this->lp->isWorth($this->w->setInSession, "in_{$s}_{$code}");
            $this->lp->upTo("trains_{$s}_{$code}", array_map(static fn (array $term): array => [1.0, $term[1]], $terms), 1);
            $this->sums["sessions {$code}"][] = [1.0, "trains_{$s}_{$code}"];
        }
        $filled = $this->w->filledPercent * $length / 100 - $fixed;
        $this->lp->isOff("idle_{$s}", $filled, $time, -1, $this->w->idleSecond);
        $this->lp->isOff("full_{$s}", -$filled, $time, 1, $this->w->fullSecond);
        if ($slot->mayBeHard) {
            $longest = max(array_map(static fn (Candidate $each): int => $each->restMs, $session->candidates)) / 1000;
            $used = min($filled, $this->w->usedPercent * $length / 100 + $longest - $fixed);
            $this->lp->isOff("unused_{$s}", $used, $time, -1, $this->w->unusedSecond);
        }
    }

    private function direction(Category $direction): void
    {
        $code = $direction->value;
        $sessions = $this->goal->sessions[$code] ?? $this->style->directionSessions;
        $isFirst = in_array($direction, $this->goal->first, true);
        $sets = $this->sums["sets {$code}"] ?? [];
        if ($sets === []) {
            return;
        }
        $this->lp->upTo("trained_{$code}", $this->sums["sessions {$code}"], 1);
        $this->lp->isWorth($this->w->directionTrained, "trained_{$code}");
        $this->lp->upTo("sessions_{$code}", $this->sums["sessions {$code}"], $sessions);
        $this->lp->isWorth($this->w->sessionOfDirection, "sessions_{$code}");
        $this->lp->upTo("meant_{$code}", $sets, $sessions * $this->goal->sets);
        $this->lp->isWorth($this->w->setMeant - $this->w->setBeyond + ($isFirst ? $this->w->setOfFirst : 0), "meant_{$code}");
        foreach ($sets as [$k, $x]) {
            $this->lp->isWorth($k * $this->w->setBeyond, $x);
        }
    }

    /** @param  non-empty-list<Category>  $open */
    private function evenness(array $open): void
    {
        foreach ($open as $direction) {
            $counts = in_array($direction, $this->goal->first, true) ? 0.5 : 1.0;
            $place = array_search($direction, Category::directions(), true);
            $sums = ['sets' => $this->sums["sets {$direction->value}"] ?? [], 'work' => $this->sums["work {$place}"] ?? []];
            foreach ($sums as $of => $terms) {
                $this->lp->rows[] = "most_{$of} ".LinearProgram::sum($terms, -$counts).' >= 0';
                $this->lp->rows[] = "least_{$of} ".LinearProgram::sum($terms, -$counts).' <= 0';
            }
        }
        $sets = [$this->w->evenSets, $this->w->unevenSet];
        $work = [$this->w->evenSeconds, $this->w->unevenSecond];
        foreach (['sets' => $sets, 'work' => $work] as $of => [$even, $cost]) {
            $this->lp->rows[] = "uneven_{$of} - most_{$of} + least_{$of} >= -{$even}";
            $this->lp->isWorth(-$cost, "uneven_{$of}");
        }
    }

    private function roles(): void
    {
        foreach ($this->style->plan->roleShares === [] ? [] : Role::cases() as $place => $role) {
            $share = ($this->style->plan->roleShares[$role->value] ?? 0) / 100;
            foreach ([1, -1] as $sign) {
                $terms = [];
                foreach (array_keys(Role::cases()) as $other) {
                    foreach ($this->sums["role {$other}"] ?? [] as [$seconds, $x]) {
                        $off = $sign * (($other === $place ? 1 : 0) - $share) - $this->w->rolePercent / 100;
                        $terms[] = [$off * $seconds, $x];
                    }
                }
                $this->lp->rows[] = "off_{$place} ".LinearProgram::sum($terms, -1).' >= 0';
            }
            $this->lp->isWorth(-$this->w->roleSecond, "off_{$place}");
        }
    }

    private function ladders(): void
    {
        $repeats = SessionShape::learns($this->client);
        $of = [];
        foreach ($this->sums as $name => $terms) {
            if (! str_starts_with($name, 'ladder ')) {
                continue;
            }
            [, $code, $ladder] = explode(' ', strtr($name, '-', '_'));
            $of[$code][] = [1.0, "held_{$ladder}"];
            if ($this->client->ladders !== null) {
                $this->lp->upTo("chosen_{$ladder}", $terms, 1);
                $this->lp->isWorth($this->w->chosenLadder, "chosen_{$ladder}");
            }
            if ($repeats) {
                foreach ($terms as [, $x]) {
                    $this->lp->rows[] = "{$x} - held_{$ladder} <= 0";
                }
            } else {
                $this->lp->isOff("again_{$ladder}", -1, $terms, 1, $this->w->secondTime);
                $this->lp->isOff("third_{$ladder}", -2, $terms, 1, $this->w->thirdTime - $this->w->secondTime);
            }
        }
        foreach ($repeats ? Category::directions() : [] as $direction) {
            $held = $of[$direction->value] ?? [];
            $held === [] || $this->lp->isOff("other_{$direction->value}", -1, $held, 1, $this->w->anotherLadder);
        }
    }
}
