<?php

declare(strict_types=1);

namespace Tests\Support;

use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * 200 runs of the job commands, always the same ones: made-up people planned, placed, audited, timed and judged.
 */
final class Corpus
{
    private const SEED = 20261128;

    private const COUNT = 200;

    /** @param  string  $root  folder of the checkout */
    public function __construct(private readonly string $root)
    {
    }

    /**
     * @param  callable(list<string>, string): string  $run  runs a command with what comes in, and gives what comes out
     * @param  callable(array<string, mixed>): string  $keep  keeps a document in a file, and gives its path
     */
    public function each(callable $run, callable $keep): void
    {
        $chance = new Randomizer(new Mt19937(self::SEED));
        $rungs = [];
        foreach (glob($this->root.'/data/ladders/*.json') ?: [] as $file) {
            $ladder = json_decode((string) file_get_contents($file), true);
            foreach ($ladder['rungs'] as $rung) {
                $rungs[] = [$ladder['id'], $rung['id'], $rung['measure'] ?? ''];
            }
        }
        $styles = array_map(static fn (string $file): string => basename($file, '.json'), glob($this->root.'/data/styles/*.json') ?: []);
        $one = static fn (array $of): mixed => $of[$chance->getInt(0, count($of) - 1)];
        $client = static function () use ($chance, $one): array {
            $limits = array_map(
                static fn (string $limit): array => ['limit' => $limit, 'severity' => $one(['mild', 'moderate', 'severe'])],
                $chance->getInt(0, 2) === 0 ? [] : array_values(
                    array_intersect_key(
                        Documents::SORE,
                        array_flip($chance->pickArrayKeys(range(0, 9), $chance->getInt(1, 2))),
                    ),
                ),
            );
            $days = [];
            foreach ($chance->pickArrayKeys(array_flip(['mon', 'tue', 'wed', 'thu', 'fri', 'sat']), $chance->getInt(2, 4)) as $day) {
                $days[$day] = $chance->getInt(8, 50);
            }

            return [
                'format' => 'even-rungs/client',
                'version' => 1,
                'name' => 'Corpus',
                'goal' => $one(['general', 'rehab', 'strength', 'endurance-sport', 'rotational-sport', 'youth', 'healthy-ageing']),
                'born' => $chance->getInt(1940, 2018),
                'as_of' => '2027-01-04',
                'limits' => $limits,
                'equipment' => $one(
                    [['mat'], ['mat', 'band', 'wall', 'bench'], ['mat', 'band', 'kettlebell', 'ball', 'wheel', 'bar', 'bench', 'wall']],
                ),
                'ability' => [
                    'AE' => $chance->getInt(1, 8),
                    'AF' => $chance->getInt(1, 8),
                    'AL' => $chance->getInt(1, 8),
                    'AR' => $chance->getInt(1, 8),
                ],
                'days' => $days,
                'screen' => ['cleared' => true, 'flags' => $chance->getInt(0, 20) === 0 ? ['night-pain'] : []],
                'tests' => [
                    'front-plank_s' => $chance->getInt(5, 150),
                    'side-plank-left_s' => $chance->getInt(5, 90),
                    'side-plank-right_s' => $chance->getInt(5, 90),
                ],
                'other_training' => $chance->getInt(0, 1) === 0 ? [] : [
                    ['day' => 'tue', 'type' => $one(['heavy-lift', 'endurance', 'rest'])],
                ],
            ];
        };
        $said = 0;
        $say = static function (array $arguments, array|string $input) use ($run, &$said): string {
            $said++;

            return $run($arguments, is_string($input) ? $input : (string) json_encode($input));
        };
        foreach ([
            ['library'],
            ['schema'],
            ['schema', 'client'],
            ['schema', 'session'],
            ['schema', 'nothing'],
            ['no-such-command'],
            ['plan', '--weeks', '99'],
        ] as $arguments) {
            $say($arguments, '{}');
        }
        for ($i = 0; $i < 38; $i++) {
            $person = $client();
            $style = $one($styles);
            $plan = $say(['plan', '--weeks', (string) $one([1, 2, 4, 6, 8]), '--style', $style], $person);
            $say(['place', '--style', $style], $person);
            $other = $client();
            $say(['audit', ...($i % 2 === 0 ? ['--client', $keep($other)] : ['--style', $one($styles)])], $plan);
            $program = json_decode($plan, true);
            $session = $program['weeks'][0]['sessions'][0] ?? ['kind' => 'standalone', 'day' => 'mon', 'blocks' => []];
            $say(
                $i % 2 === 0 ? ['time'] : ['time', '--timeline'],
                $i % 3 === 0 ? $plan : ['format' => 'even-rungs/session', 'version' => 1, ...$session],
            );
        }
        for ($i = 0; $i < 25; $i++) {
            [$ladder, $rung, $measure] = $one($rungs);
            $amount = $measure === 'reps' ? 'reps' : ($measure === 'distance' ? 'distance_m' : 'hold_s');
            $set = static fn (string $side): array => [
                'side' => $side,
                'target_'.$amount => $chance->getInt(5, 30),
                $amount => $chance->getInt(5, 30),
                'faults' => [],
                'pain' => $chance->getInt(0, 4),
                'effort' => $chance->getInt(2, 8),
                'breathing' => true,
            ];
            $say(
                ['verdict', '--style', $one($styles)],
                [
                    'format' => 'even-rungs/history',
                    'version' => 1,
                    'ladder' => $ladder,
                    'rung' => $rung,
                    'sessions' => array_map(
                        static fn (int $day): array => [
                            'date' => sprintf('2027-01-%02d', 4 + 3 * $day),
                            'soreness' => $chance->getInt(0, 4),
                            'pain_before' => 0,
                            'sets' => [$set('left'), $set('right')],
                        ],
                        range(0, $chance->getInt(0, 4)),
                    ),
                ],
            );
        }
        for ($i = 0; $said < self::COUNT; $i++) {
            [$ladder, $rung] = $one($rungs);
            $i % 2 === 0
                ? $say(
                    ['swap'],
                    [
                        'exercise' => $rung,
                        ...array_intersect_key($client(), array_flip(['limits', 'equipment', 'ability', 'born', 'as_of'])),
                    ],
                )
                : $say(
                    ['norms'],
                    [
                        'format' => 'even-rungs/tests',
                        'version' => 1,
                        'norm_group' => $one(['men', 'women', 'none']),
                        'tests' => ['front-plank_s' => $chance->getInt(5, 200), 'extensor_s' => $chance->getInt(10, 200)],
                    ],
                );
        }
    }
}
