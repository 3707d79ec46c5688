<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict;

use EvenRungs\Core\Client\Age;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Shown;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\History;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\Position;
use EvenRungs\Core\Placement\Alternatives;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Style\Style;
use LogicException;

/**
 * What the rules look at: the history of one ladder, the steps of the client in the style, where the ladder leads up and down, and which
 * sessions count.
 */
final class Matter
{
    public readonly Qualifying $qualifying;

    /** @param  ?Client  $client  whose limits, kit, gates and age bar rungs; null where nobody is meant */
    public function __construct(
        public readonly History $history,
        public readonly Library $library,
        public readonly Style $style,
        public readonly Steps $steps,
        private readonly Moves $moves,
        public readonly ?Client $client,
    ) {
        $this->qualifying = new Qualifying($history, $library, $style, $client);
    }

    public function last(): LoggedSession
    {
        return $this->history->last() ?? throw new LogicException('nothing was logged');
    }

    public function needed(int $clean): string
    {
        $left = max(1, $this->style->cleanSessions - $clean);

        return sprintf(
            '%s clean session%s at %s.',
            $left === 1 ? 'One more' : $left.' more',
            $left === 1 ? '' : 's',
            $this->history->rung->name,
        );
    }

    /** The rung that follows the last step: the nearest that is allowed. */
    public function above(): ?Rung
    {
        if ($this->client !== null) {
            return $this->moves->next($this->history->rung, $this->client);
        }

        return $this->meant($this->history->ladder->above($this->history->rung))[0] ?? null;
    }

    /** @param  int  $rungs  how many allowed rungs down */
    public function below(int $rungs): ?Rung
    {
        $rung = $this->history->rung;
        for (; $rungs > 0; $rungs--) {
            $next = $this->client !== null
                ? $this->moves->down($rung, $this->client)
                : $this->meant(array_slice($this->history->ladder->downFrom($rung), 1))[0] ?? null;
            if ($next === null) {
                break;
            }
            $rung = $next;
        }

        return $rung === $this->history->rung ? null : $rung;
    }

    /**
     * @param  list<Rung>  $rungs
     * @return list<Rung>
     */
    private function meant(array $rungs): array
    {
        return array_values(array_filter($rungs, $this->moves->isMeant(...)));
    }

    /** Whether a rung below was ever shown clean, as far as anybody knows; where nobody is meant, it was climbed. */
    private function wasShown(Rung $rung): bool
    {
        return $this->client === null || Shown::by($this->client)->has($rung, $this->library);
    }

    /**
     * One rung down, or two: onto its last step after faults, its first after pain, a layoff or a clearance, or where it was never shown.
     * Where nothing below is allowed, the start of its own rung at the least range.
     */
    public function lower(int $rungs, bool $lastStep): Position
    {
        $below = $this->below($rungs);
        if ($below === null) {
            return new Position($this->history->rung, 0, $this->steps->least($this->history->rung));
        }

        return new Position($below, $lastStep && $this->wasShown($below) ? $this->steps->last($below) : 0);
    }

    /** What spares what hurt: the best swap on another ladder. */
    public function swap(): ?Rung
    {
        $rung = $this->history->rung;
        if ($this->client === null) {
            foreach ((new Alternatives($this->library))->easier($rung) as $other) {
                if ($other->ladder !== $rung->ladder) {
                    return $other;
                }
            }

            return null;
        }
        foreach ((new Swaps($this->library, $this->style->plan->withoutLadders))->sameDirection($rung, $this->client) as $swap) {
            if ($swap->rung->ladder !== $rung->ladder && $this->moves->isMeant($swap->rung)) {
                return $swap->rung;
            }
        }

        return null;
    }

    /**
     * @param  list<string>  $reasons
     * @param  list<string>  $wouldChange
     */
    public function stay(string $rule, array $reasons, array $wouldChange, bool $retest = false, ?Rung $swap = null): Verdict
    {
        return new Verdict(
            Decision::Stay,
            $rule,
            $this->history->position(),
            $this->history->dose(),
            $reasons,
            $wouldChange,
            false,
            $retest,
            $swap,
        );
    }

    /**
     * @param  list<string>  $reasons
     * @param  list<string>  $wouldChange
     */
    public function move(
        Decision $decision,
        string $rule,
        Position $to,
        array $reasons,
        array $wouldChange = [],
        bool $refer = false,
        bool $retest = false,
        ?Rung $swap = null,
    ): Verdict {
        if ($to->is($this->history->position())) {
            return new Verdict(
                Decision::Stay,
                $rule,
                $to,
                $this->history->dose(),
                [
                    ...$reasons,
                    'Nothing easier of this ladder is allowed: it stays, with less range or an easier exercise that trains the same.',
                ],
                $wouldChange,
                $refer,
                $retest,
                $swap ?? $this->swap(),
            );
        }

        return new Verdict(
            $decision,
            $rule,
            $to,
            $this->steps->dose($to->rung, $to->step, $to->range),
            $reasons,
            $wouldChange,
            $refer,
            $retest,
            $swap,
        );
    }

    /**
     * A step down: the range where something moves, else the dose; at the start in the least range a rung.
     *
     * @param  list<string>  $wouldChange
     */
    public function stepDown(string $rule, string $why, array $wouldChange, bool $afterPain, ?Rung $swap): Verdict
    {
        $history = $this->history;
        $back = $this->steps->back($history->rung, $history->step, $history->range);
        if ($back === null) {
            return $this->move(Decision::Regress, $rule, $this->lower(1, ! $afterPain), [$why], $wouldChange, swap: $swap);
        }
        $to = new Position($history->rung, ...$back);
        $less = $history->scale()->perMille(
            $this->steps->dose($to->rung, $to->step, $to->range)->range,
        ) < $history->scale()->perMille($history->dose()->range);

        return $this->move(
            Decision::StepDown,
            $rule,
            $to,
            [$why.($less ? ' Less range first, until it stays clean; the dose stays.' : '')],
            $wouldChange,
            swap: $swap,
        );
    }
}
