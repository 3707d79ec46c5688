<?php

declare(strict_types=1);

namespace Tests\Formats;

use Eris\Generator;
use Eris\TestTrait;
use EvenRungs\Core\Ladder\Sign;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Unreadable;
use EvenRungs\Formats\HomeReturn;
use EvenRungs\Formats\HomeSeal;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;

/**
 * What a client's own page sends back, there and back, sealed and typed.
 */
final class HomeReturnTest extends TestCase
{
    use TestTrait;

    private const PAGE = '01jdemo0000000000000000000';

    private const SIGNS = ['saddle-numbness', 'chest-pain', 'fainting'];

    public function test_2000_random_returns_come_back_as_they_were_sent(): void
    {
        $seal = new HomeSeal(self::PAGE, str_repeat("\x01\xfe", 16));
        for ($seed = 1; $seed <= 2000; $seed++) {
            $return = self::random($seed);
            $shape = [2 => [count($return->exercises), count($return->sets)]];
            $payload = $return->write(self::SIGNS);
            self::assertEquals($return, HomeReturn::read($payload, self::SIGNS, $shape), "seed {$seed}");
            self::assertSame($payload, $seal->open($seal->whole($payload)));
            $typed = $seal->typed($payload);
            self::assertMatchesRegularExpression('/^([0-9A-HJKMNP-TV-Z]{4}-)*[0-9A-HJKMNP-TV-Z]{1,4}$/', $typed);
            self::assertSame($payload, $seal->open(strtolower(strtr($typed, ['-' => '  ', '0' => 'O', '1' => 'l']))));
        }
    }

    public function test_no_changed_letter_opens_a_seal(): void
    {
        $seal = new HomeSeal(self::PAGE, str_repeat('k', 32));
        $payload = self::random(7)->write(self::SIGNS);
        $this->limitTo(300)->forAll(
            Generator\elements($seal->whole($payload), str_replace('-', '', $seal->typed($payload))),
            Generator\choose(0, 1000),
            Generator\elements(...str_split('0123456789ABCDEFGHJKMNPQRSTVWXYZ')),
        )->then(function (string $code, int $at, string $letter) use ($seal): void {
            $at %= strlen($code);
            if ($code[$at] !== $letter) {
                self::assertNull($seal->open(substr_replace($code, $letter, $at, 1)));
            }
        });
        self::assertNull((new HomeSeal(self::PAGE, str_repeat('l', 32)))->open($seal->whole($payload)), 'another key');
    }

    public function test_the_seal_is_hmac_with_sha_256_over_the_page_and_what_it_says(): void
    {
        // RFC 2104; over a name, the page and a zero byte after each
        $whole = (new HomeSeal(self::PAGE, 'Jefe'))->whole("\x20\x00");
        $bytes = (string) base64_decode(strtr(explode('.', $whole)[1], '-_', '+/'));
        self::assertSame(
            hash_hmac('sha256', "even-rungs/home-return/1\0".self::PAGE."\0\x20\x00", 'Jefe', true),
            substr($bytes, 2),
        );
    }

    public function test_what_ends_too_early_or_is_of_another_page_is_said(): void
    {
        $payload = self::random(3)->write(self::SIGNS);
        $shape = [2 => [count(self::random(3)->exercises), count(self::random(3)->sets)]];
        $said = [];
        foreach ([[substr($payload, 0, 5), $shape], [$payload, []], ["\xff".$payload, $shape]] as [$bytes, $of]) {
            try {
                HomeReturn::read($bytes, self::SIGNS, $of);
            } catch (Unreadable $e) {
                $said[] = $e->sentence;
            }
        }
        self::assertSame(
            ['ends too early', 'is of a session that the page does not have', 'is of another version of the page'],
            $said,
        );
    }

    private static function random(int $seed): HomeReturn
    {
        $chance = new Randomizer(new Xoshiro256StarStar($seed));
        $maybe = static fn (int $least, int $most): ?int => $chance->getInt(0, 3) === 0 ? null : $chance->getInt($least, $most);
        $kind = static fn (): ?PainKind => PainKind::cases()[$chance->getInt(0, 11)] ?? null;
        $some = static fn (array $of): array => array_values(array_filter($of, static fn (): bool => $chance->getInt(0, 1) === 1));
        $exercises = [];
        for ($i = $chance->getInt(0, 9); $i > 0; $i--) {
            $exercises[] = ['effort' => $maybe(0, 10), 'pain' => $maybe(0, 10), 'kind' => $kind()];
        }
        $sets = [];
        for ($i = $chance->getInt(0, 30); $i > 0; $i--) {
            $sets[] = [0, true, null, $chance->getInt(1, 65_535) / 10][$chance->getInt(0, 3)];
        }

        return new HomeReturn(
            2,
            $chance->getInt(0, 511),
            [null, 'time', 'tired', 'pain', 'client'][$chance->getInt(0, 4)],
            $chance->getInt(0, 32_767),
            $maybe(0, 10),
            $maybe(0, 10),
            $maybe(0, 10),
            $kind(),
            $some(self::SIGNS),
            $chance->getInt(0, 1) === 0 ? null : $some(Sign::cases()),
            $exercises,
            $sets,
            ['', 'Ging gut, nur müde 😴', 'went well'][$chance->getInt(0, 2)],
        );
    }
}
