<?php

declare(strict_types=1);

namespace EvenRungs\Core\Log;

use EvenRungs\Core\Dose\Hold;
use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Ladder\Rung;

/**
 * What was really done in a stretch of days, by category. Repetitions and metres count by the tempo or pace of their rung, and
 * half of them where a rung trains another category too, as in a plan.
 */
final class WorkDone
{
    /** @var array<string, int> work in milliseconds, by category code */
    public array $ms = [];

    /** All of it in milliseconds, each set once. */
    public int $allMs = 0;

    /** @var array<string, int> sets, left and right together being one */
    public array $sets = [];

    /** @var array<string, array<string, true>> days, by category code */
    private array $days = [];

    /**
     * @param  int|float  $done  repetitions, milliseconds held, or metres
     * @param  ?string  $side  `left`, `right` or `both`
     */
    public function add(Rung $rung, int|float $done, ?string $side, string $day): void
    {
        if ($done <= 0) {
            return;
        }
        $code = $rung->category->value;
        $ms = self::workMs($rung, $done);
        $this->allMs += $ms;
        $this->ms[$code] = ($this->ms[$code] ?? 0) + $ms;
        foreach ($rung->also as $also) {
            $this->ms[$also->value] = ($this->ms[$also->value] ?? 0) + intdiv($ms, 2);
        }
        $this->sets[$code] = ($this->sets[$code] ?? 0) + ($side === 'right' ? 0 : 1);
        $this->days[$code][$day] = true;
    }

    private static function workMs(Rung $rung, int|float $done): int
    {
        $measure = $rung->start()->measure;

        return (int) round(
            $measure instanceof Hold || $measure instanceof Intervals ? $done : $done * $measure->work()->ms / $measure->amount(),
        );
    }

    public function sessions(string $code): int
    {
        return count($this->days[$code] ?? []);
    }
}
