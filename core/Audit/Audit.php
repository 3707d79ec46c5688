<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Placement\Placer;
use EvenRungs\Core\Program\Fit;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Refit;
use EvenRungs\Core\Style\Style;

/**
 * Reads a program from anywhere by all rules. A fix is only named when the program with it lacks that finding and has no new error or
 * warning.
 */
final class Audit
{
    /** Fixes that are made one after the other, at most. */
    private const MOST_MENDED = 100;

    /** @var list<Rule> */
    private readonly array $rules;

    private readonly Placer $placer;

    /** @param  ?Style  $style  whose lines are measured against; null for the usual ones */
    public function __construct(private readonly Library $library, private readonly ?Style $style = null)
    {
        $repairs = new Repairs($library);
        $this->placer = new Placer($library, $style);
        $this->rules = [
            new Rules\TimeClaim($repairs),
            new Rules\TimeBudget($repairs, new Refit($library, new Fit($library))),
            new Rules\DirectionCoverage($repairs, $style),
            new Rules\DirectionBalance,
            new Rules\BeforeHeavyLift($repairs),
            new Rules\HardDaySpacing($repairs),
            new Rules\OpenStop($repairs),
            new Rules\BarredByLimit($repairs),
            new Rules\UnsuitableForAge($repairs),
            new Rules\HoldOverCap($repairs),
            new Rules\SideMissing($repairs),
            new Rules\UnusualDose($repairs),
            new Rules\SkippedRung($repairs),
            new Rules\StuckRung,
            new Rules\VolumeJump,
            new Rules\AboveAbility($repairs),
            new Rules\UnmetGate($repairs),
            new Rules\UnknownExercise($repairs),
            new Rules\MissingKit($repairs),
            new Rules\NoFreeDay($repairs),
            new Rules\Crowded,
            new Rules\NothingPrepares,
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
    public function read(Program $program, ?Client $client = null): AuditedProgram
    {
        return new AuditedProgram(
            $program,
            $this->library,
            Numbers::of($this->style),
            $client ?? $program->client,
            $this->placer,
            $this->style,
        );
    }

    /** @return list<Finding> rule by rule, each through the program */
    public function findings(AuditedProgram $program): array
    {
        $findings = $this->found($program);
        $before = self::counted($findings);

        return array_map(fn (Finding $finding): Finding => $finding->mendedBy($this->mending($finding, $program, $before)), $findings);
    }

    /**
     * The program with one fix after the other made, until none is left that helps.
     *
     * @return array{Program, list<string>} and what was done
     */
    public function mended(AuditedProgram $program): array
    {
        $done = [];
        while (count($done) < self::MOST_MENDED) {
            $fix = $this->firstFix($program);
            if ($fix === null) {
                break;
            }
            $done[] = $fix->text;
            $program = $program->as($fix->apply($program->program));
        }

        return [$program->program, $done];
    }

    private function firstFix(AuditedProgram $program): ?Fix
    {
        $findings = $this->found($program);
        $before = self::counted($findings);
        foreach ($findings as $finding) {
            $fix = $this->mending($finding, $program, $before);
            if ($fix !== null) {
                return $fix;
            }
        }

        return null;
    }

    /** @return list<Finding> without a look at what their fixes do */
    public function found(AuditedProgram $program): array
    {
        return array_merge([], ...array_map(static fn (Rule $rule): array => $rule->check($program), $this->rules));
    }

    /** @param  array<string, int>  $before  findings of the program by what they are */
    private function mending(Finding $finding, AuditedProgram $program, array $before): ?Fix
    {
        foreach ($finding->fixes as $fix) {
            try {
                $after = self::counted($this->found($program->as($fix->apply($program->program))));
            } catch (InvalidValue) {
                continue;
            }
            $key = self::key($finding);
            if (($after[$key] ?? 0) < $before[$key] && self::breaksNothing($before, $after)) {
                return $fix;
            }
        }

        return null;
    }

    /**
     * @param  array<string, int>  $before
     * @param  array<string, int>  $after
     */
    private static function breaksNothing(array $before, array $after): bool
    {
        foreach ($after as $key => $count) {
            if ($count > ($before[$key] ?? 0) && ! str_starts_with($key, Severity::Note->value)) {
                return false;
            }
        }

        return true;
    }

    /**
     * @param  list<Finding>  $findings
     * @return array<string, int> how often each is there, whatever place it moves to inside its week
     */
    private static function counted(array $findings): array
    {
        return array_count_values(array_map(self::key(...), $findings));
    }

    private static function key(Finding $finding): string
    {
        preg_match('#^/weeks/\d+#', $finding->where, $m);

        return implode(
            ' ',
            [
                $finding->severity->value,
                $finding->rule,
                $m[0] ?? '',
                $finding->exercise ?? '',
                is_string($finding->evidence['direction'] ?? null) ? $finding->evidence['direction'] : '',
            ],
        );
    }
}
