<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Exception\WebDriverException;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverDimension;
use Facebook\WebDriver\WebDriverExpectedCondition as Until;
use PHPUnit\Framework\TestCase;
use Tests\Support\TestServer;

/**
 * Drives the real pages in headless Chromium against the test instance.
 */
abstract class BrowserTestCase extends TestCase
{
    use PageTools;
    use WhatWentWrong;

    /** @var resource|null the driver, one for all tests */
    private static $driver = null;

    private static int $port = 0;

    /** The browser goes on from test to test, each in a tab of its own with nothing kept from before. */
    private static ?RemoteWebDriver $running = null;

    private static string $profile = '';

    protected RemoteWebDriver $browser;

    private static function startDriver(): void
    {
        $socket = stream_socket_server('tcp://127.0.0.1:0');
        self::assertIsResource($socket);
        self::$port = (int) substr((string) strrchr((string) stream_socket_get_name($socket, false), ':'), 1);
        fclose($socket);
        $silent = ['file', '/dev/null', 'w'];
        $process = proc_open(['chromedriver', '--port='.self::$port], [['file', '/dev/null', 'r'], $silent, $silent], $pipes);
        self::assertIsResource($process);
        self::$driver = $process;
        self::$profile = sys_get_temp_dir().'/even-rungs-browser-'.bin2hex(random_bytes(4));
        for ($try = 0; $try < 200 && @fsockopen('127.0.0.1', self::$port) === false; $try++) {
            usleep(50_000);
        }
        register_shutdown_function(static function (): void {
            self::quit();
            if (self::$driver !== null) {
                proc_terminate(self::$driver);
                proc_close(self::$driver);
            }
        });
    }

    protected function setUp(): void
    {
        TestServer::freshDemo();
        $this->listen();
        if (self::$driver === null) {
            self::startDriver();
        }
        self::$running ??= self::openBrowser();
        $this->browser = self::$running;
        $this->countRequests();
    }

    /** Pages count what they wait for from the server, so that nothing is clicked that an answer is about to move. */
    private function countRequests(): void
    {
        $this->tools()->execute('Page.addScriptToEvaluateOnNewDocument', ['source' => 'window.asked = 0; const asks = window.fetch;
            window.fetch = (...all) => { window.asked++; return asks(...all).finally(() => window.asked--); };', ]);
    }

    private static function openBrowser(): RemoteWebDriver
    {
        $options = new ChromeOptions;
        $options->addArguments([
            '--headless=new', '--no-sandbox', '--disable-gpu', '--disable-quic', '--no-first-run', '--disable-background-networking',
            '--disable-component-update', '--disable-sync', '--disable-dev-shm-usage', '--window-size=1280,800',
            // the browser's own simulated camera, which plays what a test recorded before it is opened
            '--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream',
            '--use-file-for-fake-video-capture='.self::cameraFile(),
            '--user-data-dir='.self::$profile,
        ]);
        $capabilities = DesiredCapabilities::chrome();
        $capabilities->setCapability(ChromeOptions::CAPABILITY_W3C, $options);

        return RemoteWebDriver::create('http://127.0.0.1:'.self::$port, $capabilities, 60_000, 90_000);
    }

    protected function tearDown(): void
    {
        if ($this->status()->isFailure() || $this->status()->isError()) {
            $this->tellWhatWasSeen();
            self::quit();

            return;
        }
        try {
            $old = $this->browser->getWindowHandles();
            $this->browser->switchTo()->newWindow();
            $own = $this->browser->getWindowHandle();
            foreach ($old as $handle) {
                $this->browser->switchTo()->window($handle)->close();
            }
            $this->browser->switchTo()->window($own);
            $this->tools()->execute('Storage.clearDataForOrigin', ['origin' => self::address(), 'storageTypes' => 'all']);
            $this->tools()->execute('Network.clearBrowserCookies');
            $this->sized(1280, 800);
        } catch (WebDriverException) {
            self::quit();
        }
        self::assertSame('', $this->errors(), 'the server reported an error that no page has shown');
    }

    protected static function cameraFile(): string
    {
        return self::$profile.'-camera.mjpeg';
    }

    private static function quit(): void
    {
        try {
            self::$running?->quit();
        } catch (WebDriverException) {
            exec('pkill -9 -f -- '.escapeshellarg('--user-data-dir='.self::$profile));
        }
        self::$running = null;
        exec('rm -rf '.escapeshellarg(self::$profile).' '.escapeshellarg(self::cameraFile()));
    }

    protected function tools(): ChromeDevToolsDriver
    {
        return new ChromeDevToolsDriver($this->browser);
    }

    /** A browser that has never been anywhere. */
    protected function freshBrowser(): void
    {
        self::quit();
        $this->browser = self::$running = self::openBrowser();
        $this->countRequests();
    }

    /** Kills the browser as a flat battery would, and opens it again with what it had kept. */
    protected function killBrowser(): void
    {
        exec('pkill -9 -f -- '.escapeshellarg('--user-data-dir='.self::$profile));
        exec('rm -f '.escapeshellarg(self::$profile).'/Singleton*');
        $this->browser = self::$running = self::openBrowser();
        $this->countRequests();
    }

    /** A clock of the test's own: the page reads `performance.now`, and nothing else, for time. What it would sound is written down. */
    protected function withFakeClock(): void
    {
        $this->tools()->execute('Page.addScriptToEvaluateOnNewDocument', ['source' => 'window.clockMs = 0; performance.now = () '
            .'=> window.clockMs; window.tones = [];
            window.AudioContext = class {
                currentTime = 0;
                destination = {};
                resume() { return Promise.resolve(); }
                createOscillator() { return { frequency: { set value(hertz) { window.tones.push(hertz); } }, connect: (to) => to,
                    start() {}, stop() {} }; }
                createGain() { return { gain: { setValueAtTime() {}, exponentialRampToValueAtTime() {} }, connect: (to) => to }; }
            };', ]);
    }

    protected function pass(float $seconds): void
    {
        $this->browser->executeScript(
            'window.clockMs += arguments[0]; document.dispatchEvent(new Event("visibilitychange"));',
            [1000 * $seconds],
        );
    }

    /** A tap on what may lie behind the bar at the foot of the page until it is scrolled to. */
    protected function tap(string $xpath): void
    {
        $target = $this->element(WebDriverBy::xpath($xpath));
        $this->browser->executeScript('arguments[0].scrollIntoView({block: "center"})', [$target]);
        $target->click();
    }

    protected function sized(int $width, int $height): void
    {
        $this->browser->manage()->window()->setSize(new WebDriverDimension($width, $height));
    }

    /** Whether all of an element is on the screen as it is, and nothing fixed lies over its middle. */
    protected function isSeen(string $xpath): bool
    {
        return $this->browser->executeScript('const element = arguments[0], box = element.getBoundingClientRect();
            const over = document.elementFromPoint(box.x + box.width / 2, box.y + box.height / 2);
            return box.top >= 0 && box.bottom <= window.innerHeight && over !== null &&
                (element.contains(over) || over.contains(element));', [
            $this->browser->findElement(WebDriverBy::xpath($xpath)),
        ]);
    }

    private static function address(): string
    {
        $settings = parse_ini_file(TestServer::files().'/app.env', false, INI_SCANNER_RAW) ?: [];

        return 'http://127.0.0.1:'.$settings['WEB_PORT'];
    }

    protected function open(string $path): void
    {
        $this->browser->get(self::address().$path);
    }

    protected function signIn(): void
    {
        $this->open('/sign-in');
        $this->field('email')->sendKeys('trainer@slipway.example');
        $this->field('password')->sendKeys('slipway-demo');
        $this->button('Sign in')->click();
        $this->waitForText('Clients');
    }

    /** Ends every session on the server: a cookie taken from the browser would come back with an answer under way. */
    protected function endSessions(): void
    {
        TestServer::shell('db even_rungs -e "DELETE FROM sessions"');
    }

    /**
     * Asks the server as the page that is open would: what a test sets up beside what the user does, or reads to check it.
     *
     * @param  array<string, mixed>|null  $body  null to read
     * @return array<mixed>
     */
    protected function api(string $path, ?array $body = null): array
    {
        $answer = $this->browser->executeAsyncScript('const [path, body, done] = arguments;
            const token = decodeURIComponent((document.cookie.match(/XSRF-TOKEN=([^;]+)/) ?? ["", ""])[1]);
            const how = body === null ? {} : {method: "POST", body};
            const headers = {Accept: "application/json", "Content-Type": "application/json", "X-XSRF-TOKEN": token};
            fetch("/api" + path, {...how, headers}).then((answer) => answer.text()).then(done);', [
            $path,
            $body === null ? null : (string) json_encode($body),
        ]);

        return (array) json_decode((string) $answer, true);
    }

    /** The id of a client of the demo. */
    protected function client(string $name): string
    {
        return array_column($this->api('/clients')['clients'], 'id', 'name')[$name];
    }

    /** @return array<string, string> what the record of a client of the demo says, by what was done */
    protected function record(string $name): array
    {
        return array_column($this->api('/clients/'.$this->client($name).'/happened')['events'] ?? [], 'detail', 'act');
    }
}
