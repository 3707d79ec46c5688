<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Models\Trainer;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

/**
 * Who signs in: counted by the cleaned address and by the network address, and as slow for a name that nobody has as for one that
 * somebody has.
 */
final class SignIn
{
    private const WAIT_S = 60;

    private const TRIES_BY_ADDRESS = 5;

    private const TRIES_BY_NETWORK = 30;

    /** The hash of random bytes, as costly to compare as a real one. */
    private const OF_NOBODY = '$2y$12$RiPF6PIEfT4IMGxScAnHRulkSdGyeQshBut3VCew85ubB7zgawbuG';

    private const NOBODY = 'No account has this address with this password.';

    public function __construct(private readonly SecondFactor $codes)
    {
    }

    /**
     * @throws UnusableInput at /email, or at /code where only the code of the second factor is missing or wrong
     * @throws TooManyRequestsHttpException
     */
    public function by(string $typed, #[\SensitiveParameter] string $password, ?string $code, ?string $network): Trainer
    {
        $keys = ['sign-in-network:'.$network => self::TRIES_BY_NETWORK];
        self::refuseAfter($keys);
        try {
            $email = Address::clean($typed);
        } catch (UnusableInput $e) {
            self::count($keys);
            throw $e;
        }
        $keys['sign-in:'.$email] = self::TRIES_BY_ADDRESS;
        self::refuseAfter($keys);
        $trainer = Trainer::query()->where('email', $email)->first();
        $matches = Hash::check($password, $trainer->password ?? self::OF_NOBODY);
        if ($trainer === null || ! $matches || $trainer->disabled_at !== null) {
            self::count($keys);
            throw UnusableInput::at('/email', self::NOBODY);
        }
        if ($trainer->asksForCode()) {
            if ($code === null || trim($code) === '') {
                throw UnusableInput::at('/code', 'Type the code that your authenticator shows now, or one of your recovery codes.');
            }
            if (! $this->codes->takes($trainer, $code)) {
                self::count($keys);
                throw UnusableInput::at('/code', 'This code is not right now. Type the next one, or one of your recovery codes.');
            }
        }
        RateLimiter::clear('sign-in:'.$email);

        return $trainer;
    }

    /**
     * Counts a wrong try of somebody who is signed in and asked for their password.
     *
     * @throws UnusableInput at /current
     * @throws TooManyRequestsHttpException
     */
    public function again(Trainer $trainer, #[\SensitiveParameter] string $password): void
    {
        $keys = ['password:'.$trainer->id => self::TRIES_BY_ADDRESS];
        self::refuseAfter($keys);
        if (! Hash::check($password, $trainer->password)) {
            self::count($keys);
            throw UnusableInput::at('/current', 'This is not the password now.');
        }
        RateLimiter::clear('password:'.$trainer->id);
    }

    /**
     * Counts the tries of a link.
     *
     * @throws TooManyRequestsHttpException
     */
    public function withLink(?string $network): void
    {
        $keys = ['link-network:'.$network => self::TRIES_BY_NETWORK];
        self::refuseAfter($keys);
        self::count($keys);
    }

    /** @param  array<string, int>  $keys  tries that are let through, by key */
    private static function refuseAfter(array $keys): void
    {
        foreach ($keys as $key => $tries) {
            if (RateLimiter::tooManyAttempts($key, $tries)) {
                throw new TooManyRequestsHttpException(RateLimiter::availableIn($key));
            }
        }
    }

    /** @param  array<string, int>  $keys */
    private static function count(array $keys): void
    {
        foreach (array_keys($keys) as $key) {
            RateLimiter::hit($key, self::WAIT_S);
        }
    }
}
