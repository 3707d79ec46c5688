<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Studio;
use App\Models\Trainer;
use EvenRungs\Storage\WordFiles;
use PHPUnit\Framework\Attributes\DataProvider;

/**
 * The client's sheet, read by another program: poppler's pdftotext, pdfinfo and pdffonts.
 */
final class SheetsTest extends HttpTestCase
{
    private function sheet(string $form, string $query, string $name = 'Maren Tidewell'): string
    {
        $path = '/clients/'.$this->clientNamed($name)->id.'/sheet'.$form.'?'.$query;

        return (string) $this->api('GET', $path)->assertOk()->getContent();
    }

    private static function read(string $program, string $pdf): string
    {
        $file = (string) tempnam(sys_get_temp_dir(), 'sheet');
        file_put_contents($file, $pdf);
        $printed = (string) shell_exec(sprintf($program, escapeshellarg($file)));
        unlink($file);

        return $printed;
    }

    /** @return list<string> lines below the two of a heading */
    private static function listed(string $program, string $pdf): array
    {
        return array_slice(explode("\n", trim(self::read($program, $pdf))), 2);
    }

    private static function pages(string $pdf): int
    {
        return preg_match('/^Pages:\s+(\d+)$/m', self::read('pdfinfo %s', $pdf), $found) === 1 ? (int) $found[1] : 0;
    }

    /** @return iterable<string, array{string, string, float}> client, what is asked for, and the width of the paper in points */
    public static function wishes(): iterable
    {
        yield 'one page of letter paper' => ['Bea Thwart', 'pages=1&paper=letter', 612.0];
        yield 'two pages' => ['Bea Thwart', 'pages=2&paper=a4', 595.28];
        yield 'two pages in the second language' => ['Oskar Pintle', 'pages=2&paper=a4&language=de', 595.28];
        yield 'one page in the second language' => ['Maren Tidewell', 'pages=1&paper=letter&language=de', 612.0];
    }

    #[DataProvider('wishes')]
    public function test_the_pdf_has_as_many_pages_as_promised_its_text_can_be_read_and_its_fonts_are_in_it(
        string $name,
        string $query,
        float $width,
    ): void {
        $this->signedIn();
        parse_str($query, $asked);
        $told = $this->api('GET', '/clients/'.$this->clientNamed($name)->id.'/sheet?'.$query)->assertOk()->json();
        $pdf = $this->sheet('.pdf', $query, $name);
        self::assertLessThanOrEqual((int) $asked['pages'], $told['pages']);
        self::assertSame($told['pages'], self::pages($pdf));
        self::assertSame(1, preg_match('/Page size:\s+([\d.]+)/', self::read('pdfinfo %s', $pdf), $found));
        self::assertEqualsWithDelta($width, (float) $found[1], 0.1);
        $fonts = self::listed('pdffonts %s', $pdf);
        self::assertCount(2, $fonts);
        foreach ($fonts as $font) {
            self::assertMatchesRegularExpression('/Hyperlegible.* yes +yes +yes /', $font, 'in the file, what is used of it, as text');
        }
        $text = (string) preg_replace('/\s+/', ' ', self::read('pdftotext -layout %s -', $pdf));
        $words = WordFiles::shipped()->words($asked['language'] ?? 'en');
        $board = $this->api('GET', '/clients/'.$this->clientNamed($name)->id.'/board')->json();
        foreach ($board['week']['sessions'] as $session) {
            self::assertStringContainsString($session['total']['text'], $text);
        }
        // a line may end behind a hyphen
        $raw = str_replace('- ', '-', (string) preg_replace('/\s+/', ' ', self::read('pdftotext -raw %s -', $pdf)));
        $names = array_unique(array_column(array_merge(...array_map(
            static fn (array $session): array => array_merge(...array_column($session['blocks'], 'entries')),
            $board['week']['sessions'],
        )), 'name'));
        foreach ($names as $each) {
            self::assertStringContainsString($words->of($each), $raw);
        }
        self::assertSame(count($names), substr_count($raw, $words->say('watch').':'));
        self::assertStringContainsString($words->say('care.pain'), $raw);
        self::assertDoesNotMatchRegularExpression('/tempo|\d-\d-\d-\d/', $raw, 'no shorthand');
    }

    public function test_figures_are_vectors_and_large_print_is_large(): void
    {
        $this->signedIn();
        $pdf = $this->sheet('.pdf', 'pages=1&size=large');
        self::assertSame([], self::listed('pdfimages -list %s', $pdf), 'no picture of dots');
        self::assertGreaterThan(1, self::pages($pdf), 'large print takes the pages that it takes');
        $html = $this->sheet('.html', 'pages=2');
        self::assertStringContainsString('font-size: 10pt', $html);
        self::assertStringContainsString('font-size: 14pt', $this->sheet('.html', 'pages=2&size=large'));
        self::assertStringNotContainsString('<script', $html);
    }

    public function test_whom_to_call_stands_on_it_as_the_studio_says(): void
    {
        $this->signedIn();
        self::assertStringContainsString('at the number they gave you', $this->sheet('.html', 'pages=1'));
        $settings = [...$this->api('GET', '/me')->json('settings'), 'contact' => 'Sanna Keel, 555 0100'];
        $this->api('POST', '/studio', ['name' => 'Slipway Studio', 'settings' => $settings])->assertOk();
        self::assertStringContainsString('Call: Sanna Keel, 555 0100', $this->sheet('.html', 'pages=1'));
        foreach (['dmy' => '/Mon \d+ [A-Z][a-z]+</', 'mdy' => '/Mon [A-Z][a-z]+ \d+</'] as $format => $days) {
            $this->api('POST', '/studio', ['name' => 'Slipway Studio', 'settings' => ['date_format' => $format] + $settings]);
            self::assertMatchesRegularExpression($days, $this->sheet('.html', 'pages=1'), 'days as the studio writes them');
        }
    }

    public function test_what_cannot_be_is_told_and_other_studios_get_nothing(): void
    {
        $this->signedIn();
        $path = '/clients/'.$this->clientNamed('Maren Tidewell')->id.'/sheet';
        foreach (['language=xx', 'pages=3', 'paper=a3', 'size=tiny', 'week=0', 'week=40'] as $query) {
            $this->api('GET', $path.'?'.$query)->assertStatus(422)->assertJsonPath('errors.0.path', '/'.explode('=', $query)[0]);
            $this->api('GET', $path.'.pdf?'.$query)->assertStatus(422);
        }
        $studio = Studio::query()->create(['name' => 'Other']);
        Trainer::query()->create(['studio_id' => $studio->id, 'name' => 'Other', 'email' => 'other@other.example', 'password' => 'secret']);
        $maren = $this->clientNamed('Maren Tidewell')->id;
        $this->signedIn('other@other.example');
        foreach (['', '.html', '.pdf'] as $form) {
            $this->api('GET', $path.$form)->assertNotFound();
        }
        $this->api('POST', '/sheets', ['clients' => [$maren]])->assertStatus(422);
    }

    public function test_several_come_in_one_file_and_who_has_no_week_is_named(): void
    {
        $this->signedIn();
        $all = array_map(fn (string $name): string => $this->clientNamed($name)->id, ['Bea Thwart', 'Tove Rudder', 'Anker Stave']);
        $this->api('POST', '/sheets?language=xx', ['clients' => $all])->assertStatus(422)->assertJsonPath('errors.0.path', '/language');
        $made = $this->api('POST', '/sheets?pages=1', ['clients' => $all])->assertOk()->json();
        $pdf = (string) base64_decode($made['pdf'], true);
        self::assertSame(count($all), $made['sheets'] + count($made['without']));
        $told = 0;
        foreach ($all as $client) {
            $answer = $this->api('GET', "/clients/{$client}/sheet?pages=1");
            $told += $answer->status() === 200 ? $answer->json('pages') : 0;
        }
        self::assertSame($told, self::pages($pdf), 'as many pages as each has alone');
        self::assertStringContainsString('Bea Thwart', self::read('pdftotext %s -', $pdf));
    }

    public function test_the_stations_of_a_group_are_a_card_each_with_everybody_in_turn(): void
    {
        $this->signedIn();
        $group = $this->rotating('Bea Thwart', 'Maren Tidewell');
        $plan = $this->api('POST', '/group', $group)->assertOk()->json();
        foreach (['en', 'de'] as $language) {
            $made = $this->api('POST', '/group/cards?language='.$language, $group)->assertOk()->json('pdf');
            $pdf = (string) base64_decode($made, true);
            self::assertSame(count($plan['stations']), self::pages($pdf));
            $text = str_replace('- ', '-', (string) preg_replace('/\s+/', ' ', self::read('pdftotext -raw %s -', $pdf)));
            $words = WordFiles::shipped()->words($language);
            foreach ($plan['stations'] as $station) {
                foreach ($station['places'] as $place) {
                    self::assertStringContainsString($words->say('turn', $place['turn']).': '.$place['name'], $text);
                    self::assertStringContainsString($words->of((string) $place['exercise']), $text);
                }
            }
        }
    }
}
