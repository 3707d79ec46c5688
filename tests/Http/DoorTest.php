<?php

declare(strict_types=1);

namespace Tests\Http;

use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Carbon;

final class DoorTest extends HttpTestCase
{
    /** @return array<string, mixed> */
    private function door(array $answers, string $client = 'Maren Tidewell'): array
    {
        return $this->api(
            'POST',
            '/clients/'.$this->clientNamed($client)->id.'/door/check',
            ['week' => 1, 'place' => 1, ...$answers],
        )->assertOk()->json();
    }

    /** @return list<string> rungs of a session */
    private static function rungs(array $session): array
    {
        return array_column(array_merge(...array_column($session['blocks'], 'entries')), 'exercise');
    }

    public function test_nothing_said_changes_nothing(): void
    {
        $this->signedIn();
        $door = $this->door([]);

        self::assertSame(
            [[], $door['old']['total'], $door['old']['blocks']],
            [$door['changes'], $door['new']['total'], $door['new']['blocks']],
        );
        self::assertSame($door['before'], $door['after']);
    }

    public function test_ten_minutes_and_a_sore_wrist_leave_a_session_that_fits_and_spares_the_wrist(): void
    {
        $this->signedIn();
        foreach (['Maren Tidewell', 'Oskar Pintle', 'Bea Thwart', 'Joss Keelson', 'Tove Rudder'] as $name) {
            $door = $this->door(['minutes' => 10, 'sore' => ['wrist']], $name);
            self::assertLessThanOrEqual(600, $door['new']['total']['seconds'], $name);
            $library = app(DataFolder::class)->library();
            foreach (self::rungs($door['new']) as $rung) {
                self::assertLessThan(2, $library->rung($rung)->grade('wrist-load'), $rung.' loads the wrist');
            }
            foreach ($door['changes'] as $change) {
                self::assertNotSame('', $change['why']);
            }
            if ($door['old']['total']['seconds'] > 600) {
                self::assertContains('cut', array_column($door['changes'], 'how'), $name);
            }
        }
    }

    public function test_what_was_said_goes_with_the_run_and_its_log_and_the_plan_stays(): void
    {
        $this->signedIn();
        $id = $this->clientNamed('Maren Tidewell')->id;
        $before = $this->api('GET', '/clients/'.$id.'/board')->json();
        $answers = ['week' => 1, 'place' => 1, 'minutes' => 10, 'sore' => ['wrist']];
        $door = $this->door($answers);
        self::assertNotSame([], $door['changes']);
        $plan = $this->api('POST', '/clients/'.$id.'/door/floor', $answers)->assertOk()->json();
        self::assertEquals(
            $door['new']['total']['seconds'],
            array_sum(array_column($plan['segments'], 'ms')) / 1000,
            'the door and the floor agree to the second',
        );
        self::assertSame($before['week']['sessions'][0]['key'], $plan['planned']);
        self::assertSame(['sore' => ['wrist'], 'minutes' => 10, 'changes' => $door['changes']], $plan['door']);
        self::assertSame($before, $this->api('GET', '/clients/'.$id.'/board')->json(), 'nothing of the plan is changed');
        self::assertSame([], $this->door([])['changes'], 'taken back, it is the plan again');

        $sets = array_map(
            static fn (array $set): array => [
                'rung' => $set['rung'],
                'side' => $set['side'],
                'target' => $set['target'],
                'done' => $set['target'],
                ...$set['asked'],
            ],
            $plan['sets'],
        );
        $this->api(
            'PUT',
            '/clients/'.$id.'/logs/run/door-run-1',
            [
                'revision' => 1,
                'on' => Carbon::today()->toDateString(),
                'open' => false,
                'planned' => $plan['planned'],
                'door' => $plan['door'],
                'sets' => $sets,
            ],
        )->assertOk();
        $shown = $this->api('GET', '/clients/'.$id.'/logs')->json('sessions.0');
        self::assertSame($door['changes'], $shown['door']);
        self::assertSame($plan['door'], $this->api('GET', '/clients/'.$id.'/logs/'.$shown['id'])->json('log.door'));
        self::assertSame('done', $this->api('GET', '/clients/'.$id.'/board')->json('week.sessions.0.state'));
    }

    public function test_a_day_at_home_keeps_the_kit_of_home(): void
    {
        $this->signedIn();
        $client = $this->clientNamed('Maren Tidewell');
        $document = $client->document;
        $day = $this->door([])['old']['day'];
        $document['home'] = ['days' => [$day], 'equipment' => ['mat', 'wall']];
        $client->update(['document' => $document]);
        $library = app(DataFolder::class)->library();
        $door = $this->door(['sore' => ['wrist']]);
        foreach (self::rungs($door['new']) as $rung) {
            self::assertSame([], array_diff($library->rung($rung)->equipment, ['mat', 'wall']), $rung);
        }
    }

    public function test_sharp_pain_of_two_stops_at_the_door_and_stays_until_cleared(): void
    {
        $this->signedIn();
        $sharp = $this->door(['pain' => 2, 'pain_kind' => 'sharp']);
        self::assertSame([true, null], [$sharp['refers'], $sharp['new']]);
        $id = $this->clientNamed('Maren Tidewell')->id;
        $this->api(
            'POST',
            '/clients/'.$id.'/door/floor',
            ['week' => 1, 'place' => 1, 'pain' => 2, 'pain_kind' => 'sharp'],
        )->assertStatus(422);
        $sets = array_map(
            static fn (string $rung): array => ['rung' => $rung, 'side' => 'both', 'target' => 8, 'done' => 0],
            array_values(array_unique(self::rungs($sharp['old']))),
        );
        $this->api(
            'POST',
            '/clients/'.$id.'/logs',
            ['key' => 'door-stop-1', 'on' => Carbon::today()->toDateString(), 'pain_before' => 2, 'pain_kind' => 'sharp', 'sets' => $sets],
        )->assertOk();
        $verdicts = fn (): array => array_column($this->api('GET', '/clients/'.$id.'/logs')->json('verdicts'), 'verdict', 'from_rung');
        self::assertSame(['stop'], array_values(array_unique(array_intersect_key($verdicts(), array_flip(self::rungs($sharp['old']))))));
        $clean = array_map(
            static fn (array $set): array => [...$set, 'done' => 8, 'faults' => [], 'pain' => 0, 'effort' => 2, 'breathing' => true],
            $sets,
        );
        $this->api(
            'POST',
            '/clients/'.$id.'/logs',
            ['key' => 'door-stop-2', 'on' => Carbon::today()->toDateString(), 'pain_before' => 0, 'sets' => $clean],
        )->assertOk();
        self::assertSame(
            ['stop'],
            array_values(array_unique(array_intersect_key($verdicts(), array_flip(self::rungs($sharp['old']))))),
            'a clean run clears nothing',
        );
    }

    public function test_pain_decides_before_everything(): void
    {
        $this->signedIn();
        $six = $this->door(['pain' => 6]);
        self::assertSame([true, null], [$six['refers'], $six['new']]);
        self::assertFalse($this->door(['pain' => 5])['refers'], 'over 5 stops, 5 does not');

        $four = $this->door(['pain' => 4]);
        self::assertSame(['eased'], array_values(array_unique(array_column($four['changes'], 'how'))));
        $level = static fn (array $session): int => array_sum(
            array_column(array_merge(...array_column($session['blocks'], 'entries')), 'level'),
        );
        self::assertLessThan($level($four['old']), $level($four['new']));
        self::assertSame([], $this->door(['pain' => 2])['changes'], 'up to 2 goes on');
    }

    public function test_a_sore_trunk_drops_direct_work_and_keeps_the_rest(): void
    {
        $this->signedIn();
        $door = $this->door(['soreness' => 4]);
        $left = array_unique(
            array_column(array_merge(...array_column($door['new']['blocks'] ?? [['entries' => []]], 'entries')), 'category'),
        );

        self::assertSame([], array_intersect(['AE', 'AF', 'AL', 'AR', 'TM'], $left));
        self::assertSame([], $this->door(['soreness' => 3])['changes']);
    }

    public function test_what_cannot_be_is_said_at_the_field(): void
    {
        $this->signedIn();
        $path = '/clients/'.$this->clientNamed('Maren Tidewell')->id.'/door/check';
        $at = fn (array $more): ?string => $this->api(
            'POST',
            $path,
            ['week' => 1, 'place' => 1, ...$more],
        )->assertStatus(422)->json('errors.0.path');
        self::assertSame(['/sore/0', '/sore/0', '/equipment/0', '/place', '/week', '/pain'], [
            $at(['sore' => ['pregnancy']]), $at(['sore' => ['tooth']]), $at(['equipment' => ['anvil']]), $at(['place' => 20]),
            $at(['week' => 100]), $at(['pain' => 11]),
        ]);
    }
}
