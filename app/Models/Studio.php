<?php

declare(strict_types=1);

namespace App\Models;

use EvenRungs\Core\Client\Emergency;
use EvenRungs\Core\Log\Band;
use EvenRungs\Core\Log\Bands;
use Illuminate\Database\Eloquent\Concerns\HasUlids;
use Illuminate\Database\Eloquent\Model;

/**
 * @property string $id
 * @property string $name
 * @property string $units  metric or imperial
 * @property string $first_day  of the week: mon, sun or sat
 * @property string $date_format  device, dmy, mdy or ymd
 * @property string $time_format  device, 24h or 12h
 * @property string $time_zone  of the IANA database
 * @property string $contact  whom clients call, as it stands on what they take home; empty where nobody said
 * @property list<array{name: string, colour: string, pull_kg?: int|float}>|null $bands  lightest first
 * @property array<string, int>|null $kit  how many pieces there are, by kit id
 * @property list<string>|null $emergency_steps  what to do when something is wrong; null for the usual ones
 */
final class Studio extends Model
{
    use HasUlids;

    public const SETTINGS = ['units', 'first_day', 'date_format', 'time_format', 'time_zone', 'contact'];

    protected $table = 'studios';

    protected $fillable = ['name', 'emergency_steps', 'bands', 'kit', ...self::SETTINGS];

    protected $attributes = [
        'units' => 'metric',
        'first_day' => 'mon',
        'date_format' => 'device',
        'time_format' => 'device',
        'time_zone' => 'UTC',
        'contact' => '',
    ];

    /** @return list<string> what to do when something is wrong: the studio's own, or the usual ones */
    public function emergencySteps(): array
    {
        return $this->emergency_steps ?? Emergency::USUAL_STEPS;
    }

    public function bands(): Bands
    {
        return Bands::of(
            array_map(
                static fn (array $band): Band => new Band($band['name'], $band['colour'], $band['pull_kg'] ?? null),
                $this->bands ?? [],
            ),
        );
    }

    /** @return array<string, string> */
    protected function casts(): array
    {
        return ['emergency_steps' => 'array', 'bands' => 'array', 'kit' => 'array'];
    }
}
