<?php

declare(strict_types=1);

namespace EvenRungs\Core\Client;

use EvenRungs\Core\Ladder\Rung;

/**
 * What age leaves out (house rules). Only the year of birth is known, so the careful age counts: the younger one for the rules of the
 * young, the older one for those of the old.
 */
final class Age
{
    /** Under this nobody is planned for. */
    public const LEAST = 8;

    private const CHILD_UNDER = 13;

    private const ADULT_FROM = 18;

    private const OLD_FROM = 65;

    private const CHILD_LEVEL = 5;

    private const YOUTH_LEVEL = 7;

    /** From 65 a rung above this level is one that was climbed to. */
    private const OLD_LEVEL = 4;

    private const OVERHEAD_FROM = 2;

    private function __construct(private readonly ?int $young, private readonly ?int $old)
    {
    }

    public static function of(Client $client): self
    {
        if ($client->born === null || $client->asOf === null) {
            return new self(null, null);
        }
        $years = (int) $client->asOf->format('Y') - $client->born;

        return new self($years - 1, $years);
    }

    public function isTooYoung(): bool
    {
        return $this->young !== null && $this->young < self::LEAST;
    }

    public function isUnderAge(): bool
    {
        return $this->young !== null && $this->young < self::ADULT_FROM;
    }

    public function isOld(): bool
    {
        return $this->old !== null && $this->old >= self::OLD_FROM;
    }

    /** @return ?string why the rung is not for this age; null where it is */
    public function leavesOut(Rung $rung, Client $client): ?string
    {
        return match (true) {
            $this->isUnderAge() => $this->leavesOutForYoung($rung),
            $this->isOld() => $this->leavesOutForOld($rung, $client),
            default => null,
        };
    }

    private function leavesOutForYoung(Rung $rung): ?string
    {
        $child = $this->young !== null && $this->young < self::CHILD_UNDER;
        $top = $child ? self::CHILD_LEVEL : self::YOUTH_LEVEL;

        return match (true) {
            $rung->level->value > $top => sprintf(
                'is level %d, and under %d it is %d at most',
                $rung->level->value,
                $child ? self::CHILD_UNDER : self::ADULT_FROM,
                $top,
            ),
            $rung->grade('fast') > 0 => sprintf('is fast work, which waits until %d', self::ADULT_FROM),
            $child && $rung->isWeighted() && $rung->grade('overhead') >= self::OVERHEAD_FROM => sprintf(
                'holds a weight overhead, which waits until %d',
                self::CHILD_UNDER,
            ),
            default => null,
        };
    }

    private function leavesOutForOld(Rung $rung, Client $client): ?string
    {
        if ($rung->grade('fast') > 0) {
            return sprintf('is fast work, which is left out from %d', self::OLD_FROM);
        }
        if ($rung->level->value <= self::OLD_LEVEL) {
            return null;
        }
        $shown = Shown::by($client)->level($rung->category);
        $top = max(self::OLD_LEVEL, ($shown ?? 0) + 1);

        return $rung->level->value <= $top ? null : sprintf(
            'is level %d, and from %d a rung over level %d is one above what was shown%s',
            $rung->level->value,
            self::OLD_FROM,
            self::OLD_LEVEL,
            $shown === null ? '; nothing was in '.lcfirst($rung->category->label()) : ', level '.$shown,
        );
    }
}
