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
use ZipArchive;

/**
 * What was really done, and the verdicts that follow.
 */
final class LogController extends Controller
{
    public function __construct(
        private readonly LogHistoryView $history,
        private readonly LogPage $page,
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

    public function add(Request $request, Client $client, AddLog $log): JsonResponse
    {
        $log->from($client, $this->trainer(), Body::read($request, 'LogRequest'));

        return new JsonResponse($this->page->of($client));
    }

    public function run(Request $request, Client $client, string $key, KeepRun $run): JsonResponse
    {
        return new JsonResponse(['revision' => $run->as($client, $this->trainer(), $key, Body::read($request, 'LogRunRequest'))]);
    }

    public function throwAway(Client $client, string $key, RemoveLog $log): JsonResponse
    {
        $log->throwAway($client, $this->trainer(), $key);

        return new JsonResponse(null, 204);
    }

    public function one(Client $client, int $session): JsonResponse
    {
        return new JsonResponse($this->history->one($client, $session));
    }

    public function edit(Request $request, Client $client, int $session, EditLog $log): JsonResponse
    {
        $log->as($client, $this->trainer(), $session, Body::read($request, 'LogRunRequest'));

        return new JsonResponse($this->history->one($client, $session));
    }

    public function remove(Request $request, Client $client, int $session, RemoveLog $log): JsonResponse
    {
        $reason = Body::read($request, 'RemoveLogRequest')->optionalString('reason');
        $log->off($client, $this->trainer(), $session, $reason);

        return new JsonResponse($this->page->of($client));
    }

    public function restore(Client $client, int $change, RemoveLog $log): JsonResponse
    {
        $log->restore($client, $this->trainer(), $change);

        return new JsonResponse($this->page->of($client));
    }

    public function export(Client $client, LogCsvFile $file): Response
    {
        return new Response($file->write($client), 200, [
            'Content-Type' => 'text/csv; charset=utf-8',
            'Content-Disposition' => 'attachment; filename="even-rungs-log.csv"',
        ]);
    }

    /** The logs of everybody whom the trainer sees, a table a client, in one archive. */
    public function exportAll(LogCsvFile $file): Response
    {
        $path = (string) tempnam(storage_path('framework/cache'), 'logs');
        $zip = new ZipArchive;
        $zip->open($path, ZipArchive::OVERWRITE);
        foreach (Client::query()->seenBy($this->trainer())->ordered('name')->get() as $client) {
            $name = trim((string) preg_replace('/[^\pL\pN]+/u', '-', $client->name), '-');
            $zip->addFromString("{$name}-{$client->id}.csv", $file->write($client));
        }
        $zip->close();
        $content = is_file($path) ? (string) file_get_contents($path) : '';
        @unlink($path);
        abort_if($content === '', 404);

        return new Response($content, 200, [
            'Content-Type' => 'application/zip',
            'Content-Disposition' => 'attachment; filename="even-rungs-logs.zip"',
        ]);
    }

    public function import(Request $request, Client $client, LogCsvFile $file): JsonResponse
    {
        return new JsonResponse($file->read($client, $this->trainer(), Body::read($request, 'LogImportRequest')->string('csv')));
    }

    public function answer(Request $request, Client $client, AcceptVerdict $verdicts): JsonResponse
    {
        $verdicts->answer($client, $this->trainer(), Body::read($request, 'VerdictAnswerRequest'));

        return new JsonResponse($this->page->of($client->refresh()));
    }
}
