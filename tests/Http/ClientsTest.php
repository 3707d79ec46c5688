<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Client;
use App\Models\Trainer;
use Illuminate\Support\Facades\DB;

final class ClientsTest extends HttpTestCase
{
    private const DOCUMENT = [
        'format' => 'even-rungs/client', 'version' => 1, 'name' => 'Pim Oakum', 'goal' => 'general', 'ability' => [
            'AE' => 4,
            'AF' => 3,
            'AL' => 3,
            'AR' => 3,
        ],
        'limits' => [], 'equipment' => ['mat', 'wall', 'band'], 'days' => ['tue' => 20, 'fri' => 20], 'screen' => ['flags' => []],
    ];

    /** @param  array<string, mixed>  $change */
    private function add(array $change = []): string
    {
        return $this->api('POST', '/clients', ['document' => [...self::DOCUMENT, ...$change]])->assertCreated()->json('id');
    }

    public function test_a_new_client_is_placed_and_has_a_week_at_once(): void
    {
        $this->signedIn();
        $board = $this->api('GET', '/clients/'.$this->add().'/board')->assertOk()->json();

        self::assertSame(['tue', 'fri'], array_column($board['week']['sessions'], 'day'));
        self::assertSame(4, $board['levels']['AE']);
        self::assertSame([], $board['refer']);
    }

    public function test_what_was_not_asked_is_said_and_nothing_is_planned(): void
    {
        $this->signedIn();
        $board = $this->api('GET', '/clients/'.$this->add(['screen' => ['cleared' => false]]).'/board')->json();

        self::assertSame(['screen', null], [$board['unasked'], $board['week']]);
    }

    public function test_an_edit_reads_back_as_it_was_written_and_the_week_follows_when_asked(): void
    {
        $this->signedIn();
        $id = $this->add(['x' => ['kept' => true]]);
        $document = [
            ...self::DOCUMENT,
            'name' => 'Pim O. Oakum',
            'limits' => [
                ['limit' => 'wrist', 'severity' => 'severe'],
                ['limit' => 'hamstring', 'severity' => 'severe'],
                ['limit' => 'floor-transfer'],
            ],
            'days' => ['wed' => 15],
            'x' => ['kept' => true],
        ];
        $saved = $this->api('PUT', '/clients/'.$id, ['version' => 1, 'document' => $document])->assertOk();

        self::assertSame($document, $saved->json('document'));
        $board = $this->api('GET', '/clients/'.$id.'/board')->json();
        self::assertSame(['tue', 'fri'], array_column($board['week']['sessions'], 'day'), 'nothing is planned anew unasked');
        self::assertSame(['limits', 'days and minutes'], $board['plan_asked']);

        $board = $this->api('POST', '/clients/'.$id.'/plan', ['version' => 2])->assertOk()->json();
        self::assertNull($board['plan_asked']);
        self::assertSame(['wed'], array_column($board['week']['sessions'], 'day'));
        self::assertNotSame([], array_filter($board['week']['gaps'], static fn (array $gap): bool => $gap['category'] === 'AF'));
    }

    public function test_a_flag_takes_the_week_away_and_its_end_brings_one_back(): void
    {
        $this->signedIn();
        $id = $this->add();
        $flagged = [...self::DOCUMENT, 'screen' => ['flags' => ['saddle-numbness']]];
        $this->api('PUT', '/clients/'.$id, ['version' => 1, 'document' => $flagged])->assertOk();
        $board = $this->api('GET', '/clients/'.$id.'/board')->json();
        self::assertSame(['emergency', null], [$board['refer'][0]['urgency'], $board['week']]);

        $this->api('PUT', '/clients/'.$id, ['version' => 2, 'document' => self::DOCUMENT])->assertOk();
        self::assertNotNull($this->api('GET', '/clients/'.$id.'/board')->json('week'));
    }

    public function test_a_medical_limit_waits_for_its_clearance(): void
    {
        $this->signedIn();
        $id = $this->add(['limits' => ['osteoporosis']]);
        self::assertSame('before-load', $this->api('GET', '/clients/'.$id.'/board')->json('refer.0.urgency'));

        $this->api(
            'PUT',
            '/clients/'.$id,
            [
                'version' => 1,
                'document' => [...self::DOCUMENT, 'limits' => ['osteoporosis'], 'screen' => ['flags' => [], 'cleared' => true]],
            ],
        )->assertOk();
        self::assertSame(
            'before-load',
            $this->api('GET', '/clients/'.$id.'/board')->json('refer.0.urgency'),
            'a line in a document is no letter',
        );
        $letter = ['version' => 2, 'who' => 'A. Practice', 'role' => 'Physician', 'on' => '2026-11-20', 'covers' => ['pregnancy']];
        $this->api('POST', '/clients/'.$id.'/clearances', $letter)->assertOk();
        self::assertSame(
            'before-load',
            $this->api('GET', '/clients/'.$id.'/board')->json('refer.0.urgency'),
            'nor is a letter for another limit',
        );
        $this->api(
            'POST',
            '/clients/'.$id.'/clearances',
            [...$letter, 'version' => 3, 'covers' => ['osteoporosis'], 'until' => '2026-11-21'],
        )->assertOk();
        self::assertSame('before-load', $this->api('GET', '/clients/'.$id.'/board')->json('refer.0.urgency'), 'nor one that ran out');
        $this->api('POST', '/clients/'.$id.'/clearances', [...$letter, 'version' => 4, 'covers' => ['osteoporosis']])->assertOk();
        $board = $this->api('GET', '/clients/'.$id.'/board')->json();
        self::assertSame([[], true], [$board['refer'], $board['week'] !== null]);
    }

    public function test_a_trainers_own_move_outlives_an_edit_of_the_days_but_not_a_new_test(): void
    {
        $this->signedIn();
        $id = $this->add();
        $this->api('POST', '/clients/'.$id.'/moves', ['version' => 1, 'rung' => 'one-arm'])->assertOk();
        $stands = fn (): string => array_column(
            $this->api('GET', '/clients/'.$id.'/board')->json('ladders'),
            null,
            'id',
        )['dead-bug']['standing']['rung'];

        $this->api('PUT', '/clients/'.$id, ['version' => 2, 'document' => [...self::DOCUMENT, 'days' => ['mon' => 30]]])->assertOk();
        self::assertSame('one-arm', $stands());
        $this->api(
            'PUT',
            '/clients/'.$id,
            [
                'version' => 3,
                'document' => [...self::DOCUMENT, 'tests' => ['ladders' => ['dead-bug' => ['highest_clean' => 'foot-march']]]],
            ],
        )->assertOk();
        self::assertSame('foot-march', $stands());
    }

    public function test_a_stale_edit_gets_409_with_the_newer_client_and_changes_nothing(): void
    {
        $this->signedIn();
        $id = $this->add();
        $this->api('PUT', '/clients/'.$id, ['version' => 1, 'document' => [...self::DOCUMENT, 'born' => 1980]])->assertOk();
        $answer = $this->api(
            'PUT',
            '/clients/'.$id,
            ['version' => 1, 'document' => [...self::DOCUMENT, 'born' => 1990]],
        )->assertStatus(409);

        self::assertSame([2, 1980], [$answer->json('current.version'), $answer->json('current.document.born')]);
        self::assertSame(1980, $this->api('GET', '/clients/'.$id)->json('document.born'));
    }

    public function test_wrong_fields_are_named_by_path_and_nothing_is_stored(): void
    {
        $this->signedIn();
        $before = Client::query()->count();
        $errors = $this->api(
            'POST',
            '/clients',
            [
                'document' => [
                    ...self::DOCUMENT,
                    'name' => '',
                    'born' => 'soon',
                    'days' => ['mon' => 2000],
                    'tests' => ['ladders' => ['dead-bug' => ['highest_clean' => 5]]],
                ],
            ],
        )->assertStatus(422)->json('errors');

        self::assertEqualsCanonicalizing(
            ['/document/name', '/document/born', '/document/days/mon', '/document/tests/ladders/dead-bug/highest_clean'],
            array_column($errors, 'path'),
        );
        self::assertSame($before, Client::query()->count());
    }

    public function test_an_archived_client_leaves_the_list_and_comes_back(): void
    {
        $this->signedIn();
        $id = $this->add();
        $ids = fn (string $path): array => array_column($this->api('GET', $path)->json('clients'), 'id');

        $this->api('POST', '/clients/'.$id.'/archive', ['version' => 1])->assertOk();
        self::assertNotContains($id, $ids('/clients'));
        self::assertContains($id, $ids('/archive'));
        $this->api('POST', '/clients/'.$id.'/restore', ['version' => 2])->assertOk();
        self::assertContains($id, $ids('/clients'));
    }

    public function test_a_new_password_needs_the_old_one_and_ends_other_sessions(): void
    {
        $trainer = $this->signedIn();
        DB::table('sessions')->insert(['id' => 'tablet', 'user_id' => $trainer->id, 'payload' => '', 'last_activity' => time()]);

        $this->api(
            'POST',
            '/password',
            ['current' => 'wrong', 'password' => 'a much longer one'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/current');
        $this->api(
            'POST',
            '/password',
            ['current' => 'slipway-demo', 'password' => 'short'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/password');
        self::assertSame(1, DB::table('sessions')->where('id', 'tablet')->count());

        $this->api('POST', '/password', ['current' => 'slipway-demo', 'password' => 'a much longer one'])->assertNoContent();
        self::assertSame(0, DB::table('sessions')->where('id', 'tablet')->count());
        self::assertTrue(password_verify('a much longer one', Trainer::query()->findOrFail($trainer->id)->password));
    }

    public function test_signing_out_everywhere_ends_every_session_of_this_trainer_only(): void
    {
        $trainer = $this->signedIn();
        $other = Trainer::query()->where('email', 'second@slipway.example')->firstOrFail();
        foreach ([[$trainer->id, 'mine'], [$other->id, 'theirs']] as [$user, $session]) {
            DB::table('sessions')->insert(['id' => $session, 'user_id' => $user, 'payload' => '', 'last_activity' => time()]);
        }
        $this->api('POST', '/sign-out-everywhere')->assertNoContent();

        self::assertSame(['theirs'], DB::table('sessions')->whereIn('id', ['mine', 'theirs'])->pluck('id')->all());
    }
}
