<?php

declare(strict_types=1);

namespace EvenRungs\Core\Style;

/**
 * One question on which practitioners disagree, what this style answers, why, and what the other side says.
 */
final class StyleChoice
{
    /**
     * @param  string  $id  of the question
     * @param  string  $side  id of the answer
     * @param  bool  $coached  the answer is told to whoever trains
     * @param  'opinion'|'common practice'|'published'  $ground
     */
    public function __construct(
        public readonly string $id,
        public readonly string $side,
        public readonly string $question,
        public readonly string $answer,
        public readonly string $reason,
        public readonly string $ground,
        public readonly string $otherSide,
        public readonly bool $coached,
    ) {
    }
}
