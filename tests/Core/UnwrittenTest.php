<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Program\Unwritten;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

final class UnwrittenTest extends TestCase
{
    public function test_what_the_writer_left_out_is_named_and_only_that(): void
    {
        $library = Documents::data()->library();
        $cases = [
            ['dead-bug-opposite', '3 × 8', ['rest', 'side', 'tempo']],
            ['dead-bug-opposite', '3 × 8 /alt 2-0-2-0 r0:30', []],
            ['forearm-plank', '2 × 20 s r0:30', []],
            ['side-plank-split', '2 × 40 s work r0:10', []],
            ['side-plank-split', '2 × 20 s r0:10', ['side']],
            ['carry-hip', '2 × 20 m /s r0:30', ['load']],
            ['carry-hip', '2 × 20 m /s @12 kg r0:30', []],
        ];
        foreach ($cases as [$rung, $dose, $missing]) {
            self::assertSame($missing, Unwritten::in(Shorthand::parse($dose), $library->rung($rung)), $rung.' '.$dose);
        }
        self::assertSame(
            ['rest', 'tempo'],
            Unwritten::in(Shorthand::parse('3 × 8'), null),
            'of a name nobody knows neither side nor load is missed',
        );
    }
}
