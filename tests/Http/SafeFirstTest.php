<?php

declare(strict_types=1);

namespace Tests\Http;

use EvenRungs\Cli\JobCommands;
use Illuminate\Support\Carbon;

/**
 * Stops, clearances, what is kept with a reason, and one truth of dose between page, sheet and command line.
 */
final class SafeFirstTest extends HttpTestCase
{
    use TrainsSafely;

    public function test_numbness_halts_everything_until_a_later_clearance_and_a_new_screen(): void
    {
        $this->signedIn();
        $this->log(0, ['pain_kind' => 'numb']);
        self::assertSame(
            ['stop', 'all', true, null],
            [$this->verdict()['verdict'], $this->verdict()['scope'], $this->verdict()['refer'], $this->verdict()['swap']],
        );
        $board = $this->board();
        self::assertSame('stop:all', $this->api('GET', $this->path('/screen'))->json('needed.0.id'));
        $this->api('POST', $this->path('/plan'), ['version' => $board['version']])->assertStatus(422);
        $this->api('GET', $this->path('/floor/1/1'))->assertStatus(422);
        $this->api(
            'POST',
            $this->path('/door/check'),
            ['version' => $board['version'], 'week' => 1, 'place' => 1, 'sore' => []],
        )->assertStatus(422);
        $row = array_column($this->api('GET', '/clients')->json('clients'), null, 'name')['Maren Tidewell'];
        self::assertSame(['stop', 'Everything stopped: numbness'], [$row['needs'][0]['kind'], $row['stop']]);

        $letter = ['version' => $board['version'], 'who' => 'A. Practice', 'role' => 'Physician', 'covers' => ['stop:all']];
        $this->api(
            'POST',
            $this->path('/clearances'),
            [...$letter, 'on' => Carbon::today()->toDateString()],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/on');
        $this->travel(3)->days();
        $this->api('POST', $this->path('/clearances'), [...$letter, 'on' => Carbon::today()->toDateString()])->assertOk();
        $this->api('POST', $this->path('/plan'), ['version' => $this->board()['version']])->assertStatus(422);
        $this->api(
            'POST',
            $this->path('/screen'),
            ['version' => $this->board()['version'], 'on' => Carbon::today()->toDateString(), 'flags' => [], 'limits' => []],
        )->assertOk();
        $this->api('GET', $this->path('/floor/1/1'))->assertOk();

        $verdict = $this->verdict();
        self::assertSame(['regress', 'pain.cleared', true], [$verdict['verdict'], $verdict['rule'], $verdict['retest']]);
        $this->api(
            'POST',
            $this->path('/verdicts'),
            ['version' => $this->board()['version'], 'ladder' => 'dead-bug', 'answer' => 'accepted'],
        )->assertOk();
        $standing = array_column($this->board()['ladders'], null, 'id')['dead-bug']['standing'];
        self::assertNotSame('heel-taps', $standing['rung'], 'a rung down after the clearance');
        self::assertSame([], $this->errors());
    }

    public function test_sharp_pain_takes_its_ladder_out_and_the_named_swap_stands_in(): void
    {
        $this->signedIn();
        $this->log(5, ['pain' => 3, 'pain_kind' => 'sharp']);
        $verdict = $this->verdict();
        self::assertSame(['stop', 'ladder'], [$verdict['verdict'], $verdict['scope']]);
        $this->api(
            'POST',
            $this->path('/verdicts'),
            ['version' => $this->board()['version'], 'ladder' => 'dead-bug', 'answer' => 'accepted'],
        )->assertOk();
        $board = $this->board();
        $names = [];
        foreach ($board['week']['sessions'] as $session) {
            foreach ($session['blocks'] as $block) {
                $names = [...$names, ...array_column($block['entries'], 'ladder')];
            }
        }
        self::assertNotContains('dead-bug', $names);
        self::assertSame(Carbon::today()->subDays(5)->toDateString(), array_column($board['ladders'], null, 'id')['dead-bug']['stopped']);
        self::assertStringContainsString('stopped', (string) $board['undo']);
    }

    public function test_a_second_step_of_one_day_can_be_accepted_and_accepted_is_said_only_where_something_moved(): void
    {
        $this->signedIn();
        $accept = fn () => $this->api(
            'POST',
            $this->path('/verdicts'),
            ['version' => $this->board()['version'], 'ladder' => 'dead-bug', 'answer' => 'accepted'],
        )->assertOk();
        foreach ([9, 7] as $ago) {
            $this->log($ago, ['target' => 12, 'done' => 12]);
            $this->log($ago, ['target' => 12, 'done' => 12]);
        }
        self::assertSame('step-up', $this->verdict()['verdict']);
        $accept();
        $after = $this->verdict();
        self::assertSame([null, true, 1], [$after['answered'], $after['moved_here'], $after['from_step']]);
        self::assertSame('step-up', $after['verdict'], 'the same clean sessions asked more than this step too');
        $accept();
        self::assertSame(2, array_column($this->board()['ladders'], null, 'id')['dead-bug']['standing']['step']);
        self::assertSame([], $this->errors());
    }

    public function test_a_barred_rung_is_kept_only_with_a_reason_and_stays_marked(): void
    {
        $this->signedIn();
        $session = $this->api('GET', $this->path('/sessions/1/1'))->assertOk()->json('session');
        $session['blocks'][] = [
            'type' => 'straight',
            'entries' => [['exercise' => 'plank-taps-wide', 'sets' => 2, 'reps' => 6, 'side' => 'alternate', 'rest_s' => 30]],
        ];
        $body = ['version' => $this->board()['version'], 'week' => 1, 'place' => 1, 'session' => $session];
        $answer = $this->api('POST', $this->path('/sessions'), $body)->assertStatus(422)->assertJsonPath('errors.0.path', '/insist');
        self::assertStringContainsString('Plank taps', $answer->json('errors.0.message'));
        $this->api('POST', $this->path('/sessions'), [...$body, 'insist' => 'Cleared by word of her physio.'])->assertOk();

        $entries = [];
        foreach ($this->board()['week']['sessions'][0]['blocks'] as $block) {
            foreach ($block['entries'] as $entry) {
                $entries[$entry['exercise']] = $entry;
            }
        }
        self::assertStringContainsString('Cleared by word of her physio.', $entries['plank-taps-wide']['insisted']);
        self::assertNotSame([], $entries['plank-taps-wide']['unsafe']);
        self::assertStringContainsString(
            'Cleared by word',
            $this->api('GET', $this->path('/floor/1/1'))->assertOk()->json('rungs.plank-taps-wide.kept'),
        );
        $row = array_column($this->api('GET', '/clients')->json('clients'), null, 'name')['Maren Tidewell'];
        self::assertContains('kept', array_column($row['needs'], 'kind'));

        $this->api('POST', $this->path('/undo'), ['version' => $this->board()['version']])->assertOk();
        $row = array_column($this->api('GET', '/clients')->json('clients'), null, 'name')['Maren Tidewell'];
        self::assertNotContains('kept', array_column($row['needs'], 'kind'), 'gone with the exercise');
    }

    public function test_redo_brings_nothing_barred_to_the_floor(): void
    {
        $this->signedIn();
        $rung = 'forearm-plank';
        $board = $this->board('Oskar Pintle');
        $this->api(
            'POST',
            $this->path('/screen', 'Oskar Pintle'),
            [
                'version' => $board['version'],
                'on' => Carbon::today()->toDateString(),
                'flags' => [],
                'limits' => [['limit' => 'shoulder', 'severity' => 'severe'], ['limit' => 'osteoporosis', 'severity' => 'moderate']],
            ],
        )->assertOk();
        $this->api('POST', $this->path('/plan', 'Oskar Pintle'), ['version' => $board['version'] + 1])->assertOk();
        $plan = $this->api('GET', $this->path('/floor/1/1', 'Oskar Pintle'))->assertOk()->json();
        self::assertArrayNotHasKey($rung, $plan['rungs']);
        foreach (array_keys($plan['rungs']) as $each) {
            $state = null;
            foreach ($this->board('Oskar Pintle')['ladders'] as $ladder) {
                $state ??= array_column($ladder['rungs'], 'state', 'id')[$each] ?? null;
            }
            self::assertNotSame('barred', $state, $each);
        }
    }

    public function test_the_command_line_names_the_doses_of_the_page(): void
    {
        $this->signedIn();
        foreach (['Maren Tidewell', 'Oskar Pintle', 'Bea Thwart'] as $name) {
            $document = (string) $this->api('GET', $this->path('/document', $name))->assertOk()->getContent();
            $streams = array_map(static fn () => fopen('php://memory', 'w+') ?: throw new \RuntimeException, [0, 1, 2]);
            fwrite($streams[0], $document);
            rewind($streams[0]);
            $style = $this->board($name)['style']['id'];
            self::assertSame(0, (new JobCommands(...$streams))->run(['place', '--style', $style]));
            rewind($streams[1]);
            $placed = [];
            foreach (json_decode((string) stream_get_contents($streams[1]), true)['placements'] as $each) {
                $placed[$each['ladder']] = $each;
            }
            foreach ($this->board($name)['ladders'] as $ladder) {
                self::assertSame(
                    [$ladder['standing']['rung'] ?? null, $ladder['standing']['step'] ?? 0],
                    [$placed[$ladder['id']]['rung'], $placed[$ladder['id']]['step'] ?? 0],
                    $name.' '.$ladder['id'],
                );
            }
        }
    }
}
