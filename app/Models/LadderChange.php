<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * One change to a studio's own ladder, with the clients whom it moved. Rows are only ever added.
 *
 * @property int $id
 * @property string $studio_id
 * @property string $ladder
 * @property string $label
 * @property ?array<string, mixed> $before
 * @property ?array<string, mixed> $after
 * @property list<array{client: string, from: string, from_step: int, to: ?string, to_step: int, test?: mixed}> $moves
 * @property bool $undone
 * @property Carbon $created_at
 */
final class LadderChange extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'ladder_changes';

    public const UPDATED_AT = null;

    protected $fillable = ['studio_id', 'trainer_id', 'ladder', 'label', 'before', 'after', 'moves', 'undone'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['before' => 'array', 'after' => 'array', 'moves' => 'array', 'undone' => 'boolean'];
    }
}
