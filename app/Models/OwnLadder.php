<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;

/**
 * A ladder that a studio wrote, or changed from a shipped one of the same id.
 *
 * @property int $id
 * @property string $studio_id
 * @property string $ladder
 * @property ?array<string, mixed> $document
 * @property int $version
 * @property ?bool $unused  planned only where it is chosen; null where it is used for everybody
 * @property ?string $copy_of  ladder that it was copied from
 * @property ?bool $in_place  where it is used for everybody, that ladder is not
 */
final class OwnLadder extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'own_ladders';

    protected $fillable = ['studio_id', 'ladder', 'document', 'version', 'unused', 'copy_of', 'in_place'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['document' => 'array', 'version' => 'integer', 'unused' => 'boolean', 'in_place' => 'boolean'];
    }
}
