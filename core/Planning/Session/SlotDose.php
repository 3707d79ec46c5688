<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Session;

use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Order\DraftItem;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Style\Style;

/**
 * At what dose a choice is done in a slot: its step, shorter in a switch-on, many where the style does light accessories in many.
 */
final class SlotDose
{
    /** @param  bool  $circuit  whether the main part runs in rounds */
    public function __construct(
        public readonly Slot $slot,
        public readonly bool $circuit,
        private readonly Steps $steps,
        private readonly Style $style,
    ) {
    }

    public function opening(ExerciseChoice $choice): DraftItem
    {
        return new DraftItem(
            $choice,
            $this->steps->dose($choice->rung, $choice->step, $choice->range)->withSets(1),
            [...$choice->why, 'Switch-on first: brace and breathe before the work.'],
        );
    }

    public function of(ExerciseChoice $choice, int $sets): DraftItem
    {
        $step = $this->slot->kind === Kind::Activation ? $this->switchOnStep($choice) : $choice->step;
        $dose = $this->steps->dose($choice->rung, $step, $choice->range)->withSets($sets);
        $why = $this->steps->why($choice->rung, $step, $choice->range);
        $many = $this->circuit ? $this->steps->many($choice->rung) : null;
        if ($many !== null && ! Steps::isAtMost($many, $dose->measure)) {
            $dose = $dose->withMeasure($many);
            $why[] = sprintf(
                '%d repetitions: %s does light accessories in many (common practice, no source).',
                $many->count,
                $this->style->name,
            );
        }

        return new DraftItem($choice, $dose, [...$choice->why, ...$why]);
    }

    /** A switch-on never holds long: the highest step up to the client's own that keeps its line. */
    private function switchOnStep(ExerciseChoice $choice): int
    {
        for ($step = $choice->step; $step > 0 && $this->steps->dose(
            $choice->rung,
            $step,
        )->measure->longestHold()->isLongerThan($this->style->switchOnHold); $step--);

        return $step;
    }
}
