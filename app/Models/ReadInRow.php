<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * Something that was read in from elsewhere, with what it takes to undo it.
 *
 * @property int $id
 * @property string $studio_id
 * @property string $trainer_id
 * @property string $what  such as a take-out
 * @property string $about  whose names
 * @property array{
 *     entered?: array<string, int>, ladders?: list<string>, styles?: list<string>, event: int,
 *     changed?: array{client: string, version: int, document: array<string, mixed>, aims: list<string>|null},
 * } $back  versions of the clients that were entered; what came with them; the last line of the record then; a client as it was before
 * @property ?Carbon $undone_at
 * @property Carbon $created_at
 */
final class ReadInRow extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    public const UPDATED_AT = null;

    protected $table = 'read_ins';

    protected $fillable = ['studio_id', 'trainer_id', 'what', 'about', 'back', 'undone_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['back' => 'array', 'undone_at' => 'datetime', 'created_at' => 'datetime'];
    }
}
