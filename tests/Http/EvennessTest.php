<?php

declare(strict_types=1);

namespace Tests\Http;

use Illuminate\Support\Carbon;

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
        self::assertSame([0, 0, '0:00'], [$before['AE']['week']['sessions'], $before['AE']['month']['sets'], $before['AE']['week']['work']['text']]);
        self::assertGreaterThan(0, $before['AE']['planned']['work']['seconds']);
        foreach ([0, 10] as $ago) {
            $this->api('POST', '/clients/'.$id.'/logs', ['key' => 'even-key-'.$ago, 'on' => Carbon::today()->subDays($ago)->toDateString(), 'sets' => [['rung' => 'forearm-plank', 'side' => 'both', 'target' => 20, 'done' => 17.5]]])->assertOk();
        }
        $after = array_column($this->page('Maren Tidewell')['done'], null, 'code')['AE'];
        self::assertSame([1, 1, 17.5, 2, 2, 35], [$after['week']['sessions'], $after['week']['sets'], $after['week']['work']['seconds'], $after['month']['sessions'], $after['month']['sets'], $after['month']['work']['seconds']]);
    }

    public function test_a_weaker_side_in_two_sessions_gets_a_set_more(): void
    {
        $this->signedIn();
        $id = $this->clientNamed('Maren Tidewell')->id;
        $set = static fn (string $side, int $done): array => ['rung' => 'heel-taps', 'side' => $side, 'target' => 8, 'done' => $done];
        $log = function (int $ago) use ($id, $set): void {
            $this->api('POST', '/clients/'.$id.'/logs', ['key' => 'side-key-'.$ago, 'on' => Carbon::today()->subDays($ago)->toDateString(), 'sets' => [$set('left', 6), $set('right', 8)]])->assertOk();
        };
        $side = fn (): array => current(array_filter($this->page('Maren Tidewell')['sides'], static fn (array $each): bool => $each['category'] === 'AE'));
        $log(4);
        self::assertSame([75, 'left', null], [$side()['percent'], $side()['worse'], $side()['extra_set']]);
        $log(2);
        self::assertSame('left', $side()['extra_set']);
    }

    public function test_forecasts_are_ranges_where_the_log_carries_them_and_too_little_data_elsewhere(): void
    {
        $this->signedIn();
        foreach ($this->page('Maren Tidewell')['ladders'] as $ladder) {
            self::assertFalse($ladder['forecast']['enough'], 'nothing is logged');
            self::assertStringContainsString('Too little data', $ladder['forecast']['assumptions'][0]);
        }
        $logged = array_filter($this->page('Bea Thwart')['ladders'], static fn (array $each): bool => $each['forecast']['enough'] && $each['forecast']['next'] !== []);
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
