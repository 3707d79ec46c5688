<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\LoggedSession;

/**
 * A client with a program, for tests of what was done.
 */
trait SessionsOfAClient
{
    private const CLEAN = ['target' => 8, 'done' => 8, 'faults' => [], 'pain' => 0, 'effort' => 4, 'breathing' => true];

    protected function setUp(): void
    {
        parent::setUp();
        $this->signedIn();
        $this->client = $this->clientNamed('Maren Tidewell')->id;
    }

    private function path(string $end): string
    {
        return '/clients/'.$this->client.$end;
    }

    /** @return array<string, mixed> */
    private function board(): array
    {
        return $this->api('GET', $this->path('/board'))->assertOk()->json();
    }

    /** @return list<array<string, mixed>> sets of both sides */
    private static function sets(array $more = []): array
    {
        return array_map(
            static fn (string $side): array => ['rung' => 'heel-taps', 'side' => $side, ...self::CLEAN, ...$more],
            ['left', 'right'],
        );
    }

    private function logs(string $planned): int
    {
        return LoggedSession::query()->where('client_id', $this->client)->where('planned', $planned)->count();
    }
}
