<?php

declare(strict_types=1);

namespace App\Today;

use App\Models\Client;
use App\Planning\BoardLoader;
use App\Planning\MoveRung;
use App\Support\ClientRows;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\Bands;
use EvenRungs\Core\Log\TwoForTwo;
use EvenRungs\Core\Verdict\Judge;
use EvenRungs\Formats\HistoryJson;
use stdClass;

/**
 * What follows from the log on each ladder, as pages read it.
 */
final class VerdictsView
{
    public function __construct(
        private readonly Verdicts $verdicts,
        private readonly BoardLoader $boards,
        private readonly MoveRung $move,
    ) {
    }

    /** @return list<array<string, mixed>> of every ladder with logs on the rung where the client trains */
    public function of(Client $client): array
    {
        $verdicts = [];
        $answers = $this->verdicts->answers($client);
        $board = $this->boards->load($client);
        $loaded = LastLoads::sets($client);
        $bands = ClientRows::of($client)->studio()->bands();
        foreach ($this->verdicts->judged($client) as [$history, $verdict, $log]) {
            $answer = $answers->get($history->ladder->id);
            $answered = Verdicts::isAnswerTo($answer, $history, $log) ? $answer : null;
            $moves = $verdict->to !== null && ! $verdict->to->is($history->position());
            $verdicts[] = [
                'ladder' => $history->ladder->id,
                'name' => $history->ladder->name,
                'category' => $history->ladder->category->value,
                'verdict' => $verdict->decision->value,
                'scope' => $verdict->scope,
                'rule' => $verdict->rule,
                'sentence' => Judge::sentence($verdict->rule),
                'from' => $history->rung->name,
                'from_rung' => $history->rung->id,
                'from_step' => $history->step,
                'from_dose' => Wording::oneSet($history->dose()),
                'to' => $verdict->to?->rung->name,
                'dose' => $verdict->dose === null ? null : Wording::oneSet($verdict->dose),
                'reasons' => $verdict->reasons,
                'would_change' => $verdict->wouldChange,
                'refer' => $verdict->refer,
                'retest' => $verdict->retest,
                'swap' => $verdict->swap?->name,
                'load' => self::load($loaded[$history->rung->id] ?? [], $bands),
                'moves' => $moves,
                'gives_way' => $moves && $answered === null ? $this->move->givesWay($board, $verdict->to) : [],
                'answered' => $answered?->answer,
                'moved_here' => $answer !== null
                    && $answer->to !== null
                    && $answer->log === $log
                    && $answer->to == HistoryJson::writePosition($history->position()),
                'note' => $answered?->note,
                'logged_on' => $history->last()?->date->format('Y-m-d'),
            ];
        }

        return $verdicts;
    }

    /**
     * Whether the load may go up.
     *
     * @param  list<stdClass>  $sets  with a load, oldest first
     */
    private static function load(array $sets, Bands $bands): ?string
    {
        $lastSets = [];
        foreach ($sets as $set) {
            $lastSets[$set->logged_session_id] = [$set->band ?? (float) $set->load_kg, $set->target, $set->done];
        }

        return TwoForTwo::advice(array_values($lastSets), $bands);
    }
}
