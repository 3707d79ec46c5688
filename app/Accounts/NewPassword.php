<?php

declare(strict_types=1);

namespace App\Accounts;

use EvenRungs\Formats\UnusableInput;

/**
 * What a password must be: at least 12 characters, at most 72 bytes (all that bcrypt looks at), not a common one, and not made of the
 * person's or the studio's own words. The common ones ship as the first six bytes of the SHA-256 of each, sorted; what stands in it is no
 * word that anybody could read, and 49,000 six-byte prefixes meet a password that is not among them once in five billion.
 */
final class NewPassword
{
    public const MOST_BYTES = 72;

    private const LEAST_CHARACTERS = 12;

    private const PREFIX_BYTES = 6;

    /** A word of so many letters is not enough to call a whole password common. */
    private const SHORTEST_WORD = 4;

    /**
     * @param  list<string>  $own  words that anybody would try first: address, name, studio
     *
     * @throws UnusableInput at /password
     */
    public static function check(string $password, array $own = []): void
    {
        $problem = self::problem($password, $own);
        if ($problem !== null) {
            throw UnusableInput::at('/password', $problem);
        }
    }

    /** @param  list<string>  $own */
    private static function problem(string $password, array $own): ?string
    {
        if (mb_strlen($password) < self::LEAST_CHARACTERS) {
            return sprintf('A password has at least %d characters. A few words in a row are easy to keep in mind.', self::LEAST_CHARACTERS);
        }
        if (strlen($password) > self::MOST_BYTES) {
            return sprintf(
                'A password has at most %d bytes; letters with accents and signs of other scripts take two to four.',
                self::MOST_BYTES,
            );
        }
        $lower = mb_strtolower($password);
        $core = (string) preg_replace('/^[\d\W_]+|[\d\W_]+$/u', '', $lower);
        $unit = preg_match('/^(.{1,8}?)\1+$/us', $lower, $found) === 1 ? $found[1] : $lower;
        foreach (array_unique([$lower, $core]) as $word) {
            if (mb_strlen($word) >= self::SHORTEST_WORD && self::isCommon($word)) {
                return 'This is one of the passwords that are tried first. Choose another.';
            }
        }
        if ($unit !== $lower || $core === '') {
            return 'The same few characters again and again, or digits alone, are tried first. Choose another.';
        }
        foreach ($own as $word) {
            $plain = mb_strtolower(trim($word));
            if (mb_strlen($plain) >= self::SHORTEST_WORD && str_contains($lower, $plain)) {
                return 'A password does not hold your name, your address or the studio’s name.';
            }
        }

        return null;
    }

    private static function isCommon(string $word): bool
    {
        $sought = substr(hash('sha256', $word, true), 0, self::PREFIX_BYTES);
        $file = fopen(
            base_path('data/common-passwords.bin'),
            'rb',
        ) ?: throw new \RuntimeException('The list of common passwords is missing.');
        try {
            $low = 0;
            $high = intdiv((int) filesize(base_path('data/common-passwords.bin')), self::PREFIX_BYTES);
            while ($low < $high) {
                $middle = intdiv($low + $high, 2);
                fseek($file, $middle * self::PREFIX_BYTES);
                $found = (string) fread($file, self::PREFIX_BYTES);
                if ($found === $sought) {
                    return true;
                }
                if (strcmp($found, $sought) < 0) {
                    $low = $middle + 1;
                } else {
                    $high = $middle;
                }
            }

            return false;
        } finally {
            fclose($file);
        }
    }
}
