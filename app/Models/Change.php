<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;

/**
 * A change to a client's standing or program that can be undone and redone.
 *
 * @property int $id
 * @property string $label
 * @property array<string, mixed> $before
 * @property array<string, mixed> $after
 * @property bool $undone
 */
final class Change extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'changes';

    public const UPDATED_AT = null;

    protected $fillable = ['studio_id', 'client_id', 'trainer_id', 'label', 'before', 'after', 'undone'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['before' => 'array', 'after' => 'array', 'undone' => 'boolean'];
    }
}
