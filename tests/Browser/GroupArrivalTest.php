<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/**
 * Groups on arrival, and pain in one of them.
 */
final class GroupArrivalTest extends BrowserTestCase
{
    public function test_on_arrival_in_a_group_one_line_a_person_and_whom_pain_stops_does_not_train(): void
    {
        $this->signIn();
        $this->sized(390, 844);
        $this->open('/group');
        foreach (['Maren Tidewell', 'Tove Rudder', 'Bea Thwart'] as $name) {
            $this->element(WebDriverBy::xpath(sprintf('//label[contains(., "%s")]', $name)))->click();
        }
        $this->css('button[aria-label="Tove Rudder: as usual"]')->click();
        $this->css('button[aria-label="Bea Thwart: pain, soreness"]')->click();
        $this->css('[aria-label="Pain now: 3"]')->click();
        $this->waitUntil(fn (): bool => str_contains((string) $this->css('main')->getText(), 'Pain 3, sore'), 'her line says nothing');
        $this->css('button[aria-label="Bea Thwart: pain, soreness"]')->click();
        $this->css('button[aria-label="Maren Tidewell: pain, soreness"]')->click();
        $this->css('[aria-label="Pain now: 7"]')->click();
        $this->waitForText('Maren Tidewell: no training today.');
        foreach ([
            '//*[@role="alertdialog"]//p[contains(., "Pain is 7")]',
            '//*[@role="alertdialog"]//button[contains(., "Write it down")]',
        ] as $seen) {
            self::assertTrue($this->isSeen($seen), $seen);
        }
        $this->button('Write it down: nothing done today')->click();
        $this->waitUntilGone('[role="alertdialog"]');
        self::assertContains('stop', array_column($this->api('/clients/'.$this->client('Maren Tidewell').'/logs')['verdicts'], 'verdict'));
        $this->element(WebDriverBy::xpath('//button[contains(., "Run it on the floor")][not(@disabled)]'))->click();
        $this->waitForText('Said today: soreness 0, pain 0.');
        self::assertStringNotContainsString('Maren', $this->css('[data-run]')->getText());
        $this->button('Bea Thwart')->click();
        $this->waitForText('Said today: pain 3.');
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
        self::assertFalse(
            $this->element(WebDriverBy::xpath('//*[@role="alertdialog"]//button[contains(., "It was '
                .'nothing")]'))->getAttribute('disabled') === 'true',
        );
        $this->element(WebDriverBy::xpath('//*[@role="alertdialog"]//button[.="Tove Rudder"]'))->click();
        $this->field('what')->sendKeys('slipped off the bench');
        $this->field('done')->sendKeys('ice, went home');
        $this->button('Write it into the record')->click();
        $this->waitUntilGone('[role="alertdialog"]');
        $lines = fn (): array => $this->record('Tove Rudder');
        $this->waitUntil(fn (): bool => isset($lines()['Something was wrong']), 'the record has no line');
        self::assertStringEndsWith('slipped off the bench; done: ice, went home', $lines()['Something was wrong']);
    }
}
