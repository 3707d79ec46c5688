<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Client;
use App\Models\TestDay;
use App\Models\Trainer;
use EvenRungs\Core\Body\NormGroup;
use EvenRungs\Core\Body\Tests;
use EvenRungs\Core\Norms\NormTables;
use EvenRungs\Formats\DataFolder;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\NormsJson;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Facades\DB;

/**
 * The test days of a client: the newest beside published norms and the one before.
 */
final class TestDays
{
    public function __construct(private readonly DataFolder $data, private readonly ClientCommands $commands)
    {
    }

    /** @return array<string, mixed> */
    public function of(Client $client): array
    {
        $days = TestDay::query()->ofClient($client)->ordered('on', 'desc')->ordered('id', 'desc')->get();
        $document = $client->document;
        $known = is_array($document['tests'] ?? null) ? $document['tests'] : [];
        $before = isset($days[1]) ? $days[1]->tests : [];

        return [
            'protocol' => $this->data->testDay(),
            'norms' => NormsJson::write(
                $this->data->norms(),
                $this->read($known),
                $this->read($before),
                NormGroup::from($document['norm_group'] ?? NormGroup::None->value),
                $document['born'] ?? null,
                isset($days[0]) ? (int) substr($days[0]->on, 0, 4) : null,
            ),
            'days' => $days->map(static fn (TestDay $day): array => ['on' => $day->on, 'tests' => (object) $day->tests, 'ended_by' => (object) $day->ended_by])->all(),
        ];
    }

    /** @param  array<string, mixed>  $tests */
    private function read(array $tests): Tests
    {
        return $this->data->storedClients()->readTests(new Node($tests));
    }

    /**
     * Keeps a day, and places the client anew by it.
     *
     * @throws UnusableInput when no hold was measured
     */
    public function add(Client $client, Trainer $trainer, Node $body): void
    {
        $tests = $body->numbers('tests');
        $ended = [];
        foreach ($body->child('ended_by')->keys() as $test) {
            $ended[$test] = $body->child('ended_by')->string($test);
        }
        [$year, $month, $day] = array_map(intval(...), explode('-', $body->string('on')));
        if (! checkdate($month, $day, $year)) {
            throw UnusableInput::at('/on', 'is not a day of the calendar');
        }
        if ($tests === []) {
            throw UnusableInput::at('/tests', 'at least one hold is needed');
        }
        foreach ($ended as $test => $fault) {
            if (! in_array($test, NormTables::TESTS, true) || ! isset($this->data->library()->faults[$fault])) {
                throw UnusableInput::at('/ended_by/'.$test, 'is not a fault of a test');
            }
        }
        DB::transaction(function () use ($client, $trainer, $body, $tests, $ended): void {
            TestDay::query()->create(['studio_id' => $client->studio_id, 'client_id' => $client->id, 'trainer_id' => $trainer->id, 'on' => $body->string('on'), 'tests' => $tests, 'ended_by' => $ended]);
            $document = $client->document;
            $document['tests'] = [...($document['tests'] ?? []), ...$tests];
            $this->commands->update($client, $body->int('version'), $document);
        });
    }
}
