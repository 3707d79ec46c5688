<?php

declare(strict_types=1);

namespace App\Library;

use App\Clients\RosterRows;
use App\Models\OwnLadder;
use App\Models\OwnStyle;
use App\Models\OwnWord;
use App\Models\Trainer;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Formats\Node;
use EvenRungs\Storage\OwnTables;
use Illuminate\Contracts\Auth\Factory;

/**
 * The ladders and words of the studio whose trainer is signed in.
 */
final class StudioTables implements OwnTables
{
    /** @var array<string, string> by studio */
    private array $keys = [];

    /** @var array<string, array<string, array<string, mixed>>> by studio */
    private array $styles = [];

    /** @var array<string, list<string>> by studio */
    private array $unused = [];

    public function __construct(private readonly Factory $auth)
    {
    }

    /** To be called after every change to them. */
    public function changed(): void
    {
        $this->keys = $this->styles = $this->unused = [];
        (new RosterRows)->forgetAll($this->studio());
    }

    public function key(): string
    {
        $studio = $this->studio();

        return $this->keys[$studio] ??= $this->stamp($studio);
    }

    private function stamp(string $studio): string
    {
        if ($studio === '') {
            return '';
        }
        // the documents themselves: a version number is used again when a change is rolled back
        $ladders = OwnLadder::query()->ofStudio($studio)->ordered('id')->toBase()->get(['ladder', 'document'])->all();
        $words = OwnWord::query()->ofStudio($studio)->ordered('id')->toBase()->get(['words', 'rung'])->all();

        return $ladders === [] && $words === [] ? '' : $studio.':'.md5((string) json_encode([$ladders, $words]));
    }

    public function ladders(array $poses): array
    {
        return array_values(OwnLadder::query()->ofStudio($this->studio())->ordered('id')->get()
            ->filter(static fn (OwnLadder $row): bool => $row->document !== null)
            ->map(static fn (OwnLadder $row): Ladder => LibraryJson::readLadder(new Node($row->document ?? []), $poses))->all());
    }

    public function styles(): array
    {
        $studio = $this->studio();

        return $studio === '' ? [] : $this->styles[$studio] ??= OwnStyle::query()->ofStudio($studio)->ordered('id')->pluck(
            'document',
            'style',
        )->all();
    }

    public function unused(): array
    {
        $studio = $this->studio();

        if ($studio !== '' && ! isset($this->unused[$studio])) {
            $this->unused[$studio] = [];
            foreach (OwnLadder::query()->ofStudio($studio)->ordered('id')->get() as $row) {
                $not = match (true) {
                    $row->unused === true => $row->ladder,
                    $row->in_place === true && $row->document !== null => $row->copy_of,
                    default => null,
                };
                $this->unused[$studio] = array_values(array_unique([...$this->unused[$studio], ...($not === null ? [] : [$not])]));
            }
        }

        return $this->unused[$studio] ?? [];
    }

    public function words(): array
    {
        return OwnWord::query()->ofStudio($this->studio())->pluck('rung', 'words')->all();
    }

    private function studio(): string
    {
        $trainer = $this->auth->guard()->user();

        return $trainer instanceof Trainer ? $trainer->studio_id : '';
    }
}
