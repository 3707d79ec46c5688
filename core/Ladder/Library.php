<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

use EvenRungs\Core\Body\LimitRule;
use EvenRungs\Core\InvalidValue;

/**
 * Every ladder there is, the tables they refer to, and the index of exercise names.
 */
final class Library
{
    private const LONGEST_KEY = 200;

    /** @var array<string, Ladder> */
    private array $ladderById = [];

    /** @var array<string, Rung> */
    private array $rungById = [];

    /** @var array<string, Rung> by name key */
    private array $rungByName = [];

    /**
     * @param  list<Ladder>  $ladders  in the order they are shown
     * @param  array<string, Fault>  $faults  by id
     * @param  array<string, Stress>  $stresses  by id
     * @param  array<string, LimitRule>  $limits  by id
     * @param  array<string, Equipment>  $equipment  by id
     *
     * @throws InvalidValue when a rung id or a name stands twice, or a rung names a fault, stress, kit or gate that is not there
     */
    public function __construct(
        public readonly array $ladders,
        public readonly array $faults,
        public readonly array $stresses,
        public readonly array $limits,
        public readonly array $equipment,
    ) {
        foreach ($ladders as $ladder) {
            $this->ladderById[$ladder->id] = $ladder;
            foreach ($ladder->rungs as $rung) {
                if (isset($this->rungById[$rung->id])) {
                    throw InvalidValue::because(sprintf('rung "%s" stands twice', $rung->id));
                }
                $this->rungById[$rung->id] = $rung;
            }
        }
        foreach ($ladders as $ladder) {
            foreach ($ladder->rungs as $rung) {
                foreach ([$rung->id, $rung->name, ...$rung->aliases] as $name) {
                    $this->index($name, $rung);
                }
                $this->checkReferences($rung);
            }
            foreach ([$ladder->id, $ladder->name] as $name) {
                $this->index($name, $this->rung($ladder->anchor));
            }
        }
    }

    private function index(string $name, Rung $rung): void
    {
        $key = Name::key($name);
        $other = $this->rungByName[$key] ?? null;
        if ($other !== null && $other !== $rung) {
            throw InvalidValue::because(sprintf('the name "%s" means both "%s" and "%s"', $name, $other->id, $rung->id));
        }
        $this->rungByName[$key] = $rung;
    }

    private function checkReferences(Rung $rung): void
    {
        $unknown = [
            'fault' => array_diff($rung->faults, array_keys($this->faults)),
            'stress' => array_diff(array_keys($rung->stresses), array_keys($this->stresses)),
            'kit' => array_diff($rung->equipment, array_keys($this->equipment)),
            'gate' => array_diff(array_map(static fn (Gate $gate): string => $gate->rung, $rung->requires), array_keys($this->rungById)),
        ];
        foreach ($unknown as $what => $ids) {
            foreach ($ids as $id) {
                throw InvalidValue::because(sprintf('rung "%s" names the %s "%s", which is not in the tables', $rung->id, $what, $id));
            }
        }
    }

    public function hasRung(string $id): bool
    {
        return isset($this->rungById[$id]);
    }

    /** @throws InvalidValue when there is none */
    public function rung(string $id): Rung
    {
        return $this->rungById[$id] ?? throw InvalidValue::because(sprintf('there is no rung "%s"', $id));
    }

    public function hasLadder(string $id): bool
    {
        return isset($this->ladderById[$id]);
    }

    /** @throws InvalidValue when there is none */
    public function ladder(string $id): Ladder
    {
        return $this->ladderById[$id] ?? throw InvalidValue::because(sprintf('there is no ladder "%s"', $id));
    }

    public function ladderOf(Rung $rung): Ladder
    {
        return $this->ladder($rung->ladder);
    }

    /** The rung that a typed name means, matched whole; null when none does. */
    public function find(string $name): ?Rung
    {
        return $this->rungById[$name] ?? $this->rungByName[Name::key($name)] ?? null;
    }

    /**
     * Names that a misspelt one may have meant, nearest first: at most one wrong letter in four. Never taken silently.
     *
     * @return list<Rung> at most three
     */
    public function suggestions(string $name): array
    {
        $key = substr(Name::key($name), 0, self::LONGEST_KEY);
        $near = [];
        foreach ($this->rungByName as $known => $rung) {
            $distance = levenshtein($key, substr((string) $known, 0, self::LONGEST_KEY));
            if ($distance <= max(1, intdiv(strlen($key), 4))) {
                $near[$rung->id] = min($distance, $near[$rung->id] ?? $distance);
            }
        }
        asort($near);

        return array_map($this->rung(...), array_slice(array_map(strval(...), array_keys($near)), 0, 3));
    }

    /** What makes two entries the same exercise: the rung where the name is known, else the text. */
    public function identity(string $name): string
    {
        $rung = $this->find($name);

        return $rung === null ? 'text:'.Name::key($name) : 'rung:'.$rung->id;
    }

    /**
     * @return list<Rung> every rung, ladder by ladder
     */
    public function rungs(): array
    {
        return array_values($this->rungById);
    }
}
