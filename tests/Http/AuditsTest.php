<?php

declare(strict_types=1);

namespace Tests\Http;

final class AuditsTest extends HttpTestCase
{
    private const TEXT = "Monday, before lifting, 5 min\nFront plank 3 x 90 s rest 60\nShoulder tap 3 x 20\nded bug 2 x 10 alt\n";

    public function test_pasted_lines_are_read_audited_and_mended_tap_by_tap(): void
    {
        $this->signedIn();
        $page = $this->api('POST', '/audit', ['text' => self::TEXT])->assertOk()->json();

        self::assertSame('time.claim', $page['findings'][0]['rule']);
        self::assertSame('Week 1, Monday', $page['findings'][0]['place']);
        self::assertSame(
            [
                [
                    'name' => 'ded bug',
                    'times' => 1,
                    'suggestions' => [['id' => 'dead-bug-opposite', 'name' => 'Dead bug, opposite arm and leg']],
                ],
            ],
            $page['unknown'],
        );
        $errors = static fn (array $page): array => array_values(
            array_filter($page['findings'], static fn (array $f): bool => $f['severity'] === 'error'),
        );
        for ($tap = 0; $tap < 20 && $errors($page) !== []; $tap++) {
            $page = $this->api(
                'POST',
                '/audit/fix',
                ['program' => $page['program'], 'rule' => $errors($page)[0]['rule'], 'where' => $errors($page)[0]['where']],
            )->assertOk()->json();
        }
        self::assertSame([], $errors($page));
    }

    public function test_all_is_mended_at_once_and_the_program_is_made_to_fit_a_person(): void
    {
        $this->signedIn();
        $page = $this->api('POST', '/audit', ['text' => self::TEXT])->assertOk()->json();
        $mended = $this->api('POST', '/audit/mend-all', ['program' => $page['program']])->assertOk()->json();
        self::assertNotSame([], $mended['done']);
        $left = array_filter($mended['findings'], static fn (array $each): bool => $each['change'] !== null);
        self::assertSame([], $left);

        $this->api('POST', '/audit/fit', ['program' => $page['program']])->assertStatus(422)->assertJsonPath('errors.0.path', '/client');
        $maren = $this->clientNamed('Maren Tidewell')->id;
        $fitted = $this->api('POST', '/audit/fit', ['program' => $page['program'], 'client' => $maren])->assertOk()->json();
        self::assertContains('ded bug', array_column($fitted['changes'], 'from'), 'what nobody knows is left out and said');
        self::assertNotSame([], array_filter($fitted['changes'], static fn (array $each): bool => $each['to'] !== null));
        self::assertSame([], array_filter($fitted['findings'], static fn (array $each): bool => $each['severity'] === 'error'));
        $anker = $this->clientNamed('Anker Stave')->id;
        $this->api('POST', '/audit/fit', ['program' => $page['program'], 'client' => $anker])->assertStatus(422);
    }

    public function test_a_broken_csv_names_every_row_and_lines_every_line(): void
    {
        $this->signedIn();
        $csv = "day,exercise,sets,reps\nmon,dead bug,0,8\nxyz,plank,2,\nmon,plank,2,8";
        self::assertSame(
            ['row 2, column sets', 'row 3, column day', 'row 3, column reps'],
            array_values(
                array_unique(array_column($this->api('POST', '/audit', ['text' => $csv])->assertStatus(422)->json('errors'), 'path')),
            ),
        );
        self::assertSame(
            ['line 1', 'line 3'],
            array_column(
                $this->api('POST', '/audit', ['text' => "plank\ndead bug 3x8\nfoo 3x amrap"])->assertStatus(422)->json('errors'),
                'path',
            ),
        );
        $this->api('POST', '/audit', ['text' => '  '])->assertStatus(422)->assertJsonPath('errors.0.path', '/text');
    }

    public function test_a_client_counts_and_the_program_can_be_taken_over(): void
    {
        $this->signedIn();
        $id = $this->clientNamed('Maren Tidewell')->id;
        $page = $this->api('POST', '/audit', ['text' => self::TEXT, 'client' => $id])->assertOk()->json();
        self::assertContains('limit.shoulder', array_column($page['findings'], 'rule'));
        $version = $this->api('GET', '/clients/'.$id.'/board')->json('version');
        $body = ['version' => $version, 'program' => $page['program']];
        $this->api('POST', '/clients/'.$id.'/programs/take', $body)->assertStatus(422)->assertJsonPath('errors.0.path', '/insist');
        $board = $this->api('POST', '/clients/'.$id.'/programs/take', [...$body, 'insist' => 'Mended below.'])->assertOk()->json();

        self::assertSame(1, $board['weeks']);
        $audit = $this->api('GET', '/clients/'.$id.'/audit')->assertOk()->json('findings');
        $barred = array_values(array_filter($audit, static fn (array $f): bool => $f['rule'] === 'limit.shoulder'))[0];
        $this->api(
            'POST',
            '/clients/'.$id.'/mend',
            ['version' => $board['version'], 'rule' => $barred['rule'], 'where' => $barred['where']],
        )->assertOk();
        self::assertLessThan(count($audit), count($this->api('GET', '/clients/'.$id.'/audit')->json('findings')));
    }
}
