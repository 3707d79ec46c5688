<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;
use Tests\Support\Population;

/**
 * The plans of many clients beside what a practitioner would sign, each line held. `EVEN_RUNGS_POPULATION` asks for more clients.
 */
final class PopulationTest extends TestCase
{
    private const CLIENTS = 70;

    private const WEEKS = 5;

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        yield 'the same clients every time' => [20261128];
        // a median of a few is chance: fresh clients are asked for only where there are many
        if (getenv('EVEN_RUNGS_POPULATION') !== false) {
            $fresh = random_int(1, 1_000_000_000);
            yield 'fresh clients, seed '.$fresh => [$fresh];
        }
    }

    #[DataProvider('seeds')]
    public function test_the_plans_of_many_are_what_a_practitioner_would_sign(int $seed): void
    {
        $chance = new Randomizer(new Mt19937($seed));
        $seen = new Population;
        $styles = Documents::data()->styleNames();
        for ($i = 0; $i < (int) (getenv('EVEN_RUNGS_POPULATION') ?: self::CLIENTS); $i++) {
            $client = Documents::anyone($chance);
            $style = $styles[$i % count($styles)];
            $seen->see($client, Documents::plan($client, self::WEEKS, $style), Documents::data()->style($style));
        }
        fprintf(STDERR, "\n%d clients, %d weeks each, seed %d\n", $seen->count['clients'], self::WEEKS, $seed);
        foreach ([
            ['sessions over their exercises', 'sessions', 0],
            ['exercises with one set', 'exercises', 10],
            ['hard sessions with room that use less', 'hard sessions', 5],
            ['weeks that shrink', 'weeks after the first', 0],
            ['sessions of the young that move before they hold', 'sessions of the young', 0],
            ['rests and tempos outside their tables', 'sessions', 0],
            ['reasons that fail when lifted', 'reasons', 0],
            ['rungs that a clinician’s table bars', 'exercises of all', 0],
        ] as [$what, $of, $most]) {
            $percent = $seen->percent($what, $of);
            fprintf(STDERR, "  %-52s %5.1f %% of %d %s, %d allowed\n", $what, $percent, $seen->count[$of] ?? 0, $of, $most);
            self::assertLessThanOrEqual($most, $percent, $what);
        }
        foreach ($seen->roleMedians() as $role => $median) {
            $meant = ['brace' => 50, 'compound' => 35, 'isolation' => 15][$role];
            fprintf(STDERR, "  %-52s %5.1f %% for %d\n", "median share of {$role} where the style has shares", $median, $meant);
            self::assertEqualsWithDelta($meant, $median, 10, $role);
        }
        foreach ($seen->medians() as $direction => $median) {
            fprintf(STDERR, "  %-52s %5.1f %%\n", "median share of {$direction} in the sets", $median);
            self::assertEqualsWithDelta(25, $median, 5, $direction);
        }
    }
}
