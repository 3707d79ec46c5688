<?php

declare(strict_types=1);

namespace App\Planning;

use App\Progress\ForecastView;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Road;
use EvenRungs\Core\Placement\RoadStretch;
use EvenRungs\Core\Review\Forecast\Outlook;

/**
 * The road to an exercise as its page shows it.
 */
final class RoadView
{
    /** @return array<string, mixed> */
    public static function of(Road $road, Board $board, Library $library, Outlook $outlook): array
    {
        return [
            'goal' => [
                'id' => $road->goal->id,
                'name' => $road->goal->name,
                'level' => $road->goal->level->value,
                'category' => $road->goal->category->value,
            ],
            'answer' => $road->answer,
            'because' => $road->because,
            'is_aim' => in_array($road->goal->id, $board->record->aims ?? [], true),
            'next' => $road->next === null ? null : [
                'rung' => $road->next->id,
                'name' => $road->next->name,
                'step' => $road->nextStep,
                'dose' => Wording::shown($board->steps()->dose($road->next, $road->nextStep)),
                'words' => Wording::of($board->steps()->dose($road->next, $road->nextStep)),
            ],
            'stretches' => array_map(static fn (RoadStretch $stretch): array => [
                'ladder' => $stretch->ladder->id,
                'name' => $stretch->ladder->name,
                'category' => $stretch->ladder->category->value,
                'from' => $stretch->from === null ? null : [
                    'id' => $stretch->from->id,
                    'name' => $stretch->from->name,
                    'level' => $stretch->from->level->value,
                    'step' => $stretch->step,
                    'steps' => count($board->steps()->of($stretch->from)),
                ],
                'forecast' => ForecastView::ofStretch($outlook, $stretch),
                'rungs' => array_map(
                    static fn (Rung $rung): array => self::rung($rung, $stretch, $road->goal, $board, $library),
                    $stretch->rungs,
                ),
            ], $road->stretches),
        ];
    }

    /** @return array<string, mixed> */
    private static function rung(Rung $rung, RoadStretch $stretch, Rung $goal, Board $board, Library $library): array
    {
        $obstacles = Obstacles::between($board->client, $rung, $library);

        return [
            'id' => $rung->id,
            'name' => $rung->name,
            'level' => $rung->level->value,
            'mark' => match (true) {
                $rung === $goal => 'goal',
                array_key_exists($rung->id, $stretch->goals) => 'gate',
                Road::isPassedOver($rung, $board->client) => 'passed-over',
                default => 'on-the-way',
            },
            'opens' => $stretch->goals[$rung->id] ?? null,
            'reasons' => $obstacles->isClear() ? [] : $obstacles->sentences($library),
        ];
    }
}
