<?php

declare(strict_types=1);

namespace EvenRungs\Core\Style;

/**
 * What each thing costs that is not as it should be in the order of a session. House rules, from data/weights.json.
 */
final class OrderWeights
{
    private const STRICT = 10_000;

    /**
     * @param  int  $outOfTurn  each pair that stands against the style's order
     * @param  int  $sameDirection  two exercises of one category running
     * @param  int  $shouldersTwice  two shoulder-loaded exercises running
     * @param  int  $balanceAfterHold  a balance task straight after a hard hold
     * @param  int  $changeOfPosition  each change of position
     * @param  int  $changeOfKit  each change of kit
     */
    public function __construct(
        public readonly int $outOfTurn,
        public readonly int $sameDirection,
        public readonly int $shouldersTwice,
        public readonly int $balanceAfterHold,
        public readonly int $changeOfPosition,
        public readonly int $changeOfKit,
    ) {
    }

    /** The weights for an order: where it is strict, one pair against it costs more than everything else together. */
    public function for(SetOrder $order): self
    {
        return ! $order->isStrict() ? $this : new self(
            self::STRICT,
            $this->sameDirection,
            $this->shouldersTwice,
            $this->balanceAfterHold,
            $this->changeOfPosition,
            $this->changeOfKit,
        );
    }
}
