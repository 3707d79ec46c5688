<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use DateTimeImmutable;
use EvenRungs\Core\Client\Clearance;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Flag;
use EvenRungs\Core\Client\Goal;
use EvenRungs\Core\Client\HighestClean;
use EvenRungs\Core\Client\Home;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Client\NormGroup;
use EvenRungs\Core\Client\OtherTraining;
use EvenRungs\Core\Client\Screen;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Client\Stop;
use EvenRungs\Core\Client\Tests;
use EvenRungs\Core\Client\TrainingAge;
use EvenRungs\Core\Client\TrainingType;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Ladder\Severity;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Time\Weekday;

/**
 * `even-rungs/client`.
 */
final class ClientJson
{
    public const FORMAT = 'even-rungs/client';

    /** Keys of `x` that belong to the plan and not to what was typed. */
    public const HELD = 'held';

    public const EXTRA_SETS = 'extra_sets';

    private const OLDEST = 110;

    private const HOLDS = ['front-plank', 'side-plank-left', 'side-plank-right', 'extensor', 'flexor'];

    /**
     * @param  array<string, Flag>  $flags  by id
     * @param  ?DateTimeImmutable  $day  what a document without a day of its own speaks of
     * @param  bool  $stored  documents that were right when they were stored: what is gone from the library is passed over, and only
     *                        recorded clearances clear
     */
    public function __construct(
        private readonly Library $library,
        private readonly array $flags,
        private readonly ?DateTimeImmutable $day = null,
        private readonly bool $stored = false,
    ) {
    }

    /**
     * @param  ?DateTimeImmutable  $on  goes before the day that the document speaks of
     *
     * @throws UnusableInput
     */
    public function read(Node $node, ?DateTimeImmutable $on = null): Client
    {
        $asOf = $on ?? $node->optionalDay('as_of') ?? $this->day;
        self::checkBirth($node, $asOf);
        $stopped = $node->optionalChild('stopped');
        $screen = $node->optionalChild('screen');
        $days = $node->has('days') ? $node->ints('days') : null;

        return new Client(
            $node->string('name'),
            Goal::from($node->optionalString('goal') ?? Goal::General->value),
            $node->optionalInt('born'),
            NormGroup::from($node->optionalString('norm_group') ?? NormGroup::None->value),
            $node->optionalNumber('mass_kg'),
            TrainingAge::tryFrom($node->optionalString('trained') ?? ''),
            array_map(Level::of(...), $node->ints('ability')),
            $this->readLimits($node),
            $node->strings('equipment'),
            $days,
            $node->each('other_training', self::readOtherTraining(...)),
            $screen === null || ! $screen->has('flags') ? null : new Screen(
                ! $this->stored && $screen->bool('cleared'),
                array_map(fn (string $id): Flag => $this->flags[$id], $screen->strings('flags')),
                $screen->optionalDay('on'),
            ),
            $this->readTests($node->optionalChild('tests')),
            home: self::readHome($node->optionalChild('home')),
            asOf: $asOf,
            standings: $this->readStandings($node->optionalChild('standings')),
            stopped: $stopped === null ? null : new Stop(self::needed($stopped, 'on'), $stopped->optionalString('kind') ?? 'pain'),
            clearances: $node->each('clearances', $this->readClearance(...)),
            ladders: $node->has('ladders') ? $this->readLadders($node) : null,
            held: self::readHeld($node),
            extraSets: self::readExtraSets($node),
        );
    }

    /** @return list<Category> what `x` says of held rungs; anything else in it is somebody else's */
    private static function readHeld(Node $node): array
    {
        $held = $node->opaque('x')[self::HELD] ?? null;

        return array_values(
            array_filter(
                array_map(
                    static fn (mixed $code): ?Category => is_string($code) ? Category::tryFrom($code) : null,
                    is_array($held) ? $held : [],
                ),
            ),
        );
    }

    /** @return array<string, 'left'|'right'> by ladder; likewise */
    private static function readExtraSets(Node $node): array
    {
        $extra = $node->opaque('x')[self::EXTRA_SETS] ?? null;
        $sides = [];
        foreach (is_array($extra) ? $extra : [] as $ladder => $side) {
            if ($side === 'left' || $side === 'right') {
                $sides[(string) $ladder] = $side;
            }
        }

        return $sides;
    }

    /**
     * What evens a client out, as `x` of the document carries it.
     *
     * @param  list<Category>  $held
     * @param  array<string, 'left'|'right'>  $extraSets
     * @return array<string, mixed>
     */
    public static function evened(array $held, array $extraSets): array
    {
        return [
            ...($held === [] ? [] : [self::HELD => array_map(static fn (Category $each): string => $each->value, $held)]),
            ...($extraSets === [] ? [] : [self::EXTRA_SETS => $extraSets]),
        ];
    }

    /** @throws UnusableInput when nobody of that age can be meant */
    private static function checkBirth(Node $node, ?DateTimeImmutable $asOf): void
    {
        $born = $node->optionalInt('born');
        $year = $asOf === null ? null : (int) $asOf->format('Y');
        if ($born !== null && $year !== null && ($born > $year || $year - $born > self::OLDEST)) {
            throw UnusableInput::at(
                $node->path('born'),
                $born > $year ? sprintf('lies after %d, the year that is spoken of', $year) : sprintf(
                    'would make the client older than %d',
                    self::OLDEST,
                ),
            );
        }
    }

    private static function needed(Node $node, string $key): DateTimeImmutable
    {
        return $node->optionalDay($key) ?? throw UnusableInput::at($node->path($key), 'is required');
    }

    /**
     * @return list<string>
     *
     * @throws UnusableInput
     */
    private function readLadders(Node $node): array
    {
        $problems = [];
        foreach ($node->strings('ladders') as $i => $ladder) {
            if (! $this->library->hasLadder($ladder)) {
                $problems[] = new Problem($node->path('ladders', $i), 'is not a ladder of the library');
            }
        }

        return $problems === [] || $this->stored ? array_values(
            array_filter($node->strings('ladders'), $this->library->hasLadder(...)),
        ) : throw new UnusableInput($problems);
    }

    /**
     * @return array<string, Standing> by ladder
     *
     * @throws UnusableInput with every ladder and rung that is not there
     */
    private function readStandings(?Node $node): array
    {
        if ($node === null) {
            return [];
        }
        $standings = [];
        $problems = [];
        foreach ($node->keys() as $id) {
            try {
                $standings[$id] = $this->readStanding($node->child($id), $id);
            } catch (UnusableInput $e) {
                $problems = $this->stored ? [] : [...$problems, ...$e->problems];
            }
        }

        return $problems === [] ? $standings : throw new UnusableInput($problems);
    }

    private function readStanding(Node $node, string $ladder): Standing
    {
        if (! $this->library->hasLadder($ladder)) {
            throw UnusableInput::at($node->path(), 'is not a ladder of the library');
        }

        return new Standing(
            self::rungOf($this->library->ladder($ladder), $node->string('rung'), $node->path('rung')),
            $node->optionalInt('step') ?? 0,
            $node->guard(static fn (): ?Range => DoseJson::readRange($node)),
            $node->has('dose') ? $node->child('dose')->guard(static fn (): Dose => DoseJson::read($node->child('dose'))) : null,
            $node->optionalDay('arrived'),
            $node->optionalDay('stopped'),
        );
    }

    /** @throws UnusableInput when what it lifts is nothing that can be lifted */
    private function readClearance(Node $node): Clearance
    {
        $lifts = $node->string('lifts');
        $known = isset($this->flags[$lifts]) || isset($this->library->limits[$lifts]) || in_array(
            $lifts,
            [Clearance::MONITORED_PAIN, Clearance::STOP_OF_ALL],
            true,
        )
            || (str_starts_with($lifts, 'stop:') && ($this->stored || $this->library->hasLadder(substr($lifts, 5))));
        if (! $known) {
            throw UnusableInput::at(
                $node->path('lifts'),
                sprintf('"%s" is no flag, limit, stop:LADDER, stop:all or monitored-pain', $lifts),
            );
        }
        [$on, $until] = [self::needed($node, 'on'), $node->optionalDay('until')];
        if ($until !== null && $until < $on) {
            throw UnusableInput::at($node->path('until'), 'lies before the day it begins');
        }

        return new Clearance(
            $lifts,
            $on,
            $until,
            $node->optionalInt('max_level'),
            $node->optionalString('by'),
            $node->optionalString('role'),
        );
    }

    private static function readHome(?Node $node): ?Home
    {
        return $node === null ? null : new Home(array_map(Weekday::from(...), $node->strings('days')), $node->strings('equipment'));
    }

    /**
     * What planning needs beside what every client document has: a screen that was asked, and days.
     *
     * @throws UnusableInput
     */
    public function readForPlanning(Node $node, ?DateTimeImmutable $on = null): Client
    {
        $problems = [];
        if (! $node->has('screen')) {
            $problems[] = new Problem($node->path('screen'), 'is required to plan');
        } elseif (! $node->child('screen')->has('flags')) {
            $problems[] = new Problem($node->path('screen', 'flags'), 'is required to plan: unasked is not "no"');
        }
        if (! $node->has('days')) {
            $problems[] = new Problem($node->path('days'), 'is required to plan');
        }
        try {
            $client = $this->read($node, $on);
        } catch (UnusableInput $e) {
            throw new UnusableInput([...$problems, ...$e->problems]);
        }
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }

        return $client;
    }

    /** Whoever a swap is asked for: only limits, kit and ability. */
    public function readForSwap(Node $node): Client
    {
        $asOf = $node->optionalDay('as_of') ?? $this->day;
        self::checkBirth($node, $asOf);

        return new Client(
            name: 'swap',
            born: $node->optionalInt('born'),
            asOf: $asOf,
            ability: array_map(Level::of(...), $node->ints('ability')),
            limits: $this->readLimits($node),
            equipment: $node->strings('equipment'),
        );
    }

    /**
     * @return list<Limit>
     *
     * @throws UnusableInput when one limit stands twice
     */
    private function readLimits(Node $node): array
    {
        $seen = [];

        return $node->each('limits', function (Node $each) use (&$seen): Limit {
            $id = $each->text() ?? $each->string('limit');
            if (isset($seen[$id])) {
                throw UnusableInput::at($each->path(), sprintf('"%s" stands twice', $id));
            }
            $seen[$id] = true;

            return new Limit($this->library->limits[$id], Severity::from($each->optionalString('severity') ?? Severity::Moderate->value));
        });
    }

    public static function readOtherTraining(Node $node): OtherTraining
    {
        return new OtherTraining(Weekday::from($node->string('day')), TrainingType::from($node->string('type')));
    }

    /** Test results as they stand in a client or in a document of their own. */
    public function readTests(?Node $node): Tests
    {
        if ($node === null) {
            return new Tests;
        }
        $holds = [];
        foreach (self::HOLDS as $name) {
            if ($node->has($name.'_s')) {
                $holds[$name] = Seconds::of($node->number($name.'_s'));
            }
        }
        $ladders = [];
        $problems = [];
        $given = $node->optionalChild('ladders');
        foreach ($given?->keys() ?? [] as $id) {
            try {
                $ladders[$id] = $this->readHighestClean($node->child('ladders'), $id);
            } catch (UnusableInput $e) {
                $problems = $this->stored ? [] : [...$problems, ...$e->problems];
            }
        }
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }

        return new Tests($holds, $ladders);
    }

    private function readHighestClean(Node $ladders, string $id): HighestClean
    {
        if (! $this->library->hasLadder($id)) {
            throw UnusableInput::at($ladders->path($id), 'is not a ladder of the library');
        }
        $ladder = $this->library->ladder($id);
        $node = $ladders->child($id);
        if (is_string($node->opaque('highest_clean')['left'] ?? null)) {
            $sides = $node->child('highest_clean');

            return new HighestClean(
                self::rungOf($ladder, $sides->string('left'), $sides->path('left')),
                self::rungOf($ladder, $sides->string('right'), $sides->path('right')),
            );
        }
        $rung = self::rungOf($ladder, $node->string('highest_clean'), $node->path('highest_clean'));

        return new HighestClean($rung, $rung);
    }

    private static function rungOf(Ladder $ladder, string $id, string $path): Rung
    {
        $index = $ladder->indexOf($id);
        if ($index === null) {
            $known = implode(', ', array_map(static fn (Rung $rung): string => $rung->id, $ladder->rungs));
            throw UnusableInput::at($path, sprintf('"%s" is not a rung of this ladder; its rungs are %s', mb_substr($id, 0, 60), $known));
        }

        return $ladder->rungs[$index];
    }

    /** @return array<string, mixed> */
    public function write(Client $client): array
    {
        return array_filter([
            'format' => self::FORMAT,
            'version' => 1,
            'name' => $client->name,
            'as_of' => $client->asOf?->format('Y-m-d'),
            'goal' => $client->goal->value,
            'born' => $client->born,
            'norm_group' => $client->normGroup->value,
            'mass_kg' => $client->massKg,
            'trained' => $client->trained?->value,
            'ability' => $client->ability === [] ? null : array_map(static fn (Level $level): int => $level->value, $client->ability),
            'limits' => array_map(
                static fn (Limit $limit): array => ['limit' => $limit->rule->id, 'severity' => $limit->severity->value],
                $client->limits,
            ),
            'equipment' => $client->equipment,
            'days' => $client->days === null ? null : (object) $client->days,
            'other_training' => array_map(
                static fn (OtherTraining $other): array => self::writeOtherTraining($other),
                $client->otherTraining,
            ),
            'screen' => $client->screen === null ? null : [
                'cleared' => $client->screen->cleared,
                'flags' => array_map(static fn (Flag $flag): string => $flag->id, $client->screen->flags),
                ...($client->screen->on === null ? [] : ['on' => $client->screen->on->format('Y-m-d')]),
            ],
            'tests' => self::writeTests($client->tests),
            'standings' => $client->standings === [] ? null : array_map(self::writeStanding(...), $client->standings),
            'stopped' => $client->stopped === null ? null : [
                'on' => $client->stopped->on->format('Y-m-d'),
                'kind' => $client->stopped->kind,
            ],
            'clearances' => $client->clearances === [] ? null : array_map(self::writeClearance(...), $client->clearances),
            'ladders' => $client->ladders,
            'home' => $client->home === null ? null : [
                'days' => array_map(static fn (Weekday $day): string => $day->value, $client->home->days),
                'equipment' => $client->home->equipment,
            ],
            'x' => self::evened($client->held, $client->extraSets) ?: null,
        ], static fn (mixed $value): bool => $value !== null);
    }

    /** @return array<string, mixed> */
    private static function writeStanding(Standing $standing): array
    {
        return array_filter([
            'rung' => $standing->rung->id,
            'step' => $standing->step,
            ...DoseJson::writeRange($standing->range),
            'arrived' => $standing->arrived?->format('Y-m-d'),
            'dose' => $standing->dose === null ? null : DoseJson::write($standing->dose),
            'stopped' => $standing->stopped?->format('Y-m-d'),
        ], static fn (mixed $value): bool => $value !== null);
    }

    /** @return array<string, mixed> */
    private static function writeClearance(Clearance $clearance): array
    {
        return array_filter([
            'lifts' => $clearance->lifts,
            'on' => $clearance->on->format('Y-m-d'),
            'until' => $clearance->until?->format('Y-m-d'),
            'max_level' => $clearance->maxLevel,
            'by' => $clearance->by,
            'role' => $clearance->role,
        ], static fn (mixed $value): bool => $value !== null);
    }

    /** @return array{day: string, type: string} */
    public static function writeOtherTraining(OtherTraining $other): array
    {
        return ['day' => $other->day->value, 'type' => $other->type->value];
    }

    /** @return array<string, mixed>|null */
    private static function writeTests(Tests $tests): ?array
    {
        $written = [];
        $ladders = [];
        foreach ($tests->holds as $name => $best) {
            $written[$name.'_s'] = $best->toNumber();
        }
        foreach ($tests->ladders as $id => $clean) {
            $ladders[$id] = ['highest_clean' => $clean->left === $clean->right
                ? $clean->left->id
                : ['left' => $clean->left->id, 'right' => $clean->right->id]];
        }
        if ($ladders !== []) {
            $written['ladders'] = $ladders;
        }

        return $written === [] ? null : $written;
    }
}
