<?php

declare(strict_types=1);

namespace Tests\Http;

use EvenRungs\Formats\DataFolder;

final class DoorTest extends HttpTestCase
{
    /** @return array<string, mixed> */
    private function door(array $answers, string $client = 'Maren Tidewell'): array
    {
        return $this->api('POST', '/clients/'.$this->clientNamed($client)->id.'/door/check', ['version' => 1, 'week' => 1, 'place' => 1, ...$answers])->assertOk()->json();
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

        self::assertSame([[], $door['old']['total'], $door['old']['blocks']], [$door['changes'], $door['new']['total'], $door['new']['blocks']]);
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

    public function test_rewriting_moves_week_and_shares_and_is_undone(): void
    {
        $this->signedIn();
        $id = $this->clientNamed('Maren Tidewell')->id;
        $before = $this->api('GET', '/clients/'.$id.'/board')->json();
        $answers = ['version' => $before['version'], 'week' => 1, 'place' => 1, 'minutes' => 10];
        $door = $this->door($answers);
        $after = $this->api('POST', '/clients/'.$id.'/door', $answers)->assertOk()->json();

        self::assertSame($door['new']['total'], $after['week']['sessions'][0]['total']);
        self::assertSame($door['after'], $after['week']['directions']);
        self::assertNotSame($before['week']['directions'], $after['week']['directions']);
        $this->api('POST', '/clients/'.$id.'/door', $answers)->assertStatus(409);
        self::assertSame($before['week'], $this->api('POST', '/clients/'.$id.'/undo', ['version' => $after['version']])->assertOk()->json('week'));
    }

    public function test_pain_decides_before_everything(): void
    {
        $this->signedIn();
        $six = $this->door(['pain' => 6]);
        self::assertSame([true, null], [$six['refers'], $six['new']]);
        self::assertFalse($this->door(['pain' => 5])['refers'], 'over 5 stops, 5 does not');

        $four = $this->door(['pain' => 4]);
        self::assertSame(['eased'], array_values(array_unique(array_column($four['changes'], 'how'))));
        $level = static fn (array $session): int => array_sum(array_column(array_merge(...array_column($session['blocks'], 'entries')), 'level'));
        self::assertLessThan($level($four['old']), $level($four['new']));
        self::assertSame([], $this->door(['pain' => 2])['changes'], 'up to 2 goes on');
    }

    public function test_a_sore_trunk_drops_direct_work_and_keeps_the_rest(): void
    {
        $this->signedIn();
        $door = $this->door(['soreness' => 4]);
        $left = array_unique(array_column(array_merge(...array_column($door['new']['blocks'] ?? [['entries' => []]], 'entries')), 'category'));

        self::assertSame([], array_intersect(['AE', 'AF', 'AL', 'AR', 'TM'], $left));
        self::assertSame([], $this->door(['soreness' => 3])['changes']);
    }

    public function test_what_cannot_be_is_said_at_the_field(): void
    {
        $this->signedIn();
        $path = '/clients/'.$this->clientNamed('Maren Tidewell')->id.'/door/check';
        $at = fn (array $more): ?string => $this->api('POST', $path, ['version' => 1, 'week' => 1, 'place' => 1, ...$more])->assertStatus(422)->json('errors.0.path');
        self::assertSame(['/sore/0', '/sore/0', '/equipment/0', '/place', '/week', '/pain'], [
            $at(['sore' => ['pregnancy']]), $at(['sore' => ['tooth']]), $at(['equipment' => ['anvil']]), $at(['place' => 20]), $at(['week' => 100]), $at(['pain' => 11]),
        ]);
    }
}
