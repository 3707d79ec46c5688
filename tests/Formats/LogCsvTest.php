<?php

declare(strict_types=1);

namespace Tests\Formats;

use EvenRungs\Formats\LogCsv;
use EvenRungs\Formats\LogCsvWriter;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Logs as a table: RFC 4180, and formulas neutralised for spreadsheets (calc, from the specification).
 */
final class LogCsvTest extends TestCase
{
    /** @return list<array<string, mixed>> */
    private static function read(string $text): array
    {
        return LogCsv::read($text, static fn (string $name): ?string => Documents::data()->library()->find($name)?->id);
    }

    public function test_columns_stand_in_any_order_names_are_matched_and_rows_of_a_day_are_one_session(): void
    {
        $logs = self::read(
            "done,exercise,target,date,side,faults,breathing\r\n8,Dead bug,8,2026-11-02,left,none,yes\r\n"
            ."7,\"dead BUG\",8,2026-11-02,right,back-arches ribs-flare,no\r\n20,Front plank,20,2026-11-04,,,\r\n");
        self::assertSame(['2026-11-02', '2026-11-04'], array_column($logs, 'on'));
        self::assertSame(
            [
                ['rung' => 'dead-bug-opposite', 'side' => 'left', 'target' => 8, 'done' => 8, 'faults' => [], 'breathing' => true],
                [
                    'rung' => 'dead-bug-opposite',
                    'side' => 'right',
                    'target' => 8,
                    'done' => 7,
                    'faults' => ['back-arches', 'ribs-flare'],
                    'breathing' => false,
                ],
            ],
            $logs[0]['sets'],
        );
        self::assertSame(['rung' => 'forearm-plank', 'target' => 20, 'done' => 20], $logs[1]['sets'][0], 'an empty cell was not recorded');
    }

    public function test_the_same_file_gives_the_same_keys_and_other_files_others(): void
    {
        $file = "date,exercise,target,done\r\n2026-11-02,Dead bug,8,8\r\n";
        self::assertSame(self::read($file), self::read($file));
        self::assertNotSame(self::read($file)[0]['key'], self::read(str_replace('8,8', '8,7', $file))[0]['key']);
        self::assertSame('my-own-key', self::read("date,log,exercise,target,done\r\n2026-11-02,my-own-key,Dead bug,8,8\r\n")[0]['key']);
    }

    public function test_every_row_and_column_that_is_wrong_is_named_at_once(): void
    {
        try {
            self::read(
                "date,exercise,target,done,side,pain,range,talked\r\n"
                ."02.11.2026,Dead bug,0,8,middle,11,2,maybe\r\n2026-02-30,Nobody,8,,left,0,0.5,yes\r\n");
            self::fail('it cannot be read');
        } catch (UnusableInput $e) {
            self::assertSame(
                [
                    'row 2, column date',
                    'row 2, column side',
                    'row 2, column target',
                    'row 2, column pain',
                    'row 2, column range',
                    'row 2, column talked',
                    'row 3, column date',
                    'row 3, column exercise',
                    'row 3, column done',
                ],
                array_map(static fn ($problem): string => $problem->path, $e->problems),
            );
        }
        try {
            self::read("date,exercise,target,done,felt,range,band\r\n2026-11-02,Dead bug,8,8,toe neck,0,".str_repeat('x', 41)."\r\n");
            self::fail('it cannot be read');
        } catch (UnusableInput $e) {
            self::assertSame(
                ['row 2, column range', 'row 2, column band', 'row 2, column felt'],
                array_map(static fn ($problem): string => $problem->path, $e->problems),
            );
        }
        $this->expectExceptionMessage('the column target is missing');
        self::read("date,exercise,done\r\n2026-11-02,Dead bug,8\r\n");
    }

    public function test_what_a_spreadsheet_would_run_is_written_as_text(): void
    {
        $csv = LogCsvWriter::write(
            [
                new Node(
                    [
                        'key' => '=cmd|calc',
                        'on' => '2026-11-02',
                        'soreness' => 0,
                        'sets' => [
                            [
                                'rung' => 'forearm-plank',
                                'target' => 20,
                                'done' => 17.5,
                                'faults' => [],
                                'felt' => ['neck', 'low-back'],
                                'shaking' => false,
                                'band' => '+ green',
                            ],
                        ],
                    ],
                ),
            ],
            static fn (): string => 's',
        );
        [$header, $row] = explode("\r\n", $csv);
        $cells = array_combine(explode(',', $header), explode(',', $row));
        self::assertSame("'+ green", $cells['band']);
        foreach (['+ green', "'=1", "''@x", '-5', "it's"] as $band) {
            $text = LogCsvWriter::write(
                [
                    new Node(
                        [
                            'key' => 'k',
                            'on' => '2026-11-02',
                            'sets' => [['rung' => 'forearm-plank', 'target' => 20, 'done' => 17.5, 'band' => $band]],
                        ],
                    ),
                ],
                static fn (): string => 's',
            );
            self::assertSame($band, self::read($text)[0]['sets'][0]['band'], 'read back as it was');
        }
        self::assertSame(
            ["'=cmd|calc", '17.5', 'none', 'neck low-back', 'no', 's', '', '0'],
            [
                $cells['log'],
                $cells['done'],
                $cells['faults'],
                $cells['felt'],
                $cells['shaking'],
                $cells['unit'],
                $cells['pain'],
                $cells['soreness'],
            ],
        );
    }
}
