<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A log as it was before somebody edited or removed it. Rows are only added.
 *
 * @property int $id
 * @property string $key  of the log
 * @property ?string $trainer_id
 * @property 'edited'|'removed'|'restored' $what
 * @property array<string, mixed>|null $before
 * @property ?string $reason  why a log of the client's own was taken back
 * @property array{kind: ?string, ladders: list<string>}|null $stops  what a log of the client's own stopped
 * @property Carbon $created_at
 */
final class LogChange extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'log_changes';

    public const UPDATED_AT = null;

    protected $fillable = ['studio_id', 'client_id', 'trainer_id', 'key', 'what', 'before', 'reason', 'stops'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['before' => 'array', 'stops' => 'array'];
    }
}
