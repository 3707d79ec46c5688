<?php

declare(strict_types=1);

namespace App\Today;

use App\Models\Client;
use App\Models\LoggedSet as SetRow;
use App\Models\StudioBuilder;
use DateTimeImmutable;
use EvenRungs\Core\Writing;

/**
 * The weights and bands that a client really used: the newest of each exercise is offered the next time, and never invented.
 *
 * @phpstan-type Load array{kg: ?float, band: ?string, on: string}
 */
final class LastLoads
{
    /** So many sets with a load are looked back at, the newest first. */
    private const MOST_SETS = 240;

    /** @return array<string, list<SetRow>> the sets with a load, by rung, oldest first */
    public static function sets(Client $client): array
    {
        return SetRow::query()->ofClient($client)
            ->where(static fn (StudioBuilder $set): StudioBuilder => $set->where('load_kg', '>', 0)->orWhere('band', '>', ''))
            ->ordered('on', 'desc')->ordered('id', 'desc')->atMost(self::MOST_SETS)->get()->reverse()->groupBy('rung')->map(
                static fn ($sets): array => array_values($sets->all()),
            )->all();
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
