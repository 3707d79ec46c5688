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
     * @param  array<string, int|float>  $evidence
     * @param  ?Fix  $fix  null where only the trainer can tell
     */
    public function __construct(
        public readonly string $rule,
        public readonly Severity $severity,
        public readonly string $where,
        public readonly string $message,
        public readonly array $evidence = [],
        public readonly ?Fix $fix = null,
    ) {
    }
}
