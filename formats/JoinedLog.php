<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

/**
 * Two logs of one planned session, written in two places, as one: what only one says is taken from it, what both say alike is said once,
 * and where they differ nobody decides but the trainer. Which of the two is named first makes no difference.
 */
final class JoinedLog
{
    /** What a log has of its own, and says nothing of the session. */
    private const OWN = ['key', 'warned', 'ran_s', 'device_time', 'revision', 'open', 'over'];

    /**
     * @param  array<mixed>|null  $log  null where they differ
     * @param  list<string>  $differences  in words
     */
    private function __construct(public readonly ?array $log, public readonly array $differences)
    {
    }

    /**
     * @param  array<mixed>  $a  as the API takes a log
     * @param  array<mixed>  $b
     */
    public static function of(array $a, array $b): self
    {
        [$a, $b] = [array_diff_key($a, array_flip(self::OWN)), array_diff_key($b, array_flip(self::OWN))];
        $differences = [];
        $joined = self::parts(
            array_diff_key($a, ['sets' => 0, 'ticks' => 0]),
            array_diff_key($b, ['sets' => 0, 'ticks' => 0]),
            '',
            $differences,
        );
        $ticks = self::parts(self::sorted($a['ticks'] ?? []), self::sorted($b['ticks'] ?? []), 'ticks of ', $differences);
        [$mine, $theirs] = [self::bySet($a), self::bySet($b)];
        $sets = [];
        foreach (self::order($mine, $theirs) as $name) {
            if (isset($mine[$name], $theirs[$name])) {
                $sets[] = self::parts($mine[$name], $theirs[$name], str_replace('/', ', ', $name).': ', $differences);
            } else {
                $sets[] = $mine[$name] ?? $theirs[$name] ?? [];
            }
        }
        sort($differences);

        return $differences === [] ? new self(
            [...$joined, ...($ticks === [] ? [] : ['ticks' => $ticks]), 'sets' => $sets],
            [],
        ) : new self(null, $differences);
    }

    /**
     * @param  array<mixed>  $a
     * @param  array<mixed>  $b
     * @param  list<string>  $differences  what differs is added
     * @return array<mixed>
     */
    private static function parts(array $a, array $b, string $of, array &$differences): array
    {
        $joined = $a + $b;
        ksort($joined);
        foreach (array_keys(array_intersect_key($a, $b)) as $name) {
            if (self::said($a[$name]) !== self::said($b[$name])) {
                $both = [self::said($a[$name]), self::said($b[$name])];
                sort($both);
                $differences[] = sprintf('%s%s %s or %s', $of, str_replace('_', ' ', (string) $name), ...$both);
            } elseif (serialize($b[$name]) < serialize($a[$name])) {
                // said alike and written otherwise, such as 8 and 8.0
                $joined[$name] = $b[$name];
            }
        }

        return $joined;
    }

    private static function said(mixed $value): string
    {
        return match (true) {
            is_array($value) => $value === [] ? 'none' : implode(' and ', array_map(self::said(...), self::sorted($value))),
            is_bool($value) => $value ? 'yes' : 'no',
            is_float($value), is_int($value) => rtrim(rtrim(sprintf('%.3F', $value), '0'), '.'),
            default => is_scalar($value) ? (string) $value : (string) json_encode($value),
        };
    }

    /**
     * @return array<mixed>
     */
    private static function sorted(mixed $value): array
    {
        $all = is_object($value) ? get_object_vars($value) : (is_array($value) ? $value : []);
        array_is_list($all) ? sort($all) : ksort($all);

        return $all;
    }

    /**
     * @param  array<mixed>  $log
     * @return array<string, array<mixed>> the sets by exercise, side and how many of them came before
     */
    private static function bySet(array $log): array
    {
        $sets = [];
        $count = [];
        foreach (is_array($log['sets'] ?? null) ? $log['sets'] : [] as $set) {
            $set = is_object($set) ? get_object_vars($set) : (is_array($set) ? $set : []);
            $of = sprintf(
                '%s/%s',
                is_string($set['rung'] ?? null) ? $set['rung'] : '',
                is_string($set['side'] ?? null) ? $set['side'] : 'both',
            );
            $count[$of] = ($count[$of] ?? 0) + 1;
            $sets[sprintf('%s/set %d', $of, $count[$of])] = $set;
        }

        return $sets;
    }

    /**
     * @param  array<string, array<mixed>>  $a
     * @param  array<string, array<mixed>>  $b
     * @return list<string> every set once: in the order of the log that has more, the others behind
     */
    private static function order(array $a, array $b): array
    {
        $names = [array_keys($a), array_keys($b)];
        usort($names, static fn (array $x, array $y): int => [count($y), $x] <=> [count($x), $y]);

        return array_values(array_unique([...$names[0], ...$names[1]]));
    }
}
