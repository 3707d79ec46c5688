<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;

/**
 * A name that a studio uses for an exercise and the library does not know.
 *
 * @property int $id
 * @property string $words
 * @property string $key
 * @property string $rung
 */
final class OwnWord extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'own_words';

    public const UPDATED_AT = null;

    protected $fillable = ['studio_id', 'words', 'key', 'rung'];
}
