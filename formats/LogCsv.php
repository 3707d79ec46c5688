<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Dose\Bounds;
use EvenRungs\Core\Ladder\Sign;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\PainKind;

/**
 * Logged sessions as RFC 4180 CSV: one row a set and side, session-wide cells read from the first row of each log. `log` names
 * the session a row belongs to; rows of one day without it are one session. A row without an exercise is of a session in which no set was
 * begun. Lists in a cell are parted by blanks; ticks stand as ladder:tick+tick.
 */
final class LogCsv extends CsvReader
{
    public const COLUMNS = [
        'date', 'log', 'soreness', 'pain_before', 'pain_next_day', 'session_effort', 'minutes',
        'exercise', 'side', 'target', 'done', 'unit', 'faults', 'cued', 'ended_by', 'seen_by',
        'pain', 'pain_kind', 'effort', 'breathing', 'felt', 'range', 'load_kg', 'band', 'talked', 'shaking',
        'target_range', 'range_cm', 'target_range_cm', 'target_hold_s', 'hold_s', 'timed', 'open', 'left',
        'checked', 'session_pain_kind', 'readiness', 'signs', 'ended', 'planned', 'ticks',
    ];

    protected const NEEDED = ['date', 'exercise', 'target', 'done'];

    public const SCALES = [
        'soreness' => 'soreness',
        'pain_before' => 'pain_before',
        'pain_next_day' => 'pain_next_day',
        'session_effort' => 'effort',
        'readiness' => 'readiness',
    ];

    private const ENDINGS = ['time', 'tired', 'pain', 'client'];

    /** Of a set, yes or no. */
    private const FLAGS = ['breathing', 'talked', 'shaking', 'timed', 'open', 'left'];

    /** Of a set, with the least and the most. */
    private const AMOUNTS = [
        'range_cm' => [0, 300],
        'target_range_cm' => [1, 300],
        'target_hold_s' => [1, 3600],
        'hold_s' => [0, 3600],
    ];

    /** Without any of these a row is of a session in which no set was begun. */
    private const OF_SET = ['exercise' => 1, 'target' => 1, 'done' => 1];

    private const MOST_PLANNED = 80;

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
            $set = array_intersect_key($row, self::OF_SET) !== [] ? $reader->set($number, $row, $rungOf) : null;
            $sets[$id] ??= [];
            $logs[$id] ??= [
                'key' => preg_match('/^[\w-]{8,64}$/', $log) === 1 ? $log : 'csv-'.substr(hash('sha256', $id.' '.$text), 0, 40),
                'on' => $on,
                ...$reader->session($number, $row),
            ];
            $sets[$id] = $set === null ? $sets[$id] : [...$sets[$id], $set];
        }
        $reader->check();

        return array_map(static fn (string $id): array => [...$logs[$id], 'sets' => $sets[$id]], array_keys($logs));
    }

    /**
     * @param  array<string, string>  $row
     * @return array<string, mixed>
     */
    private function session(int $number, array $row): array
    {
        $session = [];
        foreach (self::SCALES as $column => $field) {
            $session[$field] = $this->whole($number, $row, $column, null, [0, 10]);
        }
        $session['minutes'] = $this->whole($number, $row, 'minutes', null, [1, 300]);
        $session['pain_kind'] = $this->oneOf($number, $row, 'session_pain_kind', array_column(PainKind::cases(), 'value'));
        $session['ended'] = $this->oneOf($number, $row, 'ended', self::ENDINGS);
        $session['checked'] = $this->oneOf($number, $row, 'checked', ['yes', 'no']) === 'no' ? false : null;
        $session['signs'] = $this->list($number, $row, 'signs', array_column(Sign::cases(), 'value'));
        $session['ticks'] = isset($row['ticks']) ? $this->ticks($number, $row) : null;
        $session['planned'] = $row['planned'] ?? null;
        if (mb_strlen($session['planned'] ?? '') > self::MOST_PLANNED) {
            $this->problem($number, 'planned', sprintf('is longer than %d characters', self::MOST_PLANNED));
        }

        return array_filter($session, static fn (mixed $value): bool => $value !== null);
    }

    /**
     * @param  array<string, string>  $row
     * @return array<string, list<string>> by ladder
     */
    private function ticks(int $number, array $row): array
    {
        $ticks = [];
        foreach ($row['ticks'] === 'none' ? [] : explode(' ', (string) preg_replace('/\s+/', ' ', $row['ticks'])) as $part) {
            [$ladder, $ticked] = [...explode(':', $part, 2), ''];
            $ticks[$ladder] = $ticked === '' ? [] : explode('+', $ticked);
            foreach (array_diff($ticks[$ladder], array_keys(LoggedSession::TICKS)) as $unknown) {
                $this->problem($number, 'ticks', sprintf('"%s" is no tick', mb_substr($unknown, 0, 40)));
            }
        }

        return $ticks;
    }

    /**
     * @param  array<string, string>  $row
     * @param  list<string>|null  $known  what may stand in it
     * @return list<string>|null null where the cell is empty
     */
    private function list(int $number, array $row, string $column, ?array $known): ?array
    {
        if (! isset($row[$column])) {
            return null;
        }
        $list = $row[$column] === 'none' ? [] : explode(' ', (string) preg_replace('/\s+/', ' ', $row[$column]));
        foreach ($known === null ? [] : array_diff($list, $known) as $other) {
            $this->problem($number, $column, sprintf('"%s" is none of %s', mb_substr($other, 0, 40), implode(', ', $known ?? [])));
        }

        return $list;
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
            'seen_by' => $this->oneOf($number, $row, 'seen_by', ['camera', 'cuff']),
            'pain' => $this->whole($number, $row, 'pain', null, [0, 10]),
            'pain_kind' => $this->oneOf($number, $row, 'pain_kind', array_column(PainKind::cases(), 'value')),
            'effort' => $this->whole($number, $row, 'effort', null, [0, 10]),
            'range' => $this->number($number, $row, 'range', Bounds::Range),
            'target_range' => $this->number($number, $row, 'target_range', Bounds::Range),
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
        foreach (['faults' => null, 'cued' => null, 'felt' => self::PLACES] as $list => $known) {
            $set[$list] = $this->list($number, $row, $list, $known);
        }
        foreach (self::FLAGS as $flag) {
            $answer = $this->oneOf($number, $row, $flag, ['yes', 'no']);
            $set[$flag] = $answer === null ? null : $answer === 'yes';
        }
        foreach (self::AMOUNTS as $amount => $between) {
            $set[$amount] = $this->number($number, $row, $amount, null, $between);
        }

        return array_filter($set, static fn (mixed $value): bool => $value !== null);
    }
}
