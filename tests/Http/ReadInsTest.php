<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Clients\Erasure;
use App\Models\Client;
use App\Models\OwnStyle;
use App\Models\Program;
use Illuminate\Support\Facades\DB;

/**
 * What comes in from elsewhere: looked at, taken whole or not at all, and undone as long as nobody went on with it.
 */
final class ReadInsTest extends HttpTestCase
{
    protected function setUp(): void
    {
        parent::setUp();
        $this->signedIn();
    }

    public function test_a_take_out_that_was_read_in_is_undone_with_what_came_along(): void
    {
        $client = $this->clientNamed('Bea Thwart');
        $own = ['from' => 'even-keel', 'name' => 'Our house', 'change' => false, 'choices' => ['switch-on' => 'draw-in']];
        $this->api('POST', '/styles', $own)->assertOk();
        $style = OwnStyle::query()->firstOrFail()->style;
        $client->refresh()->update(['style' => $style]);
        $out = (string) $this->api('GET', "/clients/{$client->id}/take-out")->assertOk()->getContent();
        $tables = ['clients', 'programs', 'standings', 'logged_sessions', 'logged_sets', 'log_changes', 'own_styles'];
        Erasure::client($client->id);
        OwnStyle::query()->ofStudio($client->studio_id)->delete();
        $rows = static fn (): array => array_map(static fn (string $table): int => DB::table($table)->count(), $tables);
        $before = $rows();
        $this->api('POST', '/read-in', $out)->assertCreated();
        self::assertNotSame($before, $rows());

        $line = $this->api('GET', '/read-ins')->assertOk()->json('read_ins.0');
        self::assertSame(['a take-out', 'Bea Thwart'], [$line['what'], $line['about']]);
        $this->api('POST', "/read-ins/{$line['id']}/undo")->assertOk()->assertJsonPath('read_ins', []);
        self::assertSame($before, $rows());
    }

    public function test_what_was_gone_on_with_is_not_undone(): void
    {
        $this->api('POST', '/clients/table', ['csv' => "name,mon\nWynn Capstan,30\nIda Fender,20\n"])->assertOk();
        $line = $this->api('GET', '/read-ins')->json('read_ins.0.id');
        $wynn = $this->clientNamed('Wynn Capstan');
        $this->api('POST', "/clients/{$wynn->id}/archive", ['version' => $wynn->version])->assertOk();

        $this->api('POST', "/read-ins/{$line}/undo")->assertStatus(422)
            ->assertJsonPath('errors.0.message', 'something was done with Wynn Capstan since; undoing it would lose that');
        self::assertSame(2, Client::query()->whereIn('name', ['Wynn Capstan', 'Ida Fender'])->count(), 'all of it stays');
        $this->signedIn('second@slipway.example');
        $this->api('POST', "/read-ins/{$line}/undo")->assertNotFound();
    }

    public function test_a_bundle_is_shown_beside_what_is_here_taken_over_and_undone(): void
    {
        $path = '/clients/'.$this->clientNamed('Maren Tidewell')->id;
        $other = '/clients/'.$this->clientNamed('Oskar Pintle')->id;
        $bundle = (string) $this->api('GET', $other.'/fhir.json')->assertOk()->getContent();
        $lines = $this->api('POST', $path.'/fhir/check', ['text' => $bundle])->assertOk()->json('lines');
        self::assertNotSame([], $lines);
        $before = $this->clientNamed('Maren Tidewell')->document;
        $theirs = $this->clientNamed('Oskar Pintle')->document;

        $version = $this->clientNamed('Maren Tidewell')->version;
        $this->api('POST', $path.'/fhir', ['version' => $version, 'text' => $bundle, 'keep_ours' => false])->assertOk();
        $after = $this->clientNamed('Maren Tidewell')->document;
        foreach (array_diff_key($theirs['tests'] ?? [], ['ladders' => 1]) as $test => $value) {
            self::assertSame($value, $after['tests'][$test]);
        }
        $ids = static fn (array $limits): array => array_map(
            static fn (mixed $limit): string => is_array($limit) ? $limit['limit'] : $limit,
            $limits,
        );
        self::assertSame([], array_diff([...$ids($before['limits']), ...$ids($theirs['limits'])], $ids($after['limits'])));

        $line = $this->api('GET', '/read-ins')->json('read_ins.0.id');
        $this->api('POST', "/read-ins/{$line}/undo")->assertOk();
        self::assertSame($before, $this->clientNamed('Maren Tidewell')->document);
    }

    public function test_ours_is_kept_where_a_bundle_says_otherwise_and_nonsense_is_named(): void
    {
        $client = $this->clientNamed('Maren Tidewell');
        $path = '/clients/'.$client->id;
        $bundle = json_decode((string) $this->api('GET', $path.'/fhir.json')->getContent(), true);
        foreach ($bundle['entry'] as $i => $entry) {
            if (isset($entry['resource']['valueQuantity'], $entry['resource']['code']['coding'])) {
                $bundle['entry'][$i]['resource']['valueQuantity']['value'] = 7;
            }
        }
        $differs = array_filter(
            $this->api('POST', $path.'/fhir/check', ['text' => (string) json_encode($bundle)])->json('lines'),
            static fn (array $line): bool => $line['differs'],
        );
        self::assertNotSame([], $differs);
        $kept = ['version' => $client->version, 'text' => json_encode($bundle), 'keep_ours' => true];
        $this->api('POST', $path.'/fhir', $kept)->assertOk();
        self::assertEquals($client->document['tests'], $client->refresh()->document['tests']);

        $entries = ['[]', '7', '[7,{"resource":"x"}]'];
        $bundles = array_map(static fn (string $of): string => '{"resourceType":"Bundle","entry":'.$of.'}', $entries);
        foreach (['{}', 'no JSON', ...$bundles] as $text) {
            $this->api('POST', $path.'/fhir/check', ['text' => $text])->assertStatus(422);
        }
    }

    public function test_programs_of_several_are_fitted_and_begun_together_or_not_at_all(): void
    {
        $csv = "client,day,exercise,sets,reps,hold_s,side\n"
            ."Maren Tidewell,mon,Dead bug,2,8,,alternate\n,mon,Side plank,2,,15,each\noskar pintle,tue,Bird dog,2,8,,alternate\n";
        $seen = array_column($this->api('POST', '/programs/table/check', ['text' => $csv])->assertOk()->json('programs'), null, 'name');
        self::assertSame([2, 1], [$seen['Maren Tidewell']['exercises'], $seen['Oskar Pintle']['exercises']]);
        self::assertNotSame([], $seen['Maren Tidewell']['changes'], 'her shoulder is sore: the side plank is another one');
        $before = Program::query()->count();

        foreach ([
            ["client,day,exercise,reps\nNobody Here,mon,Dead bug,2\n", 'is nobody’s name here'],
            [str_replace(',2,8,,alternate', ',two,8,,alternate', $csv), 'row 2, column sets'],
            ["Dead bug 2 x 8\n", 'stands under no client'],
            ["client: Maren Tidewell\nMonday\nDead bug 2 x 8 at 99:99:99 oh\nclient: Oskar Pintle\n", 'line'],
        ] as [$text, $why]) {
            $answer = $this->api('POST', '/programs/table', ['text' => $text])->assertStatus(422);
            self::assertStringContainsString($why, (string) json_encode($answer->json('errors'), JSON_UNESCAPED_UNICODE));
        }
        self::assertSame($before, Program::query()->count());

        $this->api('POST', '/programs/table', ['text' => $csv])->assertOk()->assertJsonPath('taken', 2);
        self::assertSame($before + 2, Program::query()->count());
        $maren = '/clients/'.$this->clientNamed('Maren Tidewell')->id;
        self::assertCount(1, $this->api('GET', $maren.'/board')->json('week.sessions'));
        $errors = array_filter(
            $this->api('GET', $maren.'/audit')->json('findings'),
            static fn (array $each): bool => in_array($each['rule'], ['limit.shoulder', 'equipment.missing', 'stop.open'], true),
        );
        self::assertSame([], $errors);
        $this->api('POST', $maren.'/undo', ['version' => $this->clientNamed('Maren Tidewell')->version])->assertOk();
    }

    public function test_what_the_door_a_group_and_a_wish_make_of_a_session_is_saved_as_files_that_read_alike(): void
    {
        $path = '/clients/'.$this->clientNamed('Maren Tidewell')->id;
        $read = fn (string $file): array => $this->api('POST', '/audit', ['text' => $file])->assertOk()->json('weeks');
        foreach ([
            [$path.'/door/file', ['week' => 1, 'place' => 1, 'minutes' => 10]],
            ['/group/file', $this->rotating('Maren Tidewell', 'Bea Thwart')],
            [$path.'/what-if/file', ['days' => ['mon' => 10]]],
        ] as [$of, $body]) {
            $saved = [];
            foreach (['json', 'csv'] as $form) {
                $saved[] = $read((string) $this->api('POST', "{$of}?form={$form}", $body)->assertOk()->getContent());
            }
            self::assertSame($saved[0], $saved[1], $of);
            self::assertNotSame([], $saved[0][0]['sessions'], $of);
            $this->api('POST', $of.'?form=doc', $body)->assertStatus(422);
        }
        $door = $this->api('POST', $path.'/door/check', ['week' => 1, 'place' => 1, 'minutes' => 10])->json('new.total.text');
        $file = (string) $this->api('POST', $path.'/door/file?form=csv', ['week' => 1, 'place' => 1, 'minutes' => 10])->getContent();
        self::assertSame($door, $read($file)[0]['sessions'][0]['total']['text'], 'as long as the door says');
    }

    public function test_a_program_from_anywhere_is_saved_as_json_and_csv_that_read_alike(): void
    {
        $text = "Monday, 20 min\nDead bug 2 x 8 alt 2-0-2-0 r30\nSide plank 2 x 15 s each side\n";
        $json = (string) $this->api('POST', '/audit/file', ['form' => 'json', 'text' => $text])->assertOk()->getContent();
        $csv = (string) $this->api('POST', '/audit/file', ['form' => 'csv', 'text' => $text])->assertOk()->getContent();
        $read = fn (string $file): array => $this->api('POST', '/audit', ['text' => $file])->assertOk()->json('weeks');

        self::assertSame($read($text), $read($json));
        self::assertSame($read($text), $read($csv));
        $this->api('POST', '/audit/file', ['form' => 'csv', 'text' => "Monday\nwhat\n"])->assertStatus(422);
    }
}
