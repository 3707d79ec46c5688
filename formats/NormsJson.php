<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Client\NormGroup;
use EvenRungs\Core\Client\Tests;
use EvenRungs\Core\Review\Norms\Norm;
use EvenRungs\Core\Review\Norms\NormTables;
use EvenRungs\Core\Review\Norms\Ratio;
use EvenRungs\Core\Review\Norms\RatioRule;

/**
 * Norm tables, and what test results say beside them.
 */
final class NormsJson
{
    public static function readTables(Node $node): NormTables
    {
        return new NormTables(
            $node->int('year'),
            $node->child('noise')->int('percent'),
            $node->child('noise')->int('seconds'),
            $node->each('norms', static fn (Node $each): Norm => new Norm(
                $each->string('test'),
                NormGroup::from($each->string('group')),
                $each->optionalNumber('mean_s'),
                $each->optionalNumber('sd_s'),
                $each->has('percentiles') ? self::byPercentile($each->numbers('percentiles')) : [],
                $each->string('source'),
                $each->int('year'),
            )),
            $node->each('ratios', static fn (Node $each): RatioRule => new RatioRule(
                match ($each->string('id')) {
                    'side-left-right' => 'side-left-right',
                    'flexor-extensor' => 'flexor-extensor',
                    default => 'side-extensor',
                },
                $each->number('limit'),
                $each->string('flagged'),
                $each->string('fine'),
                $each->string('source'),
            )),
        );
    }

    /**
     * @param  array<string, int|float>  $numbers
     * @return array<int, int|float>
     */
    private static function byPercentile(array $numbers): array
    {
        $byPercentile = [];
        foreach ($numbers as $percentile => $value) {
            $byPercentile[(int) $percentile] = $value;
        }
        ksort($byPercentile);

        return $byPercentile;
    }

    /**
     * @param  Tests  $previous  the time before; empty where there was none
     * @param  ?int  $year  of the tests; null where no date was given
     * @return array<string, mixed>
     */
    public static function write(NormTables $tables, Tests $tests, Tests $previous, NormGroup $group, ?int $born, ?int $year): array
    {
        $adult = $tables->isAdult($born, $year);
        $results = [];
        $missing = [];
        foreach (NormTables::TESTS as $test) {
            $value = $tests->holds[$test] ?? null;
            if ($value === null) {
                $missing[] = $test;

                continue;
            }
            $norms = $tables->of($test, $group, $adult);
            $own = $group === NormGroup::None ? null : $norms[0] ?? null;
            $before = $previous->holds[$test] ?? null;
            $change = $before === null ? null : $tables->change($value, $before);
            $results[] = [
                'test' => $test,
                'value_s' => $value->toNumber(),
                'norms' => array_map(self::writeNorm(...), $norms),
                'z' => $own?->z($value->toNumber()),
                ...($own?->band($value->toNumber()) === null ? [] : ['band' => $own->band($value->toNumber())]),
                ...(
                    $change === null ? [] : [
                        'change' => [
                            'before_s' => $change->before,
                            'by_s' => $change->by,
                            'noise_s' => $change->noise,
                            'counts' => $change->counts(),
                        ],
                    ]
                ),
            ];
        }
        $asymmetry = $tables->asymmetry($tests);

        return [
            'results' => $results,
            'ratios' => array_map(static fn (Ratio $ratio): array => [
                'id' => $ratio->rule->id,
                'value' => $ratio->value,
                'limit' => $ratio->rule->limit,
                'flag' => $ratio->flag,
                'meaning' => $ratio->meaning,
                'source' => $ratio->rule->source,
            ], $tables->ratios($tests)),
            'asymmetry' => $asymmetry === null ? [] : [
                ['test' => 'side-plank', 'index_percent' => $asymmetry['percent'], 'worse' => $asymmetry['worse']],
            ],
            'missing' => $missing,
        ];
    }

    /** @return array<string, mixed> */
    private static function writeNorm(Norm $norm): array
    {
        return [
            'group' => $norm->group->value,
            'mean_s' => $norm->mean,
            'sd_s' => $norm->sd,
            ...($norm->percentiles === [] ? [] : ['percentiles_s' => (object) $norm->percentiles]),
            'source' => $norm->source,
            'year' => $norm->year,
            'from_memory' => true,
        ];
    }
}
