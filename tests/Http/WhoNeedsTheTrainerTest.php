<?php

declare(strict_types=1);

namespace Tests\Http;

use Illuminate\Support\Carbon;

/**
 * The list of clients puts those first who need the trainer.
 */
final class WhoNeedsTheTrainerTest extends HttpTestCase
{
    use LogsOfAClient;

    public function test_the_list_puts_those_first_who_need_the_trainer(): void
    {
        $this->signedIn();
        $rows = fn (): array => $this->api('GET', '/clients')->assertOk()->json('clients');
        self::assertSame('Anker Stave', $rows()[0]['name'], 'who must see a clinician comes first');
        self::assertNotSame('Maren Tidewell', $rows()[1]['name']);

        $this->api('POST', $this->path('/logs'), $this->log('pain-key-2', 2, ['pain' => 4]))->assertOk();
        $maren = $rows()[1];
        self::assertSame('Maren Tidewell', $maren['name']);
        self::assertSame(['kind' => 'pain', 'on' => Carbon::today()->subDays(2)->toDateString(), 'count' => 4], $maren['needs'][0]);
        self::assertSame(['pain', 'decision'], array_column($maren['needs'], 'kind'));

        $this->api(
            'POST',
            $this->path('/verdicts'),
            ['version' => $maren['version'], 'ladder' => 'dead-bug', 'answer' => 'postponed'],
        )->assertOk();
        self::assertSame(['pain'], array_column($rows()[1]['needs'], 'kind'), 'an answered verdict waits no longer');
    }

    public function test_pain_that_was_said_before_a_session_brings_a_client_up_too(): void
    {
        $this->signedIn();
        $this->api('POST', $this->path('/logs'), $this->log('door-key-1', 1, ['done' => 0], ['pain_before' => 7]))->assertOk();
        $needs = array_column($this->api('GET', '/clients')->json('clients'), 'needs', 'name')['Maren Tidewell'];
        self::assertSame(['kind' => 'stop', 'on' => Carbon::today()->subDay()->toDateString(), 'count' => null], $needs[0]);
        self::assertContains(['kind' => 'pain', 'on' => Carbon::today()->subDay()->toDateString(), 'count' => 7], $needs);
        self::assertSame(['stop'], array_column($this->api('GET', $this->path('/logs'))->json('verdicts'), 'verdict'));
    }

    public function test_a_long_list_comes_in_looks_and_is_whole_in_the_end(): void
    {
        $this->signedIn();
        $document = $this->clientNamed('Maren Tidewell')->document;
        for ($i = 0; $i < 12; $i++) {
            $this->api('POST', '/clients', ['document' => [...$document, 'name' => 'Many '.$i]])->assertCreated();
        }
        $first = $this->api('GET', '/clients')->assertOk()->json();
        self::assertGreaterThan(0, $first['behind']);
        self::assertLessThan(18, count($first['clients']));
        for ($look = 0; $look < 4 && ($list = $this->api('GET', '/clients')->json())['behind'] > 0; $look++);
        self::assertSame([0, 18], [$list['behind'], count(array_unique(array_column($list['clients'], 'id')))]);

        $this->travel(1)->days();
        $next = $this->api('GET', '/clients')->json();
        self::assertCount(18, $next['clients'], 'on the next day nobody is missing meanwhile');
        self::assertGreaterThan(0, $next['behind']);
    }

    public function test_who_was_not_seen_for_weeks_is_said_and_after_eight_the_screen_is_due(): void
    {
        $this->signedIn();
        $needs = fn (): array => array_column($this->api('GET', '/clients')->json('clients'), 'needs', 'name')['Maren Tidewell'];
        $this->api('POST', $this->path('/logs'), $this->log('old-key-1', 13))->assertOk();
        self::assertNotContains('unseen', array_column($needs(), 'kind'));

        $this->travel(2)->days();
        self::assertContains('unseen', array_column($needs(), 'kind'));
        self::assertNotContains('screen', array_column($needs(), 'kind'));
        $this->travel(8)->weeks();
        self::assertContains('screen', array_column($needs(), 'kind'), 'eight weeks without training, before the twelve are over');
    }
}
