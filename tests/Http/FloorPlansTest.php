<?php

declare(strict_types=1);

namespace Tests\Http;

use Illuminate\Support\Carbon;

final class FloorPlansTest extends HttpTestCase
{
    /** @return array<string, mixed> */
    private function plan(string $client, int $session = 1): array
    {
        return $this->api('GET', '/clients/'.$this->clientNamed($client)->id.'/floor/1/'.$session)->assertOk()->json();
    }

    public function test_a_plan_holds_the_whole_timeline_and_every_set_that_the_week_asks_for(): void
    {
        $this->signedIn();
        foreach (['Maren Tidewell', 'Bea Thwart', 'Joss Keelson', 'Oskar Pintle'] as $name) {
            $week = $this->api('GET', '/clients/'.$this->clientNamed($name)->id.'/board')->json('week');
            foreach ($week['sessions'] as $i => $session) {
                $plan = $this->plan($name, $i + 1);
                self::assertEquals($session['total']['seconds'], array_sum(array_column($plan['segments'], 'ms')) / 1000);
                $entries = array_merge(...array_column($session['blocks'], 'entries'));
                self::assertSame(
                    array_sum(array_map(static fn (array $entry): int => count($entry['grid']), $entries)),
                    count($plan['sets']),
                    'floor and paper log ask for the same sets',
                );
                foreach ($plan['sets'] as $set) {
                    $ms = array_sum(array_map(static fn (array $span): int => $span['to_ms'] - $span['from_ms'], $set['spans']));
                    self::assertEqualsWithDelta($set['target'], $ms / $set['unit_ms'], 0.001, 'worked through, a set reaches its target');
                    self::assertNotSame([], $plan['rungs'][$set['rung']]['faults']);
                    self::assertContains('breath-held', array_column($plan['rungs'][$set['rung']]['faults'], 'id'));
                }
                foreach (array_unique(array_column($plan['sets'], 'ladder')) as $ladder) {
                    $of = array_filter($plan['sets'], static fn (array $set): bool => $set['ladder'] === $ladder);
                    self::assertTrue(end($of)['last_of_ladder'], 'the ticks come after the last set');
                }
            }
        }
        $this->api('GET', '/clients/'.$this->clientNamed('Maren Tidewell')->id.'/floor/1/9')->assertNotFound();
        $this->api('GET', '/clients/'.$this->clientNamed('Anker Stave')->id.'/floor/1/1')->assertNotFound();
    }

    public function test_a_stop_is_written_down_where_no_set_was_planned_for_it(): void
    {
        $this->signedIn();
        $id = $this->clientNamed('Maren Tidewell')->id;
        $log = fn (array $said) => $this->api(
            'POST',
            "/clients/{$id}/logs",
            ['key' => 'stop-key-1', 'on' => Carbon::today()->toDateString(), 'sets' => [], ...$said],
        );
        $log(['pain_before' => 5])->assertStatus(422)->assertJsonPath('errors.0.path', '/sets');
        $log(['pain_kind' => 'numb'])->assertOk();
        $this->api('GET', "/clients/{$id}/floor/1/1")->assertStatus(422);
        self::assertSame('numbness', $this->api('GET', "/clients/{$id}/logs")->json('stop.kind'));
    }

    public function test_a_note_becomes_a_line_of_the_record_of_whom_it_is_about(): void
    {
        $this->signedIn();
        $id = $this->clientNamed('Maren Tidewell')->id;
        $this->api('POST', '/notes', ['at' => '2026-11-27T09:05', 'client' => $id, 'text' => ' breathes high up '])->assertNoContent();
        $line = $this->api('GET', "/clients/{$id}/happened")->json('events.0');
        self::assertSame('Noted', $line['act']);
        self::assertStringEndsWith('09:05; breathes high up', $line['detail']);
        $this->api(
            'POST',
            '/notes',
            ['at' => '2026-11-27T09:05', 'client' => $id, 'text' => ''],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/text');
        $this->api('POST', '/notes', ['at' => '2026-11-27T09:05', 'client' => 'nobody', 'text' => 'x'])->assertNotFound();
    }

    public function test_the_studio_writes_its_own_emergency_steps_and_can_go_back(): void
    {
        $this->signedIn();
        $usual = $this->api('GET', '/me')->json('emergency_steps');
        self::assertSame($usual, $this->plan('Maren Tidewell')['emergency']);
        $own = ['Ring the harbour bell.', 'Call 000 from the red telephone.'];
        self::assertSame(
            $own,
            $this->api('POST', '/emergency', ['steps' => [' '.$own[0], '', $own[1]]])->assertOk()->json('emergency_steps'),
        );
        $this->signedIn();
        self::assertSame($own, $this->plan('Maren Tidewell')['emergency']);
        self::assertSame($usual, $this->api('POST', '/emergency', ['steps' => []])->assertOk()->json('emergency_steps'));
    }
}
