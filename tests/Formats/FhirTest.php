<?php

declare(strict_types=1);

namespace Tests\Formats;

use DateTimeImmutable;
use EvenRungs\Formats\Fhir\FhirBundle;
use EvenRungs\Formats\Fhir\FhirCase;
use EvenRungs\Formats\Fhir\FhirReader;
use EvenRungs\Formats\Fhir\FhirReport;
use EvenRungs\Formats\Fhir\FhirSession;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;
use Tests\Support\ReadByNode;

/**
 * Clients as FHIR R4 bundles, judged by npm's fhir against the published base profiles.
 */
final class FhirTest extends TestCase
{
    private const CASES = 40;

    private static function anyone(Randomizer $chance, int $i): FhirCase
    {
        $rungs = array_map(static fn ($rung): string => $rung->id, Documents::data()->library()->rungs());
        $any = static fn (array $of) => $of[$chance->getInt(0, count($of) - 1)];
        $limits = [];
        foreach ($chance->pickArrayKeys(Documents::data()->library()->limits, $chance->getInt(1, 5)) as $limit) {
            $limits[] = $chance->getInt(0, 1) === 0 ? $limit : ['limit' => $limit, 'severity' => $any(['mild', 'moderate', 'severe'])];
        }
        $seconds = $clean = [];
        foreach (['front-plank_s', 'side-plank-left_s', 'side-plank-right_s', 'extensor_s', 'flexor_s'] as $test) {
            if ($chance->getInt(0, 2) > 0) {
                $seconds[$test] = $chance->getInt(0, 1) === 0 ? $chance->getInt(0, 300) : $chance->getInt(1, 3000) / 10;
            }
        }
        foreach (['dead-bug', 'side-plank'] as $ladder) {
            $clean[$ladder] = $chance->getInt(0, 1) === 0 ? $any($rungs) : ['left' => $any($rungs), 'right' => $any($rungs)];
        }
        $sessions = $reports = [];
        for ($s = 0; $s < $chance->getInt(0, 6); $s++) {
            $day = $chance->getInt(0, 3) === 0 ? null : sprintf('2026-12-%02d', $chance->getInt(1, 31));
            $status = $any(['scheduled', 'in-progress', 'completed', 'cancelled']);
            $sessions[] = new FhirSession($day, $status, "Core, 17:48 min\nPlank: 2 × 10 s");
            $reports[] = new FhirReport('2026-11-'.sprintf('%02d', $chance->getInt(1, 30)), $any([null, 0, 3, 10]), $any([null, 0, 6]));
        }

        return new FhirCase(
            sprintf('01m8hsjv8vptkacmsqjw%06d', $i),
            "Åse \"N\" $i",
            $chance->getInt(0, 1) === 0 ? null : $chance->getInt(1930, 2015),
            $limits,
            $seconds,
            $clean,
            array_values(array_unique([$any($rungs), $any($rungs)])),
            ['row the harbour round', 'tie the shoes'],
            $sessions,
            $reports,
            new DateTimeImmutable('2026-11-28'),
            [],
        );
    }

    public function test_whatever_is_written_is_valid_and_its_limits_tests_and_aims_come_back(): void
    {
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        fwrite(STDERR, "\nFHIR bundles, seed {$seed}\n");
        $chance = new Randomizer(new Mt19937($seed));
        $bundles = [];
        for ($i = 0; $i < (int) (getenv('EVEN_RUNGS_BUNDLES') ?: self::CASES); $i++) {
            $case = self::anyone($chance, $i);
            $text = Json::encode(FhirBundle::write($case));
            $bundles[] = json_decode($text, true);
            $read = FhirReader::read(new Node(Json::toArray(Json::decode($text))));
            self::assertEquals(
                [$case->limits, $case->seconds, $case->clean, $case->aims],
                [$read->limits, $read->seconds, $read->clean, $read->aims],
            );
        }
        self::assertSame(
            array_fill(0, count($bundles), []),
            ReadByNode::with('validate-fhir.mjs', (string) json_encode($bundles)),
        );
    }

    public function test_the_validator_finds_what_is_wrong_and_what_is_no_bundle_is_refused(): void
    {
        $bundle = FhirBundle::write(self::anyone(new Randomizer(new Mt19937(1)), 1));
        foreach ($bundle['entry'] as $i => $entry) {
            if ($entry['resource']['resourceType'] === 'Flag') {
                unset($bundle['entry'][$i]['resource']['code']);
                $bundle['entry'][$i]['resource']['status'] = 'bothersome';
            }
        }
        self::assertNotSame([[]], ReadByNode::with('validate-fhir.mjs', (string) json_encode([$bundle])));
        $this->expectException(UnusableInput::class);
        FhirReader::read(new Node(['resourceType' => 'Patient']));
    }
}
