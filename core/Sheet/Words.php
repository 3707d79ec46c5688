<?php

declare(strict_types=1);

namespace EvenRungs\Core\Sheet;

/**
 * What is said to a client, in one language.
 */
final class Words
{
    /**
     * @param  string  $language  two letters, ISO 639-1
     * @param  string  $name  of the language, in itself
     * @param  array<string, string>  $said  sentences and patterns by what they say; `%s` stands for what is put in
     * @param  array<string, string>  $phrases  what stands in the library, in this language, by what stands there
     * @param  ?string  $place  whose way to write days it follows; null for the language's usual one
     */
    public function __construct(
        public readonly string $language,
        public readonly string $name,
        private readonly array $said,
        private readonly array $phrases,
        private readonly ?string $place = null,
    ) {
    }

    /** The same language with the days of a place that speaks it, such as `en-GB`. */
    public function asIn(string $place): self
    {
        return new self($this->language, $this->name, $this->said, $this->phrases, $place);
    }

    /** What days are written by. */
    public function locale(): string
    {
        return $this->place ?? $this->language;
    }

    /** A sentence, with what is put into its places. */
    public function say(string $what, string|int ...$in): string
    {
        return vsprintf($this->said[$what] ?? $what, array_values($in));
    }

    /** So many of something: `sets.one` for one, `sets.many` for any other number. */
    public function count(string $what, int $count): string
    {
        return $this->say($what.($count === 1 ? '.one' : '.many'), $count);
    }

    /** A sentence or a name of the library; as it stands there where this language has none, as what a studio wrote itself. */
    public function of(string $phrase): string
    {
        return $this->phrases[$phrase] ?? $phrase;
    }

    /** @param  list<string>  $phrases */
    public function allOf(array $phrases): string
    {
        return implode(', ', array_map($this->of(...), $phrases));
    }
}
