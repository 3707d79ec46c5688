<?php

declare(strict_types=1);

namespace Tests\Browser;

/**
 * Pieces of the interface as they were built, run apart from their pages: amounts against the table that PHP reads too, the device's store
 * against a server that is only played, the dose input and the picker.
 */
final class ApartTest extends BrowserTestCase
{
    /**
     * Opens a page of the origin that holds nothing, with a server that is played: it answers by path, and what was asked is written
     * down.
     */
    private function apart(array $answers = []): void
    {
        $manifest = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/public/build/manifest.json'), true);
        $this->open('/build/manifest.json');
        $ready = $this->browser->executeAsyncScript('const [file, answers, done] = arguments;
            window.asked = [];
            window.answers = JSON.parse(answers);
            window.fetch = async (request) => {
                const path = new URL(request.url ?? request, location.href).pathname;
                const body = request.method === "GET" || request.body === undefined ? null : await request.clone().text();
                window.asked.push({ method: request.method, path, body: body ? JSON.parse(body) : null,
                    query: new URL(request.url ?? request, location.href).search });
                if (window.slow) await new Promise((go) => setTimeout(go, window.slow));
                const given = window.answers[path] ?? window.answers["*"];
                if (given === undefined) throw new TypeError("nobody there");
                return new Response(JSON.stringify(given.body ?? null), { status: given.status ?? 200,
                    headers: { "Content-Type": given.status >= 400 ? "application/problem+json" : "application/json" } });
            };
            document.body.innerHTML = "<div id=\"here\"></div>";
            import(file).then(async (built) => { window.built = { ...built, ...(await built.pieces()) }; done("ready");
                }).catch((error) => done(String(error)));', [
            '/build/'.$manifest['web/apart.tsx']['file'],
            json_encode((object) $answers),
        ]);
        self::assertSame('ready', $ready);
    }

    private function js(string $script, mixed ...$arguments): mixed
    {
        return $this->browser->executeScript($script, $arguments);
    }

    /** @return list<array{method: string, path: string, body: ?array<string, mixed>, query: string}> */
    private function asked(): array
    {
        return $this->js('return window.asked');
    }

    private function waitForAsked(int $count): void
    {
        $this->waitUntil(fn (): bool => count($this->asked()) >= $count, "{$count} requests never came");
    }

    public function test_amounts_are_shown_and_read_as_php_does(): void
    {
        $cases = json_decode((string) file_get_contents(dirname(__DIR__).'/cases/amounts.json'), true);
        $this->apart();
        foreach ($cases['shown'] as [$unit, $kept, $metric, $imperial]) {
            $shown = $this->js(
                'const [unit, kept] = arguments; return ["metric", "imperial"].map((way) => { built.units.measureIn(way); '
                    .'return built.units.amount(unit, kept); });',
                $unit,
                $kept,
            );
            self::assertSame([$metric, $imperial], $shown);
        }
        $this->js('built.units.measureIn("imperial")');
        foreach ($cases['typed'] as [$unit, $typed, $kept]) {
            self::assertEquals($kept, $this->js('return built.units.typedIn(arguments[0], arguments[1])', $unit, $typed));
        }
        self::assertEquals(
            20,
            $this->js('return built.units.typedIn("kg", 44, 20)'),
            'what was asked for, typed as it is shown, is reached exactly',
        );

        $this->js('window.kept = []; built.amountInput(document.getElementById("here"), "kg", 100, (each) => '
            .'window.kept.push(each ?? null))');
        $this->css('#here input')->sendKeys('44.5');
        self::assertEquals([1.8, 20.0, 20.2], $this->js('return window.kept'), '4 lb, 44 lb, 44.5 lb to a tenth of a kilogram');
    }

    public function test_the_dose_input_sends_what_was_typed_asks_once_and_goes_back_on_escape(): void
    {
        $board = ['version' => 3, 'ladders' => [['rungs' => [['id' => 'heel-taps', 'steps' => ['1 × 5 /alt', '1 × 8 /alt']]]]]];
        $this->apart(
            [
                '/api/clients/apart/board' => ['body' => $board],
                '/api/clients/apart/doses' => [
                    'status' => 422,
                    'body' => [
                        'title' => 'No',
                        'status' => 422,
                        'errors' => [['path' => '/dose', 'message' => 'cannot be read: "3 by many"']],
                    ],
                ],
            ],
        );
        $entry = [
            'exercise' => 'heel-taps',
            'name' => 'Heel taps',
            'dose' => '2 × 8 /alt',
            'extra' => null,
            'last_load' => 'last 4 kg, 3 Nov 2026',
            'missing' => [],
            'unusual' => null,
            'note' => null,
        ];
        $this->js(
            'built.doseInput(document.getElementById("here"), JSON.parse(arguments[0]), { week: 0, session: 1, block: 2, entry: 0 })',
            json_encode($entry),
        );
        $this->waitForText('last 4 kg, 3 Nov 2026');
        $this->css('button[aria-label="Change the dose of Heel taps: 2 × 8 /alt"]')->click();
        $this->waitForText('Step 2: 1 × 8 /alt');
        $input = $this->css('#here form input');
        self::assertSame('2 × 8 /alt', $input->getDomProperty('value'));
        $input->clear();
        $input->sendKeys('3 by many');
        $this->button('Save')->click();
        $this->waitForText('cannot be read: "3 by many"');
        self::assertSame('3 by many', $input->getDomProperty('value'), 'nothing typed is lost');
        $sent = array_values(array_filter($this->asked(), static fn (array $each): bool => $each['method'] === 'POST'))[0];
        self::assertEquals(['version' => 3, 'week' => 0, 'session' => 1, 'block' => 2, 'entry' => 0, 'dose' => '3 by many'], $sent['body']);

        $this->js('window.answers["/api/clients/apart/doses"].body.errors = [{ path: "/sure", message: "over twice the top: is '
            .'that meant?" }]');
        $this->button('Save')->click();
        $this->waitForText('is that meant?');
        $this->js('window.answers["/api/clients/apart/doses"] = { body: { version: 4, ladders: [] } }');
        $this->button('It is meant')->click();
        $this->waitUntilGone('#here form');
        self::assertTrue($this->asked()[count($this->asked()) - 1]['body']['sure'] ?? false, 'said once, and sent');
        $this->css('#here button')->click();
        $this->css('#here form input')->sendKeys(\Facebook\WebDriver\WebDriverKeys::ESCAPE);
        $this->waitUntilGone('#here form');
    }

    public function test_the_picker_finds_while_one_types_and_is_worked_with_the_keys(): void
    {
        $rung = static fn (string $id, string $name): array => ['id' => $id, 'name' => $name, 'category' => 'AE', 'level' => 4];
        $this->apart(
            [
                '/api/rungs' => ['body' => ['rungs' => [$rung('plank', 'Forearm plank'), $rung('plank-knee', 'Knee plank')]]],
                '/api/figures' => ['body' => ['figures' => (object) []]],
            ],
        );
        $this->js('window.picked = []; built.picker(document.getElementById("here"), "Find", (rung) => window.picked.push(rung.id))');
        $input = $this->css('[role="combobox"]');
        $input->sendKeys('plnk');
        $this->css('[role="option"]');
        self::assertStringContainsString('q=plnk', $this->asked()[count($this->asked()) - 1]['query']);
        $chosen = fn (): string => (string) $this->css('[role="option"][aria-selected="true"]')->getText();
        self::assertStringContainsString('Forearm plank', $chosen());
        $input->sendKeys(\Facebook\WebDriver\WebDriverKeys::ARROW_DOWN.\Facebook\WebDriver\WebDriverKeys::ARROW_DOWN);
        self::assertStringContainsString('Knee plank', $chosen(), 'the last one stays the last');
        $input->sendKeys(\Facebook\WebDriver\WebDriverKeys::ENTER);
        self::assertSame([['plank-knee'], ''], [$this->js('return window.picked'), $input->getDomProperty('value')]);
        // Enter comes before the answer to what was typed last: not what is listed, but what comes is taken
        $this->js('window.answers["/api/rungs"].body.rungs.reverse(); window.slow = 300;');
        $input->sendKeys('knee'.\Facebook\WebDriver\WebDriverKeys::ENTER);
        $this->waitUntil(fn (): bool => count($this->js('return window.picked')) === 2, 'nothing was picked');
        self::assertSame(['plank-knee', 'plank-knee'], $this->js('return window.picked'));
        $input->sendKeys('pl'.\Facebook\WebDriver\WebDriverKeys::ESCAPE);
        $this->waitUntilGone('[role="listbox"]');
        self::assertCount(2, $this->js('return window.picked'), 'escape picks nothing');
    }

    /** A run of nothing but one answer, as the engine makes it, put into the store of whoever is signed in. */
    private function addRun(string $client): string
    {
        $plan = [
            'studio' => 's',
            'planned' => null,
            'segments' => [['ms' => 20_000, 'what' => 'work']],
            'members' => [['client' => $client, 'name' => 'C', 'signs' => [], 'readiness' => false, 'said' => (object) []]],
            'sets' => [],
            'stop' => ['over' => 5, 'kinds' => []],
            'rungs' => (object) [],
            'ticks' => [],
        ];
        $manifest = json_decode((string) file_get_contents(dirname(__DIR__, 2).'/public/build/manifest.json'), true);

        return $this->browser->executeAsyncScript('const [file, plan, done] = arguments;
            import(file).then((engine) => { const run = engine.tell(engine.begin(JSON.parse(plan), "2027-01-06"), 0, {
                soreness: 2 }, 0); built.store.add(run); done(run.id); });', [
            '/build/'.$manifest['web/parts/run/run.ts']['file'],
            json_encode($plan),
        ]);
    }

    private function isPerson(string $person): void
    {
        $this->js('built.belongsTo({ studio_id: "s", id: arguments[0], device_key: btoa("k".repeat(32)) })', $person);
        $this->browser->executeAsyncScript('const done = arguments[0]; built.store.load().then(() => done())');
    }

    private function hasUnsent(): bool
    {
        return $this->browser->executeAsyncScript('const done = arguments[0]; built.store.hasUnsent().then(done)');
    }

    private function waitForUnsent(bool $has): void
    {
        $this->waitUntil(
            fn (): bool => $this->hasUnsent() === $has,
            $has ? 'nothing waits on the device' : 'something still waits on the device',
        );
    }

    public function test_the_store_keeps_what_the_server_lacks_and_nobody_else_reads_or_sends_it(): void
    {
        $this->apart();
        $this->isPerson('anna');
        $id = $this->addRun('one');
        $this->waitForAsked(1);
        self::assertTrue($this->hasUnsent(), 'there is no server');

        // the device is started anew, and somebody else signs in
        $this->apart(['*' => ['body' => ['revision' => 2]]]);
        $this->isPerson('bo');
        self::assertSame([false, []], [$this->hasUnsent(), $this->asked()], 'another person sends nothing of it');

        $this->apart();
        $this->isPerson('anna');
        self::assertTrue($this->hasUnsent());
        $this->browser->executeAsyncScript('const done = arguments[0]; built.store.leave().then(() => done())');
        $raw = $this->browser->executeAsyncScript('const done = arguments[0]; const open = indexedDB.open("even-rungs-floor"); '
            .'open.onsuccess = () => { const all = open.result.transaction("runs").objectStore("runs").getAll(); all.onsuccess '
                .'= () => { open.result.close(); done(all.result.map((each) => Object.keys(each).sort())); }; };');
        self::assertSame([['id', 'person', 'sealed', 'studio']], $raw, 'signed out it is sealed');

        $this->apart(['*' => ['body' => ['revision' => 2]]]);
        $this->isPerson('anna');
        $this->waitForUnsent(false);
        $sent = $this->asked()[0];
        self::assertSame(['PUT', 2, '2027-01-06'], [$sent['method'], $sent['body']['soreness'], $sent['body']['on']]);
        self::assertStringStartsWith('/api/clients/one/logs/run/', $sent['path']);
        self::assertNotSame('', $id);
    }

    public function test_a_run_that_the_server_stumbles_over_or_refuses_holds_up_no_other(): void
    {
        $this->apart(['*' => ['body' => ['revision' => 2]]]);
        $this->isPerson('cai');
        $answers = fn (
            string $client,
            array $answer,
        ) => $this->js('window.refuse = { ...window.refuse, [arguments[0]]: JSON.parse(arguments[1]) };
            if (window.played === undefined) { window.played = true; window.answers = new Proxy(window.answers, { get: (all,
                path) => Object.entries(window.refuse).find(([client]) => path.includes("/" + client + "/"))?.[1] ?? all[path] });
                }', $client, json_encode($answer));
        $answers('bad', ['status' => 500, 'body' => ['title' => 'Broken', 'status' => 500, 'errors' => []]]);
        $answers(
            'gone',
            ['status' => 409, 'body' => ['title' => 'Gone', 'status' => 409, 'errors' => [], 'current' => ['removed' => true]]],
        );
        foreach (['bad', 'gone', 'good'] as $client) {
            $this->addRun($client);
        }
        $puts = fn (string $client): array => array_values(
            array_filter($this->asked(), static fn (array $each): bool => str_contains($each['path'], "/{$client}/")),
        );
        $this->waitUntil(fn (): bool => $puts('good') !== [] && $puts('gone') !== [], 'the good run was held up');
        self::assertCount(1, $puts('gone'), 'what was taken away elsewhere is asked about, not sent again');
        self::assertTrue($this->hasUnsent());
        $answers('bad', ['status' => 200, 'body' => ['revision' => 2]]);
        $this->js('window.dispatchEvent(new Event("online"))');
        $this->waitUntil(fn (): bool => count($puts('bad')) > 1, 'it was not tried again');
        self::assertCount(1, $puts('good'), 'what the server has is not sent twice');
    }
}
