<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Dose\Bounds;
use EvenRungs\Core\Dose\Distance;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Hold;
use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Dose\Measure;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Tempo;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Program\Block;
use EvenRungs\Core\Program\Change;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\RestBlock;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\StraightBlock;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Time\Weekday;

/**
 * A program as RFC 4180 CSV: one row an entry, block- and session-wide cells read from the first row of each.
 */
final class ProgramCsv extends CsvReader
{
    public const COLUMNS = [
        'week', 'day', 'kind', 'block', 'block_type', 'rounds', 'exercise', 'sets', 'reps', 'hold_s', 'intervals',
        'work_s', 'distance_m', 'pace_m_s', 'tempo', 'side', 'rest_s', 'range', 'range_cm', 'load_kg', 'note',
        'round_rest_s', 'rest_after_s', 'side_s', 'station_s', 'warm_up_s', 'cool_down_s', 'claimed_min',
    ];

    protected const NEEDED = ['day', 'exercise'];

    private const LONGEST_NAME = 200;

    private const MEASURES = ['reps', 'intervals', 'work_s', 'distance_m', 'hold_s'];

    private function __construct()
    {
    }

    /**
     * @throws UnusableInput naming every row and column that cannot be read
     */
    public static function read(string $text): Program
    {
        $reader = new self;
        $program = $reader->program($reader->rows($text));
        $reader->check();

        return $program;
    }

    /** @param  array<int, array<string, string>>  $rows */
    private function program(array $rows): Program
    {
        /** @var array<int, array<string, array<string, list<int>>>> $tree row numbers by week, session and block */
        $tree = [];
        $kinds = $blocks = [];
        foreach ($rows as $number => $row) {
            $week = $this->whole($number, $row, 'week', null, [1, 520]) ?? 1;
            $day = $this->oneOf($number, $row, 'day', array_column(Weekday::cases(), 'value'));
            if (! isset($row['day'])) {
                $this->problem($number, 'day', 'is needed');
            }
            $kind = $this->oneOf(
                $number,
                $row,
                'kind',
                array_column(Kind::cases(), 'value'),
            ) ?? $kinds[$week.' '.$day] ?? Kind::Standalone->value;
            $kinds[$week.' '.$day] = $kind;
            $session = $day.' '.$kind;
            $block = $row['block'] ?? $blocks[$week.' '.$session] ?? '1';
            $blocks[$week.' '.$session] = $block;
            $tree[$week][$session]['='.$block][] = $number;
        }
        ksort($tree);
        $weeks = [];
        foreach ($tree as $week => $sessions) {
            $read = [];
            foreach ($sessions as $session) {
                $read[] = $this->session(array_values($session), $rows);
            }
            $weeks[] = new Week($week, [], array_values(array_filter($read)));
        }

        return new Program($weeks);
    }

    /**
     * @param  list<list<int>>  $blocks  row numbers of each block
     * @param  array<int, array<string, string>>  $rows
     * @return ?Session null where it cannot be read
     */
    private function session(array $blocks, array $rows): ?Session
    {
        $number = $blocks[0][0];
        $row = $rows[$number];
        $seconds = fn (string $column, Bounds $bounds): Seconds => Seconds::of($this->number($number, $row, $column, $bounds) ?? 0);
        $claimed = $this->number($number, $row, 'claimed_min', null, [0, 1440]);
        $change = new Change($seconds('side_s', Bounds::Change), $seconds('station_s', Bounds::Change));
        $warmUp = $seconds('warm_up_s', Bounds::WarmUp);
        $coolDown = $seconds('cool_down_s', Bounds::WarmUp);
        $read = array_map(fn (array $numbers): ?Block => $this->block($numbers, $rows), $blocks);
        $day = Weekday::tryFrom(strtolower($row['day'] ?? ''));
        if ($day === null || in_array(null, $read, true)) {
            return null;
        }
        try {
            return new Session(
                $day,
                Kind::tryFrom(strtolower($row['kind'] ?? '')) ?? Kind::Standalone,
                array_values($read),
                $warmUp,
                $coolDown,
                $change,
                $claimed === null ? null : Seconds::of(60 * $claimed),
            );
        } catch (InvalidValue $e) {
            $this->problem($number, 'block', $e->sentence);

            return null;
        }
    }

    /**
     * @param  list<int>  $numbers  rows of the block
     * @param  array<int, array<string, string>>  $rows
     * @return ?Block null where it cannot be read
     */
    private function block(array $numbers, array $rows): ?Block
    {
        $number = $numbers[0];
        $row = $rows[$number];
        $type = $this->oneOf($number, $row, 'block_type', ['straight', 'circuit', 'rest'])
            ?? (isset($row['rounds']) ? 'circuit' : (isset($row['exercise']) ? 'straight' : 'rest'));
        $seconds = fn (string $column): Seconds => Seconds::of($this->number($number, $row, $column, Bounds::Rest) ?? 0);
        $after = $seconds('rest_after_s');
        if ($type === 'rest') {
            foreach ($numbers as $each) {
                if (isset($rows[$each]['exercise'])) {
                    $this->problem($each, 'exercise', 'a rest block has none');
                }
            }

            return new RestBlock($seconds('rest_s'), $after);
        }
        $rounds = $this->whole($number, $row, 'rounds', Bounds::Rounds) ?? 1;
        $entries = array_map(fn (int $each): ?Entry => $this->entry($each, $rows[$each], $type === 'circuit'), $numbers);
        if (in_array(null, $entries, true)) {
            return null;
        }
        try {
            $entries = array_values($entries);

            return $type === 'circuit' ? new CircuitBlock(
                $entries,
                $rounds,
                $seconds('round_rest_s'),
                $after,
            ) : new StraightBlock($entries, $after);
        } catch (InvalidValue $e) {
            $this->problem($number, 'block', $e->sentence);

            return null;
        }
    }

    /**
     * @param  array<string, string>  $row
     * @return ?Entry null where it cannot be read
     */
    private function entry(int $number, array $row, bool $inCircuit): ?Entry
    {
        $before = count($this->problems);
        if (! isset($row['exercise'])) {
            $this->problem($number, 'exercise', 'is needed; only a rest block has none');
        } elseif (mb_strlen($row['exercise']) > self::LONGEST_NAME) {
            $this->problem($number, 'exercise', sprintf('must have at most %d characters', self::LONGEST_NAME));
        }
        $measure = $this->measure($number, $row);
        $sets = $this->whole($number, $row, 'sets', Bounds::Sets) ?? 1;
        if ($inCircuit && $sets !== 1) {
            $this->problem($number, 'sets', 'must be 1 or empty: a circuit counts rounds');
        }
        $side = $this->oneOf($number, $row, 'side', array_column(Side::cases(), 'value'));
        if ($side === Side::Alternate->value && $measure !== null && ! $measure instanceof Reps && ! $measure instanceof Work) {
            $this->problem($number, 'side', 'alternate goes only with reps or work_s; write each instead');
        }
        $rest = $this->number($number, $row, 'rest_s', Bounds::Rest);
        $load = $this->number($number, $row, 'load_kg', Bounds::Load);
        $share = $this->number($number, $row, 'range', Bounds::Range);
        $cm = $this->number($number, $row, 'range_cm', Bounds::RangeCm);
        if ($share !== null && $cm !== null) {
            $this->problem($number, 'range_cm', 'is a second range beside range; one of them counts');
        }
        $range = $cm === null ? ($share === null ? null : Range::share($share)) : Range::cm($cm);
        if ($measure === null || count($this->problems) > $before) {
            return null;
        }

        return new Entry(
            $row['exercise'] ?? '',
            new Dose($measure, $sets, $side === null ? null : Side::from($side), $rest === null ? null : Seconds::of($rest), $load, $range),
            $row['note'] ?? null,
        );
    }

    /** @param  array<string, string>  $row */
    private function measure(int $number, array $row): ?Measure
    {
        $given = array_values(array_intersect(self::MEASURES, array_keys($row)));
        if ($given === []) {
            $this->problem($number, 'reps', 'a measure is needed: '.implode(', ', self::MEASURES));

            return null;
        }
        $before = count($this->problems);
        $main = $given[0];
        foreach (array_slice($given, 1) as $second) {
            if ($main !== 'reps' || $second !== 'hold_s') {
                $this->problem($number, $second, 'is a second measure beside '.$main);
            }
        }
        if (isset($row['tempo']) && $main !== 'reps') {
            $this->problem($number, 'tempo', 'goes only with reps');
        }
        if (isset($row['pace_m_s']) && $main !== 'distance_m') {
            $this->problem($number, 'pace_m_s', 'goes only with distance_m');
        }
        $count = $this->whole($number, $row, 'reps', Bounds::Reps);
        $hold = $this->number($number, $row, 'hold_s', Bounds::Hold);
        $work = $this->number($number, $row, 'work_s', Bounds::Work);
        $metres = $this->number($number, $row, 'distance_m', Bounds::Distance);
        $pace = $this->number($number, $row, 'pace_m_s', Bounds::Pace);
        $tempo = $this->parsed($number, $row, 'tempo', Tempo::parse(...));
        $intervals = $this->parsed($number, $row, 'intervals', Intervals::parse(...));
        if (count($this->problems) > $before) {
            return null;
        }

        return match (true) {
            $count !== null => new Reps($count, $tempo, $hold === null ? null : Seconds::of($hold)),
            $intervals !== null => $intervals,
            $work !== null => new Work(Seconds::of($work)),
            $metres !== null => new Distance($metres, $pace),
            $hold !== null => new Hold(Seconds::of($hold)),
            default => null,
        };
    }

    /**
     * What a cell says in the shorthand of core.
     *
     * @template Value of object
     *
     * @param  array<string, string>  $row
     * @param  callable(string): Value  $parse
     * @return ?Value
     */
    private function parsed(int $number, array $row, string $column, callable $parse): ?object
    {
        try {
            return isset($row[$column]) ? $parse($row[$column]) : null;
        } catch (InvalidValue $e) {
            $this->problem($number, $column, $e->sentence);

            return null;
        }
    }
}
