<?php

declare(strict_types=1);

namespace Tests\Browser;

use DateTimeImmutable;
use Facebook\WebDriver\Exception\JavascriptErrorException;
use Facebook\WebDriver\Exception\StaleElementReferenceException;
use Facebook\WebDriver\Remote\RemoteWebElement;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverExpectedCondition as Until;
use Facebook\WebDriver\WebDriverKeys;
use Facebook\WebDriver\WebDriverSelect;

/**
 * What a user does on a page, and what they wait for.
 */
trait PageTools
{
    protected const WAIT_S = 30;

    protected const POLL_MS = 25;

    protected function field(string $name): RemoteWebElement
    {
        return $this->element(WebDriverBy::name($name));
    }

    protected function button(string $text): RemoteWebElement
    {
        return $this->element(WebDriverBy::xpath(sprintf('//button[contains(normalize-space(.), "%s")]', $text)));
    }

    /** Starts a run at its first exercise: the warm-up, where there is one, is left out. */
    protected function startWarm(): void
    {
        $this->button('Start')->click();
        $this->leaveWarmUpOut();
    }

    protected function leaveWarmUpOut(): void
    {
        $leave = WebDriverBy::xpath('//button[contains(normalize-space(.), "Leave the warm-up out")]');
        if ($this->browser->findElements($leave) !== []) {
            $this->element($leave)->click();
        }
    }

    protected function link(string $text): RemoteWebElement
    {
        return $this->element(WebDriverBy::xpath(sprintf('//a[contains(normalize-space(.), "%s")]', $text)));
    }

    /** A new client whose only session of the week is today's. */
    protected function clientOfToday(string $name): string
    {
        return $this->api('/clients', ['document' => [
            'format' => 'even-rungs/client',
            'version' => 1,
            'name' => $name,
            'screen' => ['flags' => []],
            'days' => [strtolower(date('D')) => 30],
            'equipment' => ['mat', 'band'],
            'ability' => ['BR' => 4, 'AE' => 4, 'AF' => 4, 'AL' => 4, 'AR' => 4],
        ]])['id'];
    }

    /** To a page of the client who is looked at, by the place that it stands in. */
    protected function go(string $page): void
    {
        $open = fn (string $name): mixed => $this->element(
            WebDriverBy::xpath(sprintf('//nav[@aria-label="Pages of the client"]//a[normalize-space(.)="%s"]', $name)),
        )->click();
        $open(match ($page) {
            'Door', 'Log' => 'On the day',
            'Even', 'Progress', 'Tests' => 'Looking back',
            'Screen', 'Details', 'Sheet', 'Record' => 'The person',
            default => 'Planning',
        });
        $open($page);
    }

    protected function css(string $selector): RemoteWebElement
    {
        return $this->element(WebDriverBy::cssSelector($selector));
    }

    /** What stands on the sheet that is shown, once it says so much. */
    protected function sheetThatSays(string $text): string
    {
        $frame = $this->element(WebDriverBy::cssSelector('iframe[title="The sheet"]'));
        $said = '';
        $this->waitUntil(function () use ($frame, $text, &$said): bool {
            $said = (string) $this->browser->executeScript(
                'return (arguments[0].contentDocument?.body?.innerText ?? "").replace(/\\s+/g, " ");',
                [$frame],
            );

            return str_contains($said, $text);
        }, 'the sheet never said: '.$text);

        return $said;
    }

    protected function element(WebDriverBy $by): RemoteWebElement
    {
        $found = $this->browser->wait(self::WAIT_S, self::POLL_MS)->until(
            Until::elementToBeClickable($by),
            'No such element: '.$by->getValue(),
        );
        // out from under what is fixed at the bottom of a page, and until it stands still: an answer or a list that comes moves it
        try {
            $stands = $this->browser->executeAsyncScript('const [element, done] = arguments; element.scrollIntoView({block: '
                .'"center"}); let last = "", same = 0, looks = 0;
            (function look() {
                if (!element.isConnected) return done(false);
                const { x, y, width, height } = element.getBoundingClientRect();
                const now = [x, y, width, height].join();
                same = now === last && (looks > 15 || !(window.asked > 0)) ? same + 1 : 0;
                last = now;
                same > 1 || ++looks > 60 ? done(true) : setTimeout(look, 16);
            })();', [$found]);
        } catch (StaleElementReferenceException|JavascriptErrorException) {
            $stands = false;
        }

        return $stands ? $found : $this->element($by);
    }

    /** @param  callable(): bool  $is  asked again where the page was drawn anew in the middle of looking */
    protected function waitUntil(callable $is, string $why = 'it never came to be'): void
    {
        $look = static function () use ($is): bool {
            try {
                return $is();
            } catch (StaleElementReferenceException) {
                return false;
            }
        };
        $this->browser->wait(self::WAIT_S, self::POLL_MS)->until($look, $why);
    }

    protected function waitForText(string $text): void
    {
        $this->waitUntil(
            fn (): bool => $this->browser->executeScript(
                'return document.body !== null && document.body.innerText.includes(arguments[0])',
                [$text],
            ) === true,
            'The page never said: '.$text,
        );
        // a wait that ends well is what a test asserts of a page
        $this->addToAssertionCount(1);
    }

    /** Waits until the audit of a page has no error against it and no warning. */
    protected function waitForNoError(): void
    {
        $this->waitUntil(
            fn (): bool => preg_match('/Audit: (?:nothing found|0 errors, 0 warnings)/', $this->css('body')->getText()) === 1,
            'the audit has something against it',
        );
        $this->addToAssertionCount(1);
    }

    /** Waits until the text of an element differs, and gives the new text. */
    protected function changed(string $selector, string $from): string
    {
        $this->waitUntil(fn (): bool => $this->css($selector)->getText() !== $from, $selector.' stayed '.$from);

        return $this->css($selector)->getText();
    }

    protected function waitUntilGone(string $selector): void
    {
        $this->waitUntil(fn (): bool => $this->browser->findElements(WebDriverBy::cssSelector($selector)) === [], $selector.' stayed');
    }

    /** Writes over what stands in a field. */
    protected function fill(string $selector, string $text): void
    {
        $field = $this->css($selector);
        $field->sendKeys([WebDriverKeys::CONTROL, 'a']);
        $field->sendKeys($text);
    }

    /** Chooses from the menu of something that begins with a name. */
    protected function menu(string $of, string $item): void
    {
        $this->css(sprintf('button[aria-label^="What to do with %s"]', $of))->click();
        $this->element(WebDriverBy::xpath(sprintf('//*[@role="menuitem"][normalize-space(.)="%s"]', $item)))->click();
    }

    protected function choose(string $label, string $option): void
    {
        $list = $this->element(WebDriverBy::xpath(sprintf('//label[starts-with(normalize-space(.), "%s")]//select', $label)));
        (new WebDriverSelect($list))->selectByVisiblePartialText($option);
    }

    protected function tick(string $label): void
    {
        $box = WebDriverBy::xpath(sprintf('//label[contains(normalize-space(.), "%s")]/input', $label));
        try {
            $this->element($box)->click();
        } catch (StaleElementReferenceException) {
            // the page was read anew between finding and clicking
            $this->element($box)->click();
        }
    }

    protected function type(string $label, string $text): void
    {
        $this->element(WebDriverBy::xpath(sprintf('//label[starts-with(normalize-space(.), "%s")]//input', $label)))->sendKeys($text);
    }

    /** Answers what is open of the screen that is shown: no sign, nothing sore. */
    protected function answerScreen(): void
    {
        $this->element(WebDriverBy::cssSelector('button[data-answer]'));
        foreach ($this->browser->findElements(WebDriverBy::cssSelector('button[data-answer]')) as $answer) {
            $isOpen = $answer->getAttribute('aria-pressed') === 'false';
            $yes = $answer->findElements(WebDriverBy::xpath('./preceding-sibling::button[@aria-pressed="true"]'));
            if ($isOpen && $yes === [] && $answer->getText() !== 'Yes') {
                $this->browser->executeScript('arguments[0].scrollIntoView({block: "center"})', [$answer]);
                $answer->click();
            }
        }
    }

    /** Types a day into a date field, as a browser of the United States takes it. */
    protected function fillDay(string $label, string $iso): void
    {
        $field = $this->element(WebDriverBy::xpath(sprintf('//label[starts-with(normalize-space(.), "%s")]//input', $label)));
        $field->sendKeys((new DateTimeImmutable($iso))->format('mdY'));
        self::assertSame((new DateTimeImmutable($iso))->format('Y-m-d'), $field->getAttribute('value'));
    }
}
