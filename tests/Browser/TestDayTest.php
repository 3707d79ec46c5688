<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

final class TestDayTest extends BrowserTestCase
{
    public function test_a_fault_ends_a_hold_and_the_worse_side_is_named(): void
    {
        $this->signIn();
        $this->link('Bea Thwart')->click();
        $this->go('Tests');
        $this->waitForText('Timed holds beside published norms');
        $this->button('Start a test day')->click();
        $this->css('button[aria-label="Start the hold: Side hold, left"]')->click();
        $this->element(WebDriverBy::xpath('//*[@role="timer"][@aria-label="Clock of Side hold, left"][. = "0:01"]'));
        $this->element(WebDriverBy::xpath('//li[.//h3[contains(., "Side hold, left")]]//button[. = "Hips sag"]'))->click();
        $left = $this->element(WebDriverBy::xpath('//li[.//h3[contains(., "Side hold, left")]]//input[@type="number"]'));
        self::assertGreaterThanOrEqual(1, (int) $left->getDomProperty('value'));
        $right = $this->element(WebDriverBy::xpath('//li[.//h3[contains(., "Side hold, right")]]//input[@type="number"]'));
        $right->sendKeys('60');
        $this->button('Save the test day')->click();
        $this->waitForText('ended by hips sag');
        $this->waitForText('The left side is the worse one, and sets the rung.');
        $this->waitForText('worth a re-test');
    }

    public function test_a_test_day_survives_another_page_another_tab_and_an_ended_session_and_a_climb_keeps_its_fault(): void
    {
        $this->signIn();
        $client = $this->client('Bea Thwart');
        $this->open("/clients/{$client}/tests");
        $this->button('Start a test day')->click();
        $held = '//li[.//h3[contains(., "Side hold, left")]]';
        $this->element(WebDriverBy::xpath($held.'//input[@type="number"]'))->sendKeys('41');
        $this->element(WebDriverBy::xpath($held.'//option[@value="stacked"]'))->click();
        $this->element(WebDriverBy::xpath('//label[contains(., "Ladder")]//option[contains(., "Dead bug")]'))->click();
        $rungs = count($this->browser->findElements(WebDriverBy::xpath('//label[starts-with(normalize-space(.), "Rung")]//option')));
        self::assertGreaterThan(6, $rungs);
        // straight to the fifth, clean in one tap; the sixth misses
        $this->element(WebDriverBy::xpath('(//label[starts-with(normalize-space(.), "Rung")]//option)[5]'))->click();
        $this->button('All of them')->click();
        $this->button('Clean: next rung')->click();
        $this->button('Back arches')->click();
        $this->button('A miss: stop here')->click();
        $this->waitForText('ended by back arches');
        $this->css('button[aria-label^="Start the hold"]')->click();
        $this->button('Something is wrong')->click();
        $this->waitForText('Every clock stands.');
        $this->button('It was nothing: back, clocks stand')->click();
        $this->waitUntilGone('[role="alertdialog"]');
        self::assertSame([], $this->browser->findElements(WebDriverBy::xpath('//button[normalize-space(.)="Stop"]')), 'the stopwatch too');

        $this->open('/clients');
        $this->open("/clients/{$client}/tests");
        $this->waitForText('ended by back arches');
        $this->browser->switchTo()->newWindow();
        $this->open("/clients/{$client}/tests");
        self::assertSame(
            '41',
            $this->element(WebDriverBy::xpath($held.'//input[@type="number"]'))->getDomProperty('value'),
            'in another tab',
        );
        $this->endSessions();
        $this->open("/clients/{$client}/tests");
        $this->field('email')->sendKeys('trainer@slipway.example');
        $this->field('password')->sendKeys('slipway-demo');
        $this->button('Sign in')->click();
        $this->waitForText('A test day');
        self::assertSame(
            '41',
            $this->element(WebDriverBy::xpath($held.'//input[@type="number"]'))->getDomProperty('value'),
            'after the session ended',
        );
        $this->button('Save the test day')->click();
        $this->waitForText('feet stacked');
        $this->waitForText(', ended by back arches');
        $this->open("/clients/{$client}/tests");
        $this->button('Start a test day');
    }
}
