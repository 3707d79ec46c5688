<?php

declare(strict_types=1);

namespace App\Planning;

use App\Audit\Audits;
use App\Http\Body;
use App\Models\Client;
use App\Models\SessionTemplate;
use App\Support\Controller;
use App\Today\FloorPlans;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Shift;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Weekday;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\SessionJson;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;

/**
 * The session builder: a session on the bench, saved into a program or kept as a template.
 */
final class SessionController extends Controller
{
    private const MOST_TEMPLATES = 200;

    public function __construct(
        private readonly Bench $bench,
        private readonly BoardLoader $boards,
        private readonly BoardView $view,
        private readonly SessionCommands $commands,
        private readonly Audits $audits,
        private readonly DataFolder $data,
    ) {
    }

    public function preview(Request $request): JsonResponse
    {
        $body = Body::read($request, 'SessionPreviewRequest');
        [$style, $client] = $this->whose($body);
        $session = $this->session($body);
        $change = $body->optionalChild('change');

        return new JsonResponse(
            $this->bench->of($change === null ? $session : $this->bench->changed($session, $change, $style, $client), $style, $client),
        );
    }

    /** @return array{Style, ?Person} */
    private function whose(Node $body): array
    {
        $id = $body->optionalString('client');
        if ($id === null) {
            return [$this->data->style(DataFolder::DEFAULT_STYLE), null];
        }
        $record = Client::query()->seenBy($this->trainer())->whereKey($id)->firstOrFail();

        return [$this->boards->style($record), $this->boards->person($record)];
    }

    private function session(Node $body): Session
    {
        $node = $body->child('session');

        return $node->guard(static fn (): Session => SessionJson::read($node));
    }

    public function show(Client $client, int $week, int $session): JsonResponse
    {
        return new JsonResponse(
            $this->bench->of($this->found($client, $week, $session), $this->boards->style($client), $this->boards->person($client)),
        );
    }

    /** Everything a device needs to run it. */
    public function floor(Client $client, int $week, int $session, FloorPlans $plans): JsonResponse
    {
        $found = $this->found($client, $week, $session);
        $program = $this->boards->program($client) ?? abort(404);

        return new JsonResponse(
            $plans->ofClient(
                $this->trainer()->studio,
                $client,
                $found,
                ProgramDates::keys($program)[$week - 1][$session - 1],
                ProgramDates::of($program)?->session($week - 1, $session - 1),
            ),
        );
    }

    private function found(Client $client, int $week, int $session): Session
    {
        return ($this->boards->program($client)->weeks[$week - 1] ?? null)?->sessions[$session - 1] ?? abort(404);
    }

    public function save(Request $request, Client $client): JsonResponse
    {
        $body = Body::read($request, 'SessionSaveRequest');
        $this->commands->save(
            $client,
            $this->trainer(),
            $body->int('version'),
            $body->int('week'),
            $body->optionalInt('place'),
            $this->session($body),
            $body->optionalString('insist'),
        );

        return $this->board($client);
    }

    public function remove(Request $request, Client $client): JsonResponse
    {
        $body = Body::read($request, 'SessionPlaceRequest');
        $this->commands->remove($client, $this->trainer(), $body->int('version'), $body->int('week'), $body->int('place'));

        return $this->board($client);
    }

    public function move(Request $request, Client $client): JsonResponse
    {
        $body = Body::read($request, 'SessionMoveRequest');
        $this->commands->move(
            $client,
            $this->trainer(),
            $body->int('version'),
            $body->int('week'),
            $body->int('place'),
            Weekday::from($body->string('day')),
            $body->bool('week_later'),
        );

        return $this->board($client);
    }

    /** What a move would break and mend; nothing is stored. */
    public function checkMove(Request $request, Client $client): JsonResponse
    {
        $body = Body::read($request, 'SessionMoveRequest');
        [$before, $after] = $this->commands->moved(
            $client,
            $body->int('week'),
            $body->int('place'),
            Weekday::from($body->string('day')),
            $body->bool('week_later'),
        );
        [$style, $person] = [$this->boards->style($client), $this->boards->person($client)];
        $found = fn ($program): array => array_column(
            array_map(
                static fn (array $finding): array => ['key' => $finding['rule'].' '.$finding['message'], ...$finding],
                $this->audits->of($program, $style, $person, false)['findings'],
            ),
            null,
            'key',
        );
        [$old, $new] = [$found($before), $found($after)];
        $plain = static fn (array $findings): array => array_values(
            array_map(static fn (array $finding): array => array_diff_key($finding, ['key' => 0]), $findings),
        );

        return new JsonResponse(['breaks' => $plain(array_diff_key($new, $old)), 'mends' => $plain(array_diff_key($old, $new))]);
    }

    public function miss(Request $request, Client $client): JsonResponse
    {
        $body = Body::read($request, 'SessionMissedRequest');
        $this->commands->miss(
            $client,
            $this->trainer(),
            $body->int('version'),
            $body->int('week'),
            $body->int('place'),
            $body->bool('missed'),
        );

        return $this->board($client);
    }

    /** The next day that can take a missed session, or what the week loses; nothing is stored. */
    public function checkMissed(Request $request, Client $client): JsonResponse
    {
        $body = Body::read($request, 'SessionPlaceRequest');
        $offer = $this->commands->ifMissed($client, $body->int('week'), $body->int('place'));

        return new JsonResponse(
            [
                'day' => $offer->day?->value,
                'week_later' => $offer->weekLater,
                'on' => $offer->on?->format('Y-m-d'),
                'loses' => $offer->loses,
            ],
        );
    }

    /** The day a program begins, and the days on which the client is away. */
    public function dates(Request $request, Client $client): JsonResponse
    {
        $body = Body::read($request, 'ProgramDaysRequest');
        $shifts = $body->each('shifts', static function (Node $each): Shift {
            try {
                $from = $each->optionalDay('from') ?? throw UnusableInput::at($each->path('from'), 'is needed');
                $to = $each->optionalDay('to');

                return $to === null ? new Shift($from, $each->int('weeks')) : Shift::away($from, $to);
            } catch (InvalidValue $e) {
                throw UnusableInput::of($each->path('to'), $e);
            }
        });
        $this->commands->dates(
            $client,
            $this->trainer(),
            $body->int('version'),
            $body->optionalDay('began') ?? throw UnusableInput::at('/began', 'is needed'),
            $shifts,
        );

        return $this->board($client);
    }

    public function mend(Request $request, Client $client): JsonResponse
    {
        $body = Body::read($request, 'MendRequest');
        $this->commands->mend($client, $this->trainer(), $body->int('version'), $body->string('rule'), $body->string('where'));

        return $this->board($client);
    }

    public function take(Request $request, Client $client): JsonResponse
    {
        $body = Body::read($request, 'TakeProgramRequest');
        $this->commands->take(
            $client,
            $this->trainer(),
            $body->int('version'),
            $this->audits->fromDocument($body->opaque('program') ?? []),
            $body->optionalString('insist'),
        );

        return $this->board($client);
    }

    public function templates(): JsonResponse
    {
        return new JsonResponse(['templates' => SessionTemplate::query()
            ->ofStudio($this->trainer()->studio_id)
            ->ordered('name')
            ->get()
            ->map(static fn (SessionTemplate $each): array => [
                'id' => $each->id,
                'name' => $each->name,
                'session' => SessionJson::write(SessionJson::read(new Node($each->document))),
            ])->all()]);
    }

    public function keepTemplate(Request $request): JsonResponse
    {
        $body = Body::read($request, 'TemplateRequest');
        $studio = $this->trainer()->studio_id;
        if (SessionTemplate::query()->ofStudio($studio)->count() >= self::MOST_TEMPLATES) {
            throw UnusableInput::at('/name', sprintf('there are %d templates already', self::MOST_TEMPLATES));
        }
        SessionTemplate::query()->updateOrCreate(
            ['studio_id' => $studio, 'name' => trim($body->string('name'))],
            ['document' => SessionJson::write($this->session($body))],
        );

        return $this->templates();
    }

    public function removeTemplate(int $template): JsonResponse
    {
        SessionTemplate::query()->ofStudio($this->trainer()->studio_id)->whereKey($template)->firstOrFail()->delete();

        return $this->templates();
    }

    private function board(Client $client): JsonResponse
    {
        return new JsonResponse($this->view->of($this->boards->load($client->refresh())));
    }
}
