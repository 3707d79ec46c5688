<?php

declare(strict_types=1);

namespace App\Sheets;

use App\Http\Body;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Progress;
use App\Models\Client;
use App\Models\Studio;
use App\Planning\BoardLoader;
use App\Planning\PresentWeek;
use App\Support\Controller;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\WordFiles;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * What a client takes home, as a page and as PDF.
 */
final class SheetController extends Controller
{
    public function __construct(
        private readonly BoardLoader $boards,
        private readonly ClientSheet $sheets,
        private readonly SheetPdf $pdf,
        private readonly WordFiles $words,
    ) {
    }

    /** How many pages the sheet has on paper, and how much is left out for that. */
    public function show(Request $request, Client $client): JsonResponse
    {
        $choice = SheetChoice::of($request);
        [$detail, $pages] = $this->pdf->fit($this->sheet($client, $choice), $choice);

        return new JsonResponse(['pages' => $pages, 'detail' => $detail]);
    }

    /** The sheet as a page of its own, to be looked at and printed. */
    public function html(Request $request, Client $client): Response
    {
        [$sheet, $choice] = $this->asked($request, $client);

        return new Response($this->pdf->html([$sheet], $choice, true), 200, [
            'Content-Type' => 'text/html; charset=utf-8',
            SecurityHeaders::PAPER => '1',
        ]);
    }

    public function pdf(Request $request, Client $client): Response
    {
        [$sheet, $choice] = $this->asked($request, $client);

        return new Response($this->pdf->of($this->pdf->html([$sheet], $choice), $choice), 200, [
            'Content-Type' => 'application/pdf',
            'Content-Disposition' => sprintf('attachment; filename="sheet-%s.pdf"', $client->id),
        ]);
    }

    /** The sheets of many in one file, the present week of each; who has no week is named. */
    public function pile(Request $request, Progress $progress): JsonResponse
    {
        $choice = SheetChoice::of($request);
        $ids = Body::read($request, 'SheetPileRequest')->strings('clients');
        $clients = Client::query()->seenBy($this->trainer())->ordered('name')->whereKey($ids)->get();
        $sheets = $without = [];
        foreach ($clients as $i => $client) {
            $progress->came($i, count($clients) + 1);
            try {
                $sheet = $this->sheet($client, $choice);
                $sheets[] = [...$sheet, 'detail' => $this->pdf->fit($sheet, $choice)[0]];
            } catch (UnusableInput) {
                $without[] = $client->name;
            }
        }
        if ($sheets === []) {
            throw UnusableInput::at('/clients', 'none of them has a week to take home');
        }
        $progress->came(count($clients), count($clients) + 1);

        return new JsonResponse([
            'pdf' => base64_encode($this->pdf->of($this->pdf->html($sheets, $choice), $choice)),
            'sheets' => count($sheets),
            'without' => $without,
        ]);
    }

    /** @return array{array<string, mixed>, SheetChoice} the sheet with how much is left out of it, and how it is wanted */
    private function asked(Request $request, Client $client): array
    {
        $choice = SheetChoice::of($request);
        $sheet = $this->sheet($client, $choice);
        $told = $request->query('detail');
        $detail = is_numeric($told) ? max(0, min(SheetPdf::LEAST_DETAIL, (int) $told)) : $this->pdf->fit($sheet, $choice)[0];

        return [[...$sheet, 'detail' => $detail], $choice];
    }

    /**
     * @return array<string, mixed>
     *
     * @throws UnusableInput where there is no such week
     */
    private function sheet(Client $client, SheetChoice $choice): array
    {
        $board = $this->boards->load($client);
        $words = $this->words->words($choice->language);
        $number = $choice->week ?? ($board->program === null ? 1 : PresentWeek::of($board->program));
        $week = $board->program->weeks[$number - 1] ?? throw UnusableInput::at('/week', 'there is no such week in the program');

        return $this->sheets->of($board, $week, Studio::query()->findOrFail($client->studio_id), $words);
    }
}
