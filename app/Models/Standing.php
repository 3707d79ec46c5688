<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * One move on a ladder; the newest of a ladder is where the client stands. Rows are only ever added.
 *
 * @property int $id
 * @property string $ladder
 * @property ?string $rung
 * @property int $step
 * @property array<string, int|float>|null $range  done at now, where that is less than the step has
 * @property array<string, mixed>|null $dose  of the step when the client came to it
 * @property string $basis
 * @property list<string> $why
 * @property Carbon $created_at
 */
final class Standing extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'standings';

    public const UPDATED_AT = null;

    protected $fillable = ['studio_id', 'client_id', 'ladder', 'rung', 'step', 'range', 'dose', 'basis', 'why'];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['why' => 'array', 'range' => 'array', 'dose' => 'array', 'step' => 'integer'];
    }
}
