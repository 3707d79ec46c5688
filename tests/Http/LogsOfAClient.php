<?php

declare(strict_types=1);

namespace Tests\Http;

use Illuminate\Support\Carbon;

/**
 * Logs of one client of the demo, for tests over HTTP.
 */
trait LogsOfAClient
{
    private const CLEAN = [
        'rung' => 'heel-taps',
        'target' => 8,
        'done' => 8,
        'faults' => [],
        'pain' => 0,
        'effort' => 5,
        'breathing' => true,
    ];

    private function path(string $rest): string
    {
        return '/clients/'.$this->clientNamed('Maren Tidewell')->id.$rest;
    }

    /** @return array<string, mixed> */
    private function log(string $key, int $daysAgo, array $set = [], array $more = []): array
    {
        return [
            'key' => $key,
            'on' => Carbon::today()->subDays($daysAgo)->toDateString(),
            'sets' => [['side' => 'left', ...self::CLEAN, ...$set], ['side' => 'right', ...self::CLEAN, ...$set]],
            ...$more,
        ];
    }

    /** @return array<string, mixed> */
    private function verdict(array $page): array
    {
        return array_column($page['verdicts'], null, 'ladder')['dead-bug'];
    }

    /** @return array<string, mixed> */
    private function newest(): array
    {
        $id = $this->api('GET', $this->path('/logs'))->json('sessions.0.id');

        return $this->api('GET', $this->path('/logs/'.$id))->assertOk()->json();
    }
}
