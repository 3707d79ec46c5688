<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\TestDay;

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

        return $this->api('POST', $this->path('/tests'), ['version' => $version, 'on' => $on, 'tests' => (object) $tests, 'ended_by' => (object) $ended])->assertOk()->json();
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
        $change = array_column($this->add('2026-11-01', ['front-plank_s' => 110])['norms']['results'], null, 'test')['front-plank']['change'];

        self::assertEquals(['before_s' => 100, 'by_s' => 10, 'noise_s' => 15, 'counts' => false], $change);
    }

    public function test_what_cannot_be_is_said_at_its_field_and_nothing_is_kept(): void
    {
        $this->signedIn();
        $version = $this->api('GET', $this->path('/board'))->json('version');
        $try = fn (array $body): ?string => $this->api('POST', $this->path('/tests'), ['version' => $version, 'on' => '2026-11-24', 'tests' => ['front-plank_s' => 30], 'ended_by' => (object) [], ...$body])->assertStatus(422)->json('errors.0.path');

        self::assertSame('/on', $try(['on' => '2026-02-30']));
        self::assertSame('/tests', $try(['tests' => (object) []]));
        self::assertSame('/tests/front-plank_s', $try(['tests' => ['front-plank_s' => -1]]));
        self::assertSame('/ended_by/front-plank', $try(['ended_by' => ['front-plank' => 'boredom']]));
        $this->api('POST', $this->path('/tests'), ['version' => $version + 7, 'on' => '2026-11-24', 'tests' => ['front-plank_s' => 30], 'ended_by' => (object) []])->assertStatus(409);
        self::assertSame(0, TestDay::query()->ofClient($this->clientNamed('Bea Thwart'))->count());
    }
}
