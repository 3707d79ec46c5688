<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use DateTimeImmutable;

/**
 * When the screen must be asked again: after twelve weeks, a new symptom, a layoff of eight weeks, or a stop (house rule).
 */
final class ScreenDue
{
    public const WEEKS = 12;

    private const LAYOFF_WEEKS = 8;

    private function __construct(public readonly DateTimeImmutable $on, public readonly string $why)
    {
    }

    /**
     * @param  DateTimeImmutable  $asked  day of the newest screen
     * @param  ?DateTimeImmutable  $newSymptom  the first day since that screen on which something new hurt or was barred
     * @param  ?DateTimeImmutable  $lastSession  the newest day of training
     * @param  ?DateTimeImmutable  $stop  the first day since that screen on which training was stopped
     */
    public static function after(
        DateTimeImmutable $asked,
        ?DateTimeImmutable $newSymptom = null,
        ?DateTimeImmutable $lastSession = null,
        ?DateTimeImmutable $stop = null,
    ): self {
        $due = new self($asked->modify(sprintf('+%d weeks', self::WEEKS)), sprintf('%d weeks after the last screen.', self::WEEKS));
        $others = [
            $stop !== null && $stop >= $asked ? new self($stop, 'Training was stopped since the last screen.') : null,
            $newSymptom !== null && $newSymptom >= $asked ? new self(
                $newSymptom,
                'Something new hurts or is barred since the last screen.',
            ) : null,
            $lastSession !== null ? new self(
                max($asked, $lastSession)->modify(sprintf('+%d weeks', self::LAYOFF_WEEKS)),
                sprintf('%d weeks without training.', self::LAYOFF_WEEKS),
            ) : null,
        ];
        foreach (array_filter($others) as $other) {
            $due = $other->on < $due->on ? $other : $due;
        }

        return $due;
    }

    public function isOver(DateTimeImmutable $today): bool
    {
        return $today >= $this->on;
    }
}
