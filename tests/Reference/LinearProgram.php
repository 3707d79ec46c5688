<?php

declare(strict_types=1);

namespace Tests\Reference;

/**
 * An integer program whose objective, called cost, is to be as great as can be, written in CPLEX LP form.
 */
final class LinearProgram
{
    /** @var array<string, float> */
    private array $worth = [];

    /** @var list<string> */
    public array $rows = [];

    /** @var list<string> */
    private array $bounds = [];

    /** @var list<string> */
    public array $binary = [];

    private static function term(float $factor, string $name): string
    {
        return sprintf('%s %.6F %s', $factor < 0 ? '-' : '+', abs($factor), $name);
    }

    /** @param  list<array{float, string}>  $terms */
    public static function sum(array $terms, float $times = 1): string
    {
        return implode(' ', array_map(static fn (array $term): string => self::term($times * $term[0], $term[1]), $terms));
    }

    public function isWorth(float $points, string $name): void
    {
        $this->worth[$name] = ($this->worth[$name] ?? 0.0) + $points;
    }

    /**
     * A variable that is no more than a sum and no more than a number.
     *
     * @param  list<array{float, string}>  $terms
     */
    public function upTo(string $name, array $terms, int $most): void
    {
        $this->rows[] = $name.' '.self::sum($terms, -1).' <= 0';
        $this->bounds[] = "{$name} <= {$most}";
    }

    /**
     * A variable that is at least a number and a sum together, and costs so much.
     *
     * @param  list<array{float, string}>  $terms
     */
    public function isOff(string $name, float $number, array $terms, int $sign, float $cost): void
    {
        $this->rows[] = $name.' '.self::sum($terms, -$sign).' >= '.$number;
        $this->isWorth(-$cost, $name);
    }

    public function write(): string
    {
        $worth = array_map(fn (string $name): string => self::term($this->worth[$name], $name), array_keys($this->worth));

        return implode("\n", [
            'Maximize', 'cost: 0 none '.implode("\n ", $worth),
            'Subject To', 'none = 0', ...$this->rows,
            'Bounds', ...$this->bounds,
            'Binary', ...$this->binary,
            'End', '',
        ]);
    }
}
