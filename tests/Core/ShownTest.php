<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Client\Cleared;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Client\SafetyScreen;
use EvenRungs\Core\Client\ScreenDue;
use EvenRungs\Core\Client\Shown;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Time\Weekday;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * What a client has shown, what is cleared and still stopped, and small questions about them, at the borders.
 */
final class ShownTest extends TestCase
{
    private static function rung(string $id): Rung
    {
        return Documents::data()->library()->rung($id);
    }

    /** @param  array<string, mixed>  $more */
    private static function client(array $more = []): Client
    {
        return Documents::client(['as_of' => '2027-01-10', ...$more]);
    }

    public function test_a_gate_is_shown_by_a_test_a_training_a_standing_above_it_or_an_ability_a_level_over_it(): void
    {
        $library = Documents::data()->library();
        $ladder = $library->ladder('plank');
        $gate = self::rung('forearm-plank');
        $place = (int) $ladder->indexOf($gate->id);
        [$below, $above] = [$ladder->rungs[$place - 1], $ladder->rungs[$place + 1]];
        $has = static fn (array $more): bool => Shown::by(self::client($more))->has($gate, $library);
        $clean = static fn (Rung $rung): array => ['tests' => ['ladders' => ['plank' => ['highest_clean' => $rung->id]]]];
        $stands = static fn (Rung $rung): array => ['standings' => ['plank' => ['rung' => $rung->id]]];
        self::assertFalse($has([]));
        self::assertTrue($has($clean($gate)));
        self::assertTrue($has($clean($above)));
        self::assertFalse($has($clean($below)));
        self::assertFalse($has($stands($gate)), 'who stands on it works at it');
        self::assertTrue($has($stands($above)));
        self::assertFalse($has($stands($below)));
        $level = $gate->level->value;
        self::assertFalse($has(['ability' => [$gate->category->value => $level]]));
        self::assertTrue($has(['ability' => [$gate->category->value => $level + 1]]));
        self::assertTrue(Shown::by(self::client()->withShown(['plank' => $gate->id]))->has($gate, $library));
        self::assertFalse(Shown::by(self::client()->withShown(['plank' => $below->id]))->has($gate, $library));
        self::assertFalse(Shown::by(self::client()->withShown(['plank' => 'nobody']))->has($ladder->rungs[0], $library));
        self::assertTrue(Shown::by(self::client($clean($ladder->rungs[0])))->has($ladder->rungs[0], $library));
        self::assertFalse(Shown::by(self::client($stands($ladder->rungs[0])))->has($ladder->rungs[0], $library));
    }

    public function test_a_typed_ability_over_six_counts_as_six_until_something_shows_it(): void
    {
        $of = static fn (array $more): array => [
            Shown::by(self::client($more))->abilityIn(Category::from('AE'))?->value,
            Shown::by(self::client($more))->isHeldBack(Category::from('AE')),
        ];
        self::assertSame([null, false], $of([]));
        self::assertSame([6, false], $of(['ability' => ['AE' => 6]]));
        self::assertSame([6, true], $of(['ability' => ['AE' => 7]]));
        self::assertSame([7, false], $of(['ability' => ['AE' => 7], 'tests' => ['front-plank_s' => 20]]));
        self::assertSame([6, true], $of(['ability' => ['AE' => 7], 'tests' => ['extensor_s' => 20]]), 'that is another direction');
        self::assertSame([7, false], $of(['ability' => ['AE' => 7], 'standings' => ['plank' => ['rung' => 'forearm-plank']]]));
        self::assertSame(
            [7, false],
            $of(['ability' => ['AE' => 7], 'tests' => ['ladders' => ['plank' => ['highest_clean' => 'forearm-plank']]]]),
        );
        $level = static fn (array $more): ?int => Shown::by(self::client($more))->level(Category::from('AL'));
        self::assertNull($level(['standings' => ['plank' => ['rung' => 'forearm-plank']]]));
        self::assertSame(
            min(self::rung('side-plank-split')->level->value, self::rung('side-plank-knees')->level->value),
            $level(
                [
                    'tests' => [
                        'ladders' => ['side-plank' => ['highest_clean' => ['left' => 'side-plank-split', 'right' => 'side-plank-knees']]],
                    ],
                ],
            ),
            'the worse side',
        );
        self::assertTrue(Basis::Ability->isAssumed() && Basis::Entry->isAssumed() && Basis::None->isAssumed());
        self::assertFalse(Basis::Standing->isAssumed() || Basis::Test->isAssumed() || Basis::HighestClean->isAssumed());
    }

    public function test_a_stop_of_a_ladder_ends_by_a_later_letter_for_it_or_for_all(): void
    {
        $on = static function (array $clearances): ?string {
            $client = self::client([
                'standings' => ['plank' => ['rung' => 'forearm-plank', 'stopped' => '2027-01-05']],
                'clearances' => $clearances,
            ]);

            return Cleared::for($client)->stopOn('plank')?->format('Y-m-d');
        };
        $of = static fn (string $lifts, string $day, array $more = []): array => [
            'lifts' => $lifts,
            'on' => $day,
            'by' => 'A',
            'role' => 'B',
            ...$more,
        ];
        self::assertSame('2027-01-05', $on([]));
        self::assertSame('2027-01-05', $on([$of('stop:plank', '2027-01-05')]), 'not of the same day');
        self::assertNull($on([$of('stop:plank', '2027-01-06')]));
        self::assertNull($on([$of('stop:all', '2027-01-06')]));
        self::assertSame('2027-01-05', $on([$of('stop:side-plank', '2027-01-06')]));
        self::assertSame('2027-01-05', $on([$of('stop:plank', '2027-01-06', ['until' => '2027-01-09'])]), 'it ran out');
        self::assertNull(Cleared::for(self::client())->stopOn('plank'));
        $levels = static fn (array $clearances): ?int => Cleared::for(self::client(['clearances' => $clearances]))->level();
        self::assertNull($levels([$of('stop:plank', '2027-01-06')]));
        self::assertSame(
            3,
            $levels([$of('stop:plank', '2027-01-06', ['max_level' => 5]), $of('stop:all', '2027-01-07', ['max_level' => 3])]),
        );
        self::assertSame(5, $levels([
            $of('stop:plank', '2027-01-06', ['max_level' => 5]),
            $of('stop:all', '2027-01-07', ['max_level' => 3, 'until' => '2027-01-08']),
        ]));
    }

    public function test_the_most_urgent_is_referred_first(): void
    {
        $client = self::client([
            'limits' => ['pregnancy'],
            'screen' => ['flags' => ['night-pain', 'chest-pain']],
            'stopped' => ['on' => '2027-01-05', 'kind' => 'numb'],
        ]);
        self::assertSame(
            ['emergency', 'prompt', 'prompt', 'before-load'],
            array_map(static fn ($each): string => $each->urgency->value, (new SafetyScreen)->referrals($client)),
        );
    }

    public function test_a_stop_on_the_day_of_the_screen_makes_it_due(): void
    {
        $day = new DateTimeImmutable('2026-11-26');
        self::assertSame('2026-11-26', ScreenDue::after($day, stop: $day)->on->format('Y-m-d'));
        self::assertSame('Training was stopped since the last screen.', ScreenDue::after($day, stop: $day)->why);
    }

    public function test_days_kit_and_directions_of_a_client(): void
    {
        $client = self::client([
            'days' => ['mon' => 20, 'thu' => 30],
            'home' => ['days' => ['thu'], 'equipment' => ['band']],
            'equipment' => ['mat', 'kettlebell'],
            'other_training' => [['day' => 'tue', 'type' => 'heavy-lift'], ['day' => 'tue', 'type' => 'endurance']],
        ]);
        self::assertSame([20, 0, 30], array_map($client->minutesOn(...), [Weekday::Monday, Weekday::Tuesday, Weekday::Thursday]));
        self::assertSame([false, true], array_map($client->isAtHomeOn(...), [Weekday::Monday, Weekday::Thursday]));
        self::assertFalse(self::client()->isAtHomeOn(Weekday::Thursday));
        self::assertSame(['band'], $client->atHome()->equipment);
        self::assertCount(2, $client->otherTrainingOn(Weekday::Tuesday));
        self::assertSame([], $client->otherTrainingOn(Weekday::Monday));
        $held = $client->evened([Category::from('AE')]);
        self::assertTrue($held->holds(self::rung('forearm-plank')));
        self::assertFalse($held->holds(self::rung('side-plank-split')));
        self::assertFalse($client->holds(self::rung('forearm-plank')));
        $needs = self::rung('hinge-kettlebell-floor');
        self::assertSame([], $client->missingKit($needs));
        self::assertSame($needs->equipment, self::client(['equipment' => []])->missingKit($needs));
    }

    public function test_what_is_sore_today_counts_as_the_worse_of_both(): void
    {
        $limits = Documents::data()->library()->limits;
        $client = self::client(['limits' => [['limit' => 'wrist', 'severity' => 'mild']]]);
        $sore = static fn (string $severity): string => $client->sore(
            self::client(['limits' => [['limit' => 'wrist', 'severity' => $severity]]])->limits,
        )->limits[0]->severity->value;
        self::assertSame(['mild', 'moderate', 'severe'], array_map($sore, ['mild', 'moderate', 'severe']));
        $severe = self::client(['limits' => [['limit' => 'wrist', 'severity' => 'severe']]]);
        self::assertSame('severe', $severe->sore($client->limits)->limits[0]->severity->value);
        self::assertCount(2, $client->sore(self::client(['limits' => ['neck']])->limits)->limits);
        self::assertCount(1, $client->with($client->limits[0])->limits, 'nothing twice');
        self::assertArrayHasKey('wrist', $limits);
    }

    public function test_limits_cap_holds_and_time_on_the_back_by_the_smallest(): void
    {
        $of = static fn (array $limits): array => [
            Limit::holdCap(self::client(['limits' => $limits, 'screen' => ['flags' => [], 'cleared' => true]])->limits)?->toNumber(),
            Limit::flatUnder(self::client(['limits' => $limits, 'screen' => ['flags' => [], 'cleared' => true]])->limits)?->toNumber(),
        ];
        self::assertSame([null, null], $of([]));
        self::assertSame([null, null], $of(['wrist']));
        self::assertSame([10, null], $of(['blood-pressure']));
        self::assertSame(60, $of(['pregnancy'])[1]);
        self::assertSame([10, 60], $of(['pregnancy', 'blood-pressure']));
    }

    public function test_who_is_away_trains_at_no_home_and_a_symptom_of_the_day_of_the_screen_is_new(): void
    {
        $client = self::client(['days' => ['mon' => 20], 'home' => ['days' => ['mon'], 'equipment' => []]]);
        $away = $client->inPlace(['tue' => 15], ['band']);
        self::assertSame([15, 0, ['band']], [$away->minutesOn(Weekday::Tuesday), $away->minutesOn(Weekday::Monday), $away->equipment]);
        self::assertFalse($away->isAtHomeOn(Weekday::Monday));
        self::assertTrue($client->isAtHomeOn(Weekday::Monday));
        $day = new DateTimeImmutable('2026-11-26');
        self::assertSame('2026-11-26', ScreenDue::after($day, newSymptom: $day)->on->format('Y-m-d'));
    }
}
