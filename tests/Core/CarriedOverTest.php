<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Planning\Edit\CarriedOver;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

/**
 * What a trainer typed or built by hand stays when a program is planned anew, and nothing comes back that is forbidden since. House rules.
 */
final class CarriedOverTest extends TestCase
{
    /** @return array<string, Entry> by week, day and exercise */
    private static function entries(Program $program): array
    {
        $entries = [];
        foreach ($program->weeks as $week) {
            foreach ($week->sessions as $session) {
                foreach ($session->blocks as $block) {
                    foreach ($block->entries() as $entry) {
                        $rounds = $block instanceof CircuitBlock ? ' in rounds' : '';
                        $entries["{$week->number} {$session->day->value} {$entry->exercise}{$rounds}"] = $entry;
                    }
                }
            }
        }

        return $entries;
    }

    private static function typed(Program $program, Client $client, Randomizer $chance): Program
    {
        $edit = new \EvenRungs\Core\Planning\Edit\ProgramEdit(Documents::data()->library(), Documents::steps($client));
        foreach ($program->weeks as $w => $week) {
            foreach ($week->sessions as $s => $session) {
                $b = count($session->blocks) - 1;
                $e = $chance->getInt(0, count($session->blocks[$b]->entries()) - 1);
                $entry = $session->blocks[$b]->entries()[$e];
                $load = $chance->getInt(2, 40);
                $program = $edit->changeDose($program, $w, $s, $b, $e, $entry->dose->withLoad($load));
                $program = $program->changeSession($w, $s, static fn (Session $found): Session => $found->changeEntry(
                    $b,
                    $e,
                    static fn (Entry $old): Entry => new Entry($old->exercise, $old->dose, 'slowly', $old->planned, $old->x),
                ));
                if ($chance->getInt(1, 4) === 1) {
                    $program = $program->changeSession($w, $s, static fn (Session $found): Session => CarriedOver::byHand($found));
                }
            }
        }

        return $program;
    }

    public function test_what_was_made_stays_and_nothing_forbidden_comes_back(): void
    {
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        $chance = new Randomizer(new Mt19937($seed));
        $library = Documents::data()->library();
        [$stayed, $hand, $out] = [0, 0, 0];
        for ($case = 0; $case < (int) (getenv('EVEN_RUNGS_CLIENTS') ?: 40); $case++) {
            $client = Documents::anyone($chance);
            if ($client->days === null) {
                continue;
            }
            $old = self::typed(Documents::plan($client, 3), $client, $chance);
            $from = $chance->getInt(0, 2);
            $sore = ['shoulder', 'wrist', 'lumbar-flexion', 'groin', 'knee'][$case % 5];
            $now = isset($library->limits[$sore]) && $case % 2 === 1 ? $client->with(new Limit($library->limits[$sore])) : $client;
            $planned = Documents::plan($now, 3);
            $carried = (new CarriedOver($library, $now))->into($planned, $old, $from);
            $what = "seed {$seed}, case {$case}";
            foreach (self::entries($carried) as $entry) {
                $rung = $library->find($entry->exercise);
                self::assertTrue($rung === null || Obstacles::between($now, $rung, $library)->isSafe(), $what);
            }
            $before = self::entries($old);
            foreach (self::entries($carried) as $place => $entry) {
                [$week, $rest] = explode(' ', $place, 2);
                $was = $before[min(3, $from + (int) $week).' '.$rest] ?? null;
                if ($was?->note === 'slowly') {
                    self::assertSame(['slowly', $was->dose->loadKg], [$entry->note, $entry->dose->loadKg], "{$what}: {$place}");
                    self::assertEquals($was->dose->measure, $entry->dose->measure, "{$what}: {$place}");
                    $stayed++;
                }
            }
            foreach (array_slice($old->weeks, $from) as $w => $week) {
                foreach ($week->sessions as $session) {
                    if (! CarriedOver::isByHand($session)) {
                        continue;
                    }
                    $hand++;
                    $there = array_values(array_filter(
                        $carried->weeks[$w]->sessions,
                        static fn (Session $each): bool => $each->day === $session->day && CarriedOver::isByHand($each),
                    ));
                    $exercises = array_map(static fn (Entry $entry): string => $entry->exercise, $session->entries());
                    $kept = array_map(static fn (Entry $entry): string => $entry->exercise, $there[0]?->entries() ?? []);
                    $out += count($exercises) - count($kept);
                    foreach (array_diff($exercises, $kept) as $lost) {
                        self::assertFalse(Obstacles::between($now, $library->rung($lost), $library)->isSafe(), "{$what}: {$lost}");
                    }
                }
            }
        }
        self::assertGreaterThan(25, $stayed);
        self::assertGreaterThan(8, $hand);
        self::assertGreaterThan(0, $out, 'some of what was built by hand is forbidden now');
    }

    public function test_without_anything_typed_it_is_the_new_plan(): void
    {
        $client = Documents::client(['equipment' => Documents::ALL_KIT, 'days' => ['mon' => 25, 'thu' => 25]]);
        $planned = Documents::plan($client, 2);
        $carried = (new CarriedOver(Documents::data()->library(), $client))->into($planned, Documents::plan($client, 4), 1);
        self::assertEquals($planned, $carried);
    }
}
