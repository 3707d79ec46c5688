<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\WhyNot;

use Closure;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Style\Style;

/**
 * What keeps an exercise out of a plan, and what would be without it.
 */
final class Lift
{
    /**
     * @param  string  $code  barred, kit, gate, level, age, goal, style, ladders-chosen, stands-elsewhere, turn, minutes or light-day
     * @param  string  $text  for the trainer
     * @param  ?string  $edits  the part of the client's document that lifts it; null where only standing, the style or the calendar can
     * @param  Closure(Client, Style): array{Client, Style}  $lift
     */
    public function __construct(
        public readonly string $code,
        public readonly string $text,
        public readonly ?string $edits,
        private readonly Closure $lift,
    ) {
    }

    /** @param  Closure(Client): Client  $lift */
    public static function ofClient(string $code, string $text, ?string $edits, Closure $lift): self
    {
        return new self($code, $text, $edits, static fn (Client $client, Style $style): array => [$lift($client), $style]);
    }

    /** @return array{Client, Style} */
    public function from(Client $client, Style $style): array
    {
        return ($this->lift)($client, $style);
    }
}
