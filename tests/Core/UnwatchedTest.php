<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use EvenRungs\Core\Ladder\RangeScale;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Planning\Edit\Unwatched;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * What may be done where nobody watches, at its borders (common practice, no source: home moves are ones already clean).
 */
final class UnwatchedTest extends TestCase
{
    /** @return iterable<string, array{bool, array<string, mixed>, 1?: bool, 2?: int}> */
    public static function sets(): iterable
    {
        yield 'whole, watched, without a fault' => [true, []];
        yield 'pain of 2 is acceptable' => [true, ['pain' => 2]];
        yield 'pain of 3 is not' => [false, ['pain' => 3]];
        yield 'sharp pain stops however little' => [false, ['pain' => 1, 'painKind' => PainKind::Sharp]];
        yield 'a repetition short' => [false, ['done' => 7]];
        yield 'left out' => [false, ['done' => 0, 'left' => true]];
        yield 'a fault' => [false, ['faults' => ['hips-sag']]];
        yield 'nobody wrote of faults' => [false, ['faults' => null]];
        yield 'nobody wrote of breathing' => [false, ['breathing' => null]];
        yield 'nobody watched' => [false, [], false];
        yield 'pain the next day' => [false, [], true, 3];
    }

    /** @param  array<string, mixed>  $set */
    #[DataProvider('sets')]
    public function test_a_log_shows_a_rung_clean(bool $isClean, array $set, bool $checked = true, ?int $nextDay = null): void
    {
        $set = new LoggedSet(...[
            'side' => 'left',
            'target' => 8,
            'done' => 8,
            'faults' => [],
            'cued' => [],
            'endedBy' => null,
            'pain' => 0,
            'painKind' => null,
            'effort' => 5,
            'breathing' => true,
            ...$set,
        ]);
        $session = new LoggedSession(new DateTimeImmutable('2026-11-02'), 0, 0, $nextDay, [$set], checked: $checked);

        self::assertSame($isClean, $session->isClean(RangeScale::share()));
    }

    public function test_a_log_a_test_or_standing_above_lets_a_rung_go_home_and_ability_alone_does_not(): void
    {
        $session = Documents::straight([['exercise' => 'heel-taps', 'reps' => 8, 'sets' => 2], ['exercise' => 'Own thing', 'reps' => 5]]);
        $left = static fn (array $client, array $logged = []): array => (new Unwatched(
            Documents::data()->library(),
            Documents::client($client),
            $logged,
        ))->leftOut($session);
        $unseen = 'Dead bug, heel taps: not shown clean yet by a log, a test or where the client stands.';
        $unknown = 'Own thing: not an exercise of the library.';

        self::assertSame([$unseen, $unknown], $left(['ability' => ['AE' => 8]]));
        self::assertSame([$unknown], $left([], ['heel-taps']));
        self::assertSame([$unknown], $left(['tests' => ['ladders' => ['dead-bug' => ['highest_clean' => 'heel-taps']]]]));
        self::assertSame([$unseen, $unknown], $left(['standings' => ['dead-bug' => ['rung' => 'both-arms', 'step' => 0]]]));
        self::assertSame([$unknown], $left(['standings' => ['dead-bug' => ['rung' => 'heel-taps', 'step' => 0]]]));
    }
}
