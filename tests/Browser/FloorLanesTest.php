<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;

/**
 * Two clients and groups on one device, by eye, ear and key.
 */
final class FloorLanesTest extends BrowserTestCase
{
    use OnTheFloor;

    public function test_two_clients_for_five_minutes_with_both_clocks_in_every_picture_and_a_pitch_each(): void
    {
        $this->withFakeClock();
        $this->signIn();
        $plans = [];
        foreach (['Maren Tidewell', 'Tove Rudder'] as $name) {
            $client = $this->client($name);
            $plans[$name] = $this->api("/clients/{$client}/floor/1/1");
            // from page to page by its links: a reload would let the first clock stand
            $this->browser->executeScript(
                'history.pushState({}, "", arguments[0]); dispatchEvent(new PopStateEvent("popstate"));',
                ["/clients/{$client}/week"],
            );
            $this->css('button[aria-label^="Run the session"]')->click();
            $this->css(sprintf('section[aria-label="%s"]', $name));
        }
        $this->sized(390, 844);
        $began = [];
        foreach (array_keys($plans) as $n => $name) {
            $this->element(
                WebDriverBy::xpath(sprintf('//div[@aria-label="Who"]/button[starts-with(normalize-space(.), "%s")]', $name)),
            )->click();
            $this->element(WebDriverBy::xpath(sprintf('//section[@aria-label="%s"]//button[contains(., "Start")]', $name)))->click();
            $began[$name] = 7.0 * $n;
            $this->pass($n === 0 ? 7 : 0);
        }
        for ($at = 7; $at <= 307; $at += 30) {
            $this->browser->executeScript('window.scrollTo(0, arguments[0])', [$at * 3 % 900]);
            foreach ($plans as $name => $plan) {
                [$what, $left] = self::moment($plan, $at - $began[$name]);
                $clock = sprintf('//div[@aria-label="Who"]/button[starts-with(normalize-space(.), "%s")]//*[@data-short]', $name);
                $said = $this->browser->findElement(WebDriverBy::xpath($clock))->getText();
                self::assertSame(sprintf('%s %d:%02d', $what, intdiv($left, 60), $left % 60), $said, "{$name}, second {$at}");
                self::assertTrue($this->isSeen($clock), "{$name}, second {$at}");
            }
            $this->pass(30);
        }
        $tones = array_map(floatval(...), $this->browser->executeScript('return window.tones'));
        $second = array_values(
            array_unique(
                array_filter(
                    $tones,
                    static fn (float $hertz): bool => ! in_array(round($hertz), [330.0, 440.0, 550.0, 660.0, 880.0], true),
                ),
            ),
        );
        self::assertNotSame([], $second, 'the second lane sounds at a pitch of its own');
        foreach ($second as $hertz) {
            self::assertContains(round($hertz / 1.26), [330.0, 440.0, 550.0, 660.0, 880.0]);
        }
        $this->browser->executeScript('history.pushState({}, "", "/clients"); dispatchEvent(new PopStateEvent("popstate"));');
        $this->waitUntil(
            fn (): bool => count($this->browser->findElements(WebDriverBy::cssSelector('[data-menu-clock]'))) === 2,
            'the menu shows no clocks',
        );
    }

    /**
     * @return array{string, int} what is done so many seconds into a plan and on which side, and the seconds that are left of it, rounded
     *                            up
     */
    private static function moment(array $plan, float $at): array
    {
        $names = [
            'warm-up' => 'warm-up',
            'work' => 'work',
            'rest' => 'rest',
            'side' => 'change sides',
            'station' => 'change over',
            'cool-down' => 'cool-down',
        ];
        foreach ($plan['segments'] as $segment) {
            if ($at < $segment['ms'] / 1000) {
                return [
                    $names[$segment['what']].(in_array($segment['side'], ['left', 'right'], true) ? ' '.$segment['side'] : ''),
                    (int) ceil($segment['ms'] / 1000 - $at),
                ];
            }
            $at -= $segment['ms'] / 1000;
        }
        self::fail('the session is over');
    }

    public function test_on_a_phone_the_timer_and_the_answers_of_the_last_set_are_on_one_screen(): void
    {
        $this->withFakeClock();
        $this->putOnFloor('Maren Tidewell');
        $this->sized(390, 844);
        $plan = $this->api('/clients/'.$this->client('Maren Tidewell').'/floor/1/1');
        [, $rest] = $this->segment($plan, static fn (array $each): bool => $each['what'] === 'rest');
        $this->button('Start')->click();
        $this->pass($rest + 1);
        $this->css('[data-set]');
        $this->browser->executeScript('document.querySelector("[data-what]").parentElement.scrollIntoView()');
        foreach ([
            '//*[@data-count]',
            '//button[contains(., "Pause")]',
            '//button[contains(., "As planned, clean")]',
            '//*[@data-done]',
            '//*[@data-set]//*[@aria-label="Form"]/button[1]',
            '//*[@data-set]//button[@aria-label="Pain: 0"]',
            '//*[@data-set]//button[@aria-label="Effort: 10"]',
        ] as $part) {
            self::assertTrue($this->isSeen($part), $part);
        }
        $this->button('Note …')->click();
        $this->field('note')->sendKeys('left foot turns out');
        $this->button('Write it down')->click();
        $this->button('Noted. Another …');
        $lines = fn (): array => $this->record('Maren Tidewell');
        $this->waitUntil(fn (): bool => str_ends_with($lines()['Noted'] ?? '', '; left foot turns out'), 'the record has no note');
    }

    public function test_a_group_runs_on_one_clock_and_each_gets_an_own_log(): void
    {
        $this->withFakeClock();
        $this->signIn();
        $this->open('/group');
        foreach (['Maren Tidewell', 'Tove Rudder'] as $name) {
            $this->element(WebDriverBy::xpath(sprintf('//label[contains(., "%s")]', $name)))->click();
        }
        $this->css('section[aria-label="Station 4"]');
        $this->button('Run it on the floor')->click();
        $this->css('section[aria-label="Group"]');
        $this->button('Start')->click();
        // warm-up of 2 min, the first station of 40 s, 20 s rest, then 5 s into the second (the demo's numbers)
        $this->pass(185);
        $this->waitForCount('0:35');
        $this->tap('//div[@aria-label="End the set"][contains(., "Maren")]//button');
        self::assertSame('0:35', $this->shownCount(), 'the clock goes on for the others');
        $this->waitUntilSent();
        $sets = fn (string $name): array => $this->newestLog($name)['sets'];
        self::assertNotSame([], array_filter(array_column($sets('Maren Tidewell'), 'ended_by')));
        self::assertSame([], array_filter(array_column($sets('Tove Rudder'), 'ended_by')));
        self::assertNotSame([], array_filter(array_column($sets('Tove Rudder'), 'done')), 'the first station counts');
    }

    public function test_the_floor_runs_by_keyboard_and_in_one_window_at_a_time(): void
    {
        $this->withFakeClock();
        $this->putOnFloor('Maren Tidewell');
        $press = fn (string $key): mixed => $this->browser->executeScript(
            'document.body.dispatchEvent(new KeyboardEvent("keydown", {key: arguments[0], bubbles: true, cancelable: true}));',
            [$key],
        );
        $left = fn (): string => $this->css('[data-left]')->getText();
        $whole = $left();
        $press(' ');
        $this->waitForText('Pause');
        $press('+');
        $this->changed('[data-left]', $whole);
        $this->leaveWarmUpOut();
        $press('ArrowRight');
        $this->waitForText('Clean, breathing');
        $press('c');
        $this->css('button[aria-pressed="true"][class*="bg-act"]');
        $press('ArrowRight');
        $this->css('[data-what="work"]');
        $press('1');
        $this->waitForText('Say: ');
        $press('!');
        $this->waitForText('Every clock stands.');

        $first = $this->browser->getWindowHandle();
        $this->browser->switchTo()->newWindow();
        $this->open('/floor');
        $this->waitForText('Go on');
        $this->browser->switchTo()->window($first);
        $this->waitForText('The floor is open in another window');
        $this->button('Use it here')->click();
        $this->waitForText('Go on');
    }
}
