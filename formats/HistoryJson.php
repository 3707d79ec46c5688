<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Dose\MeasureKind;
use EvenRungs\Core\Dose\Unit;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\History;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Log\Position;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Verdict\Verdict;

/**
 * `even-rungs/history` and the answer of `verdict`.
 */
final class HistoryJson
{
    public const FORMAT = 'even-rungs/history';

    public function __construct(private readonly Library $library)
    {
    }

    /** @throws UnusableInput with every ladder, rung, step, day and set that cannot be */
    public function read(Node $node, Steps $steps): History
    {
        if (! $this->library->hasLadder($node->string('ladder'))) {
            throw UnusableInput::at($node->path('ladder'), sprintf('there is no ladder "%s"', $node->string('ladder')));
        }
        $ladder = $this->library->ladder($node->string('ladder'));
        if ($ladder->indexOf($node->string('rung')) === null) {
            throw UnusableInput::at(
                $node->path('rung'),
                sprintf(
                    '"%s" is not a rung of this ladder; its rungs are %s',
                    $node->string('rung'),
                    implode(', ', array_map(static fn (Rung $rung): string => $rung->id, $ladder->rungs)),
                ),
            );
        }
        $rung = $this->library->rung($node->string('rung'));
        $step = $node->optionalInt('step');
        if ($step !== null && $step > $steps->last($rung)) {
            throw UnusableInput::at($node->path('step'), sprintf('must be under %d on this rung', count($steps->of($rung))));
        }
        $sessions = $node->each('sessions', fn (Node $session): LoggedSession => $this->session($session, $rung));
        usort($sessions, static fn (LoggedSession $a, LoggedSession $b): int => $a->date <=> $b->date);
        $asOf = $node->optionalDay('as_of');
        $last = $sessions === [] ? null : $sessions[count($sessions) - 1];
        if ($asOf !== null && $last !== null && $asOf < $last->date) {
            throw UnusableInput::at($node->path('as_of'), 'lies before the last session');
        }
        $monitored = $node->optionalChild('monitored');
        $from = $monitored?->optionalDay('from');

        return new History(
            $ladder,
            $rung,
            $step,
            $node->optionalDay('arrived'),
            $asOf,
            $sessions,
            $steps,
            DoseJson::readRange($node),
            $node->optionalDay('cleared'),
            $from === null ? null : [$from, $monitored?->optionalDay('until')],
            $node->optionalDay('trained_on'),
        );
    }

    private function session(Node $node, Rung $rung): LoggedSession
    {
        $unchecked = $node->isFalse('checked');
        $sets = $node->each('sets', function (Node $set) use ($rung, &$unchecked): LoggedSet {
            $unchecked = $unchecked || $set->isFalse('checked');

            return $this->set($set, $rung);
        });

        return new LoggedSession(
            $node->optionalDay('date') ?? throw UnusableInput::at($node->path('date'), 'is required'),
            $node->optionalInt('soreness'),
            $node->optionalInt('pain_before'),
            $node->optionalInt('pain_next_day'),
            $sets,
            $node->has('ticks') ? $node->strings('ticks') : null,
            PainKind::tryFrom($node->optionalString('pain_kind') ?? ''),
            ! $unchecked,
        );
    }

    private function set(Node $node, Rung $rung): LoggedSet
    {
        foreach (['faults', 'cued', 'ended_by'] as $field) {
            foreach ($field === 'ended_by' ? array_filter([$node->optionalString($field)]) : $node->strings($field) as $fault) {
                if (! isset($this->library->faults[$fault])) {
                    throw UnusableInput::at(
                        $node->path($field),
                        sprintf('"%s" is not a fault; there are %s', $fault, implode(', ', array_keys($this->library->faults))),
                    );
                }
            }
        }
        [$target, $done, $timed] = $this->amounts($node, $rung);
        $inRep = $rung->start()->measure->kind() === MeasureKind::Reps && ! $timed;
        $ms = static fn (string $key): ?int => $inRep && $node->has($key) ? (int) round(1000 * $node->number($key)) : null;
        $side = $node->optionalString('side');
        $none = ($node->has('range') && $node->number('range') <= 0) || ($node->has('range_cm') && $node->number('range_cm') <= 0);

        return new LoggedSet(
            match ($side) {
                'left', 'right', 'both' => $side,
                default => null,
            },
            $target,
            $done,
            $node->has('faults') ? $node->strings('faults') : null,
            $node->strings('cued'),
            $node->optionalString('ended_by'),
            $node->optionalInt('pain'),
            PainKind::tryFrom($node->optionalString('pain_kind') ?? ''),
            $node->optionalInt('effort'),
            $node->has('breathing') ? $node->bool('breathing') : null,
            $node->strings('felt'),
            DoseJson::readRange($node, 'target_'),
            $none ? null : DoseJson::readRange($node),
            $none,
            $node->bool('open'),
            $timed,
            $ms('target_hold_s'),
            $ms('hold_s'),
        );
    }

    /**
     * @return array{int|float, int|float, bool} target, done, and whether it is a time of work
     *
     * @throws UnusableInput where a set is not counted as its rung is
     */
    private function amounts(Node $node, Rung $rung): array
    {
        $given = array_keys(array_filter([
            'work_s' => $node->has('target_work_s') || $node->has('work_s'),
            'distance_m' => $node->has('target_distance_m') || $node->has('distance_m'),
            'reps' => $node->has('target_reps') || $node->has('reps'),
            'hold_s' => $node->has('target_hold_s') || $node->has('hold_s'),
        ]));
        $kind = $rung->start()->measure->kind();
        [$meant, $in] = match ($kind) {
            MeasureKind::Reps => ['reps', 'repetitions'],
            MeasureKind::Distance => ['distance_m', 'metres'],
            default => ['hold_s', 'seconds held'],
        };
        $of = match (true) {
            in_array('work_s', $given, true) => 'work_s',
            in_array($meant, $given, true) && ($given === [$meant] || ($meant === 'reps' && $given === ['reps', 'hold_s'])) => $meant,
            $kind === MeasureKind::Distance && $given === ['hold_s'] => 'hold_s',
            count($given) > 1 => throw UnusableInput::at(
                $node->path(),
                sprintf('has %s; one of them counts, and this rung is counted in %s', implode(' and ', $given), $in),
            ),
            $given === [] => throw UnusableInput::at($node->path(), sprintf('needs target_%s and %s', $meant, $meant)),
            default => throw UnusableInput::at($node->path('target_'.$given[0]), sprintf('this rung is counted in %s', $in)),
        };
        foreach (['target_'.$of, $of] as $needed) {
            if (! $node->has($needed)) {
                throw UnusableInput::at($node->path($needed), 'is required beside the other');
            }
        }
        $unit = in_array($of, ['hold_s', 'work_s'], true) ? Unit::Seconds : $rung->unit();

        return [
            $unit->kept($node->number('target_'.$of)),
            $unit->kept($node->number($of)),
            $of === 'work_s' || ($of === 'hold_s' && $kind === MeasureKind::Distance),
        ];
    }

    /** @return array<string, mixed> */
    public static function writePosition(Position $position): array
    {
        return ['rung' => $position->rung->id, 'step' => $position->step, ...DoseJson::writeRange($position->range)];
    }

    /** @return array<string, mixed> */
    public static function write(Verdict $verdict, History $history): array
    {
        return [
            'verdict' => $verdict->decision->value,
            'scope' => $verdict->scope,
            'from' => self::writePosition($history->position()),
            'to' => $verdict->to === null ? null : self::writePosition($verdict->to),
            'dose' => $verdict->dose === null ? null : DoseJson::write($verdict->dose),
            'reasons' => array_map(static fn (string $text): array => ['rule' => $verdict->rule, 'text' => $text], $verdict->reasons),
            'would_change' => $verdict->wouldChange,
            'refer' => $verdict->refer,
            'retest' => $verdict->retest,
            'swap' => $verdict->swap?->id,
        ];
    }
}
