<?php

declare(strict_types=1);

namespace Tests\Http;

use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Artisan;

/**
 * Hard work within 48 hours, and what the demo never writes over.
 */
final class SpacingTest extends HttpTestCase
{
    use TrainsSafely;

    public function test_the_demo_is_not_reset_over_what_was_entered_by_hand(): void
    {
        $this->signedIn();
        $this->log(1, []);
        self::assertSame(1, Artisan::call('demo:seed', ['--again' => true]));
        self::assertStringContainsString('entered by hand', Artisan::output());
        self::assertSame('Maren Tidewell', $this->clientNamed('Maren Tidewell')->name, 'nothing was removed');
    }

    public function test_hard_work_within_48_hours_is_warned_of_before_it_starts_and_kept_with_the_log(): void
    {
        $this->signedIn();
        $sets = array_merge(
            ...array_fill(
                0,
                4,
                array_map(
                    static fn (string $side): array => [
                        'rung' => 'heel-taps',
                        'side' => $side,
                        ...self::CLEAN,
                        'target' => 12,
                        'done' => 12,
                    ],
                    ['left', 'right'],
                ),
            ),
        );
        $more = array_fill(0, 4, ['rung' => 'press-out-standing', 'side' => 'both', ...self::CLEAN]);
        foreach ([1, 0] as $ago) {
            $this->api(
                'POST',
                $this->path('/logs'),
                ['key' => 'hard-'.$ago.'-key', 'on' => Carbon::today()->subDays($ago)->toDateString(), 'sets' => [...$sets, ...$more]],
            )->assertOk();
        }
        $sessions = array_column($this->api('GET', $this->path('/logs'))->json('sessions'), 'warned', 'on');
        self::assertSame([], $sessions[Carbon::today()->subDay()->toDateString()]);
        self::assertStringContainsString('within 48 h', $sessions[Carbon::today()->toDateString()][0]);
        self::assertStringContainsString(
            'within 48 h',
            implode(' ', $this->api('GET', $this->path('/floor/1/1'))->assertOk()->json('warnings')),
        );
        self::assertStringContainsString('within 48 h', (string) $this->api('GET', $this->path('/tests'))->json('warning'));
    }
}
