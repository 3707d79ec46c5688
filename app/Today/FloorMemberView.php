<?php

declare(strict_types=1);

namespace App\Today;

use App\Models\LoggedSession as LoggedRow;
use App\Models\Studio;
use App\Support\StudioDay;
use EvenRungs\Core\Client\Client as Person;

/**
 * Who trains on the floor, with what is asked of them and what they said today already.
 */
final class FloorMemberView
{
    /** @return array<string, mixed> who trains, with what is asked of them and what they said today already */
    public static function of(Studio $studio, string $id, string $name, Person $person): array
    {
        $signs = [];
        $readiness = false;
        foreach ($person->limits as $limit) {
            foreach ($limit->rule->signs as $sign) {
                $signs[$sign->value] = ['id' => $sign->value, 'name' => $sign->label()];
            }
            $readiness = $readiness || $limit->rule->asksReadiness;
        }

        return [
            'client' => $id,
            'name' => $name,
            'signs' => array_values($signs),
            'readiness' => $readiness,
            'said' => (object) self::said($studio, $id),
        ];
    }

    /** @return array<string, int> soreness and pain as they were said today */
    private static function said(Studio $studio, string $client): array
    {
        $said = [];
        foreach (LoggedRow::query()->ofStudio($studio->id)->where('client_id', $client)->where(
            'on',
            StudioDay::today()->toDateString(),
        )->ordered('id')->get() as $row) {
            $said = [...$said, ...array_filter(['soreness' => $row->soreness, 'pain_before' => $row->pain_before], is_int(...))];
        }

        return $said;
    }
}
