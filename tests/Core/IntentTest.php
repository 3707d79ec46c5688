<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Planning\Choice\Intent;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Common practice, no source: the usual doses of each intent.
 */
final class IntentTest extends TestCase
{
    private static function intent(string $id): Intent
    {
        return array_column(Documents::data()->intents(), null, 'id')[$id];
    }

    /** @return iterable<array{string, string, string, string}> */
    public static function doses(): iterable
    {
        yield 'learning a dead bug' => ['learn', 'dead-bug-opposite', '1 × 5', '3 × 12'];
        yield 'switching on with a side plank' => ['switch-on', 'side-plank-split', '1 × 10 s', '1 × 30 s'];
        yield 'endurance in a forearm plank' => ['endurance', 'forearm-plank', '2 × 15 s', '3 × 45 s'];
        yield 'strength in a press-out' => ['strength', 'press-out-standing', '3 × 10', '4 × 12'];
        yield 'many repetitions of a light accessory' => ['high-rep', 'hip-straight-leg', '2 × 30', '2 × 30'];
        yield 'power in a throw' => ['power', 'throw-chest', '3 × 4', '5 × 6'];
    }

    #[DataProvider('doses')]
    public function test_a_rung_is_dosed_for_what_it_is_meant_to_do(string $intent, string $rung, string $from, string $to): void
    {
        $doses = self::intent($intent)->doses(Documents::data()->library()->rung($rung));

        self::assertNotNull($doses);
        self::assertStringStartsWith($from, Shorthand::write($doses[0]));
        self::assertStringStartsWith($to, Shorthand::write($doses[1]));
    }

    /** @return iterable<array{string, string}> */
    public static function misfits(): iterable
    {
        yield 'power in anything slow' => ['power', 'goblet-squat-free'];
        yield 'power before level seven' => ['power', 'swing-hike'];
        yield 'many repetitions of a heavy exercise' => ['high-rep', 'dead-bug-cuffs'];
        yield 'strength from a hold' => ['strength', 'forearm-plank'];
        yield 'a long lever as a switch-on' => ['switch-on', 'plank-long-lever'];
    }

    #[DataProvider('misfits')]
    public function test_what_does_not_suit_gets_no_dose(string $intent, string $rung): void
    {
        self::assertNull(self::intent($intent)->doses(Documents::data()->library()->rung($rung)));
    }
}
