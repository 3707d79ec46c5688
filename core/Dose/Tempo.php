<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

use EvenRungs\Core\InvalidValue;

/**
 * Lowering – pause – lifting – pause in seconds, one digit each; `X` is as fast as controlled and counts one second.
 * The order stays when the lift starts upward.
 */
final class Tempo
{
    private function __construct(private readonly string $text, private readonly int $seconds)
    {
    }

    /** @throws InvalidValue when the text is not four parts of one digit or a capital X */
    public static function parse(string $text): self
    {
        if (preg_match('/^[0-9X]-[0-9X]-[0-9X]-[0-9X]$/D', $text) !== 1) {
            throw InvalidValue::because(sprintf('tempo "%s" is not four parts of one digit or a capital X, such as 3-1-3-1', $text));
        }
        $seconds = 0;
        foreach (explode('-', $text) as $part) {
            $seconds += $part === 'X' ? 1 : (int) $part;
        }

        return new self($text, $seconds);
    }

    /** The tempo that stands where none was written: 2-0-2-0. */
    public static function unwritten(): self
    {
        return self::parse('2-0-2-0');
    }

    /** The length of one repetition. */
    public function rep(): Seconds
    {
        return Seconds::of($this->seconds);
    }

    public function toString(): string
    {
        return $this->text;
    }
}
