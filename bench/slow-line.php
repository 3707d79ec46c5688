<?php

declare(strict_types=1);

// How long a phone on a slow line waits for each page with nothing kept: 1.6 Mbit/s down, 0.75 up, 150 ms of latency, a processor at a
// quarter of this one's speed, 390 x 844. A page is ready when nothing of it changes any more.
// usage: php bench/slow-line.php ADDRESS [--record]

require __DIR__.'/http.php';
require dirname(__DIR__).'/vendor/autoload.php';

use Facebook\WebDriver\Chrome\ChromeDevToolsDriver;
use Facebook\WebDriver\Chrome\ChromeOptions;
use Facebook\WebDriver\Remote\DesiredCapabilities;
use Facebook\WebDriver\Remote\RemoteWebDriver;

const READY_MS = 2500;
const MOST_SHIFT = 0.02;
const BLOCKED_MS = 200;
const RUNS = 3;
const QUIET_MS = 1200;

const WATCH = <<<'JS'
    window.seen = { shift: 0, shown: 0, blocked: 0, changed: 0 };
    const watch = (type, tell) => new PerformanceObserver((list) => list.getEntries().forEach(tell)).observe({ type, buffered: true });
    watch('layout-shift', (each) => { if (!each.hadRecentInput) seen.shift += each.value; });
    watch('largest-contentful-paint', (each) => { seen.shown = each.startTime; });
    watch('longtask', (each) => { seen.blocked += Math.max(0, each.duration - 50); });
    new MutationObserver(() => { seen.changed = performance.now(); })
        .observe(document, { childList: true, subtree: true, characterData: true });
    JS;

$base = $argv[1] ?? exit("usage: php bench/slow-line.php ADDRESS [--record]\n");
$curl = session($base);
[, $list] = call($curl, $base.'/api/clients');
$client = '/clients/'.$list['clients'][0]['id'];
$pages = [
    'sign-in' => '/sign-in', 'clients' => '/clients', 'today' => '/today', 'library' => '/library', 'wall' => $client.'/wall',
    'week' => $client.'/week', 'log' => $client.'/log', 'even' => $client.'/even', 'progress' => $client.'/progress',
    'program' => $client.'/program', 'sheet' => $client.'/sheet', 'build' => '/build',
];

$port = random_int(20_000, 40_000);
$nowhere = [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']];
$driver = proc_open(['chromedriver', '--port='.$port, '--silent'], $nowhere, $pipes);
for ($i = 0; $i < 100 && @fsockopen('127.0.0.1', $port) === false; $i++) {
    usleep(100_000);
}
$options = (new ChromeOptions)->addArguments(['--headless=new', '--no-sandbox', '--disable-gpu', '--disable-dev-shm-usage']);
$browser = RemoteWebDriver::create(
    "http://127.0.0.1:$port",
    DesiredCapabilities::chrome()->setCapability(ChromeOptions::CAPABILITY, $options),
);
try {
    $tools = new ChromeDevToolsDriver($browser);
    $rows = [];
    $look = static function (string $page, string $path) use ($browser, $base, &$rows): void {
        for ($run = 0; $run < RUNS; $run++) {
            $browser->get('about:blank');
            $browser->get($base.$path);
            do {
                usleep(100_000);
                $seen = $browser->executeScript('return { ...seen, now: performance.now() }');
            } while ($seen['now'] - $seen['changed'] < QUIET_MS);
            $rows[$page][] = $seen;
        }
    };
    $tools->execute('Emulation.setDeviceMetricsOverride', ['width' => 390, 'height' => 844, 'deviceScaleFactor' => 2, 'mobile' => true]);
    $tools->execute('Page.addScriptToEvaluateOnNewDocument', ['source' => WATCH]);
    $tools->execute('Network.enable');
    $tools->execute('Network.setBypassServiceWorker', ['bypass' => true]);
    $tools->execute('Network.setCacheDisabled', ['cacheDisabled' => true]);
    $tools->execute('Emulation.setCPUThrottlingRate', ['rate' => 4]);
    $tools->execute('Network.emulateNetworkConditions', [
        'offline' => false, 'latency' => 150, 'downloadThroughput' => 200_000, 'uploadThroughput' => 93_750,
    ]);
    foreach ($pages as $page => $path) {
        $look($page, $path);
        if ($page === 'sign-in') {
            $browser->executeAsyncScript(
                'const done = arguments[0]; const headers = { "Content-Type": "application/json", Accept: "application/json" };'
                    .'const body = JSON.stringify({ email: "trainer@slipway.example", password: "slipway-demo" });'
                    .'fetch("/api/sign-in", { method: "POST", headers, body }).then(done)',
            );
        }
    }
} finally {
    $browser->quit();
    proc_terminate($driver);
}

$median = static fn (array $seen, string $what): float => percentile(array_column($seen, $what), 0.5);
$lines = ['| Page | Ready | Largest paint | Shift | Blocked | |', '|---|---|---|---|---|---|'];
foreach ($rows as $page => $seen) {
    [$ready, $shown] = [$median($seen, 'changed'), $median($seen, 'shown')];
    [$shift, $blocked] = [$median($seen, 'shift'), $median($seen, 'blocked')];
    $missed = array_filter([
        $ready > READY_MS ? 'ready' : null,
        $shift > MOST_SHIFT ? 'shift' : null,
        $blocked > BLOCKED_MS ? 'blocked' : null,
    ]);
    $lines[] = sprintf(
        '| %s | %.2f s | %.2f s | %.3f | %.0f ms | %s |',
        $page,
        $ready / 1000,
        $shown / 1000,
        $shift,
        $blocked,
        $missed === [] ? 'met' : 'missed: '.implode(', ', $missed),
    );
}
echo implode("\n", $lines), "\n";
if (in_array('--record', $argv, true)) {
    $speed = dirname(__DIR__).'/docs/speed.md';
    file_put_contents($speed, preg_replace_callback(
        '/(<!-- slow line -->\n).*?(<!-- end -->)/s',
        static fn (array $found): string => $found[1].implode("\n", $lines)."\n".$found[2],
        (string) file_get_contents($speed),
    ));
}
