<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Time\Seconds;

/**
 * One set more for the weaker side as a part of the plan: an entry of its own after the block of its exercise, with the dose of one side,
 * so that it is timed, printed, run and logged as every other. It says which side in what an entry carries along.
 */
final class ExtraSet
{
    /** From so many per cent of the other side on it is needed no more (house rule). */
    public const ENOUGH_PERCENT = 90;

    /** Where an entry says that it is the extra set of a side. */
    private const KEY = 'extra';

    /** @return 'left'|'right'|null the side of an entry that is an extra set */
    public static function side(Entry $entry): ?string
    {
        $side = $entry->x->get(self::KEY);

        return $side === 'left' || $side === 'right' ? $side : null;
    }

    /** The session without the extra sets whose exercise is not in it any more. */
    public static function withoutOrphans(Session $session): Session
    {
        $main = [];
        foreach ($session->entries() as $entry) {
            $main[$entry->exercise] = ($main[$entry->exercise] ?? false) || self::side($entry) === null;
        }
        $blocks = [];
        foreach ($session->blocks as $block) {
            $entries = array_values(array_filter($block->entries(), static fn (Entry $entry): bool => $main[$entry->exercise]));
            if ($entries !== [] || $block->entries() === []) {
                $blocks[] = $entries === $block->entries() ? $block : $block->withEntries($entries);
            }
        }

        return $blocks === $session->blocks ? $session : $session->withBlocks($blocks);
    }

    /**
     * The weeks from the present one on with the extra sets that are asked for, and with no other.
     *
     * @param  array<string, 'left'|'right'>  $sides  by ladder
     * @param  int  $present  week that is trained now; 1 is the first
     */
    public static function into(Program $program, array $sides, Library $library, int $present): Program
    {
        $has = static fn (Program $of): bool => array_filter(
            $of->weeks,
            static fn (Week $week): bool => array_filter(
                $week->sessions,
                static fn (Session $session): bool => array_filter(
                    $session->entries(),
                    static fn (Entry $entry): bool => self::side($entry) !== null,
                ) !== [],
            ) !== [],
        ) !== [];

        return $sides === [] && ! $has($program) ? $program : $program->mapSessions(
            static fn (
                Session $session,
                Week $week,
            ): Session => $week->number < $present ? $session : self::session($session, $sides, $library),
        );
    }

    /** @param  array<string, 'left'|'right'>  $sides  by ladder */
    private static function session(Session $session, array $sides, Library $library): Session
    {
        $blocks = [];
        foreach ($session->blocks as $block) {
            $entries = array_values(array_filter($block->entries(), static fn (Entry $entry): bool => self::side($entry) === null));
            if ($entries !== [] || $block->entries() === []) {
                $blocks[] = $entries === $block->entries() ? $block : $block->withEntries($entries);
            }
            foreach ($entries as $entry) {
                $side = $sides[$library->find($entry->exercise)->ladder ?? ''] ?? null;
                if ($side !== null && $entry->dose->isPerSide() && ! $entry->dose->measure instanceof Work) {
                    $blocks[] = self::extra($entry, $side, $block);
                }
            }
        }
        $changed = $session->withBlocks($blocks);

        return $blocks === $session->blocks ? $session : $changed->withClaimed(SessionTime::total($changed, $library));
    }

    private static function extra(Entry $entry, string $side, Block $after): StraightBlock
    {
        $dose = $entry->dose->withSets(1)->withSide(Side::Both);

        return new StraightBlock([new Entry(
            $entry->exercise,
            $dose,
            sprintf('One set more, %s only, until it comes to %d %% of the other.', $side, self::ENOUGH_PERCENT),
            $entry->planned,
            $entry->x->with(self::KEY, $side),
        )], $after instanceof StraightBlock ? $after->restAfter() : Seconds::zero());
    }
}
