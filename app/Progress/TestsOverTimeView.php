<?php

declare(strict_types=1);

namespace App\Progress;

use App\Models\Client;
use App\Models\TestDay;
use App\Support\ClientRows;
use DateTimeImmutable;
use EvenRungs\Core\Client\NormGroup;
use EvenRungs\Core\Review\Norms\Norm;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Formats\Node;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Collection;

/**
 * The timed holds of a client from test day to test day, beside published norms and the noise of the test.
 */
final class TestsOverTimeView
{
    public function __construct(private readonly DataFolder $data)
    {
    }

    /** @return list<array<string, mixed>> a test each that was done */
    public function of(Client $client, DateTimeImmutable $from): array
    {
        $days = ClientRows::of($client)->testDays()->where('on', '>=', $from->format('Y-m-d'))->values();
        $protocol = (new Node($this->data->testDay()))->each(
            'tests',
            static fn (Node $test): array => [$test->string('test'), $test->string('name')],
        );
        $tests = [];
        foreach ($protocol as [$test, $name]) {
            $points = $this->points($days, $test);
            if ($points !== []) {
                $tests[] = ['test' => $test, 'name' => $name, 'points' => $points, 'norms' => $this->norms($client, $test, $days)];
            }
        }

        return $tests;
    }

    /**
     * @param  Collection<int, TestDay>  $days  oldest first
     * @return list<array<string, mixed>>
     */
    private function points(Collection $days, string $test): array
    {
        $points = [];
        $before = null;
        foreach ($days as $day) {
            $value = $day->tests[$test.'_s'] ?? null;
            if ($value === null) {
                continue;
            }
            $now = Seconds::of($value);
            $change = $before === null ? null : $this->data->norms()->change($now, $before);
            $points[] = [
                'on' => $day->on,
                'value_s' => $value,
                'noise_s' => $this->data->norms()->noise($now),
                'change' => $change === null ? null : ['by_s' => $change->by, 'noise_s' => $change->noise, 'counts' => $change->counts()],
            ];
            $before = $now;
        }

        return $points;
    }

    /**
     * @param  Collection<int, TestDay>  $days
     * @return list<array<string, mixed>>
     */
    private function norms(Client $client, string $test, Collection $days): array
    {
        $tables = $this->data->norms();
        $document = $client->document;
        $adult = $tables->isAdult($document['born'] ?? null, (int) substr((string) $days->last()?->on, 0, 4));

        return array_map(static fn (Norm $norm): array => [
            'group' => $norm->group->value,
            'middle_s' => $norm->middle(),
            'sd_s' => $norm->sd,
            'source' => $norm->source,
            'year' => $norm->year,
        ], $tables->of($test, NormGroup::from($document['norm_group'] ?? NormGroup::None->value), $adult));
    }
}
