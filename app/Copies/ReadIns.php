<?php

declare(strict_types=1);

namespace App\Copies;

use App\Clients\ChangeClient;
use App\Clients\Erasure;
use App\Library\OwnLadders;
use App\Library\OwnStyles;
use App\Library\StudioTables;
use App\Models\Client;
use App\Models\Event;
use App\Models\LadderChange;
use App\Models\OwnLadder;
use App\Models\ReadInRow;
use App\Models\Trainer;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Carbon;
use Illuminate\Support\Collection;
use Illuminate\Support\Facades\DB;

/**
 * What was read in lately, and its undoing: as long as nobody has gone on with it.
 */
final class ReadIns
{
    private const MOST_SHOWN = 10;

    private const DAYS = 30;

    public function __construct(
        private readonly ChangeClient $change,
        private readonly OwnLadders $ladders,
        private readonly OwnStyles $styles,
        private readonly StudioTables $tables,
    ) {
    }

    /**
     * Clients that were entered, with the ladders and styles that came with them.
     *
     * @param  list<Client>  $clients
     * @param  list<string>  $ladders
     * @param  list<string>  $styles
     */
    public function entered(Trainer $by, string $what, array $clients, array $ladders = [], array $styles = []): void
    {
        $versions = [];
        foreach ($clients as $client) {
            $versions[$client->id] = $client->refresh()->version;
        }
        $names = implode(', ', array_map(static fn (Client $client): string => $client->name, $clients));
        $this->keep($by, $what, $names, ['entered' => $versions, 'ladders' => $ladders, 'styles' => $styles]);
    }

    /**
     * A client whose entries a file changed.
     *
     * @param  array<mixed>  $document  as it was before
     * @param  list<string>|null  $aims  likewise
     */
    public function changed(Trainer $by, string $what, Client $client, array $document, ?array $aims): void
    {
        $before = ['client' => $client->id, 'version' => $client->refresh()->version, 'document' => $document, 'aims' => $aims];
        $this->keep($by, $what, $client->name, ['changed' => $before]);
    }

    /** @param  array<mixed>  $back */
    private function keep(Trainer $by, string $what, string $about, array $back): void
    {
        ReadInRow::query()->create([
            'studio_id' => $by->studio_id,
            'trainer_id' => $by->id,
            'what' => $what,
            'about' => mb_strimwidth($about, 0, 200, '…'),
            'back' => [...$back, 'event' => (int) Event::query()->ofStudio($by->studio_id)->max('id')],
        ]);
    }

    /** @return Collection<int, ReadInRow> what a trainer read in lately and did not undo, the newest first */
    public function lately(Trainer $by): Collection
    {
        return ReadInRow::query()->ofStudio($by->studio_id)->where('trainer_id', $by->id)->where('undone_at', null)
            ->where('created_at', '>', Carbon::now()->subDays(self::DAYS))->ordered('id', 'desc')->atMost(self::MOST_SHOWN)->get();
    }

    /**
     * @return string whose names it was
     *
     * @throws UnusableInput where something was done with it since
     */
    public function undo(Trainer $by, int $id): string
    {
        return DB::transaction(function () use ($by, $id): string {
            $row = ReadInRow::query()->ofStudio($by->studio_id)->where('trainer_id', $by->id)->where('undone_at', null)
                ->whereKey($id)->locked()->firstOrFail();
            foreach ($row->back['entered'] ?? [] as $client => $version) {
                $there = Client::query()->seenBy($by)->whereKey($client)->locked()->first();
                if ($there !== null) {
                    $this->checkUntouched($there, $version, $row->back['event']);
                    Erasure::client($there->id);
                }
            }
            $changed = $row->back['changed'] ?? null;
            if ($changed !== null) {
                $client = Client::query()->seenBy($by)->whereKey($changed['client'])->firstOrFail();
                $this->checkUntouched($client, $changed['version'], $row->back['event']);
                $this->change->to($client, $by, $client->version, $changed['document']);
                $client->refresh()->update(['aims' => $changed['aims']]);
            }
            $this->takeAway($by, $row);
            $row->update(['undone_at' => Carbon::now()]);

            return $row->about;
        });
    }

    /** @throws UnusableInput */
    private function checkUntouched(Client $client, int $version, int $event): void
    {
        $isTouched = $client->version !== $version || Event::query()->ofClient($client)->where('id', '>', $event)
            ->where('act', '<>', FhirReadIn::ACT)->exists();
        if ($isTouched) {
            throw UnusableInput::at('/', sprintf('something was done with %s since; undoing it would lose that', $client->name));
        }
    }

    /** Ladders and styles that came along go where nobody uses them. */
    private function takeAway(Trainer $by, ReadInRow $row): void
    {
        $this->tables->changed();
        foreach ($row->back['styles'] ?? [] as $style) {
            try {
                $this->styles->remove($by, $style);
            } catch (UnusableInput) {
                // somebody follows it meanwhile
            }
        }
        foreach ($row->back['ladders'] ?? [] as $ladder) {
            $isChanged = LadderChange::query()->ofStudio($by->studio_id)->where('ladder', $ladder)->exists();
            if (! $isChanged && $this->ladders->affected($by->studio_id, $ladder, null) === []) {
                OwnLadder::query()->ofStudio($by->studio_id)->where('ladder', $ladder)->delete();
            }
        }
        $this->tables->changed();
    }

    /** @return array{list<string>, list<string>} the ladders and the styles of a studio's own */
    public static function own(string $studio): array
    {
        $of = static fn (string $table, string $key): array => array_values(
            array_map(strval(...), DB::table($table)->where('studio_id', $studio)->orderBy('id')->pluck($key)->all()),
        );

        return [$of('own_ladders', 'ladder'), $of('own_styles', 'style')];
    }
}
