<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Age;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\SafetyScreen;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * What age leaves out, at each border. Only the year of birth is known, so the careful age counts: the year less one for the young, the
 * year for the old. House rules.
 */
final class AgeTest extends TestCase
{
    private static function born(int $year, array $more = []): Client
    {
        return Documents::client(
            [
                'born' => $year,
                'as_of' => '2027-01-04',
                'equipment' => ['mat', 'band', 'kettlebell', 'ball', 'wheel', 'bar', 'wall', 'bench', 'throw-ball', 'ankle-weight'],
                ...$more,
            ],
        );
    }

    private static function rung(string $id): Rung
    {
        return Documents::data()->library()->rung($id);
    }

    /** @return iterable<string, array{int, string, ?string}> year of birth, rung, and what is said of it; null where it is done */
    public static function borders(): iterable
    {
        yield 'twelve: level 5 is done' => [2014, 'plank-foot-lift', null];
        yield 'twelve: level 6 is not' => [2014, 'plank-up-downs', 'is level 6, and under 13 it is 5 at most'];
        yield 'thirteen: level 6 is done' => [2013, 'plank-up-downs', null];
        yield 'thirteen: level 7 is done' => [2013, 'dead-bug-plate-overhead', null];
        yield 'thirteen: level 8 is not' => [2013, 'dead-bug-cuffs', 'is level 8, and under 18 it is 7 at most'];
        yield 'twelve: fast work of level 5 is not' => [2014, 'throw-chest-pass', 'is fast work, which waits until 18'];
        yield 'seventeen: fast work is not' => [2009, 'swing-two-hands', 'is fast work, which waits until 18'];
        yield 'eighteen: all of it is done' => [2008, 'swing-two-hands', null];
        yield 'eighteen: level 8 is done' => [2008, 'dead-bug-cuffs', null];
        yield 'sixty-four: fast work is done' => [1963, 'swing-two-hands', null];
        yield 'sixty-five: fast work is not' => [1962, 'swing-two-hands', 'is fast work, which is left out from 65'];
        yield 'sixty-five: level 4 is done' => [1962, 'rollout-ball', null];
        yield 'sixty-five: level 5 waits until something was shown' => [
            1962,
            'plank-foot-lift',
            'is level 5, and from 65 a rung over level 4 is one above what was shown; nothing was in anti-extension',
        ];
    }

    #[DataProvider('borders')]
    public function test_each_age_has_its_rungs(int $born, string $rung, ?string $says): void
    {
        self::assertSame($says, Age::of(self::born($born))->leavesOut(self::rung($rung), self::born($born)));
        self::assertSame(
            $says,
            Obstacles::between(
                self::born($born, ['ability' => ['AE' => 9, 'IN' => 9]]),
                self::rung($rung),
                Documents::data()->library(),
            )->unsuitable,
            'a typed ability shows nothing',
        );
    }

    public function test_from_sixty_five_a_rung_over_level_four_is_one_above_what_was_shown_in_its_direction(): void
    {
        $of = static fn (string $clean): Client => self::born(
            1950,
            ['tests' => ['ladders' => ['dead-bug' => ['highest_clean' => $clean]]]],
        );
        $library = Documents::data()->library();
        $five = array_values(
            array_filter($library->ladder('dead-bug')->rungs, static fn (Rung $rung): bool => $rung->level->value === 5),
        )[0];
        $four = array_values(
            array_filter($library->ladder('dead-bug')->rungs, static fn (Rung $rung): bool => $rung->level->value === 4),
        )[0];
        self::assertNull(Age::of($of($four->id))->leavesOut(self::rung('plank-foot-lift'), $of($four->id)), 'level 5 after level 4');
        self::assertSame(
            'is level 6, and from 65 a rung over level 4 is one above what was shown, level 4',
            Age::of($of($four->id))->leavesOut(self::rung('plank-up-downs'), $of($four->id)),
        );
        self::assertNull(Age::of($of($five->id))->leavesOut(self::rung('plank-up-downs'), $of($five->id)));
    }

    public function test_under_eight_nobody_is_planned_for_and_without_a_year_nobody_has_an_age(): void
    {
        $refers = static fn (Client $client): array => array_map(
            static fn ($referral): string => $referral->kind.' '.$referral->id.' '.$referral->urgency->value,
            (new SafetyScreen)->referrals($client),
        );
        self::assertSame(['limit age before-load'], $refers(self::born(2019)), 'seven, or eight already');
        self::assertSame([], $refers(self::born(2018)), 'eight at least');
        $nobody = Documents::client(['as_of' => '2027-01-04']);
        self::assertSame(
            [false, false, false, null],
            [
                Age::of($nobody)->isTooYoung(),
                Age::of($nobody)->isUnderAge(),
                Age::of($nobody)->isOld(),
                Age::of($nobody)->leavesOut(self::rung('swing-two-hands'), $nobody),
            ],
        );
    }
}
