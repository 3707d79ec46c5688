<?php

declare(strict_types=1);

namespace EvenRungs\Core\Ladder;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Tempo;
use EvenRungs\Core\Dose\Unit;
use EvenRungs\Core\Figure\Figure;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\OutOfRange;
use EvenRungs\Core\Time\Seconds;

/**
 * One exercise on a ladder, with its doses in small steps.
 */
final class Rung
{
    private const WEIGHTS = ['kettlebell', 'bar', 'ankle-weight', 'throw-ball'];

    /** @var Packed<Coaching> */
    private readonly Packed $coaching;

    /** @var Packed<Figure> */
    private readonly Packed $figure;

    /**
     * @param  string  $id  unique over the whole library; never changed, never reused
     * @param  list<string>  $aliases  other common names
     * @param  list<Category>  $also  other categories it trains by the way
     * @param  list<Dose>  $steps  from the start dose to the top, one or more
     * @param  ?Tempo  $tempo  null where nothing is counted in repetitions
     * @param  list<Gate>  $requires
     * @param  list<string>  $faults  ids of the shared fault table
     * @param  array<string, int<1, 3>>  $stresses  grade by stress id; 1 light, 2 real, 3 high
     * @param  list<string>  $equipment  required kit
     * @param  list<string>  $helpful  kit that helps and is never required
     * @param  Coaching|Packed<Coaching>  $coaching
     * @param  Figure|Packed<Figure>  $figure
     * @param  ?RangeScale  $range  how its range is cut and given back; null where nothing moves
     * @param  list<string>  $spared  stresses that somebody asked about and that are not there
     * @param  ?RungLine  $line  what its line in a picture is meant to be; null where it has none
     * @param  ?string  $timedTest  the timed test that is done on this rung: front-plank or side-plank
     *
     * @throws InvalidValue when a rung has no step or a grade outside 1 to 3
     */
    public function __construct(
        public readonly string $id,
        public readonly string $name,
        public readonly array $aliases,
        public readonly string $ladder,
        public readonly Category $category,
        public readonly array $also,
        public readonly Level $level,
        public readonly Position $position,
        public readonly Role $role,
        public readonly Side $side,
        public readonly array $steps,
        public readonly ?Tempo $tempo,
        public readonly Seconds $rest,
        public readonly array $requires,
        public readonly array $faults,
        public readonly array $stresses,
        public readonly array $equipment,
        public readonly array $helpful,
        Coaching|Packed $coaching,
        Figure|Packed $figure,
        public readonly ?string $timedTest = null,
        public readonly ?RangeScale $range = null,
        public readonly array $spared = [],
        public readonly ?RungLine $line = null,
    ) {
        $this->coaching = $coaching instanceof Packed ? $coaching : Packed::of($coaching);
        $this->figure = $figure instanceof Packed ? $figure : Packed::of($figure);
        if ($steps === []) {
            throw Contradiction::because(sprintf('rung "%s" has no dose', $id));
        }
        foreach ($stresses as $stress => $grade) {
            if ($grade < 1 || $grade > 3) {
                throw OutOfRange::outside(sprintf('stress "%s" of rung "%s"', $stress, $id), $grade, 1, 3);
            }
        }
    }

    /** The words that go with it. */
    public function coaching(): Coaching
    {
        return $this->coaching->get();
    }

    /** How it is drawn. */
    public function figure(): Figure
    {
        return $this->figure->get();
    }

    /** What its sets are counted in. */
    public function unit(): Unit
    {
        return $this->start()->measure->kind()->unit();
    }

    public function start(): Dose
    {
        return $this->steps[0];
    }

    public function top(): Dose
    {
        return $this->steps[count($this->steps) - 1];
    }

    /** Whether the exercise is done with a weight, which the trainer chooses: no first load is invented. */
    public function isLoaded(): bool
    {
        return array_intersect(self::WEIGHTS, $this->equipment) !== [];
    }

    /** Whether a weight or a band loads it. */
    public function isWeighted(): bool
    {
        return $this->isLoaded() || $this->isBanded();
    }

    public function isBanded(): bool
    {
        return in_array('band', $this->equipment, true);
    }

    /** Milliseconds flat on the back in one set of a dose, both sides together; 0 where nobody lies there. */
    public function flatMs(Dose $dose): int
    {
        return $this->grade('supine') === 0 ? 0 : (
            $dose->measure->work()->ms + $dose->measure->breaks()->ms
        ) * ($dose->isPerSide() ? 2 : 1);
    }

    /** @return int<0, 3> */
    public function grade(string $stress): int
    {
        return $this->stresses[$stress] ?? 0;
    }
}
