<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Http\Middleware\SeesOwnWrites;
use App\Support\Lease;
use Illuminate\Database\Events\TransactionCommitting;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Event;
use Illuminate\Support\Facades\RateLimiter;
use PDOException;
use PHPUnit\Framework\Attributes\TestWith;

/**
 * What several nodes before one database rest on: they share counters and leases, and a commit that another node has overtaken is tried
 * again.
 */
final class NodesTest extends HttpTestCase
{
    public function test_a_job_is_one_nodes_until_its_time_is_over(): void
    {
        self::assertTrue(Lease::claim('nightly', 'a', 60));
        self::assertFalse(Lease::claim('nightly', 'b', 60));
        self::assertTrue(Lease::claim('nightly', 'a', 120), 'the holder may ask again');
        self::assertTrue(Lease::claim('other', 'b', 60), 'another job is another row');
        DB::table('leases')->where('job', 'nightly')->update(['until' => DB::raw('utc_timestamp()')]);
        self::assertTrue(Lease::claim('nightly', 'b', 60), 'whoever died holds nobody up');
        self::assertFalse(Lease::claim('nightly', 'a', 60));
    }

    public function test_a_commit_that_is_refused_is_tried_again_and_done_once(): void
    {
        $this->signedIn();
        // only what is outermost is committed
        DB::rollBack();
        $refused = 0;
        Event::listen(TransactionCommitting::class, static function () use (&$refused): void {
            if ($refused++ === 0) {
                throw new PDOException('SQLSTATE[40001]: Serialization failure: 1213 Deadlock found when trying to get lock');
            }
        });
        $client = $this->clientNamed('Maren Tidewell');
        $before = DB::table('own_aims')->where('client_id', $client->id)->count();
        $status = $this->api('POST', "/clients/{$client->id}/own-aims", ['words' => 'haul the sail alone'])->getStatusCode();
        $after = DB::table('own_aims')->where('client_id', $client->id)->count();
        DB::table('own_aims')->where('words', 'haul the sail alone')->delete();
        DB::table('events')->where('detail', 'haul the sail alone')->delete();
        self::assertSame([200, $before + 1], [$status, $after]);
        self::assertGreaterThan(1, $refused);
    }

    /** @return array{int, int} the answer's status, and how many times it was committed */
    private function whereCommitsAre(string $state, int $code, string $words = ''): array
    {
        $this->signedIn();
        DB::rollBack();
        $commits = 0;
        Event::listen(TransactionCommitting::class, static function () use (&$commits, $state, $code, $words): void {
            $commits++;
            $refused = new PDOException("SQLSTATE[{$state}]: {$code} {$words}");
            $refused->errorInfo = [$state, $code, ''];
            throw $refused;
        });
        $client = $this->clientNamed('Maren Tidewell');
        $status = $this->api('POST', "/clients/{$client->id}/own-aims", ['words' => 'haul it in'])->getStatusCode();
        self::assertSame(0, DB::table('own_aims')->where('words', 'haul it in')->count());

        return [$status, $commits];
    }

    public function test_what_is_refused_each_time_was_not_done_and_may_be_sent_again(): void
    {
        self::assertSame([503, 3], $this->whereCommitsAre('40001', 1213, 'Deadlock found when trying to get lock'));
    }

    /** Codes of MariaDB: an error during a commit, a node that the others do not hear. */
    #[TestWith([1180])]
    #[TestWith([1047])]
    public function test_a_commit_that_breaks_off_is_not_tried_again(int $code): void
    {
        self::assertSame([504, 1], $this->whereCommitsAre('HY000', $code));
    }

    public function test_where_one_database_is_nobody_waits_for_it(): void
    {
        $this->signedIn();
        $answer = $this->withCookie(SeesOwnWrites::COOKIE, '1-1-999999')->postJson('/api/emergency', ['steps' => []]);
        self::assertLessThan(400, $answer->getStatusCode());
        self::assertNull($answer->getCookie(SeesOwnWrites::COOKIE));
    }

    public function test_what_was_kept_is_not_said_to_have_failed_because_its_place_is_not_known(): void
    {
        $this->signedIn();
        // one server that is told to be a node of several knows of no order
        config(['database.several' => true]);
        $answer = $this->postJson('/api/emergency', ['steps' => ['Kept']]);
        self::assertSame([200, 'all'], [$answer->getStatusCode(), $answer->getCookie(SeesOwnWrites::COOKIE)?->getValue()]);
    }

    public function test_a_try_counts_although_its_request_was_taken_back(): void
    {
        DB::beginTransaction();
        RateLimiter::hit('somebody', 60);
        DB::rollBack();
        self::assertSame(1, RateLimiter::attempts('somebody'));
    }

    public function test_every_table_has_a_key_by_which_nodes_tell_rows_apart(): void
    {
        $without = DB::select('select t.table_name as name from information_schema.tables t '
            .'left join information_schema.table_constraints c on c.table_schema = t.table_schema and c.table_name = t.table_name '
            .'and c.constraint_type = "PRIMARY KEY" '
            .'where t.table_schema = ? and t.table_type = "BASE TABLE" and c.constraint_name is null', [DB::getDatabaseName()]);
        self::assertSame([], array_column($without, 'name'));
    }
}
