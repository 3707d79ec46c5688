<?php

declare(strict_types=1);

namespace App\Planning;

use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Planning\WhyNot\Lift;
use EvenRungs\Core\Planning\WhyNot\WhyNotAnswer;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Program;

/**
 * Why a client's plan does not hold an exercise, as pages read it.
 */
final class WhyNotView
{
    private const LIFTED_BY = [
        'ability' => 'It takes that level, typed or shown.',
        'days' => 'It takes longer days.',
        'equipment' => 'It takes that kit.',
        'goal' => 'It takes the goal of general strength.',
        'ladders' => 'It takes another choice of ladders.',
        'limits' => 'It takes that soreness or limit to be gone.',
        'other_training' => 'It takes days without other training.',
        'tests' => 'It takes a clean test of it.',
    ];

    private const NOT_BY_AN_ENTRY = 'Only training, the house style or the calendar changes that.';

    /** @return list<string> weeks and days of a program that hold an exercise; none where there is no program */
    public static function where(?Program $program, Rung $rung, Library $library): array
    {
        $where = [];
        foreach ($program->weeks ?? [] as $week) {
            foreach ($week->sessions as $session) {
                $holds = array_filter($session->entries(), static fn (Entry $entry): bool => $library->find($entry->exercise) === $rung);
                if ($holds !== []) {
                    $where[] = sprintf('week %d, %s', $week->number, $session->day->label());
                }
            }
        }

        return $where;
    }

    /**
     * @param  list<string>  $where  weeks and days of the program in use that hold it
     * @param  ?WhyNotAnswer  $answer  of a week planned anew; null where the program holds it
     * @return array<string, mixed>
     */
    public static function of(Rung $rung, array $where, ?WhyNotAnswer $answer): array
    {
        return [
            'rung' => $rung->id,
            'name' => $rung->name,
            'where' => $where,
            'planned_anew' => $answer?->inPlan() ?? false,
            'reasons' => array_map(static fn (Lift $lift): array => [
                'code' => $lift->code,
                'text' => $lift->text,
                'lifted_by' => self::LIFTED_BY[$lift->edits ?? ''] ?? self::NOT_BY_AN_ENTRY,
            ], $answer->reasons ?? []),
            'would_change' => $answer->wouldChange ?? [],
        ];
    }
}
