<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Testing;

use DateTimeImmutable;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\OutOfRange;

/**
 * A thing in daily life or sport in the client's own words, and how well the client says it goes: 0 not at all, 10 as well as ever.
 *
 * A change of 3 or more is beyond what the same person would score twice without any change (Stratford P, Gill C, Westaway M,
 * Binkley J (1995) Physiother Can 47(4):258–263, a single activity, from memory). Asked every three weeks (common practice, no source).
 */
final class OwnAim
{
    public const MOST = 10;

    public const EVERY_DAYS = 21;

    private const BEYOND_NOISE = 3;

    /** @param  list<array{on: string, score: int}>  $scores  oldest first, one a day at most */
    private function __construct(public readonly string $words, public readonly array $scores)
    {
    }

    /**
     * @param  list<array{on: string, score: int}>  $scores  ISO dates in any order; of one day the last counts
     *
     * @throws InvalidValue where a score is not 0 to 10
     */
    public static function of(string $words, array $scores): self
    {
        $byDay = [];
        foreach ($scores as ['on' => $on, 'score' => $score]) {
            if ($score < 0 || $score > self::MOST) {
                throw OutOfRange::because(sprintf('must be from 0 to %d', self::MOST));
            }
            $byDay[$on] = ['on' => $on, 'score' => $score];
        }
        ksort($byDay);

        return new self($words, array_values($byDay));
    }

    public function scored(string $on, int $score): self
    {
        return self::of($this->words, [...$this->scores, ['on' => $on, 'score' => $score]]);
    }

    /** Points since the first score; null with fewer than two. */
    public function change(): ?int
    {
        $last = count($this->scores) - 1;

        return $last < 1 ? null : $this->scores[$last]['score'] - $this->scores[0]['score'];
    }

    /** Whether it is time to ask again. */
    public function isDue(DateTimeImmutable $today): bool
    {
        $last = $this->scores[count($this->scores) - 1]['on'] ?? null;

        return $last === null || $last <= $today->modify(sprintf('-%d days', self::EVERY_DAYS))->format('Y-m-d');
    }

    /** What the scores say, in a sentence. */
    public function says(): string
    {
        $change = $this->change();
        $now = $this->scores[count($this->scores) - 1]['score'] ?? null;

        return match (true) {
            $now === null => 'Not scored yet.',
            $change === null => sprintf('%d of %d.', $now, self::MOST),
            abs($change) >= self::BEYOND_NOISE => sprintf(
                '%d of %d, %d %s than at first.',
                $now,
                self::MOST,
                abs($change),
                $change > 0 ? 'better' : 'worse',
            ),
            default => sprintf(
                '%d of %d, from %d at first: a change of less than %d may be chance.',
                $now,
                self::MOST,
                $this->scores[0]['score'],
                self::BEYOND_NOISE,
            ),
        };
    }
}
