<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Shown;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Planning\Choice\ExerciseChoice;

/**
 * What may be done at home, where nobody watches: moves that are already clean, with the kit that is there (common
 * practice, no source). Clean is what a test or training showed, or what stands a level under a typed ability.
 */
final class Homework
{
    public function __construct(private readonly Library $library)
    {
    }

    /**
     * @param  array<string, list<ExerciseChoice>>  $choices  by category code
     * @return array<string, list<ExerciseChoice>> the choices taken down to the nearest clean rung; those with none are left out
     */
    public function of(array $choices, Client $client): array
    {
        $there = $client->atHome();
        $home = [];
        foreach ($choices as $category => $list) {
            $home[$category] = [];
            foreach ($list as $choice) {
                $clean = $this->clean($choice, $there);
                if ($clean !== null) {
                    $home[$category][] = $clean;
                }
            }
        }

        return $home;
    }

    private function clean(ExerciseChoice $choice, Client $there): ?ExerciseChoice
    {
        foreach ($this->library->ladderOf($choice->rung)->downFrom($choice->rung) as $rung) {
            $tested = $rung === $choice->rung && in_array($choice->basis, [Basis::Test, Basis::HighestClean], true);
            if (
                ($tested || Shown::by($there)->has($rung, $this->library))
                && Obstacles::between($there, $rung, $this->library)->isClear()
            ) {
                return new ExerciseChoice(
                    $rung,
                    $choice->basis,
                    $choice->swap,
                    [...$choice->why, 'Homework: already clean.'],
                    $rung === $choice->rung ? $choice->step : 0,
                    $rung === $choice->rung ? $choice->range : null,
                );
            }
        }

        return null;
    }
}
