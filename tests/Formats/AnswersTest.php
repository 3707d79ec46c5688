<?php

declare(strict_types=1);

namespace Tests\Formats;

use PHPUnit\Framework\TestCase;
use Tests\Support\Corpus;

/**
 * What the job commands answered when it was last read by somebody, run by run: 200 of them, as sums. A change that must change nothing
 * changes none; one that means to change answers is read beside the old ones (ops/corpus.php, record and compare) before their new sums are
 * written into tests/cases/answers.tsv.
 */
final class AnswersTest extends TestCase
{
    use RecordedAnswers;

    public function test_every_run_but_the_audits_answers_as_when_it_was_last_read(): void
    {
        self::assertSame([], self::differ(static fn (string $command, int $i): bool => $command !== 'audit'));
    }
}
