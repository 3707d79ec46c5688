<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Fit;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\TrainingType;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Log\HardWork;
use EvenRungs\Core\Planning\Session\Preparation;
use EvenRungs\Core\Program\Block;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Fit;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionShape;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;

/**
 * One session made to fit: first its exercises, then how many of them, then what kind of session it may be that day, last the minutes.
 */
final class SessionFit
{
    private readonly EntryFit $entries;

    public function __construct(
        private readonly Library $library,
        private readonly Style $style,
        GoalRule $goal,
        private readonly Client $client,
        private readonly FitNotes $notes,
        private readonly bool $keeps = false,
    ) {
        $this->entries = new EntryFit($library, $style, $goal, $client, $notes, $keeps);
    }

    /**
     * @param  Session  $session  on a day that has minutes
     * @param  string  $where  JSON pointer of the session as it was
     * @return ?Session null where nothing of it remains
     */
    public function session(Session $session, string $where): ?Session
    {
        $own = $this->entries->inSession($session, $where);
        $own = $this->keeps ? $own : $this->uncrowded($own, $where);
        if ($own->entries() === []) {
            return null;
        }
        $own = $this->ofKind($own, $where);
        $own = $this->inMinutes((new Preparation($this->library))->suiting($own, $this->client), $where);

        return $own === null ? null : $own->withClaimed(SessionTime::total($own, $this->library));
    }

    /** No more exercises than the shape of a session has: what is no direction goes first, then second exercises of a direction. */
    private function uncrowded(Session $session, string $where): Session
    {
        $length = Seconds::of(60 * $this->client->minutesOn($session->day));
        $most = SessionShape::mostExercises($length, $this->client);
        while (count($this->beside($session)) > $most) {
            $entries = $this->beside($session);
            $shares = [];
            foreach ($entries as $entry) {
                $code = $this->categoryOf($entry)->value ?? '';
                $shares[$code] = ($shares[$code] ?? 0) + 1;
            }
            $price = fn (Entry $entry): int => match (true) {
                ! ($this->categoryOf($entry)?->isDirection() ?? false) => 0,
                ($shares[$this->categoryOf($entry)->value ?? ''] ?? 0) > 1 => 1,
                default => 2,
            };
            $goes = $entries[0];
            foreach ($entries as $entry) {
                $goes = $price($entry) <= $price($goes) ? $entry : $goes;
            }
            $this->notes->leftOut($where, $this->name($goes), sprintf(
                '%d exercises are enough in %s: fewer of them, with sets.',
                $most,
                $length->toClock(),
            ));
            $session = $session->withBlocks(self::without($session->blocks, $goes));
        }

        return $session;
    }

    /**
     * @param  list<Block>  $blocks
     * @return list<Block>
     */
    private static function without(array $blocks, Entry $gone): array
    {
        $left = [];
        foreach ($blocks as $block) {
            $entries = array_values(array_filter($block->entries(), static fn (Entry $entry): bool => $entry !== $gone));
            if ($entries !== [] || $block->entries() === []) {
                $left[] = $entries === $block->entries() ? $block : $block->withEntries($entries);
            }
        }

        return $left;
    }

    /** @return list<Entry> what counts as an exercise beside switch-on and bracing */
    private function beside(Session $session): array
    {
        return array_values(
            array_filter($session->entries(), fn (Entry $entry): bool => $this->categoryOf($entry) !== Category::Bracing),
        );
    }

    private function categoryOf(Entry $entry): ?Category
    {
        return $this->library->find($entry->exercise)?->category;
    }

    private function name(Entry $entry): string
    {
        return $this->library->find($entry->exercise)->name ?? $entry->exercise;
    }

    /** On a day of heavy lifting hard work goes after the lift. */
    private function ofKind(Session $session, string $where): Session
    {
        $isBefore = in_array($session->kind, [Kind::BeforeLift, Kind::Standalone], true);
        $lifts = in_array(TrainingType::HeavyLift, $this->client->otherTrainingOn($session->day), true);
        if (! $isBefore || ! $lifts || ! HardWork::isHardSession($session, $this->library, $this->style)) {
            return $session;
        }
        $this->notes->changed(
            $where.'/kind',
            $session->kind->value,
            Kind::AfterLift->value,
            sprintf('%s lifts heavy on %s, and it is hard.', $this->client->name, $session->day->label()),
        );

        return $session->asKind(Kind::AfterLift);
    }

    private function inMinutes(Session $session, string $where): ?Session
    {
        $budget = Seconds::of(60 * $this->client->minutesOn($session->day));
        if (SessionTime::total($session, $this->library)->isLongerThan($budget) && ! $session->warmUp->plus($session->coolDown)->isZero()) {
            [$warmUp, $coolDown] = SessionShape::preparation($budget);
            $shorter = new Session(
                $session->day,
                $session->kind,
                $session->blocks,
                $session->warmUp->isLongerThan($warmUp) ? $warmUp : $session->warmUp,
                $session->coolDown->isLongerThan($coolDown) ? $coolDown : $session->coolDown,
                $session->change,
                $session->claimed,
                $session->x,
                $session->prepared->within($warmUp, $coolDown),
            );
            if ($shorter != $session) {
                $this->notes->changed(
                    $where,
                    sprintf('Warm-up %s, cool-down %s', $session->warmUp->toClock(), $session->coolDown->toClock()),
                    sprintf('Warm-up %s, cool-down %s', $shorter->warmUp->toClock(), $shorter->coolDown->toClock()),
                    sprintf('%s has %s on %s.', $this->client->name, $budget->toClock(), $session->day->label()),
                );
                $session = $shorter;
            }
        }
        $cuts = (new Fit($this->library))->cutsInto($session, $budget);
        if ($cuts === null) {
            foreach ($session->entries() as $entry) {
                $why = sprintf('Even the shortest of it takes longer than %s.', $budget->toClock());
                $this->notes->leftOut($where, $this->name($entry), $why);
            }

            return null;
        }
        foreach ($cuts as $cut) {
            $this->notes->changed($where, $cut->what, null, sprintf('To keep %s: %s.', $budget->toClock(), $cut->costs));
            $session = $cut->session;
        }

        return $session;
    }
}
