<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Studio;
use App\Models\Trainer;
use Tests\Support\Documents;

final class LibraryTest extends HttpTestCase
{
    use OwnLadderOfTheStudio;

    public function test_the_library_is_found_by_a_misspelt_name_and_by_what_it_spares(): void
    {
        $this->signedIn();
        $ids = fn (string $query): array => array_column($this->api('GET', '/rungs?'.$query)->assertOk()->json('rungs'), 'id');

        self::assertSame('forearm-plank', $ids('q=frnt%20plank')[0]);
        self::assertContains('side-plank-wall', $ids('direction=AL&spare=shoulder,wrist&most=4'));
        self::assertNotContains('side-plank-split', $ids('direction=AL&spare=shoulder'));
        self::assertSame([], array_diff($ids('kit=none&position=standing'), $ids('position=standing')));
        self::assertNotContains('carry-hip', $ids('kit=none'));
        self::assertContains('carry-hip', $ids('kit=kettlebell'));
        self::assertSame(
            ['/direction', '/spare'],
            array_column($this->api('GET', '/rungs?direction=XX&spare=shoulder,elbow')->assertStatus(422)->json('errors'), 'path'),
            'a wish that is not understood is not passed over',
        );
        self::assertSame(
            ['swing-one-hand', 'swing-two-hands', 'throw-chest', 'throw-rotational', 'side-to-side-swing'],
            array_values(
                array_unique(
                    array_intersect(
                        ['swing-one-hand', 'swing-two-hands', 'throw-chest', 'throw-rotational', 'side-to-side-swing', 'crunch'],
                        $ids('intent=power'),
                    ),
                ),
            ),
        );
    }

    public function test_a_rungs_page_says_what_is_easier_harder_and_sparing(): void
    {
        $this->signedIn();
        $page = $this->api('GET', '/rungs/side-plank-split')->assertOk()->json();

        self::assertSame(['side-plank-knees', 'side-plank-stacked'], [$page['below']['id'], $page['above']['id']]);
        $spares = array_column($page['spares'], null, 'limit');
        self::assertTrue($spares['shoulder']['barred']);
        self::assertSame('AL', $spares['shoulder']['swaps'][0]['category']);
        self::assertContains('Sore shoulder', array_column($page['cautions'], 'name'));
        $figures = $this->api('GET', '/figures')->assertOk()->assertJsonPath('figures', [])->json();
        self::assertCount(190 + 12, (array) json_decode((string) file_get_contents(public_path($figures['drawn'])), true));
        self::assertGreaterThan(10, count($this->api('GET', '/rungs/dead-bug-opposite')->json('drawing.pictures')));
        $this->api('GET', '/rungs/nowhere')->assertNotFound();
    }

    public function test_a_swap_goes_into_the_week_and_out_again(): void
    {
        $this->signedIn();
        $board = $this->board();
        foreach ($board['week']['sessions'] as $s => $session) {
            foreach ($session['blocks'] as $b => $block) {
                foreach ($block['entries'] as $e => $entry) {
                    $found = $entry['category'] === 'AL' ? [$s, $b, $e, $entry] : ($found ?? null);
                }
            }
        }
        self::assertNotNull($found ?? null);
        [$s, $b, $e, $entry] = $found;
        $swap = $this->api('GET', $this->path('/swaps/'.$entry['exercise'].'?spare=shoulder'))->assertOk()->json('swaps.0');
        $place = ['week' => 0, 'session' => $s, 'block' => $b, 'entry' => $e];
        $after = $this->api(
            'POST',
            $this->path('/swaps'),
            ['version' => $board['version'], ...$place, 'rung' => $swap['id']],
        )->assertOk()->json();

        self::assertSame($swap['id'], $after['week']['sessions'][$s]['blocks'][$b]['entries'][$e]['exercise']);
        $this->api(
            'GET',
            $this->path('/swaps/'.$entry['exercise'].'?spare=elbow'),
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/spare');
        $this->api(
            'POST',
            $this->path('/swaps'),
            ['version' => $after['version'], ...$place, 'rung' => 'rollout-standing'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/rung');
        $this->api(
            'POST',
            $this->path('/swaps'),
            ['version' => $after['version'], ...$place, 'entry' => 49, 'rung' => $swap['id']],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/entry');
        $back = $this->api('POST', $this->path('/undo'), ['version' => $after['version']])->assertOk()->json();
        self::assertSame($entry['exercise'], $back['week']['sessions'][$s]['blocks'][$b]['entries'][$e]['exercise']);
    }

    public function test_the_road_to_a_standing_wheel_rollout_goes_by_its_gates_and_becomes_the_aim(): void
    {
        $this->signedIn();
        $road = $this->api('GET', $this->path('/road/rollout-standing', 'Joss Keelson'))->assertOk()->json();

        self::assertNotContains($road['answer'], ['here', 'next']);
        self::assertSame('rollout', end($road['stretches'])['ladder']);
        self::assertSame('goal', array_column(end($road['stretches'])['rungs'], 'mark', 'id')['rollout-standing']);
        self::assertNotNull($road['next']);
        $board = $this->api(
            'POST',
            $this->path('/aims', 'Joss Keelson'),
            ['version' => $this->board('Joss Keelson')['version'], 'rung' => 'rollout-standing', 'wanted' => false],
        )->assertOk()->json();
        self::assertSame([], $board['aims']);
        $board = $this->api(
            'POST',
            $this->path('/aims', 'Joss Keelson'),
            ['version' => $board['version'], 'rung' => 'hanging-leg-raise', 'wanted' => true],
        )->assertOk()->json();
        $aimed = $this->api(
            'POST',
            $this->path('/aims', 'Joss Keelson'),
            ['version' => $board['version'], 'rung' => 'rollout-standing', 'wanted' => true],
        )->assertOk()->json();
        self::assertSame(['rollout-standing', 'hanging-leg-raise'], $aimed['aims'], 'the newest first');
        $this->api('GET', $this->path('/road/rollout-standing', 'Joss Keelson'))->assertJsonPath('is_aim', true);
    }

    public function test_the_plan_draws_only_on_the_ladders_that_are_chosen(): void
    {
        $this->signedIn();
        $board = $this->board();
        $chosen = ['brace', 'dead-bug', 'bird-dog', 'side-lying-lift', 'press-out'];
        $board = $this->api('POST', $this->path('/ladders'), ['version' => $board['version'], 'ladders' => $chosen])->assertOk()->json();
        $board = $this->api('POST', $this->path('/plan'), ['version' => $board['version']])->assertOk()->json();
        foreach ($board['week']['sessions'] as $session) {
            foreach ($session['blocks'] as $block) {
                foreach ($block['entries'] as $entry) {
                    self::assertContains($entry['ladder'], $chosen);
                }
            }
        }
        $this->api(
            'POST',
            $this->path('/ladders'),
            ['version' => $board['version'], 'ladders' => ['nowhere']],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/ladders/0');
    }

    public function test_own_words_are_matched_once_and_belong_to_the_studio(): void
    {
        $this->signedIn();
        $list = $this->api('POST', '/words', ['words' => 'Harbour crawl', 'rung' => 'plank-drag'])->assertOk()->json('words');
        $added = array_column($list, null, 'words')['Harbour crawl'];
        self::assertSame('Drag a weight across', $added['name']);
        self::assertSame('plank-drag', $this->api('GET', '/rungs?q=harbour%20crawl')->json('rungs.0.id'));
        $this->api(
            'POST',
            '/words',
            ['words' => 'Front plank', 'rung' => 'plank-drag'],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/words');

        $studio = Studio::query()->create(['name' => 'Other']);
        Trainer::query()->create(['studio_id' => $studio->id, 'name' => 'Other', 'email' => 'other@other.example', 'password' => 'secret']);
        $this->signedIn('other@other.example');
        self::assertSame([], $this->api('GET', '/words')->json('words'));
        self::assertSame([], $this->api('GET', '/rungs?q=harbour%20crawl')->json('rungs'));
        $this->api('POST', '/words/'.$added['id'].'/remove')->assertNotFound();
        $this->signedIn();
        self::assertNotContains(
            'Harbour crawl',
            array_column($this->api('POST', '/words/'.$added['id'].'/remove')->assertOk()->json('words'), 'words'),
        );
    }

    public function test_a_figure_is_drawn_while_it_is_written(): void
    {
        $this->signedIn();
        $this->api('POST', '/figures', ['figure' => ['pose' => 'standing', 'to' => [['hip' => 90]]]])->assertOk();
        $this->api('POST', '/figures', ['figure' => ['pose' => 'standing', 'to' => [['knee' => 200]]]])->assertStatus(422);
        $at = ['right' => 28, 'down' => -80];
        $drag = ['figure' => ['pose' => 'standing'], 'joint' => 'hand-r', 'of_end' => false, 'alike' => false, ...$at];
        $dragged = $this->api('POST', '/figures/drag', $drag)->assertOk()->json();
        self::assertGreaterThan(45, $dragged['figure']['with']['shoulder-r'] ?? 0, 'the arm comes up');
        self::assertArrayNotHasKey('shoulder-l', $dragged['figure']['with']);
        $this->api('POST', '/figures/drag', ['joint' => 'tail'] + $drag)->assertStatus(422);
        $this->api('POST', '/figures/drag', ['of_end' => true] + $drag)->assertStatus(422);
        $this->api(
            'POST',
            '/figures',
            ['figure' => ['pose' => 'nowhere']],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/figure/pose');
        self::assertGreaterThan(20, count($this->api('GET', '/poses')->assertOk()->json('poses')));
    }

    public function test_a_rung_says_what_each_style_says_on_it_and_is_a_start_for_a_new_one(): void
    {
        $this->signedIn();
        $said = $this->api('GET', '/rungs/forearm-plank')->assertOk()->json('said');
        self::assertNotSame([], $said);
        foreach ($this->api('GET', '/styles')->assertOk()->json('styles') as $style) {
            $words = Documents::data()->style($style['id'])->words(Documents::data()->library()->rung('forearm-plank'));
            $of = array_filter(
                $said,
                static fn (array $each): bool => $each['styles'] === [] || in_array($style['name'], $each['styles'], true),
            );
            self::assertEqualsCanonicalizing($words, array_column($of, 'say'), $style['name']);
        }
        $draft = $this->api('GET', '/rungs/forearm-plank/draft')->assertOk()->json('rung');
        self::assertSame(['', 'Forearm plank, our own', []], [$draft['id'], $draft['name'], $draft['aliases']]);
        self::assertSame('2 × 10 s r0:30', $draft['steps'][0]);
        $this->api('GET', '/rungs/none/draft')->assertNotFound();
    }
}
