<?php

declare(strict_types=1);

namespace EvenRungs\Core\Style;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Rung;

/**
 * What is said on the rungs that an answer of a house style touches.
 */
final class ChoiceWords
{
    /** From so many milliseconds on a rung is held. */
    private const HELD_MS = 10_000;

    /**
     * @param  list<string>|null  $rungs  ids; null for all, likewise the ladders and categories
     * @param  list<string>|null  $ladders
     * @param  list<Category>|null  $categories
     * @param  bool  $unloaded  only without a weight or a band
     * @param  bool  $held  only what is held
     */
    public function __construct(
        public readonly string $say,
        private readonly ?array $rungs = null,
        private readonly ?array $ladders = null,
        private readonly ?array $categories = null,
        private readonly int $fromLevel = 1,
        private readonly int $toLevel = 10,
        private readonly bool $unloaded = false,
        private readonly bool $held = false,
    ) {
    }

    public function fits(Rung $rung): bool
    {
        return ($this->rungs === null || in_array($rung->id, $this->rungs, true))
            && ($this->ladders === null || in_array($rung->ladder, $this->ladders, true))
            && ($this->categories === null || in_array($rung->category, $this->categories, true))
            && $rung->level->value >= $this->fromLevel
            && $rung->level->value <= $this->toLevel
            && ! ($this->unloaded && $rung->isWeighted())
            && ! ($this->held && $rung->top()->measure->longestHold()->ms < self::HELD_MS);
    }
}
