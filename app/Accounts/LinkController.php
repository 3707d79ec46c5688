<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Http\Body;
use App\Models\Link;
use App\Models\Studio;
use App\Models\Trainer;
use App\Support\Controller;
use App\Support\Happened;
use EvenRungs\Core\Client\Emergency;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * What somebody may do who has nothing but a one-time link.
 */
final class LinkController extends Controller
{
    private const TRIES = 3;

    public function __construct(private readonly Links $links, private readonly Studios $studios, private readonly SignIn $gate)
    {
    }

    /** What a link is for. */
    public function look(Request $request): JsonResponse
    {
        $link = $this->links->find($this->body($request, 'LinkRequest')->string('token'));

        return new JsonResponse([
            'kind' => $link->kind,
            'studio' => $link->studio_id === null ? null : Studio::query()->whereKey($link->studio_id)->value('name'),
            'name' => $link->name,
            'email' => $link->email,
            'role' => $link->role?->value,
            'emergency_steps' => $link->kind === Links::SET_UP ? Emergency::USUAL_STEPS : null,
        ]);
    }

    public function setUp(Request $request): JsonResponse
    {
        $body = $this->body($request, 'SetUpRequest');

        return $this->signedIn($request, $this->used($body, Links::SET_UP, function () use ($body): Trainer {
            if (Studio::query()->exists()) {
                throw UnusableInput::at('/token', 'The studio is set up already. Sign in.');
            }
            $trainer = $this->studios->begin(
                $body->string('studio'),
                $body->child('settings'),
                Studios::emergencySteps($body->strings('emergency_steps')),
                $body->string('name'),
                $body->string('email'),
                $body->string('password'),
            );
            Happened::write($trainer->studio_id, 'Set the studio up', null, null, $trainer->id);

            return $trainer;
        }));
    }

    public function join(Request $request): JsonResponse
    {
        $body = $this->body($request, 'JoinRequest');

        return $this->signedIn($request, $this->used($body, Links::INVITATION, function (Link $link) use ($body): Trainer {
            $trainer = $this->studios->join(
                Studio::query()->whereKey($link->studio_id)->firstOrFail(),
                $body->string('name'),
                (string) $link->email,
                $link->role ?? throw UnusableInput::at('/token', 'This link joins nobody.'),
                $body->string('password'),
            );
            Happened::write($trainer->studio_id, 'Joined the studio', $trainer->role->value, null, $trainer->id);

            return $trainer;
        }));
    }

    /** Sets a new password and ends every session; signing in is asked for after it, with the second factor where there is one. */
    public function password(Request $request): JsonResponse
    {
        $body = $this->body($request, 'NewPasswordRequest');

        $this->used($body, Links::PASSWORD, function (Link $link) use ($body): Trainer {
            $trainer = Trainer::query()->with('studio')->whereKey($link->trainer_id)->firstOrFail();
            if ($trainer->disabled_at !== null) {
                throw UnusableInput::at('/token', 'This account is disabled. Ask the owner of the studio.');
            }
            NewPassword::check($body->string('password'), [$trainer->email, $trainer->name, $trainer->studio->name]);
            $trainer->update(['password' => $body->string('password')]);
            DB::table('sessions')->where('user_id', $trainer->id)->delete();
            Happened::write($trainer->studio_id, 'Chose a new password by a link', null, null, $trainer->id);

            return $trainer;
        });

        return new JsonResponse(null, 204);
    }

    private function body(Request $request, string $component): Node
    {
        $this->gate->withLink($request->ip());

        return Body::read($request, $component);
    }

    /** @param  callable(Link): Trainer  $act */
    private function used(Node $body, string $kind, callable $act): Trainer
    {
        return DB::transaction(function () use ($body, $kind, $act): Trainer {
            $link = $this->links->find($body->string('token'), true);
            if ($link->kind !== $kind) {
                throw UnusableInput::at('/token', 'This link is for something else.');
            }
            $trainer = $act($link);
            $link->update(['used_at' => Carbon::now()]);

            return $trainer;
        }, self::TRIES);
    }
}
