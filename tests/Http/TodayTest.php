<?php

declare(strict_types=1);

namespace Tests\Http;

use Illuminate\Support\Carbon;

/**
 * What the list says of the day: who comes, and what nobody answered.
 */
final class TodayTest extends HttpTestCase
{
    use TrainsSafely;

    protected function setUp(): void
    {
        parent::setUp();
        $this->signedIn();
    }

    /** @return array<string, mixed> */
    private function row(): array
    {
        return array_column($this->api('GET', '/clients')->assertOk()->json('clients'), null, 'name')['Maren Tidewell'];
    }

    public function test_a_session_is_for_its_day_until_it_is_logged_and_then_asked_about_until_it_is_answered(): void
    {
        $first = $this->board()['week']['sessions'][0];
        $this->travelTo(Carbon::parse($first['date'].' 09:00'));
        $today = $this->row()['today'];
        self::assertSame(
            [[1, $first['number'], $first['date'], $first['total']['text'], null, 'planned']],
            array_map(static fn (array $each): array => [
                $each['week'],
                $each['number'],
                $each['date'],
                $each['minutes'],
                $each['at'],
                $each['state'],
            ], $today),
        );
        $this->api('POST', $this->path('/calendar/times'), ['times' => [$first['day'] => '17:30']])->assertOk();
        self::assertSame('17:30', $this->row()['today'][0]['at']);

        $this->travelTo(Carbon::parse($first['date'].' 09:00')->addDay());
        self::assertContains($first['date'], array_column($this->row()['open'], 'date'));
        self::assertNotContains($first['date'], array_column($this->row()['today'], 'date'));
        $this->api('POST', $this->path('/logs'), [
            'key' => 'of-yesterday-1',
            'on' => $first['date'],
            'planned' => $first['key'],
            'sets' => [['rung' => 'heel-taps', 'side' => 'left', ...self::CLEAN]],
        ])->assertOk();
        self::assertNotContains($first['date'], array_column($this->row()['open'], 'date'));
    }
}
