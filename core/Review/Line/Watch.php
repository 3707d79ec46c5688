<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Line;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\OutOfRange;

/**
 * A hold that a camera watches. It begins when the line is first seen as it is meant, and ends when it has been off for so long without a
 * break; it was held until it was first seen off. A sample in which nothing can be judged says neither; where none can be for as long, what
 * was off before counts no more.
 *
 * That it ends by the line is a house rule, and so is the second that it may be off.
 */
final class Watch
{
    /** How long a line may be off where nobody said otherwise. Milliseconds. */
    public const USUAL_MS = 1000;

    private const LEAST_MS = 200;

    private const MOST_MS = 10_000;

    /**
     * @param  ?int  $beganMs  when the line was first seen as it is meant; null before that
     * @param  ?int  $offSinceMs  when it was first seen off; null while it is held
     * @param  ?int  $seenMs  when it was last judged
     * @param  list<string>  $faults  that were seen while it was off
     */
    private function __construct(
        private readonly int $mayBeOffMs,
        public readonly ?int $beganMs,
        public readonly ?int $offSinceMs,
        public readonly ?int $seenMs,
        public readonly array $faults,
        public readonly bool $isOver,
    ) {
    }

    /**
     * @param  int  $mayBeOffMs  milliseconds, 200 to 10,000
     * @param  list<string>  $faults
     *
     * @throws InvalidValue
     */
    public static function at(
        int $mayBeOffMs = self::USUAL_MS,
        ?int $beganMs = null,
        ?int $offSinceMs = null,
        ?int $seenMs = null,
        array $faults = [],
    ): self {
        if ($mayBeOffMs < self::LEAST_MS || $mayBeOffMs > self::MOST_MS) {
            throw OutOfRange::outside('how long the line may be off, in milliseconds,', $mayBeOffMs, self::LEAST_MS, self::MOST_MS);
        }

        return new self($mayBeOffMs, $beganMs, $offSinceMs, $seenMs, $faults, false);
    }

    /**
     * With one sample more; what comes after the end, or is older than what was seen, changes nothing.
     *
     * @param  int  $ms  of any clock that goes on
     * @param  ?JudgedLine  $line  null where no line was found
     */
    public function with(int $ms, ?JudgedLine $line): self
    {
        if ($this->isOver || $ms < max($this->seenMs ?? $ms, $this->beganMs ?? $ms)) {
            return $this;
        }
        if ($line === null || ! $line->isJudged() || ($this->beganMs === null && $line->isOff())) {
            return $this;
        }
        $began = $this->beganMs ?? $ms;
        if (! $line->isOff()) {
            return new self($this->mayBeOffMs, $began, null, $ms, [], false);
        }
        $isGap = $this->seenMs !== null && $ms - $this->seenMs > $this->mayBeOffMs;
        $since = $isGap ? $ms : $this->offSinceMs ?? $ms;

        return new self(
            $this->mayBeOffMs,
            $began,
            $since,
            $ms,
            array_values(array_unique([...$isGap ? [] : $this->faults, ...$line->faults])),
            $ms - $since >= $this->mayBeOffMs,
        );
    }

    /** How long the line was held so far, to where it was first seen off. Milliseconds; 0 before it was held. */
    public function heldMs(): int
    {
        return $this->beganMs === null ? 0 : max(0, ($this->offSinceMs ?? $this->seenMs ?? $this->beganMs) - $this->beganMs);
    }
}
