<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Accounts\NewPassword;
use EvenRungs\Formats\UnusableInput;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * Passwords: which are weak, how long they may be, and how often one may try.
 */
final class PasswordsTest extends HttpTestCase
{
    private const GOOD = 'harbour seal on the pier';

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

    public function test_the_password_is_not_tried_again_and_again_by_whoever_sits_at_an_open_page(): void
    {
        $this->signedIn();
        foreach (range(1, 5) as $i) {
            $this->api('POST', '/password', ['current' => 'wrong '.$i, 'password' => self::GOOD])->assertStatus(422);
        }
        $this->api('POST', '/password', ['current' => 'slipway-demo', 'password' => self::GOOD])->assertStatus(429);
    }
}
