<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;

/**
 * The joints that were marked in one picture of a client, and the picture where it was kept.
 *
 * @property int $id
 * @property string $on  ISO date
 * @property string $rung
 * @property array{points?: array<string, array{float, float}>, level?: array{array{float, float}, array{float, float}}} $marks
 * @property int $width
 * @property int $height
 * @property list<string> $faults
 * @property ?string $picture  JPEG in base64
 * @property bool $has_picture  where pictures themselves are not read
 */
final class LineCheck extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'line_checks';

    public const UPDATED_AT = null;

    protected $fillable = ['studio_id', 'client_id', 'trainer_id', 'on', 'rung', 'marks', 'width', 'height', 'faults', 'picture'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['marks' => 'array', 'faults' => 'array', 'width' => 'integer', 'height' => 'integer', 'has_picture' => 'boolean'];
    }
}
