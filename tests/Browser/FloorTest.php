<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Tests\Support\TestServer;

/**
 * Runs sessions on the floor with a clock of the test's own: the page reads `performance.now`, and nothing else, for time.
 */
final class FloorTest extends BrowserTestCase
{
    private function putOnFloor(string $client): void
    {
        $this->signIn();
        $this->link($client)->click();
        $this->waitForText('Wall');
        $this->link('Week')->click();
        $this->css('button[aria-label^="Run the session"]')->click();
        $this->waitForText('Before the first set');
    }

    /** @return array<string, mixed> the newest log of a client, as the server has it */
    private function newestLog(string $client): array
    {
        $id = $this->client($client);
        $page = $this->api('/clients/'.$id.'/logs');
        self::assertCount(1, $page['sessions'], 'one log, whatever happened on the way');

        return $this->api('/clients/'.$id.'/logs/'.$page['sessions'][0]['id'])['log'];
    }

    /** The page can open without a server once the worker that keeps it has it. */
    private function waitUntilKept(): void
    {
        $this->waitUntil(
            fn (): bool => $this->browser->executeAsyncScript('const done = arguments[0]; caches.open("even-rungs").then((kept) '
                .'=> Promise.all([kept.match("/floor"), kept.match("/api/me")])).then((found) => done(found.every((each) => '
                    .'each !== undefined)));') === true,
            'the page was never kept',
        );
    }

    private function waitUntilSent(): void
    {
        $this->waitUntil(
            fn (): bool => $this->browser->findElements(WebDriverBy::cssSelector('[data-link="sent"]')) !== [],
            'it was never sent',
        );
    }

    private function shownCount(): string
    {
        return $this->css('[data-count]')->getText();
    }

    private function waitForCount(string $count): void
    {
        $this->waitUntil(fn (): bool => $this->shownCount() === $count, 'the count never was '.$count);
    }

    /** @return array{int, int} place and spare seconds of the first segment that fits */
    private function segment(array $plan, callable $fits): array
    {
        $start = 0;
        foreach ($plan['segments'] as $i => $segment) {
            if ($fits($segment)) {
                return [$i, intdiv($start, 1000)];
            }
            $start += $segment['ms'];
        }
        self::fail('no such segment');
    }

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
        $this->button('Start')->click();
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

    public function test_a_server_that_is_killed_in_mid_session_loses_and_doubles_nothing(): void
    {
        $this->putOnFloor('Maren Tidewell');
        $this->button('Start')->click();
        $this->button('Skip')->click();
        $this->css('button[aria-label="Pain: 1"]')->click();
        $this->waitUntilSent();
        $this->open('/floor');
        $this->button('Go on')->click();
        $this->waitUntilKept();
        TestServer::kill();
        try {
            $this->button('Skip')->click();
            $this->button('Skip')->click();
            $this->css('button[aria-label="Pain: 2"]')->click();
            $this->css('button[aria-label="Effort: 4"]')->click();
            $this->css('[data-link="waiting"]');
            $this->open('/floor');
            $this->waitForText('Go on');
            self::assertSame(
                'true',
                $this->css('button[aria-label="Effort: 4"]')->getAttribute('aria-pressed'),
                'in a secure context the page opens without a server, with all that was logged',
            );
        } finally {
            TestServer::start();
        }
        $this->waitUntilSent();
        self::assertSame(
            [1, 1, 2],
            array_values(array_filter(array_column($this->newestLog('Maren Tidewell')['sets'], 'pain'))),
            'the first is an alternating set: told once, for both sides',
        );

        $this->browser->executeScript('window.onbeforeunload = null;');
        $this->open('/floor');
        $this->waitForText('Go on');
        $this->css('button[aria-label="Effort: 8"]')->click();
        $this->waitUntilSent();
        self::assertContains(
            8,
            array_column($this->newestLog('Maren Tidewell')['sets'], 'effort'),
            'the session is back after the reload, and its log is the same one',
        );
    }

    /** Whether the page sends away to another, once it has come to rest. */
    private function landsOn(string $path): bool
    {
        $this->waitUntil(
            fn (): bool => $this->browser->findElements(WebDriverBy::cssSelector('[name="email"], [aria-label="Count"]')) !== [],
            'neither the floor nor the door to it',
        );

        return str_contains($this->browser->getCurrentURL(), $path);
    }

    /** One kill here, EVEN_RUNGS_BROWSER_KILLS of them in soak. */
    public function test_a_browser_that_is_killed_in_mid_session_opens_where_it_was(): void
    {
        // what other tests cleared may not have left the disk yet
        $this->freshBrowser();
        $this->putOnFloor('Maren Tidewell');
        $this->button('Start')->click();
        $this->button('Skip')->click();
        $kills = (int) (getenv('EVEN_RUNGS_BROWSER_KILLS') ?: 1);
        for ($kill = 1; $kill <= $kills; $kill++) {
            $pain = $kill % 3;
            $effort = 3 + $kill % 5;
            $this->css(sprintf('button[aria-label="Pain: %d"]', $pain))->click();
            $this->css(sprintf('button[aria-label="Effort: %d"]', $effort))->click();
            // what shows as tapped is stored before the next tap can be made
            $kill % 2 === 0 && $this->waitUntilSent();
            $this->killBrowser();
            $this->open('/floor');
            // a browser writes cookies down late: whoever was killed right after signing in signs in again
            if ($this->landsOn('/sign-in')) {
                $this->signIn();
                $this->open('/floor');
            }
            $this->waitForText('Go on');
            foreach (['Pain' => $pain, 'Effort' => $effort] as $scale => $tapped) {
                self::assertSame(
                    'true',
                    $this->css(sprintf('button[aria-label="%s: %d"]', $scale, $tapped))->getAttribute('aria-pressed'),
                    sprintf('%s, kill %d', $scale, $kill),
                );
            }
        }
        $this->waitUntilSent();
        $told = array_map(
            static fn (array $set): array => [$set['pain'], $set['effort'] ?? null],
            array_filter($this->newestLog('Maren Tidewell')['sets'], static fn (array $set): bool => isset($set['pain'])),
        );
        self::assertSame([[$pain, $effort], [$pain, $effort]], array_values($told), 'the two sides of one set, as they were tapped last');
    }

    public function test_two_clients_at_once_offline_and_online_again(): void
    {
        $this->putOnFloor('Maren Tidewell');
        $this->button('Another client')->click();
        $this->waitForText('Tove Rudder');
        $this->element(WebDriverBy::xpath('//section[@aria-label="Who trains now"]//option[text()="Tove Rudder"]'))->click();
        $this->css('section[aria-label="Who trains now"] button:not([disabled])')->click();
        $this->css('section[aria-label="Tove Rudder"]');
        $this->tools()->execute('Network.enable');
        $network = fn (bool $offline): mixed => $this->tools()->execute(
            'Network.emulateNetworkConditions',
            ['offline' => $offline, 'latency' => 0, 'downloadThroughput' => -1, 'uploadThroughput' => -1],
        );
        $this->waitUntilSent();
        $network(true);
        foreach (['Maren Tidewell' => 1, 'Tove Rudder' => 2] as $name => $pain) {
            $this->element(
                WebDriverBy::xpath(sprintf('//div[@aria-label="Who"]/button[starts-with(normalize-space(.), "%s")]', $name)),
            )->click();
            $lane = sprintf('//section[@aria-label="%s"]', $name);
            $this->element(WebDriverBy::xpath($lane.'//button[contains(., "Start")]'))->click();
            $this->element(WebDriverBy::xpath($lane.'//button[contains(., "Skip")]'))->click();
            $this->tap($lane.sprintf('//button[@aria-label="Pain: %d"]', $pain));
        }
        $this->css('[data-link="waiting"]');
        $this->waitForText('Floor (not sent)');
        $network(false);
        $this->waitUntilSent();
        self::assertContains(1, array_column($this->newestLog('Maren Tidewell')['sets'], 'pain'));
        self::assertContains(2, array_column($this->newestLog('Tove Rudder')['sets'], 'pain'));
        $this->button('Something is wrong')->click();
        $this->waitForText('Every clock stands.');
        $this->waitForText('call the local emergency number');
        self::assertSame([], $this->browser->findElements(WebDriverBy::xpath('//button[contains(., "Pause")]')));
    }

    public function test_two_clients_for_five_minutes_with_both_clocks_in_every_picture_and_a_pitch_each(): void
    {
        $this->withFakeClock();
        $this->signIn();
        $plans = [];
        foreach (['Maren Tidewell', 'Tove Rudder'] as $name) {
            $client = $this->client($name);
            $plans[$name] = $this->api("/clients/{$client}/floor/1/1");
            // from page to page by its links: a reload would let the first clock stand
            $this->browser->executeScript(
                'history.pushState({}, "", arguments[0]); dispatchEvent(new PopStateEvent("popstate"));',
                ["/clients/{$client}/week"],
            );
            $this->css('button[aria-label^="Run the session"]')->click();
            $this->css(sprintf('section[aria-label="%s"]', $name));
        }
        $this->sized(390, 844);
        $began = [];
        foreach (array_keys($plans) as $n => $name) {
            $this->element(
                WebDriverBy::xpath(sprintf('//div[@aria-label="Who"]/button[starts-with(normalize-space(.), "%s")]', $name)),
            )->click();
            $this->element(WebDriverBy::xpath(sprintf('//section[@aria-label="%s"]//button[contains(., "Start")]', $name)))->click();
            $began[$name] = 7.0 * $n;
            $this->pass($n === 0 ? 7 : 0);
        }
        for ($at = 7; $at <= 307; $at += 30) {
            $this->browser->executeScript('window.scrollTo(0, arguments[0])', [$at * 3 % 900]);
            foreach ($plans as $name => $plan) {
                [$what, $left] = self::moment($plan, $at - $began[$name]);
                $clock = sprintf('//div[@aria-label="Who"]/button[starts-with(normalize-space(.), "%s")]//*[@data-short]', $name);
                $said = $this->browser->findElement(WebDriverBy::xpath($clock))->getText();
                self::assertSame(sprintf('%s %d:%02d', $what, intdiv($left, 60), $left % 60), $said, "{$name}, second {$at}");
                self::assertTrue($this->isSeen($clock), "{$name}, second {$at}");
            }
            $this->pass(30);
        }
        $tones = array_map(floatval(...), $this->browser->executeScript('return window.tones'));
        $second = array_values(
            array_unique(
                array_filter(
                    $tones,
                    static fn (float $hertz): bool => ! in_array(round($hertz), [330.0, 440.0, 550.0, 660.0, 880.0], true),
                ),
            ),
        );
        self::assertNotSame([], $second, 'the second lane sounds at a pitch of its own');
        foreach ($second as $hertz) {
            self::assertContains(round($hertz / 1.26), [330.0, 440.0, 550.0, 660.0, 880.0]);
        }
        $this->browser->executeScript('history.pushState({}, "", "/clients"); dispatchEvent(new PopStateEvent("popstate"));');
        $this->waitUntil(
            fn (): bool => count($this->browser->findElements(WebDriverBy::cssSelector('[data-menu-clock]'))) === 2,
            'the menu shows no clocks',
        );
    }

    /**
     * @return array{string, int} what is done so many seconds into a plan and on which side, and the seconds that are left of it, rounded
     *                            up
     */
    private static function moment(array $plan, float $at): array
    {
        $names = [
            'warm-up' => 'warm-up',
            'work' => 'work',
            'rest' => 'rest',
            'side' => 'change sides',
            'station' => 'change over',
            'cool-down' => 'cool-down',
        ];
        foreach ($plan['segments'] as $segment) {
            if ($at < $segment['ms'] / 1000) {
                return [
                    $names[$segment['what']].(in_array($segment['side'], ['left', 'right'], true) ? ' '.$segment['side'] : ''),
                    (int) ceil($segment['ms'] / 1000 - $at),
                ];
            }
            $at -= $segment['ms'] / 1000;
        }
        self::fail('the session is over');
    }

    public function test_on_a_phone_the_timer_and_the_answers_of_the_last_set_are_on_one_screen(): void
    {
        $this->withFakeClock();
        $this->putOnFloor('Maren Tidewell');
        $this->sized(390, 844);
        $plan = $this->api('/clients/'.$this->client('Maren Tidewell').'/floor/1/1');
        [, $rest] = $this->segment($plan, static fn (array $each): bool => $each['what'] === 'rest');
        $this->button('Start')->click();
        $this->pass($rest + 1);
        $this->css('[data-set]');
        $this->browser->executeScript('document.querySelector("[data-what]").parentElement.scrollIntoView()');
        foreach ([
            '//*[@data-count]',
            '//button[contains(., "Pause")]',
            '//button[contains(., "As planned, clean")]',
            '//*[@data-done]',
            '//*[@data-set]//*[@aria-label="Form"]/button[1]',
            '//*[@data-set]//button[@aria-label="Pain: 0"]',
            '//*[@data-set]//button[@aria-label="Effort: 10"]',
        ] as $part) {
            self::assertTrue($this->isSeen($part), $part);
        }
        $this->button('Note …')->click();
        $this->field('note')->sendKeys('left foot turns out');
        $this->button('Write it down')->click();
        $this->button('Noted. Another …');
        $lines = fn (): array => array_column(
            $this->api('/clients/'.$this->client('Maren Tidewell').'/happened')['events'] ?? [],
            'detail',
            'act',
        );
        $this->waitUntil(fn (): bool => str_ends_with($lines()['Noted'] ?? '', '; left foot turns out'), 'the record has no note');
    }

    public function test_what_somebody_edited_on_the_server_is_not_written_over_unasked(): void
    {
        $this->putOnFloor('Maren Tidewell');
        $this->button('Skip')->click();
        $this->css('button[aria-label="Pain: 1"]')->click();
        $this->waitUntilSent();
        $id = $this->client('Maren Tidewell');
        $session = $this->api('/clients/'.$id.'/logs')['sessions'][0]['id'];
        $one = $this->api('/clients/'.$id.'/logs/'.$session);
        $this->api(
            '/clients/'.$id.'/logs/'.$session,
            [...array_diff_key($one['log'], ['key' => 0]), 'soreness' => 3, 'revision' => $one['revision']],
        );
        $this->css('button[aria-label="Pain: 2"]')->click();
        $this->waitForText('Somebody edited the log of Maren Tidewell on the server');
        self::assertSame(3, $this->newestLog('Maren Tidewell')['soreness']);
        $this->button('Keep what is on this device')->click();
        $this->waitUntilSent();
        $log = $this->newestLog('Maren Tidewell');
        self::assertSame([2, false], [max(array_column($log['sets'], 'pain')), isset($log['soreness'])]);
    }

    public function test_a_group_runs_on_one_clock_and_each_gets_an_own_log(): void
    {
        $this->withFakeClock();
        $this->signIn();
        $this->open('/group');
        foreach (['Maren Tidewell', 'Tove Rudder'] as $name) {
            $this->element(WebDriverBy::xpath(sprintf('//label[contains(., "%s")]', $name)))->click();
        }
        $this->css('section[aria-label="Station 4"]');
        $this->button('Run it on the floor')->click();
        $this->css('section[aria-label="Group"]');
        $this->button('Start')->click();
        // warm-up of 2 min, the first station of 40 s, 20 s rest, then 5 s into the second (the demo's numbers)
        $this->pass(185);
        $this->waitForCount('0:35');
        $this->tap('//div[@aria-label="End the set"][contains(., "Maren")]//button');
        self::assertSame('0:35', $this->shownCount(), 'the clock goes on for the others');
        $this->waitUntilSent();
        $sets = fn (string $name): array => $this->newestLog($name)['sets'];
        self::assertNotSame([], array_filter(array_column($sets('Maren Tidewell'), 'ended_by')));
        self::assertSame([], array_filter(array_column($sets('Tove Rudder'), 'ended_by')));
        self::assertNotSame([], array_filter(array_column($sets('Tove Rudder'), 'done')), 'the first station counts');
    }

    public function test_the_floor_runs_by_keyboard_and_in_one_window_at_a_time(): void
    {
        $this->withFakeClock();
        $this->putOnFloor('Maren Tidewell');
        $press = fn (string $key): mixed => $this->browser->executeScript(
            'document.body.dispatchEvent(new KeyboardEvent("keydown", {key: arguments[0], bubbles: true, cancelable: true}));',
            [$key],
        );
        $left = fn (): string => $this->css('[data-left]')->getText();
        $whole = $left();
        $press(' ');
        $this->waitForText('Pause');
        $press('+');
        $this->changed('[data-left]', $whole);
        $press('ArrowRight');
        $this->waitForText('Clean, breathing');
        $press('c');
        $this->css('button[aria-pressed="true"][class*="bg-act"]');
        $press('ArrowRight');
        $this->css('[data-what="work"]');
        $press('1');
        $this->waitForText('Say: ');
        $press('!');
        $this->waitForText('Every clock stands.');

        $first = $this->browser->getWindowHandle();
        $this->browser->switchTo()->newWindow();
        $this->open('/floor');
        $this->waitForText('Go on');
        $this->browser->switchTo()->window($first);
        $this->waitForText('The floor is open in another window');
        $this->button('Use it here')->click();
        $this->waitForText('Go on');
    }
}
