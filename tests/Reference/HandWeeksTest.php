<?php

declare(strict_types=1);

namespace Tests\Reference;

use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Program\Program;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\ProgramText;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;
use Tests\Support\Likeness;

/**
 * Twelve weeks that somebody wrote by hand for twelve people, each with its reasons (common practice, no source). The audit has nothing
 * against them: a rule that scolds what a practitioner would hand over is wrong.
 */
final class HandWeeksTest extends TestCase
{
    /** @return iterable<string, array{string}> */
    public static function weeks(): iterable
    {
        foreach (glob(__DIR__.'/hand-weeks/*.txt') ?: [] as $file) {
            yield basename($file, '.txt') => [$file];
        }
    }

    #[DataProvider('weeks')]
    public function test_a_week_written_by_hand_is_read_allowed_and_not_scolded(string $file): void
    {
        /** @var array{client: array<string, mixed>, style: string, why: list<string>} $of */
        $of = json_decode((string) file_get_contents(substr($file, 0, -3).'json'), true);
        $library = Documents::data()->library();
        $program = ProgramText::read((string) file_get_contents($file));
        $client = Documents::data()->clients()->readForPlanning(new Node($of['client']));
        self::assertNotSame([], $of['why']);
        foreach (self::rungs($program) as $name => $rung) {
            self::assertNotNull($rung, $name.' is in the library');
            self::assertTrue(Obstacles::between($client, $rung, $library)->isSafe(), $name);
        }
        $audit = new Audit($library, Documents::data()->style($of['style']));
        $against = array_filter(
            $audit->found($audit->read($program, $client)),
            static fn (Finding $finding): bool => $finding->severity !== Severity::Note,
        );
        self::assertSame(
            [],
            array_map(static fn (Finding $finding): string => $finding->rule.': '.$finding->message, array_values($against)),
        );
    }

    /** The planner's own week is not the same, but near: 67 of 100 on the mean when the weeks were written, and no less than 75 since. */
    public function test_the_planner_comes_near_to_what_was_written_by_hand(): void
    {
        $scores = [];
        foreach (self::weeks() as $name => [$file]) {
            /** @var array{client: array<string, mixed>, style: string} $of */
            $of = json_decode((string) file_get_contents(substr($file, 0, -3).'json'), true);
            $client = Documents::data()->clients()->readForPlanning(new Node($of['client']));
            $hand = ProgramText::read((string) file_get_contents($file));
            $like = Likeness::of($hand->weeks[0], Documents::plan($client, 1, $of['style'])->weeks[0]);
            $scores[] = $like['score'];
            fprintf(STDERR, "\n  %-24s %s", $name, implode('  ', array_map(
                static fn (string $part, int $percent): string => "{$part} {$percent}",
                array_keys($like),
                $like,
            )));
            self::assertSame(100, $like['days'], $name.': the days that a practitioner would take');
            self::assertGreaterThanOrEqual(60, $like['score'], $name);
        }
        self::assertGreaterThanOrEqual(75, array_sum($scores) / max(1, count($scores)));
    }

    /** @return array<string, ?Rung> */
    private static function rungs(Program $program): array
    {
        $rungs = [];
        foreach ($program->weeks as $week) {
            foreach ($week->sessions as $session) {
                foreach ($session->entries() as $entry) {
                    $rungs[$entry->exercise] = Documents::data()->library()->find($entry->exercise);
                }
            }
        }

        return $rungs;
    }
}
