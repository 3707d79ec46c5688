<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Clients\Erasure;
use App\Copies\ReadIn;
use App\Copies\TakeOutDocument;
use App\Models\Client;
use Illuminate\Support\Facades\DB;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * Clients with whatever a life leaves in the tables, taken out, wiped, read in and taken out again; soak asks for 2,000.
 */
final class RandomTakeOutsTest extends HttpTestCase
{
    private const CASES = 8;

    public function test_whatever_is_taken_out_comes_back_byte_for_byte(): void
    {
        $trainer = $this->signedIn();
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        $chance = new Randomizer(new Xoshiro256StarStar($seed));
        $takeOut = app(TakeOutDocument::class);
        $clients = Client::query()->where('studio_id', $trainer->studio_id)->pluck('id')->all();
        for ($i = 0; $i < (int) (getenv('EVEN_RUNGS_TAKE_OUTS') ?: self::CASES); $i++) {
            $place = $i % count($clients);
            $client = Client::query()->whereKey($clients[$place])->firstOrFail();
            self::live($client, $chance, $i);
            $before = $takeOut->client($client->refresh());
            Erasure::client($client->id);
            $clients[$place] = app(ReadIn::class)->client($trainer, $before)->id;
            $after = $takeOut->client(Client::query()->whereKey($clients[$place])->firstOrFail());
            self::assertSame($before, $after, "seed {$seed}, case {$i}");
        }
    }

    /** Something happens to rows of a client that are there. */
    private static function live(Client $client, Randomizer $chance, int $i): void
    {
        $words = ['=1+1', 'Å "ø" \'', "two\nlines", '😴', '</script>', str_repeat('ä', 150)];
        $word = static fn (): string => $words[$chance->getInt(0, count($words) - 1)];
        $maybe = static fn (mixed $value): mixed => $chance->getInt(0, 1) === 0 ? null : $value;
        $client->update(['name' => "{$i} ".mb_substr($word(), 0, 60), 'document' => [...$client->document, 'name' => "{$i}"]]);
        foreach (DB::table('logged_sessions')->where('client_id', $client->id)->pluck('id') as $log) {
            if ($chance->getInt(0, 2) > 0) {
                continue;
            }
            DB::table('logged_sessions')->where('id', $log)->update([
                'soreness' => $maybe($chance->getInt(0, 10)),
                'pain_before' => $maybe($chance->getInt(0, 10)),
                'pain_kind' => $maybe('ordinary'),
                'checked' => $chance->getInt(0, 1),
                'signs' => $maybe('["leak"]'),
                'ended' => $maybe('tired'),
                'origin' => $maybe('client'),
                'word' => $maybe($word()),
            ]);
            DB::table('logged_sets')->where('logged_session_id', $log)->limit(3)->update([
                'pain' => $maybe($chance->getInt(0, 10)),
                'range' => $maybe(0.5),
                'load_kg' => $maybe(17.5),
                'band' => $maybe(mb_substr($word(), 0, 40)),
                'faults' => $maybe('["hips-sag"]'),
                'left' => $maybe(1),
            ]);
        }
        $key = DB::table('logged_sessions')->where('client_id', $client->id)->value('key') ?? 'nothing-there';
        DB::table('log_changes')->insert([
            'studio_id' => $client->studio_id,
            'client_id' => $client->id,
            'trainer_id' => null,
            'key' => $key,
            'what' => 'edited',
            'before' => json_encode(['on' => '2026-11-01', 'word' => $word()], JSON_UNESCAPED_UNICODE),
            'reason' => $maybe($word()),
            'stops' => $maybe('{"kind":"numb","ladders":["plank"]}'),
            'created_at' => sprintf('2026-11-%02d 08:00:00', $chance->getInt(1, 28)),
        ]);
        DB::table('own_aims')->where('client_id', $client->id)->update(['words' => mb_substr($word(), 0, 80)]);
        DB::table('standings')->where('client_id', $client->id)->limit(2)->update(['step' => $chance->getInt(0, 5)]);
        DB::table('events')->insert([
            'studio_id' => $client->studio_id,
            'client_id' => $client->id,
            'trainer_id' => null,
            'act' => 'Noted',
            'detail' => mb_substr($word(), 0, 180),
            'created_at' => '2026-11-20 09:30:00',
        ]);
    }
}
