<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionShape;
use EvenRungs\Core\Time\Seconds;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Fewer exercises with enough sets: at most 3 up to 8 minutes, 4 up to 15, 6 up to 25, 7 up to 40, 8 above, learners 5 (house rule).
 */
final class SessionShapeTest extends TestCase
{
    use TestTrait;
    use Weeks;

    private const CLIENTS = 26;

    /** @return iterable<string, array{int, array<string, mixed>, int}> */
    public static function lengths(): iterable
    {
        yield 'eight minutes' => [480, [], 3];
        yield 'a second more' => [481, [], 4];
        yield 'a quarter of an hour' => [900, [], 4];
        yield 'a second over it' => [901, [], 6];
        yield '25 minutes' => [1500, [], 6];
        yield 'a second over them' => [1501, [], 7];
        yield '40 minutes' => [2400, [], 7];
        yield 'more' => [2401, [], 8];
        yield 'an hour of rehab' => [3600, ['goal' => 'rehab'], 5];
        yield 'half an hour at 72' => [1800, ['goal' => 'healthy-ageing', 'born' => 1954], 5];
        yield 'eight minutes of learning' => [480, ['goal' => 'youth', 'born' => 2014], 3];
        yield 'half an hour at 16 for strength' => [1800, ['goal' => 'strength', 'born' => 2009], 5];
        yield 'half an hour at 18 for strength' => [1800, ['goal' => 'strength', 'born' => 2007], 7];
    }

    /** @param  array<string, mixed>  $client */
    #[DataProvider('lengths')]
    public function test_a_session_holds_so_many_exercises(int $seconds, array $client, int $most): void
    {
        self::assertSame(
            $most,
            SessionShape::mostExercises(Seconds::of($seconds), Documents::client(['as_of' => '2026-06-01', ...$client])),
        );
    }

    public function test_half_an_hour_has_seven_exercises_with_two_sets_or_three_of_each(): void
    {
        $sessions = self::week(['days' => ['mon' => 30, 'thu' => 30]])->weeks[0]->sessions;
        self::assertCount(2, $sessions);
        foreach ($sessions as $session) {
            $sets = array_map(static fn (Entry $entry): int => $entry->dose->sets, self::beside($session));
            self::assertContains(count($sets), [6, 7], 'exercises on '.$session->day->label());
            self::assertSame([], array_diff($sets, [2, 3]), 'sets on '.$session->day->label());
        }
    }

    public function test_no_plan_has_more_and_nothing_comes_before_two_sets_of_what_is_there(): void
    {
        $this->limitTo(self::CLIENTS)->forAll(
            Generators::elements('general', 'rehab', 'strength', 'rotational-sport', 'endurance-sport', 'youth', 'healthy-ageing'),
            Generators::elements('even-keel', 'full-compass', 'quiet-start', 'ten-count', 'little-often'),
            Generators::choose(6, 60),
            Generators::choose(6, 60),
            Generators::choose(2, 7),
        )->then(function (string $goal, string $style, int $monday, int $thursday, int $level): void {
            $client = Documents::client([
                'goal' => $goal,
                'equipment' => Documents::ALL_KIT,
                'ability' => array_fill_keys(['BR', 'AE', 'AF', 'AL', 'AR', 'HP', 'SG', 'IN'], $level),
                'days' => ['mon' => $monday, 'thu' => $thursday],
            ]);
            foreach (Documents::plan($client, 1, $style)->weeks[0]->sessions as $session) {
                self::assertKeepsItsShape($session, $client);
            }
        });
    }

    private static function assertKeepsItsShape(Session $session, Client $client): void
    {
        if ($session->kind === Kind::Activation) {
            return;
        }
        $entries = self::beside($session);
        $length = Seconds::of(60 * $client->minutesOn($session->day));
        self::assertLessThanOrEqual(SessionShape::mostExercises($length, $client), count($entries));
        $circuit = array_filter($session->blocks, static fn ($block): bool => $block instanceof CircuitBlock) !== [];
        $accessories = array_filter($entries, static fn (Entry $entry): bool => ! self::category($entry)->isDirection());
        if ($circuit || $accessories === [] || ! self::isHard($session)) {
            return;
        }
        foreach ($entries as $entry) {
            self::assertTrue(
                ! self::category($entry)->isDirection() || $entry->dose->sets >= 2,
                $entry->exercise.' has one set beside an accessory',
            );
        }
    }

    /** @return list<Entry> beside switch-on and bracing */
    private static function beside(Session $session): array
    {
        return array_values(array_filter(
            $session->entries(),
            static fn (Entry $entry): bool => self::category($entry) !== Category::Bracing,
        ));
    }

    private static function category(Entry $entry): Category
    {
        return $entry->planned->category ?? self::fail($entry->exercise.' was not planned');
    }
}
