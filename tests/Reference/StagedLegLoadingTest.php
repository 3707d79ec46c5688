<?php

declare(strict_types=1);

namespace Tests\Reference;

use EvenRungs\Core\Review\Testing\Cuff;
use EvenRungs\Core\Review\Testing\StagedTest;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Sahrmann SA (2002) Diagnosis and Treatment of Movement Impairment Syndromes; Stanton R et al. (2004) J Strength Cond Res
 * 18(3):522–528. Values from memory: 40 mmHg; a change of more than 10 mmHg fails, so 30 to 50 passes; five levels, and a
 * pass above a fail does not count.
 */
final class StagedLegLoadingTest extends TestCase
{
    /** @return iterable<string, array{list<float>, bool}> */
    public static function traces(): iterable
    {
        yield 'still' => [[40.0, 41.2, 38.9], true];
        yield 'exactly ten under' => [[40.0, 30.0], true];
        yield 'exactly ten over' => [[40.0, 50.0], true];
        yield 'a tenth too low' => [[40.0, 29.9, 40.0], false];
        yield 'a tenth too high' => [[50.1], false];
        yield 'nothing read' => [[], false];
    }

    /** @param  list<float>  $trace */
    #[DataProvider('traces')]
    public function test_a_level_is_held_while_the_reading_stays_within_ten_of_forty(array $trace, bool $held): void
    {
        self::assertSame($held, Cuff::wasHeld($trace));
    }

    public function test_the_score_is_the_last_level_before_the_first_that_was_not_held(): void
    {
        self::assertSame(5, StagedTest::score([1 => true, 2 => true, 3 => true, 4 => true, 5 => true]));
        self::assertSame(2, StagedTest::score([1 => true, 2 => true, 3 => false]));
        self::assertSame(1, StagedTest::score([1 => true, 2 => false, 3 => true, 4 => true]), 'a pass above a fail does not count');
        self::assertSame(0, StagedTest::score([1 => false, 2 => true]));
        self::assertSame(0, StagedTest::score([2 => true]), 'a level that was not tried was not held');
    }
}
