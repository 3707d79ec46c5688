<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;
use EvenRungs\Core\Planning\Choice\Pace;
use EvenRungs\Core\Planning\Order\DraftItem;
use EvenRungs\Core\Planning\Session\SessionDraft;
use EvenRungs\Core\Program\Note;
use EvenRungs\Core\Program\SessionShape;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;

/**
 * What a reader of a week would ask: minutes that are left, and a client for whom hardly anything can be planned.
 */
final class WeekNotes
{
    /** With fewer directions that can be trained at all nothing is programmable (house rule). */
    private const LEAST_DIRECTIONS = 2;

    public function __construct(private readonly Style $style, private readonly GoalRule $goal)
    {
    }

    /**
     * @param  array<string, list<ExerciseChoice>>  $choices
     * @return list<Note>
     */
    public function ofChoices(array $choices): array
    {
        $open = array_filter(Category::directions(), static fn (Category $direction): bool => $choices[$direction->value] !== []);

        return count($open) >= self::LEAST_DIRECTIONS ? [] : [new Note(
            1,
            null,
            Note::NOTHING_PROGRAMMABLE,
            'Fewer than two directions can be trained at all with what bars, is missing or comes first. A clinician sees the client '
                .'before anything is planned; what stands here is no program.',
        )];
    }

    /**
     * @param  array<string, list<ExerciseChoice>>  $choices
     * @return list<Note> how fast steps are expected, where logs show it
     */
    public function ofPace(array $choices, Pace $pace, Library $library): array
    {
        $told = [];
        foreach (array_merge([], ...array_values($choices)) as $choice) {
            $weeks = $pace->weeks[$choice->rung->ladder] ?? null;
            if ($weeks !== null) {
                $name = $library->ladderOf($choice->rung)->name;
                $told[$name] = sprintf('%s %s', $name, $weeks === 1 ? 'every week' : "every {$weeks} weeks");
            }
        }
        $text = sprintf('Steps are expected at the client’s own pace, as the logs show it: %s.', implode(', ', $told));

        return $told === [] ? [] : [new Note(1, null, Note::GROWTH_PACE, $text)];
    }

    /** @return list<Note> */
    public function ofMinutes(int $number, DraftedWeek $week, Client $client): array
    {
        $notes = [];
        foreach ($week->drafts as $draft) {
            $day = $draft->doses->slot->day;
            $given = Seconds::of(60 * $client->minutesOn($day));
            $total = $draft->total();
            $why = $draft->doses->slot->mayBeHard && 100 * $total->ms < $this->style->filledWeights->usedPercent * $given->ms
                ? $this->why($draft, $client, $given)
                : null;
            if ($why !== null) {
                $left = Seconds::ofMs($given->ms - $total->ms);
                $text = sprintf('%s: %s are left. %s', $day->label(), $left->toClock(), $why);
                $notes[] = new Note($number, $day, Note::MINUTES_UNUSED, $text);
            }
        }

        return $notes;
    }

    private function why(SessionDraft $draft, Client $client, Seconds $given): string
    {
        $slot = $draft->doses->slot;
        $most = SessionShape::mostExercises($slot->length, $client, $this->style);
        $sets = array_map(static fn (DraftItem $item): int => $item->dose->sets, $draft->items());
        $used = $this->style->filledWeights->usedPercent;
        $exercises = $most === 1 ? 'its one exercise' : sprintf('its %d exercises', $most);

        return match (true) {
            $given->isLongerThan($slot->length) && 100 * $draft->total()->ms >= $used * $slot->length->ms => sprintf(
                '%s keeps a session to %s.',
                $this->style->name,
                $slot->length->toClock(),
            ),
            count($sets) >= $most && min([...$sets, $this->goal->mostSets]) >= $this->goal->mostSets => sprintf(
                'It has %s, %s the most sets of the goal.',
                $exercises,
                $most === 1 ? 'with' : 'each with',
            ),
            count($sets) >= $most => sprintf(
                'It has %s, and one more set of any is too long or leaves the directions uneven.',
                $exercises,
            ),
            default => 'No further exercise that is open has room with two sets, and one more set of any leaves the directions uneven.',
        };
    }
}
