<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use App\Models\Trainer;
use App\Support\StudioDay;
use EvenRungs\Core\Ladder\DoseRange;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Program\Block;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Session;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * What speaks against an entry, and that the trainer keeps it all the same.
 */
final class KeptAllTheSame
{
    public function __construct(
        private readonly BoardLoader $boards,
        private readonly DataFolder $data,
    ) {
    }

    /**
     * Sessions in which nothing stands that limits, age, a stop or a clearance forbid, and no dose that is far out, unless the trainer
     * says why: then that is kept with the exercise.
     *
     * @param  list<Session>  $sessions
     * @return list<Session>
     *
     * @throws UnusableInput at /insist, naming each
     */
    public function sessions(Client $client, Trainer $trainer, array $sessions, ?string $insist): array
    {
        $board = $this->boards->load($client);
        $why = trim($insist ?? '');
        $asked = [];
        $kept = [];
        foreach ($sessions as $session) {
            $blocks = [];
            foreach ($session->blocks as $block) {
                $entries = [];
                foreach ($block->entries() as $entry) {
                    $reasons = Insistence::of($entry) === null ? $this->against($board, $block, $entry) : [];
                    $asked = [...$asked, ...$reasons];
                    $entries[] = $reasons === [] || $why === '' ? $entry : Insistence::on(
                        $entry,
                        mb_substr($why, 0, 300),
                        $trainer->name,
                        StudioDay::today()->toDateString(),
                    );
                }
                $blocks[] = $entries === [] ? $block : $block->withEntries($entries);
            }
            $kept[] = $session->withBlocks($blocks);
        }
        if ($asked !== [] && $why === '') {
            throw UnusableInput::at('/insist', sprintf('say why it is kept all the same: %s', implode('. ', array_unique($asked))));
        }

        return $kept;
    }

    /** @return list<string> what speaks against an entry: what bars it, or a dose that is far from usual; at most one line */
    private function against(Board $board, Block $block, Entry $entry): array
    {
        $library = $this->data->library();
        $rung = $library->find($entry->exercise);
        if ($rung === null) {
            return [];
        }
        $range = DoseRange::outside(
            $entry->dose,
            $board->steps()->of($rung),
            $block instanceof CircuitBlock ? $block->rounds : $entry->dose->sets,
        );
        $reasons = [
            ...Obstacles::between($board->client, $rung, $library)->safety($library),
            ...($range?->isFar === true ? [$range->text] : []),
        ];

        return $reasons === [] ? [] : [sprintf('%s %s', $rung->name, implode('; ', $reasons))];
    }
}
