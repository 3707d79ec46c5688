<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

final class OpeningTest extends TestCase
{
    public function test_deep_layers_first_opens_lying_for_whoever_was_not_tested(): void
    {
        $opens = static fn (array $more, string $style): string => Documents::plan(Documents::client([
            'equipment' => Documents::ALL_KIT,
            'ability' => ['BR' => 3, 'AE' => 3, 'AF' => 3, 'AL' => 3, 'AR' => 3],
            'days' => ['mon' => 20],
            ...$more,
        ]), 1, $style)->weeks[0]->sessions[0]->entries()[0]->exercise;
        $tested = ['tests' => ['ladders' => ['back-switch-on' => ['highest_clean' => 'back-switch-on-all-fours']]]];

        self::assertSame('back-switch-on-lying', $opens([], 'quiet-start'));
        self::assertSame('back-switch-on-all-fours', $opens($tested, 'quiet-start'), 'where it was shown clean');
        self::assertSame(
            'back-switch-on-standing',
            $opens(['limits' => [['limit' => 'floor-transfer', 'severity' => 'severe']]], 'quiet-start'),
            'the first that is open',
        );
        self::assertSame('standing-brace-reach', $opens([], 'even-keel'));
    }
}
