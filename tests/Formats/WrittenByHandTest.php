<?php

declare(strict_types=1);

namespace Tests\Formats;

use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Ladder\Search;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Formats\ProgramText;
use EvenRungs\Formats\UnusableInput;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Names and lines as they are typed in gyms, with the answers, written down before reader and search were changed (common practice, no
 * source): 60 of 80 names were found first then, 58 matched or suggested, and 43 of 60 lines read. What is still read otherwise is printed:
 * pounds are kept to a tenth of a kilogram, and stations of a circuit without a word on rest have none.
 */
final class WrittenByHandTest extends TestCase
{
    /** @return list<list<string>> */
    private static function rows(string $file): array
    {
        $lines = (array) file(dirname(__DIR__).'/cases/'.$file, FILE_IGNORE_NEW_LINES);

        return array_map(static fn (string $line): array => explode("\t", $line), array_values($lines));
    }

    /**
     * @param  list<string>  $wrong
     */
    private static function told(string $what, int $of, array $wrong): int
    {
        fprintf(STDERR, "\n%s: %d of %d\n", $what, $of - count($wrong), $of);
        foreach ($wrong as $each) {
            fprintf(STDERR, "  %s\n", $each);
        }

        return $of - count($wrong);
    }

    public function test_the_search_finds_what_is_typed_first(): void
    {
        $search = new Search(Documents::data()->library());
        $wrong = [];
        foreach (self::rows('typed-names.tsv') as [$typed, $rung]) {
            $found = array_map(static fn (Rung $each): string => $each->id, array_slice($search->find($typed), 0, 3));
            if (($found[0] ?? null) !== $rung) {
                $wrong[] = sprintf('%s: %s, not %s', $typed, $rung, implode(', ', $found));
            }
        }
        self::assertSame(80, self::told('Found first', 80, $wrong));
    }

    public function test_a_name_that_is_not_matched_is_suggested(): void
    {
        $library = Documents::data()->library();
        $wrong = [];
        foreach (self::rows('typed-names.tsv') as [$typed, $rung]) {
            $ids = array_map(static fn (Rung $each): string => $each->id, $library->suggestions($typed));
            if ($library->find($typed)?->id !== $rung && ! in_array($rung, $ids, true)) {
                $wrong[] = sprintf('%s: %s, not %s', $typed, $rung, $library->find($typed)->id ?? implode(', ', $ids));
            }
        }
        self::assertSame(80, self::told('Matched or suggested', 80, $wrong));
    }

    public function test_a_pasted_line_is_read_as_it_is_meant(): void
    {
        $wrong = [];
        foreach (self::rows('pasted-lines.tsv') as [$line, $rung, $dose, $note]) {
            try {
                $sessions = ProgramText::read(strtr($line, ['|' => "\n"]))->weeks[0]->sessions;
                $entries = array_merge(...array_map(static fn ($session): array => $session->entries(), $sessions));
                $entry = $entries[count($entries) - 1];
                $read = self::read($entry);
            } catch (UnusableInput $e) {
                [$read, $entry] = [$e->getMessage(), null];
            }
            if ($read !== $rung.' '.$dose || ! str_contains($entry->note ?? '', $note)) {
                $wrong[] = sprintf('%s: %s %s %s, not %s %s', $line, $rung, $dose, $note, $read, $entry->note ?? '');
            }
        }
        self::assertGreaterThanOrEqual(57, self::told('Lines read', 60, $wrong));
    }

    private static function read(Entry $entry): string
    {
        $rung = Documents::data()->library()->find($entry->exercise)->id ?? '"'.$entry->exercise.'"';

        return $rung.' '.Shorthand::write($entry->dose);
    }

    public function test_no_number_is_turned_into_another_without_a_word(): void
    {
        $note = static fn (string $line): array => array_map(
            static fn (Entry $entry): string => Shorthand::write($entry->dose).' | '.$entry->note,
            ProgramText::read($line)->weeks[0]->sessions[0]->entries(),
        );
        self::assertSame(['1 × 5 | breaths'], $note('Belly breathing 5 breaths'));
        self::assertSame(['3 × 8 | 10-8'], $note('Bridge 3 x 10-8'), 'the lower number, whichever stands first');
        self::assertSame(['3 × 8 | slow'], $note('Bridge 3 x 8 slow'));
        self::assertSame(['3 × 10 3-1-3-1 | '], $note('Bridge 3 x 10 3-1-3-1'), 'a tempo is no range');
        foreach (['Bridge 2 x 10 with', 'Bridge 3 x', 'Bridge 3 x amrap', 'Bridge 3 x 10 rpe 8'] as $unread) {
            try {
                self::assertSame(['2 × 10 | with'], $note($unread), $unread);
            } catch (UnusableInput $e) {
                self::assertStringContainsString('line 1', $e->getMessage());
            }
        }
    }
}
