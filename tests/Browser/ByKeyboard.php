<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\WebDriverKeys as Keys;

/**
 * What somebody does who has no mouse.
 */
trait ByKeyboard
{
    private function focused(string $attribute): ?string
    {
        return $this->browser->switchTo()->activeElement()->getAttribute($attribute);
    }

    private function focusedText(): string
    {
        $element = $this->browser->switchTo()->activeElement();

        return $element->getTagName() === 'body' ? '' : $element->getText();
    }

    private function press(string ...$keys): void
    {
        foreach ($keys as $key) {
            $this->browser->getKeyboard()->sendKeys($key);
        }
    }

    /** Tabs until the focus is where it should be, as somebody without a mouse would. */
    private function tabTo(callable $found, string $what): void
    {
        for ($i = 0; $i < 120; $i++) {
            if ($found()) {
                return;
            }
            $this->press(Keys::TAB);
        }
        self::fail('The focus never came to '.$what);
    }
}
