<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/**
 * What a trainer does every day takes few actions; what is typed is not counted.
 */
final class FewActionsTest extends BrowserTestCase
{
    private int $actions = 0;

    private function act(callable $tap): void
    {
        $this->actions++;
        $tap();
    }

    public function test_a_session_as_planned_is_logged_and_its_verdicts_are_accepted_in_few(): void
    {
        $this->signIn();
        $maren = $this->client('Maren Tidewell');
        $this->open("/clients/{$maren}/door");
        $this->act(fn () => $this->element(WebDriverBy::linkText('Log'))->click());
        $this->act(fn () => $this->button('The whole session as planned')->click());
        $this->act(fn () => $this->button('Save the log')->click());
        $this->waitForText('One more clean session');
        self::assertLessThanOrEqual(4, $this->actions);

        $this->fillDay('Done on', '-2 days');
        $this->button('The whole session as planned')->click();
        $this->button('Save the log')->click();
        $this->waitForText('Accept all');

        $this->open("/clients/{$maren}/door");
        $this->actions = 0;
        $this->act(fn () => $this->element(WebDriverBy::linkText('Log'))->click());
        $this->act(fn () => $this->button('Accept all')->click());
        $this->waitForText('None waits for an answer.');
        self::assertLessThanOrEqual(3, $this->actions);
    }

    public function test_a_session_of_the_day_is_written_down_as_planned_in_two(): void
    {
        $this->signIn();
        $client = $this->clientOfToday('Ona Ratline');
        $this->open('/today');
        $this->act(fn () => $this->link('As planned')->click());
        $this->act(fn () => $this->button('Save the log')->click());
        $state = fn (): string => $this->api("/clients/{$client}/board")['week']['sessions'][0]['state'];
        $this->waitUntil(static fn (): bool => $state() === 'done', 'it was not logged');
        self::assertSame(2, $this->actions);
        $session = $this->api("/clients/{$client}/logs")['sessions'][0];
        self::assertSame([0, date('Y-m-d')], [$session['short'], $session['on']]);
        self::assertGreaterThan(3, $session['sets']);
    }

    public function test_a_sore_wrist_at_the_door_is_spared_in_few(): void
    {
        $this->signIn();
        $this->open('/clients/'.$this->client('Bea Thwart').'/door');
        $this->act(fn () => $this->button('Sore or stiff')->click());
        $this->act(fn () => $this->button('Sore wrist')->click());
        $this->waitForText('Swapped');
        $this->act(fn () => $this->button('Run it like this')->click());
        $this->waitForText('Before the first set');
        self::assertLessThanOrEqual(5, $this->actions);
    }
}
