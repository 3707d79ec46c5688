<?php

declare(strict_types=1);

namespace Tests\Http;

use EvenRungs\Formats\LogCsv;
use EvenRungs\Formats\ProgramCsv;
use EvenRungs\Storage\Schemas;
use Tests\Support\Documents;
use ZipArchive;

/**
 * Programs and logs as files that other programs read.
 */
final class FilesTest extends HttpTestCase
{
    public function test_a_program_a_week_and_a_session_come_out_as_they_are_shown(): void
    {
        $this->signedIn();
        $client = '/clients/'.$this->clientNamed('Bea Thwart')->id;
        $board = $this->api('GET', $client.'/board')->json();
        $path = $client.'/programs/current/file.';
        $file = fn (string $query): string => (string) $this->api('GET', $path.$query)->assertOk()->getContent();
        foreach (['json' => $board['weeks'], 'json?week=1' => 1, 'json?week=1&session=2' => 1] as $query => $weeks) {
            $document = json_decode($file($query));
            self::assertSame([], Schemas::check('program', $document), $query);
            self::assertCount($weeks, $document->weeks);
        }
        $week = json_decode($file('json?week=1'), true)['weeks'][0];
        self::assertCount(count($board['week']['sessions']), $week['sessions']);
        $second = json_decode($file('json?week=1&session=2'), true)['weeks'][0]['sessions'][0];
        self::assertSame($board['week']['sessions'][1]['day'], $second['day']);

        $read = ProgramCsv::read($file('csv'));
        self::assertCount($board['weeks'], $read->weeks);
        foreach ($read->weeks[0]->sessions as $s => $session) {
            $shown = $board['week']['sessions'][$s];
            self::assertSame($shown['day'], $session->day->value);
            $exercises = array_map(static fn ($entry): string => $entry->exercise, array_merge(...array_map(
                static fn ($block): array => $block->entries(),
                $session->blocks,
            )));
            self::assertSame(array_column(array_merge(...array_column($shown['blocks'], 'entries')), 'exercise'), $exercises);
        }
        foreach (['week=99' => '/week', 'week=1&session=99' => '/session', 'week=x' => '/week'] as $query => $field) {
            $this->api('GET', $client.'/programs/current/file.json?'.$query)->assertStatus(422)->assertJsonPath('errors.0.path', $field);
        }
    }

    public function test_the_logs_of_everybody_are_one_archive_of_tables_that_read_back(): void
    {
        $this->signedIn();
        $path = (string) tempnam(sys_get_temp_dir(), 'zip');
        file_put_contents($path, $this->api('GET', '/logs.zip')->assertOk()->getContent());
        $zip = new ZipArchive;
        self::assertTrue($zip->open($path));
        $clients = $this->api('GET', '/clients')->json('clients');
        self::assertSame(count($clients), $zip->numFiles);
        $library = Documents::data()->library();
        foreach ($clients as $each) {
            $text = (string) $zip->getFromName(str_replace(' ', '-', $each['name'])."-{$each['id']}.csv");
            self::assertSame((string) $this->api('GET', "/clients/{$each['id']}/logs.csv")->getContent(), $text);
            self::assertIsArray(LogCsv::read($text, static fn (string $name): ?string => $library->find($name)?->id));
        }
        unlink($path);
    }
}
