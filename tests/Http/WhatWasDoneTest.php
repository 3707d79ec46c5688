<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\LoggedSession;
use Illuminate\Support\Carbon;

/**
 * Planned sessions and their days: done, moved, missed; one log each, wherever it was written.
 */
final class WhatWasDoneTest extends HttpTestCase
{
    use SessionsOfAClient;

    private string $client;

    public function test_every_session_has_a_day_and_what_is_left_moves_on_while_the_client_is_away(): void
    {
        $monday = Carbon::today()->next('Monday')->toDateString();
        $board = $this->board();
        $moved = $this->api(
            'POST',
            $this->path('/dates'),
            ['version' => $board['version'], 'began' => $monday, 'shifts' => []],
        )->assertOk()->json();
        self::assertSame([$monday, Carbon::parse($monday)->addDays(6)->toDateString()], [$moved['week']['from'], $moved['week']['to']]);
        foreach ($moved['week']['sessions'] as $session) {
            self::assertSame($session['day'], strtolower(Carbon::parse($session['date'])->format('D')));
        }
        $first = $moved['week']['sessions'][0]['date'];
        $away = $this->api(
            'POST',
            $this->path('/dates'),
            [
                'version' => $moved['version'],
                'began' => $monday,
                'shifts' => [['from' => $monday, 'to' => Carbon::parse($monday)->addDays(9)->toDateString()]],
            ],
        )->assertOk()->json();
        self::assertSame(Carbon::parse($first)->addDays(14)->toDateString(), $away['week']['sessions'][0]['date']);
        $this->api(
            'POST',
            $this->path('/dates'),
            [
                'version' => $away['version'],
                'began' => $monday,
                'shifts' => [['from' => $monday, 'to' => Carbon::parse($monday)->subDay()->toDateString()]],
            ],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/shifts/0/to');
        $undone = $this->api('POST', $this->path('/undo'), ['version' => $away['version']])->assertOk()->json();
        self::assertSame($moved['week']['sessions'], $undone['week']['sessions']);
    }

    public function test_a_session_is_missed_offered_another_day_and_counts_nowhere(): void
    {
        $board = $this->board();
        $place = ['version' => $board['version'], 'week' => 1, 'place' => 1];
        $offer = $this->api('POST', $this->path('/sessions/missed/check'), $place)->assertOk()->json();
        self::assertTrue($offer['day'] !== null xor $offer['loses'] !== []);
        $missed = $this->api('POST', $this->path('/sessions/missed'), [...$place, 'missed' => true])->assertOk()->json();
        self::assertSame('missed', $missed['week']['sessions'][0]['state']);
        self::assertSame([], $this->api('GET', $this->path('/logs'))->json('sessions'));
        self::assertSame([], $this->api('GET', $this->path('/logs'))->json('verdicts'));
        $moved = $this->api(
            'POST',
            $this->path('/sessions/move'),
            [...$place, 'version' => $missed['version'], 'day' => 'sun'],
        )->assertOk()->json();
        $session = array_values(array_filter($moved['week']['sessions'], static fn (array $each): bool => $each['day'] === 'sun'))[0];
        self::assertSame(
            ['planned', $board['week']['sessions'][0]['day'], $board['week']['sessions'][0]['key']],
            [$session['state'], $session['moved_from'], $session['key']],
        );
    }

    public function test_one_session_from_floor_and_desk_is_one_log_and_what_differs_is_asked(): void
    {
        $plan = $this->api('GET', $this->path('/floor/1/1'))->assertOk()->json();
        $planned = $plan['planned'];
        self::assertSame($this->board()['week']['sessions'][0]['key'], $planned);
        $today = Carbon::today()->toDateString();
        $run = ['revision' => 3, 'open' => true, 'on' => $today, 'planned' => $planned, 'soreness' => 1, 'sets' => self::sets()];
        $this->api('PUT', $this->path('/logs/run/floor-run-1'), $run)->assertOk();
        self::assertSame('running', $this->board()['week']['sessions'][0]['state']);
        $this->api('PUT', $this->path('/logs/run/floor-run-1'), [...$run, 'revision' => 4, 'open' => false])->assertOk();
        self::assertSame('done', $this->board()['week']['sessions'][0]['state']);

        $desk = ['key' => 'desk-log-1', 'on' => $today, 'planned' => $planned, 'minutes' => 25, 'sets' => self::sets()];
        $page = $this->api('POST', $this->path('/logs'), $desk)->assertOk()->json();
        self::assertCount(1, $page['sessions'], 'joined');
        $log = $this->api('GET', $this->path('/logs/'.$page['sessions'][0]['id']))->json('log');
        self::assertSame([1, 25], [$log['soreness'], $log['minutes']]);
        $other = [...$desk, 'key' => 'desk-log-2', 'soreness' => 5];
        $this->api('POST', $this->path('/logs'), $other)->assertStatus(409)->assertJsonPath('current.differences', ['soreness 1 or 5']);
        self::assertSame(1, $this->logs($planned));
        $this->api('POST', $this->path('/logs'), [...$other, 'over' => true])->assertOk();
        self::assertSame(1, $this->logs($planned));
        self::assertSame(5, LoggedSession::query()->where('planned', $planned)->value('soreness'));

        $this->api('PUT', $this->path('/logs/run/floor-run-2'), [...$run, 'open' => false])->assertStatus(409);
        $this->api('PUT', $this->path('/logs/run/floor-run-2'), [...$run, 'open' => false, 'soreness' => 5])->assertOk();
        self::assertSame(1, $this->logs($planned), 'two devices, one session');
        $this->api('POST', $this->path('/logs/'.$page['sessions'][0]['id'].'/remove'), '{}')->assertOk();
        $this->api('POST', $this->path('/logs'), [...$desk, 'key' => 'desk-log-4'])->assertOk();
        $removed = $this->api('GET', $this->path('/logs'))->json('removed');
        $this->api(
            'POST',
            $this->path('/removed-logs/'.$removed[0]['change'].'/restore'),
        )->assertStatus(422)->assertJsonPath('errors.0.message', 'another log of that session is there');
        $this->api(
            'POST',
            $this->path('/logs'),
            [...$desk, 'key' => 'desk-log-3', 'on' => Carbon::yesterday()->toDateString()],
        )->assertOk();
        self::assertSame(2, $this->logs($planned), 'another day is another log');
    }

    public function test_nothing_done_and_nothing_said_is_no_session(): void
    {
        $nothing = [
            'on' => Carbon::today()->toDateString(),
            'sets' => self::sets(['done' => 0, 'faults' => null, 'pain' => null, 'effort' => null, 'breathing' => null]),
        ];
        $nothing['sets'] = array_map(
            static fn (array $set): array => array_filter($set, static fn (mixed $value): bool => $value !== null),
            $nothing['sets'],
        );
        $this->api('POST', $this->path('/logs'), ['key' => 'nothing-1', ...$nothing])->assertStatus(422)->assertJsonPath(
            'errors.0.message',
            'nothing was done and nothing was said: that is no session',
        );
        $this->api('PUT', $this->path('/logs/run/nothing-2'), ['revision' => 2, 'open' => false, ...$nothing])->assertOk();
        self::assertSame(0, LoggedSession::query()->where('client_id', $this->client)->count());
        $this->api('PUT', $this->path('/logs/run/nothing-3'), ['revision' => 2, 'open' => false, 'soreness' => 6, ...$nothing])->assertOk();
        self::assertSame(1, LoggedSession::query()->where('client_id', $this->client)->count(), 'soreness alone is something');
    }

    public function test_a_run_that_is_thrown_away_leaves_the_record_and_can_be_put_back(): void
    {
        $this->api(
            'PUT',
            $this->path('/logs/run/thrown-run-1'),
            ['revision' => 2, 'open' => true, 'on' => Carbon::today()->toDateString(), 'sets' => self::sets()],
        )->assertOk();
        $this->api('DELETE', $this->path('/logs/run/thrown-run-1'))->assertNoContent();
        $this->api('DELETE', $this->path('/logs/run/thrown-run-1'))->assertNoContent();
        self::assertSame(0, LoggedSession::query()->where('client_id', $this->client)->count());
        $this->api(
            'PUT',
            $this->path('/logs/run/thrown-run-1'),
            ['revision' => 3, 'open' => true, 'on' => Carbon::today()->toDateString(), 'sets' => self::sets()],
        )->assertStatus(409);
        $removed = $this->api('GET', $this->path('/logs'))->json('removed');
        self::assertCount(1, $removed);
        $this->api('POST', $this->path('/removed-logs/'.$removed[0]['change'].'/restore'))->assertOk();
        self::assertSame(1, LoggedSession::query()->where('client_id', $this->client)->count());
    }
}
