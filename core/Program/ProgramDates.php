<?php

declare(strict_types=1);

namespace EvenRungs\Core\Program;

use DateTimeImmutable;
use EvenRungs\Core\Time\Weekday;

/**
 * On which day each session of a program falls. A program begins on a day, whatever weekday that is, and every seven days from there its
 * next week; what is left moves on by whole weeks where the client is away, so that every session keeps its weekday.
 */
final class ProgramDates
{
    /** Where a program keeps what it needs to know its days: in its own `x`, and in that of its sessions. */
    private const BEGAN = 'began_on';

    private const SHIFTS = 'shifts';

    private const NUMBER = 'number';

    private const FROM_DAY = 'from_day';

    private const FROM_WEEK = 'from_week';

    private const MISSED = 'missed';

    private const WEEK = 7;

    /** @param  list<Shift>  $shifts  in the order of their days, so that what an earlier one moves meets the later ones */
    private function __construct(private readonly Program $program, public readonly DateTimeImmutable $began, public readonly array $shifts)
    {
    }

    /** Null where nobody ever said when the program begins. */
    public static function of(Program $program): ?self
    {
        $began = self::day($program->x->get(self::BEGAN));
        if ($began === null) {
            return null;
        }
        $shifts = [];
        foreach ($program->x->parts(self::SHIFTS) as $each) {
            $each = is_array($each) ? $each : [];
            $from = self::day($each['from'] ?? null);
            $weeks = $each['weeks'] ?? null;
            if ($from !== null && is_int($weeks) && $weeks >= 1 && $weeks <= Shift::MOST_WEEKS) {
                $shifts[] = new Shift($from, $weeks, self::day($each['to'] ?? null));
            }
        }

        usort($shifts, static fn (Shift $a, Shift $b): int => $a->from <=> $b->from);

        return new self($program, $began, $shifts);
    }

    /**
     * A program that begins on a day, of which nothing was moved yet.
     *
     * @param  string  $number  tells its sessions from those of every other program
     */
    public static function begin(Program $program, DateTimeImmutable $day, string $number): Program
    {
        $x = $program->x->without(self::SHIFTS)->with(self::BEGAN, $day->format('Y-m-d'))->with(self::NUMBER, $number);
        $began = $program->withX($x);

        return $began->mapSessions(
            static fn (Session $session): Session => $session->withX(
                $session->x->without(self::FROM_DAY, self::FROM_WEEK, self::MISSED),
            ),
        );
    }

    /** The same program begun on another day. */
    public function beginningOn(DateTimeImmutable $day): Program
    {
        return $this->program->withX($this->program->x->with(self::BEGAN, $day->format('Y-m-d')));
    }

    /** @param  list<Shift>  $shifts */
    public function shiftedBy(array $shifts): Program
    {
        $x = $this->program->x->without(self::SHIFTS);
        $written = array_map(static fn (Shift $shift): array => $shift->toArray(), $shifts);

        return $this->program->withX($shifts === [] ? $x : $x->with(self::SHIFTS, $written));
    }

    /** @param  int  $week  place in the program, from 0; likewise the session */
    public function session(int $week, int $session): DateTimeImmutable
    {
        $day = $this->program->weeks[$week]->sessions[$session]->day;
        $first = $this->began->modify(sprintf('+%d days', self::WEEK * $week));
        $offset = ($day->number() - self::weekday($first) + self::WEEK) % self::WEEK;

        return $this->moved($first->modify(sprintf('+%d days', $offset)));
    }

    /** @return list<array{DateTimeImmutable, Session}> every session with its day */
    public function sessions(): array
    {
        $all = [];
        foreach ($this->program->weeks as $w => $week) {
            foreach ($week->sessions as $s => $session) {
                $all[] = [$this->session($w, $s), $session];
            }
        }

        return $all;
    }

    /** The day on which a week begins. */
    public function first(int $week): DateTimeImmutable
    {
        return $this->moved($this->began->modify(sprintf('+%d days', self::WEEK * $week)));
    }

    /** The day on which a week ends. A week that an absence cuts in two ends with its second part. */
    public function last(int $week): DateTimeImmutable
    {
        return $this->moved($this->began->modify(sprintf('+%d days', self::WEEK * $week + self::WEEK - 1)));
    }

    /** The place of the week that a day falls into: the first before it begins, the last when it is over. */
    public function weekOn(DateTimeImmutable $day): int
    {
        $count = max(1, count($this->program->weeks));
        for ($week = 0; $week < $count - 1; $week++) {
            if ($day <= $this->last($week)) {
                return $week;
            }
        }

        return $count - 1;
    }

    /**
     * The key of every session, by week and place: it stays the same while the session is moved or planned anew.
     *
     * @return list<list<string>>
     */
    public static function keys(Program $program): array
    {
        $number = $program->x->get(self::NUMBER) ?? $program->x->get(self::BEGAN) ?? 'program';
        $keys = [];
        $taken = [];
        foreach ($program->weeks as $week) {
            $of = [];
            foreach ($week->sessions as $session) {
                $from = $session->x->text(self::FROM_DAY) ?? $session->day->value;
                $key = sprintf(
                    '%s.%d.%s.%s',
                    is_string($number) ? $number : 'program',
                    self::weekMovedFrom($session) ?? $week->number,
                    $from,
                    $session->kind->value,
                );
                $taken[$key] = ($taken[$key] ?? 0) + 1;
                $of[] = $taken[$key] === 1 ? $key : $key.'.'.$taken[$key];
            }
            $keys[] = $of;
        }

        return $keys;
    }

    /** A session on another day of its week; it stays the session it was. */
    public static function onDay(Session $session, Weekday $day): Session
    {
        $from = $session->x->get(self::FROM_DAY) ?? $session->day->value;
        $x = $session->x->without(self::FROM_DAY, self::MISSED);
        if ($from !== $day->value || $x->get(self::FROM_WEEK) !== null) {
            $x = $x->with(self::FROM_DAY, $from);
        }

        return $session->onDay($day)->withX($x->orNone());
    }

    /**
     * A program in which a session lies on another day, of its week or of the one after; it stays the session it was.
     *
     * @param  int  $week  place in the program, from 0; likewise the session
     * @return Program|null null where there is no such session or no week after it
     */
    public static function moveSession(Program $program, int $week, int $session, Weekday $day, bool $weekLater = false): ?Program
    {
        $moved = $program->weeks[$week]->sessions[$session] ?? null;
        $to = $weekLater ? $week + 1 : $week;
        if ($moved === null || ! isset($program->weeks[$to])) {
            return null;
        }
        $from = self::weekMovedFrom($moved) ?? $program->weeks[$week]->number;
        $x = $moved->x->without(self::FROM_WEEK)->with(self::FROM_DAY, $moved->x->get(self::FROM_DAY) ?? $moved->day->value);
        $moved = self::onDay($moved->withX($program->weeks[$to]->number === $from ? $x : $x->with(self::FROM_WEEK, $from)), $day);
        $weeks = $program->changeSession($week, $session, static fn (): ?Session => null)->weeks;
        $sessions = [...$weeks[$to]->sessions, $moved];
        usort($sessions, static fn (Session $a, Session $b): int => $a->day->number() <=> $b->day->number());
        $weeks[$to] = $weeks[$to]->withSessions($sessions);

        return $program->withWeeks(array_values($weeks));
    }

    /** The day that a session was planned on, where it was moved since. */
    public static function movedFrom(Session $session): ?Weekday
    {
        return Weekday::tryFrom($session->x->text(self::FROM_DAY) ?? '');
    }

    /** The number of the week that a session was planned in, where it was moved out of it. */
    public static function weekMovedFrom(Session $session): ?int
    {
        return $session->x->wholeNumber(self::FROM_WEEK);
    }

    public static function missed(Session $session, bool $missed): Session
    {
        $x = $session->x->without(self::MISSED);

        return $session->withX($missed ? $x->with(self::MISSED, true) : $x->orNone());
    }

    public static function isMissed(Session $session): bool
    {
        return $session->x->get(self::MISSED) === true;
    }

    private function moved(DateTimeImmutable $day): DateTimeImmutable
    {
        foreach ($this->shifts as $shift) {
            $day = $shift->apply($day);
        }

        return $day;
    }

    /** Monday 0 to Sunday 6. */
    private static function weekday(DateTimeImmutable $day): int
    {
        return (int) $day->format('N') - 1;
    }

    private static function day(mixed $written): ?DateTimeImmutable
    {
        return is_string($written) ? (DateTimeImmutable::createFromFormat('!Y-m-d', $written) ?: null) : null;
    }
}
