<?php

declare(strict_types=1);

namespace Tests\Http;

use Illuminate\Support\Carbon;

/**
 * A client of the demo with pain, for tests over HTTP.
 */
trait TrainsSafely
{
    private const CLEAN = ['target' => 8, 'done' => 8, 'faults' => [], 'pain' => 0, 'effort' => 5, 'breathing' => true];

    private function path(string $rest, string $name = 'Maren Tidewell'): string
    {
        return '/clients/'.$this->clientNamed($name)->id.$rest;
    }

    /** @return array<string, mixed> */
    private function board(string $name = 'Maren Tidewell'): array
    {
        return $this->api('GET', $this->path('/board', $name))->assertOk()->json();
    }

    /** @param  array<string, mixed>  $set */
    private function log(int $ago, array $set): void
    {
        $sides = array_map(
            static fn (string $side): array => ['rung' => 'heel-taps', 'side' => $side, ...self::CLEAN, ...$set],
            ['left', 'right'],
        );
        $this->api(
            'POST',
            $this->path('/logs'),
            ['key' => 'safe-'.$ago.'-'.bin2hex(random_bytes(4)), 'on' => Carbon::today()->subDays($ago)->toDateString(), 'sets' => $sides],
        )->assertOk();
    }

    /** @return array<string, mixed> */
    private function verdict(): array
    {
        return array_column($this->api('GET', $this->path('/logs'))->json('verdicts'), null, 'ladder')['dead-bug'];
    }

    /** @return list<string> */
    private function errors(): array
    {
        return array_values(
            array_map(
                static fn (array $each): string => $each['message'],
                array_filter(
                    $this->api('GET', $this->path('/audit'))->assertOk()->json('findings'),
                    static fn (array $each): bool => $each['severity'] === 'error',
                ),
            ),
        );
    }
}
