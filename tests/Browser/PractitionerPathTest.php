<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/**
 * In the order a practitioner works: screen, test, place, plan, look at other wishes, use it for somebody else.
 */
final class PractitionerPathTest extends BrowserTestCase
{
    public function test_a_flag_stops_planning_and_a_recorded_clearance_lifts_it(): void
    {
        $this->signIn();
        $this->link('Bea Thwart')->click();
        $this->go('Screen');
        $this->waitForText('Ask today');
        $this->element(WebDriverBy::xpath('//*[starts-with(@aria-label, "Numbness between the legs")]//button[.="Yes"]'))->click();
        $this->fillDay('Asked on', '-2 days');
        $this->answerScreen();
        $this->button('Save the answers')->click();
        $this->waitForText('Planning stops here until a clinician has seen the client.');
        $this->waitForText('Emergency, now');
        $this->type('Who gave it', 'The harbour practice');
        $this->type('Their role', 'Family doctor');
        $this->button('Record the clearance')->click();
        $this->waitForText('The harbour practice, Family doctor');
        $this->go('Program');
        $this->waitForText('Bea Thwart: 6 weeks');
        self::assertStringNotContainsString('Planning stops here', $this->css('body')->getText());
    }

    public function test_a_test_day_with_the_cuff_losing_pressure_places_the_client(): void
    {
        $this->signIn();
        $this->link('Bea Thwart')->click();
        $this->go('Tests');
        $this->button('Start a test day')->click();

        $this->choose('Ladder', 'Bird dog');
        $this->waitForText('Left side');
        $this->css('button[aria-label="All ticks, left"]')->click();
        $this->css('button[aria-label="All ticks, right"]')->click();
        $this->button('Clean: next rung')->click();
        $this->css('button[aria-label="All ticks, left"]')->click();
        $this->button('A miss: stop here')->click();
        $this->waitForText('Bird dog: clean up to');

        $this->button('With the pressure cuff')->click();
        $this->button('keeps still')->click();
        $this->button('Start level 1')->click();
        $this->button('Done, both legs')->click();
        $this->waitForText('Held.');
        $this->button('Start level 2')->click();
        $this->button('loses pressure')->click();
        $this->waitForText('Not held: the test ends here.');

        $this->css('button[aria-label="Start the hold: Front hold"]')->click();
        $this->element(WebDriverBy::xpath('//*[@role="timer"][@aria-label="Clock of Front hold"][. = "0:01"]'));
        $this->element(WebDriverBy::xpath('//li[.//h3[contains(., "Front hold")]]//button[. = "Hips sag"]'))->click();
        $this->button('Save the test day')->click();
        $this->waitForText('ended by hips sag');
        $this->waitForText('Staged leg loading, with the cuff: level 1 of 5');
        $this->css('svg[role=img][aria-label*="mmHg"]');
        $this->go('Wall');
        $this->waitForText('Plank');
        $standing = $this->browser->findElements(WebDriverBy::cssSelector('[data-rung^="bird-dog"][data-standing]'));
        self::assertCount(1, $standing);
    }

    public function test_a_six_week_program_is_copied_to_a_client_with_a_sore_wrist(): void
    {
        $this->signIn();
        $this->link('Bea Thwart')->click();
        $this->go('Program');
        $this->waitForText('Bea Thwart: 6 weeks');
        $this->waitForText('lighter');
        $this->waitForText('Test again at the end of this week');
        $this->element(WebDriverBy::xpath('//th//a[. = "4"]'))->click();
        $this->waitForText('A lighter week');
        $this->go('Program');
        $this->choose('Weeks', '8');
        $this->button('New program')->click();
        $this->waitForText('Bea Thwart: 8 weeks');
        $this->button('Compare two weeks')->click();
        $this->waitForText('Second: program');

        $this->open('/clients');
        $this->link('Tove Rudder')->click();
        $this->go('Program');
        $this->button('Copy from another client')->click();
        $this->choose('Client', 'Bea Thwart');
        $this->waitForText('things change for Tove Rudder');
        $this->waitForText('left out');
        $this->button('Begin this program')->click();
        $this->waitForText('Tove Rudder: fitted from Bea Thwart');
        $this->button('Undo')->click();
        $this->waitForText('Tove Rudder: 6 weeks');
    }

    public function test_a_style_is_copied_with_another_answer(): void
    {
        $this->signIn();
        $this->link('Styles')->click();
        $this->waitForText('Where practitioners disagree');
        $this->tick('Ten-second repeats rather than longer holds');
        $this->button('Copy with these answers')->click();
        $this->button('Even keel, ours')->click();
        $this->waitForText('Save the changes');
    }
}
