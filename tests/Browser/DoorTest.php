<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverDimension;

/**
 * What a client says on walking in, and what stops them there and on the floor; on a phone and on a tablet.
 */
final class DoorTest extends BrowserTestCase
{
    protected function tearDown(): void
    {
        $this->browser->manage()->window()->setSize(new WebDriverDimension(1280, 800));
        parent::tearDown();
    }

    private function atTheDoor(string $client): void
    {
        $this->signIn();
        $this->open('/clients/'.$this->client($client).'/door');
        $this->css('[data-door-line]');
    }

    private function says(string $question): void
    {
        $head = $this->element(WebDriverBy::xpath(sprintf('//section[@aria-label="At the door"]//button[starts-with(normalize-space(.), "%s")]', $question)));
        if ($head->getAttribute('aria-expanded') === 'false') {
            $head->click();
        }
    }

    /** Whether all of an element is on the screen as it is. */
    private function isSeen(string $xpath): bool
    {
        return $this->browser->executeScript('const box = arguments[0].getBoundingClientRect(); return box.top >= 0 && box.bottom <= window.innerHeight;', [$this->browser->findElement(WebDriverBy::xpath($xpath))]);
    }

    public function test_ten_minutes_and_a_sore_wrist_are_run_as_they_are_said_and_the_plan_stays(): void
    {
        $this->atTheDoor('Maren Tidewell');
        $planned = $this->css('[data-door-total="As planned"]')->getText();
        $this->says('Sore or stiff');
        $this->button('Sore wrist')->click();
        $this->says('Really left');
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
        $this->browser->manage()->window()->setSize(new WebDriverDimension(390, 844));
        $this->atTheDoor('Maren Tidewell');
        self::assertTrue($this->isSeen('//button[contains(., "As usual: run it")]'), 'as usual is one tap, above the fold');
        $this->css('[aria-label="Pain now: 7"]')->click();
        $this->waitForText('No training today.');
        foreach (['//*[@role="alertdialog"]//p[contains(., "Pain is 7")]', '//*[@role="alertdialog"]//button[contains(., "Write it down")]'] as $seen) {
            self::assertTrue($this->isSeen($seen), $seen);
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
        $this->button('Start')->click();
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

    public function test_pain_in_a_group_stops_one_and_the_others_go_on_and_an_incident_is_in_the_record(): void
    {
        $this->signIn();
        $this->open('/group');
        foreach (['Maren Tidewell', 'Tove Rudder'] as $name) {
            $this->element(WebDriverBy::xpath(sprintf('//label[contains(., "%s")]', $name)))->click();
        }
        $this->css('section[aria-label="Station 4"]');
        $this->button('Run it on the floor')->click();
        $this->button('Start')->click();
        $this->button('Skip')->click();
        $this->button('Skip')->click();
        $this->css('button[aria-label="Pain: 7"]')->click();
        $this->waitForText('Maren Tidewell: stop.');
        $this->button('The others go on: Tove Rudder')->click();
        $this->button('Pause');

        $this->button('Something is wrong')->click();
        $this->waitForText('Every clock stands.');
        self::assertFalse($this->element(WebDriverBy::xpath('//*[@role="alertdialog"]//button[contains(., "It was nothing")]'))->getAttribute('disabled') === 'true');
        $this->element(WebDriverBy::xpath('//*[@role="alertdialog"]//button[.="Tove Rudder"]'))->click();
        $this->field('what')->sendKeys('slipped off the bench');
        $this->field('done')->sendKeys('ice, went home');
        $this->button('Write it into the record')->click();
        $this->waitUntilGone('[role="alertdialog"]');
        $lines = fn (): array => array_column($this->api('/clients/'.$this->client('Tove Rudder').'/happened')['events'] ?? [], 'detail', 'act');
        $this->waitUntil(fn (): bool => isset($lines()['Something was wrong']), 'the record has no line');
        self::assertStringEndsWith('slipped off the bench; done: ice, went home', $lines()['Something was wrong']);
    }
}
