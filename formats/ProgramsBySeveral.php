<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Program\Program;

/**
 * Programs of several clients in one text: CSV with a column `client` beside those of a program, or lines as trainers jot them under
 * headings `client: NAME`. Rows and lines are counted over the whole text.
 */
final class ProgramsBySeveral
{
    private const COLUMN = 'client';

    private const HEADING = '/^\s*(?:#\s*)?client\s*:\s*(\S.*?)\s*$/iu';

    /**
     * @return array<string, Program> by name as it is written
     *
     * @throws UnusableInput naming every row and line that cannot be read
     */
    public static function read(string $text): array
    {
        if (! mb_check_encoding($text, 'UTF-8')) {
            throw UnusableInput::at('line 1', 'the text is not UTF-8');
        }
        $text = str_starts_with($text, "\u{FEFF}") ? substr($text, 3) : $text;
        $columns = array_map(
            static fn (string $cell): string => strtolower(trim($cell, " \"\t\r")),
            explode(',', strtok($text, "\n") ?: ''),
        );
        $isTable = count($columns) > 1 && in_array(self::COLUMN, $columns, true);
        $parts = $isTable ? self::rowsByClient($text) : self::linesByClient($text);
        $programs = [];
        $problems = [];
        foreach ($parts as $name => $part) {
            try {
                $programs[$name] = $isTable ? ProgramCsv::read($part) : ProgramText::read($part);
            } catch (UnusableInput $e) {
                array_push($problems, ...$e->problems);
            }
        }

        // what is wrong with the header is wrong for everybody
        return $problems === [] ? $programs : throw new UnusableInput(array_values(array_unique($problems, SORT_REGULAR)));
    }

    /**
     * @return array<string, string> for each client a table of the same number of rows, those of others empty
     *
     * @throws UnusableInput where a row names nobody
     */
    private static function rowsByClient(string $text): array
    {
        $rows = self::cells($text);
        $header = array_map(static fn (string $cell): string => strtolower(trim($cell)), $rows[0]);
        $at = (int) array_search(self::COLUMN, $header, true);
        $names = [];
        $problems = [];
        $last = null;
        foreach ($rows as $i => $row) {
            $name = trim($row[$at] ?? '');
            // below a name its rows may leave the cell empty, as tables are typed
            $last = $i === 0 ? null : ($name === '' ? $last : $name);
            if ($i > 0 && $last === null && implode('', $row) !== '') {
                $problems[] = new Problem(sprintf('row %d, column %s', $i + 1, self::COLUMN), 'names nobody');
            }
            $names[$i] = $last;
        }
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }
        $parts = [];
        foreach (array_unique(array_filter($names, is_string(...))) as $name) {
            $lines = [];
            foreach ($rows as $i => $row) {
                unset($row[$at]);
                $lines[] = $i === 0 || $names[$i] === $name ? self::line(array_values($row)) : '';
            }
            $parts[$name] = implode("\n", $lines);
        }

        return $parts === [] ? throw UnusableInput::at('row 2', 'there is no row below the header') : $parts;
    }

    /** @return non-empty-list<list<string>> */
    private static function cells(string $text): array
    {
        $stream = fopen('php://temp', 'r+');
        $rows = [];
        if ($stream !== false) {
            fwrite($stream, $text);
            rewind($stream);
            while (($cells = fgetcsv($stream, null, ',', '"', '')) !== false) {
                $rows[] = array_values(array_map(strval(...), $cells));
            }
            fclose($stream);
        }

        return $rows === [] ? throw UnusableInput::at('row 1', 'there is no header row') : $rows;
    }

    /** @param  list<string>  $cells */
    private static function line(array $cells): string
    {
        return implode(',', array_map(static fn (string $cell): string => '"'.str_replace('"', '""', $cell).'"', $cells));
    }

    /**
     * @return array<string, string> for each client a text of as many lines, those of others empty
     *
     * @throws UnusableInput where a line stands under no client
     */
    private static function linesByClient(string $text): array
    {
        $lines = (array) preg_split('/\R/u', $text);
        $parts = [];
        $name = null;
        foreach ($lines as $i => $line) {
            $line = (string) $line;
            if (preg_match(self::HEADING, $line, $heading) === 1) {
                $name = $heading[1];
                $parts[$name] ??= array_fill(0, count($lines), '');
            } elseif ($name !== null) {
                $parts[$name][$i] = $line;
            } elseif (trim($line) !== '') {
                throw UnusableInput::at(sprintf('line %d', $i + 1), 'stands under no client: write "client: NAME" above it');
            }
        }
        if ($parts === []) {
            throw UnusableInput::at('line 1', 'is empty: write "client: NAME" and the program below it');
        }

        return array_map(static fn (array $part): string => implode("\n", $part), $parts);
    }
}
