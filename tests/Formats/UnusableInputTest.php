<?php

declare(strict_types=1);

namespace Tests\Formats;

use EvenRungs\Formats\Json;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * Unusable input exits with 2 and names every problem.
 */
final class UnusableInputTest extends TestCase
{
    use RunsJobCommands;

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
            'a line with several wrong' => [
                ['line'],
                self::json([
                    'format' => 'even-rungs/line', 'version' => 1, 'rung' => 'dead bug',
                    'points' => ['shoulder' => [0, 0], 'hip' => [1, 1]],
                    'level' => [[3, 3], [3, 3]],
                ]),
                [
                    '/rung: is dead bug, opposite arm and leg, which has no line that is judged from the side; there are wall-plank',
                    '/points: needs at least shoulder, hip and one of knee and ankle',
                    '/level: has both points on one spot',
                ],
            ],
            'a line of an exercise that is not there' => [
                ['line'],
                self::json(['format' => 'even-rungs/line', 'version' => 1, 'rung' => 'forearm plonk', 'level' => [[3, 3], [4, 3]]]),
                ['/rung: "forearm plonk" is not in the library; is "Forearm plank" meant?'],
            ],
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
            'why not something near' => [
                ['why-not'],
                self::json(['client' => self::CLIENT, 'exercise' => 'side plunk']),
                ['/exercise: "side plunk" is not in the library; is "Side plank, feet split" meant?'],
            ],
            'fit of half a request' => [['fit'], self::json(['client' => self::CLIENT]), ['/program: is required']],
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
}
