<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit;

/**
 * One rule of an audit.
 */
interface Rule
{
    /** What it looks for, and why, in one sentence. */
    public static function sentence(): string;

    /** @return list<Finding> */
    public function check(AuditedProgram $program): array;
}
