<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/**
 * A change that bears on the plan is asked about where the trainer sees it, and changes nothing until it is answered.
 */
final class PlanAskedTest extends BrowserTestCase
{
    private function inQuestion(string $button): void
    {
        $this->element(WebDriverBy::xpath(sprintf('//section[@aria-label="Plan anew?"]//button[contains(., "%s")]', $button)))->click();
    }

    public function test_other_ladders_are_shown_asked_about_kept_and_taken_back(): void
    {
        $this->signIn();
        $maren = $this->client('Maren Tidewell');
        $this->open("/clients/{$maren}/week");
        $this->waitForText('Monday');
        $week = $this->css('[data-week-total]')->getText();

        $this->open("/clients/{$maren}/wall");
        $this->button('Choose ladders')->click();
        $this->tick('Dead bug');
        $this->button('Use these')->click();
        $this->waitForText('Changed since the program was planned: chosen ladders.');
        self::assertSame($week, $this->css('[data-week-total]')->getText(), 'nothing is planned anew unasked');

        $this->inQuestion('See what would change');
        $this->waitForText('What planning anew would change');
        $this->waitForText('Planned anew');
        $then = $this->element(WebDriverBy::xpath('//*[@role="dialog"]//section[@aria-label="Planned anew"]'))->getText();
        self::assertStringNotContainsString('Dead bug', $then);
        $this->element(WebDriverBy::xpath('//*[@role="dialog"]//button[contains(., "Keep the program as it is")]'))->click();
        $this->waitUntilGone('section[aria-label="Plan anew?"]');
        self::assertSame($week, $this->css('[data-week-total]')->getText());

        $this->button('Undo')->click();
        $this->waitForText('Changed since the program was planned');
        $this->inQuestion('Plan anew');
        $this->waitUntilGone('section[aria-label="Plan anew?"]');
        $this->open("/clients/{$maren}/week");
        $this->waitForText('Monday');
        self::assertStringNotContainsString('Dead bug', $this->css('main')->getText());
    }

    public function test_a_handout_is_fitted_to_several_people_and_begun_with_each(): void
    {
        $this->signIn();
        $this->open('/audit');
        $this->field('program')->sendKeys("Monday, 20 min\nForearm plank 3 x 20 s rest 30\nDead bug 2 x 8 alternating rest 30");
        $this->button('Check it')->click();
        $this->waitForText('Coverage and honest time');
        $this->button('Fit to a group')->click();
        $this->tick('Maren Tidewell');
        $this->tick('Bea Thwart');
        $this->button('Fit to 2 people')->click();
        $this->waitForText('Plank, hands on the wall is where Maren Tidewell stands on plank.');
        $this->button('Begin it with these 2')->click();
        $this->waitUntil(
            fn (): bool => substr_count($this->css('[role="dialog"]')->getText(), 'Begun; Undo on their page takes it back.') === 2,
            'both programs begun',
        );
        foreach (['Maren Tidewell', 'Bea Thwart'] as $name) {
            self::assertCount(1, $this->api('/clients/'.$this->client($name).'/board')['week']['sessions'], $name);
        }
    }
}
