<?php

declare(strict_types=1);

namespace EvenRungs\Core\Verdict;

/**
 * One set as it was really done. What was not recorded is null, and never counts as good.
 */
final class LoggedSet
{
    /** Where an exercise must not be felt: nobody moves up on it; less range or load comes first (common practice, no source). */
    public const WRONG_PLACES = ['low-back', 'neck', 'shoulder', 'wrist'];

    /**
     * @param  'left'|'right'|'both'|null  $side
     * @param  int|float  $target  repetitions, or milliseconds held
     * @param  int|float  $done  the same, 0 where it was not begun
     * @param  list<string>|null  $faults  seen and not cured
     * @param  list<string>  $cued  faults that a cue cured: done, but not clean
     * @param  ?string  $endedBy  the fault that ended the set
     * @param  ?int  $pain  0 to 10
     * @param  ?int  $effort  0 to 10
     * @param  list<string>  $felt  where it was felt, as the client says
     */
    public function __construct(
        public readonly ?string $side,
        public readonly int|float $target,
        public readonly int|float $done,
        public readonly ?array $faults,
        public readonly array $cued,
        public readonly ?string $endedBy,
        public readonly ?int $pain,
        public readonly ?PainKind $painKind,
        public readonly ?int $effort,
        public readonly ?bool $breathing,
        public readonly array $felt = [],
    ) {
    }

    public function isShort(): bool
    {
        return $this->done < $this->target;
    }

    /** @return list<string> every fault of the set, the one that ended it too */
    public function allFaults(): array
    {
        return array_values(array_unique([...($this->faults ?? []), ...($this->endedBy === null ? [] : [$this->endedBy])]));
    }

    /** @return list<string> what keeps the set from counting as clean; empty when it does */
    public function misses(int $mostPain, int $mostEffort): array
    {
        $side = $this->side === null || $this->side === 'both' ? 'a set' : 'the '.$this->side.' side';

        return [
            ...($this->isShort() ? [sprintf('%s was short of its target', $side)] : []),
            ...($this->faults === null ? ['faults were not recorded'] : []),
            ...($this->allFaults() === [] ? [] : [sprintf('%s showed %s', $side, implode(', ', $this->allFaults()))]),
            ...($this->cued === [] ? [] : [sprintf('%s needed a cue for %s', $side, implode(', ', $this->cued))]),
            ...match (true) {
                $this->breathing === null => ['breathing was not recorded'],
                ! $this->breathing => ['the breath was held'],
                default => [],
            },
            ...match (true) {
                $this->pain === null => ['pain was not recorded'],
                $this->pain > $mostPain => [sprintf('pain was %d', $this->pain)],
                default => [],
            },
            ...match (true) {
                $this->effort === null => ['effort was not recorded'],
                $this->effort > $mostEffort => [sprintf('effort was %d', $this->effort)],
                default => [],
            },
            ...array_map(static fn (string $place): string => sprintf('it was felt in the %s: try less range or load', str_replace('-', ' ', $place)), array_values(array_intersect(self::WRONG_PLACES, $this->felt))),
        ];
    }
}
