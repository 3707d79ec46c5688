<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Client;
use App\Models\Studio;
use App\Models\Trainer;
use EvenRungs\Formats\Fhir\FhirReader;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\Node;
use Tests\Support\ReadByNode;

/**
 * What a clinician is told of a client.
 */
final class ReferralTest extends HttpTestCase
{
    public function test_every_client_fits_two_pages_with_limits_tests_and_what_is_planned(): void
    {
        $this->signedIn();
        foreach (Client::query()->get() as $client) {
            $file = (string) tempnam(sys_get_temp_dir(), 'summary');
            file_put_contents($file, $this->api('GET', "/clients/{$client->id}/summary.pdf")->assertOk()->getContent());
            $told = (string) preg_replace('/\s+/', ' ', (string) shell_exec('pdftotext -layout '.escapeshellarg($file).' -'));
            preg_match('/^Pages:\s+(\d+)$/m', (string) shell_exec('pdfinfo '.escapeshellarg($file)), $pages);
            unlink($file);
            self::assertContains((int) $pages[1], [1, 2], $client->name);
            $board = $this->api('GET', "/clients/{$client->id}/board")->json();
            foreach ($board['client']['limits'] as $limit) {
                self::assertStringContainsString($limit['name'], $told);
            }
            foreach ($board['refer'] as $each) {
                self::assertStringContainsString(substr($each['text'], 0, 40), $told, 'what is open is asked');
            }
            self::assertSame($board['week'] === null, str_contains($told, 'No week is planned.'));
        }
    }

    public function test_the_bundle_of_every_client_is_valid_and_says_what_the_document_says(): void
    {
        $this->signedIn();
        $bundles = [];
        foreach (Client::query()->get() as $client) {
            $text = (string) $this->api('GET', "/clients/{$client->id}/fhir.json")->assertOk()->getContent();
            $bundles[] = json_decode($text, true);
            $read = FhirReader::read(new Node(Json::toArray(Json::decode($text))));
            $tests = $client->document['tests'] ?? [];
            self::assertEquals(array_diff_key($tests, ['ladders' => 1]), $read->seconds, $client->name);
            self::assertEquals(array_map(static fn (array $each) => $each['highest_clean'], $tests['ladders'] ?? []), $read->clean);
            self::assertSame($client->aims ?? [], $read->aims);
            self::assertCount(count($client->document['limits'] ?? []), $read->limits);
            self::assertStringNotContainsString('email', $text);
        }
        $bea = $this->clientNamed('Bea Thwart')->id;
        $plans = array_merge(...array_map(static fn (array $bundle): array => array_column($bundle['entry'], 'resource'), $bundles));
        $plan = array_column($plans, null, 'id')[$bea.'-program'];
        foreach ($this->api('GET', "/clients/{$bea}/board")->json('week.sessions') as $s => $session) {
            $told = $plan['activity'][$s]['detail'];
            self::assertSame($session['date'], $told['scheduledPeriod']['start']);
            self::assertStringContainsString($session['total']['text'].' min', $told['description'], 'the minutes of the page');
            foreach (array_merge(...array_column($session['blocks'], 'entries')) as $entry) {
                self::assertStringContainsString($entry['name'].': '.$entry['words'], $told['description']);
            }
        }
        self::assertSame(array_fill(0, count($bundles), []), ReadByNode::with('validate-fhir.mjs', (string) json_encode($bundles)));
        $maren = $this->clientNamed('Maren Tidewell')->id;
        $studio = Studio::query()->create(['name' => 'Other']);
        Trainer::query()->create(['studio_id' => $studio->id, 'name' => 'Other', 'email' => 'other@other.example', 'password' => 'secret']);
        $this->signedIn('other@other.example');
        foreach (['summary.html', 'summary.pdf', 'fhir.json'] as $what) {
            $this->api('GET', "/clients/{$maren}/{$what}")->assertNotFound();
        }
    }
}
