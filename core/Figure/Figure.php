<?php

declare(strict_types=1);

namespace EvenRungs\Core\Figure;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\UnknownName;

/**
 * How a rung is drawn: a base pose with a few angles of its own, the pose it moves to, what stays planted, and the kit.
 */
final class Figure
{
    private const ENDS = ['hand-r', 'hand-l', 'ankle-r', 'ankle-l'];

    /**
     * @param  Angles  $with  angles that differ from the base pose
     * @param  list<Angles>  $to  angles of each pose it moves to and back from, in turn; none where it is held still
     * @param  bool  $mirrored  whether the other side follows
     * @param  bool  $lowersFirst  whether the first way out is the lowering one
     * @param  list<string>  $planted  hands ("hand-r") and feet ("ankle-r") that stay where they are
     * @param  list<Prop>  $props
     * @param  ?list<Rest>  $rests  what it rests on, where not on what the base pose does
     * @param  ?View  $view  where not the base pose's
     * @param  ?self  $from  the pose that what is held is taken up from, bare
     * @param  bool  $heldAtEnd  whether the pose it moves to is held
     *
     * @throws InvalidValue when what is planted is neither a hand nor a foot
     */
    public function __construct(
        public readonly BasePose $base,
        public readonly Angles $with,
        public readonly array $to,
        public readonly bool $mirrored,
        public readonly bool $lowersFirst,
        public readonly array $planted,
        public readonly array $props,
        public readonly ?array $rests = null,
        public readonly ?View $view = null,
        public readonly ?self $from = null,
        public readonly bool $heldAtEnd = false,
    ) {
        foreach ($planted as $end) {
            if (! in_array($end, self::ENDS, true)) {
                throw UnknownName::because(sprintf('"%s" cannot be planted: only %s', $end, implode(', ', self::ENDS)));
            }
        }
    }

    /**
     * The same figure in other poses.
     *
     * @param  list<Angles>  $to
     */
    public function posed(Angles $with, array $to): self
    {
        return new self(
            $this->base,
            $with,
            $to,
            $this->mirrored,
            $this->lowersFirst,
            $this->planted,
            $this->props,
            $this->rests,
            $this->view,
            $this->from,
            $this->heldAtEnd,
        );
    }

    public function view(): View
    {
        return $this->view ?? $this->base->view;
    }

    /** @return list<Rest> */
    public function rests(): array
    {
        return $this->rests ?? $this->base->rests;
    }
}
