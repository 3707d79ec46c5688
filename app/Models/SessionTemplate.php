<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;

/**
 * A session that a studio keeps to use again.
 *
 * @property int $id
 * @property string $name
 * @property array<string, mixed> $document
 */
final class SessionTemplate extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'session_templates';

    protected $fillable = ['studio_id', 'name', 'document'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => 'array'];
    }
}
