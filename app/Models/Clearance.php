<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * What a licensed practitioner allowed, as the trainer recorded it.
 *
 * @property int $id
 * @property string $who
 * @property string $role
 * @property string $on  ISO date
 * @property list<string> $covers  ids of flags and limits, `stop:` with a ladder or `all`, `monitored-pain`
 * @property ?string $until  ISO date, the last day
 * @property ?int $max_level  no rung above it
 * @property ?string $note
 * @property ?Carbon $withdrawn_at
 */
final class Clearance extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'clearances';

    public const UPDATED_AT = null;

    protected $fillable = [
        'studio_id',
        'client_id',
        'trainer_id',
        'who',
        'role',
        'on',
        'covers',
        'until',
        'max_level',
        'note',
        'withdrawn_at',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['covers' => 'array', 'max_level' => 'integer', 'withdrawn_at' => 'datetime'];
    }
}
