<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\WebDriverBy;
use Tests\Support\TestServer;

/**
 * A client's own page on a phone: handed out, done where no server is, and brought back.
 */
final class OwnPageTest extends BrowserTestCase
{
    public function test_a_session_done_without_a_server_comes_back_as_a_code_and_as_a_file_once(): void
    {
        $this->handOut('Maren Tidewell');
        $file = $this->saved('Maren Tidewell');
        $this->sized(390, 844);
        TestServer::kill();
        $this->browser->get('file://'.$file);
        $this->waitForText('this page works until');
        $this->css('li button')->click();
        $this->beforehand();
        $this->css('button[aria-label="Set 1 done"]')->click();
        $this->button('Start')->click();
        $this->button('I am warm already')->click();
        $this->waitUntil(fn (): bool => str_contains($this->css('section[aria-label="Clock"]')->getText(), 'Work'));
        $this->button('Something hurts')->click();
        $this->css('button[aria-label="How much does it hurt?: 6"]')->click();
        $this->button('I stop here')->click();
        $this->waitForText('Nobody has been told yet.');
        $this->waitForText('What to do now');
        // neither a reload nor another look opens it again
        $this->browser->navigate()->refresh();
        $this->waitForText('Do nothing more from this page.');
        self::assertSame([], $this->browser->findElements(WebDriverBy::xpath('//button[contains(., "Start")]')));
        $this->css('summary')->click();
        $code = $this->css('[data-code]')->getText();
        $back = $this->brought();

        TestServer::start();
        $this->sized(1280, 800);
        $this->open('/clients');
        $this->open('/clients/'.$this->client('Maren Tidewell').'/sheet/phone');
        $this->type('Code, as it is read out', substr($code, 0, -1).($code[-1] === 'A' ? 'B' : 'A'));
        $this->button('Take it in')->click();
        $this->waitForText('compare it letter by letter');
        $this->css('section[aria-label="Bring back"] input[autocomplete]')->clear();
        $this->type('Code, as it is read out', strtolower($code));
        $this->button('Take it in')->click();
        $this->waitForText('pain 6');
        $this->css('input[name="own-return"]')->setFileDetector(new LocalFileDetector)->sendKeys($back);
        $this->waitForText('Nothing of it is kept twice');
        $this->waitForText('there is a stop, and a page of their own is still out');
        // scanned as a picture the same thing comes by its address
        $this->open('/bring-back#'.json_decode((string) file_get_contents($back), true)['code']);
        $this->button('Send it to the studio')->click();
        $this->waitForText('Nothing of it is kept twice');
        $this->open('/clients');
        $this->waitForText('those first who need you');
        self::assertStringContainsString('Maren Tidewell', $this->css('main li, main tr')->getText());
        $this->open('/clients/'.$this->client('Maren Tidewell').'/log');
        $this->waitForText('the client’s own, form unchecked');
        $own = '//li[contains(., "own, form unchecked")]';
        self::assertCount(1, $this->browser->findElements(WebDriverBy::xpath($own)));
        $this->element(WebDriverBy::xpath($own.'//button[contains(., "Take back")]'))->click();
        $this->type('Why is it taken back?', 'Done by a brother');
        $this->button('Take it back')->click();
        $this->waitUntil(fn (): bool => $this->browser->findElements(WebDriverBy::xpath($own)) === []);
        $this->waitForText('there is a stop');
    }

    public function test_a_link_sends_back_by_itself_and_is_gone_when_it_is_withdrawn(): void
    {
        // as a trainer tries it on their own device
        $link = $this->handOut('Maren Tidewell');
        $this->sized(390, 844);
        $this->browser->get($link);
        $this->waitForText('this page works until');
        $this->css('li button')->click();
        $this->beforehand();
        $sets = '//button[starts-with(@aria-label, "Set")]';
        for ($i = 1; $i <= count($this->browser->findElements(WebDriverBy::xpath($sets))); $i++) {
            $this->tap("({$sets})[{$i}]");
        }
        $this->css('textarea')->sendKeys('Easier than last time');
        $this->button('Done for today')->click();
        $this->button('Send it to the studio')->click();
        $this->waitForText('The studio has it.');

        $this->sized(1280, 800);
        $this->open('/clients');
        $this->open('/clients/'.$this->client('Maren Tidewell').'/log');
        $this->waitForText('Easier than last time');
        $this->open('/clients/'.$this->client('Maren Tidewell').'/sheet/phone');
        $this->waitForText('link opened once');
        $this->button('Withdraw')->click();
        $this->button('Withdraw: tap again')->click();
        $this->waitForText('; withdrawn');
        $this->browser->get($link);
        $this->waitUntil(fn (): bool => ! str_contains($this->browser->getPageSource(), 'id="seal"'));
        self::assertSame(404, $this->browser->executeAsyncScript(
            'const done = arguments[0]; fetch(location.href).then((a) => done(a.status));',
        ));
    }

    /** Makes a page as a trainer does, and gives its link. */
    private function handOut(string $name): string
    {
        $this->signIn();
        $this->open('/clients/'.$this->client($name).'/sheet/phone');
        $this->button('Make the page')->click();

        return $this->css('[data-link]')->getText();
    }

    /** The file of the page as it is saved. */
    private function saved(string $name): string
    {
        $html = $this->browser->executeAsyncScript(
            'const done = arguments[0]; fetch(document.querySelector("a[download]").href).then((a) => a.text()).then(done);',
        );
        self::assertStringContainsString('id="seal"', $html, $name);
        $file = sys_get_temp_dir().'/own-page-'.getmypid().'.html';
        file_put_contents($file, $html);

        return $file;
    }

    private function beforehand(): void
    {
        $this->css('button[aria-label="How sore is your trunk?: 1"]')->click();
        $this->css('button[aria-label="How much pain now?: 0"]')->click();
        $this->button('To the exercises')->click();
    }

    /** What *Save it as a file* saves. */
    private function brought(): string
    {
        $this->browser->executeScript(
            'URL.createObjectURL = (blob) => { blob.text().then((text) => { window.saved = text; }); return "#"; };',
        );
        $this->button('Save it as a file')->click();
        $this->waitUntil(fn (): bool => is_string($this->browser->executeScript('return window.saved')));
        $file = sys_get_temp_dir().'/own-return-'.getmypid().'.json';
        file_put_contents($file, $this->browser->executeScript('return window.saved'));

        return $file;
    }
}
