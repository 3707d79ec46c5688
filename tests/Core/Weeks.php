<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use Tests\Support\Documents;

/**
 * Weeks of made-up clients, for tests of the planner.
 */
trait Weeks
{
    private const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    /** @param  array<string, mixed>  $client */
    private static function week(array $client): Program
    {
        return Documents::plan(
            Documents::client(
                ['equipment' => Documents::ALL_KIT, 'ability' => ['BR' => 4, 'AE' => 4, 'AF' => 4, 'AL' => 4, 'AR' => 4], ...$client],
            ),
        );
    }

    /** @return array<string, Session> */
    private static function byDay(Program $program): array
    {
        return array_combine(
            array_map(static fn (Session $s): string => $s->day->value, $program->weeks[0]->sessions),
            $program->weeks[0]->sessions,
        );
    }

    private static function isHard(Session $session): bool
    {
        $sets = 0;
        foreach ($session->blocks as $block) {
            foreach ($block->entries() as $entry) {
                $sets += ($entry->planned?->category->isDirection() ?? false) ? (
                    $block instanceof CircuitBlock ? $block->rounds : $entry->dose->sets
                ) : 0;
            }
        }
        $tension = Documents::time($session)->tensionMs;
        $ms = array_sum(array_map(static fn (Category $d): int => $tension[$d->value] ?? 0, Category::directions()));

        return $session->kind !== Kind::Activation && ($sets >= 6 || $ms >= 150_000);
    }
}
