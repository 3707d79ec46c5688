<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Studio;
use App\Models\Trainer;
use Illuminate\Support\Facades\Auth;
use Tests\Support\ReadByNode;

/**
 * Sessions in calendars: as a file, and at an address that can be withdrawn.
 */
final class CalendarsTest extends HttpTestCase
{
    private function client(string $rest = '', string $name = 'Maren Tidewell'): string
    {
        return '/clients/'.$this->clientNamed($name)->id.$rest;
    }

    /** @return list<array<string, mixed>> */
    private static function read(string $text): array
    {
        return array_values(ReadByNode::with('read-calendar.mjs', $text));
    }

    public function test_every_session_of_the_program_is_there_on_its_day_with_its_minutes_and_exercises(): void
    {
        $this->signedIn();
        $read = self::read((string) $this->api('GET', $this->client('/calendar.ics', 'Bea Thwart'))->assertOk()->getContent());
        $board = $this->api('GET', $this->client('/board', 'Bea Thwart'))->json();
        $planned = [];
        for ($week = 1; $week <= $board['weeks']; $week++) {
            array_push($planned, ...$this->api('GET', $this->client("/programs/current/weeks/{$week}", 'Bea Thwart'))->json('sessions'));
        }
        self::assertCount(count($planned), $read);
        self::assertCount(count($read), array_unique(array_column($read, 'uid')));
        $byDay = array_column($planned, null, 'date');
        foreach ($read as $each) {
            self::assertNull($each['time'], 'all day: nobody said when');
            $session = $byDay[$each['day']];
            self::assertStringContainsString($session['total']['text'].' min', $each['title']);
            foreach (array_merge(...array_column($session['blocks'], 'entries')) as $entry) {
                self::assertStringContainsString($entry['name'].': '.$entry['words'], $each['text']);
            }
        }
    }

    public function test_a_time_of_day_makes_it_an_hour_and_moving_a_session_keeps_its_event(): void
    {
        $this->signedIn();
        $before = self::read((string) $this->api('GET', $this->client('/calendar.ics'))->getContent());
        $this->api('POST', $this->client('/calendar/times'), ['times' => ['mon' => '17:30', 'wed' => '25:00']])->assertStatus(422)
            ->assertJsonPath('errors.0.path', '/times/wed');
        $this->api('POST', $this->client('/calendar/times'), ['times' => ['mon' => '17:30']])->assertJsonPath('times.mon', '17:30');
        $read = self::read((string) $this->api('GET', $this->client('/calendar.ics'))->getContent());
        self::assertSame(array_column($before, 'uid'), array_column($read, 'uid'));
        foreach ($read as $each) {
            self::assertSame(date('D', (int) strtotime($each['day'])) === 'Mon' ? '17:30' : null, $each['time']);
        }
    }

    public function test_an_address_shows_one_client_without_a_session_until_it_is_withdrawn(): void
    {
        $this->signedIn();
        $made = $this->api('POST', $this->client('/calendar/links'))->assertOk()->json();
        $path = $made['path'];
        self::assertCount(1, $made['links']);
        self::assertStringNotContainsString($made['links'][0]['id'].'.', (string) json_encode($made['links']), 'the secret is shown once');
        $file = $this->api('GET', $this->client('/calendar.ics'))->getContent();
        $this->api('POST', '/sign-out')->assertNoContent();
        $stamp = static fn (string $text): string => (string) preg_replace('/DTSTAMP:\w+/', '', $text);
        self::assertSame($stamp((string) $file), $stamp((string) $this->get($path)->assertOk()->getContent()));
        $this->get(substr($path, 0, -6).'xx.ics')->assertNotFound();
        Auth::forgetGuards();
        $this->getJson('/api/clients')->assertStatus(401);

        $this->signedIn();
        self::assertNotNull($this->api('GET', $this->client('/calendar'))->json('links.0.seen'));
        $studio = Studio::query()->create(['name' => 'Other']);
        Trainer::query()->create(['studio_id' => $studio->id, 'name' => 'Other', 'email' => 'other@other.example', 'password' => 'secret']);
        $link = $made['links'][0]['id'];
        $this->signedIn('other@other.example');
        $this->api('POST', "/calendar/links/{$link}/withdraw")->assertNotFound();
        $this->signedIn();
        $this->api('POST', "/calendar/links/{$link}/withdraw")->assertOk();
        $this->get($path)->assertNotFound();
    }

    public function test_the_studio_has_one_of_all_whom_the_trainer_sees(): void
    {
        $this->signedIn();
        $made = $this->api('POST', '/calendar/links')->assertOk()->json();
        $titles = implode(' ', array_column(self::read((string) $this->get($made['path'])->getContent()), 'title'));
        self::assertStringContainsString('Maren Tidewell: ', $titles);
        self::assertStringContainsString('Bea Thwart: ', $titles);
        Trainer::query()->where('email', 'trainer@slipway.example')->update(['disabled_at' => now()]);
        $this->get($made['path'])->assertNotFound();
    }

    public function test_who_is_stopped_does_not_read_in_a_calendar_that_they_train(): void
    {
        $this->signedIn();
        $maren = $this->clientNamed('Maren Tidewell');
        $maren->update(['document' => [...$maren->document, 'screen' => ['flags' => ['chest-pain']]]]);
        foreach (self::read((string) $this->api('GET', $this->client('/calendar.ics'))->getContent()) as $each) {
            self::assertStringStartsWith('Not now: ', $each['title']);
            self::assertSame('Do nothing of this sheet for now.', $each['text']);
        }
    }
}
