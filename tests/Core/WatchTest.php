<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Review\Line\LineJudge;
use EvenRungs\Core\Review\Line\Marks;
use EvenRungs\Core\Review\Line\Spot;
use EvenRungs\Core\Review\Line\Watch;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * When a hold that a camera watches is over, and how long it was held.
 */
final class WatchTest extends TestCase
{
    private const HELD = 0;

    private const SAGS = 30;

    /** Over the steepest line that is judged. */
    private const UPRIGHT = null;

    public function test_it_is_over_when_the_line_was_off_for_a_second_and_was_held_until_it_was_first_off(): void
    {
        $watch = self::seen(Watch::at(), [0 => self::HELD, 12_400 => self::SAGS, 12_900 => self::SAGS, 13_399 => self::SAGS]);
        self::assertFalse($watch->isOver);
        $watch = self::seen($watch, [13_400 => self::SAGS]);
        self::assertSame([true, 12_400, ['hips-sag']], [$watch->isOver, $watch->heldMs(), $watch->faults]);
        self::assertSame($watch, self::seen($watch, [13_600 => self::HELD]), 'over is over');
    }

    public function test_it_begins_when_the_line_is_first_as_it_is_meant(): void
    {
        $lying = self::seen(Watch::at(), [0 => self::SAGS, 1000 => self::SAGS, 3000 => self::SAGS]);
        self::assertSame([false, null, 0], [$lying->isOver, $lying->offSinceMs, $lying->heldMs()]);
        $up = self::seen($lying, [4000 => self::HELD, 9000 => self::SAGS, 10_000 => self::SAGS]);
        self::assertSame([true, 5000], [$up->isOver, $up->heldMs()]);
        self::assertSame(2000, self::seen($lying, [4000 => self::HELD, 6000 => self::HELD])->heldMs(), 'so far');
    }

    public function test_a_line_that_comes_back_within_the_second_was_held(): void
    {
        $watch = self::seen(self::held(), [1000 => self::SAGS, 1900 => self::HELD, 2100 => self::SAGS, 3000 => self::SAGS]);
        self::assertSame([false, 2100], [$watch->isOver, $watch->offSinceMs]);
        self::assertTrue(self::seen($watch, [3100 => self::SAGS])->isOver);
    }

    public function test_what_cannot_be_judged_says_neither(): void
    {
        $watch = self::seen(self::held(), [1000 => self::SAGS, 1300 => self::UPRIGHT, 1900 => self::SAGS]);
        self::assertSame(1000, $watch->offSinceMs);
        self::assertTrue(self::seen($watch, [2000 => self::SAGS])->isOver);
        $unseen = self::seen($watch, [3000 => self::SAGS]);
        self::assertSame([false, 3000], [$unseen->isOver, $unseen->offSinceMs], 'more than a second unseen');
        self::assertSame($watch, $watch->with(2000, null));
        self::assertSame($watch, self::seen($watch, [1800 => self::HELD]), 'what is late is no news');
    }

    public function test_how_long_it_may_be_off_is_settable_within_bounds(): void
    {
        self::assertTrue(self::seen(Watch::at(200, 0), [1000 => self::SAGS, 1200 => self::SAGS])->isOver);
        self::assertFalse(self::seen(Watch::at(10_000, 0), [1000 => self::SAGS, 10_999 => self::SAGS])->isOver);
        foreach ([199, 10_001] as $ms) {
            try {
                Watch::at($ms);
                self::fail("{$ms} was taken");
            } catch (InvalidValue $e) {
                self::assertStringContainsString('200', $e->sentence);
            }
        }
    }

    private static function held(): Watch
    {
        return self::seen(Watch::at(), [0 => self::HELD]);
    }

    /** @param  array<int, ?int>  $samples  how far the hip hangs by when */
    private static function seen(Watch $watch, array $samples): Watch
    {
        $plank = Documents::data()->library()->rung('forearm-plank');
        foreach ($samples as $ms => $sag) {
            [$x, $y] = $sag === self::UPRIGHT ? [0, 200] : [200, 0];
            $watch = $watch->with($ms, LineJudge::judge($plank, Marks::fromSide([
                'shoulder' => new Spot(0, 0), 'hip' => new Spot($x / 2, $y / 2 + (int) $sag), 'knee' => new Spot($x, $y),
            ])));
        }

        return $watch;
    }
}
