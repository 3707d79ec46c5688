<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

/**
 * What a document says beside the fields of its format, in its `x`: carried along untouched, but for what the product keeps there itself.
 */
final class Extras
{
    /** @param  array<string, mixed>|null  $said  null where the document has no `x` at all */
    public function __construct(private readonly ?array $said = null)
    {
    }

    public function areWritten(): bool
    {
        return $this->said !== null;
    }

    /** @return array<string, mixed> */
    public function toArray(): array
    {
        return $this->said ?? [];
    }

    /** What stands under a key, whatever it is; null where nothing does. */
    public function get(string $key): mixed
    {
        return $this->said[$key] ?? null;
    }

    public function text(string $key): ?string
    {
        $found = $this->get($key);

        return is_string($found) ? $found : null;
    }

    public function wholeNumber(string $key): ?int
    {
        $found = $this->get($key);

        return is_int($found) ? $found : null;
    }

    /** @return array<array-key, mixed> what stands under a key as a list or an object; none where something else does */
    public function parts(string $key): array
    {
        $found = $this->get($key);

        return is_array($found) ? $found : [];
    }

    /** @return list<string> every sentence, whatever its key */
    public function sentences(): array
    {
        return array_values(array_filter($this->toArray(), is_string(...)));
    }

    public function with(string $key, mixed $value): self
    {
        return new self([...$this->toArray(), $key => $value]);
    }

    public function without(string ...$keys): self
    {
        return new self($this->said === null ? null : array_diff_key($this->said, array_flip($keys)));
    }

    /** Not written at all where nothing is left to say. */
    public function orNone(): self
    {
        return $this->said === [] ? new self : $this;
    }
}
