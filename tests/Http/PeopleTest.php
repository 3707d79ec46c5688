<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Accounts\Links;
use App\Clients\Erasure;
use App\Models\Link;
use App\Models\Studio;
use App\Models\Trainer;
use Illuminate\Support\Facades\DB;

/**
 * Links, passwords, codes: how somebody comes in, and how not.
 */
final class PeopleTest extends HttpTestCase
{
    public function test_something_that_was_wrong_is_a_line_of_the_record_by_its_own_clock(): void
    {
        $this->signedIn();
        $client = $this->clientNamed('Bea Thwart')->id;
        $this->api(
            'POST',
            '/incidents',
            ['at' => '2026-11-26T17:42', 'client' => $client, 'what' => 'dizzy after the plank', 'done' => 'lay down, water'],
        )->assertNoContent();
        $line = $this->api('GET', "/clients/{$client}/happened")->assertOk()->json('events.0');
        self::assertSame('Something was wrong', $line['act']);
        self::assertStringEndsWith('17:42; dizzy after the plank; done: lay down, water', $line['detail']);
        $this->api('POST', '/incidents', ['at' => '2026-11-26T25:42'])->assertStatus(422)->assertJsonPath('errors.0.path', '/at');
        $this->api('POST', '/incidents', ['at' => '2026-11-26T17:42', 'client' => 'nobody'])->assertNotFound();
        $this->signedIn('clinic@slipway.example');
        $this->api('POST', '/incidents', ['at' => '2026-11-26T17:42'])->assertForbidden();
    }

    private const SETTINGS = [
        'units' => 'imperial',
        'first_day' => 'sun',
        'date_format' => 'mdy',
        'time_format' => '12h',
        'time_zone' => 'America/Chicago',
    ];

    private const GOOD = 'harbour seal on the pier';

    public function test_an_empty_machine_is_set_up_once(): void
    {
        foreach (Studio::query()->pluck('id') as $studio) {
            Erasure::studio($studio);
        }
        $token = app(Links::class)->setUp();
        $asked = [
            'token' => $token,
            'studio' => 'Quay Four',
            'name' => 'Nils Capstan',
            'email' => 'nils@quay.example',
            'password' => self::GOOD,
            'settings' => self::SETTINGS,
            'emergency_steps' => ['Stop.', ' '],
        ];
        $this->api('POST', '/links/look', ['token' => $token])->assertOk()->assertJsonPath('kind', 'set-up');
        $this->api(
            'POST',
            '/links/set-up',
            ['password' => 'short'] + $asked,
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/password');
        $this->api(
            'POST',
            '/links/set-up',
            ['settings' => ['time_zone' => 'Mars/Base'] + self::SETTINGS] + $asked,
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/settings/time_zone');
        self::assertSame(0, Studio::query()->count(), 'what was refused left nothing');
        $this->api(
            'POST',
            '/links/set-up',
            $asked,
        )->assertOk()->assertJsonPath('studio', 'Quay Four')->assertJsonPath('role', 'owner')->assertJsonPath(
            'settings.units',
            'imperial',
        )->assertJsonPath('emergency_steps', ['Stop.']);
        $this->api('GET', '/clients')->assertOk();
        $this->app->make('auth')->forgetGuards();
        $this->api(
            'POST',
            '/links/set-up',
            ['email' => 'two@quay.example'] + $asked,
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/token');
    }

    public function test_an_invitation_works_once_for_whom_it_was_made_and_can_be_taken_back(): void
    {
        $this->signedIn();
        $invited = $this->api(
            'POST',
            '/people/invitations',
            ['name' => 'Dr Fender', 'email' => 'fender@slipway.example', 'role' => 'reader'],
        )->assertCreated()->json('path');
        $gone = $this->api(
            'POST',
            '/people/invitations',
            ['name' => 'Nobody', 'email' => 'nobody@slipway.example', 'role' => 'trainer'],
        )->json('path');
        $this->api(
            'POST',
            '/people/invitations',
            ['name' => 'Twice', 'email' => 'second@slipway.example', 'role' => 'trainer'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/email');
        $open = $this->api('GET', '/people')->json('invitations');
        self::assertSame(['Dr Fender', 'Nobody'], array_column($open, 'name'));
        $this->api('POST', "/people/invitations/{$open[1]['id']}/revoke")->assertOk();

        $this->app->make('auth')->forgetGuards();
        $token = substr($invited, strlen('/join/'));
        self::assertStringNotContainsString(
            explode('.', $token)[1],
            (string) json_encode(Link::query()->get()),
            'the secret itself is kept nowhere',
        );
        $this->api(
            'POST',
            '/links/join',
            ['token' => substr($gone, strlen('/join/')), 'name' => 'X', 'password' => self::GOOD],
        )->assertStatus(422)->assertJsonPath('errors.0.message', 'This link was taken back. Ask for a new one.');
        $this->api(
            'POST',
            '/links/join',
            ['token' => $token.'x', 'name' => 'X', 'password' => self::GOOD],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/token');
        $this->api(
            'POST',
            '/links/password',
            ['token' => $token, 'password' => self::GOOD],
        )->assertStatus(422)->assertJsonPath('errors.0.message', 'This link is for something else.');
        $this->api(
            'POST',
            '/links/join',
            ['token' => $token, 'name' => 'Dr Fender', 'password' => self::GOOD],
        )->assertOk()->assertJsonPath('role', 'reader')->assertJsonPath('email', 'fender@slipway.example');
        self::assertSame([], $this->api('GET', '/clients')->json('clients'), 'nothing is shared yet');
        $this->app->make('auth')->forgetGuards();
        $this->api(
            'POST',
            '/links/join',
            ['token' => $token, 'name' => 'Again', 'password' => self::GOOD],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/token');

        $old = app(Links::class)->issue(
            Links::INVITATION,
            ['studio_id' => Studio::query()->value('id'), 'name' => 'Old', 'email' => 'old@slipway.example', 'role' => 'trainer'],
        );
        $this->travel(8)->days();
        $this->api(
            'POST',
            '/links/join',
            ['token' => $old, 'name' => 'Old', 'password' => self::GOOD],
        )->assertStatus(422)->assertJsonPath('errors.0.message', 'This link is too old. Ask for a new one.');
    }

    public function test_a_forgotten_password_is_chosen_anew_by_a_link_that_signs_nobody_in(): void
    {
        $this->signedIn();
        $second = Trainer::query()->where('email', 'second@slipway.example')->firstOrFail();
        $first = $this->api('POST', "/people/{$second->id}/password")->assertCreated()->json('path');
        $path = $this->api('POST', "/people/{$second->id}/password")->assertCreated()->json('path');
        $this->app->make('auth')->forgetGuards();
        $this->api(
            'POST',
            '/links/password',
            ['token' => substr($first, strlen('/new-password/')), 'password' => self::GOOD],
        )->assertStatus(422);
        $this->api(
            'POST',
            '/links/password',
            ['token' => substr($path, strlen('/new-password/')), 'password' => self::GOOD],
        )->assertNoContent();
        $this->api('GET', '/me')->assertStatus(401);
        $this->api('POST', '/sign-in', ['email' => 'second@slipway.example', 'password' => 'slipway-demo'])->assertStatus(422);
        $this->api('POST', '/sign-in', ['email' => 'second@slipway.example', 'password' => self::GOOD])->assertOk();
    }

    public function test_addresses_with_what_cannot_be_seen_or_looks_alike_are_refused(): void
    {
        foreach ([
            "trainer\u{200B}@slipway.example",
            "tr\u{0430}iner@slipway.example",
            "trainer@slipway.example\u{FEFF}",
            'trainer@ slipway.example',
        ] as $typed) {
            $this->api(
                'POST',
                '/sign-in',
                ['email' => $typed, 'password' => 'slipway-demo'],
            )->assertStatus(422)->assertJsonPath('errors.0.path', '/email');
        }
        $this->signedIn();
        $this->api(
            'POST',
            '/people/invitations',
            ['name' => 'X', 'email' => "second\u{200D}@slipway.example", 'role' => 'trainer'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/email');
    }

    public function test_nobody_who_is_not_signed_in_leaves_a_session(): void
    {
        $this->app['config']->set('session.driver', 'signed-in');
        $before = DB::table('sessions')->count();
        $this->get('/sign-in')->assertOk();
        $this->api('GET', '/health');
        $this->api('POST', '/sign-in', ['email' => 'nobody@slipway.example', 'password' => 'wrong']);
        self::assertSame($before, DB::table('sessions')->count());
        $this->api('POST', '/sign-in', ['email' => 'trainer@slipway.example', 'password' => 'slipway-demo'])->assertOk();
        self::assertSame($before + 1, DB::table('sessions')->count());
    }
}
