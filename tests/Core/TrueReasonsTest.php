<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Planning\Week\GapLifts;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Gap;
use EvenRungs\Core\Program\Note;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

/**
 * A reason that a plan gives for what it lacks is what keeps it out: without it the direction is there.
 */
final class TrueReasonsTest extends TestCase
{
    private static function times(Client $client, Category $direction, string $style): int
    {
        $week = Documents::plan($client, 1, $style)->weeks[0];

        return DirectionShares::of($week, Documents::data()->library())->sessions[$direction->value];
    }

    public function test_lift_what_is_named_and_the_direction_is_there_lift_less_and_it_is_not(): void
    {
        $lifts = new GapLifts(Documents::data()->library());
        $chance = new Randomizer(new Mt19937(random_int(1, 1_000_000_000)));
        $styles = Documents::data()->styleNames();
        $named = 0;
        for ($i = 0; $i < (int) (getenv('EVEN_RUNGS_CLIENTS') ?: 36); $i++) {
            $client = Documents::anyone($chance);
            $style = $styles[$i % count($styles)];
            $wanted = Documents::data()->style($style)->directionSessions;
            foreach (Documents::plan($client, 1, $style)->gaps as $gap) {
                $who = "{$style}, {$gap->category->value}: {$gap->why}";
                $isPlace = array_intersect($gap->codes, GapLifts::OF_PLACE) !== [];
                if ($gap->codes === []) {
                    self::assertMatchesRegularExpression('/leaves it at that|nothing of it is open/i', $gap->why);

                    continue;
                }
                $named++;
                $least = $isPlace ? $wanted : 1;
                $all = self::times($lifts->all($gap->codes, $client, $gap->category), $gap->category, $style);
                self::assertGreaterThanOrEqual($least, $all, $who);
                foreach (count($gap->codes) > 1 && $isPlace ? $gap->codes : [] as $code) {
                    $others = array_values(array_diff($gap->codes, [$code]));
                    self::assertLessThan(
                        $wanted,
                        self::times($lifts->all($others, $client, $gap->category), $gap->category, $style),
                        "{$code} is no reason: {$who}",
                    );
                }
            }
        }
        self::assertGreaterThan(5, $named);
    }

    public function test_what_leaves_a_direction_without_an_exercise_is_named(): void
    {
        $client = static fn (array $more): Client => Documents::client([
            'ability' => ['BR' => 4, 'AE' => 4, 'AF' => 4, 'AL' => 4, 'AR' => 4],
            'equipment' => ['mat', 'band'],
            'days' => ['mon' => 25, 'thu' => 25],
            ...$more,
        ]);
        $why = static fn (array $more, string $direction): array => array_values(array_map(
            static fn (Gap $gap): array => [$gap->codes, $gap->why],
            array_filter(Documents::plan($client($more))->gaps, static fn (Gap $gap): bool => $gap->category->value === $direction),
        ));
        $chosen = $why(['ladders' => ['brace', 'plank', 'bird-dog', 'side-plank']], 'AR');
        self::assertSame([['ladders-chosen'], 'None of its ladders is chosen.'], $chosen[0]);
        $days = $why(['days' => ['mon' => 25]], 'AE');
        self::assertSame([['days'], 'Once only: the week has one training day.'], $days[0]);
    }

    public function test_minutes_that_are_left_and_a_client_without_two_directions_are_noted(): void
    {
        $long = Documents::plan(Documents::client([
            'ability' => ['BR' => 4, 'AE' => 4, 'AF' => 4, 'AL' => 4, 'AR' => 4],
            'equipment' => Documents::ALL_KIT,
            'days' => ['mon' => 60, 'thu' => 60],
        ]));
        $left = array_values(array_filter($long->notes, static fn (Note $note): bool => $note->code === Note::MINUTES_UNUSED));
        self::assertCount(2, $left);
        self::assertStringContainsString('It has its 8 exercises, each with the most sets of the goal.', $left[0]->text);

        $all = array_map(
            static fn (string $limit): array => ['limit' => $limit, 'severity' => 'severe'],
            array_keys(Documents::data()->library()->limits),
        );
        $barred = Documents::plan(Documents::client([
            'limits' => $all,
            'days' => ['mon' => 20],
            'screen' => ['flags' => [], 'cleared' => true],
        ]));
        self::assertContains(Note::NOTHING_PROGRAMMABLE, array_map(static fn (Note $note): string => $note->code, $barred->notes));
    }
}
