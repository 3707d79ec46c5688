<?php

declare(strict_types=1);

namespace App\Line;

use App\Http\Body;
use App\Models\Client;
use App\Models\LineCheck;
use App\Support\Controller;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Review\Line\FloorRange;
use EvenRungs\Core\Review\Line\JudgedLine;
use EvenRungs\Core\Review\Line\LineJudge;
use EvenRungs\Core\Review\Line\Watch;
use EvenRungs\Formats\LineJson;
use EvenRungs\Formats\NamedRung;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * The line of a body in pictures: judged, watched live, kept.
 */
final class LineController extends Controller
{
    public function __construct(private readonly DataFolder $data, private readonly LinesPage $page, private readonly KeptLines $kept)
    {
    }

    public function judge(Request $request): JsonResponse
    {
        $line = Body::read($request, 'LineRequest')->child('line');
        [$rung, $marks] = LineJson::read($line, $this->data->library());

        return new JsonResponse($this->page->judged($rung, $line->guard(static fn (): JudgedLine => LineJudge::judge($rung, $marks))));
    }

    /** Samples of a live line: what the newest that can be judged shows, and whether the hold is over. */
    public function watch(Request $request): JsonResponse
    {
        $body = Body::read($request, 'WatchRequest');
        $rung = NamedRung::at($body, 'rung', $this->data->library());
        $state = $body->optionalChild('state');
        $watch = $body->guard(static fn (): Watch => Watch::at(
            $body->optionalInt('may_be_off_ms') ?? Watch::USUAL_MS,
            $state?->optionalInt('began_ms'),
            $state?->optionalInt('off_since_ms'),
            $state?->optionalInt('seen_ms'),
            $state?->strings('faults') ?? [],
        ));
        $latest = null;
        $body->each('samples', function (Node $sample) use ($rung, &$watch, &$latest): void {
            $line = $this->seen($rung, $sample);
            $watch = $watch->with($sample->int('at_ms'), $line);
            $latest = $line ?? $latest;
        });
        $library = $this->data->library();

        return new JsonResponse([
            'latest' => $latest === null ? null : $this->page->judged($rung, $latest),
            'state' => [
                'began_ms' => $watch->beganMs,
                'off_since_ms' => $watch->offSinceMs,
                'seen_ms' => $watch->seenMs,
                'faults' => $watch->faults,
            ],
            'held_s' => round($watch->heldMs() / 1000, 1),
            'over' => $watch->isOver,
            'suggests' => array_map(
                fn (string $fault): array => $this->page->suggested($rung, $fault),
                array_values(array_filter($watch->faults, static fn (string $fault): bool => isset($library->faults[$fault]))),
            ),
        ]);
    }

    /** What a sample shows; null where nothing was found in it. */
    private function seen(Rung $rung, Node $sample): ?JudgedLine
    {
        if (! $sample->has('points') && ! $sample->has('level')) {
            return null;
        }
        $marks = LineJson::marks($sample);
        if ($marks->points !== [] && ($rung->line->joints ?? []) === []) {
            throw UnusableInput::at($sample->path('points'), sprintf('%s has no line that is judged from the side', $rung->name));
        }

        return LineJudge::judge($rung, $marks);
    }

    /** How far a wheel or a ball went over the floor, from a known length in the same picture. */
    public function range(Request $request): JsonResponse
    {
        $body = Body::read($request, 'RangeRequest');

        return new JsonResponse(['cm' => $body->guard(static fn (): int => FloorRange::cm(
            $body->number('known_cm'),
            LineJson::pair($body->child('known')),
            LineJson::pair($body->child('went')),
        ))]);
    }

    public function show(Client $client): JsonResponse
    {
        return new JsonResponse($this->page->of($client));
    }

    public function keep(Request $request, Client $client): JsonResponse
    {
        $this->kept->keep($client, $this->trainer(), Body::read($request, 'KeepLineRequest'));

        return $this->show($client);
    }

    public function remove(Client $client, int $line): JsonResponse
    {
        $this->kept->remove($client, $line);

        return $this->show($client);
    }

    public function allow(Request $request, Client $client): JsonResponse
    {
        $this->kept->allow($client, $this->trainer(), Body::read($request, 'LineConsentRequest'));

        return $this->show($client);
    }

    public function withdraw(Client $client): JsonResponse
    {
        $this->kept->withdraw($client);

        return $this->show($client);
    }

    public function picture(Client $client, int $line): Response
    {
        $picture = LineCheck::query()->ofClient($client)->whereKey($line)->first()?->picture;
        if ($picture === null) {
            abort(404);
        }

        return new Response((string) base64_decode($picture, true), 200, [
            'Content-Type' => 'image/jpeg',
            'Cache-Control' => 'private, no-store',
            'X-Content-Type-Options' => 'nosniff',
        ]);
    }
}
