<?php

declare(strict_types=1);

namespace App\Library;

use App\Clients\RosterRows;
use App\Models\Trainer;
use App\Support\Reads;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Formats\Node;
use EvenRungs\Storage\OwnTables;
use Illuminate\Contracts\Auth\Factory;
use stdClass;

/**
 * The ladders and words of the studio whose trainer is signed in.
 */
final class StudioTables implements OwnTables
{
    private const READ = [
        'ladders' => 'select ladder, document, unused, copy_of, in_place from own_ladders where studio_id = :studio order by id',
        'words' => 'select words, rung from own_words where studio_id = :studio order by id',
        'styles' => 'select style, document from own_styles where studio_id = :studio order by id',
    ];

    /** @var array<string, array<string, list<stdClass>>> rows by table, by studio */
    private array $rows = [];

    /** @var array<string, string> by studio */
    private array $keys = [];

    public function __construct(private readonly Factory $auth)
    {
    }

    /** To be called after every change to them. */
    public function changed(): void
    {
        $this->rows = $this->keys = [];
        (new RosterRows)->forgetAll($this->studio());
    }

    public function key(): string
    {
        $studio = $this->studio();

        return $studio === '' ? '' : $this->keys[$studio] ??= $this->stamp($studio);
    }

    private function stamp(string $studio): string
    {
        // the documents themselves: a version number is used again when a change is rolled back
        $ladders = array_map(static fn (stdClass $row): array => [$row->ladder, $row->document], $this->rows('ladders'));
        $words = $this->rows('words');

        return $ladders === [] && $words === [] ? '' : $studio.':'.md5((string) json_encode([$ladders, $words]));
    }

    public function ladders(array $poses): array
    {
        return array_values(array_map(
            static fn (stdClass $row): Ladder => LibraryJson::readLadder(new Node((array) json_decode($row->document, true)), $poses),
            array_filter($this->rows('ladders'), static fn (stdClass $row): bool => $row->document !== null),
        ));
    }

    public function ladderIds(): array
    {
        return array_column(array_filter($this->rows('ladders'), static fn (stdClass $row): bool => $row->document !== null), 'ladder');
    }

    public function styles(): array
    {
        return array_map(
            static fn (string $document): array => (array) json_decode($document, true),
            array_column($this->rows('styles'), 'document', 'style'),
        );
    }

    public function unused(): array
    {
        $unused = array_map(static fn (stdClass $row): ?string => match (true) {
            (bool) $row->unused => $row->ladder,
            (bool) $row->in_place && $row->document !== null => $row->copy_of,
            default => null,
        }, $this->rows('ladders'));

        return array_values(array_unique(array_filter($unused, is_string(...))));
    }

    public function words(): array
    {
        return array_column($this->rows('words'), 'rung', 'words');
    }

    /** @return list<stdClass> of a table, for the studio of whoever is signed in */
    private function rows(string $table): array
    {
        $studio = $this->studio();
        if ($studio === '') {
            return [];
        }
        $this->rows[$studio] ??= Reads::atOnce(self::READ, ['studio' => $studio]);

        return $this->rows[$studio][$table];
    }

    private function studio(): string
    {
        $trainer = $this->auth->guard()->user();

        return $trainer instanceof Trainer ? $trainer->studio_id : '';
    }
}
