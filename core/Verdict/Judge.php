<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Log\History;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Placement\Moves;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;

/**
 * Progress, stay, regress, or stop: the first rule that fits decides. Pain goes before everything, and missing data never counts as a
 * pass. The rules are those of the open formats.
 */
final class Judge
{
    /** Every rule, in the order they are asked. */
    public const RULES = [
        Rules\PainStop::class,
        Rules\PainCleared::class,
        Rules\Layoff::class,
        Rules\PainCaution::class,
        Rules\FaultRepeat::class,
        Rules\Soreness::class,
        Rules\Earned::class,
        Rules\Stay::class,
    ];

    public readonly Steps $steps;

    private readonly Moves $moves;

    private readonly Style $style;

    /**
     * @param  ?Client  $client  whose limits, kit, gates and age bar rungs; null where nobody is meant
     * @param  ?GoalRule  $goal  of the client
     */
    public function __construct(
        private readonly Library $library,
        Style $style,
        private readonly ?Client $client = null,
        ?GoalRule $goal = null,
    ) {
        $this->style = $client === null ? $style : $style->suiting($client);
        $this->steps = new Steps($style, $client);
        $this->moves = new Moves($library, $goal, $style);
    }

    public function decide(History $history): Verdict
    {
        $matter = $this->matter($history);
        $verdict = $this->first($matter) ?? (new Rules\Stay)->decide($matter);
        $hurts = static fn (?LoggedSession $session): bool => ($session?->worstPain() ?? 0) > LoggedSession::MOST_PAIN;

        return $hurts($history->last()) && $hurts($history->beforeLast()) ? $verdict->referring() : $verdict;
    }

    private function first(Matter $matter): ?Verdict
    {
        foreach ($matter->history->last() === null ? [] : self::RULES as $rule) {
            $verdict = (new $rule)->decide($matter);
            if ($verdict !== null) {
                return $verdict;
            }
        }

        return null;
    }

    /** What a rule decides, in one sentence. */
    public static function sentence(string $rule): string
    {
        foreach (self::RULES as $class) {
            if ($class::id() === $rule) {
                return $class::sentence();
            }
        }

        return Rules\Stay::sentence();
    }

    /** Sessions that qualify one after the other up to the last. */
    public function cleanRunning(History $history): int
    {
        return $this->matter($history)->qualifying->cleanRunning();
    }

    /** Whether the session at a place of the history earns a part of a step. */
    public function qualifies(History $history, int $place): bool
    {
        return $this->matter($history)->qualifying->misses($place) === [];
    }

    private function matter(History $history): Matter
    {
        return new Matter($history, $this->library, $this->style, $this->steps, $this->moves, $this->client);
    }
}
