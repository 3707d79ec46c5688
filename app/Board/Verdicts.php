<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Clearance;
use App\Models\Client;
use App\Models\LoggedSet as SetRow;
use App\Models\Standing as StandingRow;
use App\Models\Trainer;
use App\Models\VerdictAnswer;
use DateTimeImmutable;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Load\TwoForTwo;
use EvenRungs\Core\Placement\Standing;
use EvenRungs\Core\Roster\Needs;
use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\History;
use EvenRungs\Core\Verdict\Judge;
use EvenRungs\Core\Verdict\Verdict;
use EvenRungs\Formats\DataFolder;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * What follows from the log on each ladder. Nothing moves before the trainer accepts it.
 */
final class Verdicts
{
    private const MOST_LOADED = 60;

    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly ClientCommands $commands,
        private readonly RosterRows $roster,
    ) {
    }

    /** @return list<array<string, mixed>> of every ladder with logs on the rung where the client stands */
    public function of(Client $client): array
    {
        $verdicts = [];
        $answers = $this->answers($client);
        $loaded = SetRow::query()->ofClient($client)->where('load_kg', '>', 0)->ordered('id', 'desc')->atMost(self::MOST_LOADED)->get()->reverse()->groupBy('rung');
        foreach ($this->judged($client) as [$history, $verdict]) {
            $answered = $this->answerTo($history, $answers);
            $verdicts[] = [
                'ladder' => $history->ladder->id,
                'name' => $history->ladder->name,
                'category' => $history->ladder->category->value,
                'verdict' => $verdict->decision->value,
                'rule' => $verdict->rule,
                'sentence' => Judge::RULES[$verdict->rule],
                'from' => $history->rung->name,
                'from_rung' => $history->rung->id,
                'from_step' => $history->step,
                'to' => $verdict->to?->name,
                'dose' => $verdict->dose === null ? null : Shorthand::write($verdict->dose),
                'reasons' => $verdict->reasons,
                'would_change' => $verdict->wouldChange,
                'refer' => $verdict->refer,
                'retest' => $verdict->retest,
                'swap' => $verdict->swap?->name,
                'load' => self::load(array_values($loaded->get($history->rung->id)?->all() ?? [])),
                'moves' => $verdict->to !== null && ($verdict->to !== $history->rung || $verdict->step !== $history->step),
                'answered' => $answered?->answer,
                'note' => $answered?->note,
                'logged_on' => $history->last()?->date->format('Y-m-d'),
            ];
        }

        return $verdicts;
    }

    /**
     * Whether the load may go up.
     *
     * @param  list<SetRow>  $sets  with a load, oldest first
     */
    private static function load(array $sets): ?string
    {
        $lastSets = [];
        foreach ($sets as $set) {
            $lastSets[$set->logged_session_id] = [(float) $set->load_kg, $set->target, $set->done];
        }

        return TwoForTwo::advice(array_values($lastSets));
    }

    /** @return array{int, int} ladders with a verdict other than *stay* that nobody has answered, and ladders that are stuck */
    public function counts(Client $client, DateTimeImmutable $today): array
    {
        $answers = $this->answers($client);
        $waiting = 0;
        $stuck = 0;
        foreach ($this->judged($client) as [$history, $verdict]) {
            $waiting += $verdict->decision !== Decision::Stay && $this->answerTo($history, $answers) === null ? 1 : 0;
            $stuck += Needs::isStuck($history, $verdict->decision, $today) ? 1 : 0;
        }

        return [$waiting, $stuck];
    }

    /** @return Collection<string, VerdictAnswer> the newest of each ladder */
    private function answers(Client $client): Collection
    {
        return VerdictAnswer::query()->ofClient($client)->newestOfEachLadder()->get()->toBase()->keyBy(static fn (VerdictAnswer $each): string => $each->ladder);
    }

    /** @param  Collection<string, VerdictAnswer>  $answers */
    private function answerTo(History $history, Collection $answers): ?VerdictAnswer
    {
        $answer = $answers->get($history->ladder->id);

        return $answer?->logged_on === $history->last()?->date->format('Y-m-d') ? $answer : null;
    }

    /** @return list<array{History, Verdict}> */
    private function judged(Client $client, ?string $only = null): array
    {
        $cleared = Clearance::query()->ofClient($client)->whereNull('withdrawn_at')->exists();
        $judge = new Judge($this->data->library(), $this->boards->style($client), $this->boards->person($client), $cleared);
        $today = new DateTimeImmutable(Carbon::today()->toDateString());
        $standings = array_filter($this->boards->standings($client), fn (Standing $each, string $ladder): bool => ($only === null || $only === $ladder) && $this->data->library()->hasLadder($ladder), ARRAY_FILTER_USE_BOTH);
        $done = LogBook::recent($client, array_values(array_map(static fn (Standing $each): Rung => $each->rung, $standings)));
        $arrived = $this->arrived($client);
        $judged = [];
        foreach ($standings as $ladder => $standing) {
            $sessions = $done[$ladder] ?? [];
            if ($sessions === []) {
                continue;
            }
            $asOf = max($today, $sessions[count($sessions) - 1]->date);
            $history = new History($this->data->library()->ladder($ladder), $standing->rung, $standing->step, $arrived[$ladder] ?? $today, $asOf, $sessions);
            $judged[] = [$history, $judge->decide($history)];
        }

        return $judged;
    }

    /** @return array<string, DateTimeImmutable> the day the client came to the rung, by ladder, from the list of moves */
    public function arrived(Client $client): array
    {
        $arrived = [];
        $rungs = [];
        foreach (StandingRow::query()->ofClient($client)->ordered('id')->toBase()->get(['ladder', 'rung', 'created_at']) as $row) {
            if (($rungs[$row->ladder] ?? null) !== $row->rung) {
                $rungs[$row->ladder] = $row->rung;
                $arrived[$row->ladder] = new DateTimeImmutable(substr((string) $row->created_at, 0, 10));
            }
        }

        return $arrived;
    }

    /**
     * Accepts a verdict, which moves the client, moves elsewhere on the ladder with a reason, or postpones it.
     *
     * @throws UnusableInput where there is no verdict on that ladder, or the rung is not of it
     */
    public function answer(Client $client, Trainer $trainer, Node $body): void
    {
        [$history, $verdict] = $this->judged($client, $body->string('ladder'))[0] ?? throw UnusableInput::at('/ladder', 'nothing was logged there');
        $answer = $body->string('answer');
        $note = trim($body->optionalString('note') ?? '');
        if ($answer === 'changed') {
            if ($note === '') {
                throw UnusableInput::at('/note', 'is needed: why is another step better?');
            }
            if (! $body->has('rung') || $history->ladder->indexOf($body->string('rung')) === null) {
                throw UnusableInput::at('/rung', sprintf('must be a rung of %s', $history->ladder->name));
            }
        }
        DB::transaction(function () use ($client, $trainer, $body, $history, $verdict, $answer, $note): void {
            VerdictAnswer::query()->create([
                'studio_id' => $client->studio_id,
                'client_id' => $client->id,
                'trainer_id' => $trainer->id,
                'ladder' => $history->ladder->id,
                'verdict' => $verdict->decision->value,
                'answer' => $answer,
                'logged_on' => $history->last()?->date->format('Y-m-d') ?? Carbon::today()->toDateString(),
                'reasons' => $verdict->reasons,
                'note' => $note === '' ? null : $note,
            ]);
            $to = match (true) {
                $answer === 'changed' => [$body->string('rung'), $body->optionalInt('step') ?? 0, $note],
                $answer === 'accepted' && $verdict->to !== null && $verdict->decision !== Decision::Stay => [$verdict->to->id, $verdict->step, implode(' ', $verdict->reasons)],
                default => null,
            };
            $this->roster->forget($client);
            if ($to === null) {
                return;
            }
            try {
                $this->commands->move($client, $trainer, $body->int('version'), ...$to);
            } catch (InvalidValue $e) {
                throw UnusableInput::at('/ladder', $e->getMessage());
            }
        });
    }
}
