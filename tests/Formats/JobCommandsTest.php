<?php

declare(strict_types=1);

namespace Tests\Formats;

use EvenRungs\Cli\JobCommands;
use EvenRungs\Formats\Json;
use EvenRungs\Storage\Schemas;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

final class JobCommandsTest extends TestCase
{
    private const CLIENT = [
        'format' => 'even-rungs/client', 'version' => 1, 'name' => 'Someone', 'ability' => ['AE' => 4, 'AR' => 3],
        'limits' => ['shoulder', ['limit' => 'kneeling', 'severity' => 'mild']], 'equipment' => ['mat', 'band', 'wall'],
        'days' => ['mon' => 20, 'wed' => 20, 'fri' => 15], 'other_training' => [['day' => 'tue', 'type' => 'heavy-lift']],
        'screen' => ['cleared' => true, 'flags' => []],
        'tests' => ['side-plank-left_s' => 25, 'side-plank-right_s' => 31, 'ladders' => ['dead-bug' => ['highest_clean' => 'both-arms']]],
    ];

    private const SESSION = ['format' => 'even-rungs/session', 'version' => 1, 'day' => 'mon', 'kind' => 'standalone'];

    /**
     * @param  list<string>  $words
     * @return array{int, string, string} exit code, output, diagnostics
     */
    private static function answer(array $words, string $input): array
    {
        $streams = array_map(static fn () => fopen('php://memory', 'w+') ?: throw new \RuntimeException, [0, 1, 2]);
        fwrite($streams[0], $input);
        rewind($streams[0]);
        $code = (new JobCommands(...$streams))->run($words);
        rewind($streams[1]);
        rewind($streams[2]);

        return [$code, (string) stream_get_contents($streams[1]), (string) stream_get_contents($streams[2])];
    }

    /** @param  array<string, mixed>  $document */
    private static function json(array $document): string
    {
        return (string) json_encode($document);
    }

    public function test_each_answer_fits_its_own_schema(): void
    {
        $client = self::json(self::CLIENT);
        [$code, $plan] = self::answer(['plan', '--weeks', '2'], $client);
        self::assertSame([0, []], [$code, Schemas::check('program', Json::decode($plan))]);

        [$code, $time] = self::answer(['time', '--timeline'], $plan);
        self::assertSame([0, []], [$code, Schemas::check('time', Json::decode($time))]);

        [$code, $placement] = self::answer(['place'], $client);
        self::assertSame([0, []], [$code, Schemas::check('placement', Json::decode($placement))]);

        [$code, $swaps] = self::answer(
            ['swap'],
            self::json(['exercise' => 'Side planks', 'limits' => ['shoulder'], 'equipment' => ['wall'], 'ability' => ['AL' => 3]]),
        );
        self::assertSame([0, []], [$code, Schemas::check('swap', Json::decode($swaps))]);
        self::assertSame('side-plank-split', Json::decode($swaps)->for);

        [$code, $library] = self::answer(['library'], '');
        self::assertSame([0, []], [$code, Schemas::check('library', Json::decode($library))]);
        foreach (Schemas::names() as $name) {
            self::assertSame(0, self::answer(['schema', $name], '')[0]);
        }
    }

    public function test_a_program_read_and_timed_again_is_the_same(): void
    {
        [, $plan] = self::answer(['plan'], self::json(self::CLIENT));
        $sessions = Json::decode($plan)->weeks[0]->sessions;
        $total = array_sum(array_map(static fn (object $session): int|float => $session->claimed_s, $sessions));

        self::assertSame($total, Json::decode(self::answer(['time'], $plan)[1])->total_s);
        self::assertSame($plan, self::answer(['plan'], self::json(self::CLIENT))[1]);
    }

    public function test_a_flag_or_an_uncleared_medical_limit_stops_planning_with_exit_3_and_no_weeks(): void
    {
        foreach ([
            [['screen' => ['cleared' => true, 'flags' => ['fever', 'chest-pain']]], 'flag', 'chest-pain', 'emergency'],
            [['screen' => ['flags' => []], 'limits' => ['pregnancy']], 'limit', 'pregnancy', 'before-load'],
        ] as [$change, $kind, $id, $urgency]) {
            [$code, $out] = self::answer(['plan'], self::json([...self::CLIENT, ...$change]));
            $answer = Json::decode($out);

            self::assertSame(3, $code);
            self::assertSame([], Schemas::check('referral', $answer));
            self::assertSame([$id, $urgency], [$answer->refer[0]->{$kind}, $answer->refer[0]->urgency]);
        }
    }

    public function test_a_severity_of_a_medical_limit_is_said_to_be_not_applied(): void
    {
        $placed = static fn (string $severity): array => self::answer(
            ['place'],
            self::json([...self::CLIENT, 'limits' => [['limit' => 'osteoporosis', 'severity' => $severity]]]),
        );

        self::assertStringContainsString('severity "mild" of osteoporosis is not applied', $placed('mild')[2]);
        self::assertSame($placed('moderate')[1], $placed('mild')[1]);
        self::assertSame($placed('moderate')[1], $placed('severe')[1]);
    }

    public function test_unasked_is_not_no(): void
    {
        [$code, , $err] = self::answer(['plan'], self::json([...self::CLIENT, 'screen' => ['cleared' => true]]));

        self::assertSame(2, $code);
        self::assertStringContainsString('/screen/flags: is required to plan', $err);
    }

    /** @return array<string, array{list<string>, string, list<string>}> command, input, what is said */
    public static function unusable(): array
    {
        $entry = static fn (array $entry): string => self::json(
            [...self::SESSION, 'blocks' => [['type' => 'straight', 'entries' => [['exercise' => 'Plank', ...$entry]]]]],
        );
        $at = '/blocks/0/entries/0';

        return [
            'tempo' => [['time'], $entry(['reps' => 8, 'tempo' => '3-1-x']), [$at.'/tempo: "3-1-x" is not four parts']],
            'negative seconds' => [['time'], $entry(['hold_s' => -5]), [$at.'/hold_s: must be 1 or more, not -5']],
            'two measures' => [['time'], $entry(['reps' => 8, 'work_s' => 30]), [$at.': has exactly one measure']],
            'no measure' => [['time'], $entry([]), [$at.': has exactly one measure']],
            'alternate hold' => [
                ['time'],
                $entry(['hold_s' => 20, 'side' => 'alternate']),
                [$at.': has side alternate, which goes only with reps'],
            ],
            'pace without distance' => [['time'], $entry(['hold_s' => 20, 'pace_m_s' => 1]), [$at.': has pace_m_s']],
            'several at once' => [
                ['time'],
                $entry(['reps' => 0, 'tempo' => '1', 'rest_s' => 'x', 'set' => 3]),
                [
                    '/reps: must be 1 or more',
                    '/tempo: "1"',
                    '/rest_s: must be a number',
                    '/set: is not a field of this document; is "sets" meant?',
                ],
            ],
            'sets in a circuit' => [
                ['time'],
                self::json(
                    [
                        ...self::SESSION,
                        'blocks' => [['type' => 'circuit', 'rounds' => 2, 'entries' => [['exercise' => 'A', 'sets' => 2, 'reps' => 3]]]],
                    ],
                ),
                ['/sets: must be 1: a circuit counts rounds'],
            ],
            'over a day' => [['time'], $entry(['sets' => 50, 'hold_s' => 3600]), ['longer than a day']],
            'no time at all' => [['time'], $entry(['reps' => 5, 'tempo' => '0-0-0-0']), ['a repetition of no time']],
            'broken JSON' => [['time'], '{"format":', ['not JSON']],
            'empty' => [['time'], " \n", ['the input is empty']],
            'a list' => [['place'], '[]', ['must be one JSON object']],
            'deep' => [['place'], str_repeat('{"a":', 500).'1'.str_repeat('}', 500), ['not JSON']],
            'huge number' => [['time'], str_replace('12345', '1e999', $entry(['hold_s' => 12345])), ['/hold_s: must be 3600 or less']],
            'not UTF-8' => [['place'], "{\"name\":\"\xff\"}", ['not JSON']],
            'too large' => [['place'], '{"name":"'.str_repeat('a', Json::LARGEST).'"}', ['at most 16 MB']],
            'other document' => [['time'], self::json(self::CLIENT), ['/format: must be "even-rungs/session" or "even-rungs/program"']],
            'unknown ladder and rung' => [
                ['place'],
                self::json(
                    [
                        ...self::CLIENT,
                        'tests' => ['ladders' => ['stairs' => ['highest_clean' => 'x'], 'dead-bug' => ['highest_clean' => 'y']]],
                    ],
                ),
                ['/tests/ladders/stairs: is not a ladder', '/tests/ladders/dead-bug/highest_clean: "y" is not a rung'],
            ],
            'limit twice' => [
                ['place'],
                self::json([...self::CLIENT, 'limits' => ['neck', ['limit' => 'neck']]]),
                ['/limits/1: "neck" stands twice'],
            ],
            'unknown words' => [
                ['plan'],
                self::json([...self::CLIENT, 'goal' => 'win', 'limits' => ['nose'], 'days' => ['monday' => 5]]),
                ['/goal: must be one of', '/limits/0: must be one of', '/days/monday: is not a field'],
            ],
            'a session of a program over a day' => [
                ['time'],
                self::json(
                    [
                        'format' => 'even-rungs/program',
                        'version' => 1,
                        'weeks' => [
                            [
                                'week' => 1,
                                'sessions' => [
                                    [...self::SESSION, 'blocks' => []],
                                    [
                                        ...self::SESSION,
                                        'blocks' => [
                                            ['type' => 'straight', 'entries' => [['exercise' => 'A', 'sets' => 50, 'hold_s' => 3600]]],
                                        ],
                                    ],
                                ],
                            ],
                        ],
                    ],
                ),
                ['/weeks/0/sessions/1: the session is longer than a day'],
            ],
            'swap of something near' => [
                ['swap'],
                self::json(['exercise' => 'side plunk']),
                ['/exercise: "side plunk" is not in the library; is "Side plank, feet split" meant?'],
            ],
            'swap of something else' => [
                ['swap'],
                self::json(['exercise' => 'juggling', 'limits' => ['nose']]),
                ['/limits/0: must be one of'],
            ],
            'weeks' => [['plan', '--weeks', '13'], self::json(self::CLIENT), ['--weeks: must be a whole number from 1 to 12']],
            'style' => [['plan', '--style', 'none'], self::json(self::CLIENT), ['there is no house style "none"']],
            'option' => [['library', '--fast'], '', ['--fast: is not an option']],
            'command' => [['dance'], '', ['dance: is not a command']],
            'schema' => [['schema', '../session'], '', ['is not a schema']],
            'file' => [['time', '/no/such/file'], '', ['is not a file that can be read']],
        ];
    }

    /**
     * @param  list<string>  $words
     * @param  list<string>  $said
     */
    #[DataProvider('unusable')]
    public function test_unusable_input_exits_2_and_names_every_problem(array $words, string $input, array $said): void
    {
        [$code, $out, $err] = self::answer($words, $input);

        self::assertSame([2, ''], [$code, $out]);
        foreach ($said as $part) {
            self::assertStringContainsString($part, $err);
        }
        self::assertStringNotContainsString('#0', $err);
    }

    public function test_the_executable_answers_without_database_and_framework(): void
    {
        $process = proc_open(
            [dirname(__DIR__, 2).'/even-rungs', 'time'],
            [['pipe', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
            '/',
            ['PATH' => (string) getenv('PATH')],
        );
        self::assertIsResource($process);
        fwrite(
            $pipes[0],
            self::json(
                [...self::SESSION, 'blocks' => [['type' => 'straight', 'entries' => [['exercise' => 'Wheelbarrow walk', 'work_s' => 60]]]]],
            ),
        );
        fclose($pipes[0]);
        $answer = Json::decode((string) stream_get_contents($pipes[1]));

        self::assertSame(0, proc_close($process));
        self::assertSame([60, ['Wheelbarrow walk'], 60], [$answer->total_s, $answer->unknown, $answer->tension_s->none]);
    }
}
