<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Segment;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Time;
use EvenRungs\Core\Time\Seconds;

/**
 * The answer of `time`.
 */
final class TimeJson
{
    public function __construct(private readonly Library $library, private readonly bool $withTimeline = false)
    {
    }

    /**
     * @param  ?SessionTime  $time  where it was counted before
     * @return array<string, mixed>
     */
    public function session(Session $session, ?SessionTime $time = null): array
    {
        $time ??= SessionTime::of($session, $this->library);
        $blocks = [];
        foreach ($session->blocks as $b => $block) {
            $entries = [];
            foreach ($block->entries() as $e => $entry) {
                $own = $time->entries[$b][$e];
                $entries[] = [
                    'exercise' => $entry->exercise,
                    'rung' => $this->library->find($entry->exercise)?->id,
                    'work_s' => self::seconds($own->workMs),
                    'rest_s' => self::seconds($own->restMs),
                    'change_s' => self::seconds($own->changeMs),
                    'total_s' => $own->total()->toNumber(),
                ];
            }
            $blocks[] = [...self::parts($time->blocks[$b]), 'entries' => $entries];
        }

        return [
            ...self::parts($time->time),
            'blocks' => $blocks,
            'tension_s' => (object) array_map(self::seconds(...), $time->tensionMs),
            ...($time->unknown === [] ? [] : ['unknown' => $time->unknown]),
            ...($this->withTimeline ? ['timeline' => array_map(self::segment(...), $time->timeline)] : []),
        ];
    }

    /**
     * @param  list<list<SessionTime>>  $times  by week and session, where they were counted before
     * @return array<string, mixed>
     *
     * @throws UnusableInput naming every session that is longer than a day
     */
    public function program(Program $program, array $times = []): array
    {
        $sum = new Time;
        $weeks = [];
        $problems = [];
        foreach ($program->weeks as $w => $week) {
            $sessions = [];
            foreach ($week->sessions as $s => $session) {
                try {
                    $time = $times[$w][$s] ?? SessionTime::of($session, $this->library);
                    $sum = $sum->plus($time->time);
                    $sessions[] = ['day' => $session->day->value, ...$this->session($session, $time)];
                } catch (InvalidValue $e) {
                    $problems[] = new Problem(Node::pointer(['weeks', $w, 'sessions', $s]), $e->sentence);
                }
            }
            $weeks[] = ['week' => $week->number, 'sessions' => $sessions];
        }
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }

        return [...self::parts($sum), 'weeks' => $weeks];
    }

    /**
     * @return array{
     *     work_s: int|float, rest_s: int|float, change_s: int|float, warm_up_s: int|float, cool_down_s: int|float, total_s: int|float,
     * }
     */
    public static function parts(Time $time): array
    {
        return [
            'work_s' => self::seconds($time->workMs),
            'rest_s' => self::seconds($time->restMs),
            'change_s' => self::seconds($time->changeMs),
            'warm_up_s' => self::seconds($time->warmUpMs),
            'cool_down_s' => self::seconds($time->coolDownMs),
            'total_s' => $time->total()->toNumber(),
        ];
    }

    /** @return array<string, mixed> */
    private static function segment(Segment $segment): array
    {
        return [
            'start_s' => self::seconds($segment->startMs),
            'end_s' => self::seconds($segment->endMs),
            'what' => $segment->kind->value,
            'exercise' => $segment->exercise,
            'side' => $segment->side,
            'set' => $segment->set,
            'round' => $segment->round,
            'rep_of' => $segment->repeat === null ? null : $segment->repeat.'/'.$segment->repeats,
        ];
    }

    private static function seconds(int $ms): int|float
    {
        return Seconds::ofMs($ms)->toNumber();
    }
}
