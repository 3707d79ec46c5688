<?php

declare(strict_types=1);

namespace Tests\Browser;

use EvenRungs\Devices\Camera\Film;
use EvenRungs\Devices\Camera\Scene;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Tests\Support\Documents;

/**
 * The line in a picture, as a trainer checks it: from a camera, which is the browser's simulated one, from a file, or by keys alone.
 */
final class LineCheckTest extends BrowserTestCase
{
    use OnTheFloor;

    private static function film(Scene $scene): Film
    {
        return new Film($scene, Documents::data()->library());
    }

    private static function still(): string
    {
        $file = sys_get_temp_dir().'/even-rungs-still.jpg';
        file_put_contents($file, self::film(new Scene(2, 'forearm-plank', 0.0, 8.0))->frame(0));

        return $file;
    }

    /**
     * @param  array<string, mixed>  ...$entries  of today's session
     * @return string id of a client who is new
     */
    private function clientWith(array ...$entries): string
    {
        $this->signIn();
        $client = $this->clientOfToday('Orla Skerry');
        $this->api("/clients/{$client}/plan", ['version' => $this->api("/clients/{$client}/board")['version']]);
        $board = $this->api("/clients/{$client}/sessions", [
            'version' => $this->api("/clients/{$client}/board")['version'], 'week' => 1, 'place' => 1, 'insist' => 'for a look',
            'session' => [
                'format' => 'even-rungs/session', 'version' => 1, 'day' => strtolower(date('D')), 'kind' => 'standalone',
                'blocks' => [['type' => 'straight', 'entries' => $entries]],
            ],
        ]);
        self::assertArrayHasKey('week', $board, (string) json_encode($board));

        return $client;
    }

    private function begin(string $client): void
    {
        $this->open("/clients/{$client}/week");
        $this->css('button[aria-label^="Run the session"]')->click();
        $this->startWarm();
    }

    private function openCheck(string $client): void
    {
        $this->signIn();
        $this->open('/library/forearm-plank?client='.$this->client($client));
        $this->button('Line check')->click();
        $this->waitForText('Camera at hip height');
    }

    public function test_a_camera_ends_a_hold_on_the_floor_and_the_log_says_what_saw_it(): void
    {
        $client = $this->clientWith(['exercise' => 'front plank', 'sets' => 1, 'hold_s' => 40]);
        self::film(new Scene(7, 'forearm-plank', 12.3, 9.0, lamp: true))->record(self::cameraFile(), 20_000);
        $this->begin($client);
        $this->button('Watch the line')->click();
        // a machine under load plays the film slowly: when the lamp in it goes on tells how long the hold really was
        $this->browser->executeScript('(function look() {
            const shown = document.querySelector("[data-live] canvas");
            const [lamp, , , there] = shown?.getContext("2d").getImageData(8, 8, 1, 1).data ?? [];
            if (there > 0) window.began ??= performance.now();
            if (lamp > 200) window.held ??= performance.now() - window.began;
            requestAnimationFrame(look);
        })();');
        $this->css('button svg.lucide-camera')->click();
        $this->waitForText('straight within');
        $this->waitForText('Ended by what the camera saw');
        $held = $this->browser->executeScript('return window.held') / 1000;
        $this->waitForText('The session is over');
        $this->button('Finish')->click();
        $this->waitUntilSent();
        $page = $this->api("/clients/{$client}/logs");
        $set = $this->api("/clients/{$client}/logs/".$page['sessions'][0]['id'])['log']['sets'][0];
        self::assertEqualsWithDelta($held + 0.1, $set['done'], 0.3, 'the hips pass the limit a tenth of a second behind the lamp');
        self::assertGreaterThanOrEqual(12.1, $set['done']);
        self::assertSame(['hips-sag', 'camera', ['hips-sag']], [$set['ended_by'], $set['seen_by'], $set['faults']]);
        self::assertStringContainsString('s, ended with hips sag by the camera', $page['sessions'][0]['seen'][0]);
    }

    public function test_the_cuff_ends_a_set_on_the_floor_and_a_range_is_measured_in_a_picture(): void
    {
        $client = $this->clientWith(
            ['exercise' => 'leg-load-hug-heel', 'sets' => 1, 'reps' => 20, 'side' => 'both', 'tempo' => '3-1-3-1'],
            ['exercise' => 'ball rollout', 'sets' => 1, 'reps' => 5, 'range_cm' => 45],
        );
        $this->begin($client);
        $this->button('Watch the pressure cuff')->click();
        $this->waitForText('a change over 10 ends the set');
        $this->button('loses pressure')->click();
        $this->waitForText('Ended by what the cuff saw');
        $this->button('Skip')->click();
        $this->waitForText('The session is over');
        $this->css('[aria-label="Sets so far"] button:last-of-type')->click();
        $this->element(WebDriverBy::xpath('//summary[contains(., "range")]'))->click();
        $this->button('Measure in a picture')->click();
        $this->field('picture')->sendKeys(self::still());
        $this->button('Put all points in, to be moved')->click();
        $this->element(WebDriverBy::xpath('//*[@role="dialog"]//button[normalize-space(.)="Measure"]'))->click();
        // three tenths of the picture beside eight tenths, which are a mat
        $this->waitForText('69 cm');
        $this->button('Take it')->click();
        $this->button('Finish')->click();
        $this->waitUntilSent();
        $sets = $this->api("/clients/{$client}/logs/".$this->api("/clients/{$client}/logs")['sessions'][0]['id'])['log']['sets'];
        self::assertSame(['back-arches', 'cuff'], [$sets[0]['ended_by'], $sets[0]['seen_by']]);
        self::assertSame(69, $sets[1]['range_cm']);
    }

    public function test_a_file_is_judged_kept_with_consent_and_gone_when_it_is_withdrawn(): void
    {
        $this->openCheck('Maren Tidewell');
        $this->field('picture')->sendKeys(self::still());
        $this->waitForText('below the straight line; up to 5° is meant.');
        $this->waitForText('Looks like hips sag');
        $this->button('Tick it')->click();
        $this->button('Maren Tidewell says so')->click();
        $this->button('It may be kept')->click();
        $this->waitForText('said on');
        $client = $this->client('Maren Tidewell');
        $this->css('[aria-label="Keep it"] input[type="checkbox"]')->click();
        $this->button('Keep line and picture')->click();
        $this->waitForText('It stands in Progress.');
        $lines = $this->api("/clients/{$client}/lines")['lines'];
        self::assertSame([1, true, ['hips-sag']], [count($lines), $lines[0]['has_picture'], $lines[0]['faults']]);

        $this->open("/clients/{$client}/progress");
        $this->waitForText('Forearm plank: the line');
        $this->button('Withdraw the consent')->click();
        $this->button('tap again')->click();
        $this->waitUntil(fn (): bool => $this->api("/clients/{$client}/lines")['lines'] === [], 'what was kept stayed');
        self::assertNull($this->api("/clients/{$client}/lines")['consent']);
    }

    public function test_points_are_put_in_and_moved_by_keys_alone(): void
    {
        $this->openCheck('Bea Thwart');
        $this->field('picture')->sendKeys(self::still());
        $this->waitForText('straight line');
        $this->button('All points anew')->sendKeys(WebDriverKeys::ENTER);
        $this->button('Put all points in, to be moved')->sendKeys(WebDriverKeys::ENTER);
        $this->waitForText('Hip: straight within 5°.');
        $hip = $this->css('[data-point="hip"]');
        $this->browser->executeScript('arguments[0].focus()', [$hip]);
        for ($i = 0; $i < 4; $i++) {
            $this->browser->switchTo()->activeElement()->sendKeys([WebDriverKeys::SHIFT, WebDriverKeys::ARROW_DOWN]);
        }
        // forty pixels under the middle of two parts of 128 pixels: twice atan(40/128)
        $this->waitForText('Hip: 34.7° below the straight line');
        self::assertStringContainsString('Hip: 288 from the left, 280 from the top', (string) $hip->getAttribute('aria-label'));
    }

    public function test_a_live_line_says_when_nothing_is_judged_and_stops_when_the_page_is_hidden(): void
    {
        $this->openCheck('Maren Tidewell');
        $this->button('Simulated camera')->click();
        $this->waitForText('Hip: straight within 5°.');
        $this->offline(true);
        $this->waitForText('The camera shows nothing.');
        $this->button('Camera off')->click();
        self::film(new Scene(4))->record(self::cameraFile(), 3000);
        $this->css('button svg.lucide-camera')->click();
        $this->waitForText('The server does not answer: nothing is judged.');
        $this->offline(false);
        $this->waitForText('Hip: straight within 5°.');
        $this->browser->executeScript('Object.defineProperty(document, "visibilityState", {get: () => "hidden"});
            document.dispatchEvent(new Event("visibilitychange"));');
        $this->waitForText('The page was hidden: the camera is off.');
    }

    private function offline(bool $off): void
    {
        $this->tools()->execute('Network.enable');
        $this->tools()->execute('Network.emulateNetworkConditions', [
            'offline' => $off, 'latency' => 0, 'downloadThroughput' => -1, 'uploadThroughput' => -1,
        ]);
    }
}
