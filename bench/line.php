<?php

declare(strict_types=1);

// What a live line costs a browser: how long each frame takes to be looked at, and whether memory grows, with the browser's own simulated
// camera and the server judging. php bench/line.php BASE [SECONDS]

require dirname(__DIR__).'/vendor/autoload.php';

use EvenRungs\Devices\Camera\Film;
use EvenRungs\Devices\Camera\Scene;
use EvenRungs\Storage\DataFolder;
use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;
use Facebook\WebDriver\WebDriverBy;

const AIM_MS = 30;

const RUNG = 'forearm-plank';

[$base, $seconds] = [$argv[1] ?? '', (int) ($argv[2] ?? 300)];
$profile = sys_get_temp_dir().'/even-rungs-line-'.getmypid();
mkdir($profile);
(new Film(new Scene(4, RUNG, 8.0, 9.0), DataFolder::shipped()->library()))->record($profile.'/film.mjpeg', 12_000);
$port = random_int(20_000, 40_000);
$silent = ['file', '/dev/null', 'w'];
$driver = proc_open(['chromedriver', '--port='.$port], [['file', '/dev/null', 'r'], $silent, $silent], $pipes);
for ($try = 0; $try < 200 && @fsockopen('127.0.0.1', $port) === false; $try++) {
    usleep(50_000);
}
$options = (new ChromeOptions)->addArguments([
    '--headless=new', '--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage', '--user-data-dir='.$profile.'/browser',
    '--use-fake-ui-for-media-stream', '--use-fake-device-for-media-stream', '--use-file-for-fake-video-capture='.$profile.'/film.mjpeg',
]);
$capabilities = DesiredCapabilities::chrome()->setCapability(ChromeOptions::CAPABILITY, $options);
$browser = RemoteWebDriver::create('http://127.0.0.1:'.$port, $capabilities);
$tools = new ChromeDevToolsDriver($browser);
$browser->get($base.'/sign-in');
$browser->executeAsyncScript('const done = arguments[0]; const headers = {"Content-Type": "application/json", Accept: "application/json"};
    const body = JSON.stringify({email: "trainer@slipway.example", password: "slipway-demo"});
    fetch("/api/sign-in", {method: "POST", headers, body}).then(done);');
$browser->get($base.'/library/'.RUNG);
$press = static fn (string $text): mixed => $browser->wait(20)->until(
    static fn () => $browser->findElements(WebDriverBy::xpath("//button[normalize-space(.)='{$text}']"))[0] ?? null,
)->click();
$press('Line check');
$press('Camera');
$browser->wait(20)->until(static fn (): bool => $browser->findElements(WebDriverBy::cssSelector('[data-frame-ms]')) !== []);
/** @return int kibibytes of all processes of the browser together, after a collection */
$memory = static function () use ($tools, $profile): int {
    $tools->execute('HeapProfiler.collectGarbage');
    $all = 0;
    foreach (glob('/proc/[0-9]*/cmdline') ?: [] as $file) {
        if (str_contains((string) @file_get_contents($file), $profile)) {
            preg_match('/^Pss:\s+(\d+)/m', (string) @file_get_contents(dirname($file).'/smaps_rollup'), $found);
            $all += (int) ($found[1] ?? 0);
        }
    }

    return $all;
};
// what is loaded once is loaded by then
sleep((int) min(60, $seconds / 4));
$frames = $sizes = [];
for ($began = time(); time() - $began < $seconds; sleep(1)) {
    $frames[] = (float) $browser->executeScript('return document.querySelector("[data-frame-ms]").dataset.frameMs');
    if ((time() - $began) % 30 === 0) {
        $sizes[] = $memory();
    }
}
$sizes[] = $memory();
$browser->quit();
proc_terminate($driver);
exec('rm -rf '.escapeshellarg($profile));
sort($frames);
printf(
    "A frame is looked at in %.1f ms in the middle, %.1f at the 95th percentile; the aim is under %d ms: %s\n",
    $frames[intdiv(count($frames), 2)],
    $p95 = $frames[intdiv(95 * count($frames), 100)],
    AIM_MS,
    $p95 < AIM_MS ? 'met' : 'MISSED',
);
printf(
    "Memory of the browser over %d s: %s MB; the last is %.2f times the first\n",
    $seconds,
    implode(', ', array_map(static fn (int $kb): string => (string) intdiv($kb, 1024), $sizes)),
    $sizes[count($sizes) - 1] / $sizes[0],
);
