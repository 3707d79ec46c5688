<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;

/**
 * A client's row in the list, as it was found last.
 *
 * @property string $client_id
 * @property ?string $day  ISO date on which it was true; null where something changed since
 * @property array<string, mixed> $row
 */
final class RosterRow extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'roster_rows';

    public $timestamps = false;

    public $incrementing = false;

    protected $primaryKey = 'client_id';

    protected $keyType = 'string';

    protected $fillable = ['client_id', 'studio_id', 'day', 'row', 'urgency'];
}
