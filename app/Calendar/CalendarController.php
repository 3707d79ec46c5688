<?php

declare(strict_types=1);

namespace App\Calendar;

use App\Accounts\Secret;
use App\Clients\RosterRows;
use App\Http\Body;
use App\Models\CalendarLink;
use App\Models\Client;
use App\Support\Controller;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;

/**
 * Sessions for calendar programs: as a file, and at private addresses that work where this machine is reached and can be withdrawn.
 */
final class CalendarController extends Controller
{
    /** Not oftener is it written that a calendar asked. */
    private const SEEN_EVERY_MINUTES = 10;

    public function __construct(private readonly Calendars $calendars)
    {
    }

    public function client(Client $client): Response
    {
        return self::file($this->calendars->ofClient($client), 'sessions');
    }

    public function studio(): Response
    {
        return self::file($this->calendars->ofTrainer($this->trainer()), 'studio');
    }

    /** When a client trains, and the addresses that are in use. */
    public function show(Client $client): JsonResponse
    {
        return new JsonResponse(['times' => (object) ($client->times ?? []), 'links' => $this->links($client)]);
    }

    public function times(Request $request, Client $client, RosterRows $roster): JsonResponse
    {
        $times = Body::read($request, 'CalendarTimesRequest')->opaque('times') ?? [];
        $client->update(['times' => $times === [] ? null : $times]);
        $roster->forget($client);

        return $this->show($client);
    }

    public function subscribe(Client $client): JsonResponse
    {
        return $this->issued($client);
    }

    public function ofStudio(): JsonResponse
    {
        return new JsonResponse(['links' => $this->links(null)]);
    }

    public function subscribeToStudio(): JsonResponse
    {
        return $this->issued(null);
    }

    public function withdraw(string $link): JsonResponse
    {
        $row = CalendarLink::query()->ofStudio($this->trainer()->studio_id)->whereKey($link)->firstOrFail();
        if ($row->client_id === null) {
            abort_unless($row->trainer_id === $this->trainer()->id, 404);
        } else {
            Client::query()->seenBy($this->trainer())->whereKey($row->client_id)->firstOrFail();
        }
        $row->update(['revoked_at' => $row->revoked_at ?? Carbon::now()]);

        return new JsonResponse(['withdrawn' => true]);
    }

    /** What a calendar program reads, which signs in with nothing but the address. */
    public function feed(Request $request): Response
    {
        $link = CalendarAddress::opened($request);
        abort_unless($link instanceof CalendarLink, 404);
        if ($link->seen_at === null || $link->seen_at->diffInMinutes(Carbon::now()) >= self::SEEN_EVERY_MINUTES) {
            $link->update(['seen_at' => Carbon::now()]);
        }
        if ($link->client_id === null) {
            return $this->studio();
        }

        // a client whom the trainer sees no more is not shown here either
        return $this->client(Client::query()->seenBy($this->trainer())->whereKey($link->client_id)->firstOrFail());
    }

    private static function file(string $text, string $name): Response
    {
        return new Response($text, 200, [
            'Content-Type' => 'text/calendar; charset=utf-8',
            'Content-Disposition' => sprintf('attachment; filename="%s.ics"', $name),
            'Cache-Control' => 'private, no-store',
        ]);
    }

    private function issued(?Client $client): JsonResponse
    {
        $secret = Secret::fresh();
        $link = CalendarLink::query()->create([
            'studio_id' => $this->trainer()->studio_id,
            'client_id' => $client?->id,
            'trainer_id' => $this->trainer()->id,
            'hash' => Secret::hash($secret),
        ]);

        return new JsonResponse([
            'path' => '/calendar/'.strtolower($link->id).'.'.$secret.'.ics',
            'links' => $this->links($client),
        ]);
    }

    /** @return list<array{id: string, made: string, seen: ?string}> */
    private function links(?Client $client): array
    {
        $links = CalendarLink::query()->ofStudio($this->trainer()->studio_id)->ordered('id')->get()->whereNull('revoked_at')
            ->filter(fn (CalendarLink $each): bool => $client === null
                ? $each->client_id === null && $each->trainer_id === $this->trainer()->id
                : $each->client_id === $client->id);

        return array_values($links->map(static fn (CalendarLink $each): array => [
            'id' => $each->id,
            'made' => $each->created_at->toIso8601String(),
            'seen' => $each->seen_at?->toIso8601String(),
        ])->all());
    }
}
