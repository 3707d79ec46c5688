<?php

declare(strict_types=1);

namespace EvenRungs\Core\Figure;

/**
 * The joint points of a drawn body, and the lengths between them.
 *
 * Lengths follow the usual shares of body height (Winter DA, Biomechanics and Motor Control of Human Movement, values from
 * memory), with the arm drawn a little shorter so that a back on all fours lies level.
 */
final class Body
{
    /** Hundredths of body height. */
    public const LENGTHS = [
        'pelvis-waist' => 14.0,
        'waist-neck' => 15.0,
        'neck-head' => 10.5,
        'neck-shoulder' => 8.0,
        'shoulder-elbow' => 15.5,
        'elbow-hand' => 16.0,
        'pelvis-hip' => 6.0,
        'hip-knee' => 24.5,
        'knee-ankle' => 24.5,
        'ankle-toe' => 11.0,
    ];

    /** How thick the body is drawn around a joint point: what touches the floor is this far above it. */
    public const RADIUS = ['head' => 6.0, 'pelvis' => 4.0, 'waist' => 4.0, 'neck' => 4.0, 'hip' => 4.0, 'shoulder' => 4.0];

    public const LIMB_RADIUS = 2.2;

    /**
     * @param  array<string, Vector>  $points  by joint: pelvis, waist, neck, head, and hip, knee, ankle, toe, shoulder, elbow, hand of
     *                               each side ("hip-r")
     */
    private function __construct(public readonly array $points)
    {
    }

    public static function of(Angles $angles): self
    {
        $root = Axes::standing()
            ->turned(new Vector(0, 0, 1), -$angles->get('pitch'))
            ->turned(new Vector(1, 0, 0), $angles->get('roll'))
            ->turned(new Vector(0, 1, 0), $angles->get('turn'));
        $half = [$angles->get('spine') / 2, $angles->get('spine-side') / 2, $angles->get('spine-twist') / 2];
        $low = $root->moved(...$half);
        $chest = $low->moved(...$half);
        $head = $chest->moved($angles->get('neck'), $angles->get('neck-side'), 0);

        $points = ['pelvis' => new Vector(0, 0, 0)];
        $points['waist'] = $low->up->times(self::LENGTHS['pelvis-waist']);
        $points['neck'] = $points['waist']->plus($chest->up->times(self::LENGTHS['waist-neck']));
        $points['head'] = $points['neck']->plus($head->up->times(self::LENGTHS['neck-head']));
        foreach (['-r' => 1, '-l' => -1] as $side => $sign) {
            $points = [
                ...$points,
                ...self::arm($angles, $side, $sign, $chest, $points['neck']),
                ...self::leg($angles, $side, $sign, $root),
            ];
        }

        return new self($points);
    }

    /** @return array<string, Vector> */
    private static function arm(Angles $angles, string $side, int $sign, Axes $chest, Vector $neck): array
    {
        [$along, $across] = self::limb($angles->get('shoulder'.$side), $angles->get('shoulder-out'.$side), $chest, $sign);
        $inward = $along->cross($across)->times(-$sign);
        $turn = deg2rad($angles->get('shoulder-turn'.$side));
        $bendTo = $across->times(cos($turn))->plus($inward->times(sin($turn)));
        $bend = deg2rad($angles->get('elbow'.$side));
        $forearm = $along->times(cos($bend))->plus($bendTo->times(sin($bend)));

        $shoulder = $neck->plus($chest->right->times($sign * self::LENGTHS['neck-shoulder']));
        $elbow = $shoulder->plus($along->times(self::LENGTHS['shoulder-elbow']));

        return [
            'shoulder'.$side => $shoulder,
            'elbow'.$side => $elbow,
            'hand'.$side => $elbow->plus($forearm->times(self::LENGTHS['elbow-hand'])),
        ];
    }

    /** @return array<string, Vector> */
    private static function leg(Angles $angles, string $side, int $sign, Axes $pelvis): array
    {
        [$along, $across] = self::limb($angles->get('hip'.$side), $angles->get('hip-out'.$side), $pelvis, $sign);
        $back = $across->times(-1);
        $inward = $along->cross($back)->times($sign);
        $turn = deg2rad($angles->get('hip-turn'.$side));
        $bendTo = $back->times(cos($turn))->plus($inward->times(sin($turn)));
        $bend = deg2rad($angles->get('knee'.$side));
        $shank = $along->times(cos($bend))->plus($bendTo->times(sin($bend)));
        $front = $along->times(sin($bend))->minus($bendTo->times(cos($bend)));
        $point = deg2rad($angles->get('ankle'.$side));
        $foot = $shank->times(sin($point))->plus($front->times(cos($point)));

        $hip = $pelvis->right->times($sign * self::LENGTHS['pelvis-hip']);
        $knee = $hip->plus($along->times(self::LENGTHS['hip-knee']));
        $ankle = $knee->plus($shank->times(self::LENGTHS['knee-ankle']));

        return [
            'hip'.$side => $hip,
            'knee'.$side => $knee,
            'ankle'.$side => $ankle,
            'toe'.$side => $ankle->plus($foot->times(self::LENGTHS['ankle-toe'])),
        ];
    }

    /**
     * Which way a limb points, and which way it would go if it were raised further.
     *
     * @return array{Vector, Vector}
     */
    private static function limb(float $raised, float $out, Axes $axes, int $sign): array
    {
        [$raised, $out] = [deg2rad($raised), deg2rad($out)];
        $along = $axes->up->times(-cos($raised))->plus($axes->forward->times(sin($raised)))->times(cos($out))
            ->plus($axes->right->times($sign * sin($out)));

        return [$along, $axes->up->times(sin($raised))->plus($axes->forward->times(cos($raised)))];
    }

    public function point(string $joint): Vector
    {
        return $this->points[$joint];
    }

    /** How far the drawn body reaches around a joint. */
    public static function radius(string $joint): float
    {
        return self::RADIUS[preg_replace('/-[rl]$/', '', $joint)] ?? self::LIMB_RADIUS;
    }

    /** The same body with one shin and foot flat on the floor, where it hangs within a sixth of a turn of it. */
    public function withShinDown(string $side): self
    {
        $knee = $this->points['knee'.$side];
        $shin = $this->points['ankle'.$side]->minus($knee);
        if (abs($shin->y) > self::LENGTHS['knee-ankle'] * 0.75) {
            return $this;
        }
        $along = (new Vector($shin->x, 0, $shin->z))->unit();
        $ankle = $knee->plus($along->times(self::LENGTHS['knee-ankle']));

        return new self(
            [...$this->points, 'ankle'.$side => $ankle, 'toe'.$side => $ankle->plus($along->times(self::LENGTHS['ankle-toe']))],
        );
    }

    /** The same body with hands and feet that would pass the floor drawn along it: limbs bend, lengths are kept. */
    public function aboveFloor(): self
    {
        $body = $this;
        foreach (['hand-r', 'hand-l', 'ankle-r', 'ankle-l'] as $end) {
            $point = $body->points[$end];
            $foot = str_replace(['hand', 'ankle'], 'toe', $end);
            if ($point->y < self::LIMB_RADIUS) {
                $body = $body->reaching($end, new Vector($point->x, self::LIMB_RADIUS, $point->z), $body->points[$foot]->minus($point));
            }
            $ankle = $body->points[str_replace('toe', 'ankle', $foot)];
            $toe = $body->points[$foot]->minus($ankle);
            $drop = self::LIMB_RADIUS - $ankle->y;
            if ($toe->y < $drop - 0.01 && -$drop < self::LENGTHS['ankle-toe']) {
                $flat = (new Vector($toe->x, 0, $toe->z))->unit()->times(sqrt(self::LENGTHS['ankle-toe'] ** 2 - $drop ** 2));
                $body = new self([...$body->points, $foot => $ankle->plus($flat)->plus(new Vector(0, $drop, 0))]);
            }
        }

        return $body;
    }

    /** @param  callable(Vector): Vector  $move */
    public function map(callable $move): self
    {
        return new self(array_map($move, $this->points));
    }

    /** The same body as in a mirror that stands along it: left and right exchanged. */
    public function mirrored(): self
    {
        $points = [];
        foreach ($this->points as $joint => $point) {
            $other = match (substr($joint, -2)) {
                '-r' => substr($joint, 0, -2).'-l',
                '-l' => substr($joint, 0, -2).'-r',
                default => $joint,
            };
            $points[$other] = new Vector($point->x, $point->y, -$point->z);
        }

        return new self([...$this->points, ...$points]);
    }

    /**
     * The same body with a hand or an ankle brought to a place by bending its limb; lengths are kept. Out of reach, the
     * limb points at it.
     *
     * @param  string  $end  "hand-r", "hand-l", "ankle-r" or "ankle-l"
     * @param  Vector  $toe  how the foot lies from the ankle; nothing to a hand
     */
    public function reaching(string $end, Vector $place, Vector $toe): self
    {
        $side = substr($end, -2);
        [$root, $middle] = str_starts_with($end, 'hand') ? ['shoulder'.$side, 'elbow'.$side] : ['hip'.$side, 'knee'.$side];
        [$upper, $lower] = str_starts_with($end, 'hand')
            ? [self::LENGTHS['shoulder-elbow'], self::LENGTHS['elbow-hand']]
            : [self::LENGTHS['hip-knee'], self::LENGTHS['knee-ankle']];
        $from = $this->points[$root];
        $line = $place->minus($from);
        $far = min($upper + $lower, max(abs($upper - $lower), $line->length()));
        $axis = $line->unit();
        $along = ($upper ** 2 - $lower ** 2 + $far ** 2) / (2 * $far);
        $off = sqrt(max(0, $upper ** 2 - $along ** 2));
        $pole = $this->points[$middle]->minus($from);
        $pole = $pole->minus($axis->times($axis->dot($pole)));
        $bent = $from->plus($axis->times($along))->plus($pole->unit()->times($off));
        $reached = $from->plus($axis->times($far));
        $moved = [...$this->points, $middle => $bent, $end => $reached];
        if (str_starts_with($end, 'ankle')) {
            $moved['toe'.$side] = $reached->plus($toe);
        }

        return new self($moved);
    }
}
