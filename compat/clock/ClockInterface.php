<?php

declare(strict_types=1);

namespace Symfony\Component\Clock;

use DateTimeZone;
use Psr\Clock\ClockInterface as PsrClockInterface;

/**
 * The one interface of symfony/clock that Carbon names: a PSR-20 clock that can wait and change zone.
 */
interface ClockInterface extends PsrClockInterface
{
    public function sleep(float|int $seconds): void;

    public function withTimeZone(DateTimeZone|string $timezone): static;
}
