<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverBy;
use Facebook\WebDriver\WebDriverKeys;
use Facebook\WebDriver\WebDriverSelect;

final class WhatIfTest extends BrowserTestCase
{
    public function test_fewer_days_and_another_style_are_seen_before_they_are_followed(): void
    {
        $this->signIn();
        $this->link('Bea Thwart')->click();
        $this->go('Week');
        $this->link('What if')->click();
        foreach (['Tuesday', 'Thursday', 'Saturday'] as $day) {
            $field = $this->css('input[aria-label="Minutes on '.$day.'"]');
            $field->sendKeys([WebDriverKeys::CONTROL, 'a']);
            $field->sendKeys('0');
        }
        $this->waitForText('The week then');
        $this->waitForText('Once only: the week has one training day.');
        (
            new WebDriverSelect($this->element(WebDriverBy::xpath('//label[contains(., "House style")]//select')))
        )->selectByVisibleText('Quiet start');
        $this->waitForText('Deep back switch-on, knees bent');
        $this->button('Follow Quiet start from now on')->click();
        $this->waitForText('House style: Quiet start');
        $this->waitForText('Deep back switch-on, knees bent');
        $this->button('Undo')->click();
        $this->waitForText('House style: Even keel');
    }
}
