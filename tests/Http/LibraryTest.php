<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Standing;
use App\Models\Studio;
use App\Models\Trainer;
use EvenRungs\Storage\Schemas;

final class LibraryTest extends HttpTestCase
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

    /** @return array<string, mixed> */
    private function draft(string $ladder): array
    {
        return $this->api('GET', '/ladders/'.$ladder)->assertOk()->json();
    }

    /**
     * @param  array<string, mixed>  $record
     * @return array<string, mixed> the ladder, with empty lists of grades as objects
     */
    private static function ladder(array $record): array
    {
        $ladder = $record['ladder'];
        foreach ($ladder['rungs'] as $i => $rung) {
            $ladder['rungs'][$i]['stresses'] = (object) $rung['stresses'];
            foreach ($rung['figure']['to'] ?? [] as $t => $to) {
                $ladder['rungs'][$i]['figure']['to'][$t] = (object) $to;
            }
        }

        return $ladder;
    }

    public function test_the_library_is_found_by_a_misspelt_name_and_by_what_it_spares(): void
    {
        $this->signedIn();
        $ids = fn (string $query): array => array_column($this->api('GET', '/rungs?'.$query)->assertOk()->json('rungs'), 'id');

        self::assertSame('forearm-plank', $ids('q=frnt%20plank')[0]);
        self::assertContains('side-plank-wall', $ids('direction=AL&spare=shoulder,wrist&most=4'));
        self::assertNotContains('side-plank-split', $ids('direction=AL&spare=shoulder'));
        self::assertSame([], array_diff($ids('kit=none&position=standing'), $ids('position=standing')));
        self::assertNotContains('carry-hip', $ids('kit=none'));
        self::assertContains('carry-hip', $ids('kit=kettlebell'));
        self::assertSame(
            ['/direction', '/spare'],
            array_column($this->api('GET', '/rungs?direction=XX&spare=shoulder,elbow')->assertStatus(422)->json('errors'), 'path'),
            'a wish that is not understood is not passed over',
        );
        self::assertSame(
            ['swing-one-hand', 'swing-two-hands', 'throw-chest', 'throw-rotational', 'side-to-side-swing'],
            array_values(
                array_unique(
                    array_intersect(
                        ['swing-one-hand', 'swing-two-hands', 'throw-chest', 'throw-rotational', 'side-to-side-swing', 'crunch'],
                        $ids('intent=power'),
                    ),
                ),
            ),
        );
    }

    public function test_a_rungs_page_says_what_is_easier_harder_and_sparing(): void
    {
        $this->signedIn();
        $page = $this->api('GET', '/rungs/side-plank-split')->assertOk()->json();

        self::assertSame(['side-plank-knees', 'side-plank-stacked'], [$page['below']['id'], $page['above']['id']]);
        $spares = array_column($page['spares'], null, 'limit');
        self::assertTrue($spares['shoulder']['barred']);
        self::assertSame('AL', $spares['shoulder']['swaps'][0]['category']);
        self::assertContains('Sore shoulder', array_column($page['cautions'], 'name'));
        self::assertCount(189, (array) $this->api('GET', '/figures')->assertOk()->json('figures'));
        self::assertGreaterThan(10, count($this->api('GET', '/rungs/dead-bug-opposite')->json('drawing.pictures')));
        $this->api('GET', '/rungs/nowhere')->assertNotFound();
    }

    public function test_a_swap_goes_into_the_week_and_out_again(): void
    {
        $this->signedIn();
        $board = $this->board();
        foreach ($board['week']['sessions'] as $s => $session) {
            foreach ($session['blocks'] as $b => $block) {
                foreach ($block['entries'] as $e => $entry) {
                    $found = $entry['category'] === 'AL' ? [$s, $b, $e, $entry] : ($found ?? null);
                }
            }
        }
        self::assertNotNull($found ?? null);
        [$s, $b, $e, $entry] = $found;
        $swap = $this->api('GET', $this->path('/swaps/'.$entry['exercise'].'?spare=shoulder'))->assertOk()->json('swaps.0');
        $place = ['week' => 0, 'session' => $s, 'block' => $b, 'entry' => $e];
        $after = $this->api(
            'POST',
            $this->path('/swaps'),
            ['version' => $board['version'], ...$place, 'rung' => $swap['id']],
        )->assertOk()->json();

        self::assertSame($swap['id'], $after['week']['sessions'][$s]['blocks'][$b]['entries'][$e]['exercise']);
        $this->api(
            'GET',
            $this->path('/swaps/'.$entry['exercise'].'?spare=elbow'),
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/spare');
        $this->api(
            'POST',
            $this->path('/swaps'),
            ['version' => $after['version'], ...$place, 'rung' => 'rollout-standing'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/rung');
        $this->api(
            'POST',
            $this->path('/swaps'),
            ['version' => $after['version'], ...$place, 'entry' => 49, 'rung' => $swap['id']],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/entry');
        $back = $this->api('POST', $this->path('/undo'), ['version' => $after['version']])->assertOk()->json();
        self::assertSame($entry['exercise'], $back['week']['sessions'][$s]['blocks'][$b]['entries'][$e]['exercise']);
    }

    public function test_the_road_to_a_standing_wheel_rollout_goes_by_its_gates_and_becomes_the_aim(): void
    {
        $this->signedIn();
        $road = $this->api('GET', $this->path('/road/rollout-standing', 'Joss Keelson'))->assertOk()->json();

        self::assertNotContains($road['answer'], ['here', 'next']);
        self::assertSame('rollout', end($road['stretches'])['ladder']);
        self::assertSame('goal', array_column(end($road['stretches'])['rungs'], 'mark', 'id')['rollout-standing']);
        self::assertNotNull($road['next']);
        $board = $this->api(
            'POST',
            $this->path('/aims', 'Joss Keelson'),
            ['version' => $this->board('Joss Keelson')['version'], 'rung' => 'rollout-standing', 'wanted' => false],
        )->assertOk()->json();
        self::assertSame([], $board['aims']);
        $board = $this->api(
            'POST',
            $this->path('/aims', 'Joss Keelson'),
            ['version' => $board['version'], 'rung' => 'hanging-leg-raise', 'wanted' => true],
        )->assertOk()->json();
        $aimed = $this->api(
            'POST',
            $this->path('/aims', 'Joss Keelson'),
            ['version' => $board['version'], 'rung' => 'rollout-standing', 'wanted' => true],
        )->assertOk()->json();
        self::assertSame(['rollout-standing', 'hanging-leg-raise'], $aimed['aims'], 'the newest first');
        $this->api('GET', $this->path('/road/rollout-standing', 'Joss Keelson'))->assertJsonPath('is_aim', true);
    }

    public function test_the_plan_draws_only_on_the_ladders_that_are_chosen(): void
    {
        $this->signedIn();
        $board = $this->board();
        $chosen = ['brace', 'dead-bug', 'bird-dog', 'side-lying-lift', 'press-out'];
        $board = $this->api('POST', $this->path('/ladders'), ['version' => $board['version'], 'ladders' => $chosen])->assertOk()->json();
        $board = $this->api('POST', $this->path('/plan'), ['version' => $board['version']])->assertOk()->json();
        foreach ($board['week']['sessions'] as $session) {
            foreach ($session['blocks'] as $block) {
                foreach ($block['entries'] as $entry) {
                    self::assertContains($entry['ladder'], $chosen);
                }
            }
        }
        $this->api(
            'POST',
            $this->path('/ladders'),
            ['version' => $board['version'], 'ladders' => ['nowhere']],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/ladders/0');
    }

    public function test_a_new_ladder_of_three_rungs_stands_on_the_wall(): void
    {
        $this->signedIn();
        $copy = self::ladder($this->api('GET', '/ladders/windmill/copy')->assertOk()->json());
        $copy['rungs'] = array_slice($copy['rungs'], 0, 3);
        $copy['rungs'][0]['figure'] = ['pose' => 'standing', 'with' => (object) []];
        $record = $this->api('POST', '/ladders', ['ladder' => $copy])->assertOk()->json();

        self::assertSame(['own', 1], [$record['kind'], $record['version']]);
        self::assertSame('own-windmill-our-own', $record['id']);
        $own = array_column($this->board()['ladders'], null, 'id')[$record['id']];
        self::assertCount(3, $own['rungs']);
        self::assertNotNull($own['standing'], 'clients are placed on it like on any other');
        $studio = Studio::query()->create(['name' => 'Other']);
        Trainer::query()->create(['studio_id' => $studio->id, 'name' => 'Other', 'email' => 'other@other.example', 'password' => 'secret']);
        $this->signedIn('other@other.example');
        self::assertNotContains(
            $record['id'],
            array_column($this->api('GET', '/ladders')->json('ladders'), 'id'),
            'another studio does not see it',
        );
        $this->api('GET', '/ladders/'.$record['id'])->assertNotFound();
        $this->api('POST', '/ladders/'.$record['id'].'/remove', ['version' => 1])->assertNotFound();
        $this->signedIn();
        $again = $this->api('POST', '/ladders', ['ladder' => $copy])->assertStatus(422)->json('errors');
        self::assertContains('/ladder/rungs/0/name', array_column($again, 'path'), 'a name belongs to one exercise');
    }

    public function test_an_own_rung_is_planned_for_nobody_with_a_limit_until_every_load_is_answered(): void
    {
        $this->signedIn();
        $copy = self::ladder($this->api('GET', '/ladders/press-out/copy')->assertOk()->json());
        self::assertSame(0, ((array) $copy['rungs'][0]['stresses'])['kneel'], 'a shipped rung was asked about every load');
        foreach (array_keys($copy['rungs']) as $i) {
            $copy['rungs'][$i]['stresses'] = (object) [];
        }
        $record = $this->api('POST', '/ladders', ['ladder' => $copy])->assertOk()->json();
        $state = fn (string $name): array => array_column(
            array_column($this->board($name)['ladders'], null, 'id')[$record['id']]['rungs'],
            'state',
        );
        self::assertSame(
            ['barred'],
            array_values(array_unique($state('Maren Tidewell'))),
            'her shoulder is sore, and nobody said what it loads',
        );
        self::assertNotContains('barred', $state('Bea Thwart'), 'she has no limit');

        foreach (array_keys($copy['rungs']) as $i) {
            $copy['rungs'][$i] = [
                ...$copy['rungs'][$i],
                'id' => $record['ladder']['rungs'][$i]['id'],
                'stresses' => (object) array_fill_keys(array_column($this->api('GET', '/library')->json('library.stresses'), 'id'), 0),
            ];
        }
        $this->api('POST', '/ladders', ['id' => $record['id'], 'version' => $record['version'], 'ladder' => $copy])->assertOk();
        self::assertNotContains('barred', $state('Maren Tidewell'), '"none" is an answer');
    }

    public function test_what_is_wrong_with_a_ladder_is_said_at_its_fields_all_at_once(): void
    {
        $this->signedIn();
        $record = $this->draft('side-plank');
        $ladder = self::ladder($record);
        $ladder['rungs'][1]['steps'][0] = '3 by 8';
        self::assertSame(
            ['/ladder/rungs/1/steps/0'],
            array_column(
                $this->api(
                    'POST',
                    '/ladders/check',
                    ['id' => 'side-plank', 'version' => 0, 'ladder' => $ladder],
                )->assertStatus(422)->json('errors'),
                'path',
            ),
        );
        $ladder = self::ladder($record);
        $ladder['rungs'][2]['level'] = 2;
        $ladder['rungs'][4]['aliases'] = ['forearm plank'];
        self::assertSame(
            ['/ladder/rungs/2/level', '/ladder/rungs/4/aliases/0'],
            array_column(
                $this->api(
                    'POST',
                    '/ladders/check',
                    ['id' => 'side-plank', 'version' => 0, 'ladder' => $ladder],
                )->assertStatus(422)->json('errors'),
                'path',
            ),
        );
    }

    public function test_who_stands_on_a_retired_rung_lands_below_and_comes_back_with_undo(): void
    {
        $this->signedIn();
        $standing = array_column($this->board()['ladders'], null, 'id')['side-plank']['standing']['rung'];
        $record = $this->draft('side-plank');
        $ladder = self::ladder($record);
        $index = array_search($standing, array_column($ladder['rungs'], 'id'), true);
        $below = $ladder['rungs'][$index - 1]['id'];
        $ladder['rungs'][$index]['retired'] = true;
        $request = ['id' => 'side-plank', 'version' => 0, 'ladder' => $ladder];

        $affected = $this->api('POST', '/ladders/check', $request)->assertOk()->json('affected');
        self::assertContains('Bea Thwart', array_column($affected, 'name'));
        self::assertSame(
            $standing,
            array_column($this->board()['ladders'], null, 'id')['side-plank']['standing']['rung'],
            'checking changes nothing',
        );

        $saved = $this->api('POST', '/ladders', $request)->assertOk()->json();
        $board = $this->board();
        self::assertSame($below, array_column($board['ladders'], null, 'id')['side-plank']['standing']['rung']);
        self::assertStringNotContainsString('"'.$standing.'"', (string) json_encode($board['week']));
        self::assertSame('changed', $saved['kind']);
        $this->api('POST', '/ladders', $request)->assertStatus(409);

        $this->api(
            'POST',
            '/ladders/side-plank/undo',
            ['version' => $saved['version']],
        )->assertOk()->assertJsonPath('kind', 'shipped')->assertJsonPath('history.1.undone', true);
        self::assertSame($standing, array_column($this->board()['ladders'], null, 'id')['side-plank']['standing']['rung']);
        $this->api('POST', '/ladders/side-plank/undo', ['version' => $saved['version'] + 1])->assertStatus(422);
    }

    public function test_a_ladder_goes_out_and_comes_back_by_its_schema(): void
    {
        $this->signedIn();
        $document = $this->api('GET', '/ladders/carry/export')->assertOk()->getContent();
        self::assertSame([], Schemas::check('ladder', json_decode((string) $document)));
        $mine = json_decode((string) $document);
        foreach ($mine->rungs as $rung) {
            $rung->adds = 'Our own words.';
        }
        self::assertContains(
            'Bea Thwart',
            array_column($this->api('POST', '/ladders/import/check', (string) json_encode($mine))->assertOk()->json('affected'), 'name'),
        );
        $this->api('GET', '/ladders/carry')->assertJsonPath('kind', 'shipped');
        $this->api(
            'POST',
            '/ladders/import',
            (string) json_encode($mine),
        )->assertOk()->assertJsonPath('kind', 'changed')->assertJsonPath('ladder.rungs.0.adds', 'Our own words.');
        $this->api('POST', '/ladders/import', '{"id":"x"}')->assertStatus(422);
        $this->api('POST', '/ladders/carry/remove', ['version' => 1])->assertOk()->assertJsonPath('kind', 'shipped');
    }

    public function test_a_taken_away_ladder_leaves_its_clients_on_a_swap(): void
    {
        $this->signedIn();
        $copy = self::ladder($this->api('GET', '/ladders/press-out/copy')->json());
        $record = $this->api('POST', '/ladders', ['ladder' => $copy])->assertOk()->json();
        $board = $this->board();
        $rung = array_column($board['ladders'], null, 'id')[$record['id']]['standing']['rung'];
        $board = $this->api('POST', $this->path('/moves'), ['version' => $board['version'], 'rung' => $rung])->assertOk()->json();
        $this->api('POST', $this->path('/plan'), ['version' => $board['version']])->assertOk();
        self::assertNotSame([], $this->api('GET', '/ladders/'.$record['id'].'/removal')->assertOk()->json('affected'));
        $this->api('POST', '/ladders/'.$record['id'].'/remove', ['version' => 1])->assertOk()->assertJsonPath('kind', 'away');
        $board = $this->board();
        self::assertStringNotContainsString($record['id'], (string) json_encode($board['week']));
        self::assertArrayNotHasKey($record['id'], array_column($board['ladders'], null, 'id'));
    }

    public function test_own_words_are_matched_once_and_belong_to_the_studio(): void
    {
        $this->signedIn();
        $list = $this->api('POST', '/words', ['words' => 'Harbour crawl', 'rung' => 'plank-drag'])->assertOk()->json('words');
        $added = array_column($list, null, 'words')['Harbour crawl'];
        self::assertSame('Drag a weight across', $added['name']);
        self::assertSame('plank-drag', $this->api('GET', '/rungs?q=harbour%20crawl')->json('rungs.0.id'));
        $this->api(
            'POST',
            '/words',
            ['words' => 'Front plank', 'rung' => 'plank-drag'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/words');

        $studio = Studio::query()->create(['name' => 'Other']);
        Trainer::query()->create(['studio_id' => $studio->id, 'name' => 'Other', 'email' => 'other@other.example', 'password' => 'secret']);
        $this->signedIn('other@other.example');
        self::assertSame([], $this->api('GET', '/words')->json('words'));
        self::assertSame([], $this->api('GET', '/rungs?q=harbour%20crawl')->json('rungs'));
        $this->api('POST', '/words/'.$added['id'].'/remove')->assertNotFound();
        $this->signedIn();
        self::assertNotContains(
            'Harbour crawl',
            array_column($this->api('POST', '/words/'.$added['id'].'/remove')->assertOk()->json('words'), 'words'),
        );
    }

    public function test_a_figure_is_drawn_while_it_is_written(): void
    {
        $this->signedIn();
        $this->api('POST', '/figures', ['figure' => ['pose' => 'standing', 'to' => [['hip' => 90]]]])->assertOk();
        $this->api('POST', '/figures', ['figure' => ['pose' => 'standing', 'to' => [['knee' => 200]]]])->assertStatus(422);
        $this->api(
            'POST',
            '/figures',
            ['figure' => ['pose' => 'nowhere']],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/figure/pose');
        self::assertGreaterThan(20, count($this->api('GET', '/poses')->assertOk()->json('poses')));
    }

    public function test_a_landing_keeps_what_the_standing_rested_on_and_adds_to_the_list_of_moves(): void
    {
        $this->signedIn();
        $basis = fn (): string => array_column($this->board('Oskar Pintle')['ladders'], null, 'id')['plank']['standing']['basis'];
        self::assertSame('ability', $basis());
        $standing = array_column($this->board('Oskar Pintle')['ladders'], null, 'id')['plank']['standing']['rung'];
        $before = Standing::query()->count();
        $record = $this->draft('plank');
        $ladder = self::ladder($record);
        $gate = array_map(static fn (array $rung): array => [...$rung, 'retired' => $rung['id'] === 'forearm-plank'], $ladder['rungs']);
        self::assertSame(
            '/ladder',
            $this->api(
                'POST',
                '/ladders',
                ['id' => 'plank', 'version' => 0, 'ladder' => [...$ladder, 'anchor' => 'knee-plank', 'rungs' => $gate]],
            )->assertStatus(422)->json('errors.0.path'),
            'a gate of the rollout stays',
        );
        $ladder['rungs'] = array_map(
            static fn (array $rung): array => [...$rung, 'retired' => $rung['id'] === $standing],
            $ladder['rungs'],
        );
        $this->api('POST', '/ladders', ['id' => 'plank', 'version' => 0, 'ladder' => $ladder])->assertOk();

        self::assertSame('ability', $basis(), 'a changed ladder proves nothing about the client');
        self::assertGreaterThan($before, Standing::query()->count());
    }

    public function test_undo_never_leads_back_onto_a_rung_that_is_gone(): void
    {
        $this->signedIn();
        $board = $this->board();
        foreach (['side-plank-split', 'side-plank-knees'] as $rung) {
            $board = $this->api('POST', $this->path('/moves'), ['version' => $board['version'], 'rung' => $rung])->assertOk()->json();
        }
        $ladder = self::ladder($this->draft('side-plank'));
        $ladder['rungs'] = array_map(
            static fn (array $rung): array => [...$rung, 'retired' => $rung['id'] === 'side-plank-split'],
            $ladder['rungs'],
        );
        $this->api(
            'POST',
            '/ladders',
            ['id' => 'side-plank', 'version' => 0, 'ladder' => [...$ladder, 'anchor' => 'side-plank-knees']],
        )->assertOk();

        self::assertNull($this->board()['undo']);
        self::assertSame('side-plank-knees', array_column($this->board()['ladders'], null, 'id')['side-plank']['standing']['rung']);
    }
}
