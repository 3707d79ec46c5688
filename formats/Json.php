<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use JsonException;

/**
 * JSON text in and out.
 */
final class Json
{
    /** The largest document that is read, in bytes. */
    public const LARGEST = 16 * 1024 * 1024;

    /**
     * @param  int  $largest  in bytes
     * @return object the document, objects as objects, for the schema check
     *
     * @throws UnusableInput when it is empty, too large, not JSON, or not an object
     */
    public static function decode(string $text, int $largest = self::LARGEST): object
    {
        if (strlen($text) > $largest) {
            throw UnusableInput::at(
                '/',
                sprintf(
                    'the input is %d MB; at most %d MB are read',
                    intdiv(strlen($text), 1024 * 1024),
                    intdiv($largest, 1024 * 1024),
                ),
            );
        }
        $text = str_starts_with($text, "\u{FEFF}") ? substr($text, 3) : $text;
        if (trim($text) === '') {
            throw UnusableInput::at('/', 'the input is empty');
        }
        try {
            $value = json_decode($text, false, 128, JSON_THROW_ON_ERROR);
        } catch (JsonException $e) {
            throw UnusableInput::at('/', sprintf('the input is not JSON: %s', lcfirst($e->getMessage())));
        }
        if (! is_object($value)) {
            throw UnusableInput::at('/', 'the input must be one JSON object');
        }

        return $value;
    }

    /** @param  array<mixed>|object  $value */
    public static function encode(array|object $value): string
    {
        return json_encode($value, JSON_THROW_ON_ERROR | JSON_PRETTY_PRINT | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE)."\n";
    }

    /** @param  array<mixed>|object  $value  on one line */
    public static function line(array|object $value): string
    {
        return json_encode($value, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE)."\n";
    }

    /**
     * A decoded document with its objects as arrays.
     *
     * @return array<mixed>
     */
    public static function toArray(object $value): array
    {
        $array = json_decode(json_encode($value, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION), true, 128, JSON_THROW_ON_ERROR);

        return is_array($array) ? $array : [];
    }
}
