<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A write that took place: who, when, on whom. Rows are only ever added.
 *
 * @property int $id
 * @property string $studio_id
 * @property ?string $client_id
 * @property ?string $trainer_id  null where it was done from the shell of the machine
 * @property string $act  what was done, in words
 * @property ?string $detail
 * @property Carbon $created_at
 */
final class Event extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'events';

    public const UPDATED_AT = null;

    protected $fillable = ['studio_id', 'client_id', 'trainer_id', 'act', 'detail'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['created_at' => 'datetime'];
    }
}
