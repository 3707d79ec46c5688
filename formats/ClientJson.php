<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use DateTimeImmutable;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Flag;
use EvenRungs\Core\Client\Goal;
use EvenRungs\Core\Client\Home;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Client\NormGroup;
use EvenRungs\Core\Client\OtherTraining;
use EvenRungs\Core\Client\Screen;
use EvenRungs\Core\Client\Stop;
use EvenRungs\Core\Client\Tests;
use EvenRungs\Core\Client\TrainingAge;
use EvenRungs\Core\Client\TrainingType;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Severity;
use EvenRungs\Core\Time\Weekday;

/**
 * `even-rungs/client`.
 */
final class ClientJson
{
    public const FORMAT = 'even-rungs/client';

    private const OLDEST = 110;

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
            standings: (new StandingJson($this->library, $this->stored))->read($node->optionalChild('standings')),
            stopped: $stopped === null ? null : new Stop(self::needed($stopped, 'on'), $stopped->optionalString('kind') ?? 'pain'),
            clearances: $node->each('clearances', (new ClearanceJson($this->library, $this->flags, $this->stored))->read(...)),
            ladders: $node->has('ladders') ? $this->readLadders($node) : null,
            held: EvenedJson::held($node),
            extraSets: EvenedJson::extraSets($node),
        );
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

    public static function needed(Node $node, string $key): DateTimeImmutable
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

    /** Test results in a document of their own. */
    public function readTests(?Node $node): Tests
    {
        return (new TestsJson($this->library, $this->stored))->read($node);
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
            'tests' => TestsJson::write($client->tests),
            'standings' => $client->standings === [] ? null : array_map(StandingJson::write(...), $client->standings),
            'stopped' => $client->stopped === null ? null : [
                'on' => $client->stopped->on->format('Y-m-d'),
                'kind' => $client->stopped->kind,
            ],
            'clearances' => $client->clearances === [] ? null : array_map(ClearanceJson::write(...), $client->clearances),
            'ladders' => $client->ladders,
            'home' => $client->home === null ? null : [
                'days' => array_map(static fn (Weekday $day): string => $day->value, $client->home->days),
                'equipment' => $client->home->equipment,
            ],
            'x' => EvenedJson::write($client->held, $client->extraSets) ?: null,
        ], static fn (mixed $value): bool => $value !== null);
    }

    /** @return array{day: string, type: string} */
    public static function writeOtherTraining(OtherTraining $other): array
    {
        return ['day' => $other->day->value, 'type' => $other->type->value];
    }
}
