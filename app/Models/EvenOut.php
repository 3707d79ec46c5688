<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;

/**
 * What a trainer took into the plan to even a client out: one set more for the weaker side, or a rung that is held.
 *
 * @property int $id
 * @property 'extra-set'|'hold' $kind
 * @property ?string $ladder  of an extra set
 * @property 'left'|'right'|null $side  of an extra set
 * @property ?string $category  of a hold, its code
 * @property string $from  ISO date
 * @property ?string $until  ISO date; null while it is part of the plan
 * @property ?string $why_ended
 */
final class EvenOut extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'even_outs';

    public const UPDATED_AT = null;

    public const EXTRA_SET = 'extra-set';

    public const HOLD = 'hold';

    protected $fillable = ['studio_id', 'client_id', 'trainer_id', 'kind', 'ladder', 'side', 'category', 'from', 'until', 'why_ended'];
}
