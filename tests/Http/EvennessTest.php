<?php

declare(strict_types=1);

namespace Tests\Http;

use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\Session;
use Illuminate\Support\Carbon;
use Tests\Support\Documents;

final class EvennessTest extends HttpTestCase
{
    /** @return array<string, mixed> */
    private function page(string $client): array
    {
        return $this->api('GET', '/clients/'.$this->clientNamed($client)->id.'/evenness')->assertOk()->json();
    }

    public function test_what_is_logged_today_is_on_the_page_today(): void
    {
        $this->signedIn();
        $id = $this->clientNamed('Maren Tidewell')->id;
        $before = array_column($this->page('Maren Tidewell')['done'], null, 'code');
        self::assertSame(
            [0, 0, '0:00'],
            [$before['AE']['week']['sessions'], $before['AE']['month']['sets'], $before['AE']['week']['work']['text']],
        );
        self::assertGreaterThan(0, $before['AE']['planned']['work']['seconds']);
        foreach ([0, 10] as $ago) {
            $this->api(
                'POST',
                '/clients/'.$id.'/logs',
                [
                    'key' => 'even-key-'.$ago,
                    'on' => Carbon::today()->subDays($ago)->toDateString(),
                    'sets' => [['rung' => 'forearm-plank', 'side' => 'both', 'target' => 20, 'done' => 17.5]],
                ],
            )->assertOk();
        }
        $after = array_column($this->page('Maren Tidewell')['done'], null, 'code')['AE'];
        self::assertSame(
            [1, 1, 17.5, 2, 2, 35],
            [
                $after['week']['sessions'],
                $after['week']['sets'],
                $after['week']['work']['seconds'],
                $after['month']['sessions'],
                $after['month']['sets'],
                $after['month']['work']['seconds'],
            ],
        );
    }

    public function test_a_weaker_side_in_two_sessions_gets_a_set_more(): void
    {
        $this->signedIn();
        $id = $this->clientNamed('Maren Tidewell')->id;
        $set = static fn (string $side, int $done): array => ['rung' => 'heel-taps', 'side' => $side, 'target' => 8, 'done' => $done];
        $log = function (int $ago) use ($id, $set): void {
            $this->api(
                'POST',
                '/clients/'.$id.'/logs',
                [
                    'key' => 'side-key-'.$ago,
                    'on' => Carbon::today()->subDays($ago)->toDateString(),
                    'sets' => [$set('left', 6), $set('right', 8)],
                ],
            )->assertOk();
        };
        $side = fn (): array => current(
            array_filter($this->page('Maren Tidewell')['sides'], static fn (array $each): bool => $each['category'] === 'AE'),
        );
        $log(4);
        self::assertSame([75, 'left', null], [$side()['percent'], $side()['worse'], $side()['extra_set']]);
        $log(2);
        self::assertSame('left', $side()['extra_set']);
    }

    private function logSides(string $client, int $ago, int $left, int $right): void
    {
        $set = static fn (string $side, int $done): array => ['rung' => 'heel-taps', 'side' => $side, 'target' => 8, 'done' => $done];
        $this->api(
            'POST',
            '/clients/'.$client.'/logs',
            [
                'key' => 'side-key-'.$ago,
                'on' => Carbon::today()->subDays($ago)->toDateString(),
                'sets' => [$set('left', $left), $set('right', $right), $set('left', 8)],
            ],
        )->assertOk();
    }

    /** @return list<array<string, mixed>> the entries of heel taps in the first session that has them */
    private function heelTaps(string $client): array
    {
        foreach ($this->api('GET', "/clients/{$client}/board")->assertOk()->json('week.sessions') as $session) {
            $entries = array_values(
                array_filter(
                    array_merge(...array_column($session['blocks'], 'entries')),
                    static fn (array $each): bool => $each['exercise'] === 'heel-taps',
                ),
            );
            if ($entries !== []) {
                return [...$entries, ['number' => $session['number'], 'over' => $session['over']]];
            }
        }
        self::fail('the demo plans no heel taps');
    }

    public function test_the_extra_set_is_planned_run_audited_and_leaves_at_ninety(): void
    {
        $this->signedIn();
        $id = $this->clientNamed('Maren Tidewell')->id;
        $version = fn (): int => $this->api('GET', "/clients/{$id}/board")->json('version');
        $take = fn () => $this->api(
            'POST',
            "/clients/{$id}/evenness",
            ['version' => $version(), 'kind' => 'extra-set', 'ladder' => 'dead-bug'],
        );
        $this->logSides($id, 9, 6, 8);
        $take()->assertStatus(422)->assertJsonPath('errors.0.path', '/ladder');
        $this->logSides($id, 6, 6, 8);
        self::assertCount(2, $this->heelTaps($id));
        $taken = $take()->assertOk()->json();
        self::assertSame(
            'left',
            current(array_filter($taken['sides'], static fn (array $each): bool => $each['ladder'] === 'dead-bug'))['in_plan']['side'],
        );
        $take()->assertOk();
        [$whole, $extra, $session] = $this->heelTaps($id);
        self::assertSame([null, 'left', 1, false], [$whole['extra'], $extra['extra'], count($extra['grid']), $session['over']]);
        self::assertStringContainsString('left side only', $extra['words']);
        $document = $this->api('GET', "/clients/{$id}/document")->assertOk();
        self::assertSame(['dead-bug' => 'left'], $document->json('x.extra_sets'));
        $entries = array_merge(
            ...array_map(
                static fn (Session $each): array => $each->entries(),
                Documents::plan(Documents::client($document->json()))->weeks[0]->sessions,
            ),
        );
        self::assertContains('left', array_map(ExtraSet::side(...), $entries), 'the command line plans it too');
        $plan = $this->api('GET', "/clients/{$id}/floor/1/".$session['number'])->assertOk()->json();
        $sides = array_count_values(
            array_column(array_filter($plan['sets'], static fn (array $set): bool => $set['rung'] === 'heel-taps'), 'side'),
        );
        self::assertSame(1, $sides['left'] - $sides['right']);
        self::assertNotContains('error', array_column($this->api('GET', "/clients/{$id}/audit")->assertOk()->json('findings'), 'severity'));

        // the extra set itself is no reading: 6 of 8 stay 75 %, whatever the third set did
        $this->logSides($id, 4, 7, 8);
        self::assertCount(3, $this->heelTaps($id), '87.5 % are not enough');
        $this->logSides($id, 2, 8, 8);
        self::assertCount(2, $this->heelTaps($id), 'it left');
        $page = $this->page('Maren Tidewell');
        self::assertNull(current(array_filter($page['sides'], static fn (array $each): bool => $each['ladder'] === 'dead-bug'))['in_plan']);
    }

    public function test_a_held_rung_waits_in_plan_and_verdict_until_it_is_let_go_or_the_others_came(): void
    {
        $this->signedIn();
        $id = $this->clientNamed('Bea Thwart')->id;
        $page = $this->page('Bea Thwart');
        $version = fn (): int => $this->api('GET', "/clients/{$id}/board")->json('version');
        $even = current(array_filter($page['levels'], static fn (array $each): bool => ! $each['holds']));
        $this->api(
            'POST',
            "/clients/{$id}/evenness",
            ['version' => $version(), 'kind' => 'hold', 'category' => $even['code']],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/category');
        $ahead = current(array_filter($page['levels'], static fn (array $each): bool => $each['holds']));
        self::assertIsArray($ahead, 'the demo has somebody uneven');
        $held = $this->api(
            'POST',
            "/clients/{$id}/evenness",
            ['version' => $version(), 'kind' => 'hold', 'category' => $ahead['code']],
        )->assertOk()->json();
        $mine = array_column($held['levels'], null, 'code')[$ahead['code']]['held'];
        self::assertSame(Carbon::today()->toDateString(), $mine['since']);
        $this->api('POST', "/clients/{$id}/evenness/{$mine['id']}/end", ['version' => $version() - 1])->assertStatus(409);
        $free = $this->api('POST', "/clients/{$id}/evenness/{$mine['id']}/end", ['version' => $version()])->assertOk()->json();
        self::assertNull(array_column($free['levels'], null, 'code')[$ahead['code']]['held']);
        $this->api('POST', "/clients/{$id}/evenness/{$mine['id']}/end", ['version' => $version()])->assertStatus(422);
    }

    public function test_the_clients_own_aim_is_written_scored_and_ended_and_goes_with_the_take_out(): void
    {
        $this->signedIn();
        $id = $this->clientNamed('Maren Tidewell')->id;
        self::assertSame([], $this->page('Maren Tidewell')['own_aims']);
        $this->api('POST', "/clients/{$id}/own-aims", ['words' => '   '])->assertStatus(422)->assertJsonPath('errors.0.path', '/words');
        $aim = $this->api('POST', "/clients/{$id}/own-aims", ['words' => 'lift the tender onto the rack'])->assertOk()->json('own_aims.0');
        self::assertSame(['lift the tender onto the rack', [], true], [$aim['words'], $aim['scores'], $aim['due']]);
        $score = fn (array $body) => $this->api('POST', "/clients/{$id}/own-aims/{$aim['id']}", $body);
        $score(['score' => 11, 'on' => Carbon::today()->toDateString()])->assertStatus(422);
        $score(
            ['score' => 4, 'on' => Carbon::tomorrow()->addDay()->toDateString()],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/on');
        $score(['score' => 2, 'on' => Carbon::today()->subDays(21)->toDateString()])->assertOk();
        $score(['score' => 5, 'on' => Carbon::today()->toDateString()])->assertOk();
        $now = $score(['score' => 6, 'on' => Carbon::today()->toDateString()])->assertOk()->json('own_aims.0');
        self::assertSame([4, false, '6 of 10, 4 better than at first.'], [$now['change'], $now['due'], $now['says']]);
        self::assertStringContainsString(
            'lift the tender onto the rack',
            (string) $this->api('GET', "/clients/{$id}/take-out")->assertOk()->getContent(),
        );
        $this->api('POST', '/clients/'.$this->clientNamed('Bea Thwart')->id."/own-aims/{$aim['id']}", ['ended' => true])->assertStatus(422);
        self::assertSame([], $score(['ended' => true])->assertOk()->json('own_aims'));
        $score(['score' => 6, 'on' => Carbon::today()->toDateString()])->assertStatus(422);
    }

    public function test_two_logs_of_one_day_leave_the_page_standing(): void
    {
        $this->signedIn();
        $path = '/clients/'.$this->clientNamed('Maren Tidewell')->id.'/logs';
        foreach (['twice-on-a-day-1', 'twice-on-a-day-2'] as $key) {
            $this->api('POST', $path, [
                'key' => $key,
                'on' => Carbon::today()->toDateString(),
                'sets' => [['rung' => 'heel-taps', 'side' => 'left', 'target' => 8, 'done' => 8]],
            ])->assertOk();
        }
        $ladders = array_column($this->page('Maren Tidewell')['ladders'], null, 'id');
        self::assertFalse($ladders['dead-bug']['forecast']['enough']);
    }

    public function test_forecasts_are_ranges_where_the_log_carries_them_and_too_little_data_elsewhere(): void
    {
        $this->signedIn();
        foreach ($this->page('Maren Tidewell')['ladders'] as $ladder) {
            self::assertFalse($ladder['forecast']['enough'], 'nothing is logged');
            self::assertStringContainsString('Too little data', $ladder['forecast']['assumptions'][0]);
        }
        $logged = array_filter(
            $this->page('Bea Thwart')['ladders'],
            static fn (array $each): bool => $each['forecast']['enough'] && $each['forecast']['next'] !== [],
        );
        self::assertNotSame([], $logged);
        foreach ($logged as $ladder) {
            $before = 0;
            foreach ($ladder['forecast']['next'] as $next) {
                self::assertGreaterThanOrEqual($before, $next['weeks']['soonest'], 'the rungs come one after the other');
                self::assertTrue($next['weeks']['latest'] === null || $next['weeks']['latest'] >= $next['weeks']['soonest']);
                $before = $next['weeks']['soonest'];
            }
        }
        $road = $this->api('GET', '/clients/'.$this->clientNamed('Bea Thwart')->id.'/road/plank-long-lever')->assertOk()->json('stretches');
        self::assertSame('plank', end($road)['ladder']);
        self::assertTrue(end($road)['forecast']['enough']);
        $near = array_column($this->page('Bea Thwart')['ladders'], null, 'id')['plank']['forecast']['next'][0]['weeks']['soonest'];
        self::assertGreaterThan($near, end($road)['forecast']['weeks']['soonest'], 'the end of the road lies behind the next rung');
    }
}
