<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\TestDay;
use Illuminate\Support\Carbon;

final class TestDaysTest extends HttpTestCase
{
    private function path(string $rest): string
    {
        return '/clients/'.$this->clientNamed('Bea Thwart')->id.$rest;
    }

    /** @return array<string, mixed> */
    private function add(string $on, array $tests, array $ended = []): array
    {
        $version = $this->api('GET', $this->path('/board'))->json('version');

        return $this->api(
            'POST',
            $this->path('/tests'),
            ['version' => $version, 'on' => $on, 'tests' => (object) $tests, 'ended_by' => (object) $ended],
        )->assertOk()->json();
    }

    public function test_a_test_day_is_kept_with_the_faults_that_ended_it_and_places_the_client(): void
    {
        $this->signedIn();
        self::assertSame('flexor', $this->api('GET', $this->path('/tests'))->assertOk()->json('protocol.tests.0.test'));
        $days = $this->add('2026-11-24', ['side-plank-left_s' => 20, 'side-plank-right_s' => 70], ['side-plank-left' => 'hips-sag']);

        self::assertSame(['2026-11-24', 'hips-sag'], [$days['days'][0]['on'], $days['days'][0]['ended_by']['side-plank-left']]);
        self::assertSame('left', $days['norms']['asymmetry'][0]['worse']);
        self::assertTrue(array_column($days['norms']['ratios'], null, 'id')['side-left-right']['flag']);
        $client = $this->api('GET', $this->path(''))->json('document.tests');
        self::assertSame([20, 118], [$client['side-plank-left_s'], $client['front-plank_s']], 'what was not measured stays');
    }

    public function test_a_change_is_set_against_the_day_before_and_its_noise(): void
    {
        $this->signedIn();
        $this->add('2026-10-01', ['front-plank_s' => 100]);
        $change = array_column(
            $this->add('2026-11-01', ['front-plank_s' => 110])['norms']['results'],
            null,
            'test',
        )['front-plank']['change'];

        self::assertEquals(['before_s' => 100, 'by_s' => 10, 'noise_s' => 15, 'counts' => false], $change);
    }

    public function test_what_cannot_be_is_said_at_its_field_and_nothing_is_kept(): void
    {
        $this->signedIn();
        $version = $this->api('GET', $this->path('/board'))->json('version');
        $try = fn (array $body): ?string => $this->api(
            'POST',
            $this->path('/tests'),
            ['version' => $version, 'on' => '2026-11-24', 'tests' => ['front-plank_s' => 30], 'ended_by' => (object) [], ...$body],
        )->assertStatus(422)->json('errors.0.path');

        self::assertSame('/on', $try(['on' => '2026-02-30']));
        self::assertSame('/tests', $try(['tests' => (object) []]));
        self::assertSame('/tests/front-plank_s', $try(['tests' => ['front-plank_s' => -1]]));
        self::assertSame('/ended_by/front-plank', $try(['ended_by' => ['front-plank' => 'boredom']]));
        $this->api(
            'POST',
            $this->path('/tests'),
            ['version' => $version + 7, 'on' => '2026-11-24', 'tests' => ['front-plank_s' => 30], 'ended_by' => (object) []],
        )->assertStatus(409);
        self::assertSame(0, TestDay::query()->ofClient($this->clientNamed('Bea Thwart'))->count());
    }

    public function test_with_the_cuff_the_readings_decide_what_was_held(): void
    {
        $this->signedIn();
        $version = $this->api('GET', $this->path('/board'))->json('version');
        $body = ['version' => $version, 'on' => '2026-11-24', 'tests' => (object) [], 'ended_by' => (object) []];
        $body['leg_loading'] = ['method' => 'cuff', 'levels' => [
            ['level' => 1, 'trace' => [[0, 40.2], [0.3, 41.0]]], ['level' => 2, 'held' => true, 'trace' => [[0, 40.0], [0.3, 29.4]]],
        ]];
        $day = $this->api('POST', $this->path('/tests'), $body)->assertOk()->json('days.0.leg_loading');

        self::assertSame(['cuff', 1, [true, false]], [$day['method'], $day['score'], array_column($day['levels'], 'held')]);
        self::assertSame([0.3, 29.4], $day['levels'][1]['trace'][1]);
        $mixed = [
            ...$body,
            'version' => $version + 1,
            'leg_loading' => ['method' => 'back-still', 'levels' => [['level' => 1, 'held' => true, 'trace' => [[0, 40]]]]],
        ];
        $this->api('POST', $this->path('/tests'), $mixed)->assertStatus(422)->assertJsonPath(
            'errors.0.path',
            '/leg_loading/levels/0/trace',
        );
    }

    public function test_a_climbed_ladder_places_the_client_by_the_worse_side(): void
    {
        $this->signedIn();
        $version = $this->api('GET', $this->path('/board'))->json('version');
        $this->api(
            'POST',
            $this->path('/tests'),
            [
                'version' => $version,
                'on' => '2026-11-24',
                'tests' => (object) [],
                'ended_by' => (object) [],
                'ladders' => ['bird-dog' => ['highest_clean' => ['left' => 'bird-dog-held', 'right' => 'bird-dog-leg']]],
            ],
        )->assertOk();
        $standing = array_column($this->api('GET', $this->path('/board'))->json('ladders'), null, 'id')['bird-dog']['standing'];

        self::assertSame(['bird-dog-leg', 'highest-clean'], [$standing['rung'], $standing['basis']]);
        $this->api(
            'POST',
            $this->path('/tests'),
            [
                'version' => $version + 1,
                'on' => '2026-11-24',
                'tests' => (object) [],
                'ended_by' => (object) [],
                'ladders' => ['bird-dog' => ['highest_clean' => 'heel-taps']],
            ],
        )->assertStatus(422);
    }

    public function test_the_simulated_cuff_answers_and_loses_pressure_when_told(): void
    {
        $this->signedIn();
        $steady = $this->api('POST', '/cuff', ['play' => 'steady'])->assertOk()->json();
        self::assertSame(['Simulated cuff', true, 40, 10], [$steady['name'], $steady['held'], $steady['target'], $steady['reach']]);
        $this->api('POST', '/cuff', ['play' => 'losing'])->assertOk();
        for ($try = 0; $try < 60 && $this->api('GET', '/cuff')->json('held'); $try++) {
            usleep(100_000);
        }
        self::assertFalse($this->api('GET', '/cuff')->assertOk()->json('held'));
        $this->api('POST', '/cuff', ['play' => 'music'])->assertStatus(422);
    }

    public function test_a_test_day_offers_nothing_that_a_limit_bars_and_names_what_stands_in(): void
    {
        $this->signedIn();
        $of = '/clients/'.$this->clientNamed('Maren Tidewell')->id;
        $barred = array_column($this->api('GET', $of.'/tests')->assertOk()->json('barred'), null, 'test');
        self::assertEqualsCanonicalizing(
            ['side-plank-left', 'side-plank-right', 'front-plank'],
            array_keys($barred),
            'her shoulder is sore',
        );
        self::assertSame(['sore shoulder: shoulder load, grade 2'], $barred['side-plank-left']['why']);
        self::assertNotNull($barred['side-plank-left']['stand_in']);
        $body = [
            'version' => $this->api('GET', $of.'/board')->json('version'),
            'on' => Carbon::today()->toDateString(),
            'tests' => ['side-plank-left_s' => 30],
            'ended_by' => (object) [],
        ];
        $this->api('POST', $of.'/tests', $body)->assertStatus(422)->assertJsonPath('errors.0.path', '/tests/side-plank-left_s');
        $this->api('POST', $of.'/tests', [...$body, 'tests' => ['flexor_s' => 60]])->assertOk();
        self::assertSame([], $this->api('GET', '/clients/'.$this->clientNamed('Bea Thwart')->id.'/tests')->json('barred'));
    }
}
