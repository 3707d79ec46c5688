<?php

declare(strict_types=1);

namespace App\Copies;

use EvenRungs\Formats\Problem;
use Illuminate\Support\Facades\DB;

/**
 * Rows of one table as they are written into a take-out and read from it: every column but those that only this database knows.
 */
final class Rows
{
    /** What says whose a row is, and the row's own number. */
    private const OWN = ['id', 'studio_id', 'client_id'];

    /** @var array<string, object{type: string, column: string, null: bool, length: ?int, json: bool}> by name */
    private array $columns = [];

    /** @param  list<string>  $omit  columns that are written in another way */
    public function __construct(private readonly string $table, array $omit = [])
    {
        $json = DB::table('information_schema.check_constraints')->where(
            'constraint_schema',
            DB::getDatabaseName(),
        )->where('table_name', $table)->where('check_clause', 'like', 'json_valid%')->pluck('constraint_name')->all();
        $found = DB::table('information_schema.columns')->where(
            'table_schema',
            DB::getDatabaseName(),
        )->where('table_name', $table)->orderBy('column_name')
            ->get(
                [
                    'column_name as name',
                    'data_type as type',
                    'column_type as definition',
                    'is_nullable as nullable',
                    'character_maximum_length as length',
                ],
            );
        foreach ($found as $each) {
            $name = (string) $each->name;
            if (! in_array($name, [...self::OWN, ...$omit], true)) {
                $this->columns[$name] = (object) [
                    'type' => (string) $each->type,
                    'column' => (string) $each->definition,
                    'null' => $each->nullable === 'YES',
                    'length' => $each->length === null ? null : (int) $each->length,
                    'json' => in_array($name, $json, true),
                ];
            }
        }
    }

    /**
     * A row as it is written, its columns in the order of their names.
     *
     * @param  array<string, mixed>  $more  what stands for columns that are omitted
     * @return array<string, mixed>
     */
    public function write(object $row, array $more = []): array
    {
        $written = $more;
        foreach ($this->columns as $name => $column) {
            $value = $row->{$name};
            $written[$name] = $column->json && is_string($value) ? json_decode($value, false, 512, JSON_THROW_ON_ERROR) : $value;
        }
        ksort($written);

        return $written;
    }

    /**
     * The columns of a row that was written.
     *
     * @param  array<string, mixed>  $written
     * @param  list<Problem>  $problems  what is wrong is added
     * @return array<string, mixed>
     */
    public function read(array $written, string $path, array &$problems): array
    {
        $row = [];
        foreach ($this->columns as $name => $column) {
            $value = $written[$name] ?? null;
            $wrong = $this->wrong($value, $column);
            if ($wrong !== null) {
                $problems[] = new Problem($path.'/'.$name, $wrong);
            }
            $row[$name] = $column->json && $value !== null ? json_encode(
                $value,
                JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES,
            ) : $value;
        }

        return $row;
    }

    /** @param  object{type: string, column: string, null: bool, length: ?int, json: bool}  $column */
    private function wrong(mixed $value, object $column): ?string
    {
        if ($value === null) {
            return $column->null ? null : 'is needed';
        }
        if ($column->json) {
            return is_array($value) || is_object($value) ? null : 'must be a list or an object';
        }

        return match ($column->type) {
            'tinyint', 'smallint', 'int', 'bigint' => $this->wrongNumber($value, $column),
            'decimal' => is_string($value) && preg_match(
                '/^\d{1,4}(\.\d{1,2})?$/',
                $value,
            ) === 1 ? null : 'must be a decimal number as text',
            'date' => is_string($value) && preg_match('/^(\d{4})-(\d\d)-(\d\d)$/', $value, $day) === 1 && checkdate(
                (int) $day[2],
                (int) $day[3],
                (int) $day[1],
            ) ? null : 'must be a day, YYYY-MM-DD',
            'timestamp' => is_string($value) && preg_match(
                '/^(19[7-9]\d|20[0-3]\d)-\d\d-\d\d \d\d:\d\d:\d\d$/',
                $value,
            ) === 1 && strtotime($value.' UTC') !== false && strtotime($value.' UTC') < 2_147_483_647
                ? null
                : 'must be a moment, YYYY-MM-DD HH:MM:SS',
            default => is_string($value) && mb_check_encoding(
                $value,
                'UTF-8',
            ) && mb_strlen($value) <= ($column->length ?? 0) ? null : sprintf(
                'must be text of at most %d characters',
                $column->length ?? 0,
            ),
        };
    }

    /** @param  object{type: string, column: string, null: bool, length: ?int, json: bool}  $column */
    private function wrongNumber(mixed $value, object $column): ?string
    {
        $most = ['tinyint' => 255, 'smallint' => 65_535, 'int' => 4_294_967_295, 'bigint' => PHP_INT_MAX][$column->type] ?? 0;
        $most = $column->column === 'tinyint(1)' ? 1 : $most;

        return is_int($value) && $value >= 0 && $value <= $most ? null : sprintf('must be a whole number from 0 to %d', $most);
    }
}
