<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\OwnLadder;
use App\Models\OwnWord;
use App\Models\Trainer;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\OwnTables;
use Illuminate\Contracts\Auth\Factory;

/**
 * The ladders and words of the studio whose trainer is signed in.
 */
final class StudioTables implements OwnTables
{
    private int $changes = 0;

    /** @var array<string, bool> whether a studio has any, by key */
    private array $some = [];

    public function __construct(private readonly Factory $auth)
    {
    }

    /** To be called after every change to them. */
    public function changed(): void
    {
        $this->changes++;
    }

    public function key(): string
    {
        $studio = $this->studio();
        $key = $studio.':'.$this->changes;
        $this->some[$key] ??= $studio !== ''
            && (OwnLadder::query()->ofStudio($studio)->exists() || OwnWord::query()->ofStudio($studio)->exists());

        return $this->some[$key] ? $key : '';
    }

    public function ladders(array $poses): array
    {
        return array_values(OwnLadder::query()->ofStudio($this->studio())->ordered('id')->get()
            ->filter(static fn (OwnLadder $row): bool => $row->document !== null)
            ->map(static fn (OwnLadder $row): Ladder => LibraryJson::readLadder(new Node($row->document ?? []), $poses))->all());
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
