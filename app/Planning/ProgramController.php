<?php

declare(strict_types=1);

namespace App\Planning;

use App\Http\Body;
use App\Models\Client;
use App\Models\Program;
use App\Support\Controller;
use EvenRungs\Core\Planning\Week\Calendar;
use EvenRungs\Core\Planning\Week\DayUse;
use EvenRungs\Core\Planning\Week\WeekPlanner;
use EvenRungs\Core\Planning\Week\WeekWishes;
use EvenRungs\Core\Program\Away;
use EvenRungs\Core\Time\Weekday;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Http\JsonResponse;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * The programs of a client: the one in use, those that are kept, and copies of another client's.
 */
final class ProgramController extends Controller
{
    /** Instead of an id: the program in use. */
    private const IN_USE = 'current';

    public function __construct(
        private readonly BoardLoader $boards,
        private readonly BoardView $view,
        private readonly WeekView $weeks,
        private readonly ProgramView $programs,
    ) {
    }

    public function index(Client $client): JsonResponse
    {
        $rows = Program::query()->ofClient($client)->ordered('created_at', 'desc')->ordered('id', 'desc')->get();

        return new JsonResponse(['programs' => $rows->map($this->programs->row(...))->all()]);
    }

    public function show(Client $client, string $program): JsonResponse
    {
        return new JsonResponse($this->programs->of($this->boardWith($client, $program)));
    }

    public function week(Client $client, string $program, int $week): JsonResponse
    {
        $board = $this->boardWith($client, $program);
        $found = $board->program->weeks[$week - 1] ?? abort(404);

        return new JsonResponse($this->weeks->of($found, $board));
    }

    public function json(Request $request, Client $client, string $program, ProgramFile $file): Response
    {
        return $this->file($request, $client, $program, 'json', $file);
    }

    public function csv(Request $request, Client $client, string $program, ProgramFile $file): Response
    {
        return $this->file($request, $client, $program, 'csv', $file);
    }

    /**
     * The program as a file, or the week or the session of it that is asked for.
     *
     * @param  'json'|'csv'  $form
     */
    private function file(Request $request, Client $client, string $program, string $form, ProgramFile $file): Response
    {
        $number = static function (string $name) use ($request): ?int {
            $asked = $request->query($name);
            if ($asked !== null && (! is_string($asked) || preg_match('/^[1-9][0-9]?$/D', $asked) !== 1)) {
                throw UnusableInput::at('/'.$name, 'must be a number from 1 on');
            }

            return $asked === null ? null : (int) $asked;
        };
        $found = $this->boardWith($client, $program)->program ?? throw UnusableInput::at('/', 'there is no program');

        return $file->of($found, $form, $number('week'), $number('session'));
    }

    public function begin(Request $request, Client $client, BeginProgram $begin): JsonResponse
    {
        $body = Body::read($request, 'NewProgramRequest');
        $begin->of($client, $this->trainer(), $body->int('version'), $body->int('weeks'), self::calendar($body, $body->int('weeks')));

        return $this->board($client);
    }

    /** @throws UnusableInput where a week is not in the program, or two things of one week contradict each other */
    private static function calendar(Node $body, ?int $weeks = null): Calendar
    {
        $away = $matches = $wished = [];
        foreach ($body->optionalChild('wished')?->keys() ?? [] as $day) {
            $wished[Weekday::from($day)->number()] = DayUse::from($body->child('wished')->string($day));
        }
        $body->each('away', static function (Node $week) use (&$away, $weeks): void {
            $number = $week->int('week');
            self::checkWeek($week, $number, $weeks);
            if (isset($away[$number])) {
                throw UnusableInput::at($week->path('week'), sprintf('week %d is away already', $number));
            }
            $away[$number] = new Away($week->ints('days'), $week->strings('equipment'));
        });
        $body->each('matches', static function (Node $match) use (&$matches, $wished, $weeks): void {
            $day = Weekday::from($match->string('day'));
            self::checkWeek($match, $match->int('week'), $weeks);
            if (in_array($day, $matches[$match->int('week')] ?? [], true)) {
                throw UnusableInput::at($match->path('day'), sprintf('%s has a match already', $day->label()));
            }
            $wish = $wished[$day->number()] ?? null;
            if ($weeks !== null && in_array($wish, [DayUse::Hard, DayUse::Light, DayUse::Finisher], true)) {
                throw UnusableInput::at($match->path('day'), sprintf(
                    'is wished for %s, and a day of a match takes a switch-on at most',
                    lcfirst($wish->label()),
                ));
            }
            $matches[$match->int('week')][] = $day;
        });

        return new Calendar($away, $matches, $wished);
    }

    private static function checkWeek(Node $of, int $week, ?int $weeks): void
    {
        if ($weeks !== null && $week > $weeks) {
            throw UnusableInput::at(
                $of->path('week'),
                sprintf('is not in the program, which has %s', $weeks === 1 ? 'one week' : $weeks.' weeks'),
            );
        }
    }

    /** The best use of the days under wishes, and what had to give; nothing is stored. */
    public function bestWeek(Request $request, Client $client, DataFolder $data): JsonResponse
    {
        $calendar = self::calendar(Body::read($request, 'BestWeekRequest'));
        $board = $this->boards->load($client);
        $wishes = WeekWishes::of(
            $board->client,
            $board->style,
            $data->goals()[$board->client->goal->value],
            $calendar->matches[1] ?? [],
            $calendar->wished,
        );
        $week = (new WeekPlanner($data->library(), $board->style, $data->goals()))->days($board->client, $calendar);

        return new JsonResponse([
            'days' => array_map(static fn (Weekday $day): array => [
                'day' => $day->value,
                'use' => $week->uses[$day->number()]->value,
                'words' => $week->uses[$day->number()]->label(),
                'minutes' => $board->client->minutesOn($day),
                'may' => array_map(static fn (DayUse $use): string => $use->value, $wishes->uses($day->number())),
            ], Weekday::cases()),
            'cost' => $week->cost,
            'parts' => array_map(
                static fn (string $what, int $cost): array => ['what' => $what, 'cost' => $cost],
                array_keys($week->parts),
                array_values($week->parts),
            ),
            'given_up' => $week->givenUp,
        ]);
    }

    public function open(Request $request, Client $client, string $program, OpenProgram $open): JsonResponse
    {
        $open->again($client, $this->trainer(), Body::read($request, 'VersionRequest')->int('version'), $program);

        return $this->board($client);
    }

    public function name(Request $request, Client $client, string $program, NameProgram $names): JsonResponse
    {
        $body = Body::read($request, 'ProgramNameRequest');
        if (trim($body->string('name')) === '') {
            throw UnusableInput::at('/name', 'needs at least one character');
        }
        $names->as($client, $this->trainer(), $body->int('version'), $program, $body->string('name'));

        return $this->board($client);
    }

    public function checkCopy(Request $request, Client $client, CopyProgram $copy): JsonResponse
    {
        $fitted = $copy->seen($client, $this->source(Body::read($request, 'CopyRequest')));
        $plan = $fitted->program;

        return new JsonResponse([
            'changes' => FitView::of($fitted),
            'week' => $plan->weeks === [] ? null : $this->weeks->of($plan->weeks[0], $this->boards->load($client)->with($plan)),
            'weeks' => count($plan->weeks),
        ]);
    }

    public function copy(Request $request, Client $client, CopyProgram $copy): JsonResponse
    {
        $body = Body::read($request, 'CopyRequest');
        $copy->to($client, $this->trainer(), $body->int('version'), $this->source($body));

        return $this->board($client);
    }

    private function source(Node $body): Program
    {
        $from = Client::query()->seenBy($this->trainer())->whereKey($body->string('from'))->firstOrFail();

        return Program::query()->ofClient($from)->whereKey($body->string('program'))->firstOrFail();
    }

    private function boardWith(Client $client, string $program): Board
    {
        $board = $this->boards->load($client);
        $row = $program === self::IN_USE ? null : Program::query()->ofClient($client)->whereKey($program)->firstOrFail();

        // the one in use is the same under either name: as far as it is earned
        return $row === null || $row->current ? $board : $board->with($this->boards->read($row));
    }

    private function board(Client $client): JsonResponse
    {
        return new JsonResponse($this->view->of($this->boards->load($client->refresh())));
    }
}
