<?php

declare(strict_types=1);

namespace App\Library;

use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Formats\DoseJson;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\Problem;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\Schemas;

/**
 * A ladder while a trainer writes it: doses in shorthand, ids not needed for what is new.
 */
final class DraftDocument
{
    private const LONGEST_ID = 60;

    public function __construct(private readonly DataFolder $data)
    {
    }

    /**
     * @param  array<string, mixed>  $document  even-rungs ladder
     * @return array<string, mixed>
     */
    public function write(array $document): array
    {
        $ladder = LibraryJson::readLadder(new Node($document), $this->data->poses());
        $written = LibraryJson::writeLadder($ladder, true);
        $rungs = [...$ladder->rungs, ...$ladder->retired];
        $library = $this->data->library();
        $none = array_fill_keys(array_keys($library->stresses), 0);
        foreach ($written['rungs'] as $i => $rung) {
            unset($rung['start'], $rung['top'], $rung['measure']);
            // a shipped rung was asked about every stress
            $isAnswered = $library->hasRung($rungs[$i]->id) && $library->unanswered($library->rung($rungs[$i]->id)) === [];
            $written['rungs'][$i] = [
                ...$rung,
                'stresses' => (object) [...($isAnswered ? $none : []), ...(array) $rung['stresses']],
                'steps' => array_map(Shorthand::write(...), $rungs[$i]->steps),
            ];
        }

        return $written;
    }

    /**
     * The ladder's document from a draft, checked against its schema and against the library it is to stand in.
     *
     * @param  ?string  $id  of the ladder that it changes; null for a new one
     * @return array<string, mixed> even-rungs ladder
     *
     * @throws UnusableInput with a path for every field that is wrong
     */
    public function read(Node $draft, ?string $id): array
    {
        $library = $this->data->library();
        $document = $draft->opaque('ladder') ?? [];
        $document['id'] = $id ?? $this->newId($draft->child('ladder')->string('name'), $library);
        $problems = [];
        $taken = [];
        foreach (is_array($document['rungs'] ?? null) ? $document['rungs'] : [] as $i => $rung) {
            if (! is_array($rung)) {
                continue;
            }
            $steps = [];
            foreach (is_array($rung['steps'] ?? null) ? $rung['steps'] : [] as $s => $text) {
                try {
                    $dose = Shorthand::parse(is_string($text) ? $text : '');
                    $steps[] = DoseJson::write($dose);
                    $rung['measure'] = $dose->measure->kind()->value;
                } catch (InvalidValue $e) {
                    $problems[] = new Problem("/ladder/rungs/$i/steps/$s", $e->sentence);
                }
            }
            $rung['steps'] = $steps;
            $name = is_string($rung['name'] ?? null) ? $rung['name'] : '';
            if (! is_string($rung['id'] ?? null) || $rung['id'] === '') {
                $rung['id'] = $this->newId($name, $library, $taken);
            }
            $taken[] = $rung['id'];
            $rung['stresses'] = (object) (is_array($rung['stresses'] ?? null) ? $rung['stresses'] : []);
            $rung['figure'] = self::figure(is_array($rung['figure'] ?? null) ? $rung['figure'] : []);
            $document['rungs'][$i] = $rung;
        }
        if (! in_array($document['anchor'] ?? '', $taken, true)) {
            $document['anchor'] = array_column(CheckedDocument::staying($document), 'id')[0] ?? '';
        }
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }

        return $this->checked($document, '/ladder');
    }

    /**
     * @param  array<mixed>  $figure  as it was decoded, so that empty angles are empty lists
     */
    private static function figure(array $figure): object
    {
        if (isset($figure['with'])) {
            $figure['with'] = (object) $figure['with'];
        }
        if (is_array($figure['to'] ?? null)) {
            $figure['to'] = array_map(static fn (mixed $angles): mixed => is_array($angles) ? (object) $angles : $angles, $figure['to']);
        }

        return (object) $figure;
    }

    /**
     * @param  array<string, mixed>  $document
     * @param  string  $root  path of the ladder in what was sent
     * @return array<string, mixed>
     *
     * @throws UnusableInput
     */
    public function checked(array $document, string $root): array
    {
        $plain = Json::decode(Json::encode($document));
        $document = Json::toArray($plain);
        $problems = array_map(
            static fn (Problem $each): Problem => new Problem($root.($each->path === '/' ? '' : $each->path), $each->message),
            Schemas::check('ladder', $plain),
        );
        if ($problems === []) {
            $problems = [
                ...$this->levelConflicts($document, $root),
                ...CheckedDocument::names($document, $this->data->library(), $root),
                ...CheckedDocument::retirements($document, $this->data->library(), $root),
            ];
        }
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }
        try {
            $this->data->library()->with([LibraryJson::readLadder(new Node($document), $this->data->poses())]);
        } catch (InvalidValue $e) {
            throw UnusableInput::of($root, $e);
        } catch (UnusableInput $e) {
            throw new UnusableInput(
                array_map(static fn (Problem $each): Problem => new Problem($root.$each->path, $each->message), $e->problems),
            );
        }

        return $document;
    }

    /**
     * @param  array<string, mixed>  $document
     * @return list<Problem>
     */
    private function levelConflicts(array $document, string $root): array
    {
        $active = CheckedDocument::staying($document);
        $places = array_keys($active);
        $rungs = array_values($active);
        if ($rungs === []) {
            return [new Problem("$root/rungs", 'at least one rung must stay on the ladder')];
        }

        return array_map(
            static fn (int $i): Problem => new Problem(
                "$root/rungs/{$places[$i]}/level",
                sprintf(
                    'level %d is under level %d of "%s" below it; levels never fall along a ladder',
                    $rungs[$i]['level'],
                    $rungs[$i - 1]['level'],
                    $rungs[$i - 1]['name'],
                ),
            ),
            Ladder::falls(array_column($rungs, 'level')),
        );
    }

    /**
     * An id made of a name, which nothing in the library has.
     *
     * @param  list<string>  $taken
     */
    private function newId(string $name, Library $library, array $taken = []): string
    {
        $words = trim(substr((string) preg_replace('/[^a-z0-9]+/', '-', strtolower($name)), 0, self::LONGEST_ID), '-');
        $stem = 'own-'.($words === '' ? 'rung' : $words);
        $used = [...$taken];
        foreach ($library->ladders as $ladder) {
            $used[] = $ladder->id;
            foreach ([...$ladder->rungs, ...$ladder->retired] as $rung) {
                $used[] = $rung->id;
            }
        }
        $id = $stem;
        for ($n = 2; in_array($id, $used, true); $n++) {
            $id = $stem.'-'.$n;
        }

        return $id;
    }

    /**
     * A copy of a ladder as a new one: new ids, and names that say that it is a copy.
     *
     * @return array<string, mixed> a draft
     */
    public function copy(Ladder $ladder): array
    {
        $draft = $this->write(LibraryJson::document($ladder));
        $draft['name'] = $ladder->name.', our own';
        unset($draft['id']);
        $draft['rungs'] = array_map(self::asNew(...), $draft['rungs']);

        return $draft;
    }

    /** @return array<string, mixed> the draft of a new rung like one that there is */
    public function like(Rung $rung): array
    {
        $drafts = array_column($this->write(LibraryJson::document($this->data->library()->ladderOf($rung)))['rungs'], null, 'id');

        return self::asNew($drafts[$rung->id]);
    }

    /**
     * @param  array<string, mixed>  $rung
     * @return array<string, mixed>
     */
    private static function asNew(array $rung): array
    {
        return [...$rung, 'id' => '', 'name' => $rung['name'].', our own', 'aliases' => []];
    }
}
