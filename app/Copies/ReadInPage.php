<?php

declare(strict_types=1);

namespace App\Copies;

use App\Library\StudioTables;
use App\Models\Client;
use App\Models\OwnLadder;
use App\Models\OwnStyle;
use App\Models\Trainer;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Facades\DB;

/**
 * What a take-out of a client holds, found by reading it in and taking that back.
 */
final class ReadInPage
{
    private const COUNTED = ['programs', 'logged_sessions', 'logged_sets', 'screens', 'clearances', 'test_days', 'line_checks'];

    public function __construct(private readonly ReadIn $readIn, private readonly StudioTables $tables)
    {
    }

    /**
     * @return array<string, mixed>
     *
     * @throws UnusableInput as reading it in does
     */
    public function of(Trainer $by, string $text): array
    {
        DB::beginTransaction();
        try {
            $own = self::own($by->studio_id);
            $client = $this->readIn->client($by, $text);

            return [
                'name' => $client->name,
                'is_here' => Client::query()->ofStudio($by->studio_id)->where('name', $client->name)->count() > 1,
                'holds' => array_map(
                    static fn (string $table): array => [
                        'what' => str_replace('_', ' ', $table),
                        'count' => DB::table($table)->where('client_id', $client->id)->count(),
                    ],
                    self::COUNTED,
                ),
                'brings' => array_values(array_diff(self::own($by->studio_id), $own)),
            ];
        } finally {
            DB::rollBack();
            $this->tables->changed();
        }
    }

    /** @return list<string> names of the ladders and styles of a studio's own */
    private static function own(string $studio): array
    {
        $names = [];
        foreach (OwnLadder::query()->ofStudio($studio)->ordered('id')->get() as $each) {
            $names[] = is_string($each->document['name'] ?? null) ? $each->document['name'] : $each->ladder;
        }
        foreach (OwnStyle::query()->ofStudio($studio)->ordered('id')->get() as $each) {
            $names[] = is_string($each->document['name'] ?? null) ? $each->document['name'] : $each->style;
        }

        return $names;
    }
}
