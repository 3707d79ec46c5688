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

    /** So many times as many at most. */
    private const PATIENCE = 5;

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        yield 'the same clients every time' => [20261128];
        $fresh = random_int(1, 1_000_000_000);
        yield 'fresh clients, seed '.$fresh => [$fresh];
    }

    #[DataProvider('seeds')]
    public function test_the_plans_of_many_are_what_a_practitioner_would_sign(int $seed): void
    {
        $chance = new Randomizer(new Mt19937($seed));
        $seen = new Population;
        $styles = Documents::data()->styleNames();
        $asked = (int) (getenv('EVEN_RUNGS_POPULATION') ?: self::CLIENTS);
        $i = 0;
        do {
            for ($more = 0; $more < $asked; $more++, $i++) {
                $client = Documents::anyone($chance);
                $style = $styles[$i % count($styles)];
                $seen->see($client, Documents::plan($client, self::WEEKS, $style), Documents::data()->style($style));
            }
            // a median of a few is chance: where one is off, it is judged by more
        } while (self::off($seen) !== [] && $i < self::PATIENCE * $asked);
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
        foreach ([...$seen->roleMedians(), ...$seen->medians()] as $of => $median) {
            fprintf(STDERR, "  %-52s %5.1f %%\n", "median share of {$of}", $median);
        }
        self::assertSame([], self::off($seen));
    }

    /** What is meant, and how far off a median may be: shares of the roles where the style has them, and of the directions in the sets. */
    private const MEDIANS = [
        'brace' => [50, 10], 'compound' => [35, 10], 'isolation' => [15, 10],
        'AE' => [25, 5], 'AF' => [25, 5], 'AL' => [25, 5], 'AR' => [25, 5],
    ];

    /** @return array<string, float> medians that are further off */
    private static function off(Population $seen): array
    {
        return array_filter(
            [...$seen->roleMedians(), ...$seen->medians()],
            static fn (float $median, string $of): bool => abs($median - self::MEDIANS[$of][0]) > self::MEDIANS[$of][1],
            ARRAY_FILTER_USE_BOTH,
        );
    }
}
