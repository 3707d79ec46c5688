<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit;

/**
 * One thing that an audit found, with its numbers, and what would mend it.
 */
final class Finding
{
    /**
     * @param  string  $where  JSON pointer into the program
     * @param  array<string, int|float|string|null|list<int|float|string|array<string, string>>>  $evidence
     * @param  list<Fix>  $fixes  what may mend it, the first that helps is taken
     * @param  ?string  $exercise  the one that is meant, by rung or name
     */
    public function __construct(
        public readonly string $rule,
        public readonly Severity $severity,
        public readonly string $where,
        public readonly string $message,
        public readonly array $evidence = [],
        public readonly array $fixes = [],
        public readonly ?string $exercise = null,
        public readonly ?Fix $fix = null,
    ) {
    }

    /** @param  ?Fix  $fix  that was seen to mend it and to break nothing; null where only the trainer can tell */
    public function mendedBy(?Fix $fix): self
    {
        return new self($this->rule, $this->severity, $this->where, $this->message, $this->evidence, $this->fixes, $this->exercise, $fix);
    }

    /** What to do about it: what the fix does, else what there is to decide. */
    public function advice(): string
    {
        return $this->fix->text ?? self::ADVICE[
            str_starts_with($this->rule, 'limit.') ? 'limit' : $this->rule
        ] ?? 'Look at it with the client.';
    }

    private const ADVICE = [
        'time.claim' => 'Decide what the session should take, and say so.',
        'time.budget' => 'Decide what gives way, or ask for more minutes.',
        'coverage.direction' => 'Decide which session takes it, or name the gap.',
        'coverage.balance' => 'Decide whether the least trained direction gets a set more.',
        'order.before-heavy-lift' => 'Decide what stands after the lift, or on another day.',
        'spacing.hard-days' => 'Decide which of the two becomes light, or moves.',
        'limit' => 'Decide what the client does in its place; nothing allowed trains the same here.',
        'hold.over-cap' => 'Decide on shorter holds.',
        'side.missing' => 'Decide whether the dose is for each side.',
        'dose.range' => 'Decide whether so much is meant.',
        'ladder.skip' => 'Decide which rung comes between.',
        'ladder.stuck' => 'Decide whether the ladder moves, or rests.',
        'volume.jump' => 'Decide which sets wait a week.',
        'level.above-ability' => 'Decide on an easier rung, or test the client.',
        'exercise.unknown' => 'Decide which exercise is meant.',
        'equipment.missing' => 'Decide what is done without that kit, or bring it.',
        'recovery.none' => 'Decide which day stays free.',
        'gate.unmet' => 'Decide when the gate is shown first.',
        'stop.open' => 'A clinician decides: record the clearance first.',
        'age.unsuitable' => 'Decide what the client does in its place.',
        'session.crowded' => 'Decide which exercises are worth two sets, and leave the others out.',
        'prepare.none' => 'Decide how the client warms up.',
    ];
}
