<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\UnknownName;

/**
 * Every ladder there is, the tables they refer to, and the index of exercise names.
 */
final class Library
{
    private const MOST_FOUND = 2000;

    /** @var array<string, Ladder> */
    private array $ladderById = [];

    /** @var array<string, Rung> */
    private array $rungById = [];

    /** @var array<string, Rung> by name key */
    private array $rungByName = [];

    /** @var array<string, string> what is asked for first in the place of what is retired: rung by retired rung */
    private array $instead = [];

    /** @var array<string, ?Rung> what typed names were found to mean */
    private array $found = [];

    /** @var array<string, list<list<string>>> the words of every name, by rung */
    private array $names = [];

    /**
     * @param  list<Ladder>  $ladders  in the order they are shown
     * @param  array<string, Fault>  $faults  by id
     * @param  array<string, Stress>  $stresses  by id
     * @param  array<string, LimitRule>  $limits  by id
     * @param  array<string, Equipment>  $equipment  by id
     * @param  array<string, string>  $ownWords  names that a studio has matched itself: rung id by what was written
     * @param  array<string, list<string>>  $unanswered  stresses that nobody has graded, by rung of a studio's own
     * @param  array<string, Ladder>  $preparation  moves of warm-up and cool-down in the order they are taken, by table
     *
     * @throws InvalidValue when a rung id or a name stands twice, or a rung names a fault, stress, kit or gate that is not there
     */
    public function __construct(
        public readonly array $ladders,
        public readonly array $faults,
        public readonly array $stresses,
        public readonly array $limits,
        public readonly array $equipment,
        public readonly array $ownWords = [],
        private readonly array $unanswered = [],
        public readonly array $preparation = [],
    ) {
        $ids = [];
        foreach ($ladders as $ladder) {
            if (isset($this->ladderById[$ladder->id])) {
                throw Contradiction::because(sprintf('ladder "%s" stands twice', $ladder->id));
            }
            $this->ladderById[$ladder->id] = $ladder;
            $this->instead = [...$this->instead, ...$ladder->instead];
            foreach ([...$ladder->rungs, ...$ladder->retired] as $rung) {
                if (isset($ids[$rung->id])) {
                    throw Contradiction::because(sprintf('rung "%s" stands twice', $rung->id));
                }
                $ids[$rung->id] = true;
            }
            foreach ($ladder->rungs as $rung) {
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
        foreach ($ownWords as $words => $rung) {
            if (isset($this->rungById[$rung])) {
                $this->rungByName[Name::key((string) $words)] ??= $this->rungById[$rung];
                $this->names[$rung][] = Name::words((string) $words);
            }
        }
    }

    /**
     * The library of a studio: ladders of its own in the place of shipped ones or after them, and its own words.
     *
     * @param  list<Ladder>  $own
     * @param  array<string, string>  $ownWords  rung id by what was written; words for rungs that are gone are passed over
     *
     * @throws InvalidValue as the constructor does
     */
    public function with(array $own, array $ownWords = []): self
    {
        $byId = array_column($this->ladders, null, 'id');
        $unanswered = [];
        foreach ($own as $ladder) {
            $byId[$ladder->id] = $ladder;
            foreach ($ladder->rungs as $rung) {
                $isAsShipped = ($this->rungById[$rung->id] ?? null)?->stresses === $rung->stresses;
                $open = $isAsShipped ? [] : array_values(
                    array_diff(array_keys($this->stresses), array_keys($rung->stresses), $rung->spared),
                );
                $unanswered = $open === [] ? $unanswered : [...$unanswered, $rung->id => $open];
            }
        }

        return new self(
            array_values($byId),
            $this->faults,
            $this->stresses,
            $this->limits,
            $this->equipment,
            $ownWords,
            $unanswered,
            $this->preparation,
        );
    }

    /** @return list<string> stresses of a studio's own rung that nobody has graded yet; none counts as harmless */
    public function unanswered(Rung $rung): array
    {
        return $this->unanswered[$rung->id] ?? [];
    }

    /**
     * @return array<string, list<list<string>>> the words of every name a rung goes by, by rung
     */
    public function names(): array
    {
        return $this->names;
    }

    private function index(string $name, Rung $rung): void
    {
        $key = Name::key($name);
        $other = $this->rungByName[$key] ?? null;
        if ($other !== null && $other !== $rung) {
            throw Contradiction::because(sprintf('the name "%s" means both "%s" and "%s"', $name, $other->id, $rung->id));
        }
        $this->rungByName[$key] = $rung;
        $this->names[$rung->id][] = Name::words($name);
    }

    private function checkReferences(Rung $rung): void
    {
        References::check($rung, [
            'fault' => [...$rung->faults, ...$rung->line?->faults() ?? []],
            'stress' => array_keys($rung->stresses),
            'kit' => $rung->equipment,
            'gate' => array_column($this->gates($rung), 'rung'),
        ], ['fault' => $this->faults, 'stress' => $this->stresses, 'kit' => $this->equipment, 'gate' => $this->rungById]);
    }

    /** @return list<Gate> what must have been done clean once before a rung is tried; of what is retired, what its ladder says instead */
    public function gates(Rung $rung): array
    {
        $gates = [];
        foreach ($rung->requires as $gate) {
            $id = $this->instead[$gate->rung] ?? $gate->rung;
            $gates[$id] = $id === $gate->rung ? $gate : new Gate($id, $gate->what);
        }

        return array_values(array_diff_key($gates, [$rung->id => true]));
    }

    public function hasRung(string $id): bool
    {
        return isset($this->rungById[$id]);
    }

    /** @throws InvalidValue when there is none */
    public function rung(string $id): Rung
    {
        return $this->rungById[$id] ?? throw UnknownName::because(sprintf('there is no rung "%s"', $id));
    }

    /** A move of warm-up or cool-down by its id. */
    public function preparing(string $id): ?Rung
    {
        foreach ($this->preparation as $table) {
            foreach ($table->rungs as $move) {
                if ($move->id === $id) {
                    return $move;
                }
            }
        }

        return null;
    }

    public function hasLadder(string $id): bool
    {
        return isset($this->ladderById[$id]);
    }

    /** @throws InvalidValue when there is none */
    public function ladder(string $id): Ladder
    {
        return $this->ladderById[$id] ?? throw UnknownName::because(sprintf('there is no ladder "%s"', $id));
    }

    public function ladderOf(Rung $rung): Ladder
    {
        return $this->ladder($rung->ladder);
    }

    /** The rung that a typed name means, matched whole; null when none does. */
    public function find(string $name): ?Rung
    {
        if (isset($this->rungById[$name])) {
            return $this->rungById[$name];
        }
        if (! array_key_exists($name, $this->found)) {
            // whole programs ask for the same few names again and again
            $this->found = count($this->found) < self::MOST_FOUND ? $this->found : [];
            $this->found[$name] = $this->rungByName[Name::key($name)] ?? null;
        }

        return $this->found[$name];
    }

    /**
     * What a name may have meant that is not matched. Never taken silently.
     *
     * @return list<Rung> at most five, nearest first
     */
    public function suggestions(string $name): array
    {
        return (new Search($this))->suggestions($name);
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
