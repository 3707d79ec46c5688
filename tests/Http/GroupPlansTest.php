<?php

declare(strict_types=1);

namespace Tests\Http;

use Illuminate\Support\Carbon;

/**
 * Plans of a group: rotation, kit, pain on arrival, time.
 */
final class GroupPlansTest extends HttpTestCase
{
    public function test_a_group_has_one_timeline_and_sets_of_its_own_for_each(): void
    {
        $this->signedIn();
        $ids = array_map(fn (string $name): string => $this->clientNamed($name)->id, ['Maren Tidewell', 'Bea Thwart']);
        $body = [
            'clients' => $ids,
            'stations' => ['dead-bug', 'side-plank'],
            'rounds' => 2,
            'work_s' => 40,
            'rest_s' => 20,
            'warm_up_s' => 60,
            'cool_down_s' => 0,
        ];
        $plan = $this->api('POST', '/group/floor', $body)->assertOk()->json();

        // 60 + 2 × 2 × 40 + 3 × 20 (calc)
        self::assertSame(280, array_sum(array_column($plan['segments'], 'ms')) / 1000);
        self::assertSame($ids, array_column($plan['members'], 'client'));
        foreach ([0, 1] as $member) {
            self::assertCount(
                2 * (2 + 2),
                array_filter($plan['sets'], static fn (array $set): bool => $set['member'] === $member),
                'two rounds of two stations, each side',
            );
        }
        foreach ($plan['sets'] as $set) {
            foreach ($set['spans'] as $span) {
                self::assertSame(20_000, $span['to_ms'] - $span['from_ms'], 'per-side stations split the work time');
            }
        }
        $this->api(
            'POST',
            '/group/floor',
            [...$body, 'clients' => [$this->clientNamed('Anker Stave')->id]],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/clients');
    }

    public function test_people_rotate_as_the_cards_say_and_what_is_short_of_kit_is_said(): void
    {
        $this->signedIn();
        $body = $this->rotating('Maren Tidewell', 'Bea Thwart', 'Tove Rudder');
        $cards = $this->api('POST', '/group', $body)->assertOk()->json();
        $plan = $this->api('POST', '/group/floor', $body)->assertOk()->json();
        $work = array_keys(array_filter($plan['segments'], static fn (array $each): bool => $each['what'] === 'work'));
        self::assertSame(['Turn 1', 'Turn 2', 'Turn 3'], array_map(static fn (int $i): string => $plan['segments'][$i]['name'], $work));
        foreach ($cards['stations'] as $station) {
            self::assertEqualsCanonicalizing([1, 2, 3], array_column($station['places'], 'turn'), 'one at a time');
            foreach ($station['places'] as $member => $place) {
                $at = array_filter(
                    $plan['sets'],
                    static fn (array $set): bool => $set['member'] === $member && $set['spans'][0]['segment'] === $work[$place['turn'] - 1],
                );
                self::assertSame([$place['rung']], array_values(array_unique(array_column($at, 'rung'))), 'card and clock say the same');
            }
        }
        $none = array_fill_keys(array_column($cards['kit'], 'id'), 0);
        self::assertNotSame([], $none);
        $short = $this->api('POST', '/group', [...$body, 'kit' => $none])->assertOk()->json('notes');
        self::assertMatchesRegularExpression('/Turn \d: \d need .+, and there are 0\./', implode(' ', $short));
        $this->api('POST', '/group', [...$body, 'kit' => ['anvil' => 1]])->assertStatus(422)->assertJsonPath('errors.0.path', '/kit/anvil');

        // the studio's own numbers hold where nobody says otherwise for this time
        $this->api('POST', '/kit', ['kit' => ['anvil' => 1]])->assertStatus(422)->assertJsonPath('errors.0.path', '/kit/anvil');
        $this->api('POST', '/kit', ['kit' => ['band' => -1]])->assertStatus(422)->assertJsonPath('errors.0.path', '/kit/band');
        self::assertSame($none, $this->api('POST', '/kit', ['kit' => $none])->assertOk()->json('kit'));
        self::assertSame($short, $this->api('POST', '/group', $body)->json('notes'));
        self::assertNotSame(
            $short,
            $this->api('POST', '/group', [...$body, 'kit' => array_fill_keys(array_keys($none), null)])->json('notes'),
        );
    }

    public function test_whom_pain_stops_on_arrival_has_no_place_and_less_or_no_direct_work_is_written_on_the_cards(): void
    {
        $this->signedIn();
        [$maren, $bea] = array_map(fn (string $name): string => $this->clientNamed($name)->id, ['Maren Tidewell', 'Bea Thwart']);
        $body = [
            'clients' => [$maren, $bea],
            'stations' => ['dead-bug', 'bridge'],
            'rounds' => 1,
            'work_s' => 40,
            'rest_s' => 20,
            'warm_up_s' => 0,
            'cool_down_s' => 0,
        ];
        $places = fn (array $said): array => array_map(
            static fn (array $station): array => array_column($station['places'], null, 'client'),
            $this->api('POST', '/group', [...$body, ...($said === [] ? [] : ['said' => $said])])->assertOk()->json('stations'),
        );
        $usual = $places([]);
        self::assertEquals($usual, $places([$maren => ['pain' => 0, 'soreness' => 0]]));
        $sore = $places([$bea => ['soreness' => 6]]);
        self::assertSame(
            [null, $usual[1][$bea]['rung'], $usual[0][$maren]],
            [$sore[0][$bea]['rung'], $sore[1][$bea]['rung'], $sore[0][$maren]],
            'a bridge is no direct work',
        );
        self::assertStringContainsString('less of it today', implode(' ', $places([$bea => ['pain' => 4]])[0][$bea]['why']));

        $stopped = $this->api(
            'POST',
            '/group',
            [...$body, 'said' => [$maren => ['pain' => 2, 'pain_kind' => 'sharp']]],
        )->assertOk()->json();
        self::assertSame(
            [
                [
                    'client' => $maren,
                    'name' => 'Maren Tidewell',
                    'words' => 'It is sharp pain: no training today, and a clinician sees the client first.',
                ],
            ],
            $stopped['stopped'],
        );
        self::assertSame([$bea], array_column($stopped['stations'][0]['places'], 'client'));
        $said = [...$body, 'said' => [$maren => ['pain' => 7], $bea => ['pain_kind' => 'numb']]];
        $this->api('POST', '/group', $said)->assertOk();
        $this->api('POST', '/group', [...$said, 'rotate' => true])->assertOk();
        $this->api('POST', '/group/floor', $said)->assertStatus(422)->assertJsonPath('errors.0.path', '/clients');
        $this->api('POST', '/group', [...$body, 'said' => [$maren => ['pain' => 11]]])->assertStatus(422);
    }

    public function test_two_perfect_sessions_of_a_group_take_nobody_down_however_little_time_the_clock_leaves(): void
    {
        $this->signedIn();
        foreach ([12, 40, 240] as $n => $work) {
            foreach (['Maren Tidewell', 'Bea Thwart'] as $name) {
                $id = $this->clientNamed($name)->id;
                $body = [
                    'clients' => [$id],
                    'stations' => ['dead-bug', 'side-plank', 'press-out', 'bird-dog', 'bridge'],
                    'rounds' => 2,
                    'work_s' => $work,
                    'rest_s' => 20,
                    'warm_up_s' => 0,
                    'cool_down_s' => 0,
                ];
                $plan = $this->api('POST', '/group/floor', $body)->assertOk()->json();
                foreach ([2, 1] as $ago) {
                    // a repetition less than the clock would leave time for is no less: what is counted is information, what is held is
                    // time
                    $sets = array_map(
                        static fn (array $set): array => [
                            'rung' => $set['rung'],
                            'side' => $set['side'],
                            'target' => $set['target'],
                            'done' => (
                                $set['asked']['timed'] ?? false
                            ) && $set['unit'] === 'reps' ? max(1, $set['target'] - 1) : $set['target'],
                            'faults' => [],
                            'pain' => 0,
                            'effort' => 4,
                            'breathing' => true,
                            ...$set['asked'],
                        ],
                        $plan['sets'],
                    );
                    $this->api(
                        'POST',
                        "/clients/{$id}/logs",
                        [
                            'key' => "group-{$n}-{$ago}-".substr($id, -6),
                            'on' => Carbon::today()->subDays($ago + 3 * (3 - $n))->toDateString(),
                            'soreness' => 0,
                            'pain_before' => 0,
                            'sets' => $sets,
                        ],
                    )->assertOk();
                }
                $rungs = array_column($plan['sets'], 'rung');
                $verdicts = array_filter(
                    $this->api('GET', "/clients/{$id}/logs")->json('verdicts'),
                    static fn (array $each): bool => in_array($each['from_rung'], $rungs, true),
                );
                self::assertNotSame([], $verdicts);
                foreach ($verdicts as $verdict) {
                    $reasons = "{$work} s, {$name}, {$verdict['from']}: ".implode(' ', $verdict['reasons']);
                    // who has logs of their own may have come to a rung in between
                    self::assertContains(
                        $verdict['verdict'],
                        $name === 'Maren Tidewell' ? ['step-up', 'progress'] : ['step-up', 'progress', 'stay'],
                        $reasons,
                    );
                    self::assertStringNotContainsString('earlier step', $reasons);
                }
            }
        }
    }
}
