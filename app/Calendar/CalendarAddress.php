<?php

declare(strict_types=1);

namespace App\Calendar;

use App\Accounts\OpenedBySecret;
use App\Accounts\PrivateAddress;
use App\Models\CalendarLink;

/**
 * The private address at which a calendar program finds sessions.
 */
final class CalendarAddress extends PrivateAddress
{
    protected function row(string $id): ?OpenedBySecret
    {
        return CalendarLink::query()->whereKey($id)->first();
    }
}
