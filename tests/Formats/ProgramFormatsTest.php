<?php

declare(strict_types=1);

namespace Tests\Formats;

use EvenRungs\Cli\JobCommands;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Formats\ProgramCsv;
use EvenRungs\Formats\ProgramCsvWriter;
use EvenRungs\Formats\ProgramText;
use EvenRungs\Formats\ProgramTextWriter;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\Schemas;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Programs as CSV (RFC 4180) and as jotted lines, and the commands that read them.
 */
final class ProgramFormatsTest extends TestCase
{
    private static function program(): Program
    {
        return Documents::plan(
            Documents::client(
                [
                    'goal' => 'endurance-sport',
                    'equipment' => ['mat', 'band', 'wall', 'bench', 'kettlebell'],
                    'ability' => array_fill_keys(['BR', 'AE', 'AF', 'AL', 'AR', 'IN'], 5),
                    'days' => ['mon' => 25, 'wed' => 15, 'sat' => 25],
                    'other_training' => [['day' => 'sun', 'type' => 'heavy-lift']],
                ],
            ),
            3,
            'ten-count',
        );
    }

    /** @return list<mixed> what is done when, as every format must keep it */
    private static function plain(Program $program): array
    {
        return array_map(static fn ($week): array => [$week->number, array_map(static fn (Session $session): array => [
            $session->day->value, $session->kind->value, $session->claimed?->ms, $session->warmUp->ms, Documents::time($session)->time,
            array_map(static fn ($entry): array => [$entry->exercise, Shorthand::write($entry->dose)], $session->entries()),
        ], $week->sessions)], $program->weeks);
    }

    public function test_a_program_survives_csv(): void
    {
        self::assertEquals(self::plain(self::program()), self::plain(ProgramCsv::read(ProgramCsvWriter::write(self::program()))));
    }

    public function test_a_program_survives_jotted_lines(): void
    {
        self::assertEquals(self::plain(self::program()), self::plain(ProgramText::read(ProgramTextWriter::write(self::program()))));
    }

    public function test_jotted_text_is_bounded_with_a_word_on_where(): void
    {
        $said = static function (string $text): string {
            try {
                ProgramText::read($text);

                return 'read';
            } catch (UnusableInput $e) {
                return $e->problems[0]->toLine();
            }
        };
        $session = "Monday\nPlank 2 x 20 s\n";
        self::assertSame('read', $said(str_repeat($session, 21)));
        self::assertSame('line 43: week 1 has 21 sessions already; write "Week 2" above the next', $said(str_repeat($session, 22)));
        self::assertSame('read', $said(str_repeat($session, 21).'Week 2'."\n".$session));
        self::assertSame('line 2: has 501 characters; a line has at most 500', $said("Monday\n".str_pad('Plank ', 501, 'x')));
        self::assertSame('line 2000: is the last line that is read; there are 2001', $said(str_repeat("\n", 2000)));
    }

    public function test_csv_quotes_what_must_be_and_disarms_formulas(): void
    {
        $session = Documents::straight(
            [['exercise' => '=cmd()', 'reps' => 8, 'note' => "a \"b\", c\nd"], ['exercise' => 'Plank', 'hold_s' => 20, 'note' => '-5']],
        );
        $csv = ProgramCsvWriter::write(new Program([new \EvenRungs\Core\Program\Week(1, [], [$session])]));

        self::assertStringContainsString("'=cmd()", $csv);
        self::assertStringContainsString("\"a \"\"b\"\", c\nd\"", $csv);
        self::assertStringContainsString(',-5,', $csv, 'a negative number survives');
        self::assertStringContainsString("\r\n", $csv);
    }

    public function test_columns_come_in_any_order_and_block_wide_cells_from_the_first_row(): void
    {
        $program = ProgramCsv::read(
            "\u{FEFF}exercise,day,block,rounds,work_s,rest_s,warm_up_s,claimed_min\r\n"
            ."Bicycle,Mon,1,3,50,25,120,20\r\n\"Plank, front\",mon,1,9,50,25,999,\r\n,mon,2,,,60,,\r\n");

        self::assertSame(120 + 3 * 2 * 75 - 25 + 60, Documents::time($program->weeks[0]->sessions[0])->time->total()->toNumber());
        self::assertSame(1200, $program->weeks[0]->sessions[0]->claimed?->toNumber());
    }

    /** @return iterable<string, array{string, list<string>}> */
    public static function broken(): iterable
    {
        yield 'every broken row at once' => [
            "day,exercise,sets,reps\nmon,a,0,8\ntue,b,2,\nxyz,c,2,8\n",
            ['row 2, column sets: sets is 0', 'row 3, column reps: a measure is needed', 'row 4, column day: "xyz" is none of'],
        ];
        yield 'two measures' => ["day,exercise,reps,work_s\nmon,a,8,30\n", ['row 2, column work_s: is a second measure']];
        yield 'a tempo of three' => ["day,exercise,reps,tempo\nmon,a,8,3-1-3\n", ['row 2, column tempo']];
        yield 'intervals' => ["day,exercise,intervals\nmon,a,4 by 10\n", ['row 2, column intervals: "4 by 10" is not written as 4x10/5']];
        yield 'an unknown column' => ["day,exercise,repz\nmon,a,8\n", ['row 1: "repz" is not a column']];
        yield 'sets in a circuit' => ["day,exercise,rounds,sets,reps\nmon,a,3,2,8\n", ['row 2, column sets: must be 1 or empty']];
    }

    /** @param  list<string>  $said */
    #[DataProvider('broken')]
    public function test_a_broken_csv_names_row_and_column(string $csv, array $said): void
    {
        try {
            ProgramCsv::read($csv);
            self::fail('was read');
        } catch (UnusableInput $e) {
            foreach ($said as $part) {
                self::assertStringContainsString($part, $e->getMessage());
            }
        }
    }

    /**
     * @param  list<string>  $words
     */
    private static function answer(array $words, string $input): object
    {
        [$in, $out, $err] = [fopen('php://memory', 'r+'), fopen('php://memory', 'r+'), fopen('php://memory', 'r+')];
        self::assertTrue($in !== false && $out !== false && $err !== false);
        fwrite($in, $input);
        rewind($in);
        $code = (new JobCommands($in, $out, $err))->run($words);
        rewind($out);
        rewind($err);
        self::assertSame(0, $code, (string) stream_get_contents($err));
        $answer = json_decode((string) stream_get_contents($out));
        self::assertIsObject($answer);

        return $answer;
    }

    public function test_audit_and_verdict_answer_by_their_schemas(): void
    {
        $audit = self::answer(['audit'], "day,exercise,sets,reps,claimed_min\nmon,dead bug,2,10,5\n");
        self::assertSame([], Schemas::check('audit', $audit));
        self::assertSame([1, 80], [$audit->coverage[0]->AE->sessions, $audit->time->total_s]);
        $set = ['side' => 'left', 'target_reps' => 12, 'reps' => 12, 'faults' => [], 'pain' => 0, 'effort' => 5, 'breathing' => true];
        $history = [
            'format' => 'even-rungs/history',
            'version' => 1,
            'ladder' => 'dead-bug',
            'rung' => 'heel-taps',
            'sessions' => [['date' => '2027-01-06', 'sets' => [$set, [...$set, 'side' => 'right']]]],
        ];
        $verdict = self::answer(['verdict', '--style', 'even-keel'], (string) json_encode($history));

        self::assertSame([], Schemas::check('verdict', $verdict));
        self::assertSame(['stay', 2], [$verdict->verdict, $verdict->from->step], 'the step is the last one whose target was aimed at');
        self::assertSame(80, self::answer(['time'], "day,exercise,sets,reps\nmon,dead bug,2,10\n")->total_s);
    }
}
