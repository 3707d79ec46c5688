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
        $this->link('Tests')->click();
        $this->waitForText('Timed holds beside published norms');
        $this->button('Start a test day')->click();
        $this->css('button[aria-label="Start the hold: Side hold, left"]')->click();
        sleep(2);
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
}
