<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Tests\Support\TestServer;

/**
 * What is killed, cut off or edited in mid-session loses and doubles nothing.
 */
final class FloorLossesTest extends BrowserTestCase
{
    use OnTheFloor;

    public function test_a_server_that_is_killed_in_mid_session_loses_and_doubles_nothing(): void
    {
        $this->putOnFloor('Maren Tidewell');
        $this->startWarm();
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
        $this->startWarm();
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
            $this->leaveWarmUpOut();
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

    public function test_what_somebody_edited_on_the_server_is_not_written_over_unasked(): void
    {
        $this->putOnFloor('Maren Tidewell');
        $this->leaveWarmUpOut();
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
}
