<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\Trainer;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Crypt;

/**
 * The second factor that somebody may choose: codes of an authenticator, and recovery codes for the day it is lost.
 */
final class SecondFactor
{
    private const RECOVERY_CODES = 10;

    private const ISSUER = 'Even Rungs';

    /** @return array{secret: string, uri: string} to type or to scan; it counts once a code of it was given */
    public function begin(Trainer $trainer): array
    {
        $secret = OneTimeCode::newSecret();
        $trainer->update(
            ['code_secret' => Crypt::encryptString($secret), 'code_confirmed_at' => null, 'code_step' => 0, 'recovery_codes' => null],
        );
        $typed = OneTimeCode::base32($secret);

        return [
            'secret' => implode(' ', str_split($typed, 4)),
            'uri' => sprintf(
                'otpauth://totp/%s:%s?secret=%s&issuer=%s',
                rawurlencode(self::ISSUER),
                rawurlencode($trainer->email),
                $typed,
                rawurlencode(self::ISSUER),
            ),
        ];
    }

    /**
     * @return list<string> recovery codes, shown this once
     *
     * @throws UnusableInput where the code is not of the new secret
     */
    public function confirm(Trainer $trainer, string $code): array
    {
        $step = self::stepOf($trainer, $code);
        if ($step === null) {
            throw UnusableInput::at(
                '/code',
                'This is not the code that the authenticator shows now. Check its clock, and type the next one.',
            );
        }
        $codes = array_map(static fn (): string => implode('-', str_split(bin2hex(random_bytes(5)), 5)), range(1, self::RECOVERY_CODES));
        $trainer->update(
            ['code_confirmed_at' => Carbon::now(), 'code_step' => $step, 'recovery_codes' => array_map(self::hash(...), $codes)],
        );

        return $codes;
    }

    public function end(Trainer $trainer): void
    {
        $trainer->update(['code_secret' => null, 'code_confirmed_at' => null, 'code_step' => 0, 'recovery_codes' => null]);
    }

    /** The step of the clock that a code is of; none where it is of no step that is left. */
    private static function stepOf(Trainer $trainer, string $code): ?int
    {
        return $trainer->code_secret === null ? null : OneTimeCode::match(
            Crypt::decryptString($trainer->code_secret),
            self::digits($code),
            Carbon::now()->getTimestamp(),
            $trainer->code_step,
        );
    }

    /** Takes a code of the authenticator, or one of the recovery codes, which is gone then. */
    public function takes(Trainer $trainer, string $code): bool
    {
        $step = self::stepOf($trainer, $code);
        if ($step !== null) {
            $trainer->update(['code_step' => $step]);

            return true;
        }
        $hash = self::hash(strtolower(trim($code)));
        $left = $trainer->recovery_codes ?? [];
        $kept = array_values(array_filter($left, static fn (string $each): bool => ! hash_equals($each, $hash)));
        if (count($kept) === count($left)) {
            return false;
        }
        $trainer->update(['recovery_codes' => $kept]);

        return true;
    }

    private static function digits(string $code): string
    {
        return (string) preg_replace('/\s+/', '', $code);
    }

    private static function hash(string $code): string
    {
        return hash('sha256', $code);
    }
}
