<?php

declare(strict_types=1);

namespace App\Today;

use App\Models\Client;
use App\Support\ClientRows;
use DateTimeImmutable;
use EvenRungs\Core\Writing;
use stdClass;

/**
 * The weights and bands that a client really used: the newest of each exercise is offered the next time, and never invented.
 *
 * @phpstan-type Load array{kg: ?float, band: ?string, on: string}
 */
final class LastLoads
{
    /** @return array<string, non-empty-list<stdClass>> the sets with a load, by rung, oldest first */
    public static function sets(Client $client): array
    {
        $sets = [];
        foreach (ClientRows::of($client)->loads() as $set) {
            $sets[$set->rung][] = $set;
        }

        return $sets;
    }

    /** @return array<string, Load> the newest weight or band of each rung */
    public static function of(Client $client): array
    {
        return array_map(static function (array $sets): array {
            $last = $sets[count($sets) - 1];

            return ['kg' => $last->load_kg > 0 ? (float) $last->load_kg : null, 'band' => $last->band, 'on' => $last->on];
        }, self::sets($client));
    }

    /** @param  Load|null  $last */
    public static function words(?array $last): ?string
    {
        $what = implode(
            ' and ',
            array_filter(
                [
                    $last === null || $last['kg'] === null ? null : Writing::load($last['kg']),
                    $last === null || $last['band'] === null ? null : $last['band'].' band',
                ],
            ),
        );

        return $last === null || $what === '' ? null : sprintf('last %s, %s', $what, Writing::day(new DateTimeImmutable($last['on'])));
    }
}
