<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Tests\Support\TestServer;

/**
 * The day is read without a server, a move waits visibly, and nothing that was kept stays behind after signing out.
 */
final class ReadOfflineTest extends BrowserTestCase
{
    private const NAME = 'Ona Ratline';

    private function copies(): string
    {
        return implode("\n", $this->browser->executeAsyncScript('const done = arguments[0]; caches.keys().then((names) => names.length === 0
            ? [] : caches.open("even-rungs").then((copies) => copies.keys())).then((all) => done(all.map((each) => each.url)));'));
    }

    private function stands(string $rung): bool
    {
        return $this->browser->findElements(WebDriverBy::cssSelector("[data-standing][data-rung=\"{$rung}\"]")) !== [];
    }

    public function test_the_day_is_read_while_the_server_is_dead_and_a_move_waits_until_it_is_back(): void
    {
        $this->signIn();
        $client = $this->clientOfToday(self::NAME);
        $this->open('/today');
        $this->waitForText(self::NAME);
        $this->waitUntil(fn (): bool => str_contains($this->copies(), "/api/clients/{$client}/sheet.html"), 'the day was not kept');

        TestServer::kill();
        try {
            $this->open('/today');
            $this->waitForText('The server cannot be reached. You read what this device kept at');
            $this->waitForText(self::NAME);
            $this->open("/clients/{$client}/week");
            $this->waitForText((string) date('l'));
            $this->open("/clients/{$client}/sheet");
            $this->sheetThatSays('Take care');

            $ladders = $this->browser->executeAsyncScript('const [id, done] = arguments; caches.match("/api/clients/" + id + "/board", {
                ignoreVary: true }).then((copy) => copy.json()).then((board) => done(board.ladders))', [$client]);
            $ladder = current(array_filter($ladders, static fn (array $each): bool => $each['up'] !== null && $each['standing'] !== null));
            $this->open("/clients/{$client}/wall?rung={$ladder['up']}");
            $this->button('Stand here')->click();
            $this->waitForText('as long as this page is open');
            $this->waitForText('The move waits at the head of the page.');
            $this->waitForText('Your move: ');
            self::assertTrue($this->stands($ladder['standing']['rung']), 'what was not sent is not shown as if it were');
        } finally {
            TestServer::start();
        }
        $this->css('button[aria-label^="Send now: Your move"]')->click();
        $this->waitUntil(fn (): bool => $this->stands($ladder['up']), 'the move was not sent');
        $this->waitUntilGone('section[aria-label="Not sent"]');

        $this->button('Sign out')->click();
        $this->waitForText('Email');
        self::assertStringNotContainsString('/api/', $this->copies());
    }

    public function test_a_move_is_shown_before_it_is_answered_and_taken_back_where_it_is_refused(): void
    {
        $this->signIn();
        $client = $this->client('Maren Tidewell');
        $board = $this->api("/clients/{$client}/board");
        $ladder = current(
            array_filter($board['ladders'], static fn (array $each): bool => $each['up'] !== null && $each['category'] === 'AE'),
        );
        $from = $ladder['standing']['rung'];
        $this->open("/clients/{$client}/wall?rung={$ladder['up']}");
        $this->button('Stand here');
        $slow = ['offline' => false, 'latency' => 1500, 'downloadThroughput' => -1, 'uploadThroughput' => -1];
        $this->tools()->execute('Network.enable');
        $this->tools()->execute('Network.emulateNetworkConditions', $slow);
        // somebody else was faster, which this page does not know yet
        $this->api("/clients/{$client}/moves", [
            'version' => $board['version'], 'rung' => $from, 'step' => $ladder['standing']['step'], 'note' => 'from elsewhere',
        ]);
        $this->button('Stand here')->click();
        $this->waitUntil(fn (): bool => $this->stands($ladder['up']) && ! $this->stands($from), 'the move is not shown at once');
        self::assertGreaterThan(0, $this->browser->executeScript('return window.asked'), 'it was shown before the answer');
        $this->waitForText('Somebody changed this client in the meantime');
        self::assertTrue($this->stands($from) && ! $this->stands($ladder['up']), 'the move was taken back');
        $this->tools()->execute('Network.emulateNetworkConditions', [...$slow, 'latency' => 0]);
        $this->button('Keep mine, on top')->click();
        $this->waitUntil(fn (): bool => $this->stands($ladder['up']), 'it was not made on top');
    }

    public function test_a_browser_asks_after_what_it_knows_and_gets_no_body_of_it_again(): void
    {
        $this->signIn();
        $log = '/clients/'.$this->client('Maren Tidewell').'/log';
        $sent = function () use ($log): array {
            $this->open($log);
            $this->waitForText('Verdicts');

            return $this->browser->executeScript(
                'const it = performance.getEntriesByType("resource").find((each) => each.name.endsWith("/logs"));
                return [it.transferSize, it.decodedBodySize];',
            );
        };
        [$first, $body] = $sent();
        [$again, $same] = $sent();

        self::assertGreaterThan(0, $body);
        self::assertSame($body, $same, 'the page reads the same');
        self::assertLessThan($first, $again, 'headers alone');
    }
}
