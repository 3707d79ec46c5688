<?php

declare(strict_types=1);

namespace Tests\Http;

use Illuminate\Support\Carbon;

/**
 * The pictures of months say what the other pages say.
 */
final class ProgressTest extends HttpTestCase
{
    /** @return array<string, mixed> */
    private function page(string $client, string $query = ''): array
    {
        return $this->api('GET', '/clients/'.$this->clientNamed($client)->id.'/progress'.$query)->assertOk()->json();
    }

    public function test_the_newest_numbers_are_those_of_the_list_and_of_evenness(): void
    {
        $this->signedIn();
        foreach (['Joss Keelson', 'Bea Thwart', 'Maren Tidewell'] as $name) {
            $client = $this->clientNamed($name);
            $progress = $this->page($name);
            $last = end($progress['levels']['days']);
            $row = current(array_filter(
                $this->api('GET', '/clients')->json('clients'),
                static fn (array $each): bool => $each['id'] === $client->id,
            ));
            $levels = array_map(static fn (array $each): ?int => $each['level'], $last['levels']);
            self::assertSame($row['levels'], $levels, $name);
            self::assertCount(4, $row['levels']);
            $even = $this->api('GET', "/clients/{$client->id}/evenness")->json();
            foreach ($even['levels'] as $each) {
                if ($each['level'] !== null && isset($levels[$each['code']])) {
                    self::assertSame($levels[$each['code']], $each['level'], "{$name}, {$each['name']}: one level on every page");
                }
            }
            self::assertSame($levels, $this->api('GET', "/clients/{$client->id}/board")->json('levels'), $name);
            $week = end($progress['weeks']);
            self::assertGreaterThanOrEqual(array_sum(array_column(array_column($even['done'], 'week'), 'sets')), $week['sets'], $name);
            foreach ($even['sides'] as $side) {
                $ladder = current(array_filter($progress['ladders'], static fn (array $each): bool => $each['id'] === $side['ladder']));
                $read = array_values(array_filter(
                    $ladder['sessions'],
                    static fn (array $each): bool => $each['rung'] === $ladder['rung'] && $each['percent'] !== null,
                ));
                self::assertSame($side['percent'], end($read)['percent'], $side['what']);
            }
        }
    }

    public function test_a_session_of_today_is_in_every_picture(): void
    {
        $this->signedIn();
        $client = $this->clientNamed('Maren Tidewell')->id;
        $before = $this->page('Maren Tidewell');
        self::assertSame([0, 0], [end($before['weeks'])['sessions'], end($before['weeks'])['minutes']]);
        $this->api('POST', "/clients/{$client}/logs", [
            'key' => 'progress-key',
            'on' => Carbon::today()->toDateString(),
            'effort' => 6,
            'minutes' => 20,
            'sets' => [
                ['rung' => 'heel-taps', 'side' => 'left', 'target' => 8, 'done' => 6, 'faults' => [], 'breathing' => true],
                ['rung' => 'heel-taps', 'side' => 'right', 'target' => 8, 'done' => 8, 'faults' => [], 'breathing' => true],
            ],
        ])->assertOk();
        $after = $this->page('Maren Tidewell');
        $week = end($after['weeks']);
        self::assertSame([1, 1, 120], [$week['sessions'], $week['sets'], $week['load']]);
        $even = array_column($this->api('GET', "/clients/{$client}/evenness")->json('done'), null, 'code')['AE'];
        self::assertSame($even['week']['work'], $week['work'], 'the only session is of one direction: the same work on both pages');
        $ladder = current(array_filter($after['ladders'], static fn (array $each): bool => $each['id'] === 'dead-bug'));
        $session = end($ladder['sessions']);
        self::assertSame(
            ['heel-taps', 'reps', 1, 16, 14, 6, 8, 75, false],
            array_values(array_diff_key($session, array_flip(['on', 'name']))),
        );
        $load = $this->api('GET', "/clients/{$client}/logs")->json('load');
        self::assertSame([$load['total'], $load['unknown']], [$week['load'], $week['unknown']]);
    }

    public function test_tests_stand_beside_their_noise_and_what_a_published_group_held(): void
    {
        $this->signedIn();
        $tests = array_column($this->page('Maren Tidewell')['tests'], null, 'test');
        $norms = $this->api('GET', '/clients/'.$this->clientNamed('Maren Tidewell')->id.'/tests')->json('norms.results');
        foreach ($norms as $result) {
            $points = $tests[$result['test']]['points'];
            self::assertSame($result['value_s'], end($points)['value_s']);
            self::assertSame($result['change']['by_s'], end($points)['change']['by_s']);
            self::assertSame($result['change']['counts'], end($points)['change']['counts']);
            self::assertSame(array_column($result['norms'], 'source'), array_column($tests[$result['test']]['norms'], 'source'));
        }
        self::assertNotSame([], $norms);
    }

    public function test_how_far_back_is_asked_and_anything_else_is_refused_at_its_field(): void
    {
        $this->signedIn();
        self::assertSame([6, 12], [$this->page('Joss Keelson')['months'], $this->page('Joss Keelson', '?months=12')['months']]);
        foreach (['4', 'x'] as $months) {
            $this->api('GET', '/clients/'.$this->clientNamed('Joss Keelson')->id.'/progress?months='.$months)->assertStatus(
                422,
            )->assertJsonPath('errors.0.path', '/months');
        }
        $three = $this->page('Joss Keelson', '?months=3');
        // three months are 89 to 92 days, whatever day it is
        self::assertEqualsWithDelta(90.5, Carbon::parse($three['from'])->diffInDays(Carbon::today()), 1.5);
        self::assertSame($three['from'], $three['levels']['days'][0]['on']);
    }
}
