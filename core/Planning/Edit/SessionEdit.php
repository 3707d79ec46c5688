<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Edit;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Rounds;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Order\BestOrder;
use EvenRungs\Core\Planning\Order\OrderItem;
use EvenRungs\Core\Program\Block;
use EvenRungs\Core\Program\Change;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\StraightBlock;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\UnknownName;
use EvenRungs\Core\Unreadable;

/**
 * Changes to one session as the builder makes them, by the rules of the job: rounds, an exercise more, the best order.
 */
final class SessionEdit
{
    public function __construct(private readonly Library $library)
    {
    }

    /** A dose written without a side is for both at once where the rung is not done side by side. */
    public function sided(Dose $dose, Entry $entry): Dose
    {
        return $dose->side === null && $this->library->find($entry->exercise)?->side === Side::Both
            ? $dose->withSide(Side::Both)
            : $dose;
    }

    /**
     * The block as a circuit, as it is jotted down: `3 rounds`, `3 rounds 50:25`.
     *
     * @throws InvalidValue where the text is no circuit, or there is nothing to go round
     */
    public function withRounds(Session $session, int $place, string $text): Session
    {
        $rounds = Rounds::parse($text) ?? throw Unreadable::because(
            sprintf('"%s" is no circuit; write 3 rounds, or 3 rounds 50:25 for work and rest in seconds', mb_substr($text, 0, 40)),
        );
        $block = $session->blocks[$place] ?? throw UnknownName::because('there is no such block');
        $entries = array_map(static function (Entry $entry) use ($rounds): Entry {
            $dose = $entry->dose->withSets(1);
            $each = $dose->isPerSide() ? Side::Each : $dose->side;

            return $rounds->work === null ? $entry->withDose($dose) : $entry->withDose(
                new Dose(new Work($rounds->work), 1, $each, $rounds->rest, $dose->loadKg, $dose->range),
            );
        }, $block->entries());
        if ($entries === []) {
            throw Contradiction::because('a rest has no rounds');
        }

        $made = $this->withBlock(
            $session,
            $place,
            new CircuitBlock(
                $entries,
                $rounds->count,
                $block instanceof CircuitBlock ? $block->roundRest : Seconds::zero(),
                $block->restAfter(),
            ),
        );

        return self::isTimed($made) ? $made->withChange(Change::none()) : $made;
    }

    /** Whether nothing but work times is in it: people change inside the rest then (common practice, no source). */
    private static function isTimed(Session $session): bool
    {
        foreach ($session->entries() as $entry) {
            if (! $entry->dose->measure instanceof Work) {
                return false;
            }
        }

        return true;
    }

    private function withBlock(Session $session, int $place, Block $block): Session
    {
        $blocks = $session->blocks;
        $blocks[$place] = $block;

        return $session->withBlocks(array_values($blocks));
    }

    /** An exercise at the end of a block, or in a new one behind the others, at its start dose or for the work time of the circuit. */
    public function added(Session $session, int $place, string $exercise, Steps $steps): Session
    {
        $rung = $this->library->find($exercise) ?? throw UnknownName::because(
            sprintf('"%s" is not in the library', mb_substr($exercise, 0, 60)),
        );
        $dose = $steps->of($rung)[0];
        if ($place === count($session->blocks)) {
            return $session->withBlocks([...$session->blocks, new StraightBlock([new Entry($rung->id, $dose)], Seconds::zero())]);
        }
        $block = $session->blocks[$place] ?? throw UnknownName::because('there is no such block');
        $model = $block->entries()[0] ?? null;
        if ($block instanceof CircuitBlock && $model !== null) {
            $dose = $model->dose->measure instanceof Work
                ? new Dose($model->dose->measure, 1, $rung->side === Side::Both ? Side::Both : Side::Each, $model->dose->rest)
                : $dose->withSets(1);
        }

        return $this->withBlock($session, $place, $block->withEntries([...$block->entries(), new Entry($rung->id, $dose)]));
    }

    public function ordered(Session $session, int $place, Style $style, ?GoalRule $goal = null): Session
    {
        $block = $session->blocks[$place] ?? throw UnknownName::because('there is no such block');
        $best = $this->order($block, $style, $goal);
        if ($best === null) {
            return $session;
        }
        $entries = $block->entries();

        return $this->withBlock(
            $session,
            $place,
            $block->withEntries(array_map(static fn (int $from): Entry => $entries[$from], $best->best())),
        );
    }

    /** Null where there is nothing to order, or an exercise that nobody knows. */
    public function order(Block $block, Style $style, ?GoalRule $goal = null): ?BestOrder
    {
        $items = [];
        foreach ($block->entries() as $entry) {
            $rung = $this->library->find($entry->exercise);
            if ($rung === null) {
                return null;
            }
            $items[] = new OrderItem($rung, $entry->dose);
        }

        return count($items) < 2 ? null : new BestOrder(
            $items,
            $goal->order ?? $style->plan->order,
            $style->orderWeights,
        );
    }
}
