<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Aim;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Order\DraftItem;
use EvenRungs\Core\Planning\Session\Preparation;
use EvenRungs\Core\Planning\Session\SessionDraft;
use EvenRungs\Core\Planning\Session\SessionWriter;
use EvenRungs\Core\Planning\Session\Slot;
use EvenRungs\Core\Planning\Session\SlotDose;
use EvenRungs\Core\Program\Change;
use EvenRungs\Core\Program\SessionShape;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;

/**
 * A day's place for a session, opened with its switch-on where that leaves room, and what may stand in it: of each direction the best two
 * exercises, of what else the style adds the best one (one more each in styles with shares by role), or all that the trainer chose.
 */
final class AimedSlot
{
    private const OF_A_DIRECTION = 2;

    private const OF_AN_ACCESSORY = 1;

    private function __construct(private readonly SessionDraft $opened, public readonly AimedSession $session)
    {
    }

    /**
     * @param  array<string, list<ExerciseChoice>>  $choices  by category, the best first
     * @return ?self null where nothing has room in it
     */
    public static function of(Slot $slot, Client $client, array $choices, Library $library, Style $style, GoalRule $goal): ?self
    {
        $doses = new SlotDose($slot, $goal->circuit || $style->plan->circuit, new Steps($style, $client), $style);
        $prepared = (new Preparation($library))->of($slot, $client);
        $writer = new SessionWriter($doses, $goal, $prepared);
        $ms = static fn (?DraftItem $opening, DraftItem ...$items): int => SessionTime::total(
            $writer->write($opening, array_values($items)),
            $library,
        )->ms;
        $bare = $ms(null);
        $candidates = self::candidates($choices, $doses, $client, $style, static fn (DraftItem $item): int => $ms(null, $item) - $bare);
        $open = $choices[Category::Bracing->value][0] ?? null;
        foreach ($open === null ? [null] : [$doses->opening($open), null] as $opening) {
            $session = new AimedSession(
                $candidates,
                $slot,
                $doses->circuit,
                $ms($opening) - ($opening === null ? Change::usual()->station->ms : 0),
                SessionShape::mostExercises($slot->length, $client, $style),
                $goal,
                $style,
            );
            if ($session->hasRoom()) {
                return new self((new SessionDraft($doses, $library, $style, $goal, $prepared))->openedBy($opening), $session);
            }
        }

        return null;
    }

    /** @param  array<int, int>  $way  to fill it */
    public function filled(array $way): SessionDraft
    {
        ksort($way);
        $items = [];
        foreach ($way as $place => $sets) {
            $items[] = $this->session->candidates[$place]->item->withSets($sets);
        }

        return $this->opened->changed(static fn (): null => null, ...$items);
    }

    /**
     * @param  array<string, list<ExerciseChoice>>  $choices
     * @param  callable(DraftItem): int  $setMs  how long a set takes
     * @return list<Candidate>
     */
    private static function candidates(array $choices, SlotDose $doses, Client $client, Style $style, callable $setMs): array
    {
        $more = $style->plan->roleShares === [] ? 0 : 1;
        $candidates = [];
        foreach ([...Category::directions(), ...self::accessories($choices, $client, $style)] as $order => $category) {
            $later = $client->ladders === null ? max(0, $order - count(Category::directions())) : 0;
            $most = ($category->isDirection() ? self::OF_A_DIRECTION : self::OF_AN_ACCESSORY) + $more;
            foreach (array_slice($choices[$category->value], 0, $client->ladders === null ? $most : null) as $behind => $choice) {
                if (isset($candidates[$choice->rung->ladder])) {
                    continue;
                }
                $item = $doses->of($choice, 1);
                $rest = $item->dose->rest->ms ?? 0;
                $candidates[$choice->rung->ladder] = new Candidate(
                    $item,
                    $setMs($item),
                    $doses->circuit ? min($rest, Seconds::of(SessionWriter::CIRCUIT_REST_S)->ms) : $rest,
                    $style->filledWeights->behindBest * $behind + $style->filledWeights->laterAccessory * $later,
                );
            }
        }

        return array_values($candidates);
    }

    /**
     * @param  array<string, list<ExerciseChoice>>  $choices
     * @return list<Category>
     */
    private static function accessories(array $choices, Client $client, Style $style): array
    {
        return $client->ladders === null ? $style->plan->accessories : array_values(array_filter(
            Category::cases(),
            static fn (Category $each): bool => ! $each->isDirection() && $each !== Category::Bracing && $choices[$each->value] !== [],
        ));
    }
}
