<?php

declare(strict_types=1);

namespace Tests\Http;

final class SessionsTest extends HttpTestCase
{
    private const CIRCUIT = [
        'format' => 'even-rungs/session',
        'version' => 1,
        'day' => 'mon',
        'kind' => 'standalone',
        'warm_up_s' => 120,
        'cool_down_s' => 90,
        'blocks' => [['type' => 'straight', 'entries' => [['exercise' => 'dead bug', 'sets' => 1, 'reps' => 8]]]],
    ];

    private function path(string $rest, string $name = 'Bea Thwart'): string
    {
        return '/clients/'.$this->clientNamed($name)->id.$rest;
    }

    /** @return array<string, mixed> */
    private function board(string $name = 'Bea Thwart'): array
    {
        return $this->api('GET', $this->path('/board', $name))->assertOk()->json();
    }

    /** @return array<string, mixed> */
    private function change(array $session, array $change, array $more = []): array
    {
        return $this->api('POST', '/sessions/preview', ['session' => $session, 'change' => $change, ...$more])->assertOk()->json();
    }

    public function test_ready_sessions_come_at_the_clients_own_rungs_and_for_anyone(): void
    {
        $this->signedIn();
        $ready = $this->api('GET', '/ready')->assertOk()->json('ready');
        self::assertContains('wake-before-lifting', array_column($ready, 'id'));
        $maren = $this->clientNamed('Maren Tidewell')->id;
        $own = $this->api('GET', "/ready/on-the-back?day=wed&client={$maren}")->assertOk()->json('session');
        self::assertSame(['wed', 'standalone'], [$own['day'], $own['kind']]);
        self::assertNotSame([], $own['blocks'][0]['entries']);
        $this->api('GET', '/ready/on-the-back')->assertOk();
        $this->api('GET', '/ready/on-the-back?day=noday')->assertStatus(422)->assertJsonPath('errors.0.path', '/day');
        $this->api('GET', '/ready/nowhere')->assertNotFound();
        $this->api('GET', '/ready/on-the-back?client=nobody')->assertNotFound();
    }

    public function test_five_stations_fifty_on_twenty_five_off_three_rounds_take_21_50(): void
    {
        $this->signedIn();
        $built = $this->change(self::CIRCUIT, ['do' => 'rounds', 'block' => 0, 'text' => '3 rounds 50:25']);
        foreach (['side plank', 'bird dog', 'glute bridge', 'press-out'] as $exercise) {
            $built = $this->change($built['session'], ['do' => 'add', 'block' => 0, 'exercise' => $exercise]);
        }

        self::assertSame(['21:50', '3 rounds 50:25'], [$built['total']['text'], $built['blocks'][0]['line']]);
        self::assertCount(5, $built['blocks'][0]['entries']);
        $last = $built['ribbon'][count($built['ribbon']) - 1];
        self::assertEquals([1310, 'cool-down'], [$last['end_s'], $last['what']]);
        self::assertSame(
            750,
            array_sum(
                array_map(static fn (array $s): int => $s['what'] === 'work' ? (int) ($s['end_s'] - $s['start_s']) : 0, $built['ribbon']),
            ),
        );
        $this->api(
            'POST',
            '/sessions/preview',
            ['session' => $built['session'], 'change' => ['do' => 'rounds', 'block' => 0, 'text' => 'a few rounds']],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/change/text');
    }

    public function test_a_dose_is_typed_as_trainers_write_it_and_the_best_order_is_taken(): void
    {
        $this->signedIn();
        $session = [
            ...self::CIRCUIT,
            'blocks' => [
                [
                    'type' => 'straight',
                    'entries' => [
                        ['exercise' => 'front plank', 'hold_s' => 30],
                        ['exercise' => 'bird dog', 'reps' => 8, 'side' => 'each'],
                        ['exercise' => 'dead bug', 'reps' => 8, 'side' => 'each'],
                        ['exercise' => 'side plank', 'hold_s' => 20, 'side' => 'each'],
                    ],
                ],
            ],
        ];
        $built = $this->change($session, ['do' => 'dose', 'block' => 0, 'entry' => 0, 'text' => '3 sets of 30 sec, rest 45']);
        self::assertSame('3 sets of 30 s, rest 0:45', $built['blocks'][0]['entries'][0]['dose']);
        self::assertLessThan($built['blocks'][0]['order']['cost'], $built['blocks'][0]['order']['best_cost']);
        $best = $this->change($built['session'], ['do' => 'order', 'block' => 0]);

        self::assertSame($built['blocks'][0]['order']['best'], array_column($best['blocks'][0]['entries'], 'name'));
        self::assertSame($best['blocks'][0]['order']['best_cost'], $best['blocks'][0]['order']['cost']);
    }

    public function test_what_takes_too_long_can_be_cut_and_what_a_limit_bars_is_mended(): void
    {
        $this->signedIn();
        $client = ['client' => $this->clientNamed('Maren Tidewell')->id];
        $session = [
            ...self::CIRCUIT,
            'blocks' => [
                [
                    'type' => 'straight',
                    'entries' => [
                        ['exercise' => 'front plank', 'sets' => 9, 'hold_s' => 60, 'rest_s' => 90],
                        ['exercise' => 'dead bug', 'sets' => 3, 'reps' => 10, 'side' => 'alternate'],
                    ],
                ],
            ],
        ];
        $built = $this->api('POST', '/sessions/preview', ['session' => $session, ...$client])->assertOk()->json();
        self::assertTrue($built['over']);
        $cut = $built['cuts'][0];
        $shorter = $this->api('POST', '/sessions/preview', ['session' => $cut['session'], ...$client])->json();
        self::assertEquals($built['total']['seconds'] - $cut['saves']['seconds'], $shorter['total']['seconds']);

        $barred = array_values(array_filter($built['findings'], static fn (array $f): bool => $f['rule'] === 'limit.shoulder'))[0];
        $mended = $this->change($session, ['do' => 'fix', 'rule' => $barred['rule'], 'where' => $barred['where']], $client);
        self::assertNotContains('limit.shoulder', array_column($mended['findings'], 'rule'));
    }

    public function test_a_session_is_saved_into_the_week_moved_and_undone(): void
    {
        $this->signedIn();
        $before = $this->board();
        $after = $this->api(
            'POST',
            $this->path('/sessions'),
            ['version' => $before['version'], 'week' => 1, 'place' => 1, 'session' => [...self::CIRCUIT, 'day' => 'mon']],
        )->assertOk()->json();
        self::assertSame(['dead-bug-opposite'], array_column($after['week']['sessions'][0]['blocks'][0]['entries'], 'exercise'));

        $check = $this->api(
            'POST',
            $this->path('/sessions/move/check'),
            ['version' => $after['version'], 'week' => 1, 'place' => 2, 'day' => 'wed'],
        )->assertOk()->json();
        self::assertContains('time.budget', array_column($check['breaks'], 'rule'), 'Wednesday was not offered');
        $moved = $this->api(
            'POST',
            $this->path('/sessions/move'),
            ['version' => $after['version'], 'week' => 1, 'place' => 2, 'day' => 'wed'],
        )->assertOk()->json();
        self::assertSame(['mon', 'wed', 'thu', 'sat'], array_column($moved['week']['sessions'], 'day'));
        $removed = $this->api(
            'POST',
            $this->path('/sessions/remove'),
            ['version' => $moved['version'], 'week' => 1, 'place' => 2],
        )->assertOk()->json();
        self::assertCount(3, $removed['week']['sessions']);
        $version = $removed['version'];
        for ($i = 0; $i < 3; $i++) {
            $back = $this->api('POST', $this->path('/undo'), ['version' => $version])->assertOk()->json();
            $version = $back['version'];
        }
        self::assertSame($before['week'], $back['week']);
        $this->api(
            'POST',
            $this->path('/sessions/move'),
            ['version' => $version, 'week' => 9, 'place' => 1, 'day' => 'wed'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/week');
    }

    public function test_templates_belong_to_the_studio(): void
    {
        $this->signedIn();
        $kept = $this->api('POST', '/templates', ['name' => 'Ten minutes', 'session' => self::CIRCUIT])->assertOk()->json('templates');

        self::assertSame('Ten minutes', $kept[0]['name']);
        $this->api('POST', '/templates', ['name' => ' ', 'session' => self::CIRCUIT])->assertStatus(422);
        $this->api('POST', '/templates/'.$kept[0]['id'].'/remove')->assertOk()->assertJsonPath('templates', []);
    }

    public function test_wishes_that_contradict_name_the_one_that_gives_and_away_weeks_keep_their_minutes(): void
    {
        $this->signedIn();
        $best = $this->api(
            'POST',
            $this->path('/best-week', 'Joss Keelson'),
            ['wished' => ['mon' => 'hard', 'tue' => 'hard']],
        )->assertOk()->json();
        self::assertSame(['A hard session on Monday: it is a day of heavy lifting.'], $best['given_up']);
        self::assertSame('hard', $best['days'][1]['use']);

        $board = $this->api(
            'POST',
            $this->path('/programs'),
            [
                'version' => $this->board()['version'],
                'weeks' => 3,
                'away' => [['week' => 2, 'days' => ['tue' => 10], 'equipment' => ['wall']]],
                'matches' => [['week' => 3, 'day' => 'thu']],
            ],
        )->assertOk()->json();
        $away = $this->api('GET', $this->path('/programs/current/weeks/2'))->json();
        self::assertSame(['tue'], array_column($away['sessions'], 'day'));
        self::assertLessThanOrEqual(600, $away['sessions'][0]['total']['seconds']);
        $match = array_column($this->api('GET', $this->path('/programs/current/weeks/3'))->json('sessions'), 'kind', 'day');
        self::assertSame('activation', $match['thu']);
        self::assertSame(
            [],
            array_filter(
                $this->api('GET', $this->path('/audit'))->assertOk()->json('findings'),
                static fn (array $f): bool => $f['severity'] === 'error',
            ),
            'the plan keeps its own rules away too',
        );
        self::assertSame(3, $this->api('POST', $this->path('/plan'), ['version' => $board['version']])->json('weeks'));
        self::assertSame(
            ['tue'],
            array_column($this->api('GET', $this->path('/programs/current/weeks/2'))->json('sessions'), 'day'),
            'planning anew keeps the week away',
        );
    }

    public function test_a_group_shares_the_clock_and_not_the_rungs(): void
    {
        $this->signedIn();
        $ids = array_map(fn (string $name): string => $this->clientNamed($name)->id, ['Bea Thwart', 'Maren Tidewell', 'Oskar Pintle']);
        $body = [
            'clients' => $ids,
            'stations' => ['plank', 'dead-bug', 'press-out'],
            'rounds' => 3,
            'work_s' => 40,
            'rest_s' => 20,
            'warm_up_s' => 60,
            'cool_down_s' => 60,
        ];
        $plan = $this->api('POST', '/group', $body)->assertOk()->json();

        self::assertSame('10:40', $plan['total']['text']);
        $plank = $plan['stations'][0]['places'];
        self::assertCount(3, array_unique(array_column($plank, 'exercise')), 'three people, three rungs');
        $this->api(
            'POST',
            '/group',
            [...$body, 'clients' => [$this->clientNamed('Anker Stave')->id]],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/clients');
        $this->api(
            'POST',
            '/group',
            [...$body, 'stations' => ['nowhere']],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/stations/0');
    }
}
