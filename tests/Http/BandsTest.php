<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Studio;
use Illuminate\Support\Carbon;

/**
 * The studio's own list of bands: kept in its order, offered on the floor, kept in the log, and what 2-for-2 goes by.
 */
final class BandsTest extends HttpTestCase
{
    private const BANDS = [
        ['name' => 'sand', 'colour' => '#d9c79a', 'pull_kg' => 5],
        ['name' => 'reed', 'colour' => '#7d9a5b', 'pull_kg' => 5.5],
        ['name' => 'slate', 'colour' => '#56606b'],
    ];

    public function test_bands_are_kept_in_their_order_and_a_wrong_one_is_named(): void
    {
        $this->signedIn();
        self::assertEquals(self::BANDS, $this->api('POST', '/bands', ['bands' => self::BANDS])->assertOk()->json('bands'));
        $this->api(
            'POST',
            '/bands',
            ['bands' => [...self::BANDS, ['name' => 'Reed', 'colour' => '#000000']]],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/bands/3/name');
        $this->api(
            'POST',
            '/bands',
            ['bands' => array_reverse(self::BANDS)],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/bands/2/name');
        $this->api(
            'POST',
            '/bands',
            ['bands' => [['name' => 'sand', 'colour' => 'sandy']]],
        )->assertStatus(422)->assertJsonPath('errors.0.path', '/bands/0/colour');
        self::assertEquals(self::BANDS, $this->api('GET', '/me')->json('bands'), 'nothing of it was kept');
        self::assertSame([], $this->api('POST', '/bands', ['bands' => []])->assertOk()->json('bands'));
    }

    public function test_the_last_band_is_offered_and_earned_load_names_the_next_one(): void
    {
        $trainer = $this->signedIn();
        Studio::query()->whereKey($trainer->studio_id)->update(['bands' => json_encode(self::BANDS)]);
        $id = $this->clientNamed('Maren Tidewell')->id;
        $board = fn (): array => $this->api('GET', "/clients/{$id}/board")->assertOk()->json();
        $banded = null;
        foreach ($board()['week']['sessions'] as $session) {
            foreach (array_merge(...array_column($session['blocks'], 'entries')) as $entry) {
                $banded ??= $entry['banded'] && $entry['unit'] === 'reps' ? ['session' => $session['number'], ...$entry] : null;
            }
        }
        self::assertNotNull($banded, 'the demo plans an exercise with a band');
        self::assertSame([null, null], [$banded['last_band'], $banded['last_load']]);
        $target = $banded['grid'][0]['target'];
        foreach ([8, 4] as $ago) {
            $sets = array_map(
                static fn (array $row): array => [
                    'rung' => $banded['exercise'],
                    'side' => $row['side'],
                    'target' => $target,
                    'done' => $target + 2,
                    'band' => 'sand',
                    'faults' => [],
                    'pain' => 0,
                    'effort' => 4,
                    'breathing' => true,
                    ...$row['asked'],
                ],
                $banded['grid'],
            );
            $this->api(
                'POST',
                "/clients/{$id}/logs",
                ['key' => 'band-key-'.$ago, 'on' => Carbon::today()->subDays($ago)->toDateString(), 'sets' => $sets],
            )->assertOk();
        }
        $plan = $this->api('GET', "/clients/{$id}/floor/1/".$banded['session'])->assertOk()->json();
        $set = current(array_filter($plan['sets'], static fn (array $each): bool => $each['rung'] === $banded['exercise']));
        self::assertEquals([true, 'sand', null, self::BANDS], [$set['banded'], $set['last_band'], $set['load_kg'], $plan['bands']]);
        $page = $this->api('GET', "/clients/{$id}/logs")->assertOk()->json();
        $verdict = current(array_filter($page['verdicts'], static fn (array $each): bool => $each['from_rung'] === $banded['exercise']));
        self::assertStringContainsString('the reed band next, from sand', $verdict['load']);
        self::assertSame('sand', $this->api('GET', "/clients/{$id}/logs/".$page['sessions'][0]['id'])->json('log.sets.0.band'));
        $ladder = current(array_filter($board()['ladders'], static fn (array $each): bool => $each['id'] === $banded['ladder']));
        self::assertStringStartsWith('last sand band', $ladder['standing']['last_load']);
    }
}
