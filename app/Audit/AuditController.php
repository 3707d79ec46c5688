<?php

declare(strict_types=1);

namespace App\Audit;

use App\Http\Body;
use App\Models\Client;
use App\Planning\BoardLoader;
use App\Planning\ClientPlanner;
use App\Planning\FitView;
use App\Planning\ProgramFile;
use App\Support\Controller;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Style\Style;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * Audits of programs from anywhere. Nothing is stored.
 */
final class AuditController extends Controller
{
    public function __construct(
        private readonly Audits $audits,
        private readonly AuditView $view,
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly ClientPlanner $planner,
        private readonly ProgramFile $files,
    ) {
    }

    public function read(Request $request): JsonResponse
    {
        $body = Body::read($request, 'AuditRequest');
        $program = $body->has('program') ? $this->program($body) : $this->audits->pasted($body->optionalString('text') ?? '');

        return new JsonResponse($this->view->of($program, $this->style($body), $this->client($body)));
    }

    public function fix(Request $request): JsonResponse
    {
        $body = Body::read($request, 'AuditFixRequest');
        [$style, $client] = [$this->style($body), $this->client($body)];

        return new JsonResponse(
            $this->view->of(
                $this->audits->mended($this->program($body), $body->string('rule'), $body->string('where'), $style, $client),
                $style,
                $client,
            ),
        );
    }

    /** Every fix that helps, one after the other. */
    public function mendAll(Request $request): JsonResponse
    {
        $body = Body::read($request, 'AuditWholeRequest');
        [$style, $client] = [$this->style($body), $this->client($body)];
        [$audit, $read] = $this->audits->read($this->program($body), $style, $client);
        [$mended, $done] = $audit->mended($read);

        return new JsonResponse([...$this->view->of($mended, $style, $client), 'done' => $done]);
    }

    /** The program on the client's own rungs, with every change. */
    public function fit(Request $request): JsonResponse
    {
        $body = Body::read($request, 'AuditWholeRequest');
        $client = Client::query()->seenBy($this->trainer())->whereKey($body->optionalString('client') ?? '')->first()
            ?? throw UnusableInput::at('/client', 'is needed: whom is it to fit?');
        $this->planner->checkMayPlan($client);
        $fitted = $this->planner->fit($client)->to($this->program($body), $this->boards->person($client));

        return new JsonResponse([
            ...$this->view->of($fitted->program, $this->boards->style($client), $this->boards->person($client)),
            'changes' => FitView::of($fitted),
        ]);
    }

    /** A program from anywhere as a file of this program: JSON or CSV. */
    public function file(Request $request): Response
    {
        $body = Body::read($request, 'ProgramFileRequest');
        $program = $body->has('program') ? $this->program($body) : $this->audits->pasted($body->optionalString('text') ?? '');

        return $this->files->of($program, $body->string('form') === 'csv' ? 'csv' : 'json', null, null);
    }

    public function ofClient(Client $client): JsonResponse
    {
        $program = $this->boards->program($client);

        return new JsonResponse(
            $this->view->of($program ?? new Program([]), $this->boards->style($client), $this->boards->person($client), false),
        );
    }

    private function program(Node $body): Program
    {
        return $this->audits->fromDocument($body->opaque('program') ?? []);
    }

    private function style(Node $body): ?Style
    {
        $name = $body->optionalString('style');
        if ($name !== null && ! in_array($name, $this->data->styleNames(), true)) {
            throw UnusableInput::at('/style', sprintf('there is no house style "%s"', $name));
        }

        return $name === null ? null : $this->data->style($name);
    }

    private function client(Node $body): ?Person
    {
        $id = $body->optionalString('client');

        return $id === null ? null : $this->boards->person(Client::query()->seenBy($this->trainer())->whereKey($id)->firstOrFail());
    }
}
