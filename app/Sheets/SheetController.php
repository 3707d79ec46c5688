<?php

declare(strict_types=1);

namespace App\Sheets;

use App\Http\Body;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Progress;
use App\Models\Client;
use App\Support\Controller;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * What a client takes home, as a page and as PDF.
 */
final class SheetController extends Controller
{
    public function __construct(private readonly SheetPage $sheets, private readonly SheetView $view)
    {
    }

    /** How many pages the sheet has on paper, and how much is left out for that. */
    public function show(Request $request, Client $client): JsonResponse
    {
        $choice = SheetChoice::of($request);
        [$detail, $pages] = $this->view->fit($this->sheets->asked($client, $choice), $choice);

        return new JsonResponse(['pages' => $pages, 'detail' => $detail]);
    }

    /** The sheet as a page of its own, to be looked at and printed. */
    public function html(Request $request, Client $client): Response
    {
        return new Response($this->page($request, $client, true), 200, [
            'Content-Type' => 'text/html; charset=utf-8',
            SecurityHeaders::PAPER => '1',
        ]);
    }

    public function pdf(Request $request, Client $client): Response
    {
        return new Response($this->view->pdf($this->page($request, $client, false), SheetChoice::of($request)), 200, [
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
                $sheet = $this->sheets->asked($client, $choice);
                $sheets[] = [...$sheet, 'detail' => $this->view->fit($sheet, $choice)[0]];
            } catch (UnusableInput $e) {
                $without[] = $e->problems[0]->path === '/week' ? $client->name : throw $e;
            }
        }
        if ($sheets === []) {
            throw UnusableInput::at('/clients', 'none of them has a week to take home');
        }
        $progress->came(count($clients), count($clients) + 1);

        return new JsonResponse([
            'pdf' => base64_encode($this->view->pdf($this->view->html($sheets, $choice), $choice)),
            'sheets' => count($sheets),
            'without' => $without,
        ]);
    }

    /** The stations of a group, a card each. */
    public function stations(Request $request, StationPage $stations): JsonResponse
    {
        $choice = SheetChoice::of($request);
        $cards = $stations->of($this->trainer(), Body::read($request, 'GroupRequest'), $choice);

        return new JsonResponse(['pdf' => base64_encode($this->view->pdf($this->view->page('stations', $cards, false), $choice))]);
    }

    /** The page, with as much left out as the request says, or as its pages ask for. */
    private function page(Request $request, Client $client, bool $carriesFonts): string
    {
        $choice = SheetChoice::of($request);
        $sheet = $this->sheets->asked($client, $choice);
        $told = $request->query('detail');
        $detail = is_numeric($told) ? max(0, min(SheetView::LEAST_DETAIL, (int) $told)) : $this->view->fit($sheet, $choice)[0];

        return $this->view->html([[...$sheet, 'detail' => $detail]], $choice, $carriesFonts);
    }
}
