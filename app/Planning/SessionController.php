<?php

declare(strict_types=1);

namespace App\Planning;

use App\Audit\Audits;
use App\Audit\AuditView;
use App\Http\Body;
use App\Models\Client;
use App\Support\Controller;
use App\Today\FloorPlanPage;
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
 * The session builder: a session, saved into a program or kept as a template.
 */
final class SessionController extends Controller
{
    public function __construct(
        private readonly BuilderView $builder,
        private readonly BuilderChange $changes,
        private readonly BoardLoader $boards,
        private readonly BoardView $view,
        private readonly Audits $audits,
        private readonly AuditView $audited,
        private readonly DataFolder $data,
    ) {
    }

    public function preview(Request $request): JsonResponse
    {
        $body = Body::read($request, 'SessionPreviewRequest');
        [$style, $client] = $this->whose($body);
        $session = self::session($body);
        $change = $body->optionalChild('change');

        return new JsonResponse(
            $this->builder->of($change === null ? $session : $this->changes->applied($session, $change, $style, $client), $style, $client),
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

    public static function session(Node $body): Session
    {
        $node = $body->child('session');

        return $node->guard(static fn (): Session => SessionJson::read($node));
    }

    public function show(Client $client, int $week, int $session): JsonResponse
    {
        return new JsonResponse(
            $this->builder->of($this->found($client, $week, $session), $this->boards->style($client), $this->boards->person($client)),
        );
    }

    /** Everything a device needs to run it. */
    public function floor(Client $client, int $week, int $session, FloorPlanPage $plans): JsonResponse
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

    public function save(Request $request, Client $client, SaveSession $saves): JsonResponse
    {
        $body = Body::read($request, 'SessionSaveRequest');
        $saves->in(
            $client,
            $this->trainer(),
            $body->int('version'),
            $body->int('week'),
            $body->optionalInt('place'),
            self::session($body),
            $body->optionalString('insist'),
        );

        return $this->board($client);
    }

    public function letGo(Request $request, Client $client, SaveSession $saves): JsonResponse
    {
        $body = Body::read($request, 'SessionPlaceRequest');
        $saves->letGo($client, $this->trainer(), $body->int('version'), $body->int('week'), $body->int('place'));

        return $this->board($client);
    }

    public function remove(Request $request, Client $client, MoveSession $moves): JsonResponse
    {
        $body = Body::read($request, 'SessionPlaceRequest');
        $moves->out($client, $this->trainer(), $body->int('version'), $body->int('week'), $body->int('place'));

        return $this->board($client);
    }

    public function move(Request $request, Client $client, MoveSession $moves): JsonResponse
    {
        $body = Body::read($request, 'SessionMoveRequest');
        $moves->to(
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
    public function checkMove(Request $request, Client $client, MoveSession $moves): JsonResponse
    {
        $body = Body::read($request, 'SessionMoveRequest');
        [$before, $after] = $moves->tried(
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
                $this->audited->of($program, $style, $person, false)['findings'],
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

    public function miss(Request $request, Client $client, MissSession $misses): JsonResponse
    {
        $body = Body::read($request, 'SessionMissedRequest');
        $misses->say(
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
    public function checkMissed(Request $request, Client $client, MissSession $misses): JsonResponse
    {
        $body = Body::read($request, 'SessionPlaceRequest');
        $offer = $misses->ifMissed($client, $body->int('week'), $body->int('place'));

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
    public function dates(Request $request, Client $client, DateProgram $dating): JsonResponse
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
        $dating->from(
            $client,
            $this->trainer(),
            $body->int('version'),
            $body->optionalDay('began') ?? throw UnusableInput::at('/began', 'is needed'),
            $shifts,
        );

        return $this->board($client);
    }

    public function mendAll(Request $request, Client $client, MendFinding $mend): JsonResponse
    {
        $mend->all($client, $this->trainer(), Body::read($request, 'VersionRequest')->int('version'));

        return $this->board($client);
    }

    /** What mending all would do; nothing is stored. */
    public function checkMendAll(Client $client, MendFinding $mend): JsonResponse
    {
        return new JsonResponse(['would' => $mend->seen($client)]);
    }

    public function mend(Request $request, Client $client, MendFinding $mending): JsonResponse
    {
        $body = Body::read($request, 'MendRequest');
        $mending->of($client, $this->trainer(), $body->int('version'), $body->string('rule'), $body->string('where'));

        return $this->board($client);
    }

    public function take(Request $request, Client $client, TakeProgram $taking): JsonResponse
    {
        $body = Body::read($request, 'TakeProgramRequest');
        $taking->over(
            $client,
            $this->trainer(),
            $body->int('version'),
            $this->audits->fromDocument($body->opaque('program') ?? []),
            $body->optionalString('insist'),
        );

        return $this->board($client);
    }

    private function board(Client $client): JsonResponse
    {
        return new JsonResponse($this->view->of($this->boards->load($client->refresh())));
    }
}
