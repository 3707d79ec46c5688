<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Facebook\WebDriver\WebDriverSelect;

final class BuilderTest extends BrowserTestCase
{
    private function add(string $label, string $name): void
    {
        $field = $this->element(WebDriverBy::xpath(sprintf('//label[starts-with(normalize-space(.), "%s")]/input', $label)));
        $field->sendKeys($name);
        $this->element(WebDriverBy::xpath('//ul[@role="listbox"]/li[@role="option"]'));
        $field->sendKeys(WebDriverKeys::ENTER);
    }

    private function total(string $expected): void
    {
        $this->waitUntil(fn (): bool => $this->css('[data-builder-total]')->getText() === $expected, 'The session never took '.$expected);
    }

    /** @return list<string> */
    private function order(): array
    {
        return array_values(
            array_map(
                static fn ($li): string => (string) $li->getAttribute('data-entry'),
                $this->browser->findElements(WebDriverBy::cssSelector('[data-entry]')),
            ),
        );
    }

    private function waitForCount(int $entries): void
    {
        $this->waitUntil(fn (): bool => count($this->order()) === $entries);
    }

    public function test_five_stations_are_built_timed_reordered_and_kept(): void
    {
        $this->signIn();
        $this->link('Build')->click();
        $this->waitForText('Build a session');
        $this->add('Add a block with', 'dead bug');
        $this->waitForCount(1);
        foreach (['side plank', 'bird dog', 'glute bridge', 'press-out'] as $i => $name) {
            $this->add('Add to block 1', $name);
            $this->waitForCount($i + 2);
        }
        $this->button('As a circuit')->click();
        $this->css('button[aria-label^="Rounds of block 1"]')->click();
        $field = $this->css('input[aria-label="Rounds of block 1"]');
        $field->clear();
        $field->sendKeys('3 rounds 50:25'.WebDriverKeys::ENTER);
        $this->waitForText('3 rounds 50:25');
        foreach (['Warm-up' => '120', 'Cool-down' => '90'] as $label => $seconds) {
            $time = $this->element(WebDriverBy::xpath(sprintf('//label[starts-with(normalize-space(.), "%s")]//input', $label)));
            $time->sendKeys([WebDriverKeys::CONTROL, 'a']);
            $time->sendKeys($seconds);
        }
        $expected = '21:50';
        $this->total($expected);

        $first = $this->order();
        $handle = $this->css('[data-entry="'.$first[0].'"] button[aria-label^="Move "]');
        $target = $this->browser->findElement(WebDriverBy::cssSelector('[data-entry="'.$first[2].'"]'));
        (new WebDriverActions($this->browser))->clickAndHold($handle)->moveByOffset(
            0,
            12,
        )->moveToElement($target)->moveByOffset(0, 4)->release()->perform();
        $this->waitUntil(fn (): bool => $this->order() !== $first, 'Dragging moved nothing');
        $dragged = $this->order();
        $this->css('button[aria-label="Undo the last step"]')->click();
        $this->waitUntil(fn (): bool => $this->order() === $first);
        $this->css('button[aria-label="Redo the step"]')->click();
        $this->waitUntil(fn (): bool => $this->order() === $dragged);

        $this->css('[data-entry="'.$dragged[1].'"] button[aria-label$=" up"]')->sendKeys(WebDriverKeys::ENTER);
        $this->waitUntil(fn (): bool => $this->order()[0] === $dragged[1], 'The keyboard moved nothing');
        $this->total($expected);
        $this->element(WebDriverBy::xpath('//label[starts-with(normalize-space(.), "Keep this session '
            .'as")]//input'))->sendKeys('Five stations');
        $this->button('Keep')->click();
        $this->css('button[aria-label="Use Five stations"]');
    }

    public function test_enter_takes_what_was_typed_at_twenty_milliseconds_a_key_with_a_slow_server(): void
    {
        $this->signIn();
        $this->link('Build')->click();
        $this->waitForText('Build a session');
        $this->add('Add a block with', 'front plank');
        $this->waitForCount(1);
        $slow = ['offline' => false, 'latency' => 400, 'downloadThroughput' => -1, 'uploadThroughput' => -1];
        $this->tools()->execute('Network.emulateNetworkConditions', $slow);
        $typed = ['side plank' => 'side-plank-split', 'bird dog' => 'bird-dog-opposite', 'dead bug' => 'dead-bug-opposite'];
        foreach ($typed as $name => $rung) {
            $count = count($this->order());
            $this->element(WebDriverBy::xpath('//label[starts-with(normalize-space(.), "Add to block 1")]/input'))->click();
            foreach ([...str_split($name), "\r"] as $key) {
                $which = $key === "\r" ? ['key' => 'Enter'] : [];
                $this->tools()->execute('Input.dispatchKeyEvent', ['type' => 'keyDown', 'text' => $key, ...$which]);
                // the pace of a fast typist, not a wait for the page
                usleep(20_000);
                $this->tools()->execute('Input.dispatchKeyEvent', ['type' => 'keyUp', ...$which]);
            }
            $this->waitForCount($count + 1);
            self::assertSame($rung, $this->order()[$count]);
        }
        $this->tools()->execute('Network.emulateNetworkConditions', [...$slow, 'latency' => 0]);
    }

    public function test_lines_are_pasted_a_name_is_taught_and_a_dose_typed_anew_keeps_the_rest(): void
    {
        $this->signIn();
        $this->link('Build')->click();
        $this->waitForText('Build a session');
        $this->element(WebDriverBy::xpath('//summary[contains(., "Paste lines")]'))->click();
        $this->field('lines')->sendKeys("Dead bug 2 x 8 alt 2-1-2-0 r30\nHarbour press 2 x 10-12 each side");
        $this->button('Put them in')->click();
        $this->waitForCount(2);
        $this->waitForText('not in the library');
        $this->waitForText('only kept as a note: “10-12”');
        $this->button('Press-out, standing')->click();
        $this->waitUntil(fn (): bool => ! str_contains($this->css('body')->getText(), 'not in the library'));

        $this->css('button[aria-label^="Dose of Dead bug"]')->click();
        $this->waitForText('tempo 2-1-2-0, rest 0:30');
        $this->fill('input[aria-label^="Dose of Dead bug"]', '3x10/alt'.WebDriverKeys::ENTER);
        $this->waitForText('3 sets of 10 reps on each side, alternating, tempo 2-1-2-0, rest 0:30');
        $this->css('button[aria-label^="Dose of Dead bug"]')->click();
        $this->fill('input[aria-label^="Dose of Dead bug"]', WebDriverKeys::CONTROL.WebDriverKeys::BACKSPACE);
        $this->css('input[aria-label^="Dose of Dead bug"]')->sendKeys(WebDriverKeys::ENTER);
        $this->waitUntil(fn (): bool => ! str_contains($this->css('body')->getText(), '2-1-2-0'));

        $this->css('button[aria-label^="Minutes it should take"]')->click();
        $this->fill('input[aria-label="Minutes it should take"]', '20'.WebDriverKeys::ENTER);
        $this->waitForText('20:00');
    }

    public function test_a_session_that_is_too_long_is_cut_until_it_fits_and_saved(): void
    {
        $this->signIn();
        $this->link('Maren Tidewell')->click();
        $this->go('Week');
        $this->menu('the session of Friday', 'Build on it');
        $this->waitForText('Session of week 1');
        $this->css('button[aria-label^="Dose of Dead bug"]')->click();
        $field = $this->css('input[aria-label^="Dose of Dead bug"]');
        $field->clear();
        $field->sendKeys('6 sets of 12 alternating 2-1-2-0, rest 45'.WebDriverKeys::ENTER);
        $this->waitForText('Make it fit');
        for ($cut = 0; $cut < 20 && str_contains($this->css('body')->getText(), 'Make it fit'); $cut++) {
            $total = $this->css('[data-builder-total]')->getText();
            $this->css('button[aria-label^="Cut: "]')->click();
            $this->changed('[data-builder-total]', $total);
        }
        self::assertStringNotContainsString('Make it fit', $this->css('body')->getText());
        $this->button('Save into the week')->click();
        $this->waitForText('Audit:');
        $this->button('Undo')->click();
        $this->waitForNoError();
    }

    public function test_a_bad_program_is_mended_to_no_error_with_taps(): void
    {
        $this->signIn();
        $this->link('Audit')->click();
        $this->css('textarea[name="program"]')->sendKeys(
            "Monday, before lifting, 5 min\nFront plank 3 x 90 s rest 60\nded bug 2 x 10 alt\n",
        );
        $this->button('Check it')->click();
        $this->waitForText('Which exercise is meant?');
        self::assertStringNotContainsString('[object', $this->css('main')->getText(), 'what is offered is no number');
        $this->button('Dead bug, opposite arm and leg')->click();
        $this->waitUntil(fn (): bool => ! str_contains($this->css('body')->getText(), 'Which exercise is meant?'));
        for ($tap = 0; $tap < 20; $tap++) {
            $errors = $this->browser->findElements(WebDriverBy::cssSelector('li[data-severity="error"] button'));
            if ($errors === []) {
                break;
            }
            $seen = fn (): string => $this->css('h2')->getText().$this->css('[aria-label="Coverage"]')->getText();
            $before = $seen();
            $errors[0]->click();
            $this->waitUntil(fn (): bool => $seen() !== $before);
        }
        self::assertStringStartsWith('0 errors', $this->css('h2')->getText());
        $this->css('button[aria-label="Undo the fix"]')->click();
        $this->waitUntil(fn (): bool => ! str_starts_with($this->css('h2')->getText(), '0 errors'));
    }

    public function test_a_broken_csv_says_every_row_at_once(): void
    {
        $this->signIn();
        $this->link('Audit')->click();
        $this->css('textarea[name="program"]')->sendKeys("day,exercise,sets,reps\nmon,dead bug,0,8\nxyz,plank,2,8\n");
        $this->button('Check it')->click();
        $this->waitForText('2 places cannot be read. Nothing was taken over.');
        $this->waitForText('row 2, column sets');
        $this->waitForText('row 3, column day');
    }

    public function test_a_session_moved_onto_the_day_before_heavy_lifting_is_warned_of(): void
    {
        $this->signIn();
        $this->link('Joss Keelson')->click();
        $this->go('Week');
        $this->menu('the session of Saturday', 'Move to another day');
        (new WebDriverSelect($this->css('select[aria-label="Move the session of Saturday to"]')))->selectByValue('sun');
        $this->waitForText('is hard on the day before a heavy lift');
        $this->button('Move it')->click();
        $this->css('[aria-label="What to do with the session of Sunday"]');
        $this->waitForText('is hard on the day before a heavy lift');
        $this->button('Undo')->click();
        $this->css('[aria-label="What to do with the session of Saturday"]');
    }

    public function test_wishes_that_contradict_name_the_one_that_gives(): void
    {
        $this->signIn();
        $this->link('Joss Keelson')->click();
        $this->go('Program');
        $this->button('Days and wishes')->click();
        (new WebDriverSelect($this->element(WebDriverBy::cssSelector('[data-day="mon"] select'))))->selectByValue('hard');
        $this->waitForText('Not possible beside the others: A hard session on Monday: it is a day of heavy lifting.');
    }

    public function test_a_group_of_three_shares_one_circuit(): void
    {
        $this->signIn();
        $this->link('Group')->click();
        $this->waitForText('Choose who trains together.');
        foreach (['Bea Thwart', 'Maren Tidewell', 'Oskar Pintle'] as $name) {
            $this->element(WebDriverBy::xpath(sprintf('//label[normalize-space(.)="%s"]/input', $name)))->click();
        }
        $this->waitUntil(fn (): bool => str_contains($this->css('body')->getText(), 'Side plank against a wall'));
        self::assertSame('14:40', $this->css('[data-group-total]')->getText());
        $this->waitForText('Side plank, feet stacked');
    }
}
