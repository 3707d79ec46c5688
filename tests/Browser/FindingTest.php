<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

/**
 * Finding clients, exercises and pages from everywhere, and knowing where one is.
 */
final class FindingTest extends BrowserTestCase
{
    private function find(string $words): void
    {
        $this->browser->getKeyboard()->sendKeys([WebDriverKeys::CONTROL, 'k']);
        $this->waitUntil(fn (): bool => $this->browser->switchTo()->activeElement()->getAttribute('role') === 'combobox');
        $this->browser->switchTo()->activeElement()->sendKeys($words);
    }

    public function test_anything_is_found_in_three_actions_and_the_title_names_it(): void
    {
        $this->signIn();
        $this->waitForText('those first who need you');
        $this->find('log maren');
        $this->waitForText('Log, Maren Tidewell');
        $this->css('[role=dialog] input')->sendKeys(WebDriverKeys::ENTER);
        $this->waitUntil(fn (): bool => $this->browser->getTitle() === 'Log, Maren Tidewell – Even Rungs');
        $said = $this->browser->executeScript('return document.querySelector("[data-told]").textContent');
        self::assertSame('Log, Maren Tidewell', $said);
        self::assertTrue($this->browser->executeScript('return document.activeElement.matches("[data-page], #main, #main *")'));

        $this->find('side plank stacked');
        $this->element(WebDriverBy::xpath('//li[@role="option"][contains(., "Side plank, feet stacked")]'))->click();
        $this->waitForText('Coach’s card');

        $this->open('/clients/'.$this->client('Maren Tidewell').'/week');
        $this->waitForText('Audit:');
        $this->find('swap press');
        $this->waitForText('Swap Press-out');
        $this->css('[role=dialog] input')->sendKeys(WebDriverKeys::ENTER);
        $this->waitForText('Instead of Press-out');
    }

    public function test_the_list_is_searched_kept_in_the_address_and_acted_on(): void
    {
        $this->signIn();
        $this->type('Find', 'shoulder');
        $this->waitUntil(fn (): bool => ! str_contains($this->css('main')->getText(), 'Bea Thwart'));
        self::assertStringContainsString('Maren Tidewell', $this->css('main')->getText());
        $this->browser->navigate()->refresh();
        $this->waitForText('Maren Tidewell');
        self::assertStringNotContainsString('Bea Thwart', $this->css('main')->getText());
        $this->css('input[aria-label="Choose Maren Tidewell"]')->click();
        $this->waitForText('1 chosen');
        $this->link('As a group')->click();
        $this->waitForText('One clock, own rungs');
        self::assertTrue($this->element(WebDriverBy::xpath('//label[contains(., "Maren Tidewell")]//input'))->isSelected());
        $this->browser->navigate()->back();
        $this->waitForText('Maren Tidewell');

        $address = $this->browser->getCurrentURL();
        self::assertStringContainsString('shoulder', $address);
        $this->endSessions();
        $this->browser->navigate()->refresh();
        $this->field('email')->sendKeys('trainer@slipway.example');
        $this->field('password')->sendKeys('slipway-demo');
        $this->button('Sign in')->click();
        $this->waitForText('Maren Tidewell');
        self::assertSame($address, $this->browser->getCurrentURL(), 'signing in leads back to where one was');
    }

    public function test_help_is_a_key_away_and_says_what_a_code_means(): void
    {
        $this->signIn();
        $this->waitForText('those first who need you');
        $this->css('body')->sendKeys('?');
        $this->type('Find a word, a code, a key, or how something is done', 'AL');
        $this->waitForText('Anti-lateral-flexion');
        $this->link('Today')->click();
        $this->css('[aria-current=page]');
        $this->waitUntil(fn (): bool => $this->browser->getTitle() === 'Today – Even Rungs');
    }
}
