<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Accounts\Role;
use App\Models\Event;
use App\Models\Studio;
use App\Models\Trainer;
use App\Support\Happened;
use Illuminate\Support\Facades\Route;

/**
 * Who reaches what: every route has a row in access.tsv with the least that somebody must be.
 */
final class RolesTest extends HttpTestCase
{
    /** @return array<string, string> least role by method and address */
    private static function table(): array
    {
        $rows = [];
        foreach (file(__DIR__.'/access.tsv', FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            [$method, $uri, $least] = explode("\t", $line);
            $rows[$method.' '.$uri] = $least;
        }

        return $rows;
    }

    /** @return list<string> methods and addresses of the API */
    private static function routes(): array
    {
        $found = [];
        foreach (Route::getRoutes() as $route) {
            foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                if (str_starts_with($route->uri(), 'api/') && ! str_contains($route->uri(), '{any}')) {
                    $found[] = $method.' '.substr($route->uri(), 4);
                }
            }
        }

        return $found;
    }

    public function test_every_route_has_a_row_and_every_write_a_name_in_the_record(): void
    {
        $routes = self::routes();
        self::assertSame([], array_diff($routes, array_keys(self::table())), 'a route without a row');
        self::assertSame([], array_diff(array_keys(self::table()), $routes), 'a row without a route');
        $writes = array_filter($routes, static fn (string $each): bool => ! str_starts_with($each, 'GET '));
        self::assertSame([], array_diff($writes, array_keys(Happened::SAYS)), 'a write that the record has no word for');
        self::assertSame([], array_diff(array_keys(Happened::SAYS), $writes), 'a word for no write');
    }

    public function test_where_an_address_has_a_number_a_word_is_no_address(): void
    {
        $this->signedIn();
        $client = $this->clientNamed('Maren Tidewell')->id;
        $asked = 0;
        foreach (array_keys(self::table()) as $route) {
            [$method, $uri] = explode(' ', $route);
            if (preg_match('/\{(aim|change|choice|clearance|line|session|template|week)\}/', $uri) === 1) {
                $path = '/'.preg_replace('/\{\w+\}/', 'seven', str_replace('{client}', $client, $uri));
                self::assertContains(
                    $this->api($method, $path, $method === 'GET' ? null : '{"version":1}')->getStatusCode(),
                    [404, 405],
                    $route,
                );
                $asked++;
            }
        }
        self::assertGreaterThan(8, $asked);
    }

    public function test_each_role_reaches_what_its_row_says_and_nothing_of_another_studio(): void
    {
        $client = $this->clientNamed('Anker Stave');
        $unshared = $this->clientNamed('Tove Rudder');
        $other = Studio::query()->create(['name' => 'Other']);
        $stranger = Trainer::query()->create(
            [
                'studio_id' => $other->id,
                'name' => 'Stranger',
                'email' => 'stranger@other.example',
                'password' => 'long enough for it',
                'role' => Role::Owner,
            ],
        )->refresh();
        $trainer = Trainer::query()->where('email', 'second@slipway.example')->firstOrFail();
        $client->belongsWith($trainer);
        $people = [
            'owner' => $this->person('trainer@slipway.example'),
            'trainer' => $trainer,
            'reader' => $this->person('clinic@slipway.example'),
            'stranger' => $stranger,
        ];
        $asked = 0;
        foreach (self::table() as $route => $least) {
            [$method, $uri] = explode(' ', $route);
            // these end the session that the next request would need
            if ($least === 'anyone' || str_starts_with($uri, 'sign-out')) {
                continue;
            }
            $least = Role::from($least);
            $named = (string) preg_replace(
                ['/\{(aim|change|choice|clearance|line|session|template|word)\}/', '/\{(rung|ladder|style|program|name|link|person)\}/'],
                ['999999999', 'nothing-of-it'],
                $uri,
            );
            $path = static fn (string $id): string => '/'.str_replace(
                ['{client}', '{key}', '{week}'],
                [$id, 'no-such-key-0', '9'],
                $named,
            );
            $body = $method === 'GET' ? null : '{}';
            $this->app->make('auth')->forgetGuards();
            self::assertSame(401, $this->api($method, $path($client->id), $body)->getStatusCode(), $route.' signed out');
            foreach ($people as $who => $person) {
                $this->actingAs($person);
                $status = $this->api($method, $path($client->id), $body)->getStatusCode();
                $asked++;
                $may = $person->role->reaches($least);
                if ($who === 'stranger' && str_contains($uri, '{client}')) {
                    self::assertSame(404, $status, $route.' from another studio');
                } else {
                    self::assertSame(! $may, $status === 403, sprintf('%s as %s: %d', $route, $who, $status));
                    self::assertNotContains($status, [401, 500], $route.' as '.$who);
                }
                if (str_contains($uri, '{client}') && $who === 'reader') {
                    self::assertContains(
                        $this->api($method, $path($unshared->id), $body)->getStatusCode(),
                        [403, 404],
                        $route.' with a client that is not shared',
                    );
                }
            }
        }
        self::assertGreaterThan(300, $asked);
    }

    public function test_a_disabled_person_is_out_at_once(): void
    {
        $second = $this->signedIn('second@slipway.example');
        $this->api('GET', '/clients')->assertOk();
        $second->update(['disabled_at' => now()]);
        $this->api('GET', '/clients')->assertStatus(401);
        $this->app->make('auth')->forgetGuards();
        $this->api(
            'POST',
            '/sign-in',
            ['email' => 'second@slipway.example', 'password' => 'slipway-demo'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/email');
    }

    public function test_trainers_see_their_own_clients_and_owners_all(): void
    {
        $this->signedIn('second@slipway.example');
        self::assertEqualsCanonicalizing(
            ['Bea Thwart', 'Maren Tidewell'],
            array_column($this->api('GET', '/clients')->json('clients'), 'name'),
        );
        $this->signedIn('clinic@slipway.example');
        self::assertSame(['Anker Stave'], array_column($this->api('GET', '/clients')->json('clients'), 'name'));
        $owner = $this->signedIn();
        self::assertCount(6, $this->api('GET', '/clients')->json('clients'));

        $client = $this->clientNamed('Tove Rudder');
        $second = $this->person('second@slipway.example');
        $this->api('POST', "/clients/{$client->id}/trainers", ['trainers' => [$second->id, $owner->id]])->assertOk();
        $this->signedIn('second@slipway.example');
        self::assertContains('Tove Rudder', array_column($this->api('GET', '/clients')->json('clients'), 'name'));
        $line = Event::query()->ofClient($client)->ordered('id', 'desc')->firstOrFail();
        self::assertSame(
            ['Changed whose client it is', 'Rook Ballast, Sanna Keel', $owner->id],
            [$line->act, $line->detail, $line->trainer_id],
        );
    }

    public function test_a_reader_records_a_clearance_and_it_is_kept_whose_it_was(): void
    {
        $reader = $this->signedIn('clinic@slipway.example');
        $client = $this->clientNamed('Anker Stave');
        $flag = $client->document['screen']['flags'][0];
        $this->api(
            'POST',
            "/clients/{$client->id}/clearances",
            [
                'version' => $client->version,
                'who' => 'Ida Bollard',
                'role' => 'Physiotherapist',
                'on' => date('Y-m-d'),
                'covers' => [$flag],
            ],
        )->assertOk();
        $line = Event::query()->ofClient($client)->ordered('id', 'desc')->firstOrFail();
        self::assertSame(['Recorded a clearance', $reader->id], [$line->act, $line->trainer_id]);
    }

    public function test_a_studio_keeps_an_owner(): void
    {
        $owner = $this->signedIn();
        $this->api('POST', "/people/{$owner->id}/disable")->assertStatus(422);
        $this->api('POST', "/people/{$owner->id}/role", ['role' => 'trainer'])->assertStatus(422);
        $second = $this->person('second@slipway.example');
        $this->api('POST', "/people/{$second->id}/role", ['role' => 'owner'])->assertOk();
        $this->api('POST', "/people/{$owner->id}/role", ['role' => 'reader'])->assertOk();
    }

    private function person(string $email): Trainer
    {
        return Trainer::query()->where('email', $email)->firstOrFail();
    }
}
