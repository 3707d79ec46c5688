<?php

declare(strict_types=1);

namespace Tests\Cluster;

use App\Http\Middleware\SeesOwnWrites;
use Illuminate\Cookie\CookieValuePrefix;
use Illuminate\Encryption\Encrypter;
use PHPUnit\Framework\TestCase;
use Tests\Support\Visitor;

/**
 * Two trainers at two web servers, each with another database behind it. Part of `./even-rungs soak cluster` only.
 */
final class TwoNodesTest extends TestCase
{
    private const ROUNDS = 100;

    private const HELD = 6;

    public function test_of_two_who_change_a_client_at_once_one_wins_and_the_other_sees_it(): void
    {
        $trainers = $this->trainers();
        $client = self::clientNamed('Maren Tidewell', $trainers[0]);
        $won = [0, 0];
        for ($round = 1; $round <= self::ROUNDS; $round++) {
            [, $was] = $trainers[$round % 2]->send('GET', "/api/clients/{$client}");
            $answers = $this->atOnce($trainers, 'PUT', "/api/clients/{$client}", array_map(static fn (int $i): array => [
                'version' => $was['version'],
                'document' => [...$was['document'], 'x' => ['by' => "round {$round}, trainer {$i}"]],
            ], [0, 1]));
            $statuses = array_column($answers, 0);
            self::assertEqualsCanonicalizing([200, 409], $statuses, json_encode($answers) ?: '');
            $winner = (int) array_search(200, $statuses, true);
            $won[$winner]++;
            [, $seen] = $trainers[1 - $winner]->send('GET', "/api/clients/{$client}");
            self::assertSame("round {$round}, trainer {$winner}", $seen['document']['x']['by'], 'whoever was refused sees the newer');
        }
        printf("two trainers, %d rounds: %d times the first won, %d times the second\n", self::ROUNDS, ...$won);
        self::assertGreaterThan(0, min($won));
    }

    public function test_what_one_node_took_is_seen_at_the_other_by_whoever_wrote_it(): void
    {
        [$here, $there] = $this->trainers();
        $client = self::clientNamed('Bea Thwart', $here);
        for ($round = 1; $round <= self::HELD; $round++) {
            [, $was] = $here->send('GET', "/api/clients/{$client}");
            // the other database is behind by longer than anybody takes to ask
            $holds = Site::begin('hold', 'a', 'db'.($round % 2 === 1 ? 2 : 1), '1');
            usleep(300_000);
            $document = [...$was['document'], 'x' => ['by' => "seen {$round}"]];
            [$status] = $here->send('PUT', "/api/clients/{$client}", ['version' => $was['version'], 'document' => $document]);
            self::assertSame(200, $status);
            // the same browser, led to the other server
            $there->takeCookiesOf($here);
            [, $seen] = $there->send('GET', "/api/clients/{$client}");
            self::assertSame("seen {$round}", $seen['document']['x']['by']);
            self::assertGreaterThan(0.1, $there->seconds, 'it was behind, and waited for');
            $holds();
            [$here, $there] = [$there, $here];
        }
    }

    public function test_a_place_that_never_comes_holds_nobody_up_for_long(): void
    {
        $visitor = $this->trainers()[0];
        $key = base64_decode(substr((string) file_get_contents(Site::folder().'a/key'), 7), true) ?: '';
        $place = CookieValuePrefix::create(SeesOwnWrites::COOKIE, $key).'1-1-999999999999';
        $visitor->carry(SeesOwnWrites::COOKIE, rawurlencode((new Encrypter($key, 'AES-256-CBC'))->encryptString($place)));
        self::assertSame(200, $visitor->send('GET', '/api/me')[0], 'as after a cluster was made anew from a backup');
        self::assertGreaterThan(1, $visitor->seconds, 'it was waited for');
        self::assertSame(200, $visitor->send('POST', '/api/emergency', ['steps' => []])[0]);
        self::assertSame(200, $visitor->send('GET', '/api/me')[0]);
        self::assertLessThan(1, $visitor->seconds, 'the next write says a place that comes');
    }

    public function test_tries_count_whichever_server_is_asked(): void
    {
        $visitors = [Site::visitorOf(1), Site::visitorOf(2)];
        $statuses = [];
        for ($try = 0; $try < 8; $try++) {
            $statuses[] = $visitors[$try % 2]->signIn('nobody@slipway.example', 'wrong');
        }
        self::assertSame([422, 422, 422, 422, 422, 429, 429, 429], $statuses);
    }

    private static function clientNamed(string $name, Visitor $visitor): string
    {
        // a list that changed a lot comes by and by
        do {
            [, $list] = $visitor->send('GET', '/api/clients');
        } while ($list['behind'] > 0);

        return array_column($list['clients'], 'id', 'name')[$name];
    }

    /** @return array{Visitor, Visitor} signed in at one web server each */
    private function trainers(): array
    {
        $trainers = [Site::visitorOf(1), Site::visitorOf(2)];
        foreach ($trainers as $i => $trainer) {
            self::assertSame(200, $trainer->signIn(), "web server {$i}");
        }

        return $trainers;
    }

    /**
     * @param  array{Visitor, Visitor}  $visitors
     * @param  list<array<mixed>>  $bodies
     * @return list<array{int, mixed}> status and body
     */
    private function atOnce(array $visitors, string $method, string $path, array $bodies): array
    {
        $all = curl_multi_init();
        $each = array_map(static fn (Visitor $visitor, array $body) => $visitor->request($method, $path, $body), $visitors, $bodies);
        foreach ($each as $one) {
            curl_multi_add_handle($all, $one);
        }
        do {
            curl_multi_exec($all, $running);
            curl_multi_select($all);
        } while ($running > 0);

        return array_map(static fn ($one): array => [
            (int) curl_getinfo($one, CURLINFO_RESPONSE_CODE),
            json_decode((string) curl_multi_getcontent($one), true),
        ], $each);
    }
}
