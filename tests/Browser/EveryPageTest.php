<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\Attributes\DataProvider;

/**
 * Every page: no fault of access by axe-core, nothing to tap under 24 px or too near to another (WCAG 2.2, 2.5.8), nothing that jumps on a
 * slow line, nothing wider than the screen.
 */
final class EveryPageTest extends BrowserTestCase
{
    /** As much may move as nobody sees: a fifth of what is called good. */
    private const MOST_SHIFT = 0.02;

    private const PAGES = [
        '/today', '/clients', '/clients/new', '/clients/table', '/clients/programs', '/archive', '/sheets', '/library',
        '/library/heel-taps', '/library/words', '/audit', '/floor', '/group', '/build', '/styles', '/account', '/help', '/studio',
    ];

    private const OF_A_CLIENT = [
        'start', 'wall', 'wall?view=all', 'week', 'program', 'build', 'road', 'what-if', 'door', 'log', 'even', 'progress', 'tests',
        'screen', 'edit', 'sheet', 'sheet/phone', 'record',
    ];

    /** @return list<string> */
    private function pages(): array
    {
        $maren = $this->client('Maren Tidewell');

        return [...self::PAGES, ...array_map(static fn (string $page): string => "/clients/{$maren}/{$page}", self::OF_A_CLIENT)];
    }

    /** @return iterable<string, array{int, int}> width and height in CSS pixels; 640 × 400 is 1280 × 800 at 200 % */
    public static function screens(): iterable
    {
        yield 'at a desk' => [1280, 800];
        yield 'on a phone' => [390, 844];
        if (getenv('EVEN_RUNGS_EVERY_PAGE') !== false) {
            yield 'on the narrowest' => [320, 640];
            yield 'twice as large' => [640, 400];
        }
    }

    private function screen(int $width, int $height): void
    {
        $this->tools()->execute('Emulation.setDeviceMetricsOverride', [
            'width' => $width, 'height' => $height, 'deviceScaleFactor' => 1, 'mobile' => false,
        ]);
    }

    protected function tearDown(): void
    {
        $this->tools()->execute('Emulation.clearDeviceMetricsOverride');
        parent::tearDown();
    }

    private function atRest(): void
    {
        $this->waitUntil(fn (): bool => $this->browser->executeScript(
            'return document.querySelector("main, form") !== null && !(window.asked > 0)
                && ![...document.querySelectorAll("[role=status]")].some((each) => each.textContent.startsWith("Loading"))',
        ) === true, 'the page never came to rest');
    }

    #[DataProvider('screens')]
    public function test_no_page_has_a_fault_of_access_in_either_theme_or_is_wider_than_the_screen(int $width, int $height): void
    {
        $axe = (string) file_get_contents(dirname(__DIR__, 2).'/node_modules/axe-core/axe.min.js');
        $this->signIn();
        $this->screen($width, $height);
        $found = [];
        foreach ($this->pages() as $page) {
            $this->open($page);
            $this->atRest();
            if ($this->browser->executeScript('return document.documentElement.scrollWidth > innerWidth') === true) {
                $found[] = "{$page} is wider than the screen";
            }
            // over the driver and not through the page, whose content policy allows no script of ours
            $this->browser->executeScript($axe);
            // colours on their way from one theme to the other are of neither
            $this->browser->executeScript('document.documentElement.dataset.motion = "less"');
            // colours take axe most of its time: those of a phone are looked at in the long runs; nothing but colours differs in the dark
            $colours = $width === 1280 || getenv('EVEN_RUNGS_EVERY_PAGE') !== false;
            $rules = ['color-contrast' => ['enabled' => $colours], 'target-size' => ['enabled' => true]];
            $looks = [['light', ['rules' => $rules]]];
            if ($colours) {
                $looks[] = ['dark', ['runOnly' => ['color-contrast']]];
            }
            foreach ($looks as [$theme, $options]) {
                $this->browser->executeScript('document.documentElement.dataset.theme = arguments[0]', [$theme]);
                foreach ($this->browser->executeAsyncScript(
                    'const [options, done] = arguments; axe.run(document, { resultTypes: ["violations"], ...options }).then((r) => done(
                        r.violations.map((v) => v.id + ": " + v.nodes.map((n) => n.target.join(" ")).slice(0, 3).join(" | "))));',
                    [$options],
                ) as $fault) {
                    $found[] = "{$page}, {$theme}: {$fault}";
                }
            }
        }
        self::assertSame([], $found);
    }

    #[DataProvider('screens')]
    public function test_nothing_jumps_on_a_slow_line(int $width, int $height): void
    {
        $this->signIn();
        $this->screen($width, $height);
        $tools = $this->tools();
        $tools->execute('Page.addScriptToEvaluateOnNewDocument', ['source' => 'window.shift = 0; new PerformanceObserver((list) => {
            for (const each of list.getEntries()) if (!each.hadRecentInput) window.shift += each.value;
        }).observe({ type: "layout-shift", buffered: true });']);
        $tools->execute('Network.enable');
        $tools->execute('Network.setBypassServiceWorker', ['bypass' => true]);
        $tools->execute('Network.setCacheDisabled', ['cacheDisabled' => true]);
        // slow 4G: 1.6 Mbit/s down, 0.75 up, 150 ms
        $tools->execute('Network.emulateNetworkConditions', [
            'offline' => false, 'latency' => 150, 'downloadThroughput' => 200_000, 'uploadThroughput' => 93_750,
        ]);
        $pages = $this->pages();
        if (getenv('EVEN_RUNGS_EVERY_PAGE') === false) {
            $pages = array_filter($pages, static fn (string $page): bool => preg_match('/(today|wall|week|studio|log)$/', $page) === 1);
        }
        try {
            foreach ($pages as $page) {
                $this->open($page);
                $this->atRest();
                self::assertLessThanOrEqual(self::MOST_SHIFT, $this->browser->executeScript('return window.shift'), $page);
            }
        } finally {
            $tools->execute('Network.emulateNetworkConditions', [
                'offline' => false, 'latency' => 0, 'downloadThroughput' => -1, 'uploadThroughput' => -1,
            ]);
            $tools->execute('Network.setCacheDisabled', ['cacheDisabled' => false]);
            $tools->execute('Network.setBypassServiceWorker', ['bypass' => false]);
        }
    }
}
