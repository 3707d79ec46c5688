<?php

declare(strict_types=1);

namespace Tests\Formats;

use PHPUnit\Framework\TestCase;

/**
 * Audits answer as when somebody last read them.
 */
final class AuditAnswersTest extends TestCase
{
    use RecordedAnswers;

    /** Audits of every twenty-fourth program: each looks for what mends every finding, and takes a second. */
    private const AUDITED = 24;

    public function test_audits_answer_as_when_they_were_last_read(): void
    {
        self::assertSame(
            [],
            self::differ(
                static fn (string $command, int $i): bool => $command === 'plan' || ($command === 'audit' && $i % self::AUDITED === 0),
            ),
        );
    }
}
