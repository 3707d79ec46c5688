<?php

declare(strict_types=1);

namespace EvenRungs\Core\Style;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Rung;

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
     * @param  list<ChoiceWords>  $words  what is said on the rungs that the answer touches; the first that fits a rung
     * @param  ?self  $forMedical  what stands in its place for anybody with a medical limit
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
        private readonly array $words = [],
        private readonly ?self $forMedical = null,
    ) {
    }

    /** The answer for one client: limits go before style. */
    public function suiting(?Client $client): self
    {
        return $client?->hasMedicalLimit() === true ? $this->forMedical ?? $this : $this;
    }

    /** What is said on a rung; null where the answer does not touch it. */
    public function wordsOn(Rung $rung): ?string
    {
        foreach ($this->words as $words) {
            if ($words->fits($rung)) {
                return $words->say;
            }
        }

        return null;
    }
}
