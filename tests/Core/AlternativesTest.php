<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Ladder\Rung;
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

    public function test_harder_is_the_rung_above_then_what_is_nearest_over_it_elsewhere(): void
    {
        $library = Documents::data()->library();
        $around = new Alternatives($library);
        foreach ($library->rungs() as $rung) {
            $ladder = $library->ladderOf($rung);
            $above = $ladder->rungs[(int) $ladder->indexOf($rung->id) + 1] ?? null;
            $harder = $around->harder($rung);
            if ($above !== null) {
                self::assertSame($above, $harder[0] ?? null, $rung->id);
            }
            $others = array_values(array_filter($harder, static fn (Rung $each): bool => $each !== $above));
            $far = array_map(static fn (Rung $each): int => $each->level->value - $rung->level->value, $others);
            $sorted = $far;
            sort($sorted);
            self::assertSame($sorted, $far, $rung->id);
            self::assertSame([], array_filter($far, static fn (int $levels): bool => $levels <= 0), $rung->id);
        }
    }

    public function test_what_spares_a_joint_is_named_whatever_gate_it_has(): void
    {
        $library = Documents::data()->library();
        $gated = array_filter($library->rungs(), static fn (Rung $rung): bool => $rung->requires !== []);
        $named = [];
        foreach ($library->rungs() as $rung) {
            foreach ((new Alternatives($library))->sparing($rung, $library->limits['neck']) as $swap) {
                $named[$swap->rung->id] = true;
            }
        }
        self::assertNotSame(
            [],
            array_intersect_key($named, array_column(array_map(static fn (Rung $rung): array => [$rung->id, true], $gated), 1, 0)),
        );
    }
}
