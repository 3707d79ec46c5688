<?php

declare(strict_types=1);

namespace App\Referral;

use App\Http\Middleware\SecurityHeaders;
use App\Models\Client;
use App\Sheets\SheetChoice;
use App\Sheets\SheetView;
use App\Support\Controller;
use EvenRungs\Formats\Json;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * What a clinician is told of a client: as a page, as PDF, and as FHIR R4.
 */
final class ReferralController extends Controller
{
    public function __construct(private readonly SummaryPage $summary, private readonly SheetView $view)
    {
    }

    public function html(Request $request, Client $client): Response
    {
        return new Response($this->page($request, $client, true), 200, [
            'Content-Type' => 'text/html; charset=utf-8',
            SecurityHeaders::PAPER => '1',
        ]);
    }

    public function pdf(Request $request, Client $client): Response
    {
        return self::file(
            $this->view->pdf($this->page($request, $client, false), SheetChoice::of($request)),
            'application/pdf',
            "summary-{$client->id}.pdf",
        );
    }

    public function fhir(Client $client): Response
    {
        return self::file(Json::encode($this->summary->bundle($client)), 'application/fhir+json', "client-{$client->id}.fhir.json");
    }

    private function page(Request $request, Client $client, bool $carriesFonts): string
    {
        return $this->view->page(
            'summary',
            ['summary' => $this->summary->of($client), 'choice' => SheetChoice::of($request)],
            $carriesFonts,
        );
    }

    private static function file(string $content, string $type, string $name): Response
    {
        return new Response($content, 200, [
            'Content-Type' => $type,
            'Content-Disposition' => sprintf('attachment; filename="%s"', $name),
        ]);
    }
}
