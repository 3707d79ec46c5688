<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\LoggedSet;
use Illuminate\Support\Carbon;

final class LogsTest extends HttpTestCase
{
    private const CLEAN = ['rung' => 'heel-taps', 'target' => 8, 'done' => 8, 'faults' => [], 'pain' => 0, 'effort' => 5, 'breathing' => true];

    private function path(string $rest): string
    {
        return '/clients/'.$this->clientNamed('Maren Tidewell')->id.$rest;
    }

    /** @return array<string, mixed> */
    private function log(string $key, int $daysAgo, array $set = [], array $more = []): array
    {
        return ['key' => $key, 'on' => Carbon::today()->subDays($daysAgo)->toDateString(), 'sets' => [['side' => 'left', ...self::CLEAN, ...$set], ['side' => 'right', ...self::CLEAN, ...$set]], ...$more];
    }

    /** @return array<string, mixed> */
    private function verdict(array $page): array
    {
        return array_column($page['verdicts'], null, 'ladder')['dead-bug'];
    }

    public function test_two_clean_sessions_earn_a_step_and_accepting_moves_standing_and_weeks(): void
    {
        $this->signedIn();
        self::assertSame('stay', $this->verdict($this->api('POST', $this->path('/logs'), $this->log('first-key', 3))->assertOk()->json())['verdict']);
        $page = $this->api('POST', $this->path('/logs'), $this->log('second-key', 1))->assertOk()->json();
        self::assertSame(['step-up', null], [$this->verdict($page)['verdict'], $this->verdict($page)['answered']]);

        $before = $this->api('GET', $this->path('/board'))->json();
        self::assertSame(0, array_column($before['ladders'], null, 'id')['dead-bug']['standing']['step'], 'nothing moves unseen');
        $page = $this->api('POST', $this->path('/verdicts'), ['version' => $before['version'], 'ladder' => 'dead-bug', 'answer' => 'accepted'])->assertOk()->json();
        $after = $this->api('GET', $this->path('/board'))->json();
        self::assertSame(1, array_column($after['ladders'], null, 'id')['dead-bug']['standing']['step']);
        self::assertNotSame($before['week'], $after['week']);
        self::assertStringContainsString('2 clean sessions running', array_column($after['ladders'], null, 'id')['dead-bug']['why'][0]);
        $back = $this->api('POST', $this->path('/undo'), ['version' => $after['version']])->assertOk()->json();
        self::assertSame($before['week'], $back['week']);
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

        $this->api('POST', $this->path('/verdicts'), ['version' => $maren['version'], 'ladder' => 'dead-bug', 'answer' => 'postponed'])->assertOk();
        self::assertSame(['pain'], array_column($rows()[1]['needs'], 'kind'), 'an answered verdict waits no longer');
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
        $load = fn (string $key, int $daysAgo, array $more): array => $this->api('POST', $this->path('/logs'), $this->log($key, $daysAgo, [], $more))->assertOk()->json('load');

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
}
