<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\HighestClean;
use EvenRungs\Core\Client\Tests;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Time\Seconds;

/**
 * Test results as they stand in a client or in a document of their own.
 */
final class TestsJson
{
    private const HOLDS = ['front-plank', 'side-plank-left', 'side-plank-right', 'extensor', 'flexor'];

    public function __construct(private readonly Library $library, private readonly bool $stored)
    {
    }

    /** Test results as they stand in a client or in a document of their own. */
    public function read(?Node $node): Tests
    {
        if ($node === null) {
            return new Tests;
        }
        $holds = [];
        foreach (self::HOLDS as $name) {
            if ($node->has($name.'_s')) {
                $holds[$name] = Seconds::of($node->number($name.'_s'));
            }
        }
        $ladders = [];
        $problems = [];
        $given = $node->optionalChild('ladders');
        foreach ($given?->keys() ?? [] as $id) {
            try {
                $ladders[$id] = $this->readHighestClean($node->child('ladders'), $id);
            } catch (UnusableInput $e) {
                $problems = $this->stored ? [] : [...$problems, ...$e->problems];
            }
        }
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }

        return new Tests($holds, $ladders);
    }

    private function readHighestClean(Node $ladders, string $id): HighestClean
    {
        if (! $this->library->hasLadder($id)) {
            throw UnusableInput::at($ladders->path($id), 'is not a ladder of the library');
        }
        $ladder = $this->library->ladder($id);
        $node = $ladders->child($id);
        if (is_string($node->opaque('highest_clean')['left'] ?? null)) {
            $sides = $node->child('highest_clean');

            return new HighestClean(
                StandingJson::rungOf($ladder, $sides->string('left'), $sides->path('left')),
                StandingJson::rungOf($ladder, $sides->string('right'), $sides->path('right')),
            );
        }
        $rung = StandingJson::rungOf($ladder, $node->string('highest_clean'), $node->path('highest_clean'));

        return new HighestClean($rung, $rung);
    }

    /** @return array<string, mixed>|null */
    public static function write(Tests $tests): ?array
    {
        $written = [];
        $ladders = [];
        foreach ($tests->holds as $name => $best) {
            $written[$name.'_s'] = $best->toNumber();
        }
        foreach ($tests->ladders as $id => $clean) {
            $ladders[$id] = ['highest_clean' => $clean->left === $clean->right
                ? $clean->left->id
                : ['left' => $clean->left->id, 'right' => $clean->right->id]];
        }
        if ($ladders !== []) {
            $written['ladders'] = $ladders;
        }

        return $written === [] ? null : $written;
    }
}
