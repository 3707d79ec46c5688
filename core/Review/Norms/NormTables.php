<?php

declare(strict_types=1);

namespace EvenRungs\Core\Review\Norms;

use EvenRungs\Core\Client\NormGroup;
use EvenRungs\Core\Client\Tests;
use EvenRungs\Core\Time\Seconds;

/**
 * Published norms and rules of thumb, and what a client's timed tests say beside them.
 *
 * Limits are compared in whole milliseconds, so that exactly 95 of 100 is inside.
 */
final class NormTables
{
    /** Nobody under this age is measured against grown-ups. */
    public const ADULT = 18;

    public const TESTS = ['front-plank', 'side-plank-left', 'side-plank-right', 'extensor', 'flexor'];

    /**
     * @param  int  $year  of the tables; the age is worked out against it where no date of the tests is given
     * @param  int  $noisePercent  of the value before
     * @param  int  $noiseSeconds  the larger of the two is the noise of a test (house rule)
     * @param  list<Norm>  $norms
     * @param  list<RatioRule>  $rules
     */
    public function __construct(
        public readonly int $year,
        private readonly int $noisePercent,
        private readonly int $noiseSeconds,
        private readonly array $norms,
        private readonly array $rules,
    ) {
    }

    /**
     * The norms that a test may be compared with: those of the group, those of both where none is chosen, none for children.
     *
     * @return list<Norm>
     */
    public function of(string $test, NormGroup $group, bool $adult): array
    {
        return array_values(
            array_filter(
                $this->norms,
                static fn (Norm $norm): bool => $adult && $norm->test === $test && ($group === NormGroup::None || $norm->group === $group),
            ),
        );
    }

    public function isAdult(?int $born, ?int $year): bool
    {
        return $born === null || ($year ?? $this->year) - $born >= self::ADULT;
    }

    public function change(Seconds $now, Seconds $before): Change
    {
        return new Change($before->toNumber(), ($now->ms - $before->ms) / 1000, $this->noise($before));
    }

    /** Seconds by which the same test may come out otherwise when nothing has changed. */
    public function noise(Seconds $value): int|float
    {
        return max($this->noiseSeconds, $value->ms * $this->noisePercent / 100_000);
    }

    /** @return list<Ratio> */
    public function ratios(Tests $tests): array
    {
        return array_map(fn (RatioRule $rule): Ratio => $this->ratio($rule, $tests), $this->rules);
    }

    private function ratio(RatioRule $rule, Tests $tests): Ratio
    {
        $ms = static fn (string $test): int => ($tests->holds[$test] ?? null)->ms ?? 0;
        [$left, $right, $extensor, $flexor] = [$ms('side-plank-left'), $ms('side-plank-right'), $ms('extensor'), $ms('flexor')];
        $needed = match ($rule->id) {
            'side-left-right' => ['side-plank-left', 'side-plank-right'],
            'flexor-extensor' => ['flexor', 'extensor'],
            'side-extensor' => ['extensor'],
        };
        $absent = array_values(array_filter($needed, static fn (string $test): bool => $ms($test) === 0));
        if ($rule->id === 'side-extensor' && max($left, $right) === 0) {
            $absent[] = 'side-plank';
        }
        if ($absent !== []) {
            return new Ratio($rule, null, false, sprintf('Not computable: %s missing or zero.', implode(' and ', $absent)));
        }
        [$part, $whole, $flag] = match ($rule->id) {
            'side-left-right' => [min($left, $right), max($left, $right), 20 * abs($left - $right) > max($left, $right)],
            'flexor-extensor' => [$flexor, $extensor, $flexor > $extensor],
            'side-extensor' => [max($left, $right), $extensor, 4 * max($left, $right) > 3 * $extensor],
        };

        return new Ratio($rule, round($part / $whole, 3), $flag, $flag ? $rule->flagged : $rule->fine);
    }

    /**
     * Weaker over stronger side, in per cent; null where a side is missing or zero.
     *
     * @return array{percent: float, worse: 'left'|'right'|null}|null
     */
    public function asymmetry(Tests $tests): ?array
    {
        [$left, $right] = [$tests->holds['side-plank-left'] ?? null, $tests->holds['side-plank-right'] ?? null];
        if ($left === null || $right === null || $left->ms === 0 || $right->ms === 0) {
            return null;
        }

        return [
            'percent' => round(100 * min($left->ms, $right->ms) / max($left->ms, $right->ms), 1),
            'worse' => $left->ms === $right->ms ? null : ($left->ms < $right->ms ? 'left' : 'right'),
        ];
    }
}
