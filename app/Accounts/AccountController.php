<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Clients\RosterRows;
use App\Http\Body;
use App\Models\Studio;
use App\Models\Trainer;
use App\Support\Controller;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\WordFiles;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;

/**
 * One's own account, and the session it is used in.
 */
final class AccountController extends Controller
{
    public function __construct(
        private readonly SignIn $gate,
        private readonly SecondFactor $codes,
        private readonly WordFiles $words,
    ) {
    }

    public function signIn(Request $request): JsonResponse
    {
        $body = Body::read($request, 'SignInRequest');
        $trainer = DB::transaction(
            fn (): Trainer => $this->gate->by(
                $body->string('email'),
                $body->string('password'),
                $body->optionalString('code'),
                $request->ip(),
            ),
        );

        return $this->signedIn($request, $trainer);
    }

    public function signOut(Request $request): JsonResponse
    {
        Auth::logout();
        $request->session()->invalidate();
        $request->session()->regenerateToken();

        // what the browser kept of answers to ask after them again
        return new JsonResponse(null, 204, ['Clear-Site-Data' => '"cache"']);
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
        $this->gate->again($trainer, $body->string('current'));
        NewPassword::check($body->string('password'), [$trainer->email, $trainer->name, $trainer->studio->name]);
        $trainer->password = $body->string('password');
        $trainer->save();
        DB::table('sessions')->where('user_id', $trainer->id)->where('id', '!=', $request->session()->getId())->delete();

        return new JsonResponse(null, 204);
    }

    public function beginSecondFactor(Request $request): JsonResponse
    {
        $trainer = $this->trainer();
        $this->gate->again($trainer, Body::read($request, 'CurrentPasswordRequest')->string('current'));

        return new JsonResponse($this->codes->begin($trainer));
    }

    public function confirmSecondFactor(Request $request): JsonResponse
    {
        return new JsonResponse(
            ['recovery_codes' => $this->codes->confirm($this->trainer(), Body::read($request, 'CodeRequest')->string('code'))],
        );
    }

    public function endSecondFactor(Request $request): JsonResponse
    {
        $this->gate->again($this->trainer(), Body::read($request, 'CurrentPasswordRequest')->string('current'));
        $this->codes->end($this->trainer());

        return $this->me();
    }

    public function me(): JsonResponse
    {
        $trainer = $this->trainer();
        $studio = $trainer->studio;

        return new JsonResponse([
            'id' => $trainer->id,
            'name' => $trainer->name,
            'email' => $trainer->email,
            'role' => $trainer->role->value,
            'second_factor' => $trainer->asksForCode(),
            'recovery_codes_left' => count($trainer->recovery_codes ?? []),
            'doses' => $trainer->doses,
            'studio' => $studio->name,
            'studio_id' => $studio->id,
            'settings' => $studio->only(Studio::SETTINGS),
            'languages' => array_map(
                fn (string $each): array => ['id' => $each, 'name' => $this->words->words($each)->name],
                $this->words->languages(),
            ),
            'emergency_steps' => $studio->emergencySteps(),
            'bands' => $studio->bands ?? [],
            'kit' => (object) ($studio->kit ?? []),
            'device_key' => base64_encode(hash_hmac('sha256', 'device '.$trainer->id, (string) config('app.key'), true)),
        ]);
    }

    /** How doses are shown to whoever is signed in. */
    public function doses(Request $request): JsonResponse
    {
        $this->trainer()->update(['doses' => Body::read($request, 'DosesRequest')->string('doses')]);

        return $this->me();
    }

    /** Writes the studio's own emergency steps; none at all goes back to the usual ones. */
    public function emergency(Request $request): JsonResponse
    {
        $this->studio()->update(['emergency_steps' => Studios::emergencySteps(Body::read($request, 'EmergencyRequest')->strings('steps'))]);

        return $this->me();
    }

    /** Writes the studio's list of bands, lightest first. */
    public function bands(Request $request): JsonResponse
    {
        $this->studio()->update(['bands' => Studios::bands(Body::read($request, 'BandsRequest'))]);

        return $this->me();
    }

    /** Writes how many pieces of kit the studio has. */
    public function kit(Request $request, DataFolder $data): JsonResponse
    {
        $this->studio()->update(['kit' => Studios::kit(Body::read($request, 'KitRequest'), $data->library()) ?: null]);

        return $this->me();
    }

    /** Changes the studio's name and settings. */
    public function settings(Request $request, RosterRows $rows): JsonResponse
    {
        $body = Body::read($request, 'StudioRequest');
        $this->studio()->update(['name' => Studios::name($body->string('name'), '/name'), ...Studios::settings($body->child('settings'))]);
        $rows->forgetAll($this->trainer()->studio_id);

        return $this->me();
    }

    private function studio(): Studio
    {
        return $this->trainer()->studio;
    }
}
