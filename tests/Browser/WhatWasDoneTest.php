<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverSelect;

/**
 * A week that does not go as planned: missed, moved, away, and one session written down in two places.
 */
final class WhatWasDoneTest extends BrowserTestCase
{
    public function test_a_missed_wednesday_goes_to_thursday_and_an_absence_moves_what_is_left(): void
    {
        $this->signIn();
        $client = $this->api(
            '/clients',
            [
                'document' => [
                    'format' => 'even-rungs/client',
                    'version' => 1,
                    'name' => 'Ona Ratline',
                    'screen' => ['flags' => []],
                    'days' => ['mon' => 30, 'wed' => 30, 'thu' => 45],
                    'equipment' => ['mat', 'band'],
                    'ability' => ['BR' => 4, 'AE' => 4, 'AF' => 4, 'AL' => 4, 'AR' => 4],
                ],
            ],
        )['id'];
        $monday = date('Y-m-d', (int) strtotime('monday this week'));
        $board = $this->api("/clients/{$client}/board");
        $this->api("/clients/{$client}/dates", ['version' => $board['version'], 'began' => $monday, 'shifts' => []]);
        // only Wednesday, so that Thursday is free for it whatever day of the week this runs on
        foreach (array_reverse($this->api("/clients/{$client}/board")['week']['sessions']) as $session) {
            if ($session['day'] !== 'wed') {
                $this->api(
                    "/clients/{$client}/sessions/remove",
                    ['version' => $this->api("/clients/{$client}/board")['version'], 'week' => 1, 'place' => $session['number']],
                );
            }
        }
        $next = date('Y-m-d', (int) strtotime('monday next week'));
        $this->api(
            "/clients/{$client}/dates",
            ['version' => $this->api("/clients/{$client}/board")['version'], 'began' => $next, 'shifts' => []],
        );
        $this->api(
            "/clients/{$client}/sessions/missed",
            ['version' => $this->api("/clients/{$client}/board")['version'], 'week' => 1, 'place' => 1, 'missed' => true],
        );
        $this->open("/clients/{$client}/week?week=1");
        $this->waitForText('Missed. It counts in no verdict.');
        $this->button('Move it to Thursday')->click();
        $this->waitForText('moved from Wednesday');
        $session = $this->api("/clients/{$client}/board")['week']['sessions'][0];
        self::assertSame(
            ['thu', date('Y-m-d', (int) strtotime($next.' +3 days')), 'planned'],
            [$session['day'], $session['date'], $session['state']],
        );
        self::assertSame([], $this->api("/clients/{$client}/logs")['verdicts']);

        $this->open("/clients/{$client}/program");
        $this->fillDay('Away from', $next);
        $this->fillDay('to', $next.' +9 days');
        $this->button('Add')->click();
        $this->css('button[aria-label^="Take back: Away"]');
        self::assertSame(
            date('Y-m-d', (int) strtotime($next.' +17 days')),
            $this->api("/clients/{$client}/board")['week']['sessions'][0]['date'],
            'ten days are two weeks',
        );
        $this->css('button[aria-label^="Take back: Away"]')->click();
        $this->waitUntilGone('button[aria-label^="Take back: Away"]');
        self::assertSame($session['date'], $this->api("/clients/{$client}/board")['week']['sessions'][0]['date']);

        // and into the week after, where it is asked first what that breaks
        $this->open("/clients/{$client}/week?week=1");
        $this->menu('the session of Thursday', 'Move to another day');
        (new WebDriverSelect($this->css('select[aria-label="Move the session of Thursday to"]')))->selectByVisibleText('Tuesday of week 2');
        $this->css('[data-move-check]');
        $this->button('Move it')->click();
        $this->waitForText('No session is in this week');
        $this->open("/clients/{$client}/week?week=2");
        $this->waitForText('moved from Wednesday of week 1');
    }

    public function test_a_session_as_planned_is_written_down_with_two_taps_and_a_second_log_of_it_is_asked_about(): void
    {
        $this->signIn();
        $client = $this->client('Maren Tidewell');
        $this->open("/clients/{$client}/log?week=1&session=1");
        $this->button('The whole session as planned')->click();
        $this->css('button[aria-label^="Sets and more of"]')->click();
        $this->css('[aria-label^="Ticks to move up"] button[aria-pressed="true"]');
        $this->button('Save the log')->click();
        $this->waitForText('One more clean session');
        $this->waitForText(', done');
        self::assertCount(1, $this->api("/clients/{$client}/logs")['sessions']);

        $this->button('The whole session as planned')->click();
        $this->element(WebDriverBy::xpath('(//input[starts-with(@aria-label, "Pain, ")])[1]'))->clear()->sendKeys('3');
        $this->open('/clients');
        $this->open("/clients/{$client}/log?week=1&session=1");
        self::assertSame(
            '3',
            $this->element(WebDriverBy::xpath('(//input[starts-with(@aria-label, "Pain, ")])[1]'))->getDomProperty('value'),
            'what was typed is still there',
        );
        $this->css('button[aria-label^="Sets and more of"]')->click();
        (
            new WebDriverSelect($this->element(WebDriverBy::xpath('(//select[starts-with(@aria-label, "Felt, ")])[1]')))
        )->selectByValue('low-back');
        $this->button('Save the log')->click();
        $this->waitForText('Another log of this session of that day is there and says something else');
        $this->waitForText('pain 0 or 3');
        self::assertCount(1, $this->api("/clients/{$client}/logs")['sessions']);
        $this->button('This one counts')->click();
        $logs = fn (): array => $this->api("/clients/{$client}/logs")['sessions'];
        $felt = fn (): ?array => $this->api("/clients/{$client}/logs/{$logs()[0]['id']}")['log']['sets'][0]['felt'] ?? null;
        $this->waitUntil(fn (): bool => $felt() === ['low-back'], 'what was chosen is not the one that counts');
        self::assertCount(1, $logs());
    }
}
