<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Shown;
use EvenRungs\Core\Program\Session;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * At home: moves already clean, with the kit that is there (common practice, no source).
 */
final class HomeworkTest extends TestCase
{
    /** @param  array<string, mixed>  $more */
    private static function client(array $more = []): Client
    {
        return Documents::client([
            'equipment' => ['mat', 'band', 'wall', 'bench', 'kettlebell', 'ball'], 'days' => ['mon' => 25, 'wed' => 20, 'fri' => 25],
            'home' => ['days' => ['wed'], 'equipment' => ['mat', 'wall']],
            'tests' => [
                'ladders' => [
                    'dead-bug' => ['highest_clean' => 'heel-taps'],
                    'bird-dog' => ['highest_clean' => 'bird-dog-leg'],
                    'side-plank' => ['highest_clean' => 'side-plank-knees'],
                    'press-out' => ['highest_clean' => 'press-out-standing'],
                ],
            ],
            ...$more,
        ]);
    }

    /** @return array<string, Session> by day */
    private static function week(Client $client): array
    {
        return array_column(
            array_map(
                static fn (Session $session): array => [$session->day->value, $session],
                Documents::plan($client)->weeks[0]->sessions,
            ),
            1,
            0,
        );
    }

    public function test_the_home_day_needs_no_kit_that_is_not_there_and_nothing_new(): void
    {
        $client = self::client();
        $library = Documents::data()->library();
        $session = self::week($client)['wed'];

        self::assertSame('home', $session->x->text('place'));
        self::assertNotSame([], $session->entries());
        foreach ($session->entries() as $entry) {
            $rung = $library->rung($entry->exercise);
            self::assertSame([], array_diff($rung->equipment, ['mat', 'wall']), $rung->id);
            self::assertTrue(Shown::by($client)->has($rung, $library), $rung->id.' was never shown clean');
        }
        self::assertNull(self::week($client)['mon']->x->text('place'));
    }

    public function test_who_has_shown_nothing_gets_no_homework(): void
    {
        self::assertArrayNotHasKey('wed', self::week(self::client(['tests' => (object) []])));
    }
}
