<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;

final class WholePathTest extends BrowserTestCase
{
    private const WEEK = '[data-week-total]';

    private function standing(string $rung): void
    {
        $this->css('[data-standing][data-rung="'.$rung.'"]');
    }

    public function test_from_sign_in_over_wall_and_week_to_the_printed_sheet(): void
    {
        $this->signIn();
        $this->link('Maren Tidewell')->click();

        $barred = $this->css('[data-rung="side-plank-split"]');
        self::assertSame('barred', $barred->getAttribute('data-state'));
        $barred->click();
        $this->waitForText('This rung is barred by sore shoulder: shoulder load, grade 2.');

        $start = $this->css(self::WEEK)->getText();
        $this->css('[data-rung="heel-taps"]')->click();
        $this->waitForText('Stands here');
        $this->button('One up')->click();
        $this->standing('dead-bug-opposite');
        $higher = $this->changed(self::WEEK, $start);

        $this->button('One down')->click();
        $this->standing('heel-taps');
        self::assertSame($start, $this->changed(self::WEEK, $higher));

        $this->button('Undo')->click();
        $this->standing('dead-bug-opposite');

        $this->go('Week');
        $this->waitForText('Dead bug, opposite arm and leg');
        $friday = $this->css('[data-session-total="fri"]')->getText();
        $week = $this->css(self::WEEK)->getText();
        $this->menu('Dead bug', 'Change the dose');
        $input = $this->css('form input');
        $input->sendKeys([WebDriverKeys::CONTROL, 'a']);
        $input->sendKeys('3 × 8 3-1');
        $this->button('Save')->click();
        $this->waitForText('"3-1" is not understood here');
        self::assertSame('3 × 8 3-1', $input->getDomProperty('value'), 'what was typed stays');
        $input->sendKeys([WebDriverKeys::CONTROL, 'a']);
        $input->sendKeys('1 × 5 /alt 2-0-2-0 r0:30');
        $this->button('Save')->click();
        $this->waitForText('1 set of 5 reps on each side, alternating, tempo 2-0-2-0, rest 0:30');
        self::assertNotSame($friday, $this->changed('[data-session-total="fri"]', $friday));
        self::assertNotSame($week, $this->css(self::WEEK)->getText());

        $this->go('Sheet');
        $sheet = $this->sheetThatSays('Take care');
        self::assertStringContainsString('1 set of 5 reps on each side, alternating, go 2 s, back 2 s, rest 0:30', $sheet);
        self::assertStringContainsString('Keep weight off the sore shoulder', $sheet);
        $this->element(WebDriverBy::xpath('//label[starts-with(normalize-space(.), "On")]//option[@value="1"]'))->click();
        $this->waitForText('One page on paper');
        $this->open((string) $this->element(WebDriverBy::cssSelector('iframe[title="The sheet"]'))->getAttribute('src'));
        $pdf = $this->browser->executeCustomCommand('/session/:sessionId/print', 'POST', ['page' => ['width' => 21, 'height' => 29.7]]);
        self::assertSame(1, preg_match_all('~/Type\s*/Page\b~', (string) base64_decode((string) $pdf, true)), 'printed by a browser, too');
    }

    public function test_a_wrong_password_is_told_and_what_was_typed_stays(): void
    {
        $this->open('/clients');
        $this->field('email')->sendKeys('trainer@slipway.example');
        $this->field('password')->sendKeys('nonsense');
        $this->button('Sign in')->click();
        $this->waitForText('No account has this address with this password.');

        self::assertSame('trainer@slipway.example', $this->field('email')->getDomProperty('value'));
    }

    public function test_keys_walk_the_wall_and_climb(): void
    {
        $this->signIn();
        $this->link('Bea Thwart')->click();
        $this->css('[data-standing][data-rung="dead-bug-same-side"]')->click();
        $this->browser->getKeyboard()->sendKeys(WebDriverKeys::ARROW_DOWN);
        self::assertSame('dead-bug-opposite', $this->browser->switchTo()->activeElement()->getAttribute('data-rung'));
        $this->browser->getKeyboard()->sendKeys('+');
        $this->standing('dead-bug-plate-chest');
        $this->browser->getKeyboard()->sendKeys('-');
        $this->standing('dead-bug-same-side');
        $this->browser->getKeyboard()->sendKeys(WebDriverKeys::ARROW_LEFT);
        self::assertStringStartsWith(
            'brace',
            str_replace('standing-', '', (string) $this->browser->switchTo()->activeElement()->getAttribute('data-rung')),
        );
    }

    public function test_a_flag_is_said_on_the_clients_pages_and_nothing_can_be_planned(): void
    {
        $this->signIn();
        $this->link('Anker Stave')->click();
        $this->waitForText('Planning stops here until a clinician has seen the client.');
        $this->go('Week');
        $this->waitForText('Plan the week');

        self::assertFalse($this->browser->findElement(WebDriverBy::xpath('//button[contains(., "Plan the week")]'))->isEnabled());
    }
}
