<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Ready;

use EvenRungs\Core\Ladder\Position;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Time\Seconds;

/**
 * A pattern of a session that is filled with a client's own rungs and keeps its kind.
 */
final class ReadySession
{
    /**
     * @param  Seconds  $length  it takes no longer
     * @param  ?int  $sets  of each exercise; null for as many as the goal means
     * @param  ?int  $rounds  of a circuit; null for sets one after the other
     * @param  ?Seconds  $work  of a station; null for the exercise's own dose
     * @param  ?Seconds  $rest  after a station
     * @param  list<Position>  $positions  that exercises may have; none for any
     * @param  list<ReadyItem>  $items
     */
    public function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly string $text,
        public readonly Kind $kind,
        public readonly Seconds $length,
        public readonly ?int $sets,
        public readonly ?int $rounds,
        public readonly ?Seconds $work,
        public readonly ?Seconds $rest,
        public readonly array $positions,
        public readonly array $items,
    ) {
    }
}
