<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Interactions\WebDriverActions;
use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Facebook\WebDriver\WebDriverSelect;

final class LibraryTest extends BrowserTestCase
{
    private function label(string $text): WebDriverBy
    {
        return WebDriverBy::xpath(sprintf(
            '//label[starts-with(normalize-space(.), "%s")]//*[self::input or self::select or self::textarea]',
            $text,
        ));
    }

    private function retype(string $label, string $text): void
    {
        $field = $this->element($this->label($label));
        $field->sendKeys([WebDriverKeys::CONTROL, 'a']);
        $field->sendKeys($text);
    }

    public function test_a_side_plank_is_swapped_for_what_spares_a_sore_shoulder(): void
    {
        $this->signIn();
        $this->link('Bea Thwart')->click();
        $this->go('Week');
        $before = $this->css('[data-week-total]')->getText();
        $of = (string) $this->css('button[aria-label^="What to do with Side plank"]')->getAttribute('aria-label');
        $name = substr($of, strlen('What to do with '));
        $this->menu($name, 'Put another in its place');
        $this->waitForText('Instead of '.$name);
        $this->element(WebDriverBy::xpath('//label[contains(., "Sore shoulder")]/input'))->click();
        $this->waitUntil(
            fn (): bool => $this->browser->findElements(WebDriverBy::cssSelector('button[aria-label="Put Side plank, feet split '
                .'in the week"]')) === [],
        );
        $put = $this->css('button[aria-label="Put Carry, one side at the hip in the week"]');
        $put->click();
        $this->waitForText('Carry, one side at the hip');
        $this->waitUntil(fn (): bool => $this->browser->findElements(WebDriverBy::cssSelector('[role=dialog]')) === []);
        self::assertNotSame($before, $this->css('[data-week-total]')->getText());
        $this->button('Undo')->click();
        $this->waitForText($name);
    }

    public function test_an_own_ladder_of_three_rungs_stands_on_the_wall(): void
    {
        $this->signIn();
        $this->link('Library')->click();
        $this->link('New ladder')->click();
        $this->waitForText('Our own, not saved yet.');
        $this->button('Save')->click();
        $this->waitForText('Rung 1, What it asks more than the rung below: must not be empty');
        self::assertSame('true', $this->element($this->label('What it asks more'))->getAttribute('aria-invalid'));
        $this->retype('Name of the ladder', 'Harbour holds');
        (new WebDriverSelect($this->element($this->label('Category'))))->selectByValue('AL');
        foreach (['Harbour hold, low', 'Harbour hold, middle', 'Harbour hold, high'] as $i => $name) {
            if ($i > 0) {
                $this->button('Rung above')->click();
            }
            $this->retype('Name of the exercise', $name);
            $this->retype('What it asks more', 'A little more than before.');
            $this->retype('Where to stand', 'In front.');
            $this->retype('How the range is cut', 'Half of it.');
            $this->retype('Set up', 'Stand tall.');
            $this->retype('Felt in', 'side of the waist');
            $this->retype('Muscles', 'obliques');
        }
        (new WebDriverSelect($this->element($this->label('Level'))))->selectByValue('1');
        $this->button('Save')->click();
        $this->waitForText('levels never fall along a ladder');
        (new WebDriverSelect($this->element($this->label('Level'))))->selectByValue('4');
        $this->button('Save')->click();
        $this->waitForText('Harbour holds written');

        $this->link('Clients')->click();
        $this->link('Bea Thwart')->click();
        $this->button('All 32, by direction')->click();
        $this->element(
            WebDriverBy::xpath('//button[contains(normalize-space(.), "5 ladders, Anti-lateral-flexion")]'),
        )->click();
        $this->css('[data-rung="own-harbour-hold-high"]');
        self::assertCount(3, $this->browser->findElements(WebDriverBy::cssSelector('[data-rung^="own-harbour-hold"]')));
    }

    public function test_a_rung_starts_from_a_like_one_and_its_figure_is_dragged(): void
    {
        $this->signIn();
        $this->open('/library/ladders/new');
        $this->retype('Name of the exercise', 'Harbour plank');
        $this->element($this->label('Start from a like exercise'))->sendKeys('forearm plank');
        $this->css('[role=option]');
        $this->browser->getKeyboard()->sendKeys(WebDriverKeys::ENTER);
        $this->waitForText('As Forearm plank, till you change it.');
        self::assertSame('Harbour plank', $this->element($this->label('Name of the exercise'))->getAttribute('value'));
        self::assertStringContainsString('2 × 10 s', (string) $this->element($this->label('Doses, from start'))->getAttribute('value'));

        $hips = fn (): float => (float) $this->css('[aria-label="Start: hips"]')->getAttribute('cy');
        $before = $hips();
        (new WebDriverActions($this->browser))->dragAndDropBy($this->css('[aria-label="Start: hips"]'), 0, -40)->perform();
        $this->waitUntil(fn (): bool => $hips() < $before - 5);
        $dragged = $hips();
        $this->css('[aria-label="Start: hips"]')->sendKeys(WebDriverKeys::ARROW_DOWN);
        $this->waitUntil(fn (): bool => $hips() > $dragged);
        self::assertSame([], $this->browser->findElements(WebDriverBy::cssSelector('[aria-label^="End:"]')), 'a plank is held still');
        $this->button('It moves')->click();
        $this->css('[aria-label="End: hips"]');
    }

    public function test_a_retired_rung_that_others_ask_for_is_replaced_at_once(): void
    {
        $this->signIn();
        $this->open('/library/ladders/plank');
        $this->button('Forearm plank')->click();
        $this->button('Retire')->click();
        $this->waitForText('which is retired: choose what it means instead');
        (new WebDriverSelect($this->element($this->label('The ladder’s bare name means'))))->selectByVisibleText('Plank, hands');
        (new WebDriverSelect($this->element($this->label('Done clean first in its place'))))->selectByVisibleText('Plank, hands');
        $this->button('Save')->click();
        $this->waitForText('Who is affected, and where they land');
        $this->button('Save and move them')->click();
        $this->waitForText('Shipped, and changed by us.');
        $this->button('Undo the last change')->click();
        $this->waitForText('As shipped');
    }

    public function test_who_stands_on_a_retired_rung_is_named_lands_below_and_comes_back(): void
    {
        $this->signIn();
        $this->open('/library/ladders/side-plank');
        $this->button('Side plank, feet stacked')->click();
        $this->button('Retire')->click();
        $this->button('Save')->click();
        $this->waitForText('Who is affected, and where they land');
        $this->waitForText('Bea Thwart: Side plank, feet stacked → Side plank, feet split');
        $this->button('Save and move them')->click();
        $this->waitForText('Shipped, and changed by us.');

        $this->link('Clients')->click();
        $this->link('Bea Thwart')->click();
        $this->css('[data-standing][data-rung="side-plank-split"]');
        $this->open('/library/ladders/side-plank');
        $this->button('Undo the last change')->click();
        $this->waitForText('As shipped');
        $this->link('Clients')->click();
        $this->link('Bea Thwart')->click();
        $this->css('[data-standing][data-rung="side-plank-stacked"]');
    }

    public function test_the_road_to_a_standing_wheel_rollout_is_drawn_and_flagged_on_the_wall(): void
    {
        $this->signIn();
        $this->link('Bea Thwart')->click();
        $this->go('Road');
        $this->css('input[role=combobox]')->sendKeys('standing wheel rolout');
        $this->css('[role=option][id$="rollout-standing"][aria-selected=true]');
        $this->css('input[role=combobox]')->sendKeys(WebDriverKeys::ENTER);
        $this->waitForText('Not now, because');
        $this->waitForText('needs kit that is not to hand: roller wheel');
        $this->waitForText('This week’s next step');
        $this->waitForText('the aim');
        $this->button('Put it on the wall as the aim')->click();
        $this->waitForText('Take the aim off the wall');
        $this->go('Wall');
        $this->css('[data-aim="rollout-standing"]');
    }

    public function test_the_library_is_searched_read_and_compared(): void
    {
        $this->signIn();
        $this->link('Library')->click();
        $this->waitForText('190 exercises');
        $this->css('input[type=search]')->sendKeys('ded bug');
        $this->waitForText("\n1 exercise\n");
        $this->link('Dead bug, opposite arm and leg')->click();
        $this->waitForText('If you see, say');
        $this->css('svg[data-plays]');
        $this->css('button[aria-label="Stop the figure"]')->click();
        $this->css('button[aria-label="Play the figure"]');
        $this->css('input[role=combobox]')->sendKeys('heel taps');
        $this->css('[role=option][id$="heel-taps"]');
        $this->css('input[role=combobox]')->sendKeys(WebDriverKeys::ENTER);
        $this->waitForText('What differs');
        self::assertStringContainsString('/library/compare/dead-bug-opposite/heel-taps', $this->browser->getCurrentURL());
    }
}
