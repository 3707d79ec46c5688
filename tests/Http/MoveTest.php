<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Accounts\SecondFactor;
use App\Clients\Erasure;
use App\Copies\MoveDocument;
use App\Copies\TakeOutDocument;
use App\Models\Client;
use App\Models\Studio;
use App\Models\Trainer;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Encryption\Encrypter;
use Illuminate\Support\Facades\Artisan;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;

/**
 * A studio on its way to another cluster: what a take-out leaves behind goes along, and everything keeps its number.
 */
final class MoveTest extends HttpTestCase
{
    public function test_passwords_second_factors_links_and_numbers_go_along(): void
    {
        $owner = $this->signedIn();
        app(SecondFactor::class)->begin($owner);
        $secret = Crypt::decryptString((string) $owner->refresh()->code_secret);
        $path = $this->api('POST', '/calendar/links')->assertOk()->json('path');
        $clients = Client::query()->ofStudio($owner->studio_id)->ordered('id')->pluck('name', 'id')->all();
        $copy = app(TakeOutDocument::class)->studio($owner->studio);
        $moved = iterator_to_array(app(MoveDocument::class)->out($owner->studio));
        Erasure::studio($owner->studio_id);
        $this->get($path)->assertNotFound();

        // the other cluster has a key of its own
        Crypt::swap(new Encrypter(random_bytes(32), 'AES-256-CBC'));
        $studio = app(MoveDocument::class)->in($moved);

        self::assertSame($owner->studio_id, $studio->id);
        self::assertSame($clients, Client::query()->ofStudio($studio->id)->ordered('id')->pluck('name', 'id')->all());
        $there = Trainer::query()->findOrFail($owner->id);
        self::assertSame($owner->password, $there->password);
        self::assertSame($secret, Crypt::decryptString((string) $there->code_secret));
        $this->get($path)->assertOk();
        $last = DB::table('events')->where('studio_id', $studio->id)->orderByDesc('id');
        self::assertSame('Moved to another cluster', $last->value('act'));
        $last->limit(1)->delete();
        self::assertSame($copy, app(TakeOutDocument::class)->studio($studio));
    }

    public function test_whose_address_somebody_has_there_stays_where_they_are(): void
    {
        $owner = $this->signedIn();
        $moved = iterator_to_array(app(MoveDocument::class)->out($owner->studio));
        Erasure::studio($owner->studio_id);
        $other = Studio::query()->create(['name' => 'Another Studio']);
        Trainer::query()->create([
            'studio_id' => $other->id,
            'name' => 'Somebody',
            'email' => 'second@slipway.example',
            'password' => 'not used here',
            'role' => 'owner',
        ]);
        try {
            app(MoveDocument::class)->in($moved);
            self::fail('taken');
        } catch (UnusableInput $e) {
            self::assertStringContainsString('second@slipway.example', $e->problems[0]->message);
        }
        self::assertNull(Studio::query()->find($owner->studio_id), 'nothing of it was kept');
    }

    public function test_what_broke_off_on_its_way_is_not_kept(): void
    {
        $owner = $this->signedIn();
        $moved = iterator_to_array(app(MoveDocument::class)->out($owner->studio));
        Erasure::studio($owner->studio_id);
        foreach ([array_slice($moved, 0, -1), [...array_slice($moved, 0, -1), substr((string) end($moved), 0, -9)], []] as $part) {
            try {
                app(MoveDocument::class)->in($part);
                self::fail('kept');
            } catch (UnusableInput) {
                self::assertNull(Studio::query()->find($owner->studio_id));
            }
        }
        self::assertSame($owner->studio_id, app(MoveDocument::class)->in($moved)->id);
    }

    public function test_of_two_who_move_a_studio_at_once_one_does(): void
    {
        $studio = $this->signedIn()->studio_id;
        $say = static function (string $act, string ...$words): string {
            $code = Artisan::call('studio:places', ['act' => $act, 'words' => $words]);

            return $code.' '.trim(Artisan::output());
        };
        self::assertSame('0 ', $say('put', 'pier.localhost', $studio, 'a'));
        self::assertSame('0 ', $say('put', 'slipway.localhost', $studio, 'a'), 'another name in place of the first');
        self::assertSame('0 ', $say('put', 'slipway.localhost', $studio, 'a'), 'the same again');
        self::assertSame('1 ', $say('put', 'slipway.localhost', str_repeat('0', 26), 'a'), 'a name is one studio’s');
        self::assertSame('0 slipway.localhost a', $say('map'));
        self::assertSame('0 ', $say('begin', 'slipway.localhost', 'b'));
        self::assertSame('1 ', $say('begin', 'slipway.localhost', 'c'));
        self::assertSame('0 ', $say('begin', 'slipway.localhost', 'b'), 'a move that broke off goes on');
        self::assertSame('0 slipway.localhost moving', $say('map'));
        self::assertSame('0 ', $say('end', 'slipway.localhost'));
        self::assertSame("0 {$studio} b", $say('of', 'slipway.localhost'));
        self::assertSame('0 slipway.localhost b', $say('map'));
    }
}
