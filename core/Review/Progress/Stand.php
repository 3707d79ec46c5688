<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Progress;

use DateTimeImmutable;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Rung;

/**
 * Where somebody came to stand on a ladder on a day.
 */
final class Stand
{
    /**
     * @param  ?Rung  $rung  null where nothing of the ladder was allowed
     * @param  int  $step  of the rung's steps, 0 the start
     * @param  bool  $assumed  nobody has seen it, by a test or in training
     */
    public function __construct(
        public readonly DateTimeImmutable $on,
        public readonly Ladder $ladder,
        public readonly ?Rung $rung,
        public readonly int $step,
        public readonly bool $assumed,
    ) {
    }

    public function level(): ?int
    {
        return $this->rung?->level->value;
    }

    /**
     * Those from a day on, and the last one before it of each ladder, as if it were of that day.
     *
     * @param  list<self>  $stands  oldest first
     * @return list<self> oldest first
     */
    public static function since(array $stands, DateTimeImmutable $from): array
    {
        $before = $after = [];
        foreach ($stands as $stand) {
            if ($stand->on > $from) {
                $after[] = $stand;
            } else {
                $before[$stand->ladder->id] = new self($from, $stand->ladder, $stand->rung, $stand->step, $stand->assumed);
            }
        }

        return [...array_values($before), ...$after];
    }
}
