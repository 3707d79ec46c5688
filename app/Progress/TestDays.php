<?php

declare(strict_types=1);

namespace App\Progress;

use App\Clients\ChangeClient;
use App\Models\Client;
use App\Models\TestDay;
use App\Models\Trainer;
use App\Support\PastDay;
use App\Support\StudioDay;
use EvenRungs\Core\Review\Norms\NormTables;
use EvenRungs\Core\Review\Testing\Cuff;
use EvenRungs\Core\Review\Testing\StagedTest;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Facades\DB;

/**
 * The test days of a client: the newest beside published norms and the one before.
 */
final class TestDays
{
    /** The staged leg-loading test, beside the timed ones. */
    public const STAGED = 'leg-loading';

    public function __construct(
        private readonly DataFolder $data,
        private readonly ChangeClient $change,
        private readonly TestDaysPage $page,
    ) {
    }

    /**
     * Keeps a day, and places the client anew by it.
     *
     * @throws UnusableInput when nothing was measured
     */
    public function add(Client $client, Trainer $trainer, Node $body): void
    {
        $on = PastDay::of($body, 'on');
        $tests = $body->numbers('tests');
        $ladders = $body->opaque('ladders') ?? [];
        $legLoading = $this->legLoading($body->optionalChild('leg_loading'));
        if ($tests === [] && $ladders === [] && $legLoading === null) {
            throw UnusableInput::at('/tests', 'at least one test is needed');
        }
        // what was measured on an earlier day is written down as it was
        foreach ($on < StudioDay::today()->toDateString() ? [] : $this->page->barred($client) as $each) {
            $path = $each['test'] === self::STAGED ? ($legLoading === null ? null : '/leg_loading') : (
                isset($tests[$each['test'].'_s']) ? '/tests/'.$each['test'].'_s' : null
            );
            if ($path !== null) {
                throw UnusableInput::at(
                    $path,
                    sprintf(
                        'is barred by %s%s',
                        implode('; ', $each['why']),
                        $each['stand_in'] === null ? '' : sprintf('; climb %s instead', lcfirst($each['stand_in'])),
                    ),
                );
            }
        }
        $ended = $this->endedBy($body->child('ended_by'));
        $document = $client->document;
        $document['tests'] = [...($document['tests'] ?? []), ...$tests];
        if ($ladders !== []) {
            $clean = array_map(static fn (mixed $result): array => array_diff_key((array) $result, ['ended_by' => 0]), $ladders);
            $document['tests']['ladders'] = [...($document['tests']['ladders'] ?? []), ...$clean];
            $this->data->clients()->readTests(new Node(['ladders' => $clean]));
            foreach ($ladders as $ladder => $result) {
                if (is_array($result) && isset($result['ended_by']) && ! isset($this->data->library()->faults[$result['ended_by']])) {
                    throw UnusableInput::at("/ladders/{$ladder}/ended_by", 'is not a fault');
                }
            }
        }
        DB::transaction(function () use ($client, $trainer, $body, $on, $tests, $ended, $ladders, $legLoading, $document): void {
            TestDay::query()->create([
                'studio_id' => $client->studio_id,
                'client_id' => $client->id,
                'trainer_id' => $trainer->id,
                'on' => $on,
                'tests' => $tests,
                'ended_by' => $ended,
                'ladders' => $ladders === [] ? null : $ladders,
                'leg_loading' => $legLoading,
                'feet' => array_intersect_key($body->opaque('feet') ?? [], array_flip(NormTables::TESTS)) ?: null,
            ]);
            $this->change->to($client, $trainer, $body->int('version'), $document);
        });
    }

    /** @return array<string, string> fault by test */
    private function endedBy(Node $given): array
    {
        $ended = [];
        foreach ($given->keys() as $test) {
            $ended[$test] = $given->string($test);
            if (! in_array($test, NormTables::TESTS, true) || ! isset($this->data->library()->faults[$ended[$test]])) {
                throw UnusableInput::at('/ended_by/'.$test, 'is not a fault of a test');
            }
        }

        return $ended;
    }

    /**
     * The staged leg-loading test as it is kept. With the cuff the readings say what was held, else the trainer does; the two
     * are never mixed.
     *
     * @return array{method: string, score: int, levels: list<array<string, mixed>>}|null
     */
    private function legLoading(?Node $given): ?array
    {
        if ($given === null) {
            return null;
        }
        $cuff = $given->string('method') === 'cuff';
        $held = [];
        $levels = $given->each('levels', function (Node $level) use ($cuff, &$held): array {
            $trace = $level->opaque('trace');
            if ($cuff !== ($trace !== null)) {
                throw UnusableInput::at(
                    $level->path('trace'),
                    $cuff ? 'is needed: with the cuff the readings decide' : 'does not go with a test without the cuff',
                );
            }
            $readings = array_map(
                static fn (mixed $point): int|float => is_array($point) && is_numeric($point[1] ?? null) ? +$point[1] : 0,
                array_values($trace ?? []),
            );
            $held[$level->int('level')] = $cuff ? Cuff::wasHeld($readings) : $level->bool('held');

            return [
                'level' => $level->int('level'),
                'held' => $held[$level->int('level')],
                ...($cuff ? ['trace' => array_values($trace ?? [])] : []),
            ];
        });

        return ['method' => $given->string('method'), 'score' => StagedTest::score($held), 'levels' => $levels];
    }
}
