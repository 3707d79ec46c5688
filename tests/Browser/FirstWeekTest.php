<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys as Keys;
use Tests\Support\TestServer;

/**
 * A new studio's way to a first week: how many actions it takes, that the keyboard alone can go it, and that nobody is planned unasked.
 */
final class FirstWeekTest extends BrowserTestCase
{
    use ByKeyboard;

    /** From sign-in to a printed first week, beside typed text and safety answers. */
    private const MOST_ACTIONS = 12;

    private int $actions = 0;

    protected function setUp(): void
    {
        parent::setUp();
        TestServer::shell('db even_rungs -e "UPDATE clients SET archived_at = NOW()"');
        $this->actions = 0;
    }

    private function act(callable $tap): void
    {
        $this->actions++;
        $tap();
    }

    private function countPrints(): void
    {
        $this->sheetThatSays('Take care');
        $this->browser->executeScript('window.printed = 0; frames[0].print = () => { window.printed += 1; };');
    }

    public function test_a_new_studio_prints_a_first_week_in_few_actions(): void
    {
        $this->open('/sign-in');
        $this->field('email')->sendKeys('trainer@slipway.example');
        $this->field('password')->sendKeys('slipway-demo');
        $this->act(fn () => $this->button('Sign in')->click());

        $this->waitForText('Who it is');
        $this->type('Name', 'Wynn Capstan');
        $this->answerScreen();
        $this->waitForText('All of the screen is answered.');
        foreach (['Band', 'Bench', 'Hand weight'] as $kit) {
            $this->act(fn () => $this->tick($kit));
        }
        foreach (['Monday', 'Wednesday', 'Friday'] as $day) {
            $this->type($day, '20');
        }
        $this->act(fn () => $this->button('Save and go on')->click());

        $this->waitForText('Where does Wynn Capstan stand?');
        $this->act(fn () => $this->button('Start low')->click());
        $this->waitForText('Wynn Capstan’s first week');
        $this->waitForText('Monday');
        $this->act(fn () => $this->link('To paper')->click());
        $this->countPrints();
        $this->act(fn () => $this->button('Print')->click());

        self::assertSame(1, $this->browser->executeScript('return window.printed;'));
        self::assertLessThanOrEqual(self::MOST_ACTIONS, $this->actions);
    }

    public function test_the_keyboard_alone_goes_the_whole_way(): void
    {
        $this->signIn();
        $this->waitForText('Who it is');
        $this->tabTo(fn (): bool => $this->focused('name') === 'client', 'the name');
        $this->press('Wynn Capstan');
        for ($i = 0; $i < 80; $i++) {
            $this->press(Keys::TAB);
            if ($this->focusedText() === 'Band' || $this->focused('name') === 'mon') {
                break;
            }
            if ($this->focused('data-answer') !== null && $this->focusedText() !== 'Yes') {
                $this->press(Keys::SPACE);
            }
        }
        $this->waitForText('All of the screen is answered.');
        $this->tabTo(fn (): bool => $this->focused('name') === 'mon', 'Monday');
        $this->press('20', Keys::TAB);
        $this->tabTo(fn (): bool => $this->focusedText() === 'Save and go on', 'the button');
        $this->press(Keys::ENTER);
        $this->waitForText('Where does Wynn Capstan stand?');
        $this->tabTo(fn (): bool => $this->focusedText() === 'Type levels', 'the levels');
        $this->press(Keys::ENTER);
        $this->tabTo(fn (): bool => $this->focused('name') === 'AE', 'the first direction');
        $this->press('5');
        $this->tabTo(fn (): bool => $this->focusedText() === 'Place them there', 'the button');
        $this->press(Keys::ENTER);
        $this->waitForText('Wynn Capstan’s first week');
        $this->tabTo(fn (): bool => $this->focusedText() === 'To paper', 'the sheet');
        $this->press(Keys::ENTER);
        $this->countPrints();
        $this->tabTo(fn (): bool => $this->focusedText() === 'Print', 'the print button');
        $this->press(Keys::ENTER);
        self::assertSame(1, $this->browser->executeScript('return window.printed;'));
    }

    public function test_what_was_not_asked_is_never_planned_and_half_a_screen_is_not_saved(): void
    {
        $this->signIn();
        $this->waitForText('Who it is');
        self::assertSame([], $this->browser->findElements(WebDriverBy::cssSelector('button[data-answer][aria-pressed=true]')));
        $this->type('Name', 'Wynn Capstan');
        $this->type('Monday', '20');
        $this->css('button[data-answer]')->click();
        $this->button('Save and go on')->click();
        $this->waitForText('Nothing is saved of half a screen');
        $this->button('Drop them')->click();

        $this->type('Name', 'Wynn Capstan');
        $this->type('Monday', '20');
        $this->button('Save and go on')->click();
        $this->waitForText('There is no week yet: the screen was not asked.');
        $this->open('/clients/'.$this->client('Wynn Capstan').'/week');
        $this->waitForText('No week can be planned: the screen was not asked yet.');
        $this->link('Ask now')->click();
        $this->answerScreen();
        $this->element(WebDriverBy::xpath('//*[starts-with(@aria-label, "Numbness between the legs")]//button[.="Yes"]'))->click();
        $this->button('Save')->click();
        $this->waitForText('Planning stops here until a clinician has seen the client.');
    }
}
