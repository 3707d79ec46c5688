<?php

declare(strict_types=1);

namespace Tests\Reference;

use PHPUnit\Framework\Assert;

/**
 * The integer-program solver of glpk-utils.
 */
final class Glpsol
{
    /**
     * @param  string  $model  in CPLEX LP form, its objective called cost
     * @return int what it is worth at best
     */
    public static function optimum(string $model): int
    {
        $file = tempnam(sys_get_temp_dir(), 'even-rungs-lp');
        Assert::assertIsString($file);
        file_put_contents($file, $model);
        exec(sprintf('glpsol --lp %1$s -o %1$s.out 2>&1', escapeshellarg($file)), $lines, $code);
        $answer = (string) @file_get_contents($file.'.out');
        @unlink($file);
        @unlink($file.'.out');
        Assert::assertSame(1, preg_match('/Status:\s+INTEGER OPTIMAL/', $answer), implode("\n", $lines)."\n".$model);
        Assert::assertSame(1, preg_match('/Objective:\s+cost = (-?[\d.e+]+)/', $answer, $m));

        return (int) round((float) $m[1]);
    }
}
