<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Accounts\Role;
use App\Clients\Erasure;
use App\Copies\ReadIn;
use App\Copies\TakeOutDocument;
use App\Models\Client;
use App\Models\Event;
use App\Models\Studio;
use App\Models\Trainer;
use Illuminate\Support\Facades\DB;

/**
 * Take-outs: nothing is lost on the way out and in again, and nothing half-good comes in.
 */
final class CopiesTest extends HttpTestCase
{
    /** A client with something in every table. */
    private function lived(): Client
    {
        $this->signedIn();
        $client = $this->clientNamed('Bea Thwart');
        $version = fn (): int => (int) Client::query()->whereKey($client->id)->value('version');
        $this->api('POST', "/clients/{$client->id}/style", ['version' => $version(), 'style' => 'ten-count'])->assertOk();
        $this->api('POST', "/clients/{$client->id}/programs", ['version' => $version(), 'weeks' => 4])->assertOk();
        $cards = array_filter(
            $this->api('GET', "/clients/{$client->id}/logs")->json('verdicts'),
            static fn (array $card): bool => $card['verdict'] !== 'stay',
        );
        self::assertNotSame([], $cards);
        foreach (array_values($cards) as $i => $card) {
            $this->api(
                'POST',
                "/clients/{$client->id}/verdicts",
                ['version' => $version(), 'ladder' => $card['ladder'], 'answer' => $i === 0 ? 'accepted' : 'postponed'],
            )->assertOk();
        }
        $session = (int) DB::table('logged_sessions')->where('client_id', $client->id)->min('id');
        DB::table('logged_sessions')->where('id', $session)->update(['origin' => 'client', 'word' => 'Went well']);
        DB::table('logged_sets')->where('logged_session_id', $session)->update(['pain' => 6]);
        $this->api('POST', "/clients/{$client->id}/logs/{$session}/remove", ['reason' => 'a slip'])->assertOk();
        $this->api(
            'POST',
            "/clients/{$client->id}/screen",
            ['version' => $version(), 'on' => date('Y-m-d'), 'flags' => [], 'limits' => [['limit' => 'shoulder', 'severity' => 'severe']]],
        )->assertOk();

        return $client->refresh();
    }

    public function test_a_client_comes_out_again_byte_for_byte_from_an_empty_studio(): void
    {
        $client = $this->lived();
        $out = (string) $this->api('GET', "/clients/{$client->id}/take-out")->assertOk()->getContent();
        foreach (['"touched"', '"logs"', '"verdict_answers"', '"Sanna Keel"', '"dose"', '"a slip"', 'Went well'] as $part) {
            self::assertTrue(str_contains($out, $part), $part);
        }
        self::assertFalse(str_contains((string) preg_replace('/made-up-\w+-/', '', $out), $client->id), 'a number of the database');
        self::assertFalse(str_contains($out, $client->studio_id), 'a number of the studio');
        self::assertSame($out, (string) $this->api('GET', "/clients/{$client->id}/take-out")->getContent());

        Erasure::studio($client->studio_id);
        $studio = Studio::query()->create(['name' => 'Empty']);
        $owner = Trainer::query()->create(
            [
                'studio_id' => $studio->id,
                'name' => 'Owner',
                'email' => 'owner@empty.example',
                'password' => 'long enough for it',
                'role' => Role::Owner,
            ],
        );
        $this->actingAs($owner->refresh());
        $found = $this->api('POST', '/read-in/check', $out)->assertOk()->json();
        $before = Client::query()->count();
        $taken = json_decode($out, true)['clients'][0];
        self::assertSame($taken['client']['name'], $found['name']);
        self::assertSame(count($taken['logs']), array_column($found['holds'], 'count', 'what')['logged sessions']);
        $id = $this->api('POST', '/read-in', $out)->assertCreated()->json('id');
        self::assertSame($before + 1, Client::query()->count(), 'looking at it kept nothing');
        self::assertSame($out, (string) $this->api('GET', "/clients/{$id}/take-out")->getContent());
        $this->api('GET', "/clients/{$id}/board")->assertOk();
        $this->api('GET', "/clients/{$id}/logs")->assertOk();
        self::assertSame(1, Event::query()->ofStudio($studio->id)->where('act', 'Read a client in')->count());
        // whoever wrote something is named and does not work here
        self::assertNotNull(Trainer::query()->where('email', 'trainer@slipway.example')->firstOrFail()->disabled_at);
    }

    public function test_a_studio_comes_out_again_byte_for_byte(): void
    {
        $client = $this->lived();
        $this->api('POST', '/words', ['words' => 'Harbour crawl', 'rung' => 'plank-drag'])->assertOk();
        $out = (string) $this->api('GET', '/take-out')->assertOk()->getContent();
        Erasure::studio($client->studio_id);
        $this->app->make('auth')->forgetGuards();
        $studio = app(ReadIn::class)->studio($out);
        self::assertSame($out, app(TakeOutDocument::class)->studio($studio));
        self::assertSame(6, Client::query()->ofStudio($studio->id)->count());
    }

    public function test_what_is_no_take_out_or_was_tampered_with_comes_in_nowhere(): void
    {
        $client = $this->lived();
        $out = (string) $this->api('GET', "/clients/{$client->id}/take-out")->getContent();
        $this->api('POST', '/read-in', $out)->assertStatus(422)->assertJsonPath('errors.0.path', '/clients/0/logs');
        Erasure::client($client->id);
        $before = DB::table('clients')->count();
        $bent = [
            '{}', '[]', 'x', '', str_replace('"version": 1', '"version": 2', $out), str_replace('"of": "client"', '"of": "studio"', $out),
            (string) preg_replace(
                '/"basis": "[a-z-]+"/',
                '"basis": "nonsense"',
                $out,
                1,
            ), (string) preg_replace('/"rung": "[a-z-]+"/', '"rung": 7', $out, 1),
            (string) preg_replace(
                '/"created_at": "[^"]+"/',
                '"created_at": "2999-01-01 00:00:00"',
                $out,
                1,
            ), (string) preg_replace('/"by": "[^"]+"/', '"by": "nobody@x.example"', $out, 1),
            (string) preg_replace(
                '/"goal": "[a-z-]+"/',
                '"goal": "world-peace"',
                $out,
                1,
            ), substr($out, 0, 4000), str_replace('"logs": [', '"logs": [7, ', $out),
            (string) preg_replace('/"step": \d+/', '"step": 4000', $out, 1),
        ];
        foreach ($bent as $i => $each) {
            $answer = $this->api('POST', '/read-in', $each);
            self::assertSame(422, $answer->getStatusCode(), 'case '.$i.': '.$answer->exception?->getMessage());
        }
        self::assertSame($before, DB::table('clients')->count());
    }

    public function test_an_erased_client_leaves_a_line_that_names_nobody(): void
    {
        $this->signedIn();
        $client = $this->clientNamed('Maren Tidewell');
        $this->api(
            'POST',
            "/clients/{$client->id}/erase",
            ['name' => 'Maren'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/name');
        $this->api('POST', "/clients/{$client->id}/erase", ['name' => 'Maren Tidewell'])->assertNoContent();
        $this->api('GET', "/clients/{$client->id}")->assertNotFound();
        $line = Event::query()->ofStudio($client->studio_id)->ordered('id', 'desc')->firstOrFail();
        self::assertSame(['Erased a client', null, null], [$line->act, $line->client_id, $line->detail]);
        foreach (['events', 'log_changes', 'changes', 'links', 'roster_rows', 'ladder_changes'] as $table) {
            self::assertStringNotContainsString('Tidewell', (string) json_encode(DB::table($table)->get()), $table);
        }
    }
}
