<?php

declare(strict_types=1);

namespace Tests\Browser;

/**
 * The store of the device keeps what the server lacks.
 */
final class DeviceStoreTest extends BrowserTestCase
{
    use Apart;

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
