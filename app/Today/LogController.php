<?php

declare(strict_types=1);

namespace App\Today;

use App\Http\Body;
use App\Models\Client;
use App\Support\Controller;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * What was really done, and the verdicts that follow.
 */
final class LogController extends Controller
{
    public function __construct(
        private readonly Logs $logs,
        private readonly LogPage $page,
        private readonly Verdicts $verdicts,
    ) {
    }

    /** The newest logs, or those of a month. */
    public function show(Request $request, Client $client): JsonResponse
    {
        $month = $request->query('month');
        if ($month !== null && (! is_string($month) || preg_match('/^\d{4}-(0[1-9]|1[0-2])$/D', $month) !== 1)) {
            throw UnusableInput::at('/month', 'must be a month written YYYY-MM');
        }

        return new JsonResponse($this->page->of($client, $month));
    }

    public function add(Request $request, Client $client): JsonResponse
    {
        $this->logs->add($client, $this->trainer(), Body::read($request, 'LogRequest'));

        return new JsonResponse($this->page->of($client));
    }

    public function run(Request $request, Client $client, string $key): JsonResponse
    {
        return new JsonResponse(['revision' => $this->logs->run($client, $this->trainer(), $key, Body::read($request, 'LogRunRequest'))]);
    }

    public function throwAway(Client $client, string $key): JsonResponse
    {
        $this->logs->throwAway($client, $this->trainer(), $key);

        return new JsonResponse(null, 204);
    }

    public function one(Client $client, int $session): JsonResponse
    {
        return new JsonResponse($this->logs->one($client, $session));
    }

    public function edit(Request $request, Client $client, int $session): JsonResponse
    {
        $this->logs->edit($client, $this->trainer(), $session, Body::read($request, 'LogRunRequest'));

        return new JsonResponse($this->logs->one($client, $session));
    }

    public function remove(Client $client, int $session): JsonResponse
    {
        $this->logs->remove($client, $this->trainer(), $session);

        return new JsonResponse($this->page->of($client));
    }

    public function restore(Client $client, int $change): JsonResponse
    {
        $this->logs->restore($client, $this->trainer(), $change);

        return new JsonResponse($this->page->of($client));
    }

    public function export(Client $client, LogCsvFile $file): Response
    {
        return new Response($file->write($client), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="even-rungs-log.csv"',
        ]);
    }

    public function import(Request $request, Client $client, LogCsvFile $file): JsonResponse
    {
        return new JsonResponse($file->read($client, $this->trainer(), Body::read($request, 'LogImportRequest')->string('csv')));
    }

    public function answer(Request $request, Client $client): JsonResponse
    {
        $this->verdicts->answer($client, $this->trainer(), Body::read($request, 'VerdictAnswerRequest'));

        return new JsonResponse($this->page->of($client->refresh()));
    }
}
