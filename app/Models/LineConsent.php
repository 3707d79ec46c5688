<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;

/**
 * That a client, or who cares for one under age, lets pictures and lines of them be kept.
 *
 * @property int $id
 * @property 'client'|'guardian' $given_by
 * @property string $name
 * @property string $on  ISO date
 * @property ?string $withdrawn_on  ISO date
 */
final class LineConsent extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'line_consents';

    public const UPDATED_AT = null;

    protected $fillable = ['studio_id', 'client_id', 'trainer_id', 'given_by', 'name', 'on', 'withdrawn_on'];
}
