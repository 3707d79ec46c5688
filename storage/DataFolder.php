<?php

declare(strict_types=1);

namespace EvenRungs\Storage;

use DateTimeImmutable;
use EvenRungs\Core\Client\Flag;
use EvenRungs\Core\Client\Urgency;
use EvenRungs\Core\Figure\BasePose;
use EvenRungs\Core\Ladder\Equipment;
use EvenRungs\Core\Ladder\Fault;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Stress;
use EvenRungs\Core\Planning\Choice\Intent;
use EvenRungs\Core\Planning\Ready\ReadySession;
use EvenRungs\Core\Review\Norms\NormTables;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Formats\ClientJson;
use EvenRungs\Formats\FigureJson;
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\NormsJson;
use EvenRungs\Formats\ReadyJson;
use EvenRungs\Formats\StyleJson;
use EvenRungs\Formats\UnusableInput;

/**
 * The shipped tables: ladders, limits, faults, stresses, kit, flags, goals and house styles.
 *
 * They are checked against their schemas by the tests, so reading them at run time does not check them again.
 */
final class DataFolder
{
    public const DEFAULT_STYLE = 'even-keel';

    private ?Library $library = null;

    private ?Library $shipped = null;

    private ?ClientJson $clients = null;

    private ?ClientJson $storedClients = null;

    private string $ownKey = '';

    private readonly KeptLibrary $kept;

    private readonly Tables $tables;

    /** @var array<string, Flag>|null */
    private ?array $flags = null;

    /** @var array<string, GoalRule>|null */
    private ?array $goals = null;

    /**
     * @param  ?string  $cache  a file in which the shipped library is kept built, for processes that live for one request; null keeps none
     * @param  ?OwnTables  $own  ladders and words of a studio's own, that go before the shipped ones
     * @param  ?string  $served  what changes whenever tables or code do, where it is known
     */
    public function __construct(
        string $folder,
        ?string $cache = null,
        private readonly ?OwnTables $own = null,
        ?string $served = null,
    ) {
        $this->kept = new KeptLibrary($folder, $cache, $served);
        $this->tables = new Tables($folder, $this->kept);
    }

    public static function shipped(?string $cache = null, ?OwnTables $own = null, ?string $served = null): self
    {
        return new self(dirname(__DIR__).'/data', $cache, $own, $served);
    }

    /** The ladders in use: the shipped ones, with the studio's own. */
    public function library(): Library
    {
        $key = $this->own === null ? '' : $this->own->key();
        if ($this->library === null || $key !== $this->ownKey) {
            [$this->ownKey, $this->clients, $this->storedClients] = [$key, null, null];
            $this->library = $this->own === null || $key === '' ? $this->shippedLibrary() : $this->ownLibrary($this->own, $key);
        }

        return $this->library;
    }

    /** @return list<Ladder> of the studio's own */
    public function ownLadders(): array
    {
        $ids = array_filter($this->own?->ladderIds() ?? [], $this->library()->hasLadder(...));

        return array_values(array_map($this->library()->ladder(...), $ids));
    }

    private function ownLibrary(OwnTables $own, string $key): Library
    {
        $place = '-'.explode(':', $key)[0];

        return $this->kept->find($place, $key) ?? $this->kept->keep(
            $this->shippedLibrary()->with($own->ladders($this->poses()), $own->words()),
            $place,
            $key,
        );
    }

    /** The ladders as they are shipped. */
    public function shippedLibrary(): Library
    {
        return $this->shipped ??= $this->kept->find('', '') ?? $this->kept->keep($this->build(), '', '');
    }

    private function build(): Library
    {
        $tables = $this->node('tables.json');
        $poses = $this->poses();
        $ladders = array_map(
            fn (string $id) => LibraryJson::readLadder($this->node('ladders/'.$id.'.json'), $poses),
            $this->node('ladders.json')->strings('order'),
        );
        $faults = $tables->each(
            'faults',
            static fn (Node $row): Fault => new Fault($row->string('id'), $row->string('name'), $row->string('text')),
        );
        $stresses = $tables->each(
            'stresses',
            static fn (Node $row): Stress => new Stress($row->string('id'), $row->string('name'), $row->string('text')),
        );
        $equipment = $tables->each(
            'equipment',
            static fn (Node $row): Equipment => new Equipment($row->string('id'), $row->string('name'), $row->string('text')),
        );
        $limits = $tables->each('limits', LibraryJson::readLimit(...));

        return new Library(
            $ladders,
            array_column($faults, null, 'id'),
            array_column($stresses, null, 'id'),
            array_column($limits, null, 'id'),
            array_column($equipment, null, 'id'),
            preparation: array_map(
                fn (string $table): Ladder => LibraryJson::readLadder($this->node('preparation/'.$table.'.json'), $poses),
                ['warm-up' => 'warm-up', 'cool-down' => 'cool-down'],
            ),
        );
    }

    /** @return array<string, ReadySession> by id, the shortest first */
    public function readySessions(): array
    {
        $ready = [];
        foreach ($this->tables->names('sessions') as $name) {
            $each = ReadyJson::read($this->node('sessions/'.$name.'.json'));
            $ready[$each->id] = $each;
        }
        uasort($ready, static fn (ReadySession $a, ReadySession $b): int => [$a->length->ms, $a->name] <=> [$b->length->ms, $b->name]);

        return $ready;
    }

    /** @return array<string, Flag> by id */
    public function flags(): array
    {
        return $this->flags ??= array_column($this->node('tables.json')->each('flags', static fn (Node $row): Flag => new Flag(
            $row->string('id'),
            $row->string('name'),
            Urgency::from($row->string('urgency')),
            $row->string('text'),
        )), null, 'id');
    }

    /** @return array<string, BasePose> by id */
    public function poses(): array
    {
        return array_column($this->node(Tables::POSES, 'poses')->each('poses', FigureJson::readBase(...)), null, 'id');
    }

    /** What a document that names no day speaks of: 1 January of the year of the tables. */
    public function day(): DateTimeImmutable
    {
        return new DateTimeImmutable(sprintf('%d-01-01', $this->node('norms.json')->int('year')));
    }

    public function norms(): NormTables
    {
        return NormsJson::readTables($this->node('norms.json'));
    }

    /** @return array<string, mixed> the timed holds of a test day as they are written */
    public function testDay(): array
    {
        return $this->node('test-day.json', 'day')->opaque('day') ?? [];
    }

    /** @return list<Intent> */
    public function intents(): array
    {
        return $this->node('intents.json', 'intents')->each('intents', StyleJson::readIntent(...));
    }

    /** @return array<string, GoalRule> by goal */
    public function goals(): array
    {
        return $this->goals ??= array_column($this->node('goals.json', 'goals')->each(
            'goals',
            static fn (Node $each): array => [$each->string('goal'), StyleJson::readGoal($each)],
        ), 1, 0);
    }

    /** @return list<string> */
    public function styleNames(): array
    {
        return [
            ...$this->tables->names('styles'),
            ...array_keys($this->own?->styles() ?? []),
        ];
    }

    /** @throws UnusableInput when there is none of that name */
    public function style(string $name): Style
    {
        if (! in_array($name, $this->styleNames(), true)) {
            throw UnusableInput::at(
                '--style',
                sprintf('there is no house style "%s"; there are: %s', $name, implode(', ', $this->styleNames())),
            );
        }

        $style = StyleJson::read($this->styleDocument($name), $this->styleQuestions(), $this->node('weights.json'));

        return $style->planning($style->plan->without($this->own?->unused() ?? []));
    }

    /** The document of a style; its name is known. */
    public function styleDocument(string $name): Node
    {
        $own = $this->own?->styles()[$name] ?? null;

        return $own === null ? $this->node('styles/'.$name.'.json') : new Node($own);
    }

    /** The questions on which practitioners disagree, by id, each with its sides by id. */
    public function styleQuestions(): Node
    {
        $questions = [];
        $this->node('style-choices.json', 'questions')->each('questions', function (Node $question) use (&$questions): void {
            $sides = [];
            $question->each('sides', function (Node $side) use (&$sides): void {
                $sides[$side->string('id')] = $side->all();
            });
            $questions[$question->string('id')] = [
                'question' => $question->string('question'),
                'coached' => $question->bool('coached'),
                'sides' => $sides,
            ];
        });

        return new Node($questions);
    }

    public function clients(): ClientJson
    {
        $library = $this->library();

        return $this->clients ??= new ClientJson($library, $this->flags(), $this->day());
    }

    /** For documents that were right when they were stored: a highest clean rung that is gone from the library is passed over. */
    public function storedClients(): ClientJson
    {
        $library = $this->library();

        return $this->storedClients ??= new ClientJson($library, $this->flags(), null, true);
    }

    /** @param  ?string  $as wraps a file that holds a list under this name */
    public function node(string $file, ?string $as = null): Node
    {
        return $this->tables->node($file, $as);
    }
}
