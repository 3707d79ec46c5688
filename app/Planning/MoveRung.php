<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Trainer;
use App\Support\Ledger;
use App\Support\Standings;
use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Log\Position;
use EvenRungs\Core\Planning\Choice\Pace;
use EvenRungs\Core\Planning\Choice\Progression;
use EvenRungs\Core\Planning\Edit\StandingEdit;
use EvenRungs\Core\Program\Program;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * Lets a client stand on another place of a ladder; the weeks ahead follow.
 */
final class MoveRung
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly Standings $standings,
        private readonly ClientPlanner $planner,
        private readonly KnownRungs $rungs,
    ) {
    }

    /**
     * Lets the client stand on another rung of a ladder, or on another step of the same; the note says why.
     *
     * @param  ?Range  $range  done at now, where that is less than the step has
     * @return Board as it was before
     */
    public function to(
        Client $client,
        Trainer $trainer,
        int $version,
        string $rungId,
        int $step,
        ?string $note = null,
        ?Range $range = null,
    ): Board {
        return $this->ledger->change($client, $version, function (Client $locked) use ($trainer, $rungId, $step, $note, $range): Board {
            $library = $this->data->library();
            $person = $this->boards->person($locked);
            $rung = $this->rungs->known($rungId);
            $steps = $this->planner->steps($locked);
            if ($step > $steps->last($rung)) {
                throw UnusableInput::at('/step', sprintf('must be under %d on this rung', count($steps->of($rung))));
            }
            $this->rungs->allowed($rungId, $person);
            [$step, $range] = $steps->settle($rung, $step, $range);
            $before = $this->boards->standings($locked)[$rung->ladder] ?? null;
            $board = $this->boards->load($locked);
            $program = $board->program;
            [$edited, $given] = $this->stoodOn($board, new Position($rung, $step, $range));
            $label = $before?->rung === $rung->id
                ? sprintf('%s, step %d', $rung->name, $step + 1)
                : sprintf('%s to %s', $library->ladderOf($rung)->name, $rung->name);
            $was = $this->ledger->state($locked, $program, $rung->ladder, $before);
            $after = $this->standings->stand(
                $locked,
                $rung->ladder,
                new Position($rung, $step, $range),
                Basis::HighestClean,
                [sprintf('Moved by %s%s.', $trainer->name, $note === null ? '' : ': '.rtrim($note, '. '))],
            );
            $this->ledger->record(
                $locked,
                $trainer,
                $given === [] ? $label : sprintf('%s; %s', $label, implode('; ', $given)),
                $was,
                $this->ledger->state($locked, $edited, $rung->ladder, $after),
            );
            $this->ledger->store($locked, $edited);

            return $board;
        });
    }

    /**
     * The program with a client on another place of a ladder, back inside the minutes.
     *
     * @return array{?Program, list<string>} the program, and what gives way for it
     */
    private function stoodOn(Board $board, Position $to): array
    {
        if ($board->program === null) {
            return [null, []];
        }
        $library = $this->data->library();
        $client = $board->client->standing(
            [...$board->client->standings, $to->rung->ladder => new Standing($to->rung, $to->step, $to->range)],
        );
        $progression = new Progression($library, $board->style, $board->steps(), $board->goal, Pace::of($board->program));
        $edited = (new StandingEdit($library, $board->steps()))->standOn(
            $board->program,
            $to->rung,
            $to->step,
            $to->range,
            $client,
            $progression,
            PresentWeek::of($board->program),
        );

        return $this->planner->refitted($edited, $client);
    }

    /**
     * What would give way in the weeks ahead; nothing is stored.
     *
     * @return list<string>
     */
    public function givesWay(Board $board, Position $to): array
    {
        return $this->stoodOn($board, $to)[1];
    }
}
