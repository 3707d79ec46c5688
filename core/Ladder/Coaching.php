<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

/**
 * The words that go with a rung.
 */
final class Coaching
{
    /**
     * @param  string  $adds  what the rung asks more than the one below
     * @param  string  $watch  where to stand and what to look at first
     * @param  list<string>  $setup
     * @param  list<Cue>  $cues  one for each fault of the rung
     * @param  string  $lessRange  how the movement is cut when a cue did not help, before the rung below is taken
     * @param  list<string>  $stop  signs that end the exercise
     * @param  list<string>  $feltIn
     * @param  list<string>  $notIn  where it must not be felt
     * @param  list<string>  $muscles
     */
    public function __construct(
        public readonly string $adds,
        public readonly string $watch,
        public readonly array $setup,
        public readonly array $cues,
        public readonly string $lessRange,
        public readonly array $stop,
        public readonly array $feltIn,
        public readonly array $notIn,
        public readonly array $muscles,
    ) {
    }

    /** What is said at a fault; null where the rung has no cue of its own for it. */
    public function cue(string $fault): ?string
    {
        foreach ($this->cues as $cue) {
            if ($cue->fault === $fault) {
                return $cue->say;
            }
        }

        return null;
    }
}
