<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/**
 * Months in pictures: every picture has its numbers beneath, and all of it fits on one page of paper.
 */
final class ProgressTest extends BrowserTestCase
{
    public function test_months_are_drawn_with_their_numbers_and_printed_on_one_page(): void
    {
        $this->signIn();
        $client = $this->client('Joss Keelson');
        $this->open("/clients/{$client}/even");
        $this->go('Progress');
        $this->waitForText('Level of each direction');
        $lines = WebDriverBy::cssSelector('[aria-label="Level of each direction"] .recharts-line-curve');
        $this->waitUntil(fn (): bool => count($this->browser->findElements($lines)) === 4, 'four directions are not drawn');

        $this->choose('Ladder', 'Side plank');
        $this->waitForText('The way up: Side plank');
        $ladder = current(array_filter(
            $this->api("/clients/{$client}/progress")['ladders'],
            static fn (array $each): bool => $each['name'] === 'Side plank',
        ));
        $newest = end($ladder['sessions']);
        $figure = sprintf('[aria-label="Dose on the rung: %s"]', $ladder['rung_name']);
        $this->css($figure.' summary')->click();
        $row = $this->css($figure.' tbody tr')->getText();
        foreach (["{$newest['asked']} s", "{$newest['done']} s", $newest['clean'] ? 'yes' : 'no'] as $said) {
            self::assertStringContainsString($said, $row);
        }

        $this->button('A year')->click();
        $this->waitUntil(fn (): bool => str_contains($this->browser->getCurrentURL(), 'months=12'));
        $pdf = (string) base64_decode($this->tools()->execute('Page.printToPDF', ['preferCSSPageSize' => true])['data'], true);
        file_put_contents($file = (string) tempnam(sys_get_temp_dir(), 'even-rungs'), $pdf);
        $text = (string) shell_exec('pdfinfo '.escapeshellarg($file).'; pdftotext '.escapeshellarg($file).' -');
        unlink($file);
        self::assertMatchesRegularExpression('/^Pages:\s+1$/m', $text);
        self::assertStringContainsString('Joss Keelson', $text);
        self::assertStringNotContainsString('The numbers', $text);
    }
}
