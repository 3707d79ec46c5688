<?php

declare(strict_types=1);

namespace EvenRungs\Core\Planning\Week;

use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Style\WeekWeights;
use EvenRungs\Core\Time\Weekday;

/**
 * The use of each day that costs the least. The cost of a week is the sum over everything that is not as wished, each with its weight:
 *
 *     directions short of their sessions + hard sessions short + wishes for days given up + training days over the most
 *     + hard sessions beside sport + finishers on heavy days + minutes that hard sessions lack + minutes of idle days
 *
 * Never broken: the minutes, 48 h between hard sessions all round the week, nothing hard on a heavy day, the day before one, or around a
 * match. Exact: every week that keeps these is looked at, or cut off where it already costs more than the best. Where several
 * cost as little, `WeekDays` takes the one whose sessions are worth the most.
 */
final class BestWeek
{
    private const STEP_MS = 300_000;

    /** @var list<list<DayUse>> all that cost the least */
    private array $best = [];

    private int $least = PHP_INT_MAX;

    private function __construct(private readonly WeekWishes $wishes, private readonly WeekWeights $weights)
    {
    }

    public static function of(WeekWishes $wishes, WeekWeights $weights): ChosenWeek
    {
        return self::all($wishes, $weights)[0];
    }

    /** @return non-empty-list<ChosenWeek> every week that costs the least */
    public static function all(WeekWishes $wishes, WeekWeights $weights): array
    {
        $search = new self($wishes, $weights);
        $search->choose([], 0, 0);

        return array_map(
            static fn (array $uses): ChosenWeek => new ChosenWeek(
                $uses,
                $search->cost($uses),
                $search->parts($uses),
                $search->givenUp($uses),
            ),
            $search->best === [] ? [array_fill(0, 7, DayUse::Free)] : $search->best,
        );
    }

    /**
     * @param  list<DayUse>  $uses  of the days so far
     * @param  int  $cost  what they cost already, whatever follows
     * @param  int  $hard  hard sessions so far
     */
    private function choose(array $uses, int $cost, int $hard): void
    {
        $day = count($uses);
        if ($cost > $this->least) {
            return;
        }
        if ($day === 7) {
            if ($hard > 1 && $uses[0] === DayUse::Hard && $uses[6] === DayUse::Hard) {
                return;
            }
            $whole = $this->cost($uses);
            if ($whole < $this->least) {
                [$this->best, $this->least] = [[], $whole];
            }
            if ($whole === $this->least) {
                $this->best[] = $uses;
            }

            return;
        }
        foreach ($this->wishes->uses($day) as $use) {
            $isHard = $use === DayUse::Hard;
            if ($isHard && ($hard >= $this->wishes->hardDays || ($day > 0 && $uses[$day - 1] === DayUse::Hard))) {
                continue;
            }
            $this->choose([...$uses, $use], $cost + $this->costOfDay($day, $use), $hard + ($isHard ? 1 : 0));
        }
    }

    private function costOfDay(int $day, DayUse $use): int
    {
        $w = $this->weights;
        $wished = $this->wishes->wished[$day] ?? null;

        return ($wished !== null && $wished !== $use ? $w->wishBroken : 0) + match ($use) {
            DayUse::Hard => ($this->wishes->sport[$day] ? $w->hardBesideSport : 0) + $w->hardMinutesLost * intdiv(
                $this->wishes->longestMs - $this->wishes->length($day, $use),
                self::STEP_MS,
            ),
            DayUse::Finisher => $w->finisherOnHeavyDay,
            DayUse::Free => $this->wishes->ms[$day] === 0 ? 0 : $w->idleMinutes * max(1, intdiv($this->wishes->ms[$day], self::STEP_MS)),
            default => 0,
        };
    }

    /** @param  list<DayUse>  $uses */
    private function cost(array $uses): int
    {
        $cost = 0;
        foreach ($uses as $day => $use) {
            $cost += $this->costOfDay($day, $use);
        }
        $hard = count(array_filter($uses, static fn (DayUse $use): bool => $use === DayUse::Hard));

        return $cost
            + $this->weights->hardShort * max(0, $this->wishes->hardDays - $hard)
            + $this->weights->noFreeDay * max(0, $this->trainingDays($uses) - $this->wishes->trainingDays)
            + $this->weights->directionShort * array_sum($this->short($uses));
    }

    /** @param  list<DayUse>  $uses */
    private function trainingDays(array $uses): int
    {
        $days = 0;
        foreach ($uses as $day => $use) {
            $days += $use !== DayUse::Free || $this->wishes->elsewhere[$day] ? 1 : 0;
        }

        return $days;
    }

    /**
     * Sessions that each direction is short of: every session gives its room to the directions that still need the most.
     *
     * @param  list<DayUse>  $uses
     * @return array<string, int> by code
     */
    private function short(array $uses): array
    {
        $left = $this->wishes->times;
        foreach ($uses as $day => $use) {
            $room = $this->wishes->room($day, $use);
            if ($room === 0) {
                continue;
            }
            arsort($left);
            foreach (array_keys($left) as $code) {
                if ($room > 0 && $left[$code] > 0) {
                    $left[$code]--;
                    $room--;
                }
            }
        }

        return $left;
    }

    /**
     * @param  list<DayUse>  $uses
     * @return array<string, int> what the week costs, by cause
     */
    private function parts(array $uses): array
    {
        $parts = [];
        $add = static function (string $what, int $cost) use (&$parts): void {
            if ($cost > 0) {
                $parts[$what] = ($parts[$what] ?? 0) + $cost;
            }
        };
        $w = $this->weights;
        $hard = 0;
        foreach ($uses as $day => $use) {
            $wished = $this->wishes->wished[$day] ?? null;
            $broken = $wished !== null && $wished !== $use ? $w->wishBroken : 0;
            $add('wishes given up', $broken);
            $beside = $use === DayUse::Hard && $this->wishes->sport[$day] ? $w->hardBesideSport : 0;
            $add('hard sessions beside sport', $beside);
            $rest = $this->costOfDay($day, $use) - $broken - $beside;
            $add(match ($use) {
                DayUse::Hard => 'minutes that hard sessions lack',
                DayUse::Finisher => 'finishers on heavy days',
                default => 'minutes of idle days',
            }, $rest);
            $hard += $use === DayUse::Hard ? 1 : 0;
        }
        $add('hard sessions short', $w->hardShort * max(0, $this->wishes->hardDays - $hard));
        $add('training days over the most', $w->noFreeDay * max(0, $this->trainingDays($uses) - $this->wishes->trainingDays));
        foreach ($this->short($uses) as $code => $times) {
            $add(sprintf('%s short', lcfirst(Category::from($code)->label())), $w->directionShort * $times);
        }

        return $parts;
    }

    /**
     * @param  list<DayUse>  $uses
     * @return list<string> each wish that had to give, and why
     */
    private function givenUp(array $uses): array
    {
        $givenUp = [];
        foreach ($this->wishes->wished as $day => $wished) {
            if ($uses[$day] !== $wished) {
                $givenUp[] = sprintf(
                    '%s on %s: %s.',
                    ucfirst($wished->label()),
                    Weekday::cases()[$day]->label(),
                    $this->whyNot($day, $wished, $uses),
                );
            }
        }
        foreach ($this->short($uses) as $code => $times) {
            if ($times > 0) {
                $givenUp[] = sprintf(
                    '%s %d times a week: the minutes and the days between hard sessions leave room for %d.',
                    Category::from($code)->label(),
                    $this->wishes->times[$code],
                    $this->wishes->times[$code] - $times,
                );
            }
        }

        return $givenUp;
    }

    /** @param  list<DayUse>  $uses */
    private function whyNot(int $day, DayUse $wished, array $uses): string
    {
        $beside = array_filter([($day + 1) % 7, ($day + 6) % 7], static fn (int $other): bool => $uses[$other] === DayUse::Hard);

        return match (true) {
            $this->wishes->ms[$day] === 0 => 'the day has no minutes',
            $this->wishes->match[$day] => 'it is the day of a match',
            $this->wishes->heavy[$day] && in_array($wished, [DayUse::Hard, DayUse::Light], true) => 'it is a day of heavy lifting',
            $wished === DayUse::Hard && $this->wishes->heavy[($day + 1) % 7] => 'a heavy lift or a match follows the next day',
            ! in_array($wished, $this->wishes->uses($day), true) => 'there is no lift on that day',
            $wished === DayUse::Hard && $beside !== [] => sprintf(
                '%s is hard, and hard days keep 48 h apart',
                Weekday::cases()[array_values($beside)[0]]->label(),
            ),
            $wished === DayUse::Hard => sprintf('%d hard days are the most', $this->wishes->hardDays),
            default => 'the other wishes weigh more',
        };
    }
}
