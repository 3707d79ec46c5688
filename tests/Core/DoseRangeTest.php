<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Ladder\DoseRange;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

final class DoseRangeTest extends TestCase
{
    /** @return iterable<string, array{string, string, string}> */
    public static function doses(): iterable
    {
        // the forearm plank goes from 10 to 45 s
        yield 'the start' => ['forearm-plank', '2 × 10 s', 'usual'];
        yield 'the top' => ['forearm-plank', '2 × 45 s', 'usual'];
        yield 'in pieces' => ['forearm-plank', '2 × (4 × 10 s / 5 s)', 'usual'];
        yield 'a second under the start' => ['forearm-plank', '2 × 9 s', 'noted'];
        yield 'twice the top' => ['forearm-plank', '2 × 90 s', 'noted'];
        yield 'over twice the top' => ['forearm-plank', '2 × 91 s', 'far'];
        yield 'six sets' => ['forearm-plank', '6 × 20 s', 'usual'];
        yield 'seven sets' => ['forearm-plank', '7 × 20 s', 'far'];
        yield 'counted otherwise' => ['forearm-plank', '2 × 8', 'usual'];
        yield 'many repetitions' => ['heel-taps', '2 × 40 /alt', 'far'];
    }

    #[DataProvider('doses')]
    public function test_what_is_unusual_is_noted_and_what_is_far_out_is_called_so(string $rung, string $dose, string $expected): void
    {
        $parsed = Shorthand::parse($dose);
        $range = DoseRange::outside($parsed, Documents::data()->library()->rung($rung)->steps, $parsed->sets);

        self::assertSame($expected, $range === null ? 'usual' : ($range->isFar ? 'far' : 'noted'), $range->text ?? '');
    }

    public function test_the_numbers_that_an_audit_shows_are_in_what_the_rung_is_counted_in(): void
    {
        $of = static fn (string $rung, string $dose): ?DoseRange => DoseRange::outside(
            Shorthand::parse($dose),
            Documents::data()->library()->rung($rung)->steps,
            Shorthand::parse($dose)->sets,
        );
        $held = $of('forearm-plank', '2 × 60 s');
        self::assertSame('60 s; usual here are 10 to 45', $held?->text);
        self::assertEquals(['given' => 60, 'start' => 10, 'top' => 45], $held?->evidence);
        $top = Documents::data()->library()->rung('heel-taps')->top()->measure->amount();
        $counted = $of('heel-taps', sprintf('2 × %d /alt', $top + 1));
        self::assertEquals($top + 1, $counted?->evidence['given']);
        self::assertStringContainsString('repetitions; usual here are', (string) $counted?->text);
        self::assertNull($of('heel-taps', '2 × 30 s'), 'counted otherwise');
        self::assertNull($of('forearm-plank', '2 × (6 × 10 s / 5 s)'), 'in pieces it is far out only over twice the top');
        self::assertTrue($of('forearm-plank', '2 × (10 × 10 s / 5 s)')?->isFar);
        self::assertEquals(['sets' => 7, 'most_sets' => 6], $of('heel-taps', '7 × 8 /alt')?->evidence);
    }
}
