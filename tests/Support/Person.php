<?php

declare(strict_types=1);

namespace Tests\Support;

use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Log\PainKind;
use Random\Randomizer;

/**
 * How somebody trains: clean, with a rung that they cannot do, with pain, away for weeks, or written down carelessly. In their last weeks
 * everybody trains clean.
 */
final class Person
{
    public const KINDS = ['perfect', 'weak-link', 'pain', 'away', 'sloppy'];

    /** Clean weeks at the end of a career. */
    public const CLEAN_AT_END = 8;

    /** The rung that a weak link cannot do, by ladder. */
    private array $weak = [];

    private ?string $hurts = null;

    private int $awayFrom = 0;

    private int $awayFor = 0;

    public function __construct(public readonly string $kind, private readonly int $weeks, private readonly Randomizer $chance)
    {
        $this->awayFrom = $chance->getInt(3, max(3, $weeks - self::CLEAN_AT_END - 8));
        $this->awayFor = $chance->getInt(2, 5);
    }

    public function isAway(int $week): bool
    {
        return $this->kind === 'away' && $week >= $this->awayFrom && $week < $this->awayFrom + $this->awayFor;
    }

    public function isClean(int $week): bool
    {
        return $this->kind === 'perfect' || $this->kind === 'away' || $week > $this->weeks - self::CLEAN_AT_END;
    }

    /** Whether a rung is the one that this person cannot do yet: the second that is met of each ladder. */
    public function isWeakOn(Rung $rung, int $week): bool
    {
        if ($this->kind !== 'weak-link' || $this->isClean($week)) {
            return false;
        }
        $met = &$this->weak[$rung->ladder];
        $met[$rung->id] = true;

        return array_search($rung->id, array_keys($met), true) === 1;
    }

    /** What a session hurts, 0 to 10, and of what kind; the same for all its sets. */
    public function begin(int $week): void
    {
        $this->hurts = $this->kind === 'pain' && ! $this->isClean($week) ? match (true) {
            $this->chance->getInt(1, 30) === 1 => 'numb',
            $this->chance->getInt(1, 30) === 1 => 'sharp',
            $this->chance->getInt(1, 30) === 1 => '7',
            $this->chance->getInt(1, 6) === 1 => (string) $this->chance->getInt(3, 5),
            $this->chance->getInt(1, 4) === 1 => (string) $this->chance->getInt(1, 2),
            default => null,
        } : null;
    }

    /** A set as this person does it, from the set as it is asked. */
    public function does(LoggedSet $asked, Rung $rung, int $week): LoggedSet
    {
        $sloppy = $this->kind === 'sloppy' && ! $this->isClean($week) ? $this->chance->getInt(1, 24) : 0;
        $weak = $this->isWeakOn($rung, $week);
        $hurts = $this->hurts;

        return new LoggedSet(
            $asked->side,
            $asked->target,
            $weak ? intdiv((int) $asked->target, 2) : ($sloppy === 1 ? max(0, $asked->target - 1) : $asked->done),
            $weak ? [$rung->faults[0] ?? 'breath-held'] : ($sloppy === 2 ? null : []),
            [],
            null,
            match (true) {
                $sloppy === 3 => null,
                $hurts === null, $hurts === 'numb' => 0,
                $hurts === 'sharp' => 2,
                default => (int) $hurts,
            },
            $hurts === 'numb' || $hurts === 'sharp' ? PainKind::from($hurts) : null,
            $sloppy === 4 ? null : ($sloppy === 5 ? 9 : 5),
            $sloppy === 6 ? null : true,
            [],
            $asked->targetRange,
            $asked->range,
            false,
            false,
            $asked->timed,
            $asked->targetHold,
            $asked->hold,
        );
    }
}
