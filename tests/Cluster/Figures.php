<?php

declare(strict_types=1);

namespace Tests\Cluster;

/**
 * What the floors met, as it stands in docs/scale.md.
 */
final class Figures
{
    /**
     * @param  list<array{what: string, node: string, from: float, to: float}>  $moments
     * @param  list<array{at: float, s: float, tries: int, is: string}>  $asked
     */
    public function __construct(private readonly array $moments, private readonly array $asked)
    {
    }

    public function print(string $title): void
    {
        echo $title, "\n";
        printf("%-36s %9s %9s %9s %9s %9s %9s\n", 'while', 'requests', 'again', 'p50 ms', 'p95 ms', 'p99 ms', 'longest s');
        $rows = ['nothing was wrong' => $this->during(null)];
        foreach (array_unique(array_column($this->moments, 'what')) as $what) {
            $rows[$what] = $this->during($what);
        }
        $rows['all'] = $this->asked;
        foreach ($rows as $name => $asked) {
            $s = array_column($asked, 's');
            sort($s);
            $at = static fn (float $share): float => 1000 * ($s[(int) floor($share * (count($s) - 1))] ?? 0);
            $again = count(array_filter($asked, static fn (array $each): bool => $each['tries'] > 1));
            printf("%-36s %9d %9d %9.0f %9.0f %9.0f %9.2f\n", $name, count($s), $again, $at(0.5), $at(0.95), $at(0.99), $at(1) / 1000);
        }
        $sets = count(array_filter($this->asked, static fn (array $each): bool => $each['is'] === 'set'));
        printf("%d sets were taken; back among the others, longest: %.1f s\n", $sets, max(array_map(
            static fn (array $each): float => $each['to'] - $each['from'],
            $this->moments,
        )));
    }

    /** @return list<array{at: float, s: float, tries: int, is: string}> what was asked while that was wrong; null for nothing */
    private function during(?string $what): array
    {
        return array_values(array_filter($this->asked, function (array $each) use ($what): bool {
            foreach ($this->moments as $moment) {
                if ($moment['from'] < $each['at'] + $each['s'] && $each['at'] < $moment['to']) {
                    return $moment['what'] === $what;
                }
            }

            return $what === null;
        }));
    }
}
