<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Client\Goal;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Severity;
use EvenRungs\Core\Time\Weekday;

/**
 * Clients as RFC 4180 CSV, one row each: name, year of birth, goal, minutes on each day, kit and limits. Lists in a cell are parted by
 * semicolons; kit and limits are named as the pages name them, or by their id, a limit with its severity behind a colon.
 */
final class ClientCsv extends CsvReader
{
    public const COLUMNS = ['name', 'born', 'goal', 'mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun', 'kit', 'limits'];

    protected const NEEDED = ['name'];

    private const LONGEST_NAME = 200;

    private const MOST_MINUTES = 180;

    private function __construct(private readonly Library $library)
    {
    }

    /**
     * @return list<array<string, mixed>> even-rungs/client, one a row
     *
     * @throws UnusableInput naming every row and column that cannot be read
     */
    public static function read(string $text, Library $library): array
    {
        $reader = new self($library);
        $clients = [];
        $names = [];
        foreach ($reader->rows($text) as $number => $row) {
            $name = trim($row['name'] ?? '');
            if ($name === '' || mb_strlen($name) > self::LONGEST_NAME) {
                $reader->problem($number, 'name', 'must have 1 to 200 letters');
            } elseif (isset($names[mb_strtolower($name)])) {
                $reader->problem($number, 'name', sprintf('"%s" stands in row %d already', $name, $names[mb_strtolower($name)]));
            }
            $names[mb_strtolower($name)] = $number;
            $clients[] = [
                'format' => 'even-rungs/client',
                'version' => 1,
                'name' => $name,
                ...$reader->born($number, trim($row['born'] ?? '')),
                ...$reader->goal($number, trim($row['goal'] ?? '')),
                'days' => $reader->days($number, $row),
                'equipment' => $reader->named($number, 'kit', $row['kit'] ?? '', array_column($library->equipment, 'name', 'id')),
                'limits' => $reader->limits($number, $row['limits'] ?? ''),
            ];
        }
        $reader->check();

        return $clients;
    }

    /** @return array{born?: int} */
    private function born(int $row, string $cell): array
    {
        if ($cell !== '' && preg_match('/^(19|20)\d\d$/D', $cell) !== 1) {
            $this->problem($row, 'born', sprintf('"%s" is no year of birth; write it as 1979', $cell));
        }

        return $cell === '' ? [] : ['born' => (int) $cell];
    }

    /** @return array{goal?: string} */
    private function goal(int $row, string $cell): array
    {
        if ($cell !== '' && Goal::tryFrom(strtolower($cell)) === null) {
            $goals = implode(', ', array_column(Goal::cases(), 'value'));
            $this->problem($row, 'goal', sprintf('"%s" is no goal; there are: %s', $cell, $goals));
        }

        return $cell === '' ? [] : ['goal' => strtolower($cell)];
    }

    /**
     * @param  array<string, string>  $cells
     * @return array<string, int> minutes by day
     */
    private function days(int $row, array $cells): array
    {
        $days = [];
        foreach (Weekday::cases() as $day) {
            $cell = trim($cells[$day->value] ?? '');
            if ($cell !== '' && (preg_match('/^\d{1,3}$/D', $cell) !== 1 || (int) $cell > self::MOST_MINUTES)) {
                $this->problem($row, $day->value, sprintf('"%s" is no number of minutes from 0 to %d', $cell, self::MOST_MINUTES));
            } elseif ((int) $cell > 0) {
                $days[$day->value] = (int) $cell;
            }
        }

        return $days;
    }

    /**
     * @param  array<string, string>  $known  names by id
     * @return list<string> ids
     */
    private function named(int $row, string $column, string $cell, array $known): array
    {
        $ids = [];
        foreach (array_filter(array_map(trim(...), explode(';', $cell))) as $word) {
            $id = $this->idOf($word, $known);
            if ($id === null) {
                $this->problem($row, $column, sprintf('"%s" is not known; there are: %s', $word, implode(', ', $known)));
            } else {
                $ids[] = $id;
            }
        }

        return array_values(array_unique($ids));
    }

    /** @param  array<string, string>  $known  names by id */
    private function idOf(string $word, array $known): ?string
    {
        $wanted = mb_strtolower($word);
        foreach ($known as $id => $name) {
            if ($wanted === $id || $wanted === mb_strtolower($name)) {
                return $id;
            }
        }

        return null;
    }

    /** @return list<string|array{limit: string, severity: string}> */
    private function limits(int $row, string $cell): array
    {
        $limits = [];
        foreach (array_filter(array_map(trim(...), explode(';', $cell))) as $word) {
            [$name, $severity] = [...array_map(trim(...), explode(':', $word, 2)), ''];
            $found = $this->named($row, 'limits', $name, array_map(static fn ($rule): string => $rule->name, $this->library->limits));
            if ($severity !== '' && Severity::tryFrom(strtolower($severity)) === null) {
                $this->problem($row, 'limits', sprintf('"%s" is none of mild, moderate, severe', $severity));
            }
            foreach ($found as $limit) {
                $limits[] = $severity === '' ? $limit : ['limit' => $limit, 'severity' => strtolower($severity)];
            }
        }

        return $limits;
    }
}
