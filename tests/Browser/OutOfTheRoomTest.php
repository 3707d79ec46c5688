<?php

declare(strict_types=1);

namespace Tests\Browser;

use Facebook\WebDriver\Remote\LocalFileDetector;
use Facebook\WebDriver\WebDriverBy;

/**
 * What leaves the room and what comes in from elsewhere, as a trainer does it.
 */
final class OutOfTheRoomTest extends BrowserTestCase
{
    private function check(string $label): void
    {
        $this->element(WebDriverBy::xpath(sprintf('//label[contains(normalize-space(.), "%s")]//input', $label)))->click();
    }

    public function test_sheets_of_several_come_in_one_file_and_one_in_another_language(): void
    {
        $this->signIn();
        $this->link('Sheets')->click();
        $this->element(WebDriverBy::xpath('//label[starts-with(normalize-space(.), "On")]//option[@value="1"]'))->click();
        $this->check('Bea Thwart');
        $this->check('Anker Stave');
        $this->button('Make the file')->click();
        $this->waitForText('One sheet is in the file. Without a week: Anker Stave.');

        $this->open('/clients/'.$this->client('Oskar Pintle').'/sheet');
        $this->element(WebDriverBy::xpath('//label[starts-with(normalize-space(.), "Language")]//option[@value="de"]'))->click();
        $sheet = $this->sheetThatSays('Vorsicht');
        self::assertStringContainsString('Leg etwas Weiches unter die Knie', $sheet);
    }

    public function test_a_calendar_address_is_shown_once_and_withdrawn(): void
    {
        $this->signIn();
        $this->open('/clients/'.$this->client('Maren Tidewell').'/program');
        $this->button('Private address')->click();
        $this->waitForText('It is shown only now');
        $address = $this->css('[role=status] p.font-mono')->getText();
        $read = fn (): array => $this->browser->executeAsyncScript(
            'const [address, done] = arguments; fetch(address, {credentials: "omit"}).then(async (a) => done([a.status, await a.text()]));',
            [$address],
        );
        self::assertSame(200, $read()[0]);
        self::assertStringContainsString('BEGIN:VEVENT', $read()[1]);
        $this->button('Withdraw')->click();
        $this->waitUntil(fn (): bool => $read()[0] === 404);
    }

    public function test_clients_of_a_table_are_looked_at_and_entered(): void
    {
        $this->signIn();
        $this->link('From a table')->click();
        $this->css('textarea')->sendKeys("name,mon,limits\nWynn Capstan,half,Sore toe\n");
        $this->button('Look at it')->click();
        $this->waitForText('row 2, column limits: "Sore toe" is not known');
        $this->waitForText('row 2, column mon');
        $this->css('textarea')->clear();
        $this->css('textarea')->sendKeys("name,mon,limits\nWynn Capstan,30,Sore wrist: mild\n");
        $this->button('Look at it')->click();
        $this->waitForText('Monday 30 min');
        $this->button('Enter this client')->click();
        $this->waitForText('those first who need you');
        $this->waitForText('Wynn Capstan');
    }

    public function test_programs_of_several_are_looked_at_and_begun(): void
    {
        $this->signIn();
        $this->link('Programs')->click();
        $this->css('textarea')->sendKeys("client: Maren Tidewell\nMonday, 20 min\nDead bug 2 x eight\nclient: Nobody\nDead bug 2 x 8\n");
        $this->button('Look at them')->click();
        $this->waitForText('line 3');
        $this->css('textarea')->clear();
        $this->css('textarea')->sendKeys(
            "client: Maren Tidewell\nMonday, 20 min\nDead bug 2 x 8 alt\nSide plank 2 x 15 s each side\n"
            ."client: Oskar Pintle\nTuesday\nBird dog 2 x 8 alt\n",
        );
        $this->button('Look at them')->click();
        $this->waitForText('1 week, 1 session, 2 exercises');
        $this->button('Begin all 2')->click();
        $this->waitForText('those first who need you');
        $this->open('/clients/'.$this->client('Oskar Pintle').'/week');
        $this->waitForText('Bird dog');
        $this->button('Undo')->click();
        $this->waitForText('Hinge');
    }

    public function test_a_bundle_from_a_clinic_is_compared_taken_over_and_undone(): void
    {
        $this->signIn();
        $bundle = $this->browser->executeAsyncScript(
            'const [client, done] = arguments; fetch(`/api/clients/${client}/fhir.json`).then((a) => a.text()).then(done);',
            [$this->client('Oskar Pintle')],
        );
        $file = sys_get_temp_dir().'/bundle-'.getmypid().'.json';
        file_put_contents($file, $bundle);
        $this->open('/clients/'.$this->client('Maren Tidewell').'/record');
        $this->css('input[name="fhir"]')->setFileDetector(new LocalFileDetector)->sendKeys($file);
        $this->waitForText('not here');
        $this->button('Take it over')->click();
        $this->waitForText('Taken over.');
        self::assertStringContainsString('Sore on kneeling', $this->limits('Maren Tidewell'));
        $this->element(WebDriverBy::xpath('//section[@aria-label="Imported lately"]//button[contains(., "Undo")]'))->click();
        $this->waitForText('Undone.');
        self::assertStringNotContainsString('Sore on kneeling', $this->limits('Maren Tidewell'));
    }

    /** The limits at the head of a client's pages, by name. */
    private function limits(string $name): string
    {
        $board = $this->api('/clients/'.$this->client($name).'/board');

        return implode(', ', array_column($board['client']['limits'], 'name'));
    }
}
