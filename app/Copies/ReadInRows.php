<?php

declare(strict_types=1);

namespace App\Copies;

use EvenRungs\Formats\Problem;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\Schemas;
use Illuminate\Support\Facades\DB;

/**
 * Rows of a take-out on their way into the tables; what is wrong with them is gathered.
 */
final class ReadInRows
{
    private const MOST_PROBLEMS = 50;

    /** The schema of a table's documents. */
    private const SCHEMAS = [
        'clients' => 'client',
        'own_ladders' => 'ladder',
        'own_styles' => 'style',
        'programs' => 'program',
        'session_templates' => 'session',
    ];

    /** @var array<string, Rows> */
    private array $rows = [];

    /** @var list<Problem> */
    private array $problems = [];

    /**
     * @param  array<string, mixed>  $written
     * @param  array<string, mixed>  $whose
     * @param  array<string, string>  $people  id by address
     * @return int the number that it has now; 0 where it was wrong
     *
     * @throws UnusableInput where nobody is who wrote it, or too much was wrong
     */
    public function insert(string $table, array $written, string $path, array $whose, array $people): int
    {
        $row = $this->row($table, $written, $path, $whose, $people);

        return $row === null ? 0 : DB::table($table)->insertGetId($row);
    }

    /**
     * @param  array<string, mixed>  $written
     * @param  array<string, mixed>  $whose
     * @param  array<string, string>  $people  id by address
     * @return array<string, mixed>|null every column; null where it was wrong
     *
     * @throws UnusableInput where nobody is who wrote it, or too much was wrong
     */
    public function row(string $table, array $written, string $path, array $whose, array $people): ?array
    {
        $before = count($this->problems);
        $row = ($this->rows[$table] ??= TakeOutDocument::rowsOf($table))->read($written, $path, $this->problems);
        if (isset(self::SCHEMAS[$table]) && is_object($written['document'] ?? null)) {
            $this->problems = [
                ...$this->problems,
                ...array_map(
                    static fn (Problem $each): Problem => new Problem($path.'/document'.$each->path, $each->message),
                    Schemas::check(self::SCHEMAS[$table], $written['document']),
                ),
            ];
        }
        if (array_key_exists('by', $written)) {
            $by = $written['by'];
            $row['trainer_id'] = $by === null ? null : $people[is_string($by) ? $by : ''] ?? throw UnusableInput::at(
                $path.'/by',
                'is none of the people',
            );
        }
        if (count($this->problems) > self::MOST_PROBLEMS) {
            $this->stop();
        }

        return count($this->problems) > $before ? null : [...$row, ...$whose];
    }

    /** @throws UnusableInput where something was wrong so far */
    public function stop(): void
    {
        if ($this->problems !== []) {
            throw new UnusableInput($this->problems);
        }
    }
}
