<?php

declare(strict_types=1);

namespace Tests\Browser;

/**
 * Built pieces of the pages, run in the browser apart from their pages.
 */
trait Apart
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
}
