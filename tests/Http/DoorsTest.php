<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Clients\RosterPage;
use App\Models\Event;
use App\Models\LoggedSession;
use App\Today\Logs;
use Illuminate\Contracts\Debug\ExceptionHandler;
use Illuminate\Database\QueryException;
use Illuminate\Support\Facades\DB;
use PDOException;
use RuntimeException;

/**
 * Doors that were found open: what comes from outside ends in an answer that says what was wrong, and in a log that stays short.
 */
final class DoorsTest extends HttpTestCase
{
    private const SETS = [['rung' => 'dead-bug-opposite', 'side' => 'left', 'target' => 10, 'done' => 10]];

    private function logged(): string
    {
        return (string) @file_get_contents(storage_path('logs/app-'.date('Y-m-d').'.log'));
    }

    public function test_what_the_sender_did_wrong_is_no_error_of_the_server(): void
    {
        $this->signedIn();
        $client = $this->clientNamed('Bea Thwart');
        $before = strlen($this->logged());
        $this->api('POST', "/clients/{$client->id}/moves", ['version' => 999999, 'rung' => 'plank'])->assertStatus(409);
        $this->api('POST', "/clients/{$client->id}/moves", ['version' => $client->version, 'rung' => 'no-such'])->assertStatus(422);
        $this->api('POST', '/words', '{"words":')->assertStatus(422);
        $this->api('GET', '/clients/nobody/board')->assertNotFound();
        self::assertSame($before, strlen($this->logged()));
    }

    public function test_an_error_of_somebody_unknown_is_one_line_of_at_most_500_bytes(): void
    {
        $before = strlen($this->logged());
        $this->app->make(ExceptionHandler::class)->report(new RuntimeException(str_repeat("long\n", 40_000)));
        $line = substr($this->logged(), $before);
        self::assertSame(1, substr_count($line, "\n"));
        self::assertLessThanOrEqual(500, strlen($line));
        self::assertStringContainsString('RuntimeException', $line);
        self::assertStringNotContainsString(base_path(), $line);
    }

    public function test_numbers_beyond_range_and_addresses_that_are_no_text_are_refused(): void
    {
        $this->signedIn();
        $client = $this->clientNamed('Bea Thwart');
        foreach ([
            'logs/99999999999999999999',
            'logs/999999999999999999',
            'sessions/99999999999999999999/1',
            'floor/1/999999999999999999',
            'logs/0x1',
            'programs/a/weeks/99999999999999999999',
        ] as $path) {
            $this->api('GET', "/clients/{$client->id}/{$path}")->assertNotFound();
        }
        foreach ([
            "/api/clients/{$client->id}/happened?words=%ff%fe",
            '/api/rungs?name=%80',
            '/api/clients/%00',
            "/api/clients/{$client->id}/happened?before=99999999999999999999999",
        ] as $address) {
            self::assertContains($this->call('GET', $address)->getStatusCode(), [200, 400, 404, 422], $address);
        }
        self::assertSame(400, $this->call('GET', '/api/rungs?name=%ff')->getStatusCode());
        $this->api('GET', "/clients/{$client->id}/happened?who[]=1&words[]=2")->assertOk();
    }

    public function test_empty_blocks_with_a_fix_are_refused_at_the_field(): void
    {
        $this->signedIn();
        $program = fn (array $sessions): array => [
            'format' => 'even-rungs/program',
            'version' => 1,
            'weeks' => [['sessions' => $sessions]],
        ];
        $bent = [
            $program([['format' => 'even-rungs/session', 'version' => 1, 'kind' => 'standalone', 'day' => 'mon', 'blocks' => []]]),
            $program([]),
            ['format' => 'even-rungs/program', 'version' => 1, 'weeks' => []],
        ];
        foreach ($bent as $each) {
            foreach (['/weeks/0/sessions/0/blocks/0', '/weeks/9', '/', '', '/weeks/0'] as $where) {
                $this->api('POST', '/audit/fix', ['program' => $each, 'rule' => 'time.claim', 'where' => $where])->assertStatus(422);
            }
        }
    }

    public function test_a_run_of_a_device_whose_clock_is_off_is_taken_with_both_times(): void
    {
        $this->travelTo('2027-03-10 18:00');
        $this->signedIn();
        $client = $this->clientNamed('Bea Thwart');
        $run = fn (string $key, string $on, string $says) => $this->api(
            'PUT',
            "/clients/{$client->id}/logs/run/{$key}",
            ['revision' => 1, 'open' => true, 'on' => $on, 'device_time' => $says, 'sets' => self::SETS],
        )->assertOk();

        $run('clock-ahead-1', '2027-05-02', '2027-05-02T18:00:05Z');
        $run('clock-behind-1', '2020-01-01', '2020-01-01T18:00:00.000Z');
        $run('clock-right-1', '2027-03-09', '2027-03-10T18:03:00Z');
        $kept = LoggedSession::query()->ofClient($client)->among(
            'key',
            ['clock-ahead-1', 'clock-behind-1', 'clock-right-1'],
        )->get()->keyBy('key');
        self::assertSame(
            ['2027-03-10', '2027-03-10', '2027-03-09'],
            [$kept['clock-ahead-1']->on, $kept['clock-behind-1']->on, $kept['clock-right-1']->on],
        );
        self::assertSame('2027-05-02T18:00:05Z', $kept['clock-ahead-1']->device_time);
        self::assertSame('2027-03-10 18:00:00', (string) $kept['clock-ahead-1']->received_at);
        self::assertNull($kept['clock-right-1']->device_time);
        self::assertSame(
            1,
            Event::query()->ofClient($client)->where('detail', 'like', '%the clock of the device said 2020-01-01%')->count(),
        );
        // without a word about its clock a day ahead is still no day
        $this->api(
            'PUT',
            "/clients/{$client->id}/logs/run/clock-unsaid-1",
            ['revision' => 1, 'open' => true, 'on' => '2027-05-02', 'sets' => self::SETS],
        )->assertStatus(422);
    }

    public function test_a_database_that_is_down_is_said_as_such(): void
    {
        $this->signedIn();
        $this->app->bind(
            RosterPage::class,
            static fn () => throw new QueryException(
                'mariadb',
                'select 1',
                [],
                new PDOException('SQLSTATE[HY000] [2002] Connection refused', 2002),
            ),
        );
        $answer = $this->api('GET', '/clients')->assertStatus(503);
        self::assertSame('5', $answer->headers->get('Retry-After'));
    }

    public function test_a_write_that_gave_way_to_another_is_tried_again(): void
    {
        $owner = $this->signedIn();
        $client = $this->clientNamed('Bea Thwart');
        $tries = 0;
        $real = app(Logs::class);
        $this->app->bind(Logs::class, function () use (&$tries, $real): Logs {
            if ($tries++ < 2) {
                throw new QueryException(
                    'mariadb',
                    'insert',
                    [],
                    new PDOException('SQLSTATE[40001]: Serialization failure: 1213 Deadlock found when trying to get lock', 40001),
                );
            }

            return $real;
        });
        $this->api(
            'PUT',
            "/clients/{$client->id}/logs/run/gave-way-1",
            ['revision' => 1, 'open' => true, 'on' => date('Y-m-d'), 'sets' => self::SETS],
        )->assertOk();
        self::assertGreaterThan(2, $tries);
        self::assertSame(1, LoggedSession::query()->ofClient($client)->where('key', 'gave-way-1')->count());
        self::assertSame(
            1,
            Event::query()->ofClient($client)->where('act', 'Ran a session')->where('trainer_id', $owner->id)->where(
                'created_at',
                '>=',
                now()->subMinute(),
            )->count(),
        );
    }

    public function test_a_year_of_logs_comes_in_whole_or_not_at_all(): void
    {
        $this->signedIn();
        $client = $this->clientNamed('Tove Rudder');
        $lines = ['date,log,exercise,side,target,done,unit,faults,pain,breathing'];
        for ($day = 0; $day < 150; $day++) {
            $on = date('Y-m-d', strtotime("-{$day} days"));
            for ($set = 0; $set < 20; $set++) {
                $lines[] = sprintf(
                    '%s,year-of-logs-%d,dead-bug-opposite,%s,10,10,reps,none,0,yes',
                    $on,
                    $day,
                    $set % 2 === 0 ? 'left' : 'right',
                );
            }
        }
        $queries = 0;
        DB::listen(static function () use (&$queries): void {
            $queries++;
        });
        $bent = $lines;
        $bent[2900] = str_replace(',10,10,', ',10,ten,', $bent[2900]);
        $this->api('POST', "/clients/{$client->id}/logs/import", ['csv' => implode("\n", $bent)])->assertStatus(422);
        self::assertSame(0, LoggedSession::query()->ofClient($client)->where('key', 'like', 'year-of-logs-%')->count());
        $queries = 0;
        $this->api(
            'POST',
            "/clients/{$client->id}/logs/import",
            ['csv' => implode("\n", $lines)],
        )->assertOk()->assertJsonPath('added', 150);
        self::assertLessThan(150 * 12, $queries, 'the work grows with the sessions, not with the sets');
        self::assertSame(3000, DB::table('logged_sets')->where('client_id', $client->id)->where('ladder', 'dead-bug')->count());
    }
}
