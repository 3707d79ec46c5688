<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Clients\Erasure;
use App\Models\Client;
use App\Models\Event;
use App\Models\Studio;
use App\Support\Happened;
use Illuminate\Support\Facades\DB;

/**
 * What happened is a line of the record, one for every write.
 */
final class RecordTest extends HttpTestCase
{
    public function test_a_refused_write_leaves_no_line_and_a_kept_one_exactly_one(): void
    {
        $this->signedIn();
        $client = $this->clientNamed('Bea Thwart');
        $lines = static fn (): int => Event::query()->ofClient($client)->count();
        $before = $lines();
        $this->api('POST', "/clients/{$client->id}/plan", ['version' => $client->version + 7])->assertStatus(409);
        $this->api('POST', "/clients/{$client->id}/moves", ['version' => $client->version, 'rung' => 'no-such-rung'])->assertStatus(422);
        self::assertSame($before, $lines());
        $this->api('POST', "/clients/{$client->id}/plan", ['version' => $client->version])->assertOk();
        self::assertSame($before + 1, $lines());
    }

    public function test_what_happened_is_told_by_page_by_person_by_word_and_as_csv(): void
    {
        $owner = $this->signedIn();
        $client = $this->clientNamed('Bea Thwart');
        for ($i = 0; $i < 120; $i++) {
            Happened::write($owner->studio_id, 'Moved on a ladder', $i === 7 ? '=1+1, "quoted"' : 'step '.$i, $client->id, $owner->id);
        }
        $first = $this->api('GET', "/clients/{$client->id}/happened")->assertOk()->json();
        self::assertCount(100, $first['events']);
        self::assertTrue($first['more']);
        self::assertSame('step 119', $first['events'][0]['detail']);
        $rest = $this->api('GET', "/clients/{$client->id}/happened?before=".$first['events'][99]['id'])->json();
        self::assertSame('step 19', $rest['events'][0]['detail']);
        self::assertSame(
            ['step 111'],
            array_column($this->api('GET', "/clients/{$client->id}/happened?words=step+111&who=".$owner->id)->json('events'), 'detail'),
        );
        self::assertSame(
            [],
            $this->api('GET', "/clients/{$client->id}/happened?words=%25")->json('events'),
            'a sign of the database is a sign',
        );
        $csv = (string) $this->api('GET', '/happened.csv?words=quoted')->assertOk()->getContent();
        self::assertStringContainsString('"\'=1+1, ""quoted"""', $csv);
        self::assertStringContainsString('Sanna Keel,Bea Thwart,Moved on a ladder', $csv);
    }

    public function test_an_erased_client_is_in_no_table(): void
    {
        $client = $this->clientNamed('Maren Tidewell');
        $tables = DB::table('information_schema.columns')->where(
            'table_schema',
            DB::getDatabaseName(),
        )->where('column_name', 'client_id')->pluck('table_name')->all();
        self::assertEqualsCanonicalizing(Erasure::OF_CLIENT, $tables, 'every table with something of a client is erased from');
        Erasure::client($client->id);
        self::assertNull(Client::query()->find($client->id));
        $of = DB::table('information_schema.columns')->where(
            'table_schema',
            DB::getDatabaseName(),
        )->where('column_name', 'studio_id')->pluck('table_name')->all();
        self::assertEqualsCanonicalizing([...Erasure::OF_CLIENT, ...Erasure::OF_STUDIO], $of, 'and of a studio');
        Erasure::studio($client->studio_id);
        self::assertNull(Studio::query()->find($client->studio_id));
    }
}
