<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Client;
use App\Models\LoggedSet as SetRow;
use DateTimeImmutable;
use EvenRungs\Core\Writing;

/**
 * The weights that a client really moved: the newest of each exercise is offered the next time, and never invented.
 */
final class LastLoads
{
    /** So many sets with a load are looked back at, the newest first. */
    private const MOST_SETS = 240;

    /** @return array<string, list<SetRow>> the sets with a load, by rung, oldest first */
    public static function sets(Client $client): array
    {
        return SetRow::query()->ofClient($client)->where('load_kg', '>', 0)->ordered('on', 'desc')->ordered('id', 'desc')->atMost(self::MOST_SETS)->get()->reverse()->groupBy('rung')->map(static fn ($sets): array => array_values($sets->all()))->all();
    }

    /** @return array<string, array{kg: float, on: string}> the newest weight of each rung */
    public static function of(Client $client): array
    {
        return array_map(static function (array $sets): array {
            $last = $sets[count($sets) - 1];

            return ['kg' => (float) $last->load_kg, 'on' => $last->on];
        }, self::sets($client));
    }

    /** @param  array{kg: float, on: string}|null  $last */
    public static function words(?array $last): ?string
    {
        return $last === null ? null : sprintf('last %s, %s', Writing::load($last['kg']), Writing::day(new DateTimeImmutable($last['on'])));
    }
}
