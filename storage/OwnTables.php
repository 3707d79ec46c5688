<?php

declare(strict_types=1);

namespace EvenRungs\Storage;

use EvenRungs\Core\Figure\BasePose;
use EvenRungs\Core\Ladder\Ladder;

/**
 * Where ladders and words of a studio's own come from.
 */
interface OwnTables
{
    /** Whose they are, a colon, and what changes whenever the tables do; empty where there are none. */
    public function key(): string;

    /**
     * @param  array<string, BasePose>  $poses  by id
     * @return list<Ladder>
     */
    public function ladders(array $poses): array;

    /** @return list<string> ids of those ladders */
    public function ladderIds(): array;

    /** @return array<string, array<mixed>> documents of house styles by id */
    public function styles(): array;

    /** @return list<string> ids of ladders that are planned only where they are chosen */
    public function unused(): array;

    /** @return array<string, string> rung id by what was written */
    public function words(): array;
}
