<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Copies\TakeOutDocument;
use App\Models\LineConsent;
use EvenRungs\Devices\Camera\Film;
use EvenRungs\Devices\Camera\Scene;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Facades\DB;

final class LinesTest extends HttpTestCase
{
    private const SAGGING = ['shoulder' => [100, 200], 'hip' => [300, 260], 'knee' => [450, 240], 'ankle' => [600, 230]];

    private string $maren = '';

    protected function setUp(): void
    {
        parent::setUp();
        $this->maren = $this->clientNamed('Maren Tidewell')->id;
    }

    private function rows(string $table): int
    {
        return DB::table($table)->where('client_id', $this->maren)->count();
    }

    private function path(string $rest = '', string $name = 'Maren Tidewell'): string
    {
        return '/clients/'.$this->clientNamed($name)->id.'/lines'.$rest;
    }

    /** @return array<string, mixed> */
    private static function line(string $rung = 'forearm-plank'): array
    {
        return ['format' => 'even-rungs/line', 'version' => 1, 'rung' => $rung, 'points' => self::SAGGING];
    }

    /** @return array<string, mixed> what is kept of a picture of 640 × 480 */
    private static function kept(?string $picture = null): array
    {
        return [
            'on' => '2026-11-20', 'line' => self::line(), 'width' => 640, 'height' => 480, 'faults' => ['hips-sag'],
            ...($picture === null ? [] : ['picture' => base64_encode($picture)]),
        ];
    }

    public function test_a_line_is_judged_with_the_cue_of_its_rung(): void
    {
        $this->signedIn();
        $judged = $this->api('POST', '/lines/judge', ['line' => self::line()])->assertOk()->json();
        self::assertSame(['hips-sag'], $judged['line']['faults']);
        $cues = array_column($this->app->make(DataFolder::class)->library()->rung('forearm-plank')->coaching()->cues, 'say', 'fault');
        self::assertSame(['Hips sag', $cues['hips-sag']], [$judged['suggests'][0]['name'], $judged['suggests'][0]['cue']]);
        self::assertSame('/line/rung', $this->api('POST', '/lines/judge', ['line' => self::line('dead-bug')])
            ->assertStatus(422)->json('errors.0.path'));
    }

    public function test_a_live_hold_is_over_when_it_was_off_for_as_long_as_is_set_and_was_held_until_then(): void
    {
        $this->signedIn();
        $straight = [...self::SAGGING, 'hip' => [300, 212], 'knee' => [450, 222]];
        $state = null;
        $answer = [];
        foreach ([[0, $straight], [6000, $straight], [12_400, self::SAGGING], [12_800, null], [13_200, self::SAGGING]] as [$ms, $points]) {
            $answer = $this->api('POST', '/lines/watch', [
                'rung' => 'forearm-plank', 'may_be_off_ms' => 800,
                ...($state === null ? [] : ['state' => $state]),
                'samples' => [['at_ms' => $ms, ...($points === null ? [] : ['points' => $points])]],
            ])->assertOk()->json();
            $state = $answer['state'];
        }
        self::assertSame([true, 12.4, 'hips-sag'], [$answer['over'], $answer['held_s'], $answer['suggests'][0]['id']]);
        $tooShort = ['rung' => 'forearm-plank', 'may_be_off_ms' => 100, 'samples' => [['at_ms' => 0]]];
        $this->api('POST', '/lines/watch', $tooShort)->assertStatus(422);
        self::assertSame('/samples/0/points', $this->api('POST', '/lines/watch', [
            'rung' => 'dead-bug', 'samples' => [['at_ms' => 0, 'points' => self::SAGGING]],
        ])->assertStatus(422)->json('errors.0.path'));
    }

    public function test_nothing_is_kept_before_somebody_who_may_says_so_and_withdrawing_takes_all_of_it_away(): void
    {
        $this->signedIn();
        $this->api('POST', $this->path(), self::kept())->assertStatus(422);
        self::assertSame(0, $this->rows('line_checks'));
        $this->api('POST', $this->path('/consent'), ['given_by' => 'client', 'name' => '  '])->assertStatus(422);
        $said = $this->api('POST', $this->path('/consent'), ['given_by' => 'client', 'name' => 'Maren'])->assertOk()->json('consent');
        self::assertSame(['client', 'Maren'], [$said['given_by'], $said['name']]);
        $this->api('POST', $this->path('/consent'), ['given_by' => 'client', 'name' => 'Maren again'])->assertOk();
        self::assertSame(1, $this->rows('line_consents'), 'asked once');

        $lines = $this->api('POST', $this->path(), self::kept())->assertOk()->json('lines');
        self::assertSame([1, false, ['hips-sag']], [count($lines), $lines[0]['has_picture'], $lines[0]['faults']]);
        $film = (new Film(new Scene(5), $this->app->make(DataFolder::class)->library()))->frame(0);
        $lines = $this->api('POST', $this->path(), self::kept($film))->assertOk()->json('lines');
        $picture = $this->api('GET', $this->path('/'.$lines[1]['id'].'/picture'))->assertOk();
        self::assertSame([640, 480], array_slice((array) getimagesizefromstring((string) $picture->getContent()), 0, 2));
        $this->api('GET', $this->path('/'.$lines[0]['id'].'/picture'))->assertNotFound();
        $other = $this->path('/'.$lines[1]['id'].'/picture', 'Bea Thwart');
        $this->api('GET', $other)->assertNotFound();

        self::assertSame([], $this->api('POST', $this->path('/consent/withdraw'))->assertOk()->json('lines'));
        self::assertSame(0, $this->rows('line_checks'));
        $this->api('POST', $this->path(), self::kept())->assertStatus(422);
        $consent = LineConsent::query()->ofClient($this->clientNamed('Maren Tidewell'))->get()->sole();
        self::assertNotNull($consent->withdrawn_on, 'that there was one stays');
    }

    public function test_a_guardian_says_so_for_who_is_under_age(): void
    {
        $this->signedIn();
        $client = $this->clientNamed('Maren Tidewell');
        $client->document = [...$client->document, 'born' => (int) date('Y') - 18];
        $client->save();
        self::assertTrue($this->api('GET', $this->path())->json('needs_guardian'), 'maybe seventeen still');
        self::assertSame('/given_by', $this->api('POST', $this->path('/consent'), ['given_by' => 'client', 'name' => 'Maren'])
            ->assertStatus(422)->json('errors.0.path'));
        $this->api('POST', $this->path('/consent'), ['given_by' => 'guardian', 'name' => 'Her mother'])->assertOk();
        $this->api('POST', $this->path(), self::kept())->assertOk();
    }

    public function test_the_clients_own_word_is_none_once_they_are_known_to_be_under_age(): void
    {
        $this->signedIn();
        $this->api('POST', $this->path('/consent'), ['given_by' => 'client', 'name' => 'Maren'])->assertOk();
        $client = $this->clientNamed('Maren Tidewell');
        $client->document = [...$client->document, 'born' => (int) date('Y') - 15];
        $client->save();
        self::assertNull($this->api('GET', $this->path())->json('consent'));
        $this->api('POST', $this->path(), self::kept())->assertStatus(422);
    }

    public function test_a_picture_is_kept_small_and_without_what_a_device_wrote_into_it(): void
    {
        $this->signedIn();
        $this->api('POST', $this->path('/consent'), ['given_by' => 'client', 'name' => 'Maren'])->assertOk();
        $image = imagecreatetruecolor(3200, 2400);
        self::assertNotFalse($image);
        ob_start();
        imagejpeg($image);
        $jpeg = (string) ob_get_clean();
        $where = "Exif\0\0II*\0\x08\0\0\0\x01\0\x0f\x01\x02\0\x08\0\0\0\x1a\0\0\0\0\0\0\0A phone\0";
        $jpeg = substr($jpeg, 0, 2)."\xff\xe1".pack('n', 2 + strlen($where)).$where.substr($jpeg, 2);
        self::assertStringContainsString('A phone', $jpeg);
        $body = [...self::kept($jpeg), 'width' => 3200, 'height' => 2400];
        $line = $this->api('POST', $this->path(), $body)->assertOk()->json('lines.0');
        $picture = (string) $this->api('GET', $this->path('/'.$line['id'].'/picture'))->assertOk()->getContent();
        self::assertSame([1600, 1200], array_slice((array) getimagesizefromstring($picture), 0, 2));
        self::assertStringNotContainsString('A phone', $picture);
        self::assertEquals([150, 130], $line['marks']['points']['hip'], 'the marks are where they were in the picture');
        foreach (['no picture', "\xff\xd8\xff\xe0 nor this"] as $bytes) {
            $wrong = $this->api('POST', $this->path(), self::kept($bytes))->assertStatus(422)->json('errors.0.path');
            self::assertSame('/picture', $wrong);
        }
    }

    public function test_what_is_kept_goes_along_with_the_client_and_away_with_them(): void
    {
        $this->signedIn();
        $this->api('POST', $this->path('/consent'), ['given_by' => 'client', 'name' => 'Maren'])->assertOk();
        $film = (new Film(new Scene(5), $this->app->make(DataFolder::class)->library()))->frame(0);
        $this->api('POST', $this->path(), self::kept($film))->assertOk();
        $client = $this->clientNamed('Maren Tidewell');
        $taken = json_decode($this->app->make(TakeOutDocument::class)->client($client), true);
        self::assertSame([1, 'Maren'], [count($taken['clients'][0]['line_checks']), $taken['clients'][0]['line_consents'][0]['name']]);
        self::assertNotNull($taken['clients'][0]['line_checks'][0]['picture']);
        $bent = $taken;
        $bent['clients'][0]['line_checks'][0]['marks'] = ['points' => ['shoulder' => 'here', 'hip' => [1], 'knee' => []]];
        $bent['clients'][0]['logs'] = [];
        $bent['clients'][0]['verdict_answers'] = [];
        $answer = $this->api('POST', '/read-in', (string) json_encode($bent));
        $read = [$answer->getStatusCode(), $answer->json('errors.0.path')];
        self::assertSame([422, '/clients'], $read, 'no page would open with such marks');
        $this->api('POST', "/clients/{$client->id}/erase", ['name' => 'Maren Tidewell'])->assertNoContent();
        self::assertSame([0, 0], [$this->rows('line_checks'), $this->rows('line_consents')]);
    }

    public function test_the_simulated_camera_shows_what_it_is_told_to(): void
    {
        $this->signedIn();
        $told = $this->api('POST', '/camera', ['rung' => 'hands-plank', 'play' => 'sagging'])->assertOk()->json();
        self::assertSame(['Simulated camera', true], [$told['name'], $told['simulated']]);
        $frame = (string) $this->api('GET', '/camera/frame')->assertOk()->getContent();
        self::assertSame([640, 480], array_slice((array) getimagesizefromstring($frame), 0, 2));
        $this->api('POST', '/camera', ['rung' => 'dead-bug', 'play' => 'sagging'])->assertStatus(422);
    }
}
