<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;

/**
 * One set as it was really done.
 *
 * @property int $id
 * @property int $logged_session_id
 * @property string $ladder
 * @property string $rung
 * @property string $on  ISO date
 * @property ?string $side
 * @property int $target  repetitions, or milliseconds held
 * @property int $done
 * @property list<string>|null $faults  null where nobody recorded them
 * @property ?string $ended_by
 * @property ?int $pain
 * @property ?string $pain_kind
 * @property ?int $effort
 * @property ?bool $breathing
 * @property list<string>|null $cued  faults that a cue cured
 * @property list<string>|null $felt
 * @property ?float $range  share of the full range
 * @property ?float $range_cm
 * @property ?float $target_range
 * @property ?float $target_range_cm
 * @property ?bool $open  a hold meant to run to the first fault
 * @property ?int $target_hold  milliseconds in every repetition
 * @property ?int $hold
 * @property ?bool $timed  target and done are milliseconds of work in a circuit
 * @property ?float $load_kg
 * @property ?string $band  of the studio's list, by its name
 * @property ?bool $left  not begun, since the session was ended early
 * @property ?bool $talked  could talk while holding
 * @property ?bool $shaking
 * @property 'camera'|'cuff'|null $seen_by  what saw the fault that ended it, where no trainer did
 */
final class LoggedSet extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    protected static string $builder = StudioBuilder::class;

    protected $table = 'logged_sets';

    public $timestamps = false;

    protected $fillable = [
        'studio_id',
        'client_id',
        'logged_session_id',
        'ladder',
        'rung',
        'on',
        'side',
        'target',
        'done',
        'faults',
        'ended_by',
        'seen_by',
        'pain',
        'pain_kind',
        'effort',
        'breathing',
        'cued',
        'felt',
        'range',
        'range_cm',
        'target_range',
        'target_range_cm',
        'open',
        'target_hold',
        'hold',
        'timed',
        'load_kg',
        'band',
        'talked',
        'shaking',
        'left',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'faults' => 'array',
            'target' => 'integer',
            'done' => 'integer',
            'pain' => 'integer',
            'effort' => 'integer',
            'breathing' => 'boolean',
            'cued' => 'array',
            'felt' => 'array',
            'range' => 'float',
            'range_cm' => 'float',
            'target_range' => 'float',
            'target_range_cm' => 'float',
            'open' => 'boolean',
            'target_hold' => 'integer',
            'hold' => 'integer',
            'timed' => 'boolean',
            'load_kg' => 'float',
            'talked' => 'boolean',
            'shaking' => 'boolean',
            'left' => 'boolean',
        ];
    }
}
