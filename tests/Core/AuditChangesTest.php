<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

/**
 * Every change that an audit offers does what it says: its finding is gone, and nothing worse has come.
 */
final class AuditChangesTest extends TestCase
{
    /** Random programs; `EVEN_RUNGS_AUDITS` asks for more. */
    private const PROGRAMS = 4;

    public function test_a_change_takes_its_finding_away_and_brings_no_error_and_no_warning(): void
    {
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        fprintf(STDERR, "\nAudit changes, seed %d\n", $seed);
        $chance = new Randomizer(new Mt19937($seed));
        $library = Documents::data()->library();
        $styles = Documents::data()->styleNames();
        $changes = 0;
        for ($i = 0; $i < (int) (getenv('EVEN_RUNGS_AUDITS') ?: self::PROGRAMS); $i++) {
            $client = Documents::anyone($chance);
            $style = Documents::data()->style($styles[$i % count($styles)]);
            $program = self::anyProgram($chance);
            $audit = new Audit($library, $style);
            $read = $audit->read($program, $client);
            $before = self::counted($audit->found($read));
            foreach ($audit->findings($read) as $finding) {
                if ($finding->fix === null) {
                    continue;
                }
                $changes++;
                $what = "seed {$seed}, case {$i}: {$finding->rule} at {$finding->where}, {$finding->fix->text}";
                $changed = $finding->fix->apply($program);
                $found = $audit->found($audit->read($changed, $client));
                if (self::places($changed) === self::places($program)) {
                    self::assertNotContains(self::named($finding), array_map(self::named(...), $found), $what);
                }
                $after = self::counted($found);
                foreach ($after as $key => $count) {
                    self::assertLessThanOrEqual($before[$key] ?? 0, $count, "{$what}: brings {$key}");
                }
                foreach (self::added($program, $changed) as $exercise) {
                    $rung = $library->find($exercise);
                    self::assertTrue($rung === null || Obstacles::between($client, $rung, $library)->isClear(), "{$what}: {$exercise}");
                }
            }
        }
        self::assertGreaterThan(5, $changes);
    }

    /** Rule, place and exercise of a finding. */
    private static function named(Finding $finding): string
    {
        return implode(' ', [$finding->rule, $finding->where, $finding->exercise ?? '', $finding->evidence['direction'] ?? '']);
    }

    /** @return list<list<int>> how many entries each block of each session has: while these stand, so do all places */
    private static function places(Program $program): array
    {
        $places = [];
        foreach ($program->weeks as $week) {
            foreach ($week->sessions as $session) {
                $places[] = array_map(static fn ($block): int => count($block->entries()), $session->blocks);
            }
        }

        return $places;
    }

    /**
     * @param  list<Finding>  $findings
     * @return array<string, int> errors and warnings of the whole program, by rule and exercise
     */
    private static function counted(array $findings): array
    {
        $bad = array_filter($findings, static fn (Finding $each): bool => $each->severity !== Severity::Note);

        return array_count_values(array_map(
            static fn (Finding $each): string => implode(' ', [$each->severity->value, $each->rule, $each->exercise ?? '']),
            $bad,
        ));
    }

    /** @return list<string> exercises that were in no week before */
    private static function added(Program $before, Program $after): array
    {
        $all = static fn (Program $program): array => array_merge([], ...array_map(
            static fn (Week $week): array => array_merge([], ...array_map(
                static fn (Session $session): array => array_map(static fn (Entry $entry): string => $entry->exercise, $session->entries()),
                $week->sessions,
            )),
            $program->weeks,
        ));

        return array_values(array_diff($all($after), $all($before)));
    }

    /** Weeks of somebody else in another style, with other days and doses. */
    private static function anyProgram(Randomizer $chance): Program
    {
        $styles = Documents::data()->styleNames();
        $program = Documents::plan(Documents::anyone($chance), $chance->getInt(1, 3), $styles[$chance->getInt(0, count($styles) - 1)]);

        return $program->mapSessions(static fn (Session $session): Session => $session->mapEntries(
            static function (Entry $entry) use ($chance): Entry {
                $side = $entry->dose->isPerSide() ? ' /s' : '';

                return match ($chance->getInt(0, 11)) {
                    0 => new Entry('Something '.$chance->getInt(1, 9), $entry->dose),
                    1 => $entry->withDose(Shorthand::parse($chance->getInt(5, 120).' s'.$side)->withSets($entry->dose->sets)),
                    2 => $entry->withDose($entry->dose->withRest(null)),
                    default => $entry,
                };
            },
        ));
    }
}
