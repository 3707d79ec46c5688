<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Edit;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\LostDirections;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\ProgramRefit;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Week;

/**
 * What the trainer typed into a program, put into the one that is planned in its place: doses, loads and notes where the rung stays, and
 * sessions that were built by hand, without what the client may not do any more.
 */
final class CarriedOver
{
    private const BY_HAND = 'by_hand';

    public function __construct(private readonly Library $library, private readonly Client $client)
    {
    }

    /** A session that planning anew leaves alone, until the trainer lets it go. */
    public static function byHand(Session $session, bool $isKept = true): Session
    {
        return $session->withX($isKept ? $session->x->with(self::BY_HAND, true) : $session->x->without(self::BY_HAND)->orNone());
    }

    public static function isByHand(Session $session): bool
    {
        return $session->x->get(self::BY_HAND) === true;
    }

    /**
     * @param  Program  $planned  what is planned now
     * @param  Program  $old  what it takes the place of
     * @param  int  $from  the week of the old program that the first new one takes the place of, from 0
     */
    public function into(Program $planned, Program $old, int $from): Program
    {
        $typed = [];
        foreach ($planned->weeks as $w => $week) {
            $was = $old->weeks[$from + $w] ?? $old->weeks[count($old->weeks) - 1] ?? null;
            $typed[] = $was === null ? $week : $this->typed($week, $was);
        }
        $fitted = ProgramRefit::of($this->library)->into($planned->withWeeks($typed), $this->client)[0];
        $weeks = [];
        foreach ($fitted->weeks as $w => $week) {
            $weeks[] = $this->withHandMade($week, $old->weeks[$from + $w] ?? null);
        }

        return LostDirections::named(
            $fitted,
            $fitted->withWeeks($weeks),
            $this->library,
            'The session that was built by hand does not train it.',
        );
    }

    private function typed(Week $week, Week $was): Week
    {
        return $week->withSessions(array_map(function (Session $session) use ($was): Session {
            $blocks = [];
            foreach ($session->blocks as $block) {
                $inRounds = $block instanceof CircuitBlock;
                $blocks[] = $block->withEntries(array_map(
                    fn (Entry $entry): Entry => $this->like($entry, $inRounds, $session, $was),
                    $block->entries(),
                ));
            }
            $typed = $session->withBlocks($blocks);

            return $typed->withClaimed(SessionTime::total($typed, $this->library));
        }, $week->sessions));
    }

    /** The entry with what was typed at the same rung: on the same day where it was there, else on the first. */
    private function like(Entry $entry, bool $inRounds, Session $session, Week $was): Entry
    {
        $found = null;
        foreach ($was->sessions as $before) {
            foreach ($before->blocks as $block) {
                foreach ($block->entries() as $old) {
                    $isSame = ExtraSet::side($old) === null
                        && $this->library->identity($old->exercise) === $this->library->identity($entry->exercise);
                    if ($isSame && ($found === null || $before->day === $session->day)) {
                        $found = [$old, $block instanceof CircuitBlock];
                        if ($before->day === $session->day) {
                            break 3;
                        }
                    }
                }
            }
        }
        if ($found === null) {
            return $entry;
        }
        [$old, $wasInRounds] = $found;
        $dose = $entry->dose->withLoad($old->dose->loadKg ?? $entry->dose->loadKg);
        $why = array_filter($old->planned->why ?? [], ProgramEdit::isTyped(...));
        if ($why !== []) {
            $dose = $inRounds === $wasInRounds ? $old->dose : $old->dose->withSets($entry->dose->sets);
        }
        $like = new Entry($entry->exercise, $dose, $old->note ?? $entry->note, $entry->planned, $entry->x);

        return array_reduce($why, static fn (Entry $so, string $reason): Entry => $so->because($reason), $like);
    }

    private function withHandMade(Week $week, ?Week $was): Week
    {
        $handMade = array_filter(array_map(
            (new Allowed($this->library, $this->client))->session(...),
            array_filter($was->sessions ?? [], self::isByHand(...)),
        ));
        $days = array_map(static fn (Session $session): string => $session->day->value, $handMade);
        $sessions = [
            ...array_filter($week->sessions, static fn (Session $session): bool => ! in_array($session->day->value, $days, true)),
            ...$handMade,
        ];
        usort($sessions, static fn (Session $a, Session $b): int => $a->day->number() <=> $b->day->number());

        return $handMade === [] ? $week : $week->withSessions($sessions);
    }
}
