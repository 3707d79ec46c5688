<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Planning\Session\Preparation;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\MinutesLeft;
use EvenRungs\Core\Program\Prepared;
use EvenRungs\Core\Program\Segment;
use EvenRungs\Core\Program\SegmentKind;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Timeline;
use EvenRungs\Core\Time\Seconds;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Warm-up and cool-down: a tenth of the minutes each, of moves that the client may do.
 */
final class PreparationTest extends TestCase
{
    /** @param  array<string, mixed>  $more */
    private static function planned(int $minutes, array $more = []): Session
    {
        return Documents::plan(self::client($minutes, $more))->weeks[0]->sessions[0];
    }

    /** @param  array<string, mixed>  $more */
    private static function client(int $minutes, array $more = []): Client
    {
        return Documents::client([
            'equipment' => Documents::ALL_KIT,
            'ability' => ['BR' => 3, 'AE' => 3, 'AF' => 3, 'AL' => 3, 'AR' => 3],
            'days' => ['tue' => $minutes],
            'screen' => ['flags' => [], 'cleared' => true],
            ...$more,
        ]);
    }

    /** @return list<Rung> */
    private static function moves(): array
    {
        $tables = Documents::data()->library()->preparation;

        return [...$tables['warm-up']->rungs, ...$tables['cool-down']->rungs];
    }

    /** @return iterable<string, array{int, int, int}> minutes, and seconds of warm-up and cool-down */
    public static function minutes(): iterable
    {
        yield 'under a quarter of an hour' => [14, 0, 0];
        yield 'a quarter of an hour' => [15, 90, 90];
        yield 'rounded down' => [19, 90, 90];
        yield 'twenty' => [20, 120, 120];
        yield 'twenty-five' => [25, 150, 120];
        yield 'as long as it gets' => [30, 180, 120];
    }

    /** House rule: a tenth of the minutes each, in whole half minutes, at most 3:00 and 2:00. */
    #[DataProvider('minutes')]
    public function test_a_stand_alone_session_has_a_tenth_of_its_minutes(int $minutes, int $warmUp, int $coolDown): void
    {
        $session = self::planned($minutes);
        $prepared = $session->prepared;

        self::assertSame([$warmUp, $coolDown], [$session->warmUp->toNumber(), $session->coolDown->toNumber()]);
        self::assertTrue($prepared->fills($session), 'every half minute has a move');
        self::assertLessThanOrEqual(60_000 * $minutes, Documents::time($session)->time->total()->ms);
    }

    public function test_what_follows_lifting_or_sport_is_warm_already(): void
    {
        foreach (['heavy-lift' => null, 'light-lift' => Kind::AfterLift, 'endurance' => Kind::AfterSport,
            'skill-sport' => Kind::AfterSport] as $type => $kind) {
            $session = self::planned(30, ['other_training' => [['day' => 'tue', 'type' => $type]]]);
            self::assertTrue($session->warmUp->isZero() && $session->coolDown->isZero(), $type);
            self::assertNotSame(Kind::Standalone, $session->kind, $type);
            $kind === null || self::assertSame($kind, $session->kind);
        }
    }

    public function test_every_limit_and_all_together_leave_moves_that_they_allow(): void
    {
        $library = Documents::data()->library();
        $all = [];
        foreach ($library->limits as $limit) {
            $all[] = ['limit' => $limit->id, 'severity' => 'severe'];
            foreach (['mild', 'moderate', 'severe'] as $severity) {
                $limits = [['limit' => $limit->id, 'severity' => $severity]];
                $this->assertSuits(self::client(30, ['limits' => $limits]), $limit->id.' '.$severity);
            }
        }
        $client = self::client(30, ['limits' => $all, 'equipment' => []]);
        $moves = $this->assertSuits($client, 'all limits at once');
        foreach ($moves as $move) {
            foreach (['shoulder-load', 'overhead', 'wrist-load', 'kneel', 'floor', 'balance', 'spine-flexion'] as $stress) {
                self::assertSame(0, $move->grade($stress), "{$move->id}: {$stress}");
            }
        }
    }

    /** @return list<Rung> */
    private function assertSuits(Client $client, string $who): array
    {
        $library = Documents::data()->library();
        $session = (new Preparation($library))->suiting(self::planned(30), $client);
        self::assertSame([180, 120], [$session->warmUp->toNumber(), $session->coolDown->toNumber()], $who);
        $prepared = $session->prepared;
        self::assertTrue($prepared->fills($session), $who);
        $moves = [];
        foreach ([...$prepared->warmUp, ...$prepared->coolDown] as [$id]) {
            $move = $library->preparing($id);
            self::assertNotNull($move);
            self::assertTrue(Obstacles::between($client, $move, $library)->isClear(), "{$who}: {$id}");
            $moves[] = $move;
        }

        return $moves;
    }

    public function test_moves_in_somebodys_own_words_stay(): void
    {
        $sore = self::client(20, ['limits' => [['limit' => 'shoulder', 'severity' => 'severe']]]);
        $own = self::planned(20)->prepared(new Prepared([['Skipping rope', Seconds::of(120)]], []));
        $preparation = new Preparation(Documents::data()->library());

        self::assertSame($own, $preparation->suiting($own, $sore));
        $planned = self::planned(20);
        self::assertNotEquals($planned->prepared, $preparation->suiting($planned, $sore)->prepared, 'arm circles go');
    }

    /** House rule: in pregnancy unbroken time flat on the back stays under a minute. */
    public function test_nobody_pregnant_lies_flat_for_a_minute(): void
    {
        $flat = $longest = 0;
        $session = self::planned(30, ['limits' => ['pregnancy']]);
        foreach ($session->prepared->coolDown as [$id, $time]) {
            $flat = Documents::data()->library()->preparing($id)?->grade('supine') > 0 ? $flat + $time->toNumber() : 0;
            $longest = max($longest, $flat);
        }
        self::assertLessThan(60, $longest);
    }

    public function test_the_clock_names_each_move(): void
    {
        $session = self::planned(20);
        $laid = Timeline::of($session, Documents::data()->library());
        $warm = array_values(array_filter($laid, static fn (Segment $each): bool => $each->kind === SegmentKind::WarmUp));

        self::assertSame(['easy-walk', 'slow-half-squats', 'standing-breathing', 'arm-circles'], array_map(
            static fn (Segment $each): ?string => $each->exercise,
            $warm,
        ));
        self::assertSame([0, 120_000], [$warm[0]->startMs, $warm[3]->endMs]);
        self::assertSame(SegmentKind::CoolDown, $laid[count($laid) - 1]->kind);
        self::assertSame('knees-wide-rest', $laid[count($laid) - 4]->exercise);
    }

    public function test_fewer_minutes_at_the_door_take_the_preparation_first(): void
    {
        $library = Documents::data()->library();
        $session = self::planned(30);
        $short = (new MinutesLeft($session, $library))->into(Seconds::of(600));
        $middle = (new MinutesLeft($session, $library))->into(Seconds::of(1200));

        self::assertNotNull($short);
        self::assertNotNull($middle);
        self::assertLessThan(90, $short->warmUp->plus($short->coolDown)->toNumber(), 'ten minutes have none but what is left over');
        self::assertSame(120, $middle->coolDown->toNumber());
        self::assertContains($middle->warmUp->toNumber(), [120, 150, 180], 'a tenth of twenty minutes, and what is left over');
        self::assertGreaterThanOrEqual(4, count($short->entries()));
        $typed = new Session($session->day, $session->kind, $session->blocks, Seconds::of(200), Seconds::zero(), $session->change);
        $left = (new MinutesLeft($typed, $library))->into(Seconds::of(1200));
        self::assertSame(200, $left?->warmUp->toNumber(), 'what the trainer typed stays');
    }

    /** A machine can judge so much of a move: it says what it loads by how it is done, and its cue is for a fault it has. */
    public function test_every_move_is_graded_for_what_it_is(): void
    {
        $standing = 0;
        foreach (self::moves() as $move) {
            $coaching = $move->coaching();
            self::assertNotSame([], $coaching->setup, $move->id);
            foreach ($coaching->cues as $cue) {
                self::assertContains($cue->fault, $move->faults, $move->id);
            }
            $onFloor = $move->position->value !== 'standing';
            self::assertSame($onFloor, $move->grade('floor') >= 2, $move->id.' on the floor');
            self::assertSame($move->position->value === 'all-fours', $move->grade('kneel') > 0, $move->id.' kneels');
            self::assertSame($move->position->value === 'back', $move->grade('supine') > 0, $move->id.' on the back');
            self::assertSame([], $move->equipment, $move->id.' needs nothing');
            $standing += $onFloor ? 0 : 1;
        }
        self::assertGreaterThanOrEqual(6, $standing);
    }
}
