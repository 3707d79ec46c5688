<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\Dose\Distance;
use EvenRungs\Core\Dose\Hold;
use EvenRungs\Core\Dose\Intervals;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\RestBlock;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Writing;

/**
 * Writes a program as CSV, in the columns of {@see ProgramCsv}.
 */
final class ProgramCsvWriter
{
    public static function write(Program $program): string
    {
        $table = [];
        foreach ($program->weeks as $week) {
            foreach ($week->sessions as $session) {
                foreach ($session->blocks as $b => $block) {
                    $first = [
                        ...($b === 0 ? self::sessionRow($session) : []),
                        'block_type' => match (true) {
                            $block instanceof CircuitBlock => 'circuit',
                            $block instanceof RestBlock => 'rest',
                            default => 'straight',
                        },
                        'rest_after_s' => $block->restAfter()->toNumber(),
                        ...(
                            $block instanceof CircuitBlock ? [
                                'rounds' => $block->rounds,
                                'round_rest_s' => $block->roundRest->toNumber(),
                            ] : []
                        ),
                        ...($block instanceof RestBlock ? ['rest_s' => $block->rest->toNumber()] : []),
                    ];
                    $rows = $block->entries() === [] ? [[]] : array_map(self::entryRow(...), $block->entries());
                    foreach ($rows as $e => $row) {
                        $table[] = [
                            'week' => $week->number,
                            'day' => $session->day->value,
                            'kind' => $session->kind->value,
                            'block' => $b + 1,
                            ...($e === 0 ? $first : []),
                            ...$row,
                        ];
                    }
                }
            }
        }

        return ProgramCsv::table($table);
    }

    /** @return array<string, int|float> */
    private static function sessionRow(Session $session): array
    {
        return [
            'warm_up_s' => $session->warmUp->toNumber(),
            'cool_down_s' => $session->coolDown->toNumber(),
            'side_s' => $session->change->side->toNumber(),
            'station_s' => $session->change->station->toNumber(),
            ...($session->claimed === null ? [] : ['claimed_min' => $session->claimed->toNumber() / 60]),
        ];
    }

    /** @return array<string, string|int|float> */
    private static function entryRow(Entry $entry): array
    {
        $measure = $entry->dose->measure;
        $row = match (true) {
            $measure instanceof Reps => [
                'reps' => $measure->count,
                'tempo' => $measure->tempo?->toString(),
                'hold_s' => $measure->hold?->toNumber(),
            ],
            $measure instanceof Hold => ['hold_s' => $measure->time->toNumber()],
            $measure instanceof Intervals => [
                'intervals' => sprintf(
                    '%dx%s/%s',
                    $measure->count,
                    Writing::number($measure->hold->toNumber()),
                    Writing::number($measure->break->toNumber()),
                ),
            ],
            $measure instanceof Work => ['work_s' => $measure->time->toNumber()],
            $measure instanceof Distance => ['distance_m' => $measure->metres, 'pace_m_s' => $measure->pace],
            default => throw Contradiction::because('a measure that has no CSV form'),
        };

        return array_filter([
            'exercise' => $entry->exercise,
            'sets' => $entry->dose->sets,
            ...$row,
            'side' => $entry->dose->side?->value,
            'rest_s' => $entry->dose->rest?->toNumber(),
            'range' => $entry->dose->range?->share,
            'range_cm' => $entry->dose->range?->cm,
            'load_kg' => $entry->dose->loadKg,
            'note' => $entry->note,
        ], static fn (mixed $value): bool => $value !== null);
    }
}
