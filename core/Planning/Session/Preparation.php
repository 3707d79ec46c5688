<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Session;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Prepared;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionShape;
use EvenRungs\Core\Time\Seconds;

/**
 * Warm-up and cool-down of a stand-alone session, from the tables of preparation: the first moves that the client's limits, age and kit
 * allow, half a minute each; where there are fewer, they take longer.
 */
final class Preparation
{
    public function __construct(private readonly Library $library)
    {
    }

    public function of(Slot $slot, Client $client): Prepared
    {
        if ($slot->kind !== Kind::Standalone) {
            return new Prepared([], []);
        }
        [$warmUp, $coolDown] = SessionShape::preparation($slot->length);

        return new Prepared(
            $this->moves('warm-up', $warmUp, $client),
            $this->moves('cool-down', $coolDown, $client),
        );
    }

    /**
     * The session with moves that the client may do, in the same time, where one of the tables' own is barred; moves in somebody's own
     * words, and time without moves, stay as they are.
     */
    public function suiting(Session $session, Client $client): Session
    {
        $prepared = $session->prepared;
        $barred = 0;
        foreach ([...$prepared->warmUp, ...$prepared->coolDown] as [$id]) {
            $move = $this->library->preparing($id);
            $barred += $move === null || Obstacles::between($client, $move, $this->library)->isClear() ? 0 : 1;
        }
        if ($barred === 0 || ! $prepared->fills($session)) {
            return $session;
        }

        return $session->prepared(new Prepared(
            $this->moves('warm-up', $session->warmUp, $client),
            $this->moves('cool-down', $session->coolDown, $client),
        ));
    }

    /** @return list<array{string, Seconds}> */
    private function moves(string $id, Seconds $time, Client $client): array
    {
        $table = $this->library->preparation[$id] ?? null;
        $pieces = intdiv($time->ms, 1000 * SessionShape::PREPARED_PIECE_S);
        $allowed = array_values(array_filter(
            $table->rungs ?? [],
            fn (Rung $move): bool => Obstacles::between($client, $move, $this->library)->isClear(),
        ));
        $moves = [];
        foreach (array_slice($allowed, 0, $pieces) as $i => $move) {
            $times = intdiv($pieces - $i - 1, count($allowed)) + 1;
            $moves[] = [$move->id, Seconds::of(SessionShape::PREPARED_PIECE_S * $times)];
        }

        return $moves;
    }
}
