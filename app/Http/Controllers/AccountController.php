<?php

declare(strict_types=1);

namespace App\Http\Controllers;

use App\Http\Body;
use App\Models\Studio;
use App\Models\Trainer;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use Illuminate\Support\Facades\Hash;
use Illuminate\Support\Facades\RateLimiter;
use Symfony\Component\HttpKernel\Exception\TooManyRequestsHttpException;

final class AccountController extends Controller
{
    private const TRIES = 5;

    private const WAIT_S = 60;

    public function signIn(Request $request): JsonResponse
    {
        $body = Body::read($request, 'SignInRequest');
        $email = mb_strtolower(trim($body->string('email')));
        $key = 'sign-in:'.$email.'|'.$request->ip();
        if (RateLimiter::tooManyAttempts($key, self::TRIES)) {
            throw new TooManyRequestsHttpException(RateLimiter::availableIn($key));
        }
        if (! Auth::attempt(['email' => $email, 'password' => $body->string('password')])) {
            RateLimiter::hit($key, self::WAIT_S);
            throw UnusableInput::at('/email', 'No account has this address with this password.');
        }
        RateLimiter::clear($key);
        $request->session()->regenerate();

        return $this->me();
    }

    public function signOut(Request $request): JsonResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        return new JsonResponse(null, 204);
    }

    /** Ends every session of this account, this one too. */
    public function signOutEverywhere(Request $request): JsonResponse
    {
        DB::table('sessions')->where('user_id', $this->trainer()->id)->delete();

        return $this->signOut($request);
    }

    /** Changes the password and ends every other session. */
    public function changePassword(Request $request): JsonResponse
    {
        $body = Body::read($request, 'PasswordRequest');
        $trainer = $this->trainer();
        if (! Hash::check($body->string('current'), $trainer->password)) {
            throw UnusableInput::at('/current', 'This is not the password now.');
        }
        DB::transaction(function () use ($trainer, $body, $request): void {
            $trainer->password = $body->string('password');
            $trainer->save();
            DB::table('sessions')->where('user_id', $trainer->id)->where('id', '!=', $request->session()->getId())->delete();
        });

        return new JsonResponse(null, 204);
    }

    public function me(): JsonResponse
    {
        $trainer = Trainer::query()->with('studio')->findOrFail($this->trainer()->id);

        return new JsonResponse(['name' => $trainer->name, 'email' => $trainer->email, 'studio' => $trainer->studio->name, 'studio_id' => $trainer->studio_id, 'emergency_steps' => $trainer->studio->emergencySteps()]);
    }

    /** Writes the studio's own emergency steps; none at all goes back to the usual ones. */
    public function emergency(Request $request): JsonResponse
    {
        $steps = array_values(array_filter(array_map(trim(...), Body::read($request, 'EmergencyRequest')->strings('steps')), static fn (string $step): bool => $step !== ''));
        DB::transaction(fn () => Studio::query()->whereKey($this->trainer()->studio_id)->firstOrFail()->update(['emergency_steps' => $steps === [] ? null : $steps]));

        return $this->me();
    }
}
