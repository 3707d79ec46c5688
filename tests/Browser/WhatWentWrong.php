<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Exception\WebDriverException;
use Tests\Support\TestServer;

/**
 * What goes with a test that failed: the page it was on, and what the server reported.
 */
trait WhatWentWrong
{
    private string $saidBefore = '';

    private function listen(): void
    {
        $this->saidBefore = TestServer::errors();
    }

    /** What the server reported as an error of its own since the test began. */
    private function errors(): string
    {
        return substr(TestServer::errors(), strlen($this->saidBefore));
    }

    /** Where a test failed, the page it was on goes with it. */
    private function tellWhatWasSeen(): void
    {
        try {
            fprintf(
                STDERR,
                "\n%s was on %s:\n%s\n%s\n",
                $this->name(),
                $this->browser->getCurrentURL(),
                mb_substr((string) $this->browser->executeScript('return document.body?.innerText'), 0, 2000),
                $this->errors(),
            );
        } catch (WebDriverException $e) {
            fprintf(STDERR, "\n%s: %s\n", $this->name(), $e->getMessage());
        }
    }
}
