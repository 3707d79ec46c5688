<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Ladder\Position;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Planning\Ready\ReadyFill;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Time\Weekday;
use EvenRungs\Storage\Schemas;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

/**
 * Ready sessions: a pattern that every client gets at their own rungs, in its kind and its minutes.
 */
final class ReadySessionsTest extends TestCase
{
    private static function filled(string $ready, ?Client $client, string $style = 'even-keel'): ?Session
    {
        $data = Documents::data();
        $goal = $client === null ? null : GoalRule::for($client, $data->goals());

        $fill = new ReadyFill($data->library(), $data->style($style), $goal, $client);

        return $fill->on(Weekday::Tuesday, $data->readySessions()[$ready]);
    }

    /** @param  array<string, mixed>  $more */
    private static function client(array $more = []): Client
    {
        return Documents::client([
            'equipment' => Documents::ALL_KIT,
            'ability' => ['BR' => 4, 'AE' => 4, 'AF' => 4, 'AL' => 4, 'AR' => 4, 'HP' => 4],
            'days' => ['tue' => 30],
            ...$more,
        ]);
    }

    public function test_every_pattern_keeps_its_schema_its_minutes_and_its_kind_for_anyone(): void
    {
        $patterns = Documents::data()->readySessions();
        self::assertGreaterThanOrEqual(10, count($patterns));
        foreach ($patterns as $ready) {
            $file = (string) file_get_contents(dirname(__DIR__, 2)."/data/sessions/{$ready->id}.json");
            self::assertSame([], Schemas::check('ready-session', (object) json_decode($file)), $ready->id);
            foreach ([null, self::client()] as $client) {
                $session = self::filled($ready->id, $client);
                self::assertNotNull($session, $ready->id);
                self::assertSame([$ready->kind, Weekday::Tuesday], [$session->kind, $session->day]);
                self::assertLessThanOrEqual($ready->length->ms, Documents::time($session)->time->total()->ms, $ready->id);
                self::assertGreaterThanOrEqual($client === null ? 2 : 3, count($session->entries()), $ready->id);
            }
        }
    }

    public function test_whoever_it_is_for_nothing_barred_is_in_it_and_the_audit_has_no_error_about_the_exercises(): void
    {
        $chance = new Randomizer(new Mt19937(random_int(1, 1_000_000_000)));
        $library = Documents::data()->library();
        for ($i = 0; $i < 25; $i++) {
            $client = Documents::anyone($chance);
            foreach (Documents::data()->readySessions() as $ready) {
                $session = self::filled($ready->id, $client);
                foreach ($session?->entries() ?? [] as $entry) {
                    $rung = $library->rung($entry->exercise);
                    self::assertTrue(Obstacles::between($client, $rung, $library)->isClear(), $ready->id.': '.$rung->id);
                    self::assertTrue($ready->positions === [] || in_array($rung->position, $ready->positions, true), $ready->id);
                }
                $exercises = array_map(static fn (Entry $entry): string => $entry->exercise, $session?->entries() ?? []);
                self::assertSame($exercises, array_values(array_unique($exercises)), $ready->id);
            }
        }
    }

    public function test_on_the_feet_stands_and_on_the_back_lies_even_with_a_sore_shoulder(): void
    {
        $library = Documents::data()->library();
        $sore = self::client(['limits' => [['limit' => 'shoulder', 'severity' => 'severe']]]);
        foreach (['on-the-feet' => Position::Standing, 'on-the-back' => Position::Back] as $ready => $position) {
            $session = self::filled($ready, $ready === 'on-the-back' ? $sore : self::client());
            self::assertNotNull($session);
            foreach ($session->entries() as $entry) {
                self::assertSame($position, $library->rung($entry->exercise)->position);
            }
            self::assertGreaterThanOrEqual(3, count($session->entries()));
        }
    }

    /** Two minutes in pieces of half a minute, unless the style's cap is shorter; the switch-on is awake and never tired. */
    public function test_the_routines_of_the_trade_are_built_and_audited_without_a_warning_that_contradicts_them(): void
    {
        $client = self::client(['other_training' => [['day' => 'tue', 'type' => 'heavy-lift']]]);
        $plank = ['standings' => ['plank' => ['rung' => 'forearm-plank', 'step' => 4]]];
        $long = self::filled('four-stations-long-hold', self::client($plank), 'long-haul');
        self::assertInstanceOf(CircuitBlock::class, $long?->blocks[0]);
        $hold = $long->blocks[0]->entries()[0]->dose->measure;
        self::assertInstanceOf(Intervals::class, $hold);
        self::assertSame(120, $hold->count * $hold->hold->toNumber(), 'two minutes');
        self::assertLessThanOrEqual(30, $hold->hold->toNumber(), 'in pieces');
        self::assertCount(4, $long->entries());

        $six = self::filled('six-on-the-floor', self::client());
        self::assertSame(360 - 20, Documents::time($six ?? self::fail())->time->workMs / 1000 + Documents::time($six)->time->restMs / 1000);
        $wake = self::filled('wake-before-lifting', $client);
        self::assertSame(Kind::Activation, $wake?->kind);
        foreach ($wake->entries() as $entry) {
            self::assertSame(1, $entry->dose->sets, Shorthand::write($entry->dose));
        }
        foreach ([[$long, self::client($plank)], [$six, self::client()], [$wake, $client]] as [$session, $who]) {
            $audit = new Audit(Documents::data()->library(), Documents::data()->style('long-haul'));
            $found = array_filter(
                $audit->found($audit->read(new Program([new Week(1, $who->otherTraining, [$session])], null, null, $who))),
                static fn (Finding $each): bool => $each->severity !== Severity::Note && ! str_starts_with($each->rule, 'coverage.'),
            );
            self::assertSame([], array_map(static fn (Finding $each): string => $each->rule.' '.$each->message, $found));
        }
    }
}
