<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use DateTimeImmutable;
use EvenRungs\Core\InvalidValue;
use LogicException;

/**
 * A place in a document that has passed its schema, read by field and type.
 */
final class Node
{
    /**
     * @param  array<mixed>  $value
     * @param  list<int|string>  $path
     */
    public function __construct(private readonly array $value, private readonly array $path = [])
    {
    }

    /** @param  array<int|string>  $path */
    public static function pointer(array $path): string
    {
        return '/'.implode(
            '/',
            array_map(static fn (int|string $step): string => str_replace(['~', '/'], ['~0', '~1'], (string) $step), $path),
        );
    }

    public function path(int|string ...$more): string
    {
        return self::pointer([...$this->path, ...$more]);
    }

    public function has(string $key): bool
    {
        return isset($this->value[$key]);
    }

    public function string(string $key): string
    {
        $value = $this->value[$key] ?? null;

        return is_string($value) ? $value : throw $this->unlikeSchema($key);
    }

    public function optionalString(string $key): ?string
    {
        return $this->has($key) ? $this->string($key) : null;
    }

    public function int(string $key): int
    {
        $value = $this->value[$key] ?? null;

        return is_int($value) || is_float($value) ? (int) $value : throw $this->unlikeSchema($key);
    }

    public function optionalInt(string $key): ?int
    {
        return $this->has($key) ? $this->int($key) : null;
    }

    public function number(string $key): int|float
    {
        $value = $this->value[$key] ?? null;

        return is_int($value) || is_float($value) ? $value : throw $this->unlikeSchema($key);
    }

    public function optionalNumber(string $key): int|float|null
    {
        return $this->has($key) ? $this->number($key) : null;
    }

    public function bool(string $key): bool
    {
        return ($this->value[$key] ?? false) === true;
    }

    /** Whether it is written to be false; what is not written is neither. */
    public function isFalse(string $key): bool
    {
        return ($this->value[$key] ?? null) === false;
    }

    /** @throws UnusableInput when there is no such day in the calendar */
    public function optionalDay(string $key): ?DateTimeImmutable
    {
        $text = $this->optionalString($key);

        return $text === null ? null : self::day($text) ?? throw UnusableInput::at(
            $this->path($key),
            sprintf('"%s" is not a day of the calendar', $text),
        );
    }

    /** A day written YYYY-MM-DD; null where the calendar has none such. */
    public static function day(string $text): ?DateTimeImmutable
    {
        if (preg_match('/^(\d{4})-(\d{2})-(\d{2})$/D', $text, $m) !== 1 || ! checkdate((int) $m[2], (int) $m[3], (int) $m[1])) {
            return null;
        }

        return new DateTimeImmutable($text);
    }

    public function child(string $key): self
    {
        $value = $this->value[$key] ?? null;

        return is_array($value) ? new self($value, [...$this->path, $key]) : throw $this->unlikeSchema($key);
    }

    public function optionalChild(string $key): ?self
    {
        return $this->has($key) ? $this->child($key) : null;
    }

    /** @return list<string> */
    public function strings(string $key): array
    {
        return $this->has($key) ? array_values(array_filter($this->child($key)->value, is_string(...))) : [];
    }

    /** @return array<string, int> */
    public function ints(string $key): array
    {
        $ints = [];
        foreach ($this->has($key) ? $this->child($key)->value : [] as $name => $value) {
            if (is_int($value) || is_float($value)) {
                $ints[(string) $name] = (int) $value;
            }
        }

        return $ints;
    }

    /**
     * @param  ?string  $key  null reads this place itself
     * @return array<string, int|float>
     */
    public function numbers(?string $key = null): array
    {
        $numbers = [];
        foreach ($key === null ? $this->value : $this->child($key)->value as $name => $value) {
            if (is_int($value) || is_float($value)) {
                $numbers[(string) $name] = $value;
            }
        }

        return $numbers;
    }

    /** @return string|list<int|float>|null */
    public function textOrNumbers(string $key): string|array|null
    {
        $value = $this->value[$key] ?? null;

        return is_array($value) ? array_values($this->numbers($key)) : $this->optionalString($key);
    }

    /** @return list<string> */
    public function keys(): array
    {
        return array_map(strval(...), array_keys($this->value));
    }

    /** @return array<mixed> what stands here, as it is */
    public function all(): array
    {
        return $this->value;
    }

    /** @return array<string, mixed>|null */
    public function opaque(string $key): ?array
    {
        $value = $this->value[$key] ?? null;
        if (! is_array($value)) {
            return null;
        }
        $opaque = [];
        foreach ($value as $name => $each) {
            $opaque[(string) $name] = $each;
        }

        return $opaque;
    }

    /**
     * Reads every object of a list, and says what is wrong with all of them at once.
     *
     * @template T
     *
     * @param  callable(self): T  $read
     * @return list<T>
     *
     * @throws UnusableInput
     */
    public function each(string $key, callable $read): array
    {
        $items = [];
        $problems = [];
        foreach ($this->has($key) ? $this->child($key)->value : [] as $i => $value) {
            $node = new self(is_array($value) ? $value : ['' => $value], [...$this->path, $key, $i]);
            try {
                $items[] = $node->guard(static fn () => $read($node));
            } catch (UnusableInput $e) {
                $problems = [...$problems, ...$e->problems];
            }
        }
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }

        return $items;
    }

    /** Where a list holds plain text among objects: the text of this item. */
    public function text(): ?string
    {
        $value = $this->value[''] ?? null;

        return is_string($value) ? $value : null;
    }

    /**
     * Names this place in the error when the core refuses a value.
     *
     * @template T
     *
     * @param  callable(): T  $read
     * @return T
     *
     * @throws UnusableInput
     */
    public function guard(callable $read): mixed
    {
        try {
            return $read();
        } catch (InvalidValue $e) {
            throw UnusableInput::of($this->path(), $e);
        }
    }

    private function unlikeSchema(string $key): LogicException
    {
        return new LogicException(sprintf('%s is not what the schema promises', $this->path($key)));
    }
}
