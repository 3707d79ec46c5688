<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\InvalidValue;

/**
 * A dose as trainers jot it down behind a name.
 */
final class JottedDose
{
    /** Words that stand for a number which is not there. */
    private const SAYS_HOW_MUCH = 'amrap|many|possible|max|maximum|failure|exhaustion|superset|rpe|rir';

    /**
     * A dose with what of it is only kept in words: the range of which the lower number is the dose, breaths, and words that say no number.
     *
     * @return array{Dose, ?string} the dose, and a note
     *
     * @throws InvalidValue when it is not understood
     */
    public static function read(string $text): array
    {
        $notes = [];
        $lower = static function (array $m) use (&$notes): string {
            /** @var array<int, string> $m */
            $notes[] = trim($m[0]);

            return min((int) $m[1], (int) $m[2]).($m[3] ?? '');
        };
        $text = (string) preg_replace_callback(
            '/(?<![-–\d.:\/])(\d{1,4}) ?(?:-|–|to) ?(\d{1,4})(?![-–\d.:\/])( ?(?:reps?|s|secs?|seconds?|m|metres?)\b)?/u',
            $lower,
            $text,
        );
        // breaths are counted like repetitions, and stay breaths in words
        if (preg_match('/\d ?(breaths?)\b/i', $text, $m) === 1) {
            $notes[] = $m[1];
        }
        while (true) {
            try {
                return [Shorthand::parse($text), $notes === [] ? null : implode('; ', $notes)];
            } catch (InvalidValue $e) {
                if (preg_match('/^(.*\S)[ ,]+(?!(?:'.self::SAYS_HOW_MUCH.')\b)([a-z\'’-]{3,})$/iu', $text, $m) !== 1) {
                    throw $e;
                }
                [$text, $notes[]] = [$m[1], $m[2]];
            }
        }
    }
}
