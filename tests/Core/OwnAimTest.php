<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Review\Testing\OwnAim;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * The client's own aim, scored 0 to 10. A change of 3 points of one activity is beyond the noise: Stratford P, Gill C, Westaway M,
 * Binkley J (1995) Physiother Can 47(4):258–263 (from memory).
 */
final class OwnAimTest extends TestCase
{
    /** @return iterable<string, array{list<array{on: string, score: int}>, ?int, string}> */
    public static function scores(): iterable
    {
        yield 'none' => [[], null, 'Not scored yet.'];
        yield 'one' => [[['on' => '2026-11-02', 'score' => 3]], null, '3 of 10.'];
        yield 'two points may be chance' => [
            [['on' => '2026-11-02', 'score' => 3], ['on' => '2026-11-23', 'score' => 5]],
            2,
            '5 of 10, from 3 at first: a change of less than 3 may be chance.',
        ];
        yield 'three are better' => [
            [['on' => '2026-11-02', 'score' => 3], ['on' => '2026-11-23', 'score' => 6]],
            3,
            '6 of 10, 3 better than at first.',
        ];
        yield 'and worse, in whatever order they were written' => [
            [['on' => '2026-11-23', 'score' => 1], ['on' => '2026-11-02', 'score' => 4]],
            -3,
            '1 of 10, 3 worse than at first.',
        ];
        yield 'the last of a day counts' => [
            [['on' => '2026-11-02', 'score' => 9], ['on' => '2026-11-02', 'score' => 4], ['on' => '2026-11-23', 'score' => 4]],
            0,
            '4 of 10, from 4 at first: a change of less than 3 may be chance.',
        ];
    }

    /** @param  list<array{on: string, score: int}>  $scores */
    #[DataProvider('scores')]
    public function test_what_the_scores_say(array $scores, ?int $change, string $says): void
    {
        $aim = OwnAim::of('carry the boat', $scores);
        self::assertSame([$change, $says], [$aim->change(), $aim->says()]);
    }

    public function test_it_is_asked_again_after_three_weeks(): void
    {
        $aim = OwnAim::of('carry the boat', []);
        self::assertTrue($aim->isDue(new DateTimeImmutable('2026-11-02')), 'never scored');
        $scored = $aim->scored('2026-11-02', 4);
        self::assertSame(
            [false, true],
            [$scored->isDue(new DateTimeImmutable('2026-11-22')), $scored->isDue(new DateTimeImmutable('2026-11-23'))],
        );
    }

    public function test_a_score_is_nought_to_ten(): void
    {
        self::assertCount(2, OwnAim::of('row', [['on' => '2026-11-02', 'score' => 0]])->scored('2026-11-03', 10)->scores);
        $this->expectException(InvalidValue::class);
        OwnAim::of('row', [])->scored('2026-11-02', 11);
    }
}
