<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\Eloquent\Collection;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Several questions to the database on one way there and back.
 */
final class Reads
{
    /**
     * @param  array<string, string>  $questions  statements by name; `:name` stands for what is given under that name
     * @param  array<string, int|string>  $given
     * @return array<string, list<stdClass>> rows by the names of the questions
     */
    public static function atOnce(array $questions, array $given): array
    {
        $sets = DB::selectResultSets(implode('; ', $questions), $given);

        return array_combine(array_keys($questions), array_slice($sets, 0, count($questions)));
    }

    /**
     * @template T of Model
     *
     * @param  class-string<T>  $class
     * @param  array<stdClass>  $rows
     * @return Collection<int, T>
     */
    public static function models(string $class, array $rows): Collection
    {
        $attributes = array_map(static fn (stdClass $row): array => (array) $row, array_values($rows));

        return $rows === [] ? new Collection : $class::query()->hydrate($attributes);
    }
}
