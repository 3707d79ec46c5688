<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\WhyNot;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Planning\Week\GapLifts;
use EvenRungs\Core\Style\Style;

/**
 * What in the plan as a whole may leave no place for an exercise that nothing else keeps out.
 */
final class PlanLifts
{
    public function __construct(
        private readonly Library $library,
        private readonly Style $style,
        private readonly Client $client,
        private readonly Rung $rung,
    ) {
    }

    /** @return list<Lift> what the plan as a whole leaves no place for, the nearest first */
    public function all(): array
    {
        $only = $this->laddersWithOnly();
        $ladder = $this->library->ladderOf($this->rung)->name;
        $among = $this->rung->category->isDirection() ? 'of '.lcfirst($this->rung->category->label()) : 'beside the directions';
        $gap = new GapLifts($this->library);
        $category = $this->rung->category;
        $isChosen = $this->client->ladders === null || in_array($this->rung->ladder, $this->client->ladders, true);

        return [
            Lift::ofClient(
                $isChosen ? 'turn' : 'ladders-chosen',
                $isChosen
                    ? sprintf(
                        $this->client->ladders === null
                            ? 'Other ladders %s come first: the surest, then the highest level.'
                            : 'Other ladders %s that are chosen have their turn.',
                        $among,
                    )
                    : sprintf('%s is not among the chosen ladders, and others %s would have their turn.', $ladder, $among),
                'ladders',
                static fn (Client $client): Client => $client->but(ladders: $only),
            ),
            Lift::ofClient(
                'minutes',
                'The minutes of the days leave no room for it.',
                'days',
                static fn (Client $client): Client => $gap->lift('minutes', $client, $category),
            ),
            Lift::ofClient(
                'light-day',
                'Beside other training the days stay light.',
                'other_training',
                static fn (Client $client): Client => $gap->lift('light-day', $client, $category),
            ),
        ];
    }

    /** @return list<string> the ladders in use, of its own category only its own; beside the directions no other category */
    private function laddersWithOnly(): array
    {
        $category = $this->rung->category;

        return array_values(array_filter(
            [...array_diff(self::laddersInUse($this->client, $this->style, $this->library), [$this->rung->ladder]), $this->rung->ladder],
            function (string $id) use ($category): bool {
                $other = $this->library->ladder($id)->category;

                $isMeant = $category->isDirection() || $other->isDirection() || $other === Category::Bracing;

                return $id === $this->rung->ladder || ($other !== $category && $isMeant);
            },
        ));
    }

    /** @return list<string> ladders that the plan goes by */
    public static function laddersInUse(Client $client, Style $style, Library $library): array
    {
        return $client->ladders ?? array_values(array_diff(
            array_map(static fn (Ladder $ladder): string => $ladder->id, $library->ladders),
            $style->plan->withoutLadders,
        ));
    }
}
