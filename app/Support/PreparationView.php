<?php

declare(strict_types=1);

namespace App\Support;

use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Time\Seconds;

/**
 * Warm-up and cool-down of a session as pages read them: how long, and what they are made of where somebody said so.
 */
final class PreparationView
{
    /** @return array{warm_up: array<string, mixed>, cool_down: array<string, mixed>} */
    public static function of(Session $session, Library $library): array
    {
        return [
            'warm_up' => self::part($session->warmUp, $session->prepared->warmUp, $library),
            'cool_down' => self::part($session->coolDown, $session->prepared->coolDown, $library),
        ];
    }

    /**
     * @param  list<array{string, Seconds}>  $moves
     * @return array<string, mixed>
     */
    private static function part(Seconds $total, array $moves, Library $library): array
    {
        return [
            'total' => ClockField::of($total),
            'moves' => array_map(static fn (array $each): array => [
                'id' => $each[0],
                'name' => $library->preparing($each[0])->name ?? $each[0],
                'setup' => $library->preparing($each[0])?->coaching()->setup ?? [],
                'time' => ClockField::of($each[1]),
            ], $moves),
        ];
    }
}
