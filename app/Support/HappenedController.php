<?php

declare(strict_types=1);

namespace App\Support;

use App\Http\Body;
use App\Models\Client;
use App\Models\Event;
use App\Models\StudioBuilder;
use App\Models\Trainer;
use DateTimeImmutable;
use EvenRungs\Core\Writing;
use EvenRungs\Formats\EventCsv;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * What happened, of a client and of the studio: newest first, by page, by who, by what.
 */
final class HappenedController extends Controller
{
    private const MOST_EXPORTED = 20_000;

    public function ofStudio(Request $request): JsonResponse
    {
        return new JsonResponse(
            RecordPage::of($request, Event::query()->ofStudio($this->trainer()->studio_id), $this->trainer()->studio_id),
        );
    }

    public function ofClient(Request $request, Client $client): JsonResponse
    {
        return new JsonResponse(RecordPage::of($request, Event::query()->ofClient($client), $this->trainer()->studio_id));
    }

    /** Something was wrong while somebody trained: when, with whom, what, and what was done. It may come in later than it was. */
    public function incident(Request $request, Happened $happened): JsonResponse
    {
        $body = Body::read($request, 'IncidentRequest');
        $id = $body->optionalString('client');
        $client = $id === null ? null : Client::query()->seenBy($this->trainer())->whereKey($id)->firstOrFail();
        $said = array_filter(
            array_map(static fn (string $part): string => trim($body->optionalString($part) ?? ''), ['what' => 'what', 'done' => 'done']),
        );
        $happened->about(
            implode(
                '; ',
                [
                    self::moment($body->string('at')),
                    $said['what'] ?? 'nothing was written down',
                    ...(isset($said['done']) ? ['done: '.$said['done']] : []),
                ],
            ),
            $client,
        );

        return new JsonResponse(null, 204);
    }

    /** A note about somebody while they train. It may come in later than it was. */
    public function note(Request $request, Happened $happened): JsonResponse
    {
        $body = Body::read($request, 'NoteRequest');
        $client = Client::query()->seenBy($this->trainer())->whereKey($body->string('client'))->firstOrFail();
        $happened->about(self::moment($body->string('at')).'; '.trim($body->string('text')), $client);

        return new JsonResponse(null, 204);
    }

    /** @param  string  $at  day and time as a device writes them */
    private static function moment(string $at): string
    {
        return Writing::day(new DateTimeImmutable(substr($at, 0, 10))).' '.substr($at, 11, 5);
    }

    public function exportOfStudio(Request $request): Response
    {
        return $this->export($request, Event::query()->ofStudio($this->trainer()->studio_id));
    }

    public function exportOfClient(Request $request, Client $client): Response
    {
        return $this->export($request, Event::query()->ofClient($client));
    }

    /** @param  StudioBuilder<Event>  $events */
    private function export(Request $request, StudioBuilder $events): Response
    {
        $trainers = Trainer::query()->ofStudio($this->trainer()->studio_id)->pluck('name', 'id');
        $clients = Client::query()->ofStudio($this->trainer()->studio_id)->pluck('name', 'id');
        $rows = [];
        foreach (RecordPage::filtered($request, $events)->ordered('id', 'desc')->atMost(self::MOST_EXPORTED)->get() as $each) {
            $rows[] = [
                'at' => $each->created_at->toIso8601ZuluString(),
                'who' => $trainers[$each->trainer_id] ?? null,
                'client' => $clients[$each->client_id] ?? null,
                'act' => $each->act,
                'detail' => $each->detail,
            ];
        }

        return new Response(EventCsv::write($rows), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="even-rungs-what-happened.csv"',
        ]);
    }
}
