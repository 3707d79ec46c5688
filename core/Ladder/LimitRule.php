<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

use EvenRungs\Core\Time\Seconds;

/**
 * What one limit means: which stresses it bars, from which grade, and what is said about it.
 */
final class LimitRule
{
    /** Medical limits bar this grade and up, whatever severity is written. */
    public const MEDICAL_BARS_FROM = 2;

    /**
     * @param  list<string>  $stresses
     * @param  bool  $medical  needs a recorded clearance and takes no severity
     * @param  array<string, int<1, 3>>  $barsFrom  grades of single stresses that differ from the rest of a medical limit
     * @param  ?Seconds  $holdCap  the longest unbroken hold, where the limit sets one
     * @param  ?Seconds  $flatUnder  unbroken time flat on the back in a set, both sides together, stays under this
     * @param  string  $caution  the usual caution, shown where the decision is made and on the sheet
     * @param  string  $refer  what is said while a medical limit has no clearance
     * @param  list<Sign>  $signs  that are asked after a session
     * @param  bool  $asksReadiness  whether it is asked before a session how ready the client feels
     */
    public function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly array $stresses,
        public readonly bool $medical,
        public readonly array $barsFrom,
        public readonly ?Seconds $holdCap,
        public readonly ?Seconds $flatUnder,
        public readonly string $caution,
        public readonly string $refer,
        public readonly array $signs = [],
        public readonly bool $asksReadiness = false,
    ) {
    }

    /** @return int<1, 3> */
    public function barsFrom(string $stress, Severity $severity): int
    {
        return $this->medical ? $this->barsFrom[$stress] ?? self::MEDICAL_BARS_FROM : $severity->barsFrom();
    }
}
