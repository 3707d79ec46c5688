<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/**
 * A stop from the floor to the first session after it; a step on a full day; one truth of dose on page, sheet and command line.
 */
final class SafeFirstTest extends BrowserTestCase
{
    public function test_numbness_on_the_floor_halts_everything_until_a_clearance_and_a_rung_lower(): void
    {
        $this->signIn();
        $this->link('Maren Tidewell')->click();
        $this->go('Week');
        $this->css('button[aria-label^="Run the session of Friday"]')->click();
        $this->waitForText('Before the first set');
        $this->button('Start')->click();
        // past the warm-up, the switch-on and its rests, to the first set of the dead bug
        for ($skip = 0; $skip < 40 && $this->browser->findElements(WebDriverBy::cssSelector('[aria-label^="Dead bug"]')) === []; $skip++) {
            $this->button('Skip')->click();
        }
        $this->css('button[aria-label="Pain: 0"]')->click();
        $this->button('numbness')->click();
        $this->waitForText('Stop. Training ends here today.');
        $this->button('Understood')->click();
        $this->button('Finish')->click();
        $this->css('[data-link="sent"]');

        $this->open('/clients');
        $this->waitForText('Everything stopped: numbness');
        self::assertSame('Maren Tidewell', $this->css('main li .text-lg')->getText(), 'a stop comes first');
        $this->link('Maren Tidewell')->click();
        $this->go('Sheet');
        $this->sheetThatSays('Do nothing of this sheet for now.');
        $this->go('Door');
        $this->waitForText('verything is stopped until a clinician has seen the client');
        $this->go('Week');
        $this->css('button[aria-label^="Run the session of Friday"]')->click();
        $this->waitForText('verything is stopped until a clinician has seen the client');

        // it was three days ago, as the trainer now says
        $this->go('Log');
        $this->waitForText('Everything is stopped since');
        $this->css('button[aria-label^="Edit the log"]')->click();
        $this->fillDay('Done on', '-3 days');
        $this->button('Save the change')->click();
        $this->css('button[aria-label^="Edit the log"]');
        $this->go('Screen');
        $this->type('Who gave it', 'The harbour practice');
        $this->type('Their role', 'Family doctor');
        $this->button('Record the clearance')->click();
        $this->waitForText('The harbour practice, Family doctor');
        $this->answerScreen();
        $this->button('Save the answers')->click();
        $this->waitUntil(
            fn (): bool => $this->browser->findElements(WebDriverBy::cssSelector('button[data-answer][aria-pressed=true]')) === [],
            'the answers are saved, and the form is as new',
        );

        $this->go('Log');
        $this->css('[data-verdict="regress"]');
        $this->waitForText('Test this ladder again.');
        $this->button('Accept')->click();
        $this->waitUntilGone('[data-verdict="regress"]');
        $this->go('Week');
        $this->waitForNoError();
        $this->css('button[aria-label^="Run the session of Friday"]')->click();
        $this->waitForText('Before the first set');
    }

    public function test_a_step_accepted_on_a_full_day_refits_the_weeks_without_an_error(): void
    {
        $this->signIn();
        $client = $this->client('Bea Thwart');
        $this->open('/clients/'.$client.'/log');
        $card = $this->element(WebDriverBy::xpath('//article[@data-verdict="step-up"][contains(., "What the weeks ahead")]'));
        self::assertMatchesRegularExpression('/rest \d:\d\d → \d:\d\d on \d+ exercises?/', $card->getText());
        $ladder = (string) $card->getAttribute('aria-label');
        preg_match('/, (.+) → (?:.+, )?(?<dose>.+)/', $card->getText(), $promised);
        $card->findElement(WebDriverBy::xpath('.//button[contains(., "Accept")]'))->click();
        $this->element(
            WebDriverBy::xpath(sprintf('//article[@aria-label="%s"][contains(., "Accepted: the client was moved here.")]', $ladder)),
        );
        self::assertSame(
            [],
            array_filter(
                $this->api('/clients/'.$client.'/audit')['findings'],
                static fn (array $each): bool => $each['severity'] !== 'note',
            ),
        );
        $this->go('Week');
        $this->waitForText('Audit: ');
        $this->waitForText($promised['dose']);
        foreach ($this->api('/clients/'.$client.'/board')['week']['sessions'] as $session) {
            self::assertFalse($session['over'], $session['day']);
        }
    }

    public function test_page_sheet_and_command_line_name_the_same_doses(): void
    {
        $this->signIn();
        $client = $this->client('Oskar Pintle');
        $board = $this->api('/clients/'.$client.'/board');
        $this->open('/clients/'.$client.'/week');
        $this->waitForNoError();
        $week = $this->css('main')->getText();
        $this->go('Sheet');
        $sheet = $this->sheetThatSays('Take care');
        foreach ($board['week']['sessions'] as $session) {
            foreach (array_merge(...array_column($session['blocks'], 'entries')) as $entry) {
                self::assertStringContainsString($entry['dose'], $week);
                // the tempo is told there in words
                $dose = explode(', tempo ', $entry['words'])[0];
                self::assertStringContainsString($entry['name'].' '.$dose, $sheet);
            }
        }
        $command = sprintf('%s place --style %s', escapeshellarg(dirname(__DIR__, 2).'/even-rungs'), escapeshellarg($board['style']['id']));
        $process = proc_open($command, [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']], $pipes);
        fwrite($pipes[0], (string) json_encode($this->api('/clients/'.$client.'/document')));
        fclose($pipes[0]);
        $placed = array_column(json_decode((string) stream_get_contents($pipes[1]), true)['placements'], null, 'ladder');
        self::assertSame(0, proc_close($process));
        foreach ($board['ladders'] as $ladder) {
            self::assertSame(
                [$ladder['standing']['rung'] ?? null, $ladder['standing']['step'] ?? 0],
                [$placed[$ladder['id']]['rung'], $placed[$ladder['id']]['step'] ?? 0],
                $ladder['id'],
            );
        }
    }
}
