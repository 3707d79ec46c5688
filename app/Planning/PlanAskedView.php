<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use EvenRungs\Core\Planning\Edit\CarriedOver;
use EvenRungs\Core\Planning\Edit\ProgramEdit;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Program;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * What planning anew would change, before it is done.
 */
final class PlanAskedView
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly ClientPlanner $planner,
        private readonly WeekView $weeks,
    ) {
    }

    /**
     * @return array<string, mixed>
     *
     * @throws UnusableInput when no week can be planned
     */
    public function of(Client $client): array
    {
        $board = $this->boards->load($client);
        $planned = $this->planner->plannedAnew($client);
        $now = $board->program === null ? null : $board->program->weeks[PresentWeek::of($board->program) - 1] ?? null;

        return [
            'asked' => $client->plan_asked,
            'now' => $now === null ? null : $this->weeks->of($now, $board),
            'then' => $this->weeks->of($planned->weeks[0], $board->with($planned)),
            'weeks' => count($planned->weeks),
            'stays' => $this->stays($planned),
        ];
    }

    /** @return list<string> what the trainer typed or built that is in it */
    private function stays(Program $planned): array
    {
        $stays = [];
        foreach ($planned->weeks as $week) {
            foreach ($week->sessions as $session) {
                if (CarriedOver::isByHand($session)) {
                    $stays[] = sprintf('%s of week %d, built by hand', $session->day->label(), $week->number);

                    continue;
                }
                foreach ($session->entries() as $entry) {
                    $what = $this->typed($entry);
                    if ($what !== []) {
                        $name = $this->data->library()->find($entry->exercise)->name ?? $entry->exercise;
                        $stays[] = sprintf('%s: %s', $name, implode(', ', $what));
                    }
                }
            }
        }

        return array_values(array_unique($stays));
    }

    /** @return list<string> */
    private function typed(Entry $entry): array
    {
        return array_keys(array_filter([
            'dose' => array_filter($entry->planned->why ?? [], ProgramEdit::isTyped(...)) !== [],
            'load' => $entry->dose->loadKg !== null,
            'note' => $entry->note !== null,
        ]));
    }
}
