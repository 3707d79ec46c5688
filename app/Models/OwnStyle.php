<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;

/**
 * A house style of a studio's own, copied from another with single choices changed.
 *
 * @property int $id
 * @property string $style
 * @property array<string, mixed> $document
 */
final class OwnStyle extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'own_styles';

    protected $fillable = ['studio_id', 'style', 'document'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => 'array'];
    }
}
