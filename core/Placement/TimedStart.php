<?php

declare(strict_types=1);

namespace EvenRungs\Core\Placement;

use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Time\Seconds;

/**
 * Where a timed hold of a test day puts a client on a ladder.
 */
final class TimedStart
{
    /**
     * A working hold is at most this share of the test best, in thirds (house rule): the trunk is still needed when the session is over.
     */
    private const TEST_SHARE_THIRDS = 2;

    /** Who held far longer than the rung asks starts at most this much higher (house rule). */
    private const TEST_REACH = 1;

    /** @param  array<string, Obstacles>  $obstacles  by rung of the ladder */
    public function __construct(
        private readonly Ladder $ladder,
        private readonly Client $client,
        private readonly Steps $steps,
        private readonly array $obstacles,
    ) {
    }

    /** The highest step whose work in one set is at most two thirds of a test best; null where even the start is more. */
    public static function step(Rung $rung, TimedHold $hold, Steps $steps): ?int
    {
        $found = null;
        foreach ($steps->of($rung) as $i => $dose) {
            $found = 3 * $dose->measure->work()->ms <= self::TEST_SHARE_THIRDS * $hold->best->ms ? $i : $found;
        }

        return $found;
    }

    /** Null where no hold of this ladder was tested. */
    public function start(): ?Start
    {
        foreach ($this->ladder->rungs as $i => $rung) {
            $hold = $rung->timedTest === null ? null : TimedHold::of($rung->timedTest, $this->client->tests);
            if ($hold === null) {
                continue;
            }
            $held = sprintf(
                'Held %s%s',
                self::seconds($hold->best),
                $hold->worseSide === null ? '' : sprintf(' on the %s, the worse side', $hold->worseSide),
            );
            $step = self::step($rung, $hold, $this->steps);
            if ($step === null) {
                $below = $this->ladder->rungs[max(0, $i - 1)];

                return new Start(
                    $below,
                    Basis::Test,
                    $hold->worseSide,
                    [
                        sprintf(
                            '%s; %s starts at %s, more than two thirds of it (house rule): %s.',
                            $held,
                            $rung->name,
                            self::seconds($this->steps->of($rung)[0]->measure->work()),
                            $i === 0 ? 'it is the first of its ladder all the same' : 'the rung below it is taken',
                        ),
                    ],
                );
            }
            $above = $step === $this->steps->last($rung) ? $this->above($rung) : null;

            return $above === null
                ? new Start(
                    $rung,
                    Basis::Test,
                    $hold->worseSide,
                    [sprintf('%s: step %d of %s is at most two thirds of it (house rule).', $held, $step + 1, $rung->name)],
                    $step,
                )
                : new Start(
                    $above,
                    Basis::Test,
                    $hold->worseSide,
                    [
                        sprintf(
                            '%s: two thirds of it are past the top of %s, so %s, at most one level above (house rule).',
                            $held,
                            $rung->name,
                            $above->name,
                        ),
                    ],
                );
        }

        return null;
    }

    /** The highest allowed rung above, at most one level higher. */
    private function above(Rung $rung): ?Rung
    {
        $found = null;
        foreach ($this->ladder->above($rung) as $other) {
            $near = $other->level->value <= $rung->level->value + self::TEST_REACH;
            $found = $near && $this->obstacles[$other->id]->isClear() ? $other : $found;
        }

        return $found;
    }

    public static function seconds(Seconds $time): string
    {
        return $time->toNumber().' s';
    }
}
