<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Standing;
use App\Models\Studio;
use App\Models\Trainer;
use EvenRungs\Storage\Schemas;

/**
 * Ladders of a studio of its own, and what becomes of whoever stands on them.
 */
final class OwnLaddersTest extends HttpTestCase
{
    use OwnLadderOfTheStudio;

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
        $newest = fn (): ?Standing => Standing::query()->where('client_id', $this->clientNamed('Bea Thwart')->id)
            ->where('ladder', 'side-plank')->orderByDesc('id')->first();
        $before = $newest();
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
        self::assertEquals([$before?->why, $before?->dose, $before?->basis], [$newest()?->why, $newest()?->dose, $newest()?->basis]);
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

    public function test_a_landing_keeps_what_the_standing_rested_on_and_adds_to_the_list_of_moves(): void
    {
        $this->signedIn();
        $basis = fn (): string => array_column($this->board('Oskar Pintle')['ladders'], null, 'id')['plank']['standing']['basis'];
        self::assertSame('ability', $basis());
        $standing = array_column($this->board('Oskar Pintle')['ladders'], null, 'id')['plank']['standing']['rung'];
        $before = Standing::query()->count();
        $record = $this->draft('plank');
        $ladder = self::ladder($record);
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

    public function test_retiring_what_is_done_first_or_what_the_name_means_asks_for_another_in_its_place(): void
    {
        $this->signedIn();
        $ladder = self::ladder($this->draft('plank'));
        $at = (int) array_search('forearm-plank', array_column($ladder['rungs'], 'id'), true);
        $ladder['rungs'][$at]['retired'] = true;
        $ladder['anchor'] = 'forearm-plank';
        $save = function (int $status) use (&$ladder): array {
            return $this->api('POST', '/ladders', ['id' => 'plank', 'version' => 0, 'ladder' => $ladder])
                ->assertStatus($status)->json();
        };
        $errors = $save(422)['errors'];
        self::assertSame(['/ladder/anchor', "/ladder/rungs/$at/instead"], array_column($errors, 'path'));
        self::assertStringContainsString('rollout', strtolower($errors[1]['message']), 'it says what asks for it');
        $ladder['anchor'] = $ladder['rungs'][$at]['instead'] = 'forearm-plank';
        self::assertSame('only a rung that stays on this ladder can be done instead', $save(422)['errors'][1]['message']);

        $ladder['anchor'] = $ladder['rungs'][$at]['instead'] = 'hands-plank';
        $save(200);
        $asked = fn (): array => array_column($this->api('GET', '/rungs/rollout-ball')->assertOk()->json('requires'), 'id');
        self::assertContains('hands-plank', $asked());
        self::assertNotContains('forearm-plank', $asked());
        $this->api('POST', '/ladders/plank/undo', ['version' => 1])->assertOk();
        self::assertContains('forearm-plank', $asked());
    }
}
