<?php

declare(strict_types=1);

namespace Tests\Http;

use EvenRungs\Cli\JobCommands;

/**
 * The command line with what was taken out of a studio says what the pages of that studio say.
 */
final class StudioFileTest extends HttpTestCase
{
    use OwnLadderOfTheStudio;

    private const CLIENT = [
        'format' => 'even-rungs/client', 'version' => 1, 'name' => 'Wren Fairlead', 'goal' => 'general', 'screen' => ['flags' => []],
        'ability' => ['AE' => 4, 'AF' => 4, 'AL' => 4, 'AR' => 4], 'days' => ['tue' => 30, 'fri' => 30],
        'equipment' => ['mat', 'band', 'kettlebell', 'wall'],
    ];

    private string $file = '';

    protected function tearDown(): void
    {
        $this->file === '' || unlink($this->file);
        parent::tearDown();
    }

    /** @return array{int, string, string} exit code, what is answered, and what is said beside it */
    private static function command(string $in, string ...$words): array
    {
        $streams = array_map(static fn () => fopen('php://memory', 'w+'), range(0, 2));
        fwrite($streams[0], $in);
        rewind($streams[0]);
        $code = (new JobCommands(...$streams))->run(array_values($words));
        rewind($streams[1]);
        rewind($streams[2]);

        return [$code, (string) stream_get_contents($streams[1]), (string) stream_get_contents($streams[2])];
    }

    public function test_own_ladders_styles_and_words_plan_and_read_as_on_the_pages(): void
    {
        $this->signedIn();
        $copy = self::ladder($this->api('GET', '/ladders/windmill/copy')->assertOk()->json());
        $ladder = $this->api('POST', '/ladders', ['ladder' => $copy])->assertOk()->json('id');
        $own = ['from' => 'even-keel', 'name' => 'Our house', 'change' => false, 'choices' => ['switch-on' => 'draw-in']];
        $this->api('POST', '/styles', $own)->assertOk();
        $this->api('POST', '/words', ['words' => 'Harbour crawl', 'rung' => 'plank-drag'])->assertOk();
        $client = $this->api('POST', '/clients', ['document' => self::CLIENT])->assertCreated()->json('id');
        $version = $this->api('GET', "/clients/{$client}/board")->json('version');
        $board = $this->api('POST', "/clients/{$client}/style", ['version' => $version, 'style' => 'own-our-house'])->assertOk()->json();
        $this->file = (string) tempnam(sys_get_temp_dir(), 'studio');
        file_put_contents($this->file, (string) $this->api('GET', '/take-out')->assertOk()->getContent());
        $studio = ['--studio', $this->file];

        $ids = array_column(json_decode(self::command('', 'library', ...$studio)[1], true)['ladders'], 'id');
        self::assertContains($ladder, $ids);
        $document = (string) json_encode(self::CLIENT);
        $asked = ['--style', 'own-our-house', '--on', date('Y-m-d'), ...$studio];
        [$code, $plan] = self::command($document, 'plan', ...$asked);
        self::assertSame(0, $code);
        self::assertSame(
            array_map(self::planned(...), $board['week']['sessions']),
            array_map(self::planned(...), json_decode($plan, true)['weeks'][0]['sessions']),
        );
        foreach ([$studio, []] as $i => $with) {
            [$code, $findings] = self::command('Harbour crawl 2 x 8 each side', 'audit', '--format', 'text', ...$with);
            self::assertSame([0, $i === 1], [$code, str_contains($findings, 'exercise.unknown')]);
        }

        self::assertSame(2, self::command($document, 'plan', '--style', 'own-our-house')[0], 'without the file there is no such style');
        file_put_contents($this->file, '{"format":"even-rungs/take-out","own":{"own_ladders":[{"ladder":"x","document":{"id":7}}]}}');
        [$code, , $said] = self::command('', 'library', ...$studio);
        self::assertSame(2, $code);
        self::assertStringContainsString('/own/own_ladders/0/document', $said);
        file_put_contents($this->file, 'no take-out');
        self::assertStringStartsWith('--studio', self::command('', 'library', ...$studio)[2]);
    }

    /**
     * @param  array<string, mixed>  $session  of a page or of a program
     * @return array{string, list<string>} its day and its exercises
     */
    private static function planned(array $session): array
    {
        $entries = array_merge(...array_column($session['blocks'], 'entries'));

        return [$session['day'], array_column($entries, 'exercise')];
    }
}
