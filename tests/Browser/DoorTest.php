<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/**
 * What a client says on walking in, and what stops them there and on the floor; on a phone and on a tablet.
 */
final class DoorTest extends BrowserTestCase
{
    private function atTheDoor(string $client): void
    {
        $this->signIn();
        $this->open('/clients/'.$this->client($client).'/door');
        $this->css('[data-door-line]');
    }

    private function says(string $question): void
    {
        $head = $this->element(
            WebDriverBy::xpath(sprintf('//section[@aria-label="At the door"]//button[starts-with(normalize-space(.), "%s")]', $question)),
        );
        if ($head->getAttribute('aria-expanded') === 'false') {
            $head->click();
        }
    }

    public function test_ten_minutes_and_a_sore_wrist_are_run_as_they_are_said_and_the_plan_stays(): void
    {
        $this->atTheDoor('Maren Tidewell');
        $planned = $this->css('[data-door-total="As planned"]')->getText();
        $this->says('Sore or stiff');
        $this->button('Sore wrist')->click();
        $this->says('Minutes today');
        $this->element(WebDriverBy::xpath('//section[@aria-label="At the door"]//button[.="10 min"]'))->click();
        $this->waitForText('of 10:00 min');
        $today = $this->css('[data-door-total="Today"]')->getText();
        $this->says('Sore or stiff');
        $this->css('[aria-label="Soreness of the trunk: 2"]')->click();
        $this->button('Run it like this')->click();
        $this->waitForText('Said today: soreness 2.');
        self::assertSame($today, $this->css('[data-left]')->getText(), 'the floor runs what the door promised, to the second');
        $this->open('/clients/'.$this->client('Maren Tidewell').'/door');
        $this->css('[data-door-line]');
        self::assertSame($planned, $this->css('[data-door-total="As planned"]')->getText(), 'the plan is what it was');
    }

    public function test_on_a_phone_pain_seven_fills_the_screen_and_the_answer_can_be_taken_back(): void
    {
        $this->sized(390, 844);
        $this->atTheDoor('Maren Tidewell');
        self::assertTrue($this->isSeen('//button[contains(., "As usual: run it")]'), 'as usual is one tap, above the fold');
        $this->css('[aria-label="Pain now: 7"]')->click();
        $this->waitForText('No training today.');
        foreach ([
            '//*[@role="alertdialog"]//p[contains(., "Pain is 7")]',
            '//*[@role="alertdialog"]//button[contains(., "Write it down")]',
        ] as $seen) {
            self::assertTrue($this->isSeen($seen), $seen);
            $this->sized(1024, 768);
            self::assertTrue($this->isSeen($seen), $seen.' on a tablet');
            $this->sized(390, 844);
        }
        $this->button('The answer was wrong')->click();
        $this->waitUntilGone('[role="alertdialog"]');
        $this->css('[aria-label="Pain now: 2"]')->click();
        $this->button('sharp')->click();
        $this->waitForText('It is sharp pain');
        $this->button('Write it down: nothing done today')->click();
        $this->waitForText('Logged');
        $this->waitForText('sharp');
        $verdicts = $this->api('/clients/'.$this->client('Maren Tidewell').'/logs')['verdicts'];
        self::assertSame(['stop'], array_values(array_unique(array_column($verdicts, 'verdict'))));
    }

    public function test_a_session_ends_early_in_two_taps_and_nobody_is_judged_for_it(): void
    {
        $this->atTheDoor('Maren Tidewell');
        $this->button('As usual: run it')->click();
        $this->startWarm();
        $this->button('Skip')->click();
        $this->css('button[aria-label="Pain: 1"]')->click();
        $this->button('End here')->click();
        $this->button('Out of time')->click();
        $this->waitForText('The session is over');
        $this->waitForText('under three seconds. Was it a set?');
        $this->button('It was none')->click();
        $this->button('Finish')->click();
        $this->css('[data-link="sent"]');
        $path = '/clients/'.$this->client('Maren Tidewell').'/logs';
        $this->waitUntil(fn (): bool => ($this->api($path)['sessions'][0]['ended'] ?? null) === 'time', 'it was never kept');
        $log = $this->api($path);
        self::assertSame(0, $log['sessions'][0]['short']);
        self::assertNotContains('regress', array_column($log['verdicts'], 'verdict'));
        $this->open(str_replace('/logs', '/log', $path));
        $this->waitForText('ended early: out of time');
    }

    public function test_a_clean_session_from_the_door_to_its_verdict_takes_at_most_twelve_taps(): void
    {
        $this->withFakeClock();
        $this->atTheDoor('Maren Tidewell');
        $taps = ['As usual: run it', 'Start', 'As planned, clean, breathing, easy, no pain', 'Finish'];
        foreach ($taps as $tap) {
            $this->button($tap)->click();
            if ($tap === 'Start') {
                $this->pass(3600);
            }
        }
        $this->link('What follows for Maren Tidewell')->click();
        $this->waitForText('One more clean session');
        $log = $this->api('/clients/'.$this->client('Maren Tidewell').'/logs');
        self::assertGreaterThanOrEqual(10, $log['sessions'][0]['sets']);
        self::assertSame(0, $log['sessions'][0]['short']);
        self::assertLessThanOrEqual(12, count($taps) + 1);
    }

    public function test_a_slow_server_and_fast_fingers_run_only_what_was_said_last_and_once(): void
    {
        $this->atTheDoor('Maren Tidewell');
        $this->tools()->execute('Network.enable');
        $this->tools()->execute(
            'Network.emulateNetworkConditions',
            ['offline' => false, 'latency' => 700, 'downloadThroughput' => -1, 'uploadThroughput' => -1],
        );
        // five answers and the big button, all within one moment
        $tapped = $this->browser->executeAsyncScript('const done = arguments[0];
            const tap = (label) => document.querySelector(`[aria-label="${label}"]`).click();
            const run = () => [...document.querySelectorAll("button")].find((each) => /run it|Run/.test(each.textContent) &&
                each.className.includes("w-full"));
            const seen = [];
            (async () => {
                for (const pain of [1, 3, 5, 2, 4]) {
                    tap(`Pain now: ${pain}`);
                    await new Promise((go) => setTimeout(go, 40));
                    seen.push(run()?.disabled);
                    run()?.click();
                }
                done([seen, location.pathname]);
            })();');
        self::assertSame(
            [[true, true, true, true, true], '/clients/'.$this->client('Maren Tidewell').'/door'],
            $tapped,
            'nothing runs that was not the answer to the last one',
        );
        $this->waitForText('Pain is 4, from 3 to 5');
        $button = $this->element(WebDriverBy::xpath('//button[contains(., "Run it like this")][not(@disabled)]'));
        $this->browser->executeScript('arguments[0].click(); arguments[0].click();', [$button]);
        $this->waitForText('Said today: pain 4.');
        self::assertCount(1, $this->browser->findElements(WebDriverBy::cssSelector('[data-run]')));
    }

    /** @param  callable(): void  $put  puts somebody on the floor who then works at a set */
    private function assertStopIsSeen(callable $put, int $width, int $height): void
    {
        $this->sized($width, $height);
        $put();
        $this->tap('//*[@data-set]//button[@aria-label="Pain: 7"]');
        $this->waitForText('Training ends here today.');
        foreach ([[$width, $height], [1024, 768], [390, 844]] as $size) {
            $this->sized(...$size);
            foreach ([
                '//*[@role="alertdialog"]//p[contains(., "stop.")]',
                '//*[@role="alertdialog"]//button[contains(., "Understood") or contains(., "The others go on")]',
            ] as $seen) {
                self::assertTrue($this->isSeen($seen), "{$size[0]}: {$seen}");
            }
        }
        $this->sized($width, $height);
    }

    public function test_pain_seven_in_a_set_and_in_a_group_is_seen_without_scrolling_on_a_phone_and_a_tablet(): void
    {
        $this->signIn();
        $set = function (string $name): void {
            $this->open('/clients/'.$this->client($name).'/door');
            $this->button('run it')->click();
            $this->startWarm();
            $this->button('Skip')->click();
        };
        $this->assertStopIsSeen(fn () => $set('Maren Tidewell'), 390, 844);
        $this->button('Understood')->click();
        $this->button('Finish')->click();
        $this->button('Off the floor')->click();
        $this->waitForText('Nobody is on the floor');
        $this->assertStopIsSeen(function (): void {
            $this->open('/group');
            foreach (['Bea Thwart', 'Tove Rudder'] as $name) {
                $this->element(WebDriverBy::xpath(sprintf('//label[contains(., "%s")]', $name)))->click();
                $this->css(sprintf('button[aria-label="%s: as usual"]', $name))->click();
            }
            $this->element(WebDriverBy::xpath('//button[contains(., "Run it on the floor")][not(@disabled)]'))->click();
            $this->button('Start')->click();
            $this->button('Skip')->click();
            $this->button('Skip')->click();
        }, 1024, 768);
        $this->button('The others go on: Tove Rudder')->click();
        $this->button('Pause');
    }
}
