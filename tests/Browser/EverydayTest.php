<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys as Keys;

final class EverydayTest extends BrowserTestCase
{
    use ByKeyboard;

    public function test_the_keyboard_alone_goes_from_sign_in_to_print(): void
    {
        $this->open('/sign-in');
        $this->field('email');
        $this->tabTo(fn (): bool => $this->focused('name') === 'email', 'the email');
        $this->press('trainer@slipway.example', Keys::TAB, 'slipway-demo', Keys::ENTER);
        $this->waitForText('Maren Tidewell');
        $this->tabTo(fn (): bool => str_contains($this->focusedText(), 'Maren Tidewell'), 'the client');
        $this->press(Keys::ENTER);
        $this->css('[data-rung="heel-taps"]');
        $before = $this->css('[data-week-total]')->getText();

        $this->tabTo(fn (): bool => $this->focused('data-rung') === 'heel-taps', 'the wall');
        $this->press('+');
        $this->css('[data-standing][data-rung="dead-bug-opposite"]');
        self::assertNotSame($before, $this->changed('[data-week-total]', $before));
        self::assertSame('dead-bug-opposite', $this->focused('data-rung'), 'the focus follows the client');
        $this->press('z');
        $this->css('[data-standing][data-rung="heel-taps"]');
        $this->press('y');
        $this->css('[data-standing][data-rung="dead-bug-opposite"]');

        $this->open((string) parse_url($this->browser->getCurrentURL(), PHP_URL_PATH));
        $this->tabTo(fn (): bool => $this->focusedText() === 'Week', 'the week');
        $this->press(Keys::ENTER);
        $this->waitForText('Plan anew from the wall');
        $this->tabTo(fn (): bool => str_starts_with((string) $this->focused('aria-label'), 'What to do with Dead bug'), 'the menu');
        $this->press(Keys::ENTER);
        $this->waitUntil(fn (): bool => $this->focusedText() === 'Change the dose', 'the menu has the focus');
        $this->press(Keys::ENTER);
        $this->css('form input')->sendKeys([Keys::CONTROL, 'a']);
        $this->press('1 × 6 /alt 2-0-2-0 r0:20', Keys::ENTER);
        $this->waitForText('1 set of 6 reps on each side, alternating, tempo 2-0-2-0, rest 0:20');

        $this->browser->executeScript('window.scrollTo(0, 0); document.activeElement.blur();');
        $this->tabTo(fn (): bool => $this->focusedText() === 'The person', 'the place');
        $this->press(Keys::ENTER);
        $this->tabTo(fn (): bool => $this->focusedText() === 'Sheet', 'the sheet');
        $this->press(Keys::ENTER);
        $this->sheetThatSays('Take care');
        $this->browser->executeScript('window.printed = 0; frames[0].print = () => { window.printed += 1; };');
        $this->tabTo(fn (): bool => $this->focusedText() === 'Print', 'the print button');
        $this->press(Keys::ENTER);

        self::assertSame(1, $this->browser->executeScript('return window.printed;'));
    }

    public function test_a_client_is_added_with_an_error_a_reload_and_an_ended_session_and_nothing_typed_is_lost(): void
    {
        $this->signIn();
        $this->link('Add a client')->click();
        $this->typeInto('Name', 'Wynn Capstan');
        $this->css('summary')->click();
        $this->typeInto('Born', 'soon');
        $this->button('Save')->click();
        $this->waitForText('must be a whole number, not "soon"');
        self::assertSame('Wynn Capstan', $this->labelled('Name')->getDomProperty('value'));

        $this->browser->navigate()->refresh();
        $this->waitForText('Unsaved entries are kept on this device');
        self::assertSame(
            ['Wynn Capstan', 'soon'],
            [$this->labelled('Name')->getDomProperty('value'), $this->labelled('Born')->getDomProperty('value')],
        );

        $this->typeInto('Born', '1988');
        $this->typeInto('Monday', '20');
        $this->answerScreen();
        $this->endSessions();
        $this->button('Save')->click();
        $this->waitForText('Your session has ended. What you typed is kept.');
        $this->link('Sign in and go on')->click();
        $this->field('email')->sendKeys('trainer@slipway.example');
        $this->field('password')->sendKeys('slipway-demo');
        $this->button('Sign in')->click();
        $this->waitForText('Unsaved entries are kept on this device');
        $this->button('Save')->click();
        $this->waitForText('Where does Wynn Capstan stand?');
        $this->button('Start low')->click();
        $this->waitForText('Wynn Capstan’s first week');
        $this->link('Change it first')->click();
        $this->waitForText('20:00 min');

        $this->go('Details');
        $this->tick('Fever or feeling ill');
        $this->button('Save')->click();
        $this->waitForText('Planning stops here until a clinician has seen the client.');

        $this->go('Details');
        $this->button('Archive')->click();
        $this->waitForText('Add a client');
        self::assertStringNotContainsString('Wynn Capstan', $this->css('main')->getText());
        $this->link('Archive')->click();
        $this->button('Take back')->click();
        $this->waitForText('Nobody is put away');
    }

    public function test_a_change_by_somebody_else_is_shown_and_mine_can_be_kept(): void
    {
        $this->signIn();
        $this->link('Bea Thwart')->click();
        $this->css('[data-standing][data-rung="dead-bug-same-side"]')->click();
        $this->somebodyElseMoves('press-out-hold');
        $this->button('One up')->click();
        $this->waitForText('Somebody changed this client in the meantime');
        $this->button('See both')->click();
        $this->waitForText('Press-out: Press-out, press and hold');
        $this->button('Keep mine, on top')->click();
        $this->css('[data-standing][data-rung="dead-bug-plate-chest"]');
        $this->css('[data-standing][data-rung="press-out-hold"]');

        $this->css('[data-rung="dead-bug-plate-chest"]')->click();
        $this->somebodyElseMoves('press-out-standing');
        $this->button('One down')->click();
        $this->waitForText('Somebody changed this client in the meantime');
        $this->button('Take the newer')->click();
        $this->css('[data-standing][data-rung="press-out-standing"]');
        $this->css('[data-standing][data-rung="dead-bug-plate-chest"]');
        self::assertStringNotContainsString('in the meantime', $this->css('main')->getText());
    }

    /** Another tab of the same studio moves the client behind this page's back. */
    private function somebodyElseMoves(string $rung): void
    {
        $done = $this->browser->executeAsyncScript(<<<'JS'
            const [rung, done] = arguments;
            const client = location.pathname.split('/')[2];
            const token = decodeURIComponent(document.cookie.split('; ').find((c) => c.startsWith('XSRF-TOKEN=')).slice(11));
            fetch(`/api/clients/${client}/board`).then((r) => r.json()).then((board) =>
              fetch(`/api/clients/${client}/moves`, { method: 'POST', headers: { 'X-XSRF-TOKEN': token,
                  Accept: 'application/json' }, body: JSON.stringify({ version: board.version, rung }) }),
            ).then((r) => done(r.status));
            JS, [$rung]);
        self::assertSame(200, $done);
    }

    private function labelled(string $label): \Facebook\WebDriver\Remote\RemoteWebElement
    {
        return $this->element(WebDriverBy::xpath(sprintf('//label[starts-with(normalize-space(.), "%s")]//input', $label)));
    }

    private function typeInto(string $label, string $text): void
    {
        $input = $this->labelled($label);
        $input->sendKeys([Keys::CONTROL, 'a']);
        $input->sendKeys($text);
    }
}
