<?php

declare(strict_types=1);

namespace Tests\Browser;

use App\Accounts\OneTimeCode;
use Facebook\WebDriver\WebDriverBy;

/**
 * The first run of an empty machine, who comes in by which door, and what is left on a tablet when they go.
 */
final class PeopleTest extends BrowserTestCase
{
    private const PASSWORD = 'harbour seal on the pier';

    private static function shell(string ...$words): string
    {
        exec(
            sprintf(
                'EVEN_RUNGS_INSTANCE=test php %s %s 2>&1',
                escapeshellarg(dirname(__DIR__, 2).'/artisan'),
                implode(' ', array_map(escapeshellarg(...), $words)),
            ),
            $output,
            $code,
        );
        self::assertSame(0, $code, implode("\n", $output));

        return implode("\n", $output);
    }

    private static function pathIn(string $printed): string
    {
        self::assertMatchesRegularExpression('#https?://[^/]+(/\S+)#', $printed);

        return (string) preg_replace('#^.*https?://[^/\s]+(/\S+).*$#s', '$1', $printed);
    }

    public function test_an_empty_machine_is_set_up_to_the_first_client(): void
    {
        self::shell('studio', 'remove', 'Slipway Studio', '--yes');
        $path = self::pathIn(self::shell('studio', 'welcome'));
        try {
            $this->open($path);
            $this->field('studio')->sendKeys('Quay Four');
            $this->field('name')->sendKeys('Nils Capstan');
            $this->field('email')->sendKeys('nils@quay.example');
            $this->field('password')->sendKeys('qwerty123456');
            $this->fill('[name="zone"]', 'Mars/Base');
            $this->button('Set up the studio')->click();
            $this->waitForText('This is one of the passwords that are tried first.');
            self::assertSame('Nils Capstan', $this->field('name')->getAttribute('value'), 'nothing is lost');
            $this->fill('[name="password"]', self::PASSWORD);
            $this->button('Set up the studio')->click();
            $this->waitForText('There is no such time zone.');
            $this->fill('[name="zone"]', 'Europe/Oslo');
            $this->element(WebDriverBy::xpath('//label[contains(., "Loads and lengths")]//option[@value="imperial"]'))->click();
            $this->button('Set up the studio')->click();
            $this->waitForText('Who it is');
            self::assertStringContainsString('Nils Capstan, Quay Four', $this->css('header')->getText());

            $this->type('Name', 'Ona Ratline');
            $this->css('summary')->click();
            $this->type('Body mass (lb)', '150');
            $this->button('Save')->click();
            $this->waitForText('There is no week yet: the screen was not asked.');
            $this->open('/clients/'.$this->client('Ona Ratline').'/record');
            $this->waitForText('Entered a client: Ona Ratline');

            $client = $this->client('Ona Ratline');
            $this->open('/studio');
            $this->element(WebDriverBy::xpath('//label[contains(., "Loads and lengths")]//option[@value="metric"]'))->click();
            $this->button('Keep these settings')->click();
            $this->waitForText('Kept.');
            $this->open("/clients/{$client}/edit");
            $this->waitForText('Body mass (kg)');
            self::assertSame(
                '68',
                $this->element(WebDriverBy::xpath('//label[starts-with(., "Body mass")]//input'))->getAttribute('value'),
                '150 lb',
            );
            $this->button('Sign out')->click();
            $this->open($path);
            $this->waitForText('This link was used already.');
            self::assertSame('', self::shell('studio', 'welcome'), 'there is a studio now');
        } finally {
            self::shell('studio', 'remove', 'Quay Four', '--yes');
        }
    }

    public function test_a_reader_comes_in_by_invitation_and_a_second_factor_and_a_disabled_trainer_does_not(): void
    {
        $this->signIn();
        $this->open('/studio');
        $this->field('invite-name')->sendKeys('Dr Fender');
        $this->field('invite-email')->sendKeys('fender@slipway.example');
        $this->element(WebDriverBy::xpath('//form[contains(., "Invite somebody")]//option[@value="reader"]'))->click();
        $this->button('Make a link')->click();
        $path = (string) parse_url($this->css('[data-link]')->getText(), PHP_URL_PATH);
        $this->waitForText('Invited, not here yet');
        $this->element(WebDriverBy::xpath('//li[contains(., "Rook Ballast")]//button[contains(., "Disable")]'))->click();
        $this->waitForText('Let in again');
        $client = $this->client('Anker Stave');
        $this->button('Sign out')->click();
        $this->waitForText('Sign in');

        $this->open($path);
        $this->waitForText('Slipway Studio invites you as a reader');
        $this->field('password')->sendKeys(self::PASSWORD);
        $this->button('Join')->click();
        $this->waitForText('No client is shared with you yet.');
        $this->open('/account');
        $this->field('current-for-codes')->sendKeys(self::PASSWORD);
        $this->button('Set it up')->click();
        $secret = str_replace(' ', '', $this->element(WebDriverBy::xpath('//p[contains(., "type its secret")]/b'))->getText());
        $this->field('code')->sendKeys(OneTimeCode::at(self::bytes($secret), OneTimeCode::step(time())));
        $this->button('Turn it on')->click();
        $this->waitForText('Write these recovery codes down now');
        $recovery = $this->browser->findElement(WebDriverBy::cssSelector('ul.font-mono li'))->getText();
        $this->button('Sign out')->click();

        $this->signIn();
        $this->open("/clients/{$client}/record");
        $this->tick('Dr Fender');
        $this->waitForText('Changed whose client it is');
        $this->button('Sign out')->click();

        $this->come('second@slipway.example', 'slipway-demo');
        $this->waitForText('No account has this address with this password.');
        $this->open('/sign-in');
        $this->come('fender@slipway.example', self::PASSWORD);
        $this->waitForText('Type the code that your authenticator shows now');
        $this->field('code')->sendKeys($recovery);
        $this->button('Sign in')->click();
        $this->link('Anker Stave')->click();
        $this->waitForText('Record a clearance');
        self::assertSame(
            [],
            $this->browser->findElements(WebDriverBy::xpath('//a[normalize-space()="Week" or normalize-space()="Edit" or '
                .'normalize-space()="Floor"]')),
            'a reader has no pages that change anything',
        );
        $this->type('Who gave it', 'Dr Fender');
        $this->type('Their role', 'Physician');
        $this->button('Record the clearance')->click();
        $this->waitForText('Dr Fender, Physician');
        $this->go('Record');
        $this->waitForText('Recorded a clearance');
        $this->open('/library');
        $this->waitForText('those first who need you');
    }

    public function test_signing_out_of_a_shared_tablet_leaves_nothing_to_read(): void
    {
        $this->signIn();
        $client = $this->client('Bea Thwart');
        $this->open('/clients/new');
        $this->type('Name', 'Half Entered');
        $this->open("/clients/{$client}/week");
        $this->css('button[aria-label^="Run the session of"]')->click();
        $this->waitForText('Before the first set');
        $kept = 'const done = arguments[0]; (async () => {
            const db = await new Promise((yes) => { const r = indexedDB.open("even-rungs-floor"); r.onsuccess = () => yes(r.result); });
            const runs = db.objectStoreNames.length === 0 ? [] : await new Promise((yes) => {
                const r = db.transaction("runs").objectStore("runs").getAll(); r.onsuccess = () => yes(r.result); });
            db.close();
            return JSON.stringify([Object.entries(localStorage), runs, await caches.keys(),
                document.cookie.includes("even_rungs_session")]);
        })().then(done);';
        $before = (string) $this->browser->executeAsyncScript($kept);
        self::assertStringContainsString('Half Entered', $before);
        self::assertStringContainsString('Bea Thwart', $before);
        // the server has nothing of it: what is done now is on the tablet only
        $this->tools()->execute('Network.enable');
        $this->tools()->execute('Network.setBlockedURLs', ['urls' => ['*/logs/run/*']]);
        $this->button('Start')->click();
        for ($skip = 0; $skip < 40
            && $this->browser->findElements(WebDriverBy::cssSelector('button[aria-label="Pain: 0"]')) === []; $skip++) {
            $this->button('Skip')->click();
        }
        $this->css('button[aria-label="Pain: 0"]')->click();
        $this->waitForText('(not sent)');
        $this->button('Sign out')->click();
        $this->waitForText('Sign in');
        $after = (string) $this->browser->executeAsyncScript($kept);
        foreach (['Half Entered', 'Bea Thwart', 'Thwart', 'exercise', 'client'] as $readable) {
            self::assertStringNotContainsString($readable, $after);
        }
        self::assertStringContainsString('sealed', $after, 'what was not sent is not lost');

        $this->tools()->execute('Network.setBlockedURLs', ['urls' => []]);

        // nobody else sees it, and its owner finds it again
        $this->come('second@slipway.example', 'slipway-demo');
        $this->link('Floor')->click();
        $this->waitForText('Nobody is on the floor');
        $this->button('Sign out')->click();
        $this->signIn();
        $this->link('Floor')->click();
        $this->waitForText('Bea Thwart');
        $this->open('/clients/new');
        self::assertSame(
            '',
            $this->element(WebDriverBy::xpath('//label[starts-with(normalize-space(.), "Name")]//input'))->getAttribute('value'),
        );
    }

    private function come(string $email, string $password): void
    {
        $this->field('email')->sendKeys($email);
        $this->field('password')->sendKeys($password);
        $this->button('Sign in')->click();
    }

    /** RFC 4648, as an authenticator reads a secret. */
    private static function bytes(string $secret): string
    {
        $bits = implode(
            '',
            array_map(
                static fn (string $letter): string => str_pad(
                    decbin((int) strpos('ABCDEFGHIJKLMNOPQRSTUVWXYZ234567', $letter)),
                    5,
                    '0',
                    STR_PAD_LEFT,
                ),
                str_split($secret),
            ),
        );

        return implode(
            '',
            array_map(
                static fn (string $byte): string => chr((int) bindec($byte)),
                array_filter(str_split($bits, 8), static fn (string $byte): bool => strlen($byte) === 8),
            ),
        );
    }
}
