<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;

final class LogTest extends BrowserTestCase
{
    private function openLog(): void
    {
        $this->signIn();
        $this->open('/clients/'.$this->client('Maren Tidewell').'/log?week=1&session=3');
        $this->waitForText('Write down what was done');
    }

    private function acceptAfterTwoCleanLogs(string $verdict): void
    {
        $this->logDeadBug(1, 2);
        $this->waitForText('One more clean session at Dead bug, heel taps.');
        $this->logDeadBug(2);
        $this->css(sprintf('[data-verdict="%s"]', $verdict));
        $this->button('Accept')->click();
        $this->waitUntilGone(sprintf('[data-verdict="%s"]', $verdict));
    }

    private function logDeadBug(int $entry, int $daysAgo = 0): void
    {
        $this->fillDay('Done on', sprintf('-%d days', $daysAgo));
        $this->css('button[aria-label^="All as planned: Dead bug"]')->click();
        $this->button('Save the log')->click();
        $this->waitUntil(
            fn (): bool => count(
                $this->browser->findElements(WebDriverBy::cssSelector('button[aria-label^="Take back the log"]')),
            ) === $entry,
        );
    }

    public function test_two_clean_logs_earn_a_step_that_moves_wall_and_week_when_it_is_accepted(): void
    {
        $this->openLog();
        $this->acceptAfterTwoCleanLogs('step-up');
        $this->go('Week');
        $this->waitForText('2 sets of 10 reps on each side, alternating, tempo 2-1-2-0, rest 0:30');
        $this->button('Undo')->click();
        $this->waitForText('2 sets of 8 reps on each side, alternating, tempo 2-1-2-0, rest 0:30');
    }

    public function test_a_progress_verdict_that_is_accepted_moves_wall_week_and_sheet(): void
    {
        $this->signIn();
        $client = $this->client('Maren Tidewell');
        $board = $this->api('/clients/'.$client.'/board');
        $ladder = array_column($board['ladders'], null, 'id')['dead-bug'];
        $steps = array_column($ladder['rungs'], 'steps', 'id')[$ladder['standing']['rung']];
        // on the last dose step of the rung, two clean sessions at its target lead to the next one
        $this->api(
            '/clients/'.$client.'/moves',
            ['version' => $board['version'], 'rung' => $ladder['standing']['rung'], 'step' => count($steps) - 1],
        );
        $this->open('/clients/'.$client.'/log?week=1&session=3');
        $this->acceptAfterTwoCleanLogs('progress');
        $this->go('Wall');
        $this->css('[data-rung="dead-bug-opposite"][data-standing]');
        $this->go('Week');
        $this->waitForText('Dead bug, opposite arm and leg');
        $this->go('Sheet');
        $this->sheetThatSays('Dead bug, opposite arm and leg');
    }

    public function test_pain_seven_stops_and_refers(): void
    {
        $this->openLog();
        $this->css('button[aria-label^="All as planned: Dead bug"]')->click();
        $this->fill('input[aria-label^="Pain, Dead bug"]', '7');
        $this->button('Save the log')->click();
        $this->css('[data-verdict="stop"]');
        $this->waitForText('Stop and refer');
        $this->waitForText('a clinician sees the client first');
        $this->open('/clients');
        $this->waitForText('Pain 7 of 10 on');
        $this->waitForText('A verdict waits');
        self::assertSame(
            ['Maren Tidewell', 'Anker Stave'],
            array_map(
                static fn (RemoteWebElement $each): string => $each->getText(),
                array_slice($this->browser->findElements(WebDriverBy::cssSelector('main li .text-lg')), 0, 2),
            ),
        );
    }

    public function test_a_log_is_edited_taken_back_and_put_back_and_the_verdict_follows(): void
    {
        $this->openLog();
        $this->logDeadBug(1);
        $this->waitForText('One more clean session at Dead bug, heel taps.');
        $this->css('button[aria-label^="Edit the log"]')->click();
        $this->fill('input[aria-label^="Done, Dead bug"]', '6');
        $this->button('Save the change')->click();
        $this->waitForText('Left side 2 repetitions more.');
        $this->waitForText('edited');
        $this->css('button[aria-label^="Edit the log"]')->click();
        $this->waitForText('edited by Sanna Keel');
        $this->button('Leave it')->click();
        $this->css('button[aria-label^="Take back the log"]')->click();
        $this->button('Put back')->click();
        $this->waitForText('Left side 2 repetitions more.');
    }
}
