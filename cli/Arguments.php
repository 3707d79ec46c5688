<?php

declare(strict_types=1);

namespace EvenRungs\Cli;

use EvenRungs\Formats\Problem;
use EvenRungs\Formats\UnusableInput;

/**
 * The words behind a command: options it knows, and operands.
 */
final class Arguments
{
    /**
     * @param  array<string, string|true>  $options
     * @param  list<string>  $operands
     */
    private function __construct(private readonly array $options, public readonly array $operands)
    {
    }

    /**
     * @param  list<string>  $words
     * @param  array<string, bool>  $known  option name => whether it takes a value
     *
     * @throws UnusableInput with every word that is not understood
     */
    public static function parse(array $words, array $known, int $mostOperands): self
    {
        $options = [];
        $operands = [];
        $problems = [];
        for ($i = 0; $i < count($words); $i++) {
            $word = $words[$i];
            if ($word === '-' || ! str_starts_with($word, '--')) {
                $operands[] = $word;

                continue;
            }
            $parts = explode('=', $word, 2);
            [$name, $value] = [$parts[0], $parts[1] ?? null];
            if (! isset($known[$name])) {
                $problems[] = new Problem(
                    $name,
                    'is not an option of this command'.($known === [] ? '' : '; it has '.implode(', ', array_keys($known))),
                );
            } elseif (! $known[$name]) {
                $options[$name] = true;
            } elseif ($value !== null || isset($words[$i + 1])) {
                $options[$name] = $value ?? $words[++$i];
            } else {
                $problems[] = new Problem($name, 'needs a value');
            }
        }
        foreach (array_slice($operands, $mostOperands) as $extra) {
            $problems[] = new Problem($extra, 'is one word too many');
        }
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }

        return new self($options, $operands);
    }

    public function has(string $option): bool
    {
        return isset($this->options[$option]);
    }

    public function value(string $option): ?string
    {
        $value = $this->options[$option] ?? null;

        return is_string($value) ? $value : null;
    }
}
