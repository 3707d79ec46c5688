<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Time\Seconds;

/**
 * Makes a session fit its minutes. The cheapest cuts come first: rest that stands alone, third and later sets or rounds, what is no
 * direction, a second exercise of a direction, second sets, and last the only exercise of a direction (house rule). Among cuts of one price
 * the one that gives the most time is first.
 */
final class Fit
{
    private const REST = 1;

    private const LATER_SET = 2;

    private const NO_DIRECTION = 3;

    private const SECOND_OF_DIRECTION = 4;

    private const SECOND_SET = 5;

    private const ONLY_OF_DIRECTION = 6;

    public function __construct(private readonly Library $library)
    {
    }

    /** @return list<Cut> the cheapest first */
    public function cuts(Session $session): array
    {
        $cuts = [];
        $whole = SessionTime::total($session, $this->library);
        $perDirection = $this->perDirection($session);
        foreach ($session->blocks as $b => $block) {
            if ($block instanceof RestBlock) {
                $cuts[] = $this->cut(
                    'The rest of '.$block->rest->toClock(),
                    'less time to recover',
                    self::REST,
                    $whole,
                    $this->without($session, $b),
                );
            }
            if ($block instanceof CircuitBlock && $block->rounds > 1) {
                $fewer = $this->replaced(
                    $session,
                    $b,
                    new CircuitBlock($block->entries(), $block->rounds - 1, $block->roundRest, $block->restAfter()),
                );
                $cuts[] = $this->cut(
                    sprintf('Round %d of the circuit', $block->rounds),
                    sprintf('one of %d sets of all its exercises', $block->rounds),
                    $block->rounds > 2 ? self::LATER_SET : self::SECOND_SET,
                    $whole,
                    $fewer,
                );
            }
            foreach ($block->entries() as $e => $entry) {
                $name = $this->library->find($entry->exercise)->name ?? $entry->exercise;
                $category = $this->library->find($entry->exercise)?->category;
                if ($entry->dose->sets > 1) {
                    $sets = $entry->dose->sets;
                    $fewer = $session->changeEntry(
                        $b,
                        $e,
                        static fn (Entry $old): Entry => $old->withDose($old->dose->withSets($sets - 1)),
                    );
                    $cuts[] = $this->cut(
                        sprintf('Set %d of %s', $sets, lcfirst($name)),
                        sprintf('one of %d sets%s', $sets, $category === null ? '' : ' of '.lcfirst($category->label())),
                        $sets > 2 ? self::LATER_SET : self::SECOND_SET,
                        $whole,
                        $fewer,
                    );
                }
                if (count($session->entries()) > 1) {
                    $side = ExtraSet::side($entry);
                    [$price, $costs] = $side === null ? $this->priceOf($category, $perDirection) : [
                        self::LATER_SET,
                        sprintf('the extra set of the %s side', $side),
                    ];
                    $cuts[] = $this->cut(
                        $name,
                        $costs,
                        $price,
                        $whole,
                        ExtraSet::withoutOrphans($session->changeEntry($b, $e, static fn (): ?Entry => null)),
                    );
                }
            }
        }
        $cuts = array_values(array_filter($cuts, static fn (Cut $cut): bool => ! $cut->saves->isZero()));
        usort($cuts, static fn (Cut $a, Cut $b): int => [$a->price, -$a->saves->ms, $a->what] <=> [$b->price, -$b->saves->ms, $b->what]);

        return $cuts;
    }

    /** @return ?Session the session inside the minutes; null where even its last exercise takes too long */
    public function into(Session $session, Seconds $budget): ?Session
    {
        $cuts = $this->cutsInto($session, $budget);

        return $cuts === null ? null : ($cuts === [] ? $session : $cuts[count($cuts) - 1]->session);
    }

    /**
     * @param  bool  $setsFirst  whether every exercise keeps one set for as long as there are second ones: what somebody moves up on is not
     *                           taken away for it
     * @return list<Cut>|null what is cut for it, one after the other; null where even its last exercise takes too long
     */
    public function cutsInto(Session $session, Seconds $budget, bool $setsFirst = false): ?array
    {
        $cuts = [];
        while (SessionTime::total($session, $this->library)->isLongerThan($budget)) {
            $all = $this->cuts($session);
            $isSet = static fn (Cut $each): bool => $each->price === self::SECOND_SET || $each->price <= self::LATER_SET;
            $sets = $setsFirst ? array_values(array_filter($all, $isSet)) : [];
            $cut = $sets[0] ?? $all[0] ?? null;
            if ($cut === null) {
                return null;
            }
            $cuts[] = $cut;
            $session = $cut->session;
        }

        return $cuts;
    }

    /** @return array<string, int> exercises by direction */
    private function perDirection(Session $session): array
    {
        $count = [];
        foreach ($session->entries() as $entry) {
            if (ExtraSet::side($entry) !== null) {
                continue;
            }
            $code = $this->library->find($entry->exercise)?->category->value ?? '';
            $count[$code] = ($count[$code] ?? 0) + 1;
        }

        return $count;
    }

    /**
     * @param  array<string, int>  $perDirection
     * @return array{int, string} price, and what is lost
     */
    private function priceOf(?Category $category, array $perDirection): array
    {
        return match (true) {
            $category === null => [self::NO_DIRECTION, 'an exercise that nobody knows'],
            ! $category->isDirection() => [self::NO_DIRECTION, 'no direction, only '.lcfirst($category->label())],
            ($perDirection[$category->value] ?? 0) > 1 => [
                self::SECOND_OF_DIRECTION,
                sprintf('one of %d exercises of %s', $perDirection[$category->value], lcfirst($category->label())),
            ],
            default => [self::ONLY_OF_DIRECTION, sprintf('all of %s', lcfirst($category->label()))],
        };
    }

    private function cut(string $what, string $costs, int $price, Seconds $whole, Session $session): Cut
    {
        return new Cut(
            $what,
            $costs,
            Seconds::ofMs(max(0, $whole->ms - SessionTime::total($session, $this->library)->ms)),
            $price,
            $session,
        );
    }

    private function without(Session $session, int $block): Session
    {
        $blocks = $session->blocks;
        array_splice($blocks, $block, 1);

        return $session->withBlocks($blocks);
    }

    private function replaced(Session $session, int $block, CircuitBlock $by): Session
    {
        $blocks = $session->blocks;
        $blocks[$block] = $by;

        return $session->withBlocks(array_values($blocks));
    }
}
