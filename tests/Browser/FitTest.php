<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/**
 * Anyone's handout made to fit a client, and why an exercise is not in the plan.
 */
final class FitTest extends BrowserTestCase
{
    public function test_a_handout_is_mended_fitted_to_a_person_and_taken_back(): void
    {
        $this->signIn();
        $this->open('/audit');
        $this->field('program')->sendKeys(
            "Wednesday, 20 min\nForearm plank 3 x 90 s rest 30\nDead bug 3 x 12 alternating rest 30\nHarbour crawl 2 x 10",
        );
        $this->element(WebDriverBy::xpath('//label[contains(., "For")]//option[text()="Maren Tidewell"]'))->click();
        $this->button('Check it')->click();
        $this->waitForText('Coverage and honest time');
        $before = $this->css('h2')->getText();

        $this->button('Mend all')->click();
        $this->waitForText('mended; the arrow above takes it back');
        $this->css('button[aria-label="Undo the fix"]')->click();
        $this->waitUntil(fn (): bool => $this->css('h2')->getText() === $before, 'the audit as it was');

        $this->button('Fit to this person')->click();
        $this->waitForText('changed to fit');
        $this->waitForText('Harbour crawl → left out');
        $this->waitForText('sore shoulder');
        self::assertStringContainsString('0 errors', $this->css('h2')->getText());
        $this->css('button[aria-label="Undo the fix"]')->click();
        $this->waitUntil(fn (): bool => $this->css('h2')->getText() === $before, 'the handout as it was');
    }

    public function test_an_exercise_that_is_typed_says_why_it_is_not_in_the_plan(): void
    {
        $this->signIn();
        $this->open('/clients/'.$this->client('Maren Tidewell').'/week');
        $this->button('Why is it not in')->click();
        $this->element(WebDriverBy::xpath('//*[@role="dialog"]//input'))->sendKeys(['forearm plank', WebDriverKeys::ENTER]);
        $this->waitForText('Forearm plank is not in the plan for');
        $this->waitForText('It takes that soreness or limit to be gone.');
        $this->element(WebDriverBy::xpath('//*[@role="dialog"]//input'))->sendKeys(['standing brace with arm reach', WebDriverKeys::ENTER]);
        $this->waitForText('is in the plan: week 1, Monday');
    }
}
