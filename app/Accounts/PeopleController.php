<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Http\Body;
use App\Models\Client;
use App\Models\Link;
use App\Models\StudioBuilder;
use App\Models\Trainer;
use App\Support\Controller;
use App\Support\Happened;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * Who works in the studio, and with whom.
 */
final class PeopleController extends Controller
{
    public function __construct(private readonly Links $links, private readonly Studios $studios, private readonly Happened $happened)
    {
    }

    public function index(): JsonResponse
    {
        $studio = $this->trainer()->studio_id;
        $clients = DB::table('client_trainer')->where(
            'studio_id',
            $studio,
        )->selectRaw('trainer_id, count(*) as clients')->groupBy('trainer_id')->pluck(
            'clients',
            'trainer_id',
        );

        return new JsonResponse([
            'people' => Trainer::query()->ofStudio($studio)->ordered('name')->get()->map(static fn (Trainer $each): array => [
                'id' => $each->id,
                'name' => $each->name,
                'email' => $each->email,
                'role' => $each->role->value,
                'disabled' => $each->disabled_at !== null,
                'second_factor' => $each->asksForCode(),
                'clients' => (int) ($clients[$each->id] ?? 0),
            ])->all(),
            'invitations' => $this->invitations()->where(
                'expires_at',
                '>',
                Carbon::now(),
            )->ordered('created_at')->get()->map(static fn (Link $each): array => [
                'id' => $each->id,
                'name' => $each->name,
                'email' => $each->email,
                'role' => $each->role?->value,
                'made_by' => $each->made_by,
                'expires_at' => $each->expires_at->toIso8601ZuluString(),
            ])->all(),
        ]);
    }

    /** The link is in the answer, once: it is printed or copied, and nothing is sent. */
    public function invite(Request $request): JsonResponse
    {
        $body = Body::read($request, 'InvitationRequest');
        $role = Role::from($body->string('role'));
        $name = Studios::name($body->string('name'), '/name');
        $email = $this->studios->free($body->string('email'));
        $this->happened->about(sprintf('%s as %s', $name, $role->value));
        $token = $this->links->issue(
            Links::INVITATION,
            [
                'studio_id' => $this->trainer()->studio_id,
                'name' => $name,
                'email' => $email,
                'role' => $role,
                'made_by' => $this->trainer()->name,
            ],
        );

        return new JsonResponse(['path' => '/join/'.$token], 201);
    }

    public function revoke(string $link): JsonResponse
    {
        $found = $this->invitations()->whereKey($link)->locked()->firstOrFail();
        $found->update(['revoked_at' => Carbon::now()]);
        $this->happened->about((string) $found->name);

        return $this->index();
    }

    public function role(Request $request, string $person): JsonResponse
    {
        $role = Role::from(Body::read($request, 'RoleRequest')->string('role'));
        $found = $this->person($person);
        $this->happened->about(sprintf('%s, now %s', $found->name, $role->value));
        $this->studios->promote($found, $role);

        return $this->index();
    }

    public function disable(string $person): JsonResponse
    {
        $found = $this->person($person);
        $this->happened->about($found->name);
        $this->studios->disable($found);

        return $this->index();
    }

    public function enable(string $person): JsonResponse
    {
        $found = $this->person($person);
        $this->happened->about($found->name);
        $found->update(['disabled_at' => null]);

        return $this->index();
    }

    /** A link with which somebody chooses a new password. */
    public function password(string $person): JsonResponse
    {
        $found = $this->person($person);
        $this->happened->about($found->name);

        return new JsonResponse(['path' => '/new-password/'.$this->links->newPassword($found, $this->trainer()->name)], 201);
    }

    /** Whose client this is. */
    public function trainersOf(Client $client): JsonResponse
    {
        $theirs = DB::table('client_trainer')->where('client_id', $client->id)->pluck('trainer_id')->all();

        return new JsonResponse(['trainers' => Trainer::query()
            ->ofStudio($client->studio_id)
            ->ordered('name')
            ->get()
            ->map(static fn (Trainer $each): array => [
                'id' => $each->id,
                'name' => $each->name,
                'role' => $each->role->value,
                'disabled' => $each->disabled_at !== null,
                'theirs' => in_array($each->id, $theirs, true),
            ])->all()]);
    }

    public function assign(Request $request, Client $client): JsonResponse
    {
        $wanted = array_values(array_unique(Body::read($request, 'TrainersRequest')->strings('trainers')));
        $found = Trainer::query()->ofStudio($client->studio_id)->among('id', $wanted)->pluck('name', 'id');
        if (count($found) !== count($wanted)) {
            throw UnusableInput::at('/trainers', 'Somebody in this list does not work in this studio.');
        }
        DB::table('client_trainer')->where('client_id', $client->id)->delete();
        DB::table('client_trainer')->insert(
            array_map(
                static fn (string $id): array => ['client_id' => $client->id, 'trainer_id' => $id, 'studio_id' => $client->studio_id],
                $wanted,
            ),
        );
        $this->happened->about($found->isEmpty() ? 'nobody but the owners' : $found->sort()->implode(', '));

        return $this->trainersOf($client);
    }

    private function person(string $id): Trainer
    {
        return Trainer::query()->ofStudio($this->trainer()->studio_id)->whereKey($id)->locked()->firstOrFail();
    }

    /** @return StudioBuilder<Link> that nobody has used or taken back */
    private function invitations(): StudioBuilder
    {
        return Link::query()->ofStudio($this->trainer()->studio_id)->where(
            'kind',
            Links::INVITATION,
        )->where('used_at', null)->where('revoked_at', null);
    }
}
