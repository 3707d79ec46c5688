<?php

declare(strict_types=1);

namespace App\Home;

use App\Accounts\Secret;
use App\Http\Body;
use App\Http\Middleware\SecurityHeaders;
use App\Http\Middleware\StudioWriting;
use App\Models\Client;
use App\Models\HomePage;
use App\Models\Trainer;
use App\Support\Controller;
use App\Support\Happened;
use App\Support\Stamps;
use DateTimeImmutable;
use EvenRungs\Core\Writing;
use EvenRungs\Formats\HomeSeal;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\Auth;
use Symfony\Component\HttpFoundation\Response as Answer;

/**
 * A client's own page: handed out, opened by its link, brought back, withdrawn.
 */
final class HomeController extends Controller
{
    public function __construct(
        private readonly HomePageDocument $documents,
        private readonly HomePageView $view,
        private readonly HomePageFile $files,
        private readonly Halt $halt,
        private readonly ReadReturn $returns,
    ) {
    }

    /** The pages that a client was handed. */
    public function show(Client $client): JsonResponse
    {
        return new JsonResponse($this->view->of($client));
    }

    public function hand(Request $request, Client $client, Happened $happened): JsonResponse
    {
        $body = Body::read($request, 'HandOutRequest');
        [$document, $left] = $this->documents->of($client, $body->optionalInt('week'), $body->optionalInt('session'));
        $secret = Secret::fresh();
        $page = HomePages::keep($client, $this->trainer(), $document, $secret);
        $happened->about($document['title'].', works until '.Writing::day(new DateTimeImmutable($page->until)));

        return new JsonResponse([
            'page' => strtolower($page->id),
            'path' => '/own/'.strtolower($page->id).'.'.$secret,
            'addresses' => StudioAddresses::all(),
            'left' => $left,
            'bytes' => strlen($this->files->html($page, '')),
            ...$this->view->of($client),
        ]);
    }

    public function file(Request $request, Client $client, string $page): Response
    {
        $row = self::found($client, $page);
        abort_if($row->revoked_at !== null || $row->document === null, 404);
        abort_if($this->halt->against($client, HomePages::document($row)), 404);
        $row->update(['saved_at' => Carbon::now()]);
        Stamps::client($client);
        Happened::write($client->studio_id, 'Saved the client’s own page as a file', $row->title, $client->id, $this->trainer()->id);
        $name = trim((string) preg_replace('/[^\pL\pN]+/u', '-', $client->name.' '.$row->title), '-');

        return self::html($this->files->html($row, StudioAddresses::of($request)))->header(
            'Content-Disposition',
            "attachment; filename*=UTF-8''".rawurlencode($name.'.html'),
        );
    }

    public function withdraw(Client $client, string $page, Happened $happened): JsonResponse
    {
        $row = self::found($client, $page);
        $row->update(['revoked_at' => $row->revoked_at ?? Carbon::now()]);
        $happened->about($row->title);

        return $this->show($client);
    }

    /** What the trainer types, scans or reads from a file. */
    public function readBack(Request $request, Client $client): JsonResponse
    {
        $code = trim(Body::read($request, 'BringBackRequest')->string('code'));
        $page = ReadReturn::pageOf($client, $code) ?? throw ReadReturn::unreadable($code);

        return new JsonResponse([...$this->returns->from($page, $code, $this->trainer(), true), ...$this->view->of($client->refresh())]);
    }

    /** The page itself, for whoever has its link. */
    public function page(Request $request): Response
    {
        $page = HomeAddress::opened($request);
        abort_unless($page instanceof HomePage && $page->until >= HomePages::today() && $page->document !== null, 404);
        // a client whom the trainer sees no more is not shown here either
        $client = Client::query()->seenBy($this->trainer())->archived(false)->whereKey($page->client_id)->firstOrFail();
        HomePages::looked($page);
        Happened::write($page->studio_id, 'The client’s own page was opened', $page->title, $page->client_id);
        if ($this->halt->against($client, HomePages::document($page))) {
            return self::html($this->files->halted($client->studio_id));
        }

        return self::html($this->files->html($page, StudioAddresses::of($request)));
    }

    /** What a page sends by itself where it reaches the studio: it is known by its seal. */
    public function bringBack(Request $request, StudioWriting $writing): Answer
    {
        $code = trim(Body::read($request, 'BringBackRequest')->string('code'));
        $page = HomePage::query()->whereKey((string) HomeSeal::pageOf($code))->first();
        $trainer = $page === null ? null : Trainer::query()->find($page->trainer_id);
        if ($page === null || $trainer === null || HomePages::seal($page)->open($code) === null) {
            throw ReadReturn::unreadable($code);
        }
        // in the words and on the day of the studio; nobody is signed in by it
        $before = Auth::user();
        Auth::setUser($trainer);
        $request->setUserResolver(static fn (): Trainer => $trainer);
        try {
            return $writing->handle($request, fn (): JsonResponse => new JsonResponse($this->returns->from($page, $code, $trainer, false)));
        } finally {
            $before === null ? Auth::forgetUser() : Auth::setUser($before);
        }
    }

    private static function found(Client $client, string $page): HomePage
    {
        return HomePage::query()->ofClient($client)->whereKey($page)->firstOrFail();
    }

    private static function html(string $html): Response
    {
        return new Response($html, 200, [
            'Content-Type' => 'text/html; charset=utf-8',
            'Cache-Control' => 'private, no-store',
            SecurityHeaders::OWN => '1',
        ]);
    }
}
