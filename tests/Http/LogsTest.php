<?php

declare(strict_types=1);

namespace Tests\Http;

use Illuminate\Support\Carbon;

final class LogsTest extends HttpTestCase
{
    use LogsOfAClient;

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

    public function test_pain_seven_stops_and_refers_and_cannot_be_accepted_into_a_move(): void
    {
        $this->signedIn();
        $verdict = $this->verdict($this->api('POST', $this->path('/logs'), $this->log('pain-key-1', 1, ['pain' => 7]))->assertOk()->json());

        self::assertSame(['stop', true, false], [$verdict['verdict'], $verdict['refer'], $verdict['moves']]);
        self::assertFalse($this->api('GET', $this->path('/screen'))->json('due.over'), 'the screen of today was asked after it');
        $this->api('POST', $this->path('/logs'), $this->log('pain-key-3', 0, ['pain' => 1, 'pain_kind' => 'sharp']))->assertOk();
        self::assertTrue($this->api('GET', $this->path('/screen'))->json('due.over'), 'due at once, whoever has answered the verdict');
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
        $log = $this->api('GET', $this->path('/logs'))->json('sessions.1.id');
        $this->api('POST', $this->path("/logs/{$log}/remove"), '{}')->assertOk();
        $week = $load('load-key-4', 4, ['effort' => 7, 'minutes' => 30]);

        // 180 + 210 + 90 effort-minutes over seven days, sample SD 92.8132 (calc)
        self::assertSame([480, []], [$week['total'], $week['unknown']]);
        self::assertEqualsWithDelta(480 / 7 / 92.8132, $week['monotony'], 0.001);
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
