<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Screen;
use Illuminate\Support\Carbon;

final class ScreensTest extends HttpTestCase
{
    private function path(string $rest, string $name = 'Anker Stave'): string
    {
        return '/clients/'.$this->clientNamed($name)->id.$rest;
    }

    private function version(string $name = 'Anker Stave'): int
    {
        return $this->api('GET', $this->path('/board', $name))->json('version');
    }

    /** @return array<string, mixed> */
    private function clearance(array $more = []): array
    {
        return [
            'version' => $this->version(),
            'who' => 'A. Practice',
            'role' => 'Physiotherapist',
            'on' => Carbon::today()->toDateString(),
            'covers' => ['night-pain'],
            ...$more,
        ];
    }

    public function test_a_flag_stops_planning_until_a_clearance_is_recorded_and_again_when_it_is_withdrawn(): void
    {
        $this->signedIn();
        self::assertNull($this->api('GET', $this->path('/board'))->json('week'));
        self::assertContains(
            ['id' => 'night-pain', 'name' => 'Unrelenting pain at night', 'covered' => false],
            $this->api('GET', $this->path('/screen'))->assertOk()->json('needed'),
        );

        $cleared = $this->api('POST', $this->path('/clearances'), $this->clearance())->assertOk()->json();
        self::assertTrue(array_column($cleared['needed'], 'covered', 'id')['night-pain']);
        $board = $this->api('GET', $this->path('/board'))->json();
        self::assertSame([[], 6], [$board['refer'], $board['weeks']]);

        $this->api(
            'POST',
            $this->path('/clearances/'.$cleared['clearances'][0]['id'].'/withdraw'),
            ['version' => $board['version']],
        )->assertOk();
        self::assertSame(
            [null, 1],
            [$this->api('GET', $this->path('/board'))->json('week'), count($this->api('GET', $this->path('/board'))->json('refer'))],
        );
    }

    public function test_a_clearance_lifts_nothing_that_came_after_it(): void
    {
        $this->signedIn();
        $day = static fn (int $ago): string => Carbon::today()->subDays($ago)->toDateString();
        $ask = fn (array $flags, int $ago) => $this->api(
            'POST',
            $this->path('/screen'),
            ['version' => $this->version(), 'on' => $day($ago), 'flags' => $flags, 'limits' => []],
        )->assertOk();
        $this->api('POST', $this->path('/clearances'), $this->clearance(['on' => $day(20)]))->assertOk();
        self::assertSame([], $this->api('GET', $this->path('/board'))->json('refer'), 'a letter from before the first screen counts');
        $ask([], 10);
        $ask(['night-pain'], 0);

        self::assertCount(1, $this->api('GET', $this->path('/board'))->json('refer'), 'it came back after the letter');
    }

    public function test_answers_are_dated_and_a_new_limit_names_the_programs_it_touches(): void
    {
        $this->signedIn();
        $name = 'Bea Thwart';
        $before = Screen::query()->ofClient($this->clientNamed($name))->count();
        $answer = $this->api(
            'POST',
            $this->path('/screen', $name),
            [
                'version' => $this->version($name),
                'on' => Carbon::today()->toDateString(),
                'flags' => [],
                'limits' => [['limit' => 'shoulder', 'severity' => 'severe']],
            ],
        )->assertOk()->json('answers');

        self::assertCount($before + 1, $answer);
        self::assertSame(['Sanna Keel', [], ['Sore shoulder, severe']], [$answer[0]['by'], $answer[0]['flags'], $answer[0]['limits']]);
        self::assertSame('Bea Thwart: 6 weeks', $answer[0]['touched'][0]['title']);
        self::assertNotSame([], $answer[0]['touched'][0]['exercises']);
        self::assertSame('shoulder', $this->api('GET', $this->path('/board', $name))->json('client.limits.0.id'));
    }

    public function test_it_is_due_again_when_something_new_hurts(): void
    {
        $this->signedIn();
        $name = 'Bea Thwart';
        self::assertFalse($this->api('GET', $this->path('/screen', $name))->json('due.over'));
        $record = $this->api('GET', $this->path('', $name))->json();
        $this->api(
            'PUT',
            $this->path('', $name),
            ['version' => $record['version'], 'document' => [...$record['document'], 'limits' => ['wrist']]],
        )->assertOk();

        self::assertTrue($this->api('GET', $this->path('/screen', $name))->json('due.over'));
    }

    public function test_what_cannot_be_is_said_at_its_field(): void
    {
        $this->signedIn();
        $tomorrow = Carbon::today()->addDays(3)->toDateString();
        $at = fn (array $more): ?string => $this->api(
            'POST',
            $this->path('/clearances'),
            $this->clearance($more),
        )->assertStatus(422)->json('errors.0.path');

        self::assertSame('/on', $at(['on' => $tomorrow]));
        self::assertSame('/who', $at(['who' => ' ']));
        self::assertSame('/covers', $at(['covers' => []]));
        self::assertSame('/covers/0', $at(['covers' => ['boredom']]));
        $this->api('POST', $this->path('/clearances'), $this->clearance(['version' => 999]))->assertStatus(409);
    }
}
