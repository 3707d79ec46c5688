<?php

declare(strict_types=1);

namespace App\Home;

use Illuminate\Http\Request;

/**
 * Where devices on the studio's own network reach this machine; `start --lan` writes it down.
 */
final class StudioAddresses
{
    private const FILE = 'addresses';

    /** @return list<string> such as https://192.0.2.7:8443; none where the network is not served */
    public static function all(): array
    {
        $path = storage_path(self::FILE);
        $lines = is_file($path) ? file($path, FILE_IGNORE_NEW_LINES | FILE_SKIP_EMPTY_LINES) : [];

        return array_values(array_filter($lines === false ? [] : $lines));
    }

    /** The one that a page finds the studio at: by which it was asked for, else the first; empty where the network is not served. */
    public static function of(Request $request): string
    {
        $here = array_filter(self::all(), static fn (string $each): bool => parse_url($each, PHP_URL_HOST) === $request->getHost());

        return [...$here, ...self::all(), ''][0];
    }
}
