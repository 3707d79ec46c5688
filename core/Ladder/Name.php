<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

use Transliterator;

/**
 * An exercise name as it is compared: blind to case, punctuation, hyphen, plural and accent.
 */
final class Name
{
    private static ?Transliterator $plain = null;

    public static function key(string $name): string
    {
        return implode('', self::words($name));
    }

    /** @return list<string> */
    public static function words(string $name): array
    {
        self::$plain ??= Transliterator::create('Any-Latin; Latin-ASCII; Lower()');
        $plain = self::$plain?->transliterate($name);
        $plain = is_string($plain) ? $plain : strtolower($name);
        $plain = str_replace(["'", '`'], '', $plain);
        $words = preg_split('/[^a-z0-9]+/', $plain, -1, PREG_SPLIT_NO_EMPTY);

        return array_map(self::singular(...), $words === false ? [] : $words);
    }

    private static function singular(string $word): string
    {
        return match (true) {
            preg_match('/(?:ch|sh|ss|x)es$/', $word) === 1 => substr($word, 0, -2),
            strlen($word) > 4 && str_ends_with($word, 'ies') => substr($word, 0, -3).'y',
            strlen($word) > 2 && str_ends_with($word, 's') && ! str_ends_with($word, 'ss') => substr($word, 0, -1),
            default => $word,
        };
    }
}
