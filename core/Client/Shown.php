<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;

/**
 * What a client has shown of a direction or a rung, by tests, standings, training, and ability as typed.
 */
final class Shown
{
    /** Timed tests, by the category that they show something of. */
    private const TESTED = [
        'front-plank' => 'AE',
        'flexor' => 'AE',
        'extensor' => 'AF',
        'side-plank-left' => 'AL',
        'side-plank-right' => 'AL',
    ];

    /** A typed ability that nothing has shown counts as this at most (house rule). */
    public const MOST_UNSHOWN = 6;

    private function __construct(private readonly Client $client)
    {
    }

    public static function by(Client $client): self
    {
        return new self($client);
    }

    /**
     * The highest level in a direction that a test, a standing or training has shown; null where nothing has.
     */
    public function level(Category $category): ?int
    {
        $levels = [];
        foreach ($this->client->tests->ladders as $clean) {
            if ($clean->left->category === $category) {
                $levels[] = min($clean->left->level->value, $clean->right->level->value);
            }
        }
        foreach ($this->client->standings as $standing) {
            if ($standing->rung->category === $category) {
                $levels[] = $standing->rung->level->value;
            }
        }

        return $levels === [] ? null : max($levels);
    }

    private function isShown(Category $category): bool
    {
        $tested = array_filter(
            array_keys($this->client->tests->holds),
            static fn (string $test): bool => (self::TESTED[$test] ?? null) === $category->value,
        );

        return $tested !== [] || $this->level($category) !== null;
    }

    /** As typed; over 6 it counts as 6 where nothing in that direction has shown it. */
    public function abilityIn(Category $category): ?Level
    {
        $typed = $this->client->ability[$category->value] ?? null;

        return $typed === null || ! $this->isHeldBack($category) ? $typed : Level::of(self::MOST_UNSHOWN);
    }

    /** Whether the typed ability counts as less than was typed. */
    public function isHeldBack(Category $category): bool
    {
        return ($this->client->ability[$category->value]->value ?? 0) > self::MOST_UNSHOWN && ! $this->isShown($category);
    }

    /**
     * Whether a gate rung was done clean: a typed ability stands at least one level above it, a test shows it, training has shown
     * it, or the client stands above it on its ladder.
     */
    public function has(Rung $gate, Library $library): bool
    {
        $typed = $this->abilityIn($gate->category);

        return ($typed !== null && $typed->value >= $gate->level->value + 1) || $this->wasSeen($gate, $library);
    }

    /**
     * Whether somebody saw a rung done clean: a test or training shows it, or the client stands above it on its ladder.
     */
    public function wasSeen(Rung $rung, Library $library): bool
    {
        $ladder = $library->ladderOf($rung);
        $clean = $this->client->tests->ladders[$ladder->id] ?? null;
        $standing = $this->client->standings[$ladder->id] ?? null;
        $highest = max(
            $clean === null ? -1 : $ladder->indexOf($clean->lower($ladder)->id) ?? -1,
            isset($this->client->shown[$ladder->id]) ? $ladder->indexOf($this->client->shown[$ladder->id]) ?? -1 : -1,
            $standing === null ? -1 : ($ladder->indexOf($standing->rung->id) ?? 0) - 1,
        );

        return $highest >= $ladder->indexOf($rung->id);
    }
}
