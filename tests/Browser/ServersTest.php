<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\TestCase;
use Tests\Support\TestServer;
use Tests\Support\Visitor;

/**
 * What both servers say and refuse before the application is asked: in the clear on this machine, over TLS on the studio's network.
 */
final class ServersTest extends TestCase
{
    private const LAN_PORT = 8663;

    public static function setUpBeforeClass(): void
    {
        TestServer::shell('echo '.self::LAN_PORT.' >"$var/lan"; stop_one "$var/run/nginx.pid" nginx QUIT; start_web');
    }

    public static function tearDownAfterClass(): void
    {
        TestServer::shell('rm -f "$var/lan"; stop_one "$var/run/nginx.pid" nginx QUIT; start_web; wait_for 30 "the application" '
            .'curl -fsS "http://127.0.0.1:$(setting WEB_PORT)/api/health"');
    }

    private static function tls(string $file): string
    {
        return dirname(__DIR__, 2).'/var/test/tls/'.$file;
    }

    private static function overTls(string $host = 'localhost'): Visitor
    {
        return new Visitor(
            'https://'.$host.':'.self::LAN_PORT,
            [CURLOPT_CAINFO => self::tls('studio-ca.crt'), CURLOPT_RESOLVE => [$host.':'.self::LAN_PORT.':127.0.0.1']],
        );
    }

    public function test_both_servers_keep_pages_to_their_own_scripts_and_cookies_to_themselves(): void
    {
        foreach ([Visitor::ofTests(), self::overTls()] as $i => $visitor) {
            self::assertSame(200, $visitor->send('GET', '/sign-in')[0]);
            self::assertStringContainsString("default-src 'self'", $visitor->headers['content-security-policy']);
            self::assertStringNotContainsString('unsafe', $visitor->headers['content-security-policy']);
            self::assertSame('nosniff', $visitor->headers['x-content-type-options']);
            self::assertSame('DENY', $visitor->headers['x-frame-options']);
            self::assertSame($i === 1, isset($visitor->headers['strict-transport-security']));
            self::assertSame(200, $visitor->signIn());
            $session = array_values(
                array_filter(
                    explode("\n", $visitor->headers['set-cookie']),
                    static fn (string $each): bool => str_starts_with($each, 'even_rungs_session'),
                ),
            )[0] ?? '';
            self::assertStringContainsString('httponly', strtolower($session));
            self::assertStringContainsString('samesite=lax', strtolower($session));
            self::assertSame(
                $i === 1,
                str_contains(strtolower($session), 'secure'),
                'secure over TLS, and usable without it on this machine',
            );
            self::assertSame(200, $visitor->send('GET', '/api/clients')[0]);
        }
    }

    public function test_a_table_comes_in_by_pieces_and_whoever_goes_away_in_the_middle_leaves_nothing_of_it(): void
    {
        TestServer::freshDemo();
        $heard = '';
        $cut = true;
        $visitor = new Visitor('http://127.0.0.1:'.Visitor::setting('WEB_PORT'), [CURLOPT_WRITEFUNCTION => static function (
            mixed $curl,
            string $text,
        ) use (&$heard, &$cut): int {
            $heard .= $text;

            return $cut && str_contains($heard, '"done"') ? -1 : strlen($text);
        }]);
        self::assertSame(200, $visitor->signIn());
        $asking = Visitor::ofTests();
        $asking->signIn();
        $client = array_column($asking->send('GET', '/api/clients')[1]['clients'], 'id', 'name')['Bea Thwart'];
        $logged = static fn (): int => count(
            array_filter(
                explode("\n", $asking->send('GET', "/api/clients/{$client}/logs.csv")[2]),
                static fn (string $line): bool => str_contains($line, 'many-logs-'),
            ),
        );
        $table = ['date,log,exercise,side,target,done,faults,pain,breathing'];
        for ($day = 0; $day < 300; $day++) {
            foreach (['left', 'right'] as $side) {
                $table[] = sprintf(
                    '%s,many-logs-%d,dead-bug-opposite,%s,10,10,none,0,yes',
                    date('Y-m-d', time() - 86400 * (700 - $day)),
                    $day,
                    $side,
                );
            }
        }
        $body = ['csv' => implode("\r\n", $table)];
        $heard = '';
        $visitor->send('POST', "/api/clients/{$client}/logs/import", $body, ['Accept: application/x-ndjson']);
        self::assertMatchesRegularExpression('/^\{"done":\d+,"of":300\}/', $heard, 'it told how far it came');
        self::assertStringNotContainsString('"status"', $heard);

        $cut = false;
        $heard = '';
        $visitor->send('POST', "/api/clients/{$client}/logs/import", $body, ['Accept: application/x-ndjson']);
        $lines = array_map(static fn (string $line): array => json_decode($line, true), explode("\n", trim($heard)));
        self::assertSame(
            ['status' => 200, 'body' => ['added' => 300, 'known' => 0]],
            array_pop($lines),
            'nothing stayed of what was given up',
        );
        $done = array_column($lines, 'done');
        self::assertSame($done, array_unique($done));
        self::assertGreaterThan(1, count($done));
        self::assertSame(600, $logged());

        $heard = '';
        $visitor->send(
            'POST',
            "/api/clients/{$client}/logs/import",
            ['csv' => "date,exercise,target,done\r\n2026-13-99,nothing,1,1\r\n"],
            ['Accept: application/x-ndjson'],
        );
        $last = json_decode($heard, true);
        self::assertSame([422, 'row 2, column date'], [$last['status'], $last['body']['errors'][0]['path']]);
    }

    public function test_what_is_known_is_not_sent_again_and_nothing_is_kept_after_signing_out(): void
    {
        $visitor = Visitor::ofTests();
        $visitor->signIn();
        $board = '/api/clients/'.$visitor->send('GET', '/api/clients')[1]['clients'][0]['id'].'/board';
        foreach (['gzip', 'identity'] as $coding) {
            [$status, , $answer] = $visitor->send('GET', $board, null, ['Accept-Encoding: '.$coding]);
            self::assertSame(200, $status);
            self::assertStringContainsString('no-cache', $visitor->headers['cache-control']);
            self::assertNotSame('', $answer);
            $tag = $visitor->headers['etag'];
            self::assertSame([304, null, ''], $visitor->send('GET', $board, null, ['If-None-Match: '.$tag]), $coding);
        }
        self::assertSame(200, $visitor->send('POST', str_replace('/board', '/aims', $board), [
            'version' => $visitor->send('GET', $board)[1]['version'], 'rung' => 'side-plank-split', 'wanted' => true,
        ])[0]);
        self::assertSame(200, $visitor->send('GET', $board, null, ['If-None-Match: '.$tag])[0]);

        $manifest = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/public/build/manifest.json'), true);
        $visitor->send('GET', '/build/'.$manifest['web/main.tsx']['file'], null, ['Accept-Encoding: gzip, br']);
        self::assertStringContainsString('immutable', $visitor->headers['cache-control']);
        self::assertContains($visitor->headers['content-encoding'], ['br', 'gzip'], 'compressed ahead');
        self::assertSame(204, $visitor->send('POST', '/api/sign-out')[0]);
        self::assertSame('"cache"', $visitor->headers['clear-site-data']);
    }

    public function test_the_studios_network_is_served_over_http_2(): void
    {
        $curl = self::overTls()->request('GET', '/api/health');
        curl_setopt($curl, CURLOPT_HTTP_VERSION, CURL_HTTP_VERSION_2TLS);
        self::assertNotFalse(curl_exec($curl));
        self::assertSame(CURL_HTTP_VERSION_2_0, curl_getinfo($curl, CURLINFO_HTTP_VERSION));
    }

    public function test_who_comes_when_too_many_wait_is_told_to_come_again(): void
    {
        $visitor = Visitor::ofTests();
        $visitor->signIn();
        $multi = curl_multi_init();
        $asked = [];
        for ($i = 0; $i < 300; $i++) {
            $asked[] = $curl = $visitor->request('GET', '/api/library');
            curl_setopt($curl, CURLOPT_HEADER, true);
            curl_multi_add_handle($multi, $curl);
        }
        do {
            curl_multi_exec($multi, $running);
            curl_multi_select($multi, 0.1);
        } while ($running > 0);
        $statuses = [];
        foreach ($asked as $curl) {
            $status = curl_getinfo($curl, CURLINFO_RESPONSE_CODE);
            $statuses[$status] = ($statuses[$status] ?? 0) + 1;
            self::assertLessThan(10, curl_getinfo($curl, CURLINFO_TOTAL_TIME));
            if ($status === 503) {
                self::assertStringContainsString("\nRetry-After: 2\r", (string) curl_multi_getcontent($curl));
                self::assertStringContainsString('Nothing was changed', (string) curl_multi_getcontent($curl));
            }
        }
        ksort($statuses);
        self::assertSame([200, 503], array_keys($statuses));
        self::assertSame(200, $visitor->send('GET', '/api/library')[0], 'a moment later all is well');
    }

    public function test_a_start_serves_what_changed_and_leaves_what_did_not_alone(): void
    {
        $pid = static fn (): string => trim((string) file_get_contents(TestServer::files().'/run/fpm.pid'));
        $before = $pid();
        TestServer::start();
        self::assertSame($before, $pid(), 'nothing changed');
        touch(dirname(__DIR__, 2).'/config/app.php');
        TestServer::start();
        self::assertNotSame($before, $pid());
        self::assertFileExists(TestServer::files().'/storage/framework/routes.php');
    }

    public function test_other_hosts_large_bodies_and_foreign_origins_are_refused(): void
    {
        foreach ([Visitor::ofTests(), self::overTls()] as $visitor) {
            self::assertSame(421, $visitor->send('GET', '/api/health', null, ['Host: elsewhere.example'])[0]);
            $refused = $visitor->send('POST', '/api/sign-in', str_repeat('x', 1_200_000));
            self::assertSame(413, $refused[0]);
            self::assertSame('That is too large.', $refused[1]['title'] ?? null);
            self::assertSame(
                419,
                $visitor->send(
                    'POST',
                    '/api/sign-in',
                    ['email' => 'trainer@slipway.example', 'password' => 'slipway-demo'],
                    ['Origin: https://elsewhere.example'],
                )[0],
            );
            $visitor->signIn();
            $visitor->dropToken();
            self::assertSame(419, $visitor->send('POST', '/api/sign-out')[0], 'a write without the session’s token');
        }
    }

    public function test_the_authority_vouches_for_this_machine_alone(): void
    {
        self::assertSame(200, self::overTls('127.0.0.1')->send('GET', '/api/health')[0]);
        $about = (string) shell_exec('openssl x509 -noout -text -in '.escapeshellarg(self::tls('studio-ca.crt')));
        self::assertStringContainsString('X509v3 Name Constraints: critical', $about);
        self::assertSame('0600', substr(sprintf('%o', (int) fileperms(self::tls('studio-ca.key'))), -4));

        // whoever stole the key could still vouch for nobody else
        $work = sys_get_temp_dir().'/even-rungs-tls-'.bin2hex(random_bytes(4));
        mkdir($work);
        file_put_contents($work.'/ext', "subjectAltName=DNS:bank.example\nextendedKeyUsage=serverAuth\n");
        exec(
            sprintf(
                'cd %s && openssl req -newkey rsa:2048 -nodes -subj /CN=bank.example -keyout k -out r 2>/dev/null && openssl '
                    .'x509 -req -in r -CA %s -CAkey %s -days 5 -extfile ext -out c 2>/dev/null; openssl verify -CAfile %2$s c 2>&1',
                escapeshellarg($work),
                escapeshellarg(self::tls('studio-ca.crt')),
                escapeshellarg(self::tls('studio-ca.key')),
            ),
            $said,
            $code,
        );
        exec('rm -rf '.escapeshellarg($work));
        self::assertNotSame(0, $code);
        self::assertStringContainsString('permitted subtree violation', implode(' ', $said));
    }
}
