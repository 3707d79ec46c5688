<?php

declare(strict_types=1);

namespace Tests\Http;

/**
 * Doses typed anew, pasted lines, minutes claimed and circuits by the clock in the builder.
 */
final class BuilderChangesTest extends HttpTestCase
{
    private const EMPTY = ['format' => 'even-rungs/session', 'version' => 1, 'day' => 'mon', 'kind' => 'standalone', 'blocks' => []];

    /** @return array<string, mixed> */
    private function change(array $session, array $change): array
    {
        return $this->api('POST', '/sessions/preview', ['session' => $session, 'change' => $change])->assertOk()->json();
    }

    public function test_a_dose_typed_anew_keeps_what_it_does_not_speak_of_until_that_is_left_out(): void
    {
        $this->signedIn();
        $entry = ['exercise' => 'dead bug', 'sets' => 2, 'reps' => 8, 'tempo' => '2-1-2-0', 'side' => 'alternate', 'rest_s' => 30];
        $session = [...self::EMPTY, 'blocks' => [['type' => 'straight', 'entries' => [[...$entry, 'load_kg' => 2]]]]];
        $retyped = function (array $how) use ($session): array {
            $entry = $this->change($session, ['do' => 'dose', 'block' => 0, 'entry' => 0, ...$how])['blocks'][0]['entries'][0];

            return [$entry['dose'], $entry['amount'], $entry['kept'], $entry['note']];
        };

        self::assertSame(
            [
                '3 sets of 10 reps on each side, alternating, tempo 2-1-2-0, 2 kg, rest 0:30',
                '3 sets of 10 reps on each side, alternating',
                'tempo 2-1-2-0, 2 kg, rest 0:30',
                '10-12',
            ],
            $retyped(['text' => '3 x 10-12']),
        );
        self::assertSame(
            [
                '3 sets of 10 reps on each side, tempo 3-0-3-0, 2 kg, rest 1:00',
                '3 sets of 10 reps on each side',
                'tempo 3-0-3-0, 2 kg, rest 1:00',
                null,
            ],
            $retyped(['text' => '3x10/s 3030 r60']),
        );
        self::assertSame(
            ['3 sets of 20 s on each side, 2 kg, rest 0:30', '3 sets of 20 s on each side', '2 kg, rest 0:30', null],
            $retyped(['text' => '3 x 20 s']),
        );
        self::assertSame(['3 sets of 10 reps', '3 sets of 10 reps', '', null], $retyped(['text' => '3x10', 'fresh' => true]));
    }

    public function test_lines_are_pasted_into_a_session_and_an_unknown_name_is_taught(): void
    {
        $this->signedIn();
        $lines = "Tuesday, after lifting, 12 min\nwarm-up 2 min\n3 rounds 40:20\nBird dog\nHarbour press\n"
            ."straight\nFront plank 2 x 30 s slowly";
        $built = $this->change(self::EMPTY, ['do' => 'paste', 'lines' => $lines]);
        self::assertSame(
            [self::EMPTY['day'], 'after-lift', 120, 720],
            array_map(static fn (string $key): mixed => $built['session'][$key] ?? null, ['day', 'kind', 'warm_up_s', 'claimed_s']),
        );
        self::assertSame(['3 rounds 40:20', null], array_column($built['blocks'], 'line'));
        [$dog, $unknown] = $built['blocks'][0]['entries'];
        self::assertSame([[], null], [$dog['suggestions'], $unknown['rung']]);
        self::assertNotSame([], $unknown['suggestions']);
        self::assertSame('slowly', $built['blocks'][1]['entries'][0]['note']);

        $this->api('POST', '/words', ['words' => 'Harbour press', 'rung' => 'press-out-standing'])->assertOk();
        $again = $this->api('POST', '/sessions/preview', ['session' => $built['session']])->assertOk()->json();
        self::assertSame('press-out-standing', $again['blocks'][0]['entries'][1]['rung']);

        foreach (['12:30' => 750, '20 min' => 1200, '' => null] as $text => $seconds) {
            $claimed = $this->change($built['session'], ['do' => 'claimed', 'text' => (string) $text]);
            self::assertEquals($seconds, $claimed['claimed']['seconds'] ?? null);
        }
        foreach (['claimed' => ['text' => 'a while'], 'paste' => ['lines' => "Plank 3 x\nPlank"]] as $do => $how) {
            $this->api('POST', '/sessions/preview', ['session' => $built['session'], 'change' => ['do' => $do, ...$how]])
                ->assertStatus(422);
        }
    }

    public function test_a_circuit_by_the_clock_changes_inside_the_rest(): void
    {
        $this->signedIn();
        $session = [...self::EMPTY, 'change' => ['side_s' => 5, 'station_s' => 10], 'blocks' => [['type' => 'straight', 'entries' => [
            ['exercise' => 'front plank', 'sets' => 3, 'hold_s' => 30],
            ['exercise' => 'side plank', 'sets' => 3, 'hold_s' => 20, 'side' => 'each'],
        ]]]];
        $timed = $this->change($session, ['do' => 'rounds', 'block' => 0, 'text' => '3 rounds 40:20']);
        self::assertSame(0, $timed['change']['seconds']);
        $counted = $this->change($session, ['do' => 'rounds', 'block' => 0, 'text' => '3 rounds']);
        self::assertGreaterThan(0, $counted['change']['seconds']);
    }
}
