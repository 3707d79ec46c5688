<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Placement\Alternatives;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

final class AlternativesTest extends TestCase
{
    public function test_the_ladders_own_neighbour_goes_first_and_nothing_easier_is_as_hard(): void
    {
        $library = Documents::data()->library();
        $around = new Alternatives($library);
        foreach ($library->rungs() as $rung) {
            $ladder = $library->ladderOf($rung);
            $below = $ladder->rungs[(int) $ladder->indexOf($rung->id) - 1] ?? null;
            $easier = $around->easier($rung);
            if ($below !== null) {
                self::assertSame($below, $easier[0], $rung->id);
            }
            foreach ($easier as $each) {
                self::assertSame($rung->category, $each->category);
                self::assertTrue($each === $below || $each->level->value < $rung->level->value, $each->id.' beside '.$rung->id);
                self::assertNotContains($each, $around->harder($rung));
            }
        }
    }

    public function test_what_spares_a_joint_is_not_barred_by_it_whatever_its_grade(): void
    {
        $library = Documents::data()->library();
        foreach (['shoulder', 'wrist', 'neck', 'kneeling', 'floor-transfer'] as $id) {
            foreach ((new Alternatives($library))->sparing($library->rung('forearm-plank'), $library->limits[$id]) as $swap) {
                self::assertSame([], (new Limit($library->limits[$id]))->bars($swap->rung), $swap->rung->id);
                self::assertSame('AE', $swap->rung->category->value);
            }
        }
        self::assertNotSame([], (new Alternatives($library))->sparing($library->rung('forearm-plank'), $library->limits['shoulder']));
    }
}
