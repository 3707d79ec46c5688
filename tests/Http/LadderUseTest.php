<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Studio;
use App\Models\Trainer;

/**
 * A new ladder of a studio's own is planned for nobody until somebody says for whom.
 */
final class LadderUseTest extends HttpTestCase
{
    use OwnLadderOfTheStudio;

    /** @return list<string> exercises of the week that would be planned now */
    private function planned(): array
    {
        $version = $this->board()['version'];
        $week = $this->api('POST', $this->path('/plan'), ['version' => $version])->assertOk()->json('week');

        return array_merge(...array_map(
            static fn (array $session): array => array_merge(
                ...array_map(static fn (array $block): array => array_column($block['entries'], 'exercise'), $session['blocks']),
            ),
            $week['sessions'],
        ));
    }

    public function test_a_copy_is_used_for_one_client_where_it_is_chosen_and_for_all_where_that_is_said(): void
    {
        $this->signedIn();
        $before = $this->planned();
        $copy = self::ladder($this->api('GET', '/ladders/press-out/copy')->assertOk()->json());
        $record = $this->api('POST', '/ladders', ['ladder' => $copy])->assertOk()->json();
        $own = array_column($record['ladder']['rungs'], 'id');
        self::assertFalse($record['used']);
        self::assertSame($before, $this->planned(), 'a copy takes nobody’s place unasked');
        self::assertContains($record['id'], $this->board()['style']['without_ladders']);

        $chosen = ['version' => $this->board()['version'], 'ladders' => [$record['id'], 'dead-bug', 'bird-dog', 'side-plank']];
        $this->api('POST', $this->path('/ladders'), $chosen)->assertOk();
        self::assertNotSame([], array_intersect($own, $this->planned()), 'for one client it is chosen');
        $this->api('POST', $this->path('/ladders'), ['version' => $this->board()['version']])->assertOk();
        self::assertSame([], array_intersect($own, $this->planned()));

        $all = $this->api('POST', "/ladders/{$record['id']}/use", ['for_all' => true])->assertOk()->json();
        self::assertTrue($all['used']);
        self::assertNotContains($record['id'], $this->board()['style']['without_ladders']);
        $this->api('POST', "/ladders/{$record['id']}/use", ['for_all' => false])->assertOk();
        self::assertSame($before, $this->planned());

        $again = $this->api('POST', '/ladders', ['copy_of' => 'bird-dog', 'ladder' => self::ladder(
            $this->api('GET', '/ladders/bird-dog/copy')->assertOk()->json(),
        )])->assertOk()->assertJsonPath('copy_of', 'Bird dog')->json();
        $birdDog = array_column($this->draft('bird-dog')['ladder']['rungs'], 'id');
        self::assertNotSame([], array_intersect($birdDog, $before));
        $this->api('POST', "/ladders/{$again['id']}/use", ['for_all' => true, 'in_place' => true])->assertJsonPath('in_place', true);
        $now = $this->planned();
        self::assertSame([], array_intersect($birdDog, $now), 'in the place of the one it was copied from');
        self::assertNotSame([], array_intersect(array_column($again['ladder']['rungs'], 'id'), $now));
        $this->api('POST', "/ladders/{$again['id']}/remove", ['version' => 1])->assertOk();
        self::assertNotSame([], array_intersect($birdDog, $this->planned()), 'taken away it holds no place');

        $this->api('POST', '/ladders/plank/use', ['for_all' => false])->assertNotFound();
        $this->api('POST', "/ladders/{$record['id']}/use", ['for_all' => 'yes'])->assertStatus(422);
        $studio = Studio::query()->create(['name' => 'Other']);
        Trainer::query()->create(['studio_id' => $studio->id, 'name' => 'Other', 'email' => 'other@other.example', 'password' => 'secret']);
        $this->signedIn('other@other.example');
        $this->api('POST', "/ladders/{$record['id']}/use", ['for_all' => true])->assertNotFound();
    }

    public function test_a_shipped_ladder_that_is_changed_keeps_its_place(): void
    {
        $this->signedIn();
        $plank = $this->api('GET', '/ladders/plank')->assertOk()->json();
        $changed = $this->api('POST', '/ladders', ['id' => 'plank', 'version' => 0, 'ladder' => self::ladder($plank)])->assertOk()->json();
        self::assertSame([true, 'changed'], [$changed['used'], $changed['kind']]);
        self::assertNotContains('plank', $this->board()['style']['without_ladders']);
    }
}
