<?php

declare(strict_types=1);

namespace App\Library;

use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Position;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Ladder\Search;
use EvenRungs\Formats\Problem;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * What a trainer looks for in the library: a name, and what the exercise must be or spare.
 */
final class RungSearch
{
    public function __construct(private readonly DataFolder $data)
    {
    }

    /**
     * @param  array<string, string>  $wanted  q, direction, least, most, position, kit, spare, intent; kit is a list of all that is to
     *                                         hand, "none" for none
     * @return list<Rung>
     *
     * @throws UnusableInput when a wish names what there is not: passed over, it would look as if it were kept
     */
    public function find(array $wanted): array
    {
        $library = $this->data->library();
        $this->check($wanted, $library);
        $tests = array_filter([
            self::tell(
                $wanted,
                'direction',
                static fn (string $code): callable => static fn (Rung $rung): bool => $rung->category->value === $code,
            ),
            self::tell(
                $wanted,
                'least',
                static fn (string $level): callable => static fn (Rung $rung): bool => $rung->level->value >= (int) $level,
            ),
            self::tell(
                $wanted,
                'most',
                static fn (string $level): callable => static fn (Rung $rung): bool => $rung->level->value <= (int) $level,
            ),
            self::tell(
                $wanted,
                'position',
                static fn (string $position): callable => static fn (Rung $rung): bool => $rung->position->value === $position,
            ),
            self::tell(
                $wanted,
                'kit',
                static fn (string $kit): callable => static fn (Rung $rung): bool => array_diff(
                    $rung->equipment,
                    explode(',', $kit),
                ) === [],
            ),
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

    /** @param  array<string, string>  $wanted */
    private function check(array $wanted, Library $library): void
    {
        $levels = array_map(strval(...), range(Level::LEAST, Level::MOST));
        $known = [
            'direction' => array_column(Category::cases(), 'value'),
            'least' => $levels,
            'most' => $levels,
            'position' => array_column(Position::cases(), 'value'),
            'kit' => ['none', ...array_keys($library->equipment)],
            'spare' => array_keys($library->limits),
            'intent' => array_column($this->data->intents(), 'id'),
        ];
        $problems = [];
        foreach ($known as $key => $values) {
            $value = $wanted[$key] ?? '';
            $parts = in_array($key, ['kit', 'spare'], true) ? explode(',', $value) : [$value];
            foreach ($value === '' ? [] : array_diff($parts, $values) as $part) {
                $problems[] = new Problem('/'.$key, sprintf('"%s" is none of %s', mb_substr($part, 0, 60), implode(', ', $values)));
            }
        }
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }
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
        $limits = array_map(static fn (string $id): Limit => new Limit($library->limits[$id]), $ids);

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
