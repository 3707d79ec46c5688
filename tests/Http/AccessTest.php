<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Studio;
use App\Models\Trainer;
use Illuminate\Support\Facades\Route;

final class AccessTest extends HttpTestCase
{
    public function test_right_words_sign_in_and_wrong_words_are_told_at_the_field(): void
    {
        $this->api('GET', '/me')->assertStatus(401);
        $this->api(
            'POST',
            '/sign-in',
            ['email' => 'trainer@slipway.example', 'password' => 'wrong'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/email');
        $this->api(
            'POST',
            '/sign-in',
            ['email' => ' Trainer@Slipway.example ', 'password' => 'slipway-demo'],
        )->assertOk()->assertJsonPath('studio', 'Slipway Studio');
        $this->api('GET', '/me')->assertOk();
        $this->api('POST', '/sign-out')->assertNoContent();
        $this->app->make('auth')->forgetGuards();
        $this->api('GET', '/me')->assertStatus(401);
    }

    public function test_the_sixth_wrong_try_has_to_wait(): void
    {
        $try = fn () => $this->api('POST', '/sign-in', ['email' => 'nobody@slipway.example', 'password' => 'wrong']);
        foreach (range(1, 5) as $i) {
            $try()->assertStatus(422);
        }
        $try()->assertStatus(429);
    }

    public function test_passwords_are_kept_hashed(): void
    {
        self::assertStringStartsWith('$2y$', Trainer::query()->where('email', 'trainer@slipway.example')->firstOrFail()->password);
    }

    public function test_another_studio_sees_and_reaches_nothing(): void
    {
        $client = $this->clientNamed('Maren Tidewell');
        $studio = Studio::query()->create(['name' => 'Other']);
        Trainer::query()->create(['studio_id' => $studio->id, 'name' => 'Other', 'email' => 'other@other.example', 'password' => 'secret']);
        $this->signedIn('other@other.example');

        self::assertSame([], $this->api('GET', '/clients')->json('clients'));
        $before = $client->fresh()?->toArray();
        $walked = 0;
        foreach (Route::getRoutes() as $route) {
            if (! str_contains($route->uri(), '{client}')) {
                continue;
            }
            foreach (array_diff($route->methods(), ['HEAD']) as $method) {
                $path = '/'.str_replace(['api/', '{client}'], ['', $client->id], $route->uri());
                $this->api($method, $path, $method === 'GET' ? null : '{"version":1,"rung":"one-arm","document":{}}')->assertNotFound();
                $walked++;
            }
        }
        self::assertGreaterThan(8, $walked);
        self::assertSame($before, $client->fresh()?->toArray());
    }

    public function test_signed_out_reaches_no_client(): void
    {
        $client = $this->clientNamed('Maren Tidewell');

        foreach (['/clients', '/library', '/clients/'.$client->id.'/board'] as $path) {
            $this->api('GET', $path)->assertStatus(401);
        }
    }

    public function test_the_list_shows_levels_gaps_and_who_must_see_a_clinician(): void
    {
        $this->signedIn();
        $rows = array_column($this->api('GET', '/clients')->json('clients'), null, 'name');

        self::assertSame('prompt', $rows['Anker Stave']['refer']);
        self::assertContains('AF', $rows['Tove Rudder']['gaps']);
        // a sore shoulder leaves the side plank at the wall, which a test has shown; the lift beside it is assumed, the carry not trained
        self::assertSame(1, $rows['Maren Tidewell']['levels']['AL']);
    }

    public function test_pages_carry_a_content_policy_without_inline_scripts(): void
    {
        $policy = (string) $this->get('/clients')->assertOk()->headers->get('Content-Security-Policy');

        self::assertStringContainsString("default-src 'self'", $policy);
        self::assertStringNotContainsString('unsafe', $policy);
    }

    public function test_schemas_are_served_and_unknown_addresses_are_404(): void
    {
        $this->signedIn();
        $this->api('GET', '/schemas/session')->assertOk();
        $this->api('GET', '/schemas/nothing')->assertNotFound();
        $this->api('GET', '/nothing')->assertNotFound();
    }
}
