<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Change;
use App\Models\Client;
use App\Models\Program as ProgramRow;
use App\Support\Ledger;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Program\Program;

/**
 * What a change of the client does to the program in use. It stays as it is: where another would be planned now, the trainer is asked.
 * Where planning stops it is put aside; where there was none and now one may be, it is planned.
 */
final class PlanAgain
{
    public function __construct(
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
        private readonly ClientPlanner $planner,
    ) {
    }

    /** @param  callable(): mixed  $change  of what is known of the client, within one transaction */
    public function after(Client $locked, callable $change): void
    {
        $person = $this->boards->person($locked);
        $before = $this->planner->wouldPlan($locked);
        $change();
        $now = $this->planner->wouldPlan($locked);
        $inUse = $this->ledger->hasProgram($locked);
        if ($now !== null && $inUse) {
            if ($before === null || self::asPlanned($before) != self::asPlanned($now)) {
                $since = self::differences($person, $this->boards->person($locked));
                $locked->plan_asked = array_values(array_unique([...$locked->plan_asked ?? [], ...$since ?: ['the client']]));
            }

            return;
        }
        Change::query()->ofClient($locked)->delete();
        $locked->plan_asked = null;
        if ($now === null) {
            ProgramRow::query()->ofClient($locked)->update(['current' => false]);
        }
        $this->ledger->store($locked, $this->planner->plannedIfAllowed($locked, ClientPlanner::USUAL_WEEKS));
    }

    /** @return array<mixed> the weeks, and nothing of whose they are */
    private static function asPlanned(Program $program): array
    {
        return [$program->weeks, $program->gaps];
    }

    /** @return list<string> what differs, in words */
    private static function differences(Person $before, Person $now): array
    {
        $known = static fn (Person $person): array => [
            'limits' => $person->limits,
            'clearances' => [$person->clearances, $person->stopped],
            'days and minutes' => [$person->days, $person->home?->days],
            'kit' => [$person->equipment, $person->home?->equipment],
            'goal' => $person->goal,
            'ability' => $person->ability,
            'tests' => $person->tests,
            'other training' => $person->otherTraining,
            'age' => $person->born,
            'time in training' => $person->trained,
            'chosen ladders' => $person->ladders,
            'where the client stands' => $person->standings,
        ];
        [$was, $is] = [$known($before), $known($now)];

        return array_keys(array_filter($is, static fn (mixed $value, string $what): bool => $value != $was[$what], ARRAY_FILTER_USE_BOTH));
    }
}
