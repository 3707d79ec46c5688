<?php

declare(strict_types=1);

namespace App\Models;

use Illuminate\Database\Eloquent\HasBuilder;
use Illuminate\Database\Eloquent\Model;
use Illuminate\Support\Carbon;

/**
 * A session as it was really done.
 *
 * @property int $id
 * @property string $studio_id
 * @property string $client_id
 * @property string $on  ISO date
 * @property string $key
 * @property ?int $soreness  0 to 10
 * @property ?int $pain_before  0 to 10
 * @property ?int $pain_next_day  0 to 10
 * @property ?int $effort  of the whole session, 0 to 10
 * @property ?int $minutes
 * @property int $revision  of the device that runs the session
 * @property bool $edited  by hand since a device wrote it
 * @property bool $open  still being run
 * @property array<string, list<string>>|null $ticks  by ladder
 * @property ?string $pain_kind  said of the whole session
 * @property bool $checked  whether somebody watched the form
 * @property ?string $planned  key of the planned session that it is of
 * @property list<string>|null $signs  that were there; null where nobody asked
 * @property ?int $readiness  0 to 10
 * @property array<string, mixed>|null $door  what was said at the door beside pain and soreness, and what it changed
 * @property ?string $ended  why it was ended early; null where it was not
 * @property list<string>|null $warned  what was warned of before it
 * @property ?string $device_time  what the clock of the device said, where it was off
 * @property ?Carbon $received_at  when it came in, then
 * @property ?string $origin  client where it came back from their own page
 * @property ?string $word  what the client wrote
 */
final class LoggedSession extends Model
{
    /** @use HasBuilder<StudioBuilder<static>> */
    use HasBuilder;

    /** It came back from the client's own page. */
    public const BY_CLIENT = 'client';

    protected static string $builder = StudioBuilder::class;

    protected $table = 'logged_sessions';

    protected $fillable = [
        'device_time',
        'received_at',
        'studio_id',
        'client_id',
        'trainer_id',
        'key',
        'on',
        'soreness',
        'pain_before',
        'pain_next_day',
        'effort',
        'minutes',
        'revision',
        'edited',
        'open',
        'ticks',
        'pain_kind',
        'checked',
        'warned',
        'planned',
        'signs',
        'readiness',
        'door',
        'ended',
        'origin',
        'word',
    ];

    /** @return array<string, string> */
    protected function casts(): array
    {
        return [
            'received_at' => 'datetime',
            'soreness' => 'integer',
            'pain_before' => 'integer',
            'pain_next_day' => 'integer',
            'effort' => 'integer',
            'minutes' => 'integer',
            'revision' => 'integer',
            'edited' => 'boolean',
            'open' => 'boolean',
            'ticks' => 'array',
            'checked' => 'boolean',
            'warned' => 'array',
            'signs' => 'array',
            'door' => 'array',
            'readiness' => 'integer',
        ];
    }
}
