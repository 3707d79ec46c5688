<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/**
 * Runs sessions on the floor with a clock of the test's own: the page reads `performance.now`, and nothing else, for time.
 */
final class FloorTest extends BrowserTestCase
{
    use OnTheFloor;

    public function test_a_whole_session_runs_by_the_clock_and_the_log_is_right_to_the_second(): void
    {
        $this->withFakeClock();
        $this->putOnFloor('Maren Tidewell');
        $plan = $this->api('/clients/'.$this->client('Maren Tidewell').'/floor/1/1');
        $total = intdiv(array_sum(array_column($plan['segments'], 'ms')), 1000);
        [$hold, $at] = $this->segment(
            $plan,
            static fn (array $each): bool => $each['what'] === 'work' && $each['repeat'] === null && in_array(
                $each['side'],
                ['left', 'right', 'both'],
                true,
            ) && array_filter(
                $plan['sets'],
                static fn (array $set): bool => $set['unit'] === 's' && $set['rung'] === $each['rung'],
            ) !== [],
        );
        $this->button('Start')->click();

        $this->pass($at + 3.4);
        $this->waitForCount(sprintf('0:%02d', ceil($plan['segments'][$hold]['ms'] / 1000 - 3.4)));
        self::assertSame(sprintf('%d:%02d', intdiv($total - $at - 3, 60), ($total - $at - 3) % 60), $this->css('[data-left]')->getText());
        $this->pass(3.8);
        $this->css('[role="group"][aria-label="End the set"] button')->click();
        $this->waitForText('Say: ');
        self::assertSame('7.2', $this->css('[data-done]')->getText(), 'ended after 7.2 s by the clock');

        $this->pass($total);
        $this->waitForText('The session is over');
        $this->css('button[aria-label="Effort of the whole session: 6"]')->click();
        $this->button('Finish')->click();
        $this->waitUntilSent();
        $log = $this->newestLog('Maren Tidewell');
        $target = $plan['segments'][$hold]['ms'] / 1000;
        $short = array_values(array_filter($log['sets'], static fn (array $set): bool => $set['done'] < $set['target']));
        self::assertCount(1, $short, 'every other set ran to its target');
        self::assertSame([7.2, (float) $target], [(float) $short[0]['done'], (float) $short[0]['target']]);
        self::assertSame([$short[0]['ended_by']], $short[0]['faults']);
        self::assertSame(
            [count($plan['sets']), 6, (int) round(($total - $target + 7.2) / 60)],
            [count($log['sets']), $log['effort'], $log['minutes']],
        );
    }

    public function test_a_session_as_planned_is_logged_with_four_taps(): void
    {
        $this->withFakeClock();
        $this->signIn();
        $client = $this->client('Maren Tidewell');
        $this->open("/clients/{$client}/week");
        $this->css('button[aria-label^="Run the session"]')->click();
        $this->button('Start')->click();
        $this->pass(3600);
        $this->waitForText('The session is over');
        self::assertSame(
            [],
            array_filter(
                array_column($this->api("/clients/{$client}/logs")['verdicts'], 'rule'),
                static fn (string $rule): bool => $rule === 'earned.step',
            ),
            'nothing is preset',
        );
        $this->button('As planned, clean, breathing, easy, no pain')->click();
        $this->button('Finish')->click();
        $this->waitUntilSent();
        $log = $this->newestLog('Maren Tidewell');
        foreach ($log['sets'] as $set) {
            self::assertSame(
                [$set['target'], [], 0, 2, true],
                [$set['done'], $set['faults'], $set['pain'], $set['effort'], $set['breathing']],
            );
        }
        self::assertSame([5], array_values(array_unique(array_map(count(...), $log['ticks']))));
        self::assertSame('done', array_column($this->api("/clients/{$client}/board")['week']['sessions'], 'state', 'key')[$log['planned']]);
        $this->open("/clients/{$client}/week");
        $this->waitForText('done');
    }

    public function test_what_nobody_answered_is_answered_once_at_the_end_and_each_set_can_still_say_otherwise(): void
    {
        $this->withFakeClock();
        $this->putOnFloor('Maren Tidewell');
        $this->button('Start')->click();
        $this->pass(3600);
        $this->waitForText('The session is over');
        foreach (['Clean, breathing', 'Every tick of every ladder'] as $tap) {
            $this->element(WebDriverBy::xpath(sprintf('//*[@aria-label="For the rest"]//button[contains(., "%s")]', $tap)))->click();
        }
        $this->element(WebDriverBy::xpath('//*[@aria-label="For the rest"]//button[@aria-label="Pain: 0"]'))->click();
        $this->css('button[aria-label="Effort of each set: 4"]')->click();
        $this->css('button[aria-label="Effort of the whole session: 5"]')->click();
        // a set that was answered late keeps what is said of it alone
        $this->css('[aria-label="Sets so far"] button')->click();
        $this->element(WebDriverBy::xpath('//*[@data-set]//button[@aria-label="Pain: 2"]'))->click();
        $this->button('Finish')->click();
        $this->waitUntilSent();
        $log = $this->newestLog('Maren Tidewell');
        self::assertSame([4], array_values(array_unique(array_column($log['sets'], 'effort'))));
        self::assertSame([0, 2], array_values(array_unique(array_column(array_reverse($log['sets']), 'pain'))));
        self::assertSame([[]], array_values(array_unique(array_column($log['sets'], 'faults'), SORT_REGULAR)));
        self::assertCount(count($log['sets']), array_column($log['sets'], 'faults'));
    }

    public function test_a_run_that_nobody_touched_is_no_session_and_one_left_half_way_asks_what_became_of_it(): void
    {
        $this->putOnFloor('Maren Tidewell');
        $this->button('Start')->click();
        $this->open('/floor');
        $this->waitForText('Before the first set');
        self::assertSame([], $this->api('/clients/'.$this->client('Maren Tidewell').'/logs')['sessions']);

        // the clock had hardly run, or for a second, whatever the device had time to keep
        $this->element(WebDriverBy::xpath('//button[contains(normalize-space(.), "Start") or contains(normalize-space(.), "Go '
            .'on")]'))->click();
        $this->leaveWarmUpOut();
        $this->button('Skip')->click();
        $this->button('As planned, clean, easy, no pain')->click();
        $this->waitUntilSent();
        self::assertCount(1, $this->api('/clients/'.$this->client('Maren Tidewell').'/logs')['sessions']);
        $this->browser->executeScript('window.onbeforeunload = null;');
        $this->open('/floor');
        $this->waitForText('What became of this session?');
        $this->button('Throw it away')->click();
        self::assertCount(1, $this->api('/clients/'.$this->client('Maren Tidewell').'/logs')['sessions'], 'one tap asks');
        $this->button('Throw it away: tap again')->click();
        $this->waitForText('Nobody is on the floor');
        $page = $this->api('/clients/'.$this->client('Maren Tidewell').'/logs');
        self::assertSame([0, 1], [count($page['sessions']), count($page['removed'])]);
    }

    public function test_an_open_hold_ends_with_its_fault_and_the_card_follows_unless_it_is_held(): void
    {
        $this->withFakeClock();
        $this->putOnFloor('Maren Tidewell');
        $plan = $this->api('/clients/'.$this->client('Maren Tidewell').'/floor/1/1');
        [$hold, $at] = $this->segment(
            $plan,
            static fn (array $each): bool => $each['what'] === 'work' && array_filter(
                $plan['sets'],
                static fn (array $set): bool => $set['can_open'] && $set['rung'] === $each['rung'],
            ) !== [],
        );
        $this->button('Start')->click();
        $this->pass($at + 1);
        $this->button('Hold to the first fault')->click();
        $this->pass(11.4);
        $this->waitForText('to the first fault');
        $this->css('[role="group"][aria-label="End the set"] button')->click();
        $this->waitForText('Say: ');
        $done = (float) $this->css('[data-done]')->getText();
        self::assertEqualsWithDelta(12.4, $done, 0.3);

        $first = $this->css('[data-set]')->getAttribute('data-set');
        $this->button('Skip')->click();
        $this->pass(0.1);
        $this->button('Skip')->click();
        $this->waitUntil(fn (): bool => $this->css('[data-set]')->getAttribute('data-set') !== $first, 'the card never followed');
        $this->element(WebDriverBy::xpath('(//*[@aria-label="Sets so far"]/button)[1]'))->click();
        $this->button('Hold here')->click();
        $held = $this->css('[data-set]')->getAttribute('data-set');
        $this->button('Skip')->click();
        $this->button('Skip')->click();
        $this->waitForText('Held here: let go');
        self::assertSame($held, $this->css('[data-set]')->getAttribute('data-set'));
        $this->button('Held here: let go')->click();
        self::assertNotSame($held, $this->css('[data-set]')->getAttribute('data-set'));
        $this->waitUntilSent();
        $sets = $this->newestLog('Maren Tidewell')['sets'];
        $open = array_values(array_filter($sets, static fn (array $set): bool => ($set['open'] ?? false) === true));
        self::assertCount(1, $open);
        self::assertEqualsWithDelta(12.4, $open[0]['done'], 0.3);
        self::assertSame([$open[0]['ended_by']], $open[0]['faults']);
    }

    public function test_the_count_does_not_drift_over_twenty_minutes_of_which_most_were_hidden(): void
    {
        $this->withFakeClock();
        $this->putOnFloor('Bea Thwart');
        $this->button('Start')->click();
        // 20 minutes in 1,800 uneven looks, among them gaps of a minute as a hidden page has them
        $this->browser->executeScript('let seed = 7; const end = 1200000; const look = () => document.dispatchEvent(new '
            .'Event("visibilitychange"));
            for (let i = 0; i < 1800; i++) { seed = (seed * 1103515245 + 12345) % 2147483648; window.clockMs = Math.min(end,
                window.clockMs + (i % 120 === 0 ? 60000 : seed % 97 + 0.37)); look(); }
            window.clockMs = end; look();');
        $kept = fn (): array => $this->browser->executeAsyncScript('const done = arguments[0]; const open = '
            .'indexedDB.open("even-rungs-floor"); open.onsuccess = () => { const all = '
                .'open.result.transaction("runs").objectStore("runs").getAll(); all.onsuccess = () => done(all.result[0]); };');
        $passed = static fn (array $run): float => $run['elapsedMs'] + array_sum(
            array_map(static fn (array $segment): int => $segment['ms'], array_slice($run['plan']['segments'], 0, $run['segment'])),
        );
        $length = array_sum(array_column($kept()['plan']['segments'], 'ms'));
        // the device keeps the clocks every second of its own
        $this->waitUntil(static fn (): bool => abs(min(1_200_000, $length) - $passed($kept())) <= 100, 'the count drifted');
        $this->addToAssertionCount(1);
    }

    public function test_pain_seven_stops_the_clock_at_once_and_the_verdict_refers(): void
    {
        $this->putOnFloor('Maren Tidewell');
        $this->startWarm();
        $this->button('Skip')->click();
        $this->waitForText('Clean, breathing');
        $this->css('button[aria-label="Pain: 7"]')->click();
        $this->waitForText('Maren Tidewell: stop.');
        $this->button('Understood')->click();
        self::assertSame([], $this->browser->findElements(WebDriverBy::xpath('//button[contains(., "Pause")]')), 'no clock runs on');
        $this->button('Finish')->click();
        $this->waitUntilSent();
        self::assertSame(
            ['stop'],
            array_values(
                array_unique(
                    array_column(
                        array_filter(
                            $this->api('/clients/'.$this->client('Maren Tidewell').'/logs')['verdicts'],
                            static fn (array $each): bool => $each['refer'],
                        ),
                        'verdict',
                    ),
                ),
            ),
        );
        $this->open('/clients');
        $this->waitForText('Pain 7 of 10 on');
    }
}
