<?php

declare(strict_types=1);

namespace App\Today;

use App\Support\StudioDay;
use EvenRungs\Formats\Node;
use Illuminate\Support\Carbon;

/**
 * A device whose clock is off: its run is taken all the same, on the day it was by the studio's clock, and both times are kept.
 */
final class DeviceClock
{
    /** A clock that is off by less is right, in seconds. */
    private const OFF_FROM = 300;

    private function __construct(public readonly string $says, public readonly Carbon $is, public readonly string $on)
    {
    }

    /** @return ?self null where the device's clock is right, or was not told */
    public static function ofRun(Node $body): ?self
    {
        $says = $body->optionalString('device_time');
        $at = $says === null ? false : strtotime($says);
        $off = $at === false ? 0 : $at - Carbon::now()->getTimestamp();
        if ($says === null || abs($off) < self::OFF_FROM) {
            return null;
        }
        $ran = Carbon::parse($body->string('on').' 12:00', 'UTC')->subSeconds($off)->toDateString();

        return new self($says, Carbon::now(), min($ran, StudioDay::today()->toDateString()));
    }

    /** @return array<string, mixed> what is kept with the log */
    public function columns(): array
    {
        return ['device_time' => $this->says, 'received_at' => $this->is];
    }
}
