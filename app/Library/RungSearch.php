<?php

declare(strict_types=1);

namespace App\Library;

use EvenRungs\Core\Body\Limit;
use EvenRungs\Core\Body\Severity;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Ladder\Search;
use EvenRungs\Formats\DataFolder;

/**
 * What a trainer looks for in the library: a name, and what the exercise must be or spare.
 */
final class RungSearch
{
    public function __construct(private readonly DataFolder $data)
    {
    }

    /**
     * @param  array<string, string>  $wanted  q, direction, least, most, position, kit, spare, intent; kit is a list of all that is to hand, "none" for none
     * @return list<Rung>
     */
    public function find(array $wanted): array
    {
        $library = $this->data->library();
        $tests = array_filter([
            self::tell($wanted, 'direction', static fn (string $code): callable => static fn (Rung $rung): bool => $rung->category->value === $code),
            self::tell($wanted, 'least', static fn (string $level): callable => static fn (Rung $rung): bool => $rung->level->value >= (int) $level),
            self::tell($wanted, 'most', static fn (string $level): callable => static fn (Rung $rung): bool => $rung->level->value <= (int) $level),
            self::tell($wanted, 'position', static fn (string $position): callable => static fn (Rung $rung): bool => $rung->position->value === $position),
            self::tell($wanted, 'kit', static fn (string $kit): callable => static fn (Rung $rung): bool => array_diff($rung->equipment, explode(',', $kit)) === []),
            self::tell($wanted, 'spare', static fn (string $limits): callable => self::sparing(explode(',', $limits), $library)),
            self::tell($wanted, 'intent', fn (string $id): callable => $this->suiting($id)),
        ]);

        return array_values(array_filter((new Search($library))->find($wanted['q'] ?? ''), static function (Rung $rung) use ($tests): bool {
            foreach ($tests as $test) {
                if (! $test($rung)) {
                    return false;
                }
            }

            return true;
        }));
    }

    /**
     * @param  array<string, string>  $wanted
     * @param  callable(string): (callable(Rung): bool)  $test
     * @return (callable(Rung): bool)|null
     */
    private static function tell(array $wanted, string $key, callable $test): ?callable
    {
        $value = $wanted[$key] ?? '';

        return $value === '' ? null : $test($value);
    }

    /**
     * @param  list<string>  $ids  limits, taken as moderate
     * @return callable(Rung): bool
     */
    private static function sparing(array $ids, Library $library): callable
    {
        $limits = array_map(static fn (string $id): Limit => new Limit($library->limits[$id], Severity::Moderate), array_values(array_filter($ids, static fn (string $id): bool => isset($library->limits[$id]))));

        return static function (Rung $rung) use ($limits): bool {
            foreach ($limits as $limit) {
                if ($limit->bars($rung) !== []) {
                    return false;
                }
            }

            return true;
        };
    }

    /** @return callable(Rung): bool */
    private function suiting(string $id): callable
    {
        foreach ($this->data->intents() as $intent) {
            if ($intent->id === $id) {
                return $intent->suits(...);
            }
        }

        return static fn (Rung $rung): bool => false;
    }
}
