<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Accounts\Secret;
use App\Home\HomePages;
use App\Models\Client;
use App\Models\Event;
use App\Models\HomePage;
use App\Models\LoggedSession;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Formats\HomeReturn;
use EvenRungs\Formats\Node;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;

/**
 * The client's own page: what is in it, who opens it, and what becomes of what comes back.
 */
final class OwnPagesTest extends HttpTestCase
{
    use TrainsSafely;

    protected function setUp(): void
    {
        parent::setUp();
        $this->signedIn();
    }

    public function test_the_page_holds_only_what_was_shown_clean_and_nobody_else(): void
    {
        $client = $this->clientNamed('Maren Tidewell');
        $handed = $this->hand();
        $html = $this->opened($handed['path']);
        $document = json_decode(explode('</script>', explode('id="document">', $html)[1])[0], true);

        self::assertLessThan(500_000, strlen($html));
        self::assertNotSame([], $document['sessions']);
        self::assertSame('Maren', $document['first']);
        $names = array_column($document['rungs'], 'name');
        foreach ($handed['left'] as $line) {
            self::assertNotContains(explode(':', $line)[0], $names);
        }
        self::assertStringNotContainsString('Tidewell', $html);
        foreach (Client::query()->get() as $other) {
            self::assertStringNotContainsString($other->id, $html);
            self::assertTrue($other->is($client) || ! str_contains($html, $other->name));
        }
    }

    public function test_what_nobody_saw_is_left_out_and_said(): void
    {
        $client = $this->clientNamed('Maren Tidewell');
        $document = $client->document;
        unset($document['tests']);
        $this->api('PUT', $this->path(''), [
            'version' => $this->board()['version'],
            'document' => [...$document, 'ability' => ['AE' => 3, 'AR' => 3, 'AL' => 3, 'AF' => 3], 'tests' => (object) []],
        ])->assertOk();
        $seen = array_column($this->board()['ladders'], 'standing', 'id');
        $assumed = array_filter($seen, static fn (?array $standing): bool => in_array(
            $standing['basis'] ?? null,
            ['ability', 'entry'],
            true,
        ));
        self::assertNotSame([], $assumed);

        $answer = $this->api('POST', $this->path('/own-pages'), '{}');

        self::assertStringContainsString('not shown clean yet', (string) $answer->getContent());
    }

    public function test_a_link_opens_until_it_is_withdrawn_and_each_look_is_written_down(): void
    {
        $handed = $this->hand();
        Auth::forgetUser();
        $this->get($handed['path'])->assertOk();
        $this->get($handed['path'])->assertOk();
        $this->get(substr($handed['path'], 0, -1).(str_ends_with($handed['path'], 'A') ? 'B' : 'A'))->assertNotFound();
        self::assertSame(2, Event::query()->where('act', 'The client’s own page was opened')->count());

        $this->signedIn();
        $this->api('POST', $this->path('/own-pages/'.$handed['page'].'/withdraw'))->assertOk()->assertJsonPath('pages.0.looks', 2);
        Auth::forgetUser();
        $this->get($handed['path'])->assertNotFound();
    }

    public function test_a_page_knows_where_the_studio_is_only_where_its_network_is_served(): void
    {
        $file = storage_path('addresses');
        $seal = fn (): array => json_decode(explode('</script>', explode('id="seal">', $this->opened($this->hand()['path']))[1])[0], true);
        file_put_contents($file, '');
        self::assertSame('', $seal()['at']);
        try {
            file_put_contents($file, "https://192.0.2.7:8443\nhttps://198.51.100.9:8443\n");
            self::assertSame(['https://192.0.2.7:8443', 'https://198.51.100.9:8443'], $this->hand()['addresses']);
            self::assertSame('https://192.0.2.7:8443', $seal()['at']);
        } finally {
            unlink($file);
        }
    }

    public function test_looks_and_returns_are_throttled(): void
    {
        $path = $this->hand()['path'];
        $looks = array_map(fn (): int => $this->get($path)->getStatusCode(), range(1, 31));
        self::assertSame([200, 429], array_values(array_unique($looks)));
        $tries = array_map(fn (): int => $this->api('POST', '/own/returns', ['code' => 'nothing'])->getStatusCode(), range(1, 21));
        self::assertSame([422, 429], array_values(array_unique($tries)));
    }

    public function test_a_link_ends_seven_days_after_the_last_session(): void
    {
        $handed = $this->hand();
        $page = HomePage::query()->whereKey($handed['page'])->firstOrFail();
        $last = max(HomePages::document($page)->each('sessions', static fn (Node $each): string => $each->string('date')));
        self::assertSame(Carbon::parse($last)->addDays(7)->toDateString(), $page->until);

        $this->travelTo(Carbon::parse($page->until)->addHours(12));
        $this->get($handed['path'])->assertOk();
        $this->travelTo(Carbon::parse($page->until)->addDay()->addHours(12));
        $this->get($handed['path'])->assertNotFound();
    }

    public function test_what_comes_back_is_read_once_as_an_unchecked_log_of_the_clients_own(): void
    {
        [$page, $code] = $this->done(pain: 2, word: 'Went well');
        Auth::forgetUser();
        $this->api('POST', '/own/returns', ['code' => $code])->assertOk()->assertJsonPath('new', true);
        $this->signedIn();
        // the same session again, as a code that is typed
        $typed = HomePages::seal($page)->typed($this->payload($page, pain: 2));
        $this->api('POST', $this->path('/own-pages/returns'), ['code' => strtolower(str_replace('-', ' ', $typed))])
            ->assertOk()->assertJsonPath('new', false)->assertJsonPath('pages.0.back', 1);

        $logs = LoggedSession::query()->where('origin', LoggedSession::BY_CLIENT)->get();
        self::assertCount(1, $logs);
        self::assertSame(18, $logs[0]->minutes, '17:48 on the clock');
        $newest = $this->api('GET', $this->path('/logs'))->json('sessions.0');
        self::assertSame([true, false, 'Went well', 2], [$newest['by_client'], $newest['checked'], $newest['word'], $newest['worst_pain']]);
        self::assertSame(1, Event::query()->where('act', 'Brought back from the client’s own page')->count());
    }

    public function test_a_changed_letter_is_refused_and_so_is_the_page_of_somebody_else(): void
    {
        [$page, $code] = $this->done(pain: 0);
        $payload = $this->payload($page, pain: 0);
        for ($i = 0; $i < strlen($code); $i++) {
            $changed = substr_replace($code, $code[$i] === 'b' ? 'c' : 'b', $i, 1);
            self::assertNull(HomePages::seal($page)->open($changed), $changed);
        }
        $this->api('POST', '/own/returns', ['code' => substr_replace($code, $code[40] === 'b' ? 'c' : 'b', 40, 1)])->assertStatus(422);
        foreach ([$code, HomePages::seal($page)->typed($payload)] as $whole) {
            $this->api('POST', $this->path('/own-pages/returns', 'Bea Thwart'), ['code' => $whole])->assertStatus(422);
        }
        $this->api('POST', $this->path('/own-pages/'.strtolower($page->id).'/withdraw', 'Bea Thwart'))->assertNotFound();
        self::assertSame(0, LoggedSession::query()->where('origin', LoggedSession::BY_CLIENT)->count());
    }

    public function test_pain_that_stops_comes_first_and_stays_when_the_log_is_taken_back(): void
    {
        [$page, $code] = $this->done(pain: 6);
        $secret = Secret::fresh();
        $page->update(['hash' => Secret::hash($secret)]);
        $link = '/own/'.strtolower($page->id).'.'.$secret;
        self::assertStringContainsString('id="document"', $this->opened($link));
        $this->api('POST', '/own/returns', ['code' => $code])->assertOk();
        $stopped = fn (): array => array_column(
            array_filter($this->board()['ladders'], static fn (array $ladder): bool => $ladder['stopped'] !== null),
            'id',
        );
        $ladders = $stopped();
        self::assertNotSame([], $ladders);
        self::assertSame('Maren Tidewell', $this->api('GET', '/clients')->json('clients.0.name'));
        self::assertCount(1, $this->board()['own_pages_out']);

        // whoever opens the link now reads of the stop, and nothing to train
        $shown = $this->opened($link);
        self::assertStringContainsString('has put a stop to it', $shown);
        self::assertStringNotContainsString('id="document"', $shown);

        $session = $this->api('GET', $this->path('/logs'))->json('sessions.0.id');
        $this->api('POST', $this->path("/logs/{$session}/remove"), '{}')->assertStatus(422)->assertJsonPath('errors.0.path', '/reason');
        $this->api('POST', $this->path("/logs/{$session}/remove"), ['reason' => 'A slip of the finger'])->assertOk();
        self::assertSame($ladders, $stopped());
    }

    public function test_a_warning_sign_becomes_a_flag_that_only_a_clearance_lifts(): void
    {
        [$page] = $this->done(pain: 0);
        $signs = HomePages::document($page)->each('warnings', static fn (Node $each): string => $each->string('id'));
        $return = new HomeReturn(HomeReturn::OUTSIDE, 0, 'pain', painBefore: 4, painKind: PainKind::Ordinary, warnings: ['chest-pain']);
        $this->api('POST', '/own/returns', ['code' => HomePages::seal($page)->whole($return->write($signs))])->assertOk();

        self::assertContains('emergency', array_column($this->board()['refer'], 'urgency'));
        self::assertSame(['chest-pain'], $this->clientNamed('Maren Tidewell')->document['screen']['flags']);
        $this->api('POST', $this->path('/own-pages'), '{}')->assertStatus(422);
    }

    public function test_beside_a_log_of_the_trainer_it_stands_by_itself(): void
    {
        [$page, $code] = $this->done(pain: 1);
        $planned = HomePages::document($page)->each('sessions', static fn (Node $each): Node => $each)[0]->child('plan')->string('planned');
        $this->api('POST', $this->path('/logs'), [
            'key' => 'at-the-desk-1',
            'on' => Carbon::today()->toDateString(),
            'planned' => $planned,
            'sets' => [['rung' => 'heel-taps', 'side' => 'left', ...self::CLEAN]],
        ])->assertOk();

        $said = $this->api('POST', '/own/returns', ['code' => $code])->assertOk()->json('words');

        self::assertStringContainsString('stands beside it', $said);
        self::assertSame(1, LoggedSession::query()->where('planned', $planned)->count());
    }

    /** @return array<string, mixed> */
    private function hand(): array
    {
        return $this->api('POST', $this->path('/own-pages'), '{}')->assertOk()->json();
    }

    private function opened(string $path): string
    {
        return (string) $this->get($path)->assertOk()->getContent();
    }

    /** @return array{HomePage, string} a page, and its first session done whole */
    private function done(int $pain, string $word = ''): array
    {
        $page = HomePage::query()->whereKey($this->hand()['page'])->firstOrFail();

        return [$page, HomePages::seal($page)->whole($this->payload($page, $pain, $word))];
    }

    private function payload(HomePage $page, int $pain, string $word = ''): string
    {
        $document = HomePages::document($page);
        $session = $document->each('sessions', static fn (Node $each): Node => $each)[0];
        $rungs = $session->child('plan')->each('sets', static fn (Node $each): string => $each->string('rung'));
        $exercises = array_map(
            static fn (): array => ['effort' => 4, 'pain' => $pain, 'kind' => PainKind::Ordinary],
            array_unique($rungs),
        );
        $whole = array_fill(0, count($rungs), true);
        $return = new HomeReturn(0, 0, null, 1068, 1, 0, 4, null, [], null, array_values($exercises), $whole, $word);

        return $return->write($document->each('warnings', static fn (Node $each): string => $each->string('id')));
    }
}
