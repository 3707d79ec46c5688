<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Standing;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;

/**
 * Where a client stands on ladders, as their document says it.
 */
final class StandingJson
{
    public function __construct(private readonly Library $library, private readonly bool $stored)
    {
    }

    /**
     * @return array<string, Standing> by ladder
     *
     * @throws UnusableInput with every ladder and rung that is not there
     */
    public function read(?Node $node): array
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

    public static function rungOf(Ladder $ladder, string $id, string $path): Rung
    {
        $index = $ladder->indexOf($id);
        if ($index === null) {
            $known = implode(', ', array_map(static fn (Rung $rung): string => $rung->id, $ladder->rungs));
            throw UnusableInput::at($path, sprintf('"%s" is not a rung of this ladder; its rungs are %s', mb_substr($id, 0, 60), $known));
        }

        return $ladder->rungs[$index];
    }

    /** @return array<string, mixed> */
    public static function write(Standing $standing): array
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
}
