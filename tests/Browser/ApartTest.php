<?php

declare(strict_types=1);

namespace Tests\Browser;

/**
 * Pieces of the interface as they were built, run apart from their pages: amounts against the table that PHP reads too, the device's store
 * against a server that is only played, the dose input and the picker.
 */
final class ApartTest extends BrowserTestCase
{
    use Apart;

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
            'category' => 'AE',
            'ladder' => 'dead-bug',
            'total' => ['seconds' => 60, 'text' => '1:00'],
            'why' => [],
            'unsafe' => [],
            'insisted' => null,
        ];
        $this->js(
            'built.exercise(document.getElementById("here"), JSON.parse(arguments[0]), { week: 0, session: 1, block: 2, entry: 0 })',
            json_encode($entry),
        );
        $this->waitForText('last 4 kg, 3 Nov 2026');
        $this->menu('Heel taps', 'Change the dose');
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
        $this->menu('Heel taps', 'Change the dose');
        $this->css('#here form input')->sendKeys(\Facebook\WebDriver\WebDriverKeys::ESCAPE);
        $this->waitUntilGone('#here form');
    }

    public function test_the_picker_finds_while_one_types_and_is_worked_with_the_keys(): void
    {
        $rung = static fn (string $id, string $name): array => ['id' => $id, 'name' => $name, 'category' => 'AE', 'level' => 4];
        $this->apart(
            [
                '/api/rungs' => ['body' => ['rungs' => [$rung('plank', 'Forearm plank'), $rung('plank-knee', 'Knee plank')]]],
                '/api/figures' => ['body' => ['drawn' => '/api/figures-drawn', 'figures' => (object) []]],
                '/api/figures-drawn' => ['body' => (object) []],
            ],
        );
        $this->js('window.picked = []; built.picker(document.getElementById("here"), "Find", (rung) => window.picked.push(rung.id))');
        $input = $this->css('[role="combobox"]');
        $input->sendKeys('plnk');
        $this->css('[role="option"]');
        self::assertStringContainsString('q=plnk', implode(' ', array_column($this->asked(), 'query')));
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
}
