<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Standing;

final class BoardTest extends HttpTestCase
{
    private function path(string $rest = '/board', string $name = 'Maren Tidewell'): string
    {
        return '/clients/'.$this->clientNamed($name)->id.$rest;
    }

    /** @return array<string, mixed> */
    private function board(string $name = 'Maren Tidewell'): array
    {
        return $this->api('GET', $this->path('/board', $name))->assertOk()->json();
    }

    /**
     * @param  array<string, mixed>  $board
     * @return array<string, mixed>
     */
    private function ladder(array $board, string $id): array
    {
        return array_column($board['ladders'], null, 'id')[$id];
    }

    public function test_it_says_why_an_exercise_is_not_in_the_plan_or_where_it_is(): void
    {
        $this->signedIn();
        $id = $this->clientNamed('Maren Tidewell')->id;
        $week = $this->api('GET', "/clients/{$id}/board")->assertOk()->json('week');
        $there = $week['sessions'][0]['blocks'][0]['entries'][0]['exercise'];
        $in = $this->api('GET', "/clients/{$id}/why-not/{$there}")->assertOk()->json();
        self::assertStringContainsString('week 1, Monday', $in['where'][0]);
        self::assertSame([], $in['reasons']);

        $out = $this->api('GET', "/clients/{$id}/why-not/forearm-plank")->assertOk()->json();
        self::assertSame([[], false], [$out['where'], $out['planned_anew']]);
        self::assertContains('barred', array_column($out['reasons'], 'code'), 'her shoulder is sore');
        self::assertStringContainsString('shoulder', implode(' ', array_column($out['reasons'], 'text')));
        $this->api('GET', "/clients/{$id}/why-not/nowhere")->assertNotFound();
        $this->api('GET', '/clients/'.$this->clientNamed('Anker Stave')->id.'/why-not/forearm-plank')->assertStatus(422);
    }

    public function test_a_sore_shoulder_shows_barred_rungs_with_the_reason(): void
    {
        $this->signedIn();
        $rungs = array_column($this->ladder($this->board(), 'side-plank')['rungs'], null, 'id');

        self::assertSame(['barred', 'open'], [$rungs['side-plank-split']['state'], $rungs['side-plank-wall']['state']]);
        self::assertSame(['is barred by sore shoulder: shoulder load, grade 2'], $rungs['side-plank-split']['reasons']);
    }

    public function test_a_move_changes_standing_and_week_and_can_be_undone_and_redone(): void
    {
        $this->signedIn();
        $before = $this->board();
        $up = $this->ladder($before, 'dead-bug')['up'];
        $foreseen = $this->api('GET', $this->path('/minutes/'.$up))->assertOk()->json('week_total');

        $after = $this->api('POST', $this->path('/moves'), ['version' => $before['version'], 'rung' => $up])->assertOk()->json();
        self::assertSame($up, $this->ladder($after, 'dead-bug')['standing']['rung']);
        self::assertSame($foreseen, $after['week']['total']);
        self::assertNotSame($before['week']['total'], $after['week']['total']);
        self::assertSame(
            $after['week']['total']['seconds'],
            array_sum(array_map(static fn (array $s): int => $s['total']['seconds'], $after['week']['sessions'])),
        );

        $undone = $this->api('POST', $this->path('/undo'), ['version' => $after['version']])->assertOk()->json();
        self::assertSame([$before['week'], $before['levels']], [$undone['week'], $undone['levels']]);

        $redone = $this->api('POST', $this->path('/redo'), ['version' => $undone['version']])->assertOk()->json();
        self::assertSame($after['week'], $redone['week']);
        self::assertGreaterThan(
            3,
            Standing::query()->ofClient($this->clientNamed('Maren Tidewell'))->where('ladder', 'dead-bug')->count(),
            'every move stays on record',
        );
    }

    public function test_a_barred_rung_is_refused_at_the_field_and_nothing_changes(): void
    {
        $this->signedIn();
        $before = $this->board();
        $answer = $this->api(
            'POST',
            $this->path('/moves'),
            ['version' => $before['version'], 'rung' => 'side-plank-split'],
        )->assertStatus(422);

        self::assertSame('/rung', $answer->json('errors.0.path'));
        self::assertStringContainsString('barred by sore shoulder', $answer->json('errors.0.message'));
        self::assertSame($before, $this->board());
    }

    public function test_a_studio_in_pounds_types_reads_and_prints_pounds_and_keeps_kilograms(): void
    {
        $studio = $this->signedIn()->studio;
        $studio->update(['units' => 'imperial', 'date_format' => 'mdy']);
        $board = $this->board();
        $place = ['version' => $board['version'], 'week' => 0, 'session' => 0, 'block' => 1, 'entry' => 0];
        $this->api('POST', $this->path('/doses'), [...$place, 'dose' => '1 x 5 /alt 2-0-2-0 @17.5 lb r0:30'])->assertOk();
        $entry = fn (): array => $this->board()['week']['sessions'][0]['blocks'][1]['entries'][0];
        self::assertSame('1 set of 5 reps on each side, alternating, tempo 2-0-2-0, 17.5 lb, rest 0:30', $entry()['dose']);
        self::assertStringContainsString(', 17.5 lb,', $entry()['words']);
        self::assertStringContainsString(
            '"load_kg":7.9',
            (string) $this->api('GET', $this->path('/floor/1/1'))->baseResponse->getContent(),
        );
        $studio->update(['units' => 'metric']);
        $this->api('POST', '/me/doses', ['doses' => 'shorthand'])->assertOk()->assertJsonPath('doses', 'shorthand');
        self::assertSame('1 × 5 /alt 2-0-2-0 @7.9 kg r0:30', $entry()['dose']);
        $this->api('POST', '/me/doses', ['doses' => 'runes'])->assertStatus(422)->assertJsonPath('errors.0.path', '/doses');
        $again = ['version' => $this->board()['version'], 'week' => 0, 'session' => 0, 'block' => 1, 'entry' => 0];
        $this->api('POST', '/me/doses', ['doses' => 'words'])->assertOk();
        $this->api('POST', $this->path('/doses'), [...$again, 'dose' => $entry()['dose']])->assertOk();
        self::assertStringContainsString('7.9 kg', $entry()['dose'], 'what is shown reads back to the same dose');
    }

    public function test_a_dose_typed_in_place_moves_the_minutes(): void
    {
        $this->signedIn();
        $board = $this->board();
        $place = ['version' => $board['version'], 'week' => 0, 'session' => 1, 'block' => 1, 'entry' => 0];
        $after = $this->api('POST', $this->path('/doses'), [...$place, 'dose' => '1 x 5 /alt 2-0-2-0 r0:30'])->assertOk()->json();
        $entry = $after['week']['sessions'][1]['blocks'][1]['entries'][0];

        self::assertSame(['1 set of 5 reps on each side, alternating, tempo 2-0-2-0, rest 0:30', []], [$entry['dose'], $entry['missing']]);
        self::assertLessThan($board['week']['total']['seconds'], $after['week']['total']['seconds']);

        $bare = $this->api(
            'POST',
            $this->path('/doses'),
            [...$place, 'version' => $after['version'], 'dose' => '2 × 5'],
        )->assertOk()->json();
        self::assertSame(['rest', 'side', 'tempo'], $bare['week']['sessions'][1]['blocks'][1]['entries'][0]['missing']);

        $refused = $this->api(
            'POST',
            $this->path('/doses'),
            [...$place, 'version' => $bare['version'], 'dose' => '3 × 8 3-1'],
        )->assertStatus(422);
        self::assertSame('/dose', $refused->json('errors.0.path'));
        $this->api(
            'POST',
            $this->path('/doses'),
            [...$place, 'version' => $bare['version'], 'entry' => 99, 'dose' => '3 × 8'],
        )->assertStatus(422);
    }

    public function test_a_weight_is_asked_for_and_never_invented(): void
    {
        $this->signedIn();
        $board = $this->board();
        foreach ($board['week']['sessions'] as $s => $session) {
            foreach ($session['blocks'] as $b => $block) {
                foreach ($block['entries'] as $e => $entry) {
                    if ($entry['exercise'] === 'hinge-kettlebell-block') {
                        self::assertSame(['load'], $entry['missing']);
                        $after = $this->api(
                            'POST',
                            $this->path('/doses'),
                            [
                                'version' => $board['version'],
                                'week' => 0,
                                'session' => $s,
                                'block' => $b,
                                'entry' => $e,
                                'dose' => $entry['dose'].' @12 kg',
                            ],
                        )->assertOk()->json();
                        self::assertSame([], $after['week']['sessions'][$s]['blocks'][$b]['entries'][$e]['missing']);

                        return;
                    }
                }
            }
        }
        self::fail('the week of this client has no weighted hinge');
    }

    public function test_a_stale_version_gets_409_with_the_newer_board(): void
    {
        $this->signedIn();
        $before = $this->board();
        $up = $this->ladder($before, 'dead-bug')['up'];
        $this->api('POST', $this->path('/moves'), ['version' => $before['version'], 'rung' => $up])->assertOk();

        $answer = $this->api('POST', $this->path('/plan'), ['version' => $before['version']])->assertStatus(409);
        self::assertSame($this->board(), $answer->json('current'));
    }

    public function test_planning_anew_starts_from_the_wall(): void
    {
        $this->signedIn();
        $board = $this->board();
        $moved = $this->api('POST', $this->path('/moves'), ['version' => $board['version'], 'rung' => 'one-arm'])->assertOk()->json();
        $planned = $this->api('POST', $this->path('/plan'), ['version' => $moved['version']])->assertOk()->json();
        $names = array_merge(
            ...array_map(
                static fn (array $s): array => array_merge(
                    ...array_map(static fn (array $b): array => array_column($b['entries'], 'exercise'), $s['blocks']),
                ),
                $planned['week']['sessions'],
            ),
        );

        self::assertContains('one-arm', $names);
        self::assertNotContains('heel-taps', $names);
    }

    public function test_a_flag_stops_planning(): void
    {
        $this->signedIn();
        $board = $this->board('Anker Stave');

        self::assertSame(['night-pain', 'prompt'], [$board['refer'][0]['flag'], $board['refer'][0]['urgency']]);
        self::assertNull($board['week']);
        $this->api('POST', $this->path('/plan', 'Anker Stave'), ['version' => $board['version']])->assertStatus(422);
    }

    public function test_bad_bodies_are_answered_with_paths_and_never_with_500(): void
    {
        $this->signedIn();
        foreach ([
            '',
            'x',
            '[]',
            '{}',
            '{"version":"1","rung":5}',
            '{"version":1,"rung":"nowhere"}',
            '{"version":-1,"rung":"one-arm"}',
            '{"version":1,"rung":"one-arm","step":7}',
            '{"version":99999999999999999999,"rung":"a"}',
        ] as $body) {
            foreach (['/moves', '/doses', '/plan', '/undo', '/redo'] as $rest) {
                self::assertContains($this->api('POST', $this->path($rest), $body)->getStatusCode(), [409, 422, 200], $rest.' '.$body);
            }
        }
        $this->api(
            'POST',
            $this->path('/undo'),
            ['version' => $this->board()['version']],
        )->assertStatus(422)->assertJsonPath('errors.0.message', 'there is nothing to undo');
    }
}
