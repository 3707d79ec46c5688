<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\LoggedSession;
use App\Models\LoggedSet;
use Illuminate\Support\Carbon;

final class LogsTest extends HttpTestCase
{
    private const CLEAN = [
        'rung' => 'heel-taps',
        'target' => 8,
        'done' => 8,
        'faults' => [],
        'pain' => 0,
        'effort' => 5,
        'breathing' => true,
    ];

    private function path(string $rest): string
    {
        return '/clients/'.$this->clientNamed('Maren Tidewell')->id.$rest;
    }

    /** @return array<string, mixed> */
    private function log(string $key, int $daysAgo, array $set = [], array $more = []): array
    {
        return [
            'key' => $key,
            'on' => Carbon::today()->subDays($daysAgo)->toDateString(),
            'sets' => [['side' => 'left', ...self::CLEAN, ...$set], ['side' => 'right', ...self::CLEAN, ...$set]],
            ...$more,
        ];
    }

    /** @return array<string, mixed> */
    private function verdict(array $page): array
    {
        return array_column($page['verdicts'], null, 'ladder')['dead-bug'];
    }

    public function test_two_clean_sessions_earn_a_step_and_accepting_moves_standing_and_weeks(): void
    {
        $this->signedIn();
        self::assertSame(
            'stay',
            $this->verdict($this->api('POST', $this->path('/logs'), $this->log('first-key', 3))->assertOk()->json())['verdict'],
        );
        $page = $this->api('POST', $this->path('/logs'), $this->log('second-key', 1))->assertOk()->json();
        self::assertSame(['step-up', null], [$this->verdict($page)['verdict'], $this->verdict($page)['answered']]);

        $before = $this->api('GET', $this->path('/board'))->json();
        self::assertSame(0, array_column($before['ladders'], null, 'id')['dead-bug']['standing']['step'], 'nothing moves unseen');
        $page = $this->api(
            'POST',
            $this->path('/verdicts'),
            ['version' => $before['version'], 'ladder' => 'dead-bug', 'answer' => 'accepted'],
        )->assertOk()->json();
        $after = $this->api('GET', $this->path('/board'))->json();
        self::assertSame(1, array_column($after['ladders'], null, 'id')['dead-bug']['standing']['step']);
        self::assertNotSame($before['week'], $after['week']);
        self::assertStringContainsString('2 clean sessions running', array_column($after['ladders'], null, 'id')['dead-bug']['why'][0]);
        $back = $this->api('POST', $this->path('/undo'), ['version' => $after['version']])->assertOk()->json();
        self::assertSame($before['week'], $back['week']);
    }

    public function test_what_was_not_begun_when_a_session_ended_early_is_neither_short_nor_enough(): void
    {
        $this->signedIn();
        $early = fn (string $key, int $ago, bool $left): array => [
            ...$this->log($key, $ago),
            'ended' => 'time',
            'sets' => [
                ...$this->log($key, $ago)['sets'],
                ...array_map(
                    static fn (string $side): array => [
                        'rung' => 'heel-taps',
                        'side' => $side,
                        'target' => 8,
                        'done' => 0,
                        ...($left ? ['left' => true] : []),
                    ],
                    ['left', 'right'],
                ),
            ],
        ];
        foreach ([9, 6, 3] as $ago) {
            $page = $this->api('POST', $this->path('/logs'), $early('early-key-'.$ago, $ago, true))->assertOk()->json();
        }
        self::assertSame(
            ['stay', 'time', 0],
            [$this->verdict($page)['verdict'], $page['sessions'][0]['ended'], $page['sessions'][0]['short']],
        );
        self::assertStringContainsString('not all of its sets were begun', implode(' ', $this->verdict($page)['reasons']));
        foreach ([2, 1] as $ago) {
            $page = $this->api('POST', $this->path('/logs'), $early('short-key-'.$ago, $ago, false))->assertOk()->json();
        }
        self::assertSame(
            ['step-down', 2],
            [$this->verdict($page)['verdict'], $page['sessions'][0]['short']],
            'the same sets begun and given up are another matter',
        );
    }

    public function test_the_same_log_sent_twice_is_kept_once(): void
    {
        $this->signedIn();
        $this->api('POST', $this->path('/logs'), $this->log('same-key-1', 1))->assertOk();
        $this->api('POST', $this->path('/logs'), $this->log('same-key-1', 1))->assertOk();

        self::assertSame(2, LoggedSet::query()->ofClient($this->clientNamed('Maren Tidewell'))->count());
    }

    public function test_pain_seven_stops_and_refers_and_cannot_be_accepted_into_a_move(): void
    {
        $this->signedIn();
        $verdict = $this->verdict($this->api('POST', $this->path('/logs'), $this->log('pain-key-1', 1, ['pain' => 7]))->assertOk()->json());

        self::assertSame(['stop', true, false], [$verdict['verdict'], $verdict['refer'], $verdict['moves']]);
        self::assertFalse($this->api('GET', $this->path('/screen'))->json('due.over'), 'the screen of today was asked after it');
        $this->api('POST', $this->path('/logs'), $this->log('pain-key-3', 0, ['pain' => 1, 'pain_kind' => 'sharp']))->assertOk();
        self::assertTrue($this->api('GET', $this->path('/screen'))->json('due.over'), 'due at once, whoever has answered the verdict');
    }

    public function test_what_cannot_be_is_said_and_a_log_is_taken_back(): void
    {
        $this->signedIn();
        $at = fn (array $log): ?string => $this->api('POST', $this->path('/logs'), $log)->assertStatus(422)->json('errors.0.path');
        self::assertSame('/on', $at($this->log('bad-key-1', -5)));
        self::assertSame('/sets/0/pain', $at($this->log('bad-key-1', 1, ['pain' => 11])));
        self::assertSame('/sets/0/rung', $at($this->log('bad-key-1', 1, ['rung' => 'nowhere'])));
        $page = $this->api('POST', $this->path('/logs'), $this->log('good-key', 1))->json();
        $this->api('POST', $this->path('/logs/'.$page['sessions'][0]['id'].'/remove'))->assertOk()->assertJsonPath('sessions', []);
        $this->api('POST', $this->path('/verdicts'), ['version' => 1, 'ladder' => 'dead-bug', 'answer' => 'accepted'])->assertStatus(422);
    }

    public function test_the_list_puts_those_first_who_need_the_trainer(): void
    {
        $this->signedIn();
        $rows = fn (): array => $this->api('GET', '/clients')->assertOk()->json('clients');
        self::assertSame('Anker Stave', $rows()[0]['name'], 'who must see a clinician comes first');
        self::assertNotSame('Maren Tidewell', $rows()[1]['name']);

        $this->api('POST', $this->path('/logs'), $this->log('pain-key-2', 2, ['pain' => 4]))->assertOk();
        $maren = $rows()[1];
        self::assertSame('Maren Tidewell', $maren['name']);
        self::assertSame(['kind' => 'pain', 'on' => Carbon::today()->subDays(2)->toDateString(), 'count' => 4], $maren['needs'][0]);
        self::assertSame(['pain', 'decision'], array_column($maren['needs'], 'kind'));

        $this->api(
            'POST',
            $this->path('/verdicts'),
            ['version' => $maren['version'], 'ladder' => 'dead-bug', 'answer' => 'postponed'],
        )->assertOk();
        self::assertSame(['pain'], array_column($rows()[1]['needs'], 'kind'), 'an answered verdict waits no longer');
    }

    public function test_pain_that_was_said_before_a_session_brings_a_client_up_too(): void
    {
        $this->signedIn();
        $this->api('POST', $this->path('/logs'), $this->log('door-key-1', 1, ['done' => 0], ['pain_before' => 7]))->assertOk();
        $needs = array_column($this->api('GET', '/clients')->json('clients'), 'needs', 'name')['Maren Tidewell'];
        self::assertSame(['kind' => 'stop', 'on' => Carbon::today()->subDay()->toDateString(), 'count' => null], $needs[0]);
        self::assertContains(['kind' => 'pain', 'on' => Carbon::today()->subDay()->toDateString(), 'count' => 7], $needs);
        self::assertSame(['stop'], array_column($this->api('GET', $this->path('/logs'))->json('verdicts'), 'verdict'));
    }

    public function test_a_long_list_comes_in_looks_and_is_whole_in_the_end(): void
    {
        $this->signedIn();
        $document = $this->clientNamed('Maren Tidewell')->document;
        for ($i = 0; $i < 12; $i++) {
            $this->api('POST', '/clients', ['document' => [...$document, 'name' => 'Many '.$i]])->assertCreated();
        }
        $first = $this->api('GET', '/clients')->assertOk()->json();
        self::assertGreaterThan(0, $first['behind']);
        self::assertLessThan(18, count($first['clients']));
        for ($look = 0; $look < 4 && ($list = $this->api('GET', '/clients')->json())['behind'] > 0; $look++);
        self::assertSame([0, 18], [$list['behind'], count(array_unique(array_column($list['clients'], 'id')))]);

        $this->travel(1)->days();
        $next = $this->api('GET', '/clients')->json();
        self::assertCount(18, $next['clients'], 'on the next day nobody is missing meanwhile');
        self::assertGreaterThan(0, $next['behind']);
    }

    public function test_who_was_not_seen_for_weeks_is_said_and_after_eight_the_screen_is_due(): void
    {
        $this->signedIn();
        $needs = fn (): array => array_column($this->api('GET', '/clients')->json('clients'), 'needs', 'name')['Maren Tidewell'];
        $this->api('POST', $this->path('/logs'), $this->log('old-key-1', 13))->assertOk();
        self::assertNotContains('unseen', array_column($needs(), 'kind'));

        $this->travel(2)->days();
        self::assertContains('unseen', array_column($needs(), 'kind'));
        self::assertNotContains('screen', array_column($needs(), 'kind'));
        $this->travel(8)->weeks();
        self::assertContains('screen', array_column($needs(), 'kind'), 'eight weeks without training, before the twelve are over');
    }

    public function test_the_load_of_the_week_knows_rest_days_from_missing_ones(): void
    {
        $this->travelTo('2026-11-22 18:00');
        $this->signedIn();
        $load = fn (string $key, int $daysAgo, array $more): array => $this->api(
            'POST',
            $this->path('/logs'),
            $this->log($key, $daysAgo, [], $more),
        )->assertOk()->json('load');

        $week = $load('load-key-1', 2, ['effort' => 6, 'minutes' => 15]);
        self::assertSame(['2026-11-14', '2026-11-20'], [$week['from'], $week['to']]);
        self::assertSame(['2026-11-16', '2026-11-18'], $week['unknown'], 'Monday and Wednesday are planned and nobody logged them');
        self::assertNull($week['monotony']);
        $load('load-key-2', 6, ['effort' => 9, 'minutes' => 20]);
        self::assertSame(['2026-11-18'], $load('load-key-3', 4, ['effort' => 7])['unknown'], 'a log without minutes is unknown too');
        $this->api('POST', $this->path('/logs/'.$this->api('GET', $this->path('/logs'))->json('sessions.1.id').'/remove'))->assertOk();
        $week = $load('load-key-4', 4, ['effort' => 7, 'minutes' => 30]);

        // 180 + 210 + 90 effort-minutes over seven days, sample SD 92.8132 (calc)
        self::assertSame([480, []], [$week['total'], $week['unknown']]);
        self::assertEqualsWithDelta(480 / 7 / 92.8132, $week['monotony'], 0.001);
    }

    /** @return array<string, mixed> */
    private function newest(): array
    {
        $id = $this->api('GET', $this->path('/logs'))->json('sessions.0.id');

        return $this->api('GET', $this->path('/logs/'.$id))->assertOk()->json();
    }

    public function test_an_edit_keeps_what_was_before_and_who_changed_it(): void
    {
        $trainer = $this->signedIn();
        $this->api('POST', $this->path('/logs'), $this->log('edit-key-1', 1))->assertOk();
        $one = $this->newest();
        self::assertSame([], $one['changes']);
        ['key' => $key] = $log = $one['log'];
        unset($log['key']);
        $log['sets'][0]['done'] = 6;
        $edited = $this->api('POST', $this->path('/logs/'.$one['id']), [...$log, 'revision' => $one['revision']])->assertOk()->json();

        self::assertSame([6, $key], [$edited['log']['sets'][0]['done'], $edited['log']['key']]);
        self::assertSame(
            ['edited', $trainer->name, 8],
            [$edited['changes'][0]['what'], $edited['changes'][0]['by'], $edited['changes'][0]['before']['sets'][0]['done']],
        );
        $this->api(
            'POST',
            $this->path('/logs/'.$one['id']),
            [...$log, 'revision' => $one['revision']],
        )->assertStatus(409)->assertJsonPath('current.log.sets.0.done', 6);
    }

    public function test_a_log_that_was_taken_back_is_put_back_as_it_was(): void
    {
        $this->signedIn();
        $this->api(
            'POST',
            $this->path('/logs'),
            $this->log('back-key-1', 1, ['pain' => 2, 'pain_kind' => 'familiar'], ['soreness' => 2, 'effort' => 5, 'minutes' => 20]),
        )->assertOk();
        $before = $this->newest();
        $page = $this->api('POST', $this->path('/logs/'.$before['id'].'/remove'))->assertOk()->json();
        self::assertSame([[], 2], [$page['sessions'], $page['removed'][0]['sets']]);

        $page = $this->api('POST', $this->path('/removed-logs/'.$page['removed'][0]['change'].'/restore'))->assertOk()->json();
        self::assertSame([], $page['removed']);
        self::assertSame($before['log'], $this->newest()['log']);
        self::assertSame(['restored', 'removed'], array_column($this->newest()['changes'], 'what'));
    }

    public function test_a_device_that_sends_twice_or_late_doubles_and_undoes_nothing(): void
    {
        $this->signedIn();
        $send = fn (int $revision, int $done, array $more = []) => $this->api(
            'PUT',
            $this->path('/logs/run/device-key-1'),
            ['revision' => $revision, 'open' => true, ...array_diff_key($this->log('x', 0, ['done' => $done]), ['key' => 0]), ...$more],
        );
        self::assertSame(2, $send(2, 4)->assertOk()->json('revision'));
        self::assertSame(3, $send(3, 6)->assertOk()->json('revision'));
        self::assertSame(3, $send(2, 4)->assertOk()->json('revision'), 'late');
        self::assertSame(3, $send(3, 6)->assertOk()->json('revision'), 'twice');
        self::assertSame([6, 6], array_column($this->newest()['log']['sets'], 'done'));
        $this->api(
            'PUT',
            '/clients/'.$this->clientNamed('Tove Rudder')->id.'/logs/run/device-key-1',
            ['revision' => 9, 'on' => Carbon::today()->toDateString(), 'sets' => [self::CLEAN]],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/key');
        self::assertTrue($this->api('GET', $this->path('/logs'))->json('sessions.0.open'));

        $this->api('POST', $this->path('/logs/'.$this->newest()['id'].'/remove'))->assertOk();
        $send(4, 8)->assertStatus(409)->assertJsonPath('current.removed', true);
        $send(4, 8, ['over' => true])->assertOk();
        self::assertSame([8, 8], array_column($this->newest()['log']['sets'], 'done'));
    }

    public function test_ticks_that_were_asked_for_and_are_missing_keep_the_rung(): void
    {
        $this->signedIn();
        $all = ['ribs-down', 'back-still', 'trunk-on', 'breathing', 'no-pain'];
        $this->api('POST', $this->path('/logs'), $this->log('tick-key-1', 3, [], ['ticks' => ['dead-bug' => $all]]))->assertOk();
        $verdict = $this->verdict(
            $this->api(
                'POST',
                $this->path('/logs'),
                $this->log('tick-key-2', 1, [], ['ticks' => ['dead-bug' => array_slice($all, 1)]]),
            )->json(),
        );
        self::assertSame('stay', $verdict['verdict']);
        self::assertStringContainsString('ribs down', implode($verdict['reasons']));
        self::assertSame(
            'stay',
            $this->verdict(
                $this->api(
                    'POST',
                    $this->path('/logs'),
                    $this->log('tick-key-3', 0, ['felt' => ['low-back']], ['ticks' => ['dead-bug' => $all]]),
                )->json(),
            )['verdict'],
            'felt in the low back',
        );
    }

    public function test_the_log_goes_out_as_a_table_and_comes_back_the_same_once(): void
    {
        $this->signedIn();
        $this->api(
            'POST',
            $this->path('/logs'),
            $this->log(
                'csv-key-01',
                3,
                [
                    'faults' => ['ribs-flare'],
                    'ended_by' => 'ribs-flare',
                    'done' => 6,
                    'range' => 0.5,
                    'felt' => ['neck', 'low-back'],
                    'talked' => true,
                ],
                ['soreness' => 1, 'minutes' => 20],
            ),
        )->assertOk();
        $this->api(
            'POST',
            $this->path('/logs'),
            [
                'key' => 'csv-key-02',
                'on' => Carbon::today()->toDateString(),
                'sets' => [['rung' => 'forearm-plank', 'target' => 20, 'done' => 17.5]],
            ],
        )->assertOk();
        $csv = (string) $this->api('GET', $this->path('/logs.csv'))->assertOk()->getContent();
        self::assertSame(4, substr_count($csv, "\r\n"), 'a header and three sets, lines ended as RFC 4180 asks');
        $logs = fn (): array => array_map(
            fn (array $session): array => $this->api('GET', $this->path('/logs/'.$session['id']))->json('log'),
            $this->api('GET', $this->path('/logs'))->json('sessions'),
        );
        $before = $logs();
        self::assertSame(
            ['added' => 0, 'known' => 2],
            $this->api('POST', $this->path('/logs/import'), ['csv' => $csv])->assertOk()->json(),
        );
        self::assertSame($before, $logs(), 'the same keys are kept once');
        $other = '/clients/'.$this->clientNamed('Tove Rudder')->id.'/logs/import';
        self::assertSame(
            ['added' => 2, 'known' => 0],
            $this->api('POST', $other, ['csv' => $csv])->assertOk()->json(),
            'another client has logs of its own',
        );
        self::assertSame(['added' => 0, 'known' => 2], $this->api('POST', $other, ['csv' => $csv])->assertOk()->json());
        LoggedSession::query()->ofClient($this->clientNamed('Maren Tidewell'))->delete();
        $this->api('POST', $this->path('/logs/import'), ['csv' => $csv])->assertOk();
        self::assertSame($before, $logs());

        $errors = $this->api(
            'POST',
            $this->path('/logs/import'),
            ['csv' => "date,exercise,target,done,pain\r\n2026-13-99,Dead bug,8,8,0\r\n2026-11-02,Nothing known,8,,11\r\n"],
        )->assertStatus(422)->json('errors');
        self::assertSame(
            ['row 3, column exercise', 'row 3, column pain', 'row 3, column done'],
            array_column(array_filter($errors, static fn (array $each): bool => str_starts_with($each['path'], 'row 3')), 'path'),
        );
        self::assertSame($before, $logs(), 'nothing of a table with errors is kept');
    }

    public function test_two_repetitions_over_the_goal_twice_offer_the_next_weight(): void
    {
        $this->signedIn();
        $id = $this->clientNamed('Maren Tidewell')->id;
        $ladder = current(
            array_filter(
                $this->api('GET', '/clients/'.$id.'/board')->json('ladders'),
                static fn (array $each): bool => $each['id'] === 'hinge',
            ),
        );
        $rung = $ladder['standing']['rung'];
        $log = fn (string $key, int $ago, int $done, float $kg): ?string => array_column(
            $this->api(
                'POST',
                $this->path('/logs'),
                [
                    'key' => $key,
                    'on' => Carbon::today()->subDays($ago)->toDateString(),
                    'sets' => [['rung' => $rung, 'side' => 'both', 'target' => 6, 'done' => $done, 'load_kg' => $kg]],
                ],
            )->assertOk()->json('verdicts'),
            'load',
            'ladder',
        )['hinge'];
        self::assertNull($log('load-a-001', 5, 8, 16));
        self::assertStringContainsString('17 kg next, from 16 kg', (string) $log('load-a-002', 3, 8, 16));
        self::assertNull($log('load-a-003', 2, 8, 4));
        self::assertStringContainsString('repetitions or lever first', (string) $log('load-a-004', 1, 9, 4));
    }

    public function test_a_verdict_is_changed_only_with_a_reason_and_on_its_own_ladder(): void
    {
        $this->signedIn();
        $page = $this->api('POST', $this->path('/logs'), $this->log('chg-key-1', 1))->json();
        $answer = [
            'version' => $this->api('GET', $this->path('/board'))->json('version'),
            'ladder' => 'dead-bug',
            'answer' => 'changed',
            'rung' => $this->verdict($page)['from_rung'],
            'step' => 1,
        ];
        $this->api('POST', $this->path('/verdicts'), $answer)->assertStatus(422)->assertJsonPath('errors.0.path', '/note');
        $this->api(
            'POST',
            $this->path('/verdicts'),
            [...$answer, 'note' => 'x', 'rung' => 'forearm-plank'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/rung');
        $this->api('POST', $this->path('/verdicts'), [...$answer, 'note' => 'Moves like a swing'])->assertOk();

        $ladder = array_column($this->api('GET', $this->path('/board'))->json('ladders'), null, 'id')['dead-bug'];
        self::assertSame(1, $ladder['standing']['step']);
        self::assertStringContainsString('Moves like a swing', $ladder['why'][0]);
    }
}
