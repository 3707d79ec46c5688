<?php

declare(strict_types=1);

namespace Tests\Http;

/**
 * Nothing is planned anew unasked, and what the trainer made stays when it is.
 */
final class PlanAskedTest extends HttpTestCase
{
    private const NAME = 'Bea Thwart';

    private function path(string $rest): string
    {
        return '/clients/'.$this->clientNamed(self::NAME)->id.$rest;
    }

    /** @return array<string, mixed> */
    private function board(): array
    {
        return $this->api('GET', $this->path('/board'))->assertOk()->json();
    }

    /**
     * @param  array<string, mixed>  $more  of the client's document
     * @return array<string, mixed> the board after it
     */
    private function saved(array $more): array
    {
        $record = $this->clientNamed(self::NAME);
        $body = ['version' => $record->version, 'document' => [...$record->document, ...$more]];
        $this->api('PUT', $this->path(''), $body)->assertOk();

        return $this->board();
    }

    /**
     * @param  array<string, mixed>  $body
     * @return array<string, mixed> the board after it
     */
    private function sent(string $path, array $body = []): array
    {
        $answer = $this->api('POST', $this->path($path), ['version' => $this->board()['version'], ...$body]);
        self::assertSame(200, $answer->status(), (string) $answer->getContent());

        return $answer->json();
    }

    /**
     * @param  array<string, mixed>  $board
     * @return array<string, list<string>> name and dose of each exercise, by day
     */
    private static function week(array $board): array
    {
        $lines = [];
        foreach ($board['week']['sessions'] as $session) {
            foreach ($session['blocks'] as $block) {
                foreach ($block['entries'] as $entry) {
                    $lines[$session['day']][] = $entry['exercise'].' '.$entry['dose'];
                }
            }
        }

        return $lines;
    }

    public function test_mass_and_a_note_change_nothing_and_a_limit_only_asks(): void
    {
        $this->signedIn();
        $before = $this->sent('/plan');
        $board = $this->saved(['mass_kg' => 61.5, 'x' => ['note' => 'likes mornings']]);
        self::assertNull($board['plan_asked']);
        self::assertSame([$before['week'], 'Planned anew'], [$board['week'], $board['undo']], 'the program and what can be undone stay');

        $board = $this->saved(['limits' => [['limit' => 'wrist', 'severity' => 'severe']]]);
        self::assertSame(['limits'], $board['plan_asked']);
        self::assertSame(self::week($before), self::week($board), 'asked, not done');

        $preview = $this->api('GET', $this->path('/plan'))->assertOk()->json();
        self::assertSame(['limits'], $preview['asked']);
        self::assertSame(self::week($before), self::week(['week' => $preview['now']]));
        self::assertNotSame(self::week($before), self::week(['week' => $preview['then']]));

        $kept = $this->sent('/plan/keep');
        self::assertNull($kept['plan_asked']);
        self::assertSame(self::week($before), self::week($kept));
        self::assertSame(['limits'], $this->sent('/undo')['plan_asked'], 'undone, the question stands again');

        $planned = $this->sent('/plan');
        self::assertSame(self::week(['week' => $preview['then']]), self::week($planned), 'the very week that was shown');
        self::assertNull($planned['plan_asked']);
    }

    public function test_undo_reaches_back_across_a_limit_and_brings_nothing_barred(): void
    {
        $this->signedIn();
        $before = $this->sent('/plan');
        $this->saved(['limits' => [['limit' => 'wrist', 'severity' => 'severe'], ['limit' => 'shoulder', 'severity' => 'severe']]]);
        $planned = $this->sent('/plan');
        $back = $this->sent('/undo');

        self::assertSame('Planned anew', $back['redo']);
        self::assertNotSame(self::week($planned), self::week($back), 'the program before it');
        $unsafe = 0;
        foreach ($back['week']['sessions'] as $session) {
            foreach ($session['blocks'] as $block) {
                foreach ($block['entries'] as $entry) {
                    self::assertSame([], $entry['unsafe'], $entry['name']);
                    $unsafe++;
                }
            }
        }
        self::assertGreaterThan(0, $unsafe);
        $lost = array_diff(array_merge(...array_values(self::week($before))), array_merge(...array_values(self::week($back))));
        self::assertNotSame([], $lost, 'what is barred now did not come back');
    }

    public function test_what_was_typed_and_built_by_hand_stays_until_it_is_let_go(): void
    {
        $this->signedIn();
        $board = $this->sent('/plan');
        [$first, $last] = [$board['week']['sessions'][0], $board['week']['sessions'][count($board['week']['sessions']) - 1]];
        self::assertNotSame($first['day'], $last['day']);
        $entry = $first['blocks'][count($first['blocks']) - 1]['entries'][0];
        $place = ['week' => 0, 'session' => 0, 'block' => count($first['blocks']) - 1, 'entry' => 0];
        $typed = $this->sent('/doses', [...$place, 'dose' => '9 each side', 'sure' => true]);
        $mine = array_values(array_diff(self::week($typed)[$first['day']], self::week($board)[$first['day']]));
        self::assertCount(1, $mine);
        $own = [
            'format' => 'even-rungs/session', 'version' => 1, 'day' => $last['day'], 'kind' => 'standalone',
            'blocks' => [['type' => 'straight', 'entries' => [['exercise' => 'dead bug', 'sets' => 2, 'reps' => 7, 'side' => 'each']]]],
        ];
        $board = $this->sent('/sessions', ['week' => 1, 'place' => count($board['week']['sessions']), 'session' => $own]);
        $hand = self::week($board)[$last['day']];
        self::assertCount(1, $hand);

        $days = [...(array) $this->clientNamed(self::NAME)->document['days'], $first['day'] => 40];
        $handMade = array_filter(
            $this->saved(['days' => $days])['week']['sessions'],
            static fn (array $session): bool => $session['by_hand'],
        );
        self::assertContains($last['day'], array_column($handMade, 'day'));
        $stays = implode('; ', $this->api('GET', $this->path('/plan'))->assertOk()->json('stays'));
        self::assertStringContainsString('built by hand', $stays);
        self::assertStringContainsString($entry['name'].': dose', $stays);

        $planned = $this->sent('/plan');
        self::assertSame($hand, self::week($planned)[$last['day']]);
        self::assertContains($mine[0], self::week($planned)[$first['day']]);

        $at = array_search($last['day'], array_column($planned['week']['sessions'], 'day'), true);
        $this->sent('/sessions/let-go', ['week' => 1, 'place' => 1 + (int) $at]);
        self::assertNotSame($hand, self::week($this->sent('/plan'))[$last['day']] ?? []);
    }

    public function test_following_gives_the_very_week_that_was_shown(): void
    {
        $this->signedIn();
        $wishes = ['style' => 'full-compass', 'days' => ['mon' => 25, 'thu' => 35], 'limits' => ['shoulder']];
        $shown = $this->api('POST', $this->path('/what-if'), $wishes)->assertOk()->json();
        $followed = $this->sent('/style', $wishes);

        self::assertSame(self::week($shown), self::week($followed));
        self::assertSame($shown['client']['limits'], $followed['client']['limits']);
        self::assertSame('full-compass', $followed['style']['id']);
    }

    public function test_chosen_ladders_ask(): void
    {
        $this->signedIn();
        $board = $this->sent('/plan');
        $chosen = ['dead-bug', 'plank', 'side-plank', 'bird-dog'];
        $asked = $this->sent('/ladders', ['ladders' => $chosen]);
        self::assertSame(['chosen ladders'], $asked['plan_asked']);
        self::assertSame(self::week($board), self::week($asked));
    }

    public function test_all_fixes_of_the_week_are_seen_made_and_undone_as_one(): void
    {
        $this->signedIn();
        $before = self::week($this->sent('/plan'));
        $first = $this->board()['week']['sessions'][0];
        $own = [
            'format' => 'even-rungs/session', 'version' => 1, 'day' => $first['day'], 'kind' => 'standalone',
            'blocks' => [['type' => 'straight', 'entries' => [['exercise' => 'front plank', 'sets' => 2, 'hold_s' => 75]]]],
        ];
        $made = self::week($this->sent('/sessions', ['week' => 1, 'place' => 1, 'session' => $own]));
        $would = $this->api('GET', $this->path('/mend-all'))->assertOk()->json('would');
        self::assertNotSame([], $would, 'a hold over the cap, at least');
        self::assertNotSame($made, self::week($this->sent('/mend-all')));
        self::assertSame([], $this->api('GET', $this->path('/mend-all'))->assertOk()->json('would'), 'nothing is left that helps');
        self::assertSame($made, self::week($this->sent('/undo')));
        self::assertSame($before, self::week($this->sent('/undo')));
    }
}
