<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Evenness;

use EvenRungs\Core\Program\ExtraSet;

/**
 * The weaker side in per cent of the stronger: weaker / stronger × 100, the formula that is named wherever it is shown. Under
 * 85 % in two readings running the worse side gets one set more, until a reading comes to 90 % (house rule: the cut-offs come from
 * knees, Noyes FR et al. (1991) Am J Sports Med 19(5):513–518, from memory).
 */
final class SideIndex
{
    public const UNDER_PERCENT = 85;

    private const READINGS = 2;

    /**
     * @param  ?float  $percent  of the newest reading; null without one
     * @param  'left'|'right'|null  $worse  in the newest reading; null where both are equal
     * @param  'left'|'right'|null  $extraSet  side that gets one set more
     */
    private function __construct(public readonly ?float $percent, public readonly ?string $worse, public readonly ?string $extraSet)
    {
    }

    /** Whether the extra set of a side ends: the newest reading is enough, or the other side is the weaker one by now. */
    public function ends(string $side): bool
    {
        return (
            $this->percent !== null && $this->percent >= ExtraSet::ENOUGH_PERCENT
        ) || ($this->extraSet !== null && $this->extraSet !== $side);
    }

    /** What the worse side gets, in words. */
    public function advice(): ?string
    {
        return $this->extraSet === null ? null : sprintf(
            'One set more on the %s, until it comes to %d %% (house rule).',
            $this->extraSet,
            ExtraSet::ENOUGH_PERCENT,
        );
    }

    /**
     * What sessions say: as many sets as both sides have are compared, since the extra one of the weaker side comes last; a session in
     * which a compared set was not begun says nothing.
     *
     * @param  list<array{left: list<int|float>, right: list<int|float>}>  $sessions  what was done in each set, oldest first
     */
    public static function ofSessions(array $sessions): self
    {
        $readings = [];
        foreach ($sessions as ['left' => $left, 'right' => $right]) {
            $reading = self::reading($left, $right);
            if ($reading !== null) {
                $readings[] = $reading;
            }
        }

        return self::of($readings);
    }

    /**
     * What one session says.
     *
     * @param  list<int|float>  $left  done in each set
     * @param  list<int|float>  $right
     * @return ?array{int|float, int|float} left and right; null where it says nothing
     */
    public static function reading(array $left, array $right): ?array
    {
        $both = min(count($left), count($right));
        $compared = [...array_slice($left, 0, $both), ...array_slice($right, 0, $both)];
        if ($both === 0 || array_filter($compared, static fn (int|float $done): bool => $done <= 0) !== []) {
            return null;
        }

        return [array_sum(array_slice($left, 0, $both)), array_sum(array_slice($right, 0, $both))];
    }

    /** @param  list<array{int|float, int|float}>  $readings  left and right, oldest first; one with nothing on both sides says nothing */
    public static function of(array $readings): self
    {
        $low = 0;
        $extra = null;
        $percent = $worse = null;
        foreach ($readings as [$left, $right]) {
            $stronger = max($left, $right);
            $weaker = min($left, $right);
            if ($stronger <= 0) {
                continue;
            }
            $percent = 100 * $weaker / $stronger;
            $worse = match (true) {
                $left < $right => 'left',
                $right < $left => 'right',
                default => null,
            };
            $low = 100 * $weaker < self::UNDER_PERCENT * $stronger ? $low + 1 : 0;
            if ($low >= self::READINGS) {
                $extra = $worse;
            } elseif (100 * $weaker >= ExtraSet::ENOUGH_PERCENT * $stronger) {
                $extra = null;
            }
        }

        return new self($percent, $worse, $extra);
    }
}
