<?php

declare(strict_types=1);

namespace Tests\Reference;

use PHPUnit\Framework\Assert;

/**
 * The integer-program solver of glpk-utils. Models are in CPLEX LP form, their objective called cost.
 */
final class Glpsol
{
    /** Of the value of what is found, so much may be left to what is possible at all. */
    private const GAP = 0.002;

    /** @return int what it is worth at best */
    public static function optimum(string $model): int
    {
        [$status, $answer, $said] = self::solved($model, '');
        Assert::assertSame('INTEGER OPTIMAL', $status, $said);

        return (int) round(self::cost($answer));
    }

    /**
     * @param  int  $seconds  after which the best is taken that was found
     * @return array{float, array<string, float>} what it is worth, and its variables
     */
    public static function best(string $model, int $seconds): array
    {
        [$status, $answer, $said] = self::solved($model, sprintf('--cuts --pcost --mipgap %F --tmlim %d', self::GAP, $seconds));
        Assert::assertContains($status, ['INTEGER OPTIMAL', 'INTEGER NON-OPTIMAL'], $said);
        preg_match_all('/^ +\d+ (\w+)\s+(?:\* )?\s*(-?[\d.e+-]+) /m', $answer, $columns);

        return [self::cost($answer), array_map(floatval(...), array_combine($columns[1], $columns[2]))];
    }

    private static function cost(string $answer): float
    {
        Assert::assertSame(1, preg_match('/Objective:\s+cost = (-?[\d.e+]+)/', $answer, $m));

        return (float) $m[1];
    }

    /** @return array{string, string, string} the status, the whole answer, and what the solver said beside the model */
    private static function solved(string $model, string $options): array
    {
        $file = tempnam(sys_get_temp_dir(), 'even-rungs-lp');
        Assert::assertIsString($file);
        file_put_contents($file, $model);
        exec(sprintf('glpsol %s --lp %2$s -o %2$s.out 2>&1', $options, escapeshellarg($file)), $lines);
        $answer = (string) @file_get_contents($file.'.out');
        @unlink($file);
        @unlink($file.'.out');
        preg_match('/Status:\s+(.+)/', $answer, $status);

        return [trim($status[1] ?? ''), $answer, implode("\n", $lines)."\n".$model];
    }
}
