<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Time\Seconds;

/**
 * Milliseconds by what they are spent on. The parts add up to the total.
 */
final class Time
{
    public function __construct(
        public readonly int $workMs = 0,
        public readonly int $restMs = 0,
        public readonly int $changeMs = 0,
        public readonly int $warmUpMs = 0,
        public readonly int $coolDownMs = 0,
    ) {
    }

    /** @param  array<string, int>  $ms  by kind of segment; a kind that is not there took none */
    public static function of(array $ms): self
    {
        return new self(
            $ms['work'] ?? 0,
            $ms['rest'] ?? 0,
            ($ms['side'] ?? 0) + ($ms['station'] ?? 0),
            $ms['warm-up'] ?? 0,
            $ms['cool-down'] ?? 0,
        );
    }

    public function plus(self $other): self
    {
        return new self(
            $this->workMs + $other->workMs,
            $this->restMs + $other->restMs,
            $this->changeMs + $other->changeMs,
            $this->warmUpMs + $other->warmUpMs,
            $this->coolDownMs + $other->coolDownMs,
        );
    }

    public function total(): Seconds
    {
        return Seconds::ofMs($this->workMs + $this->restMs + $this->changeMs + $this->warmUpMs + $this->coolDownMs);
    }
}
