<?php

declare(strict_types=1);

namespace App\Accounts;

/**
 * One-time codes by counter (RFC 4226) and by time (RFC 6238): six digits, 30 seconds, HMAC-SHA-1, which every authenticator knows.
 */
final class OneTimeCode
{
    public const STEP_S = 30;

    public const DIGITS = 6;

    private const SECRET_BYTES = 20;

    private const BASE32 = 'ABCDEFGHIJKLMNOPQRSTUVWXYZ234567';

    /** Time steps before and after now in which a code still counts (RFC 6238, 5.2). */
    private const DRIFT = 1;

    public static function newSecret(): string
    {
        return random_bytes(self::SECRET_BYTES);
    }

    /**
     * @param  string  $secret  bytes
     * @param  string  $algorithm  sha1, sha256 or sha512
     */
    public static function at(string $secret, int $counter, int $digits = self::DIGITS, string $algorithm = 'sha1'): string
    {
        $hash = hash_hmac($algorithm, pack('J', $counter), $secret, true);
        $offset = ord($hash[strlen($hash) - 1]) & 0xF;
        /** @var array{1: int} $word */
        $word = unpack('N', $hash, $offset);

        return str_pad((string) (($word[1] & 0x7FFFFFFF) % 10 ** $digits), $digits, '0', STR_PAD_LEFT);
    }

    public static function step(int $time): int
    {
        return intdiv($time, self::STEP_S);
    }

    /**
     * The time step whose code this is; null where none is near enough, or only one that was used already.
     *
     * @param  int  $time  Unix seconds
     * @param  int  $after  the last step that was used
     */
    public static function match(string $secret, string $code, int $time, int $after): ?int
    {
        $now = self::step($time);
        $found = null;
        for ($step = $now - self::DRIFT; $step <= $now + self::DRIFT; $step++) {
            if (hash_equals(self::at($secret, $step), $code) && $step > $after) {
                $found = $step;
            }
        }

        return $found;
    }

    /** RFC 4648, without padding. */
    public static function base32(string $bytes): string
    {
        $bits = '';
        foreach (str_split($bytes) as $byte) {
            $bits .= str_pad(decbin(ord($byte)), 8, '0', STR_PAD_LEFT);
        }

        return implode(
            '',
            array_map(static fn (string $five): string => self::BASE32[(int) bindec(str_pad($five, 5, '0'))], str_split($bits, 5)),
        );
    }
}
