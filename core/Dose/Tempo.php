<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Unreadable;

/**
 * Lowering – pause – lifting – pause in seconds, one digit each; `X` is as fast as controlled and counts one second.
 * The order stays when the lift starts upward.
 */
final class Tempo
{
    /** @param  array{int, int, int, int}  $parts */
    private function __construct(private readonly string $text, private readonly array $parts)
    {
    }

    /** @throws InvalidValue when the text is not four parts of one digit or a capital X */
    public static function parse(string $text): self
    {
        if (preg_match('/^[0-9X]-[0-9X]-[0-9X]-[0-9X]$/D', $text) !== 1) {
            throw Unreadable::because(sprintf('tempo "%s" is not four parts of one digit or a capital X, such as 3-1-3-1', $text));
        }
        $seconds = array_map(static fn (string $part): int => $part === 'X' ? 1 : (int) $part, explode('-', $text));

        return new self($text, [$seconds[0], $seconds[1] ?? 0, $seconds[2] ?? 0, $seconds[3] ?? 0]);
    }

    /** The tempo that stands where none was written: 2-0-2-0. */
    public static function unwritten(): self
    {
        return self::parse('2-0-2-0');
    }

    /** The length of one repetition. */
    public function rep(): Seconds
    {
        return Seconds::of(array_sum($this->parts));
    }

    /** @return array{int, int, int, int} seconds of lowering, the pause below, lifting, the pause above */
    public function parts(): array
    {
        return $this->parts;
    }

    public function toString(): string
    {
        return $this->text;
    }
}
