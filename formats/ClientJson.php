<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Body\Client;
use EvenRungs\Core\Body\Flag;
use EvenRungs\Core\Body\Goal;
use EvenRungs\Core\Body\HighestClean;
use EvenRungs\Core\Body\Home;
use EvenRungs\Core\Body\Limit;
use EvenRungs\Core\Body\NormGroup;
use EvenRungs\Core\Body\OtherTraining;
use EvenRungs\Core\Body\Screen;
use EvenRungs\Core\Body\Severity;
use EvenRungs\Core\Body\Tests;
use EvenRungs\Core\Body\TrainingAge;
use EvenRungs\Core\Body\TrainingType;
use EvenRungs\Core\Dose\Seconds;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Session\Day;

/**
 * `even-rungs/client`.
 */
final class ClientJson
{
    public const FORMAT = 'even-rungs/client';

    private const HOLDS = ['front-plank', 'side-plank-left', 'side-plank-right', 'extensor', 'flexor'];

    /**
     * @param  array<string, Flag>  $flags  by id
     */
    public function __construct(private readonly Library $library, private readonly array $flags, private readonly bool $stored = false)
    {
    }

    /** @throws UnusableInput */
    public function read(Node $node): Client
    {
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
            $screen === null || ! $screen->has('flags') ? null : new Screen($screen->bool('cleared'), array_map(fn (string $id): Flag => $this->flags[$id], $screen->strings('flags'))),
            $this->readTests($node->optionalChild('tests')),
            home: self::readHome($node->optionalChild('home')),
        );
    }

    private static function readHome(?Node $node): ?Home
    {
        return $node === null ? null : new Home(array_map(Day::from(...), $node->strings('days')), $node->strings('equipment'));
    }

    /**
     * What planning needs beside what every client document has: a screen that was asked, and days.
     *
     * @throws UnusableInput
     */
    public function readForPlanning(Node $node): Client
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
            $client = $this->read($node);
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
        return new Client(
            name: 'swap',
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
        return new OtherTraining(Day::from($node->string('day')), TrainingType::from($node->string('type')));
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
            'goal' => $client->goal->value,
            'born' => $client->born,
            'norm_group' => $client->normGroup->value,
            'mass_kg' => $client->massKg,
            'trained' => $client->trained?->value,
            'ability' => $client->ability === [] ? null : array_map(static fn (Level $level): int => $level->value, $client->ability),
            'limits' => array_map(static fn (Limit $limit): array => ['limit' => $limit->rule->id, 'severity' => $limit->severity->value], $client->limits),
            'equipment' => $client->equipment,
            'days' => $client->days === null ? null : (object) $client->days,
            'other_training' => array_map(static fn (OtherTraining $other): array => self::writeOtherTraining($other), $client->otherTraining),
            'screen' => $client->screen === null ? null : [
                'cleared' => $client->screen->cleared,
                'flags' => array_map(static fn (Flag $flag): string => $flag->id, $client->screen->flags),
            ],
            'tests' => self::writeTests($client->tests),
            'home' => $client->home === null ? null : ['days' => array_map(static fn (Day $day): string => $day->value, $client->home->days), 'equipment' => $client->home->equipment],
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
