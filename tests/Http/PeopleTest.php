<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Accounts\Links;
use App\Accounts\NewPassword;
use App\Accounts\OneTimeCode;
use App\Clients\Erasure;
use App\Models\Link;
use App\Models\Studio;
use App\Models\Trainer;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * Links, passwords, codes: how somebody comes in, and how not.
 */
final class PeopleTest extends HttpTestCase
{
    public function test_something_that_was_wrong_is_a_line_of_the_record_by_its_own_clock(): void
    {
        $this->signedIn();
        $client = $this->clientNamed('Bea Thwart')->id;
        $this->api(
            'POST',
            '/incidents',
            ['at' => '2026-11-26T17:42', 'client' => $client, 'what' => 'dizzy after the plank', 'done' => 'lay down, water'],
        )->assertNoContent();
        $line = $this->api('GET', "/clients/{$client}/happened")->assertOk()->json('events.0');
        self::assertSame('Something was wrong', $line['act']);
        self::assertStringEndsWith('17:42; dizzy after the plank; done: lay down, water', $line['detail']);
        $this->api('POST', '/incidents', ['at' => '2026-11-26T25:42'])->assertStatus(422)->assertJsonPath('errors.0.path', '/at');
        $this->api('POST', '/incidents', ['at' => '2026-11-26T17:42', 'client' => 'nobody'])->assertNotFound();
        $this->signedIn('clinic@slipway.example');
        $this->api('POST', '/incidents', ['at' => '2026-11-26T17:42'])->assertForbidden();
    }

    private const SETTINGS = [
        'units' => 'imperial',
        'first_day' => 'sun',
        'date_format' => 'mdy',
        'time_format' => '12h',
        'time_zone' => 'America/Chicago',
    ];

    private const GOOD = 'harbour seal on the pier';

    public function test_an_empty_machine_is_set_up_once(): void
    {
        foreach (Studio::query()->pluck('id') as $studio) {
            Erasure::studio($studio);
        }
        $token = app(Links::class)->setUp();
        $asked = [
            'token' => $token,
            'studio' => 'Quay Four',
            'name' => 'Nils Capstan',
            'email' => 'nils@quay.example',
            'password' => self::GOOD,
            'settings' => self::SETTINGS,
            'emergency_steps' => ['Stop.', ' '],
        ];
        $this->api('POST', '/links/look', ['token' => $token])->assertOk()->assertJsonPath('kind', 'set-up');
        $this->api(
            'POST',
            '/links/set-up',
            ['password' => 'short'] + $asked,
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/password');
        $this->api(
            'POST',
            '/links/set-up',
            ['settings' => ['time_zone' => 'Mars/Base'] + self::SETTINGS] + $asked,
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/settings/time_zone');
        self::assertSame(0, Studio::query()->count(), 'what was refused left nothing');
        $this->api(
            'POST',
            '/links/set-up',
            $asked,
        )->assertOk()->assertJsonPath('studio', 'Quay Four')->assertJsonPath('role', 'owner')->assertJsonPath(
            'settings.units',
            'imperial',
        )->assertJsonPath('emergency_steps', ['Stop.']);
        $this->api('GET', '/clients')->assertOk();
        $this->app->make('auth')->forgetGuards();
        $this->api(
            'POST',
            '/links/set-up',
            ['email' => 'two@quay.example'] + $asked,
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/token');
    }

    public function test_an_invitation_works_once_for_whom_it_was_made_and_can_be_taken_back(): void
    {
        $this->signedIn();
        $invited = $this->api(
            'POST',
            '/people/invitations',
            ['name' => 'Dr Fender', 'email' => 'fender@slipway.example', 'role' => 'reader'],
        )->assertCreated()->json('path');
        $gone = $this->api(
            'POST',
            '/people/invitations',
            ['name' => 'Nobody', 'email' => 'nobody@slipway.example', 'role' => 'trainer'],
        )->json('path');
        $this->api(
            'POST',
            '/people/invitations',
            ['name' => 'Twice', 'email' => 'second@slipway.example', 'role' => 'trainer'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/email');
        $open = $this->api('GET', '/people')->json('invitations');
        self::assertSame(['Dr Fender', 'Nobody'], array_column($open, 'name'));
        $this->api('POST', "/people/invitations/{$open[1]['id']}/revoke")->assertOk();

        $this->app->make('auth')->forgetGuards();
        $token = substr($invited, strlen('/join/'));
        self::assertStringNotContainsString(
            explode('.', $token)[1],
            (string) json_encode(Link::query()->get()),
            'the secret itself is kept nowhere',
        );
        $this->api(
            'POST',
            '/links/join',
            ['token' => substr($gone, strlen('/join/')), 'name' => 'X', 'password' => self::GOOD],
        )->assertStatus(422)->assertJsonPath('errors.0.message', 'This link was taken back. Ask for a new one.');
        $this->api(
            'POST',
            '/links/join',
            ['token' => $token.'x', 'name' => 'X', 'password' => self::GOOD],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/token');
        $this->api(
            'POST',
            '/links/password',
            ['token' => $token, 'password' => self::GOOD],
        )->assertStatus(422)->assertJsonPath('errors.0.message', 'This link is for something else.');
        $this->api(
            'POST',
            '/links/join',
            ['token' => $token, 'name' => 'Dr Fender', 'password' => self::GOOD],
        )->assertOk()->assertJsonPath('role', 'reader')->assertJsonPath('email', 'fender@slipway.example');
        self::assertSame([], $this->api('GET', '/clients')->json('clients'), 'nothing is shared yet');
        $this->app->make('auth')->forgetGuards();
        $this->api(
            'POST',
            '/links/join',
            ['token' => $token, 'name' => 'Again', 'password' => self::GOOD],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/token');

        $old = app(Links::class)->issue(
            Links::INVITATION,
            ['studio_id' => Studio::query()->value('id'), 'name' => 'Old', 'email' => 'old@slipway.example', 'role' => 'trainer'],
        );
        $this->travel(8)->days();
        $this->api(
            'POST',
            '/links/join',
            ['token' => $old, 'name' => 'Old', 'password' => self::GOOD],
        )->assertStatus(422)->assertJsonPath('errors.0.message', 'This link is too old. Ask for a new one.');
    }

    public function test_a_forgotten_password_is_chosen_anew_by_a_link_that_signs_nobody_in(): void
    {
        $this->signedIn();
        $second = Trainer::query()->where('email', 'second@slipway.example')->firstOrFail();
        $first = $this->api('POST', "/people/{$second->id}/password")->assertCreated()->json('path');
        $path = $this->api('POST', "/people/{$second->id}/password")->assertCreated()->json('path');
        $this->app->make('auth')->forgetGuards();
        $this->api(
            'POST',
            '/links/password',
            ['token' => substr($first, strlen('/new-password/')), 'password' => self::GOOD],
        )->assertStatus(422);
        $this->api(
            'POST',
            '/links/password',
            ['token' => substr($path, strlen('/new-password/')), 'password' => self::GOOD],
        )->assertNoContent();
        $this->api('GET', '/me')->assertStatus(401);
        $this->api('POST', '/sign-in', ['email' => 'second@slipway.example', 'password' => 'slipway-demo'])->assertStatus(422);
        $this->api('POST', '/sign-in', ['email' => 'second@slipway.example', 'password' => self::GOOD])->assertOk();
    }

    /**
     * RFC 4226, appendix D: HOTP values of the secret "12345678901234567890".
     */
    public function test_codes_by_counter_are_those_of_rfc_4226(): void
    {
        $expected = ['755224', '287082', '359152', '969429', '338314', '254676', '287922', '162583', '399871', '520489'];
        self::assertSame(
            $expected,
            array_map(static fn (int $counter): string => OneTimeCode::at('12345678901234567890', $counter), range(0, 9)),
        );
    }

    /** @return list<array{int, string, string, string}> RFC 6238, appendix B: time, algorithm, seed, eight digits */
    public static function timedCodes(): array
    {
        $seeds = [
            'sha1' => '12345678901234567890',
            'sha256' => '12345678901234567890123456789012',
            'sha512' => '1234567890123456789012345678901234567890123456789012345678901234',
        ];
        $table = [
            59 => [
                '94287082',
                '46119246',
                '90693936',
            ], 1111111109 => ['07081804', '68084774', '25091201'], 1111111111 => ['14050471', '67062674', '99943326'],
            1234567890 => [
                '89005924',
                '91819424',
                '93441116',
            ], 2000000000 => ['69279037', '90698825', '38618901'], 20000000000 => ['65353130', '77737706', '47863826'],
        ];
        $rows = [];
        foreach ($table as $time => $codes) {
            foreach (array_keys($seeds) as $i => $algorithm) {
                $rows[] = [$time, $algorithm, $seeds[$algorithm], $codes[$i]];
            }
        }

        return $rows;
    }

    #[DataProvider('timedCodes')]
    public function test_codes_by_time_are_those_of_rfc_6238(int $time, string $algorithm, string $seed, string $code): void
    {
        self::assertSame($code, OneTimeCode::at($seed, OneTimeCode::step($time), 8, $algorithm));
    }

    /** RFC 4648, section 10. */
    public function test_secrets_are_written_in_base32(): void
    {
        self::assertSame(
            ['MY', 'MZXQ', 'MZXW6', 'MZXW6YQ', 'MZXW6YTB', 'MZXW6YTBOI'],
            array_map(OneTimeCode::base32(...), ['f', 'fo', 'foo', 'foob', 'fooba', 'foobar']),
        );
    }

    public function test_the_second_factor_is_asked_for_once_it_is_confirmed_and_no_code_counts_twice(): void
    {
        $trainer = $this->signedIn();
        $this->api('POST', '/second-factor', ['current' => 'wrong'])->assertStatus(422)->assertJsonPath('errors.0.path', '/current');
        $this->api('POST', '/second-factor', ['current' => 'slipway-demo'])->assertOk();
        $secret = Crypt::decryptString((string) $trainer->refresh()->code_secret);
        $now = fn (int $ahead = 0): string => OneTimeCode::at($secret, OneTimeCode::step(now()->getTimestamp()) + $ahead);
        self::assertFalse($trainer->asksForCode(), 'not before a code was given');
        $this->api(
            'POST',
            '/second-factor/confirm',
            ['code' => $now() === '000000' ? '111111' : '000000'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/code');
        $recovery = $this->api('POST', '/second-factor/confirm', ['code' => $now()])->assertOk()->json('recovery_codes');
        self::assertCount(10, array_unique($recovery));

        $signIn = function (?string $code): int {
            $this->app->make('auth')->forgetGuards();

            return $this->api(
                'POST',
                '/sign-in',
                ['email' => 'trainer@slipway.example', 'password' => 'slipway-demo'] + ($code === null ? [] : ['code' => $code]),
            )->getStatusCode();
        };
        self::assertSame(422, $signIn(null));
        self::assertSame(422, $signIn($now()), 'the code that confirmed it is used up');
        self::assertSame(200, $signIn($now(1)), 'a clock half a minute off is well');
        self::assertSame(422, $signIn($now(1)));
        self::assertSame(200, $signIn($recovery[3]));
        self::assertSame(422, $signIn($recovery[3]));
        $this->travel(2)->minutes();
        $code = $now();
        $this->travel(10)->minutes();
        self::assertSame(422, $signIn($code), 'an old code');
        self::assertSame(9, count($trainer->refresh()->recovery_codes ?? []));
        self::assertStringNotContainsString($recovery[0], (string) json_encode(DB::table('trainers')->get()));
    }

    /** @return array<string, array{string}> */
    public static function weak(): array
    {
        return [
            'too short' => ['elevenchars'], 'common' => ['qwerty123456'], 'common with signs after it' => ['Password1234!'],
            'published' => ['slipway-demo'],
            'one word again and again' => ['tiptiptiptip'], 'digits' => ['847362518273'],
            'their own name' => ['with sanna keel inside'], 'the studio' => ['at slipway studio 9'],
            'over 72 bytes' => [str_repeat('ab cd é ', 10)],
        ];
    }

    #[DataProvider('weak')]
    public function test_a_weak_password_is_refused_at_the_field(string $password): void
    {
        $this->signedIn();
        $this->api(
            'POST',
            '/password',
            ['current' => 'slipway-demo', 'password' => $password],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/password');
    }

    public function test_seventy_two_bytes_are_the_border_and_every_one_of_them_counts(): void
    {
        $this->signedIn();
        $longest = substr(str_repeat('a bc def ghij klmn ', 5), 0, 71);
        $this->api('POST', '/password', ['current' => 'slipway-demo', 'password' => $longest.'X'])->assertNoContent();
        $this->app->make('auth')->forgetGuards();
        $this->api('POST', '/sign-in', ['email' => 'trainer@slipway.example', 'password' => $longest.'Y'])->assertStatus(422);
        $this->api('POST', '/sign-in', ['email' => 'trainer@slipway.example', 'password' => $longest.'X'])->assertOk();
        $this->expectException(UnusableInput::class);
        NewPassword::check($longest.'XX');
    }

    public function test_tries_are_counted_by_the_cleaned_address_and_by_the_network(): void
    {
        foreach ([
            'Deckhand@slipway.example',
            ' deckhand@slipway.example',
            'DECKHAND@slipway.example',
            'deckhand@slipway.example',
            'deckhand@Slipway.example ',
        ] as $typed) {
            $this->api('POST', '/sign-in', ['email' => $typed, 'password' => 'wrong'])->assertStatus(422);
        }
        $refused = $this->api('POST', '/sign-in', ['email' => 'deckhand@slipway.example', 'password' => 'wrong'])->assertStatus(429);
        self::assertGreaterThan(0, (int) $refused->headers->get('Retry-After'));
        for ($i = 0; $i < 25; $i++) {
            $this->api('POST', '/sign-in', ['email' => "hand{$i}@slipway.example", 'password' => 'wrong'])->assertStatus(422);
        }
        $this->api('POST', '/sign-in', ['email' => 'somebody@slipway.example', 'password' => 'wrong'])->assertStatus(429);
    }

    public function test_addresses_with_what_cannot_be_seen_or_looks_alike_are_refused(): void
    {
        foreach ([
            "trainer\u{200B}@slipway.example",
            "tr\u{0430}iner@slipway.example",
            "trainer@slipway.example\u{FEFF}",
            'trainer@ slipway.example',
        ] as $typed) {
            $this->api(
                'POST',
                '/sign-in',
                ['email' => $typed, 'password' => 'slipway-demo'],
            )->assertStatus(422)->assertJsonPath('errors.0.path', '/email');
        }
        $this->signedIn();
        $this->api(
            'POST',
            '/people/invitations',
            ['name' => 'X', 'email' => "second\u{200D}@slipway.example", 'role' => 'trainer'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/email');
    }

    public function test_the_password_is_not_tried_again_and_again_by_whoever_sits_at_an_open_page(): void
    {
        $this->signedIn();
        foreach (range(1, 5) as $i) {
            $this->api('POST', '/password', ['current' => 'wrong '.$i, 'password' => self::GOOD])->assertStatus(422);
        }
        $this->api('POST', '/password', ['current' => 'slipway-demo', 'password' => self::GOOD])->assertStatus(429);
    }

    public function test_nobody_who_is_not_signed_in_leaves_a_session(): void
    {
        $this->app['config']->set('session.driver', 'signed-in');
        $before = DB::table('sessions')->count();
        $this->get('/sign-in')->assertOk();
        $this->api('GET', '/health');
        $this->api('POST', '/sign-in', ['email' => 'nobody@slipway.example', 'password' => 'wrong']);
        self::assertSame($before, DB::table('sessions')->count());
        $this->api('POST', '/sign-in', ['email' => 'trainer@slipway.example', 'password' => 'slipway-demo'])->assertOk();
        self::assertSame($before + 1, DB::table('sessions')->count());
    }
}
