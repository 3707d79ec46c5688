<?php

declare(strict_types=1);

namespace App\Accounts;

/**
 * What an address carries that nobody can guess: 256 bits, of which only the hash is kept, compared in constant time.
 */
final class Secret
{
    private const BYTES = 32;

    /** In letters that an address may have. */
    public static function fresh(): string
    {
        return rtrim(strtr(base64_encode(random_bytes(self::BYTES)), '+/', '-_'), '=');
    }

    public static function hash(string $secret): string
    {
        return hash('sha256', $secret);
    }

    /** @param  ?string  $hash  that is kept; null where there is none, which takes as long to find out */
    public static function opens(string $secret, ?string $hash): bool
    {
        return hash_equals($hash ?? self::hash(''), self::hash($secret)) && $hash !== null;
    }
}
