<?php

declare(strict_types=1);

namespace Tests\Http;

use Illuminate\Support\Carbon;

/**
 * What was said is not asked again, and what a limit calls for is asked.
 */
final class AskedOnceTest extends HttpTestCase
{
    use SessionsOfAClient;

    public function test_signs_are_asked_where_a_limit_calls_for_them_and_hold_the_rung(): void
    {
        self::assertSame(
            [[], false],
            [
                $this->api('GET', $this->path('/floor/1/1'))->json('members.0.signs'),
                $this->api('GET', $this->path('/floor/1/1'))->json('members.0.readiness'),
            ],
        );
        foreach ([3, 0] as $ago) {
            $this->api(
                'POST',
                $this->path('/logs'),
                [
                    'key' => 'signs-'.$ago.'-log',
                    'on' => Carbon::today()->subDays($ago)->toDateString(),
                    'signs' => $ago === 0 ? ['doming'] : [],
                    'readiness' => 7,
                    'sets' => self::sets(['target' => 12, 'done' => 12]),
                ],
            )->assertOk();
        }
        $verdict = array_column($this->api('GET', $this->path('/logs'))->json('verdicts'), null, 'ladder')['dead-bug'];
        self::assertStringContainsString('sign: the belly domes', (string) json_encode($verdict));
        self::assertNotSame('progress', $verdict['verdict']);
    }

    public function test_what_was_said_today_is_not_asked_again(): void
    {
        $this->api(
            'POST',
            $this->path('/logs'),
            ['key' => 'morning-1', 'on' => Carbon::today()->toDateString(), 'soreness' => 2, 'sets' => self::sets()],
        )->assertOk();
        self::assertSame(['soreness' => 2], $this->api('GET', $this->path('/floor/1/1'))->json('members.0.said'));
    }

    public function test_the_last_weight_is_offered_everywhere_and_never_invented(): void
    {
        $loads = static fn (array $session): array => array_values(array_filter(
            array_merge(...array_column($session['blocks'], 'entries')),
            static fn (array $entry): bool => in_array('load', $entry['missing'], true),
        ));
        $day = (int) array_key_first(array_filter(array_map($loads, $this->board()['week']['sessions'])));
        $loaded = fn (): array => $loads($this->board()['week']['sessions'][$day])[0];
        $rung = $loaded()['exercise'];
        $floor = fn (): array => array_values(
            array_filter(
                $this->api('GET', $this->path('/floor/1/'.($day + 1)))->json('sets'),
                static fn (array $set): bool => $set['rung'] === $rung,
            ),
        )[0];
        self::assertSame([null, null, null], [$loaded()['last_load'], $loaded()['last_load_kg'], $floor()['last_load_kg']]);
        foreach ([[9, 6], [2, 8], [5, 12]] as [$ago, $kg]) {
            $this->api(
                'POST',
                $this->path('/logs'),
                [
                    'key' => 'loaded-'.$ago.'-log',
                    'on' => Carbon::today()->subDays($ago)->toDateString(),
                    'sets' => [['rung' => $rung, 'side' => 'both', 'target' => 6, 'done' => 8, 'load_kg' => $kg]],
                ],
            )->assertOk();
        }
        self::assertEquals(
            [8, 8, null],
            [$loaded()['last_load_kg'], $floor()['last_load_kg'], $floor()['load_kg']],
            'the newest by its day, and nothing is preset',
        );
        self::assertStringContainsString('last 8 kg, ', $loaded()['last_load']);
        self::assertContains('load', $loaded()['missing'], 'an offer is no plan');
        $standing = array_column(array_filter(array_column($this->board()['ladders'], 'standing')), null, 'rung')[$rung] ?? null;
        self::assertStringContainsString('last 8 kg', (string) ($standing['last_load'] ?? ''));
    }

    public function test_the_history_is_read_by_month(): void
    {
        foreach (['2026-09-30', '2026-10-01', '2026-10-31', '2026-11-02'] as $i => $on) {
            $this->api('POST', $this->path('/logs'), ['key' => 'history-'.$i.'-log', 'on' => $on, 'sets' => self::sets()])->assertOk();
        }
        $page = $this->api('GET', $this->path('/logs?month=2026-10'))->assertOk()->json();
        self::assertSame(['2026-10-31', '2026-10-01'], array_column($page['sessions'], 'on'));
        self::assertSame(
            [['month' => '2026-11', 'sessions' => 1], ['month' => '2026-10', 'sessions' => 2], ['month' => '2026-09', 'sessions' => 1]],
            $page['months'],
        );
        self::assertCount(4, $this->api('GET', $this->path('/logs'))->json('sessions'));
        foreach (['2026-13', '2026-1', "2026-10'--"] as $bent) {
            $this->api('GET', $this->path('/logs?month='.rawurlencode($bent)))->assertStatus(422);
        }
    }
}
