<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Dose\Bounds;

/**
 * Logged sessions as RFC 4180 CSV: one row a set and side, session-wide cells read from the first row of each log. `log` names
 * the session a row belongs to; rows of one day without it are one session. Lists in a cell are parted by blanks.
 */
final class LogCsv extends CsvReader
{
    public const COLUMNS = [
        'date', 'log', 'soreness', 'pain_before', 'pain_next_day', 'session_effort', 'minutes',
        'exercise', 'side', 'target', 'done', 'unit', 'faults', 'cued', 'ended_by',
        'pain', 'pain_kind', 'effort', 'breathing', 'felt', 'range', 'load_kg', 'band', 'talked', 'shaking',
    ];

    protected const NEEDED = ['date', 'exercise', 'target', 'done'];

    private const SCALES = [
        'soreness' => 'soreness',
        'pain_before' => 'pain_before',
        'pain_next_day' => 'pain_next_day',
        'session_effort' => 'effort',
    ];

    /** Where something may be felt. */
    private const PLACES = ['low-back', 'hamstrings', 'neck', 'shoulder', 'hip-front', 'wrist', 'knee', 'as-expected'];

    private const BAND_LENGTH = 40;

    private function __construct()
    {
    }

    /**
     * @param  callable(string): ?string  $rungOf  the rung that an exercise means
     * @return list<array<string, mixed>> logs as the API takes them, each with a key; the same file gives the same keys
     *
     * @throws UnusableInput naming every row and column that cannot be read
     */
    public static function read(string $text, callable $rungOf): array
    {
        $reader = new self;
        $logs = [];
        $sets = [];
        foreach ($reader->rows($text) as $number => $row) {
            $on = $row['date'] ?? '';
            if (
                preg_match('/^(\d{4})-(\d{2})-(\d{2})$/', $on, $parts) !== 1
                || ! checkdate((int) $parts[2], (int) $parts[3], (int) $parts[1])
            ) {
                $reader->problem($number, 'date', sprintf('"%s" is not a day written YYYY-MM-DD', mb_substr($on, 0, 40)));
            }
            $log = $row['log'] ?? '';
            $id = $on.' '.$log;
            $set = $reader->set($number, $row, $rungOf);
            $logs[$id] ??= [
                'key' => preg_match('/^[\w-]{8,64}$/', $log) === 1 ? $log : 'csv-'.substr(hash('sha256', $id.' '.$text), 0, 40),
                'on' => $on,
                ...$reader->session($number, $row),
            ];
            $sets[$id][] = $set;
        }
        $reader->check();

        return array_map(static fn (string $id): array => [...$logs[$id], 'sets' => $sets[$id]], array_keys($logs));
    }

    /**
     * @param  array<string, string>  $row
     * @return array<string, int>
     */
    private function session(int $number, array $row): array
    {
        $session = [];
        foreach (self::SCALES as $column => $field) {
            $session[$field] = $this->whole($number, $row, $column, null, [0, 10]);
        }
        $session['minutes'] = $this->whole($number, $row, 'minutes', null, [1, 300]);

        return array_filter($session, static fn (?int $value): bool => $value !== null);
    }

    /**
     * @param  array<string, string>  $row
     * @param  callable(string): ?string  $rungOf
     * @return array<string, mixed>
     */
    private function set(int $number, array $row, callable $rungOf): array
    {
        $rung = $rungOf($row['exercise'] ?? '');
        if ($rung === null) {
            $this->problem($number, 'exercise', sprintf('"%s" is not in the library', mb_substr($row['exercise'] ?? '', 0, 60)));
        }
        $set = [
            'rung' => $rung,
            'side' => $this->oneOf($number, $row, 'side', ['left', 'right', 'both']),
            'target' => $this->number($number, $row, 'target', null, [1, 5000]),
            'done' => $this->number($number, $row, 'done', null, [0, 5000]),
            'ended_by' => $row['ended_by'] ?? null,
            'pain' => $this->whole($number, $row, 'pain', null, [0, 10]),
            'pain_kind' => $this->oneOf($number, $row, 'pain_kind', ['ordinary', 'familiar', 'sharp', 'spreading', 'numb', 'giving-way']),
            'effort' => $this->whole($number, $row, 'effort', null, [0, 10]),
            'range' => $this->number($number, $row, 'range', Bounds::Range),
            'load_kg' => $this->number($number, $row, 'load_kg', Bounds::Load),
            'band' => $row['band'] ?? null,
        ];
        if (mb_strlen($set['band'] ?? '') > self::BAND_LENGTH) {
            $this->problem($number, 'band', sprintf('is longer than %d characters', self::BAND_LENGTH));
        }
        foreach (['target', 'done'] as $needed) {
            if (! isset($row[$needed])) {
                $this->problem($number, $needed, 'is needed');
            }
        }
        foreach (['faults', 'cued', 'felt'] as $list) {
            $set[$list] = ! isset($row[$list]) ? null : (
                $row[$list] === 'none' ? [] : explode(' ', (string) preg_replace('/\s+/', ' ', $row[$list]))
            );
        }
        foreach (array_diff($set['felt'] ?? [], self::PLACES) as $place) {
            $this->problem($number, 'felt', sprintf('"%s" is none of %s', mb_substr($place, 0, 40), implode(', ', self::PLACES)));
        }
        foreach (['breathing', 'talked', 'shaking'] as $flag) {
            $answer = $this->oneOf($number, $row, $flag, ['yes', 'no']);
            $set[$flag] = $answer === null ? null : $answer === 'yes';
        }

        return array_filter($set, static fn (mixed $value): bool => $value !== null);
    }

    /**
     * @param  list<Node>  $logs  as the API gives them
     * @param  callable(string): string  $unitOf  `reps`, `s` or `m` of a rung
     */
    public static function write(array $logs, callable $unitOf): string
    {
        $rows = [];
        foreach ($logs as $log) {
            $first = ['minutes' => $log->optionalInt('minutes')];
            foreach (self::SCALES as $column => $field) {
                $first[$column] = $log->optionalInt($field);
            }
            foreach ($log->each('sets', self::setRow(...)) as $row) {
                $rows[] = [
                    'date' => $log->string('on'),
                    'log' => $log->string('key'),
                    ...$first,
                    ...$row,
                    'unit' => $unitOf((string) $row['exercise']),
                ];
                $first = [];
            }
        }

        return self::table($rows);
    }

    /** @return array<string, string|int|float|null> */
    private static function setRow(Node $set): array
    {
        $row = ['exercise' => $set->string('rung')];
        foreach ($set->all() as $name => $value) {
            $row[(string) $name] = match (true) {
                is_bool($value) => $value ? 'yes' : 'no',
                is_array($value) => $value === [] ? 'none' : implode(' ', $set->strings((string) $name)),
                is_string($value), is_int($value), is_float($value) => $value,
                default => null,
            };
        }

        return $row;
    }
}
