<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Planning\BoardLoader;
use EvenRungs\Core\Placement\Steps;
use Illuminate\Testing\TestResponse;

final class ProgramsTest extends HttpTestCase
{
    private function path(string $rest, string $name = 'Bea Thwart'): string
    {
        return '/clients/'.$this->clientNamed($name)->id.$rest;
    }

    /** @return array<string, mixed> */
    private function board(string $name = 'Bea Thwart'): array
    {
        return $this->api('GET', $this->path('/board', $name))->assertOk()->json();
    }

    /** @return list<array<string, mixed>> */
    private function programs(string $name = 'Bea Thwart'): array
    {
        return $this->api('GET', $this->path('/programs', $name))->assertOk()->json('programs');
    }

    public function test_a_week_that_nobody_earned_goes_by_where_the_client_stands(): void
    {
        $this->signedIn();
        $client = $this->clientNamed('Maren Tidewell');
        $this->api('POST', "/clients/{$client->id}/programs", ['version' => $client->version, 'weeks' => 12])->assertSuccessful();
        $boards = $this->app?->make(BoardLoader::class);
        self::assertInstanceOf(BoardLoader::class, $boards);
        $ahead = static function () use ($boards, $client): array {
            $person = $boards->person($client->refresh());
            $stands = $person->standings;
            $steps = new Steps($boards->style($client), $person);
            $ahead = [];
            foreach ($boards->program($client)->weeks[8]->sessions ?? [] as $session) {
                foreach ($session->entries() as $entry) {
                    $at = $stands[$entry->planned->ladder ?? ''] ?? null;
                    if (
                        $at !== null
                        && (
                            $entry->exercise !== $at->rung->id || $entry->dose->measure != $steps->dose(
                                $at->rung,
                                $at->step,
                                $at->range,
                            )->measure
                        )
                    ) {
                        $ahead[] = $entry->exercise;
                    }
                }
            }

            return $ahead;
        };
        self::assertNotSame([], $ahead(), 'week 9 expects more than is reached yet');
        $this->travel(8)->weeks();
        self::assertSame([], $ahead(), 'when the week comes and nothing was logged, it goes by the standing');
        $id = array_column($this->api('GET', "/clients/{$client->id}/programs")->json('programs'), 'id', 'current')[true];
        self::assertSame(
            $this->api('GET', "/clients/{$client->id}/programs/current/weeks/9")->assertOk()->json(),
            $this->api('GET', "/clients/{$client->id}/programs/{$id}/weeks/9")->assertOk()->json(),
            'the same week under either name of the program',
        );
        self::assertSame(
            [],
            array_filter(
                $this->api('GET', "/clients/{$client->id}/audit")->assertOk()->json('findings'),
                static fn (array $each): bool => $each['severity'] === 'error',
            ),
        );
    }

    public function test_a_new_program_keeps_the_old_one_and_undo_brings_it_back(): void
    {
        $this->signedIn();
        $before = $this->board();
        $after = $this->api('POST', $this->path('/programs'), ['version' => $before['version'], 'weeks' => 8])->assertOk()->json();

        self::assertSame([8, 'Bea Thwart: 8 weeks'], [$after['weeks'], $after['title']]);
        self::assertSame([true, false], array_column($this->programs(), 'current'));
        $undone = $this->api('POST', $this->path('/undo'), ['version' => $after['version']])->assertOk()->json();
        self::assertSame([$before['week'], 6], [$undone['week'], $undone['weeks']]);
        self::assertCount(1, $this->programs());
        $redone = $this->api('POST', $this->path('/redo'), ['version' => $undone['version']])->assertOk()->json();
        self::assertSame([8, $after['week']], [$redone['weeks'], $redone['week']]);
    }

    public function test_a_kept_program_comes_into_use_again(): void
    {
        $this->signedIn();
        $old = $this->programs()[0]['id'];
        $now = $this->api('POST', $this->path('/programs'), ['version' => $this->board()['version'], 'weeks' => 2])->json();
        $again = $this->api('POST', $this->path('/programs/'.$old.'/open'), ['version' => $now['version']])->assertOk()->json();

        self::assertSame(6, $again['weeks']);
        $this->api('POST', $this->path('/programs/nowhere/open'), ['version' => $again['version']])->assertStatus(404);
    }

    public function test_the_page_of_a_program_shows_every_week_and_the_path_of_each_ladder(): void
    {
        $this->signedIn();
        $page = $this->api('GET', $this->path('/programs/current'))->assertOk()->json();

        self::assertSame([1, 2, 3, 4, 5, 6], array_column($page['weeks'], 'number'));
        self::assertSame([false, false, false, true, false, false], array_column($page['weeks'], 'lighter'));
        self::assertStringContainsString('Test again', implode(' ', $page['weeks'][5]['notes']));
        foreach ($page['paths'] as $path) {
            $levels = array_column(array_filter($path['weeks']), 'level');
            $sorted = $levels;
            sort($sorted);
            self::assertSame($sorted, $levels, $path['name'].' never falls');
        }
        $week = $this->api('GET', $this->path('/programs/current/weeks/4'))->assertOk()->json();
        self::assertSame([4, $page['weeks'][3]['total']], [$week['number'], $week['total']]);
        $this->api('GET', $this->path('/programs/current/weeks/7'))->assertStatus(404);
    }

    public function test_a_later_week_is_edited_where_it_stands(): void
    {
        $this->signedIn();
        $edit = ['version' => $this->board()['version'], 'week' => 2, 'session' => 0, 'block' => 0, 'entry' => 0, 'dose' => '9 × 30 r0:10'];
        $this->api('POST', $this->path('/doses'), $edit)->assertStatus(422)->assertJsonPath('errors.0.path', '/sure');
        $this->api('POST', $this->path('/doses'), [...$edit, 'sure' => true])->assertOk();
        $entry = $this->api('GET', $this->path('/programs/current/weeks/3'))->json('sessions.0.blocks.0.entries.0');

        self::assertSame('9 sets of 30 reps, rest 0:10', $entry['dose']);
        self::assertTrue($entry['unusual']['far'], 'nine sets are far from usual, and are said to be');
        $this->api(
            'POST',
            $this->path('/doses'),
            [...$edit, 'version' => $this->board()['version'], 'dose' => '60 × 8'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/dose');
    }

    public function test_a_copy_shows_every_swap_before_it_is_made(): void
    {
        $this->signedIn();
        $name = 'Tove Rudder';
        $body = [
            'version' => $this->board($name)['version'],
            'from' => $this->clientNamed('Bea Thwart')->id,
            'program' => $this->programs()[0]['id'],
        ];
        $check = $this->api('POST', $this->path('/copy/check', $name), $body)->assertOk()->json();

        self::assertSame(1, count($this->programs($name)), 'nothing is stored yet');
        self::assertNotSame([], $check['changes']);
        $board = $this->api('POST', $this->path('/copy', $name), $body)->assertOk()->json();
        self::assertSame($check['week']['total'], $board['week']['total']);
        self::assertStringContainsString('fitted from Bea Thwart', $board['title']);
        $exercises = array_merge(
            ...array_map(
                static fn (array $session): array => array_merge(
                    ...array_map(static fn (array $block): array => array_column($block['entries'], 'name'), $session['blocks']),
                ),
                $board['week']['sessions'],
            ),
        );
        $left = array_filter($check['changes'], static fn (array $change): bool => $change['to'] === null);
        self::assertSame([], array_intersect($exercises, array_column($left, 'from')), 'what is left out is not there');
    }

    public function test_nothing_is_copied_to_who_must_see_a_clinician_nor_from_another_studio(): void
    {
        $this->signedIn();
        $body = [
            'version' => $this->board('Anker Stave')['version'],
            'from' => $this->clientNamed('Bea Thwart')->id,
            'program' => $this->programs()[0]['id'],
        ];
        $this->api('POST', $this->path('/copy', 'Anker Stave'), $body)->assertStatus(422);
        $this->api('POST', $this->path('/programs', 'Anker Stave'), ['version' => $body['version'], 'weeks' => 4])->assertStatus(422);
        $this->api(
            'POST',
            $this->path('/copy', 'Tove Rudder'),
            [...$body, 'version' => $this->board('Tove Rudder')['version'], 'from' => 'somebody-else'],
        )->assertStatus(404);
    }

    public function test_a_move_keeps_the_reason_and_moves_the_weeks_after_it(): void
    {
        $this->signedIn();
        $board = $this->board();
        $ladder = array_column($board['ladders'], null, 'id')['side-plank'];
        $after = $this->api(
            'POST',
            $this->path('/moves'),
            ['version' => $board['version'], 'rung' => $ladder['down'], 'note' => 'Hip felt tired.'],
        )->assertOk()->json();
        $moved = array_column($after['ladders'], null, 'id')['side-plank'];

        self::assertSame(['Moved by Sanna Keel: Hip felt tired.'], $moved['why']);
        self::assertSame(['week' => 1, 'rung' => $ladder['down']], $moved['path'][0]);
    }

    public function test_wishes_matches_and_weeks_away_stay_with_the_program_and_are_checked(): void
    {
        $this->signedIn();
        $new = fn (array $more): TestResponse => $this->api(
            'POST',
            $this->path('/programs'),
            ['version' => $this->board()['version'], 'weeks' => 4, ...$more],
        );
        $match = ['week' => 2, 'day' => 'sat'];
        $away = ['week' => 3, 'days' => ['mon' => 10], 'equipment' => ['mat']];
        $new(['matches' => [['week' => 5, 'day' => 'sat']]])->assertStatus(422)->assertJsonPath('errors.0.path', '/matches/0/week');
        $new(['away' => [[...$away, 'week' => 6]]])->assertStatus(422)->assertJsonPath('errors.0.path', '/away/0/week');
        $new(['away' => [$away, $away]])->assertStatus(422)->assertJsonPath('errors.0.path', '/away/1/week');
        $new(['matches' => [$match, $match]])->assertStatus(422)->assertJsonPath('errors.0.path', '/matches/1/day');
        $new(['matches' => [$match], 'wished' => ['sat' => 'hard']])->assertStatus(422)->assertJsonPath('errors.0.path', '/matches/0/day');

        $new(['matches' => [$match], 'away' => [$away], 'wished' => ['sun' => 'free']])->assertOk();
        $calendar = fn (): array => $this->api('GET', $this->path('/programs/current'))->assertOk()->json('calendar');
        self::assertSame(['away' => [$away], 'matches' => [$match], 'wished' => ['sun' => 'free']], $calendar());
        $this->api('POST', $this->path('/plan'), ['version' => $this->board()['version']])->assertOk();
        self::assertSame([[$away], [$match]], [$calendar()['away'], $calendar()['matches']], 'planned anew, it keeps them');
    }

    public function test_a_program_has_a_name_that_stays_and_an_end(): void
    {
        $this->signedIn();
        $id = $this->programs()[0]['id'];
        $this->api('POST', $this->path("/programs/{$id}/name"), ['version' => $this->board()['version'], 'name' => ' Before the race '])
            ->assertOk()->assertJsonPath('title', 'Before the race');
        $board = $this->api('POST', $this->path('/plan'), ['version' => $this->board()['version']])->assertOk()->json();
        self::assertSame('Before the race', $board['title']);
        $days = $this->programs()[0];
        self::assertSame($board['week_days'][$days['weeks'] - 1]['to'], $days['ends']);
        self::assertSame($board['dates']['began'], $days['began']);

        $blank = ['version' => $board['version'], 'name' => '  '];
        $this->api('POST', $this->path("/programs/{$id}/name"), $blank)->assertStatus(422)->assertJsonPath('errors.0.path', '/name');
        $this->api('POST', $this->path('/undo'), ['version' => $board['version']])->assertOk();
        $back = $this->api('POST', $this->path('/undo'), ['version' => $board['version'] + 1])->assertOk()->json('title');
        self::assertNotSame('Before the race', $back);
    }
}
