<?php

declare(strict_types=1);

namespace App\Progress;

use App\Models\Client;
use App\Models\TestDay;
use App\Planning\BoardLoader;
use App\Support\ClientRows;
use App\Support\StudioDay;
use App\Today\Spacing;
use EvenRungs\Core\Client\NormGroup;
use EvenRungs\Core\Client\Tests;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Review\Testing\Cuff;
use EvenRungs\Core\Review\Testing\OfferedTests;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\NormsJson;
use EvenRungs\Storage\DataFolder;

/**
 * The test days of a client, and what may be tested.
 */
final class TestDaysPage
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Spacing $spacing,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Client $client): array
    {
        $days = ClientRows::of($client)->testDays()->reverse()->values();
        $document = $client->document;
        $known = is_array($document['tests'] ?? null) ? $document['tests'] : [];
        $before = isset($days[1]) ? $days[1]->tests : [];

        return [
            'protocol' => $this->data->testDay(),
            'barred' => $this->barred($client),
            'warning' => $this->spacing->ofTest($client, StudioDay::today()->toDateTimeImmutable()),
            'cuff' => ['target' => Cuff::TARGET_MMHG, 'reach' => Cuff::REACH_MMHG],
            'norms' => NormsJson::write(
                $this->data->norms(),
                $this->read($known),
                $this->read($before),
                NormGroup::from($document['norm_group'] ?? NormGroup::None->value),
                $document['born'] ?? null,
                isset($days[0]) ? (int) substr($days[0]->on, 0, 4) : null,
            ),
            'days' => $days->map(
                fn (TestDay $day): array => [
                    'on' => $day->on,
                    'tests' => (object) $day->tests,
                    'ended_by' => (object) $day->ended_by,
                    'feet' => (object) ($day->feet ?? []),
                    'ladders' => $this->climbed($day),
                    'leg_loading' => $day->leg_loading,
                ],
            )->all(),
        ];
    }

    /**
     * @return list<array{test: string, why: list<string>, stand_in: ?string}> the tests that the client's limits bar, and the ladder to
     *         climb instead
     */
    public function barred(Client $client): array
    {
        $board = $this->boards->load($client);
        $offered = new OfferedTests($board->client, $this->data->library(), $board->placements);
        $day = new Node($this->data->testDay());
        $one = static function (string $id, Node $test) use ($offered): ?array {
            $why = $offered->against($id, $test->ints('stresses'));

            return $why === [] ? null : [
                'test' => $id,
                'why' => $why,
                'stand_in' => $offered->standIn(Category::from($test->string('category')))?->ladder->name,
            ];
        };

        return array_values(array_filter([
            ...$day->each('tests', static fn (Node $test): ?array => $one($test->string('test'), $test)),
            $one(TestDays::STAGED, $day->child('staged')),
        ]));
    }

    /**
     * @return list<array{ladder: string, rungs: list<string>, ended_by: ?string}> the highest clean rung of each ladder climbed on a day,
     *         by name
     */
    private function climbed(TestDay $day): array
    {
        $library = $this->data->library();
        $climbed = [];
        foreach ($day->ladders ?? [] as $ladder => $result) {
            $rungs = is_array($result) ? $result['highest_clean'] ?? [] : [];
            $names = array_map(
                static fn (mixed $id): string => is_string($id) && $library->hasRung($id) ? $library->rung($id)->name : '–',
                array_values(array_unique((array) $rungs)),
            );
            $fault = is_array($result) && is_string($result['ended_by'] ?? null) ? $library->faults[$result['ended_by']] ?? null : null;
            $climbed[] = [
                'ladder' => $library->hasLadder($ladder) ? $library->ladder($ladder)->name : $ladder,
                'rungs' => $names,
                'ended_by' => $fault?->name,
            ];
        }

        return $climbed;
    }

    /** @param  array<string, mixed>  $tests */
    private function read(array $tests): Tests
    {
        return $this->data->storedClients()->readTests(new Node($tests));
    }
}
