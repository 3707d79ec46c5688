<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Writing;

/**
 * A circuit in one line, as trainers write it: `3 rounds 50:25`, work and rest of every station in seconds.
 */
final class Rounds
{
    /**
     * @param  int  $count  1 to 50
     * @param  ?Seconds  $work  of every station; null where each has a dose of its own
     */
    private function __construct(public readonly int $count, public readonly ?Seconds $work, public readonly ?Seconds $rest)
    {
        Bounds::Rounds->check($count);
    }

    /** @throws InvalidValue when out of range */
    public static function parse(string $text): ?self
    {
        if (preg_match(
            '/^(?:circuit[:,]?\s*)?(?:x\s*(?=\d+$))?(\d{1,3})\s*(?:rounds?|x|(?<=x\d)|(?<=x \d)|(?<=x\d\d)|(?<=x \d\d))(?: '
                .'of)?:?\s*(?:(\d{1,4})\s*s?\s*(?::|\/|on,?\s?)\s*(\d{1,4})\s*s?(?: off)?)?$/',
            trim(mb_strtolower($text)),
            $m,
        ) !== 1) {
            return null;
        }
        if (isset($m[2])) {
            Bounds::Work->check((int) $m[2]);
            Bounds::Rest->check((int) ($m[3] ?? 0));
        }

        return new self((int) $m[1], isset($m[2]) ? Seconds::of((int) $m[2]) : null, isset($m[2]) ? Seconds::of((int) ($m[3] ?? 0)) : null);
    }

    /** @param  list<Dose>  $doses  of the stations */
    public static function write(int $rounds, array $doses): string
    {
        $line = $rounds.($rounds === 1 ? ' round' : ' rounds');
        $first = $doses[0] ?? null;
        if ($first === null || ! $first->measure instanceof Work) {
            return $line;
        }
        foreach ($doses as $dose) {
            if (
                ! $dose->measure instanceof Work
                || $dose->measure->work()->ms !== $first->measure->work()->ms
                || ($dose->rest->ms ?? 0) !== ($first->rest->ms ?? 0)
            ) {
                return $line;
            }
        }

        return sprintf(
            '%s %s:%s',
            $line,
            Writing::number($first->measure->work()->toNumber()),
            Writing::number(($first->rest ?? Seconds::zero())->toNumber()),
        );
    }
}
