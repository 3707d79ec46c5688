<?php

declare(strict_types=1);

namespace Tests\Http;

final class StylesTest extends HttpTestCase
{
    private function path(string $rest): string
    {
        return '/clients/'.$this->clientNamed('Bea Thwart')->id.$rest;
    }

    public function test_every_style_is_shown_with_the_reasons_of_its_choices(): void
    {
        $this->signedIn();
        $styles = $this->api('GET', '/styles')->assertOk()->json('styles');

        self::assertGreaterThanOrEqual(5, count($styles));
        self::assertCount(18, $styles[0]['choices']);
    }

    public function test_a_client_follows_another_style_and_undo_brings_the_old_one_back(): void
    {
        $this->signedIn();
        $before = $this->api('GET', $this->path('/board'))->json();
        $after = $this->api('POST', $this->path('/style'), ['version' => $before['version'], 'style' => 'quiet-start'])->assertOk()->json();

        self::assertSame('quiet-start', $after['style']['id']);
        self::assertStringStartsWith('back-switch-on', $after['week']['sessions'][0]['blocks'][0]['entries'][0]['exercise']);
        $back = $this->api('POST', $this->path('/undo'), ['version' => $after['version']])->assertOk()->json();
        self::assertSame([$before['style'], $before['week']], [$back['style'], $back['week']]);
        $this->api(
            'POST',
            $this->path('/style'),
            ['version' => $back['version'], 'style' => 'nowhere'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/style');
    }

    public function test_what_if_shows_another_week_and_stores_nothing(): void
    {
        $this->signedIn();
        $before = $this->api('GET', $this->path('/board'))->json();
        $then = $this->api(
            'POST',
            $this->path('/what-if'),
            ['days' => ['mon' => 20], 'limits' => ['wrist', 'shoulder'], 'style' => 'ten-count'],
        )->assertOk()->json();

        self::assertSame(['mon'], array_column($then['week']['sessions'], 'day'));
        self::assertNotSame([], $then['week']['gaps'], 'one day a week leaves directions short, and says so');
        self::assertSame(['wrist', 'shoulder'], array_column($then['client']['limits'], 'id'));
        self::assertSame($before, $this->api('GET', $this->path('/board'))->json());
        $this->api('POST', $this->path('/what-if'), ['limits' => ['wrist', 'wrist']])->assertStatus(422);
        $this->api('POST', $this->path('/what-if'), ['style' => 'nowhere'])->assertStatus(422)->assertJsonPath('errors.0.path', '/style');
    }

    public function test_a_copy_of_a_style_takes_other_answers_and_plans_by_them(): void
    {
        $this->signedIn();
        $styles = $this->api(
            'POST',
            '/styles',
            ['from' => 'even-keel', 'name' => 'Our house', 'change' => false, 'choices' => ['switch-on' => 'draw-in']],
        )->assertOk()->json('styles');
        $own = array_column($styles, null, 'id')['own-our-house'];

        self::assertSame(['draw-in', true], [array_column($own['choices'], 'side', 'id')['switch-on'], $own['own']]);
        $version = $this->api('GET', $this->path('/board'))->json('version');
        $board = $this->api('POST', $this->path('/style'), ['version' => $version, 'style' => 'own-our-house'])->assertOk()->json();
        self::assertStringStartsWith('back-switch-on', $board['week']['sessions'][0]['blocks'][0]['entries'][0]['exercise']);

        $changed = $this->api(
            'POST',
            '/styles',
            ['from' => 'own-our-house', 'name' => 'Our house', 'change' => true, 'choices' => ['long-holds' => 'tens']],
        )->assertOk()->json('styles');
        self::assertSame(
            ['draw-in', 'tens'],
            array_values(
                array_intersect_key(
                    array_column(array_column($changed, null, 'id')['own-our-house']['choices'], 'side', 'id'),
                    ['switch-on' => 1, 'long-holds' => 1],
                ),
            ),
        );
        $this->api('POST', '/styles/own-our-house/remove')->assertStatus(422)->assertJsonPath(
            'errors.0.message',
            'Bea Thwart still follows it',
        );
    }

    public function test_who_follows_a_changed_style_is_named_and_asked_and_nothing_is_undone_into_one_that_is_gone(): void
    {
        $this->signedIn();
        $save = fn (string $from, bool $change, array $choices): array => array_column($this->api('POST', '/styles', [
            'from' => $from, 'name' => 'Our house', 'change' => $change, 'choices' => (object) $choices,
        ])->assertOk()->json('styles'), null, 'id')['own-our-house'];
        $board = fn (): array => $this->api('GET', $this->path('/board'))->assertOk()->json();
        $follow = fn (string $style): array => $this->api(
            'POST',
            $this->path('/style'),
            ['version' => $board()['version'], 'style' => $style],
        )->assertOk()->json();
        self::assertSame([], $save('even-keel', false, [])['followers']);
        $styles = array_column($this->api('GET', '/styles')->assertOk()->json('styles'), 'followers', 'id');
        self::assertContains('Maren Tidewell', $styles['even-keel'], 'who has chosen none follows the default');
        $before = $follow('own-our-house');
        $changed = $save('own-our-house', true, ['switch-on' => 'draw-in']);

        self::assertSame(['Bea Thwart'], $changed['followers']);
        $after = $board();
        self::assertSame(['the answers of Our house'], $after['plan_asked']);
        self::assertSame($before['week'], $after['week'], 'the program stays until somebody answers');
        $anew = $this->api('POST', $this->path('/plan'), ['version' => $after['version']])->assertOk()->json();
        self::assertStringStartsWith('back-switch-on', $anew['week']['sessions'][0]['blocks'][0]['entries'][0]['exercise']);

        self::assertNotNull($follow('even-keel')['undo']);
        $this->api('POST', '/styles/own-our-house/remove')->assertOk();
        self::assertNull($board()['undo']);
        self::assertSame('even-keel', $board()['style']['id']);
    }

    public function test_a_style_of_another_studio_or_without_a_name_is_not_made(): void
    {
        $this->signedIn();
        $try = fn (array $more): ?string => $this->api(
            'POST',
            '/styles',
            ['from' => 'even-keel', 'name' => 'One', 'change' => false, 'choices' => (object) [], ...$more],
        )->assertStatus(422)->json('errors.0.path');

        self::assertSame('/from', $try(['from' => 'own-theirs']));
        self::assertSame('/name', $try(['name' => '!!!']));
        self::assertSame('/choices/start', $try(['choices' => ['start' => 'nowhere']]));
        $this->api('POST', '/styles', ['from' => 'even-keel', 'name' => 'One', 'change' => false, 'choices' => (object) []])->assertOk();
        self::assertSame('/name', $try([]), 'there is one of that name already');
        $this->api('POST', '/styles/even-keel/remove')->assertStatus(404);
    }
}
