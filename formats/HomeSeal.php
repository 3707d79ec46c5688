<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

/**
 * What a client's own page sends back, sealed with the key of that page (HMAC with SHA-256, RFC 2104): whole in links and files, or with a
 * seal of 40 bits in letters that can be typed (base 32 after Crockford: no I, L, O or U).
 */
final class HomeSeal
{
    private const WHOLE = 32;

    private const SHORT = 5;

    private const LETTERS = '0123456789ABCDEFGHJKMNPQRSTVWXYZ';

    private const BITS = 5;

    private const GROUP = 4;

    private const MOST_LETTERS = 800;

    /** @param  string  $key  of the page, 32 bytes */
    public function __construct(private readonly string $page, private readonly string $key)
    {
    }

    /** For a link, a file or a picture to be scanned: page and content in letters that an address may have. */
    public function whole(string $payload): string
    {
        return $this->page.'.'.rtrim(strtr(base64_encode($payload.$this->seal($payload)), '+/', '-_'), '=');
    }

    /** In groups of letters that are read out or typed. */
    public function typed(string $payload): string
    {
        $bits = Bits::of($payload.substr($this->seal($payload), 0, self::SHORT));
        $letters = '';
        for ($left = 8 * (strlen($payload) + self::SHORT); $left > 0; $left -= self::BITS) {
            $letters .= self::LETTERS[$left >= self::BITS ? $bits->take(self::BITS) : $bits->take($left) << (self::BITS - $left)];
        }

        return implode('-', str_split($letters, self::GROUP));
    }

    /** The page that a link, a file or a picture says it is of; null where it is letters that were typed. */
    public static function pageOf(string $code): ?string
    {
        return preg_match('/^([0-9a-z]{26})\.[A-Za-z0-9_-]+$/D', $code, $parts) === 1 ? $parts[1] : null;
    }

    /** @return ?string what was sealed; null where the seal is not of this page or a letter of it was changed */
    public function open(string $code): ?string
    {
        if (self::pageOf($code) === null) {
            $letters = self::letters($code);
            $payload = substr(self::bytes($letters), 0, -self::SHORT);

            return $payload !== '' && hash_equals(str_replace('-', '', $this->typed($payload)), $letters) ? $payload : null;
        }
        $payload = substr((string) base64_decode(strtr(explode('.', $code)[1], '-_', '+/')), 0, -self::WHOLE);

        return $payload !== '' && hash_equals($this->whole($payload), $code) ? $payload : null;
    }

    private function seal(string $payload): string
    {
        return hash_hmac('sha256', "even-rungs/home-return/1\0{$this->page}\0{$payload}", $this->key, true);
    }

    /** Typed letters as they are written: without gaps, in capitals, and what looks like a number as that. */
    private static function letters(string $typed): string
    {
        return strtr(strtoupper((string) preg_replace('/[\s-]+/', '', $typed)), 'OIL', '011');
    }

    /** What letters stand for; empty where they are none. */
    private static function bytes(string $letters): string
    {
        if ($letters === '' || strlen($letters) > self::MOST_LETTERS || strspn($letters, self::LETTERS) !== strlen($letters)) {
            return '';
        }
        $bits = Bits::none();
        foreach (str_split($letters) as $letter) {
            $bits->put((int) strpos(self::LETTERS, $letter), self::BITS);
        }

        return substr($bits->bytes(), 0, intdiv(self::BITS * strlen($letters), 8));
    }
}
