<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit;

use EvenRungs\Core\Body\Client;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Planning\Fit;
use EvenRungs\Core\Session\Program;

/**
 * Reads a program from anywhere by all rules.
 */
final class Audit
{
    /** @var list<Rule> */
    private readonly array $rules;

    private readonly Placer $placer;

    public function __construct(private readonly Library $library)
    {
        $repairs = new Repairs($library);
        $this->placer = new Placer($library, new Swaps($library));
        $this->rules = [
            new Rules\TimeClaim($repairs),
            new Rules\TimeBudget($repairs, new Fit($library)),
            new Rules\DirectionCoverage($repairs),
            new Rules\DirectionBalance,
            new Rules\BeforeHeavyLift($repairs),
            new Rules\HardDaySpacing($repairs),
            new Rules\BarredByLimit($repairs),
            new Rules\HoldOverCap($repairs),
            new Rules\SideMissing($repairs),
            new Rules\UnusualDose($repairs),
            new Rules\SkippedRung($repairs),
            new Rules\StuckRung,
            new Rules\VolumeJump,
            new Rules\AboveAbility($repairs),
            new Rules\UnknownExercise($repairs),
            new Rules\MissingKit($repairs),
            new Rules\NoFreeDay($repairs),
        ];
    }

    /** @return array<class-string<Rule>, string> what each rule looks for, in the order they are checked */
    public function sentences(): array
    {
        $sentences = [];
        foreach ($this->rules as $rule) {
            $sentences[$rule::class] = $rule::sentence();
        }

        return $sentences;
    }

    /** @param  ?Client  $client  in the place of the program's own */
    public function read(Program $program, Numbers $numbers, ?Client $client = null): AuditedProgram
    {
        return new AuditedProgram($program, $this->library, $numbers, $client ?? $program->client, $this->placer);
    }

    /** @return list<Finding> rule by rule, each through the program */
    public function findings(AuditedProgram $program): array
    {
        return array_merge([], ...array_map(static fn (Rule $rule): array => $rule->check($program), $this->rules));
    }
}
