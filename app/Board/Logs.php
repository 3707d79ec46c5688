<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Clearance;
use App\Models\Client;
use App\Models\LoggedSession as SessionRow;
use App\Models\LoggedSet as SetRow;
use App\Models\Standing;
use App\Models\Trainer;
use App\Models\VerdictAnswer;
use DateTimeImmutable;
use EvenRungs\Core\Dose\MeasureKind;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Load\WeekLoad;
use EvenRungs\Core\Session\Day;
use EvenRungs\Core\Session\Session;
use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\History;
use EvenRungs\Core\Verdict\Judge;
use EvenRungs\Core\Verdict\Verdict;
use EvenRungs\Formats\DataFolder;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Carbon;
use Illuminate\Support\Facades\DB;

/**
 * What was really done, and what follows from it on each ladder. Nothing moves before the trainer accepts it.
 */
final class Logs
{
    private const MOST_SHOWN = 60;

    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly ClientCommands $commands,
    ) {
    }

    /**
     * Keeps a session. The same key is kept once, so that a log that is sent again doubles nothing.
     *
     * @throws UnusableInput at the field
     */
    public function add(Client $client, Trainer $trainer, Node $body): void
    {
        $on = ClientCommands::pastDay($body, 'on');
        $sets = $body->each('sets', fn (Node $set): array => $this->set($set));
        if ($sets === []) {
            throw UnusableInput::at('/sets', 'at least one set is needed');
        }
        DB::transaction(function () use ($client, $trainer, $body, $on, $sets): void {
            $key = $body->string('key');
            if (SessionRow::query()->ofStudio($client->studio_id)->where('key', $key)->exists()) {
                return;
            }
            $row = SessionRow::query()->create([
                'studio_id' => $client->studio_id,
                'client_id' => $client->id,
                'trainer_id' => $trainer->id,
                'key' => $key,
                'on' => $on,
                'soreness' => $body->optionalInt('soreness'),
                'pain_before' => $body->optionalInt('pain_before'),
                'pain_next_day' => $body->optionalInt('pain_next_day'),
                'effort' => $body->optionalInt('effort'),
                'minutes' => $body->optionalInt('minutes'),
            ]);
            foreach ($sets as $set) {
                SetRow::query()->create([...$set, 'studio_id' => $client->studio_id, 'client_id' => $client->id, 'logged_session_id' => $row->id, 'on' => $on]);
            }
        });
    }

    /** @return array<string, mixed> columns of a set */
    private function set(Node $set): array
    {
        $library = $this->data->library();
        if (! $library->hasRung($set->string('rung'))) {
            throw UnusableInput::at($set->path('rung'), 'is not a rung of the library');
        }
        $rung = $library->rung($set->string('rung'));
        foreach ([...$set->strings('faults'), ...($set->optionalString('ended_by') === null ? [] : [$set->string('ended_by')])] as $fault) {
            if (! isset($library->faults[$fault])) {
                throw UnusableInput::at($set->path('faults'), sprintf('there is no fault "%s"', $fault));
            }
        }
        $scale = self::scale($rung);

        return [
            'ladder' => $rung->ladder,
            'rung' => $rung->id,
            'side' => $set->optionalString('side'),
            'target' => (int) round($set->number('target') * $scale),
            'done' => (int) round($set->number('done') * $scale),
            'faults' => $set->has('faults') ? $set->strings('faults') : null,
            'ended_by' => $set->optionalString('ended_by'),
            'pain' => $set->optionalInt('pain'),
            'pain_kind' => $set->optionalString('pain_kind'),
            'effort' => $set->optionalInt('effort'),
            'breathing' => $set->has('breathing') ? $set->bool('breathing') : null,
        ];
    }

    /** A rung counted in repetitions or metres stores them as they are, a hold in milliseconds. */
    private static function scale(Rung $rung): int
    {
        return in_array($rung->start()->measure->kind(), [MeasureKind::Hold, MeasureKind::Intervals], true) ? 1000 : 1;
    }

    public function remove(Client $client, int $session): void
    {
        SessionRow::query()->ofClient($client)->whereKey($session)->firstOrFail()->delete();
    }

    /** @return array<string, mixed> */
    public function of(Client $client): array
    {
        return [
            'sessions' => SessionRow::query()->ofClient($client)->ordered('on', 'desc')->ordered('id', 'desc')->get()->take(self::MOST_SHOWN)->map(fn (SessionRow $row): array => $this->shown($client, $row))->all(),
            'verdicts' => $this->verdicts($client),
            'load' => $this->load($client),
        ];
    }

    /** @return array<string, mixed> */
    private function shown(Client $client, SessionRow $row): array
    {
        $library = $this->data->library();
        $sets = SetRow::query()->ofClient($client)->where('logged_session_id', $row->id)->ordered('id')->get();

        return [
            'id' => $row->id,
            'on' => $row->on,
            'soreness' => $row->soreness,
            'worst_pain' => $sets->max('pain'),
            'sets' => $sets->count(),
            'exercises' => $sets->pluck('rung')->unique()->map(static fn (string $id): string => $library->hasRung($id) ? $library->rung($id)->name : $id)->values()->all(),
            'short' => $sets->filter(static fn (SetRow $set): bool => $set->done < $set->target)->count(),
        ];
    }

    /**
     * Of the seven days up to the newest log.
     *
     * @return ?array<string, mixed>
     */
    private function load(Client $client): ?array
    {
        $to = LogBook::lastDay($client);
        if ($to === null) {
            return null;
        }
        $logged = [];
        foreach (SessionRow::query()->ofClient($client)->where('on', '>=', WeekLoad::from($to)->format('Y-m-d'))->get() as $row) {
            $logged[$row->on][] = $row->effort === null || $row->minutes === null ? null : $row->effort * $row->minutes;
        }
        $trained = array_map(static fn (Session $session): Day => $session->day, $this->boards->load($client)->program->weeks[0]->sessions ?? []);
        $week = WeekLoad::upTo($to, $logged, $trained);

        return [
            'from' => WeekLoad::from($to)->format('Y-m-d'),
            'to' => $to->format('Y-m-d'),
            'total' => $week->total,
            'monotony' => $week->monotony,
            'strain' => $week->strain,
            'unknown' => $week->unknown,
        ];
    }

    /** @return list<array<string, mixed>> of every ladder with logs on the rung where the client stands */
    private function verdicts(Client $client): array
    {
        $verdicts = [];
        foreach ($this->judged($client) as [$history, $verdict]) {
            $answered = VerdictAnswer::query()->ofClient($client)->where('ladder', $history->ladder->id)->ordered('id', 'desc')->first();
            $loggedOn = $history->last()?->date->format('Y-m-d');
            $verdicts[] = [
                'ladder' => $history->ladder->id,
                'name' => $history->ladder->name,
                'category' => $history->ladder->category->value,
                'verdict' => $verdict->decision->value,
                'rule' => $verdict->rule,
                'sentence' => Judge::RULES[$verdict->rule],
                'from' => $history->rung->name,
                'to' => $verdict->to?->name,
                'dose' => $verdict->dose === null ? null : Shorthand::write($verdict->dose),
                'reasons' => $verdict->reasons,
                'would_change' => $verdict->wouldChange,
                'refer' => $verdict->refer,
                'retest' => $verdict->retest,
                'swap' => $verdict->swap?->name,
                'moves' => $verdict->to !== null && ($verdict->to !== $history->rung || $verdict->step !== $history->step),
                'answered' => $answered !== null && $answered->logged_on === $loggedOn ? $answered->answer : null,
                'logged_on' => $loggedOn,
            ];
        }

        return $verdicts;
    }

    /** How many ladders have a verdict other than *stay* that nobody has answered. */
    public function waiting(Client $client): int
    {
        return count(array_filter($this->verdicts($client), static fn (array $each): bool => $each['verdict'] !== Decision::Stay->value && $each['answered'] === null));
    }

    /** @return list<array{History, Verdict}> */
    private function judged(Client $client, ?string $only = null): array
    {
        $cleared = Clearance::query()->ofClient($client)->whereNull('withdrawn_at')->exists();
        $judge = new Judge($this->data->library(), $this->boards->style($client), $this->boards->person($client), $cleared);
        $today = new DateTimeImmutable(Carbon::today()->toDateString());
        $judged = [];
        foreach ($this->boards->standings($client) as $ladder => $standing) {
            if (($only !== null && $only !== $ladder) || ! $this->data->library()->hasLadder($ladder)) {
                continue;
            }
            $arrived = $this->arrived($client, $ladder, $standing->rung->id);
            $sessions = LogBook::onRung($client, $standing->rung);
            if ($sessions === []) {
                continue;
            }
            $asOf = max($today, $sessions[count($sessions) - 1]->date);
            $history = new History($this->data->library()->ladder($ladder), $standing->rung, $standing->step, $arrived, $asOf, $sessions);
            $judged[] = [$history, $judge->decide($history)];
        }

        return $judged;
    }

    /** The day the client came to the rung, from the list of moves. */
    private function arrived(Client $client, string $ladder, string $rung): DateTimeImmutable
    {
        $arrived = Carbon::today()->toDateString();
        foreach (Standing::query()->ofClient($client)->where('ladder', $ladder)->ordered('id', 'desc')->get() as $row) {
            if ($row->rung !== $rung) {
                break;
            }
            $arrived = $row->created_at->toDateString();
        }

        return new DateTimeImmutable($arrived);
    }

    /**
     * Accepts a verdict, which moves the client, or postpones it.
     *
     * @throws UnusableInput where there is no verdict on that ladder
     */
    public function answer(Client $client, Trainer $trainer, Node $body): void
    {
        [$history, $verdict] = $this->judged($client, $body->string('ladder'))[0] ?? throw UnusableInput::at('/ladder', 'nothing was logged there');
        DB::transaction(function () use ($client, $trainer, $body, $history, $verdict): void {
            $accepts = $body->string('answer') === 'accepted';
            VerdictAnswer::query()->create([
                'studio_id' => $client->studio_id,
                'client_id' => $client->id,
                'trainer_id' => $trainer->id,
                'ladder' => $history->ladder->id,
                'verdict' => $verdict->decision->value,
                'answer' => $body->string('answer'),
                'logged_on' => $history->last()?->date->format('Y-m-d') ?? Carbon::today()->toDateString(),
                'reasons' => $verdict->reasons,
            ]);
            if ($accepts && $verdict->to !== null && $verdict->decision !== Decision::Stay) {
                try {
                    $this->commands->move($client, $trainer, $body->int('version'), $verdict->to->id, $verdict->step, implode(' ', $verdict->reasons));
                } catch (InvalidValue $e) {
                    throw UnusableInput::at('/ladder', $e->getMessage());
                }
            }
        });
    }
}
