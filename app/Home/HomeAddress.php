<?php

declare(strict_types=1);

namespace App\Home;

use App\Accounts\OpenedBySecret;
use App\Accounts\PrivateAddress;
use App\Models\HomePage;

/**
 * The private address at which a client finds their own page.
 */
final class HomeAddress extends PrivateAddress
{
    protected function row(string $id): ?OpenedBySecret
    {
        return HomePage::query()->whereKey($id)->first();
    }
}
