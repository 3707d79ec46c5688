<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Sheet\HomeExercise;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * What a client is told to do instead on a bad day.
 */
final class HomeExerciseTest extends TestCase
{
    public function test_what_is_easier_today_loads_nothing_more_and_needs_no_other_kit(): void
    {
        $library = Documents::data()->library();
        $client = Documents::client(['equipment' => array_keys($library->equipment), 'ability' => array_fill_keys(['AE', 'AR'], 8)]);
        $named = 0;
        foreach ($library->rungs() as $rung) {
            $easier = (new HomeExercise($rung, $client, $library))->easier;
            foreach ($easier->stresses ?? [] as $stress => $grade) {
                self::assertLessThanOrEqual($rung->grade($stress), $grade, "{$rung->id}: {$easier?->id}, {$stress}");
            }
            $named += $easier === null ? 0 : 1;
        }
        self::assertGreaterThan(60, $named);
        self::assertSame('carry-two-hands', (new HomeExercise($library->rung('carry-front'), $client, $library))->easier?->id);
    }
}
