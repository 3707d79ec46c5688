<?php

declare(strict_types=1);

namespace App\Today;

use App\Models\Client;
use App\Models\Trainer;
use App\Models\VerdictAnswer;
use App\Planning\Board;
use App\Planning\BoardLoader;
use App\Support\ClientRows;
use App\Support\StudioDay;
use DateTimeImmutable;
use EvenRungs\Core\Client\Clearance;
use EvenRungs\Core\Client\Cleared;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\History;
use EvenRungs\Core\Log\Position;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Planning\Choice\ExerciseChooser;
use EvenRungs\Core\Review\Roster\Needs;
use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\Judge;
use EvenRungs\Core\Verdict\Verdict;
use EvenRungs\Formats\HistoryJson;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Collection;

/**
 * What follows from the log on each ladder. Nothing moves before the trainer accepts it.
 */
final class Verdicts
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
    ) {
    }

    /** @return array{int, int} ladders with a verdict other than *stay* that nobody has answered, and ladders that are stuck */
    public function counts(Client $client, DateTimeImmutable $today): array
    {
        $answers = $this->answers($client);
        $waiting = 0;
        $stuck = 0;
        foreach ($this->judged($client) as [$history, $verdict, $log]) {
            $waiting += $verdict->decision !== Decision::Stay && ! self::isAnswerTo(
                $answers->get($history->ladder->id),
                $history,
                $log,
            ) ? 1 : 0;
            $stuck += Needs::isStuck($history, $verdict->decision, $today) ? 1 : 0;
        }

        return [$waiting, $stuck];
    }

    /** @return Collection<string, VerdictAnswer> the newest of each ladder */
    public function answers(Client $client): Collection
    {
        return ClientRows::of($client)->answers()->toBase()->keyBy(
            static fn (VerdictAnswer $each): string => $each->ladder,
        );
    }

    /** An answer belongs to the verdict that it was given to: its ladder, its newest log, and where the client stood. */
    public static function isAnswerTo(?VerdictAnswer $answer, History $history, ?string $log): bool
    {
        return $answer !== null && $answer->log === $log && $answer->from == HistoryJson::writePosition($history->position());
    }

    /** @return list<array{History, Verdict, ?string}> each with the newest log that it rests on */
    public function judged(Client $client, ?string $only = null): array
    {
        $board = $this->boards->load($client);
        $library = $this->data->library();
        $judge = new Judge($library, $board->style, $board->client, $board->goal);
        $today = new DateTimeImmutable(StudioDay::today()->toDateString());
        $places = array_filter(
            $this->places($board),
            static fn (string $ladder): bool => $only === null || $only === $ladder,
            ARRAY_FILTER_USE_KEY,
        );
        [$done, $newest] = LogBook::recent($client, array_values(array_map(static fn (Position $each): Rung => $each->rung, $places)));
        $arrived = $this->boards->arrived($client);
        $trainedOn = LogBook::lastDay($client);
        $monitored = Cleared::for($board->client)->by(Clearance::MONITORED_PAIN);
        $judged = [];
        foreach ($places as $ladder => $place) {
            $sessions = $done[$ladder] ?? [];
            if ($sessions === []) {
                continue;
            }
            $asOf = max($today, $sessions[count($sessions) - 1]->date);
            $stopped = ($board->client->standings[$ladder] ?? null)?->stopped;
            $history = new History(
                $library->ladder($ladder),
                $place->rung,
                $place->step,
                $arrived[$ladder] ?? null,
                $asOf,
                $sessions,
                $judge->steps,
                $place->range,
                $stopped === null ? null : (
                    Cleared::for($board->client)->by(
                        Clearance::ofStop($ladder),
                        $stopped,
                    ) ?? Cleared::for($board->client)->by(Clearance::STOP_OF_ALL, $stopped)
                )?->on,
                $monitored === null ? null : [$monitored->on, $monitored->until],
                $trainedOn,
            );
            if ($history->last() !== null) {
                $judged[] = [$history, $judge->decide($history), $newest[$ladder]];
            }
        }

        return $judged;
    }

    /**
     * Where the client trains on every ladder, stopped or not.
     *
     * @return array<string, Position> by ladder
     */
    private function places(Board $board): array
    {
        $library = $this->data->library();
        $going = $board->client->standing(
            array_map(
                static fn (Standing $each): Standing => new Standing($each->rung, $each->step, $each->range, $each->dose, $each->arrived),
                $board->client->standings,
            ),
        );
        $chooser = new ExerciseChooser($library, $board->style);
        $places = [];
        foreach ((new Placer($library, $board->style))->place($going) as $placement) {
            $choice = isset($going->standings[$placement->ladder->id]) ? $chooser->onLadder($going, $board->goal, $placement) : null;
            if ($choice !== null) {
                $places[$placement->ladder->id] = new Position($choice->rung, $choice->step, $choice->range);
            }
        }

        return $places;
    }
}
