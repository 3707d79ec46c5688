<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Accounts\OneTimeCode;
use Illuminate\Support\Facades\Crypt;
use Illuminate\Support\Facades\DB;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * The second factor: one-time codes by counter and time, asked for once they are confirmed.
 */
final class SecondFactorTest extends HttpTestCase
{
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
}
