<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

/**
 * Writes logged sessions as the CSV that LogCsv reads back.
 */
final class LogCsvWriter
{
    /**
     * @param  list<Node>  $logs  as the API gives them
     * @param  callable(string): string  $unitOf  `reps`, `s` or `m` of a rung
     */
    public static function write(array $logs, callable $unitOf): string
    {
        $rows = [];
        foreach ($logs as $log) {
            $first = self::sessionRow($log);
            $of = ['date' => $log->string('on'), 'log' => $log->string('key')];
            $sets = $log->each('sets', self::setRow(...));
            foreach ($sets as $row) {
                $rows[] = [...$of, ...$first, ...$row, 'unit' => $unitOf((string) $row['exercise'])];
                $first = [];
            }
            $sets === [] && $rows[] = [...$of, ...$first];
        }

        return LogCsv::table($rows);
    }

    /** @return array<string, string|int|null> */
    private static function sessionRow(Node $log): array
    {
        $row = ['minutes' => $log->optionalInt('minutes')];
        foreach (LogCsv::SCALES as $column => $field) {
            $row[$column] = $log->optionalInt($field);
        }
        $ticks = $log->optionalChild('ticks');
        $ticked = array_map(
            static fn (string $ladder): string => $ladder.':'.implode('+', $ticks?->strings($ladder) ?? []),
            $ticks?->keys() ?? [],
        );

        return [
            ...$row,
            'checked' => $log->isFalse('checked') ? 'no' : null,
            'session_pain_kind' => $log->optionalString('pain_kind'),
            'signs' => $log->has('signs') ? self::cellOf($log->strings('signs')) : null,
            'ended' => $log->optionalString('ended'),
            'planned' => $log->optionalString('planned'),
            'ticks' => $ticks === null ? null : self::cellOf($ticked),
        ];
    }

    /** @param  list<string>  $list */
    private static function cellOf(array $list): string
    {
        return $list === [] ? 'none' : implode(' ', $list);
    }

    /** @return array<string, string|int|float|null> */
    private static function setRow(Node $set): array
    {
        $row = ['exercise' => $set->string('rung')];
        foreach ($set->all() as $name => $value) {
            $row[(string) $name] = match (true) {
                is_bool($value) => $value ? 'yes' : 'no',
                is_array($value) => self::cellOf($set->strings((string) $name)),
                is_string($value), is_int($value), is_float($value) => $value,
                default => null,
            };
        }

        return $row;
    }
}
