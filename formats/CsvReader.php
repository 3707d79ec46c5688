<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Dose\Bounds;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\OutOfRange;

/**
 * Tables as RFC 4180 CSV with a header row and columns in any order; an empty cell or missing column is "not given". Every
 * problem is named by row and column, all at once.
 */
abstract class CsvReader
{
    /** @var list<string> */
    public const COLUMNS = [];

    /** @var list<string> columns that must be there */
    protected const NEEDED = [];

    private const MOST_ROWS = 50_000;

    /** @var list<Problem> */
    protected array $problems = [];

    /** @throws UnusableInput with every problem found so far, in the order of the rows */
    protected function check(): void
    {
        if ($this->problems !== []) {
            usort($this->problems, static fn (Problem $a, Problem $b): int => (int) substr($a->path, 4) <=> (int) substr($b->path, 4));
            throw new UnusableInput($this->problems);
        }
    }

    protected function problem(int $row, string $column, string $message): void
    {
        $this->problems[] = new Problem(sprintf('row %d, column %s', $row, $column), $message);
    }

    /** @return array<int, array<string, string>> cells that are given, by row number and column; the header is row 1 */
    protected function rows(string $text): array
    {
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw UnusableInput::at('row 1', 'the text is not UTF-8');
        }
        $text = str_starts_with($text, "\u{FEFF}") ? substr($text, 3) : $text;
        $stream = fopen('php://temp', 'r+');
        if ($stream === false) {
            throw UnusableInput::at('row 1', 'cannot be read');
        }
        fwrite($stream, $text);
        rewind($stream);
        $header = null;
        $rows = [];
        $number = 0;
        while (($cells = fgetcsv($stream, null, ',', '"', '')) !== false) {
            $number++;
            if ($cells === [null]) {
                continue;
            }
            if ($header === null) {
                $header = $this->header(array_map(strval(...), $cells));

                continue;
            }
            if ($number > self::MOST_ROWS) {
                throw UnusableInput::at(
                    'row '.$number,
                    sprintf('is one row too many; at most %s are read', number_format(self::MOST_ROWS)),
                );
            }
            if (count($cells) > count($header)) {
                $this->problems[] = new Problem('row '.$number, sprintf('has %d cells, the header %d', count($cells), count($header)));
            }
            $rows[$number] = $this->cells($cells, $header);
        }
        fclose($stream);
        if ($header === null) {
            throw UnusableInput::at('row 1', 'there is no header row');
        }
        if ($this->problems !== []) {
            throw new UnusableInput($this->problems);
        }

        return $rows;
    }

    /**
     * @param  list<string>  $cells
     * @return list<string>
     */
    private function header(array $cells): array
    {
        $names = array_map(static fn (string $cell): string => strtolower(trim($cell)), $cells);
        foreach ($names as $i => $name) {
            if (! in_array($name, static::COLUMNS, true)) {
                $this->problems[] = new Problem(
                    'row 1',
                    sprintf('"%s" is not a column; there are %s', mb_substr($cells[$i], 0, 60), implode(', ', static::COLUMNS)),
                );
            } elseif (array_search($name, $names, true) !== $i) {
                $this->problems[] = new Problem('row 1', sprintf('the column %s stands twice', $name));
            }
        }
        foreach (static::NEEDED as $needed) {
            if (! in_array($needed, $names, true)) {
                $this->problems[] = new Problem('row 1', sprintf('the column %s is missing', $needed));
            }
        }

        return $names;
    }

    /**
     * @param  array<int, ?string>  $cells
     * @param  list<string>  $header
     * @return array<string, string>
     */
    private function cells(array $cells, array $header): array
    {
        $given = [];
        foreach ($header as $i => $column) {
            $cell = trim($cells[$i] ?? '');
            if ($cell !== '') {
                $given[$column] = preg_match("/^'+[=+\\-@\t\r]/", $cell) === 1 ? substr($cell, 1) : $cell;
            }
        }

        return $given;
    }

    /**
     * @param  array<string, string>  $row
     * @param  array{int, int}|null  $between  least and most, where no bound of a dose holds
     */
    protected function number(int $number, array $row, string $column, ?Bounds $bounds, ?array $between = null): int|float|null
    {
        $cell = $row[$column] ?? null;
        if ($cell === null) {
            return null;
        }
        if (preg_match('/^-?\d{1,9}(\.\d{1,6})?$/', $cell) !== 1) {
            $this->problem($number, $column, sprintf('"%s" is not a number', mb_substr($cell, 0, 40)));

            return null;
        }

        return $this->within($number, $column, str_contains($cell, '.') ? (float) $cell : (int) $cell, $bounds, $between);
    }

    /**
     * @param  array<string, string>  $row
     * @param  array{int, int}|null  $between
     */
    protected function whole(int $number, array $row, string $column, ?Bounds $bounds, ?array $between = null): ?int
    {
        $cell = $row[$column] ?? null;
        if ($cell === null) {
            return null;
        }
        if (preg_match('/^-?\d{1,9}$/', $cell) !== 1) {
            $this->problem($number, $column, sprintf('"%s" is not a whole number', mb_substr($cell, 0, 40)));

            return null;
        }
        $value = $this->within($number, $column, (int) $cell, $bounds, $between);

        return $value === null ? null : (int) $value;
    }

    /** @param  array{int, int}|null  $between */
    private function within(int $number, string $column, int|float $value, ?Bounds $bounds, ?array $between): int|float|null
    {
        try {
            $bounds?->check($value);
            if ($between !== null && ($value < $between[0] || $value > $between[1])) {
                throw OutOfRange::outside($column, $value, ...$between);
            }
        } catch (InvalidValue $e) {
            $this->problem($number, $column, $e->sentence);

            return null;
        }

        return $value;
    }

    /**
     * @param  array<string, string>  $row
     * @param  list<string>  $known
     */
    protected function oneOf(int $number, array $row, string $column, array $known): ?string
    {
        $cell = isset($row[$column]) ? strtolower($row[$column]) : null;
        if ($cell !== null && ! in_array($cell, $known, true)) {
            $this->problem($number, $column, sprintf('"%s" is none of %s', mb_substr($cell, 0, 40), implode(', ', $known)));

            return null;
        }

        return $cell;
    }

    /** What a spreadsheet would take for a formula is written as text, and read back as it was; a negative number survives. */
    protected static function cell(string|int|float|null $value): string
    {
        $text = is_float($value) ? rtrim(rtrim(sprintf('%.6F', $value), '0'), '.') : (string) $value;
        if (is_string($value) && preg_match("/^'*[=+\\-@\t\r]/", $text) === 1 && ! is_numeric($text)) {
            $text = "'".$text;
        }

        return preg_match('/[",\r\n]/', $text) === 1 ? '"'.str_replace('"', '""', $text).'"' : $text;
    }

    /**
     * @param  list<array<string, string|int|float|null>>  $rows  by column
     */
    public static function table(array $rows): string
    {
        $lines = [implode(',', static::COLUMNS)];
        foreach ($rows as $row) {
            $lines[] = implode(',', array_map(static fn (string $column): string => self::cell($row[$column] ?? null), static::COLUMNS));
        }

        return implode("\r\n", $lines)."\r\n";
    }
}
