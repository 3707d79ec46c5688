<?php

declare(strict_types=1);

namespace EvenRungs\Storage;

use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\Problem;
use EvenRungs\Formats\UnusableInput;

/**
 * Ladders, styles and words of a studio's own, from what was taken out of it, for the command line.
 */
final class StudioFile implements OwnTables
{
    private const FORMAT = 'even-rungs/take-out';

    /**
     * @param  array<string, array<mixed>>  $ladders  documents by id
     * @param  array<string, array<mixed>>  $styles  documents by id
     * @param  array<string, string>  $words  rung id by what was written
     * @param  list<string>  $unused  ids of ladders that are planned only where they are chosen
     */
    private function __construct(
        private readonly string $stamp,
        private readonly array $ladders,
        private readonly array $styles,
        private readonly array $words,
        private readonly array $unused,
    ) {
    }

    /**
     * @param  string  $text  a take-out of a studio, or of a client with what is the studio's own of it
     *
     * @throws UnusableInput naming each ladder, style or word that cannot be read
     */
    public static function read(string $text): self
    {
        $document = json_decode($text);
        if (! is_object($document) || ($document->format ?? null) !== self::FORMAT || ! is_object($document->own ?? null)) {
            throw UnusableInput::at('--studio', sprintf('must be a file of format "%s", as the page Studio saves it', self::FORMAT));
        }
        $problems = [];
        $read = static function (string $table, string $schema, string $key) use ($document, &$problems): array {
            $documents = [];
            foreach (self::rows($document->own, $table) as $i => $row) {
                // null where the studio has put a shipped ladder away
                if (! is_object($row->document ?? null)) {
                    continue;
                }
                foreach (Schemas::check($schema, $row->document) as $problem) {
                    $problems[] = new Problem("/own/{$table}/{$i}/document{$problem->path}", $problem->message);
                }
                $id = $row->$key ?? null;
                $documents[is_string($id) ? $id : ''] = Json::toArray($row->document);
            }

            return $documents;
        };
        $ladders = $read('own_ladders', 'ladder', 'ladder');
        $styles = $read('own_styles', 'style', 'style');
        $words = [];
        foreach (self::rows($document->own, 'own_words') as $i => $row) {
            if (is_string($row->words ?? null) && is_string($row->rung ?? null)) {
                $words[$row->words] = $row->rung;
            } else {
                $problems[] = new Problem("/own/own_words/{$i}", 'has no words, or no rung');
            }
        }
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }

        $unused = [];
        foreach (self::rows($document->own, 'own_ladders') as $row) {
            $isUnused = (bool) ($row->unused ?? false);
            $id = $isUnused ? $row->ladder ?? null : $row->copy_of ?? null;
            if (is_string($id) && ($isUnused || (bool) ($row->in_place ?? false) && isset($row->document))) {
                $unused[] = $id;
            }
        }

        return new self(md5($text), $ladders, $styles, $words, array_values(array_unique($unused)));
    }

    /** @return list<object> */
    private static function rows(object $own, string $table): array
    {
        return is_array($own->$table ?? null) ? array_values(array_filter($own->$table, is_object(...))) : [];
    }

    public function key(): string
    {
        return $this->ladders === [] && $this->words === [] ? '' : 'file:'.$this->stamp;
    }

    public function ladders(array $poses): array
    {
        return array_values(array_map(
            static fn (array $document): Ladder => LibraryJson::readLadder(new Node($document), $poses),
            $this->ladders,
        ));
    }

    public function ladderIds(): array
    {
        return array_keys($this->ladders);
    }

    public function styles(): array
    {
        return $this->styles;
    }

    public function unused(): array
    {
        return $this->unused;
    }

    public function words(): array
    {
        return $this->words;
    }
}
