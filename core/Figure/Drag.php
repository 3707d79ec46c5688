<?php

declare(strict_types=1);

namespace EvenRungs\Core\Figure;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\UnknownName;

/**
 * A joint of a figure drawn to another place, and the angles that bring it there.
 *
 * Damped least squares (Wampler CW, Manipulator inverse kinematic solutions based on vector formulations and damped least-squares methods,
 * IEEE Transactions on Systems, Man, and Cybernetics 16, 1986; from memory) on where the joint is seen, so that what rests and what is
 * planted is reckoned with.
 */
final class Drag
{
    /** Angles that carry a joint; those of a limb are written without its side. */
    private const CARRIED_BY = [
        'hand' => ['shoulder', 'shoulder-out', 'shoulder-turn', 'elbow'],
        'elbow' => ['shoulder', 'shoulder-out'],
        'ankle' => ['hip', 'hip-out', 'knee'],
        'knee' => ['hip', 'hip-out'],
        'toe' => ['ankle'],
        'head' => ['neck', 'neck-side'],
        'neck' => ['spine', 'spine-side', 'spine-twist'],
        'pelvis' => ['pitch', 'hip', 'knee', 'shoulder'],
    ];

    /** A straight joint cannot tell which way to bend: it is tried bent by so many degrees too. */
    private const BENT = [30.0, 90.0];

    private const TURNS = 20;

    /** Degrees in a turn at most. */
    private const MOST = 20.0;

    private const DAMPING = 0.001;

    /** Nearer than this it is there, in hundredths of body height. */
    private const NEAR = 0.4;

    /** @var list<string> angles that carry it, as they are written */
    private readonly array $carriers;

    /** Of the limb that is dragged; the right where both are. */
    private readonly string $side;

    /**
     * @param  string  $joint  with its side where it has one ("hand-r")
     * @param  bool  $ofEnd  whether it is dragged in the pose that the figure moves to, or in the one it starts from
     * @param  bool  $alike  whether the other side follows
     *
     * @throws InvalidValue when the joint cannot be dragged, or when the figure moves nowhere
     */
    public function __construct(private readonly Figure $figure, private readonly string $joint, private readonly bool $ofEnd, bool $alike)
    {
        $side = preg_match('/-[rl]$/', $joint) === 1 ? substr($joint, -2) : '';
        $carriers = self::CARRIED_BY[$side === '' ? $joint : substr($joint, 0, -2)] ?? null;
        if ($carriers === null || ! in_array($joint, self::joints(), true)) {
            throw UnknownName::because(sprintf('"%s" cannot be dragged: only %s', $joint, implode(', ', self::joints())));
        }
        if ($ofEnd && $figure->to === []) {
            throw UnknownName::because('a figure that is held still has no other pose');
        }
        $this->side = $side === '' ? '-r' : $side;
        $this->carriers = array_map(
            static fn (string $angle): string => isset(Angles::LIMB[$angle]) && $side !== '' && ! $alike ? $angle.$side : $angle,
            $carriers,
        );
    }

    /** @return list<string> joints that can be dragged */
    public static function joints(): array
    {
        $joints = [];
        foreach (array_keys(self::CARRIED_BY) as $joint) {
            array_push($joints, ...(in_array($joint, ['head', 'neck', 'pelvis'], true) ? [$joint] : [$joint.'-r', $joint.'-l']));
        }

        return $joints;
    }

    /**
     * The figure with the joint as near to a place as it goes, in whole degrees; what carries it goes no further than a joint can.
     *
     * @param  array{float, float}  $to  in the picture's own plane: right and down, in hundredths of body height
     */
    public function to(array $to): Figure
    {
        $now = [];
        foreach ($this->carriers as $angle) {
            $now[$angle] = $this->angles()->get(isset(Angles::LIMB[$angle]) ? $angle.$this->side : $angle);
        }
        $best = null;
        $least = self::apart($this->seen($this->figure), $to);
        foreach ($least < self::NEAR ? [] : $this->starts($now) as $start) {
            $found = array_map(round(...), $this->reached($start, $to));
            $misses = self::apart($this->seen($this->with($found)), $to);
            if ($misses < $least - self::NEAR / 2) {
                [$best, $least] = [$found, $misses];
            }
        }

        return $best === null ? $this->figure : $this->with($best);
    }

    /**
     * @param  array<string, float>  $now
     * @return list<array<string, float>>
     */
    private function starts(array $now): array
    {
        $starts = [$now];
        foreach (self::BENT as $bend) {
            $bent = $now;
            foreach ($now as $angle => $degrees) {
                $bent[$angle] = preg_match('/^(knee|elbow)/', $angle) === 1 ? max($degrees, $bend) : $degrees;
            }
            if ($bent !== $now) {
                $starts[] = $bent;
            }
        }

        return $starts;
    }

    /**
     * @param  array<string, float>  $angles
     * @param  array{float, float}  $to
     * @return array<string, float>
     */
    private function reached(array $angles, array $to): array
    {
        for ($turn = 0; $turn < self::TURNS; $turn++) {
            [$x, $y] = $this->seen($this->with($angles));
            [$right, $down] = [$to[0] - $x, $to[1] - $y];
            if (hypot($right, $down) < self::NEAR) {
                break;
            }
            $slopes = [];
            [$a, $b, $c] = [self::DAMPING, 0.0, self::DAMPING];
            foreach ($angles as $angle => $degrees) {
                $step = $degrees + 1 > self::range($angle)[1] ? -1.0 : 1.0;
                [$sx, $sy] = $this->seen($this->with([...$angles, $angle => $degrees + $step]));
                $slopes[$angle] = [($sx - $x) / $step, ($sy - $y) / $step];
                [$dx, $dy] = $slopes[$angle];
                [$a, $b, $c] = [$a + $dx * $dx, $b + $dx * $dy, $c + $dy * $dy];
            }
            $inverse = 1 / ($a * $c - $b * $b);
            [$p, $q] = [$inverse * ($c * $right - $b * $down), $inverse * ($a * $down - $b * $right)];
            foreach ($slopes as $angle => [$dx, $dy]) {
                [$least, $most] = self::range($angle);
                $turned = max(-self::MOST, min(self::MOST, $dx * $p + $dy * $q));
                $angles[$angle] = max($least, min($most, $angles[$angle] + $turned));
            }
        }

        return $angles;
    }

    /** @return array{int, int} */
    private static function range(string $angle): array
    {
        return Angles::TRUNK[$angle] ?? Angles::LIMB[preg_replace('/-[rl]$/', '', $angle) ?? $angle];
    }

    /**
     * @param  array{float, float}  $a
     * @param  array{float, float}  $b
     */
    private static function apart(array $a, array $b): float
    {
        return hypot($a[0] - $b[0], $a[1] - $b[1]);
    }

    /** @return array{float, float} where the joint is */
    private function seen(Figure $figure): array
    {
        $movement = new Movement($figure);

        return $figure->view()->project(($this->ofEnd ? $movement->furthest() : $movement->first())->point($this->joint));
    }

    private function angles(): Angles
    {
        $start = $this->figure->base->angles->with($this->figure->with);

        return $this->ofEnd ? $start->with($this->figure->to[0]) : $start;
    }

    /** @param  array<string, float>  $angles */
    private function with(array $angles): Figure
    {
        $dragged = Angles::of($angles);

        return $this->ofEnd
            ? $this->figure->posed($this->figure->with, [$this->figure->to[0]->with($dragged), ...array_slice($this->figure->to, 1)])
            : $this->figure->posed($this->figure->with->with($dragged), $this->figure->to);
    }
}
