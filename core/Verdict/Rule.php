<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict;

/**
 * One rule of the verdicts. The first one that fits decides.
 */
interface Rule
{
    public static function id(): string;

    /** What it decides, and why, in one sentence. */
    public static function sentence(): string;

    /** Where its numbers come from. */
    public static function source(): string;

    /** @return ?Verdict null where it does not fit */
    public function decide(Matter $matter): ?Verdict;
}
