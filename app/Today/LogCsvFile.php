<?php

declare(strict_types=1);

namespace App\Today;

use App\Http\Progress;
use App\Models\Client;
use App\Models\LoggedSession as SessionRow;
use App\Models\LoggedSet as SetRow;
use App\Models\Trainer;
use EvenRungs\Formats\LogCsv;
use EvenRungs\Formats\LogCsvWriter;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Facades\DB;

/**
 * The whole log of a client as a table, out and in.
 */
final class LogCsvFile
{
    public function __construct(private readonly DataFolder $data, private readonly AddLog $adds, private readonly Progress $progress)
    {
    }

    public function write(Client $client): string
    {
        $library = $this->data->library();
        $documents = new LogDocument($library);
        $sets = SetRow::query()->ofClient($client)->ordered('id')->get()->groupBy('logged_session_id');
        $logs = SessionRow::query()->ofClient($client)->ordered('on')->ordered('id')->get()->map(
            static fn (SessionRow $row): Node => new Node($documents->write($row, $sets->get($row->id, []))),
        )->all();

        return LogCsvWriter::write(
            array_values($logs),
            static fn (string $rung): string => $library->hasRung($rung) ? $library->rung($rung)->unit()->value : '',
        );
    }

    /**
     * Keeps every log of a table that is not there yet, or none of them where one cannot be read. A log whose key is another
     * client's gets a key of its own, the same each time.
     *
     * @return array{added: int, known: int}
     *
     * @throws UnusableInput naming rows and columns
     */
    public function read(Client $client, Trainer $trainer, string $text): array
    {
        $library = $this->data->library();
        $found = [];
        $logs = LogCsv::read($text, static function (string $name) use ($library, &$found): ?string {
            return array_key_exists($name, $found) ? $found[$name] : $found[$name] = $library->find($name)?->id;
        });
        if ($logs === []) {
            throw UnusableInput::at('/csv', 'has no sets');
        }
        $keys = array_column($logs, 'key');
        $taken = SessionRow::query()->ofStudio($client->studio_id)->where(
            'client_id',
            '<>',
            $client->id,
        )->among('key', $keys)->pluck('key')->all();

        return DB::transaction(function () use ($client, $trainer, $logs, $taken): array {
            $added = 0;
            foreach ($logs as $i => $log) {
                $this->progress->came($i, count($logs));
                $key = in_array($log['key'], $taken, true) ? 'csv-'.substr(hash('sha256', $client->id.$log['key']), 0, 40) : $log['key'];
                $added += $this->adds->from($client, $trainer, new Node([...$log, 'key' => $key], ['csv', $log['on']])) ? 1 : 0;
            }

            return ['added' => $added, 'known' => count($logs) - $added];
        });
    }
}
