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
 * @property list<string> $covers  ids of flags and medical limits
 * @property ?string $note
 * @property ?Carbon $withdrawn_at
 */
final class Clearance extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    public const UPDATED_AT = null;

    protected $fillable = ['studio_id', 'client_id', 'trainer_id', 'who', 'role', 'on', 'covers', 'note', 'withdrawn_at'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['covers' => 'array', 'withdrawn_at' => 'datetime'];
    }
}
