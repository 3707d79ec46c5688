<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Client;
use Illuminate\Support\Facades\DB;
use Illuminate\Testing\TestResponse;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * What the asker knows is not sent again, and nothing that changed is ever taken for known; and how often a page asks the database.
 */
final class KnownTest extends HttpTestCase
{
    /** Writes; soak asks for EVEN_RUNGS_KNOWN. */
    private const WRITES = 30;

    private const READS = 6;

    /** The session is not read here, but the studio by itself, which comes with it otherwise. */
    private const MOST_QUESTIONS = 8;

    private const OF_STUDIO = [
        '/clients', '/archive', '/library', '/styles', '/ladders', '/templates', '/words', '/rungs/side-plank-split', '/ready',
    ];

    private const OF_CLIENT = [
        '', '/board', '/screen', '/sheet', '/evenness', '/progress', '/logs', '/tests', '/programs', '/programs/current/weeks/1', '/audit',
        '/sessions/1/1', '/road/side-plank-split', '/why-not/side-plank-split', '/swaps/side-plank-split', '/minutes/side-plank-split',
    ];

    /** Asks no tag of, and no fewer questions. */
    private const PAGES_OF_CLIENT = ['/plan', '/happened', '/calendar', '/own-pages', '/floor/1/1', '/summary.html'];

    /** Every request finds out anew who asks. */
    protected function api(string $method, string $path, array|string|null $body = null, array $headers = []): TestResponse
    {
        $this->signedIn();

        return parent::api($method, $path, $body, $headers);
    }

    public function test_random_writes_and_reads_never_meet_an_answer_of_before(): void
    {
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        $chance = new Randomizer(new Xoshiro256StarStar($seed));
        $clients = Client::query()->pluck('id')->all();
        $one = static fn (array $of): mixed => $of[$chance->getInt(0, count($of) - 1)];
        /** @var array<string, array{string, string}> $known tag and answer by path */
        $known = [];
        [$same, $written, $other] = [0, 0, 0];
        for ($i = 0; $i < (int) (getenv('EVEN_RUNGS_KNOWN') ?: self::WRITES); $i++) {
            $written += $this->write($one($clients), $chance) ? 1 : 0;
            for ($read = 0; $read < self::READS; $read++) {
                $path = $chance->getInt(0, 3) === 0 ? $one(self::OF_STUDIO) : '/clients/'.$one($clients).$one(self::OF_CLIENT);
                $fresh = $this->api('GET', $path);
                [$tag, $before] = $known[$path] ?? ['"never"', ''];
                $again = $this->api('GET', $path, null, ['HTTP_IF_NONE_MATCH' => 'W/'.$tag]);
                if ($again->getStatusCode() === 304) {
                    self::assertTrue($before === $fresh->getContent(), "seed $seed, write $i: $path was taken for known");
                    self::assertSame('', $again->getContent());
                    $same++;
                } else {
                    self::assertTrue($fresh->getContent() === $again->getContent(), "seed $seed, write $i: $path");
                    $other++;
                }
                if ($fresh->headers->has('ETag')) {
                    $known[$path] = [(string) $fresh->headers->get('ETag'), (string) $fresh->getContent()];
                }
            }
        }
        self::assertGreaterThan(0, $same, "seed $seed");
        self::assertGreaterThan(0, $written, "seed $seed");
        self::assertGreaterThan(0, $other, "seed $seed");
    }

    /** Something that people do; whether it was allowed. */
    private function write(string $client, Randomizer $chance): bool
    {
        $path = '/clients/'.$client;
        $board = $this->api('GET', $path.'/board');
        if ($board->getStatusCode() !== 200) {
            return false;
        }
        $version = ['version' => $board->json('version')];
        $ladders = array_values(array_filter((array) $board->json('ladders'), static fn (array $each): bool => $each['standing'] !== null));
        $ladder = $ladders === [] ? null : $ladders[$chance->getInt(0, count($ladders) - 1)];
        $rung = $ladder['up'] ?? $ladder['down'] ?? null;
        $name = sprintf('No. %d', $chance->getInt(1, 1_000_000));
        $response = match ($chance->getInt(0, 12)) {
            0, 1, 2 => $rung === null ? null : $this->api('POST', $path.'/moves', $version + ['rung' => $rung]),
            3 => $this->api('POST', $path.'/undo', $version),
            4 => $this->api('POST', $path.'/redo', $version),
            5 => $rung === null ? null : $this->api(
                'POST',
                $path.'/aims',
                $version + ['rung' => $rung, 'wanted' => $chance->getInt(0, 1) === 1],
            ),
            6 => $ladder === null ? null : $this->api('POST', $path.'/logs', [
                'key' => bin2hex($chance->getBytes(8)),
                'on' => now()->subDays($chance->getInt(0, 20))->toDateString(),
                'sets' => [['rung' => $ladder['standing']['rung'], 'done' => 8, 'pain' => $chance->getInt(0, 7)]],
            ]),
            7 => $this->api('POST', $path.'/plan', $version),
            8 => $this->api('POST', $path.'/style', $version + ['style' => 'by-the-second']),
            9 => $this->api('POST', $path.($chance->getInt(0, 1) === 0 ? '/archive' : '/restore'), $version),
            10 => $this->api('POST', '/kit', ['kit' => ['mat' => $chance->getInt(1, 9)]]),
            11 => $this->api('POST', '/words', ['words' => $name, 'rung' => 'side-plank-split']),
            default => $this->api('POST', '/me/doses', ['doses' => $chance->getInt(0, 1) === 0 ? 'words' : 'shorthand']),
        };

        return $response !== null && $response->getStatusCode() < 300;
    }

    public function test_a_page_asks_the_database_at_most_eight_times(): void
    {
        $this->signedIn();
        $client = Client::query()->findOrFail(
            DB::table('logged_sets')->groupBy('client_id')->orderByRaw('count(*) desc')->value('client_id'),
        );
        parent::api('GET', '/clients');
        $paths = ['/me', '/people', '/happened', '/figures', ...self::OF_STUDIO, ...array_map(
            static fn (string $page): string => '/clients/'.$client->id.$page,
            [...self::OF_CLIENT, ...self::PAGES_OF_CLIENT],
        )];
        $asked = [];
        foreach ($paths as $path) {
            DB::flushQueryLog();
            DB::enableQueryLog();
            parent::api('GET', $path)->assertOk();
            $asked[$path] = count(DB::getQueryLog());
            DB::disableQueryLog();
        }
        self::assertSame([], array_filter($asked, static fn (int $times): bool => $times > self::MOST_QUESTIONS));
        self::assertGreaterThan(1, max($asked));
    }
}
