<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Planning\WhyNot\WhyNot;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Session;
use EvenRungs\Formats\WhyNotJson;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Every reason why an exercise is not in the plan is one: with all lifted it is in, with any one left it stays out.
 */
final class WhyNotTest extends TestCase
{
    use TestTrait;

    private const PLAIN = [
        'format' => 'even-rungs/client',
        'version' => 1,
        'name' => 'Nela Cleat',
        'as_of' => '2027-01-04',
        'goal' => 'general',
        'ability' => ['BR' => 4, 'AE' => 4, 'AF' => 4, 'AL' => 4, 'AR' => 4],
        'equipment' => ['mat', 'band'],
        'days' => ['mon' => 20, 'thu' => 20],
        'screen' => ['flags' => [], 'cleared' => true],
    ];

    /** @param  array<string, mixed>  $document */
    private static function client(array $document): Client
    {
        return Documents::client([...self::PLAIN, ...$document]);
    }

    /** @param  array<string, mixed>  $document */
    private static function holds(array $document, string $rung, string $style = 'even-keel'): bool
    {
        $week = Documents::plan(self::client($document), 1, $style)->weeks[0];

        return array_filter($week->sessions, static fn (Session $session): bool => in_array(
            $rung,
            array_map(static fn (Entry $entry): string => $entry->exercise, $session->entries()),
            true,
        )) !== [];
    }

    /**
     * @param  array<string, mixed>  $document
     * @return array<string, mixed>
     */
    private static function ask(array $document, string $rung, string $style = 'even-keel'): array
    {
        $data = Documents::data();
        $whyNot = new WhyNot($data->library(), $data->style($style), $data->goals());

        return (new WhyNotJson($data->clients()))->write($whyNot->of(self::client($document), $data->library()->rung($rung)));
    }

    /**
     * @param  array<string, mixed>  $answer
     * @return list<string>
     */
    private static function codes(array $answer): array
    {
        return array_column($answer['reasons'], 'code');
    }

    public function test_what_is_in_the_plan_says_where(): void
    {
        $week = Documents::plan(self::client([]))->weeks[0];
        $rung = $week->sessions[1]->entries()[2]->exercise;
        $answer = self::ask([], $rung);

        self::assertTrue($answer['in_plan']);
        self::assertContains('/weeks/0/sessions/1', $answer['where']);
        self::assertSame([[], []], [$answer['reasons'], $answer['would_change']]);
    }

    public function test_each_kind_of_reason_is_told_with_what_lifts_it(): void
    {
        $barred = self::ask(['limits' => [['limit' => 'shoulder', 'severity' => 'severe']]], 'side-plank-split');
        self::assertSame(['barred'], self::codes($barred));
        self::assertSame(['limits' => []], $barred['reasons'][0]['lift']);

        $kit = self::ask(['equipment' => ['mat']], 'press-out-standing');
        self::assertContains('kit', self::codes($kit));
        self::assertContains('band', array_column($kit['reasons'], 'lift', 'code')['kit']['equipment']);

        $goal = self::ask(['goal' => 'rehab', 'ability' => [...self::PLAIN['ability'], 'AE' => 5]], 'dead-bug-opposite');
        self::assertSame(['goal'], self::codes($goal));
        self::assertSame(['goal' => 'general'], $goal['reasons'][0]['lift']);

        $chosen = self::ask(['ladders' => ['brace', 'plank', 'bird-dog', 'side-plank', 'press-out']], 'heel-taps');
        self::assertSame(['ladders-chosen'], self::codes($chosen));
        self::assertContains('dead-bug', $chosen['reasons'][0]['lift']['ladders']);

        $stands = self::ask(['standings' => ['dead-bug' => ['rung' => 'dead-bug-opposite', 'step' => 0]]], 'heel-taps');
        self::assertContains('stands-elsewhere', self::codes($stands));
        self::assertNull(array_column($stands['reasons'], 'lift', 'code')['stands-elsewhere']);

        $style = self::ask(['ability' => [...self::PLAIN['ability'], 'TM' => 3]], 'crunch');
        self::assertContains('style', self::codes($style));
    }

    public function test_a_gate_is_named_with_what_has_to_be_shown(): void
    {
        $answer = self::ask(['equipment' => Documents::ALL_KIT, 'ability' => [...self::PLAIN['ability'], 'IN' => 6]], 'swing-two-hands');

        self::assertStringContainsString('hinge, weight from the floor', implode(' ', array_column($answer['reasons'], 'text')));
        $merged = array_merge(...array_values(array_filter(array_column($answer['reasons'], 'lift'))));
        self::assertSame('hinge-kettlebell-floor', $merged['tests']['ladders']['hinge']['highest_clean']);
    }

    /** Lift all but any one and it stays out; lift all and it is in. */
    public function test_reasons_are_as_few_as_there_are(): void
    {
        $library = Documents::data()->library();
        $rungs = array_map(static fn ($rung): string => $rung->id, $library->rungs());
        $checked = $lifted = 0;
        $this->limitTo((int) (getenv('EVEN_RUNGS_CLIENTS') ?: 10))->forAll(
            Generators::elements(...$rungs),
            Generators::vector(5, Generators::choose(1, 7)),
            Generators::elements(...Documents::data()->styleNames()),
            Generators::elements('general', 'rehab', 'strength', 'rotational-sport', 'youth', 'healthy-ageing'),
            Generators::subset(['shoulder', 'kneeling', 'back-bending', 'wrist', 'balance']),
            Generators::elements(['mat'], ['mat', 'band', 'wall'], Documents::ALL_KIT),
            Generators::vector(3, Generators::choose(5, 40)),
            Generators::elements([], [['day' => 'tue', 'type' => 'heavy-lift']], [['day' => 'thu', 'type' => 'endurance']]),
        )->disableShrinking()->then(function (
            string $rung,
            array $levels,
            string $style,
            string $goal,
            array $limits,
            array $kit,
            array $minutes,
            array $other,
        ) use (&$checked, &$lifted): void {
            $document = [
                'ability' => array_combine(['BR', 'AE', 'AF', 'AL', 'AR'], $levels),
                'goal' => $goal,
                'limits' => array_values($limits),
                'equipment' => $kit,
                'days' => array_combine(['mon', 'wed', 'fri'], $minutes),
                'other_training' => $other,
            ];
            $answer = self::ask($document, $rung, $style);
            self::assertSame(self::holds($document, $rung, $style), $answer['in_plan'], $rung);
            self::assertSame($answer['in_plan'], $answer['reasons'] === [], $rung.': in the plan, or a reason');
            $edits = array_column($answer['reasons'], 'lift');
            $checked++;
            if ($edits === [] || in_array(null, $edits, true)) {
                return;
            }
            $lifted++;
            $who = $rung.' '.json_encode($document).' '.$style;
            self::assertTrue(self::holds([...$document, ...array_merge(...$edits)], $rung, $style), 'all lifted: '.$who);
            self::assertNotSame([], $answer['would_change']);
            foreach (array_keys($edits) as $left) {
                $others = array_merge([], ...array_values(array_diff_key($edits, [$left => true])));
                self::assertFalse(
                    self::holds([...$document, ...$others], $rung, $style),
                    sprintf('%s is no reason: %s', $answer['reasons'][$left]['code'], $who),
                );
            }
        });
        self::assertGreaterThan($checked / 2, $lifted, 'most exercises can be had by an edit');
    }
}
