<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Placement\Obstacles;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * What a cautious clinician would bar and keep, limit by limit: made for this, common practice, no source. A soreness is meant at moderate
 * severity, a medical limit with its clearance.
 */
final class ClinicianTest extends TestCase
{
    /** @return list<array{limit: string, bars: string, barred: list<string>, keeps: string, open: list<string>}> */
    private static function table(): array
    {
        return json_decode((string) file_get_contents(dirname(__DIR__).'/cases/clinician.json'), true);
    }

    /** @return iterable<string, array{string, string, list<string>, string, list<string>}> */
    public static function limits(): iterable
    {
        foreach (self::table() as $row) {
            yield $row['limit'] => $row;
        }
    }

    /**
     * @param  list<string>  $barred
     * @param  list<string>  $open
     */
    #[DataProvider('limits')]
    public function test_a_limit_bars_what_loads_it_and_keeps_the_rest(
        string $limit,
        string $bars,
        array $barred,
        string $keeps,
        array $open,
    ): void {
        $library = Documents::data()->library();
        $client = self::client($limit);
        $isSafe = static fn (string $rung): bool => Obstacles::between($client, $library->rung($rung), $library)->isSafe();

        self::assertSame([], array_values(array_filter($barred, $isSafe)), $limit.' must bar these: '.$bars);
        self::assertSame(
            [],
            array_values(array_filter($open, static fn (string $rung): bool => ! $isSafe($rung))),
            $limit.' must keep these: '.$keeps,
        );
    }

    public function test_the_table_has_every_limit(): void
    {
        self::assertEqualsCanonicalizing(array_keys(Documents::data()->library()->limits), array_column(self::table(), 'limit'));
    }

    /**
     * Every lift from the floor, weight overhead or at the shoulder, swing, hike and throw, and rollout on wheel or strap strains: common
     * practice, no source.
     */
    public function test_heavy_work_is_graded_as_strain_whatever_its_ladder(): void
    {
        $library = Documents::data()->library();
        $grade = static fn (string $rung): int => $library->rung($rung)->stresses['strain'] ?? 0;
        foreach ([
            'hinge-kettlebell-floor',
            'hinge-light-bar',
            'hinge-one-sided',
            'windmill-low',
            'carry-shoulder',
            'front-rack-squat',
            'windmill-overhead',
            'press-out-overhead',
            'press-overhead-back-to-anchor',
            'dead-bug-plate-overhead',
            'rollout-wheel-short',
            'fallout-kneeling',
            'throw-chest-pass',
            'bar-arc-short',
        ] as $rung) {
            self::assertGreaterThanOrEqual(2, $grade($rung), $rung);
        }
        foreach ([
            'swing-hike',
            'swing-two-hands',
            'swing-one-hand',
            'side-to-side-swing',
            'throw-rotational',
            'carry-overhead',
            'carry-two-hands-heavier',
            'rollout-wheel-full',
            'fallout-low',
            'plank-weighted',
            'plank-long-lever',
            'hollow-hold',
            'windmill-heavier',
        ] as $rung) {
            self::assertSame(3, $grade($rung), $rung);
        }
    }

    private static function client(string $limit): Client
    {
        return Documents::client(
            [
                'limits' => [$limit],
                'as_of' => '2027-01-04',
                'clearances' => [['lifts' => $limit, 'on' => '2026-12-01', 'by' => 'A. Practice', 'role' => 'Physician']],
            ],
        );
    }
}
