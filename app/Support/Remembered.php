<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Client;
use Closure;

/**
 * What was found within one request is not looked for again, until something is written or waited for.
 */
final class Remembered
{
    /** @var array<mixed> */
    private array $kept = [];

    /**
     * @template T
     *
     * @param  Closure(): T  $find
     * @return T
     */
    public function once(string $what, Closure $find): mixed
    {
        if (! array_key_exists($what, $this->kept)) {
            $found = $find();
            $this->kept[$what] = $found;

            return $found;
        }

        return $this->kept[$what];
    }

    /**
     * What is found of a client as their record says now, saved or not, and on this day.
     *
     * @template T
     *
     * @param  Closure(): T  $find
     * @return T
     */
    public function ofClient(Client $client, string $what, Closure $find): mixed
    {
        $of = md5(serialize($client->getAttributes()));

        return $this->once($what.' '.$of.' '.StudioDay::today()->toDateString(), $find);
    }

    public function forget(): void
    {
        $this->kept = [];
    }

    /** Whether a statement leaves everything as it is and waits for nobody. */
    public static function isReading(string $statement): bool
    {
        return stripos($statement, 'select') === 0 && stripos($statement, 'for update') === false;
    }
}
