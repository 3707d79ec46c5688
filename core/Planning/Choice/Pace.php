<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Choice;

use EvenRungs\Core\Program\Extras;
use EvenRungs\Core\Program\Program;

/**
 * In how many weeks a client takes a step on a ladder, where logs show it.
 */
final class Pace
{
    private const KEPT = 'pace';

    /** Slower than this is not told from standing still (house rule). */
    public const MOST_WEEKS = 12;

    /** @param  array<string, int>  $weeks  1 to 12 for a step, by ladder; the style's own where a ladder is not there */
    public function __construct(public readonly array $weeks = [])
    {
    }

    /** What a planned program was planned by. */
    public static function of(?Program $program): self
    {
        $weeks = [];
        foreach ($program?->x->parts(self::KEPT) ?? [] as $ladder => $each) {
            if (is_string($ladder) && is_int($each) && $each >= 1 && $each <= self::MOST_WEEKS) {
                $weeks[$ladder] = $each;
            }
        }

        return new self($weeks);
    }

    public function kept(Extras $x): Extras
    {
        return $this->weeks === [] ? $x : $x->with(self::KEPT, $this->weeks);
    }

    public function on(string $ladder, int $usual): int
    {
        return $this->weeks[$ladder] ?? $usual;
    }
}
