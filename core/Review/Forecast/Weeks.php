<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Forecast;

/**
 * A range of weeks from today.
 */
final class Weeks
{
    /** Half a year: what is said never goes beyond it (house rule: a few weeks of logs say nothing of more). */
    private const MOST_SAID = 26;

    /** @param  ?int  $latest  null beyond two years */
    public function __construct(public readonly int $soonest, public readonly ?int $latest)
    {
    }

    public function toWords(): string
    {
        if ($this->soonest > self::MOST_SAID) {
            return 'more than half a year';
        }
        $soonest = $this->soonest.($this->soonest === 1 ? ' week' : ' weeks');

        return match (true) {
            $this->latest === null || $this->latest > self::MOST_SAID => $soonest.' at the soonest, maybe more than half a year',
            $this->latest === $this->soonest => 'about '.$soonest,
            default => sprintf('%d to %d weeks', $this->soonest, $this->latest),
        };
    }
}
