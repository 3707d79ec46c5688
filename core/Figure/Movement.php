<?php

declare(strict_types=1);

namespace EvenRungs\Core\Figure;

/**
 * The bodies a figure passes through, from its start to each of its poses and back.
 *
 * Between two poses the angles change evenly. Each body is put down on what it rests on, without its first point of rest
 * sliding, and planted hands and feet are reached for, so that they stay.
 */
final class Movement
{
    /** Bodies from one pose to the next. */
    public const SAMPLES = 8;

    /** Nearer to the floor than this at the start, a planted hand or foot is put on it. */
    private const NEAR_FLOOR = 6.0;

    /** @var array<string, array{Vector, Vector}> where planted hands and feet are, and how the foot lies from there */
    private readonly array $planted;

    private readonly Body $first;

    public function __construct(private readonly Figure $figure)
    {
        $start = $figure->base->angles->with($figure->with);
        $resting = $this->atRest($start, null);
        $planted = [];
        foreach ($figure->planted as $end) {
            $point = $resting->point($end);
            $floor = Body::radius($end);
            $toe = $resting->point(str_replace(['hand', 'ankle'], 'toe', $end))->minus($point);
            $planted[$end] = [abs($point->y - $floor) < self::NEAR_FLOOR ? new Vector($point->x, $floor, $point->z) : $point, $toe];
        }
        $this->planted = $planted;
        $this->first = $this->reached($resting);
    }

    public function first(): Body
    {
        return $this->first;
    }

    /** The body at the first of the poses it moves to; the start where it is held still. */
    public function furthest(): Body
    {
        $to = $this->figure->to[0] ?? null;

        return $to === null ? $this->first : $this->reached(
            $this->atRest($this->figure->base->angles->with($this->figure->with)->with($to), $this->first),
        );
    }

    /**
     * @return list<list<Body>> for each way from one pose to the next, its bodies; one way with one body where it is held still
     */
    public function ways(): array
    {
        $start = $this->figure->base->angles->with($this->figure->with);
        $ways = [];
        foreach ($this->figure->to as $to) {
            $out = $this->way($start, $start->with($to));
            $ways[] = $out;
            $ways[] = array_reverse($out);
        }
        if ($this->figure->mirrored) {
            $other = array_map(static fn (array $way): array => array_map(static fn (Body $body): Body => $body->mirrored(), $way), $ways);
            $ways = [...$ways, ...$other];
        }

        return $ways === [] ? [[$this->first]] : $ways;
    }

    /** @return list<Body> */
    private function way(Angles $from, Angles $to): array
    {
        $bodies = [];
        for ($i = 0; $i <= self::SAMPLES; $i++) {
            $bodies[] = $this->reached($this->atRest($from->toward($to, $i / self::SAMPLES), $this->first));
        }

        return $bodies;
    }

    private function atRest(Angles $angles, ?Body $first): Body
    {
        $body = Body::of($angles);
        $rests = $this->figure->rests();
        $anchor = $rests[0];
        if (isset($rests[1])) {
            $line = $body->point($rests[1]->joint)->minus($body->point($anchor->joint));
            $rise = $rests[1]->level() - $anchor->level();
            $flat = hypot($line->x, $line->y);
            if ($flat > abs($rise)) {
                $now = atan2($line->y, $line->x);
                $wanted = $line->x >= 0 ? asin($rise / $flat) : M_PI - asin($rise / $flat);
                $turn = rad2deg($wanted - $now);
                $body = $body->map(static fn (Vector $point): Vector => $point->turned(new Vector(0, 0, 1), $turn));
            }
        }
        $point = $body->point($anchor->joint);
        $place = $first === null ? new Vector($point->x, 0, $point->z) : $first->point($anchor->joint);
        $shift = new Vector($place->x - $point->x, $anchor->level() - $point->y, $place->z - $point->z);

        return $this->kneeling($body->map(static fn (Vector $each): Vector => $each->plus($shift)));
    }

    /** A shin that hangs just over or under the floor from a knee that rests on it is laid down. */
    private function kneeling(Body $body): Body
    {
        $rests = array_map(static fn (Rest $rest): string => $rest->height > 0 ? '' : $rest->joint, $this->figure->rests());
        foreach (['-r', '-l'] as $side) {
            if (array_intersect(['knee-r', 'knee-l'], $rests) !== [] && abs($body->point('knee'.$side)->y - Body::LIMB_RADIUS) < 1) {
                $body = $body->withShinDown($side);
            }
        }

        return $body;
    }

    private function reached(Body $body): Body
    {
        foreach ($this->planted as $end => [$place, $toe]) {
            $body = $body->reaching($end, $place, $toe);
        }

        return $body->aboveFloor();
    }
}
