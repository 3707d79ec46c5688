<?php

declare(strict_types=1);

namespace App\Home;

use App\Models\Client;
use App\Models\HomePage;

/**
 * The pages that a client was handed, the newest first.
 */
final class HomePageView
{
    /** @return array{pages: list<array<string, mixed>>} */
    public function of(Client $client): array
    {
        return ['pages' => array_values(HomePages::ofClient($client)->get()->map(
            static fn (HomePage $page): array => [
                'id' => strtolower($page->id),
                'title' => $page->title,
                'made' => $page->made_on,
                'until' => $page->until,
                'looks' => $page->looks,
                'seen' => $page->seen_at?->toIso8601String(),
                'saved' => $page->saved_at?->toIso8601String(),
                'withdrawn' => $page->revoked_at?->toIso8601String(),
                'ended' => $page->until < HomePages::today(),
                'sessions' => $page->document === null ? null : HomePages::sessions($page),
                'back' => HomePages::cameBack($client, $page),
            ],
        )->all())];
    }
}
