<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/**
 * Sessions on the floor of a device, for tests in the browser.
 */
trait OnTheFloor
{
    private function putOnFloor(string $client): void
    {
        $this->signIn();
        $this->link($client)->click();
        $this->waitForText('ladders shown');
        $this->go('Week');
        $this->css('button[aria-label^="Run the session"]')->click();
        $this->waitForText('Before the first set');
    }

    /** @return array<string, mixed> the newest log of a client, as the server has it */
    private function newestLog(string $client): array
    {
        $id = $this->client($client);
        $page = $this->api('/clients/'.$id.'/logs');
        self::assertCount(1, $page['sessions'], 'one log, whatever happened on the way');

        return $this->api('/clients/'.$id.'/logs/'.$page['sessions'][0]['id'])['log'];
    }

    /** The page can open without a server once the worker that keeps it has it. */
    private function waitUntilKept(): void
    {
        $this->waitUntil(
            fn (): bool => $this->browser->executeAsyncScript('const done = arguments[0]; caches.open("even-rungs").then((kept) '
                .'=> Promise.all([kept.match("/floor"), kept.match("/api/me")])).then((found) => done(found.every((each) => '
                    .'each !== undefined)));') === true,
            'the page was never kept',
        );
    }

    private function waitUntilSent(): void
    {
        $this->waitUntil(
            fn (): bool => $this->browser->findElements(WebDriverBy::cssSelector('[data-link="sent"]')) !== [],
            'it was never sent',
        );
    }

    private function shownCount(): string
    {
        return $this->css('[data-count]')->getText();
    }

    private function waitForCount(string $count): void
    {
        $this->waitUntil(fn (): bool => $this->shownCount() === $count, 'the count never was '.$count);
    }

    /** @return array{int, int} place and spare seconds of the first segment that fits */
    private function segment(array $plan, callable $fits): array
    {
        $start = 0;
        foreach ($plan['segments'] as $i => $segment) {
            if ($fits($segment)) {
                return [$i, intdiv($start, 1000)];
            }
            $start += $segment['ms'];
        }
        self::fail('no such segment');
    }
}
