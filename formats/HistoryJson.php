<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use DateTimeImmutable;
use EvenRungs\Core\Dose\MeasureKind;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Verdict\History;
use EvenRungs\Core\Verdict\LoggedSession;
use EvenRungs\Core\Verdict\LoggedSet;
use EvenRungs\Core\Verdict\PainKind;
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
    public function read(Node $node): History
    {
        if (! $this->library->hasLadder($node->string('ladder'))) {
            throw UnusableInput::at($node->path('ladder'), sprintf('there is no ladder "%s"', $node->string('ladder')));
        }
        $ladder = $this->library->ladder($node->string('ladder'));
        if ($ladder->indexOf($node->string('rung')) === null) {
            throw UnusableInput::at($node->path('rung'), sprintf('"%s" is not a rung of this ladder; its rungs are %s', $node->string('rung'), implode(', ', array_map(static fn (Rung $rung): string => $rung->id, $ladder->rungs))));
        }
        $rung = $this->library->rung($node->string('rung'));
        $step = $node->optionalInt('step');
        if ($step !== null && $step >= count($rung->steps)) {
            throw UnusableInput::at($node->path('step'), sprintf('must be under %d on this rung', count($rung->steps)));
        }
        $sessions = $node->each('sessions', fn (Node $session): LoggedSession => $this->session($session, $rung));
        usort($sessions, static fn (LoggedSession $a, LoggedSession $b): int => $a->date <=> $b->date);
        $asOf = self::day($node, 'as_of');
        $last = $sessions === [] ? null : $sessions[count($sessions) - 1];
        if ($asOf !== null && $last !== null && $asOf < $last->date) {
            throw UnusableInput::at($node->path('as_of'), 'lies before the last session');
        }

        return new History($ladder, $rung, $step, self::day($node, 'arrived'), $asOf, $sessions);
    }

    private static function day(Node $node, string $key): ?DateTimeImmutable
    {
        $text = $node->optionalString($key);
        if ($text === null) {
            return null;
        }
        [$year, $month, $day] = array_map(intval(...), explode('-', $text));

        return checkdate($month, $day, $year) ? new DateTimeImmutable($text) : throw UnusableInput::at($node->path($key), sprintf('"%s" is not a day of the calendar', $text));
    }

    private function session(Node $node, Rung $rung): LoggedSession
    {
        return new LoggedSession(
            self::day($node, 'date') ?? throw UnusableInput::at($node->path('date'), 'is required'),
            $node->optionalInt('soreness'),
            $node->optionalInt('pain_before'),
            $node->optionalInt('pain_next_day'),
            $node->each('sets', fn (Node $set): LoggedSet => $this->set($set, $rung)),
            $node->has('ticks') ? $node->strings('ticks') : null,
        );
    }

    private function set(Node $node, Rung $rung): LoggedSet
    {
        $inReps = $rung->start()->measure->kind() === MeasureKind::Reps;
        $hasReps = $node->has('target_reps') || $node->has('reps');
        $hasHold = $node->has('target_hold_s') || $node->has('hold_s');
        if ($hasReps === $hasHold) {
            throw UnusableInput::at($node->path(), $hasReps ? 'has both repetitions and a hold; one of them counts' : 'needs target_reps and reps, or target_hold_s and hold_s');
        }
        [$target, $done] = $hasReps ? ['target_reps', 'reps'] : ['target_hold_s', 'hold_s'];
        foreach ([$target, $done] as $needed) {
            if (! $node->has($needed)) {
                throw UnusableInput::at($node->path($needed), 'is required beside the other');
            }
        }
        if ($hasReps !== $inReps && $rung->start()->measure->kind() !== MeasureKind::Distance) {
            throw UnusableInput::at($node->path($target), sprintf('this rung is counted in %s', $inReps ? 'repetitions' : 'seconds held'));
        }
        foreach ([...$node->strings('faults'), ...$node->strings('cued'), ...($node->optionalString('ended_by') === null ? [] : [$node->string('ended_by')])] as $fault) {
            if (! isset($this->library->faults[$fault])) {
                throw UnusableInput::at($node->path('faults'), sprintf('"%s" is not a fault; there are %s', $fault, implode(', ', array_keys($this->library->faults))));
            }
        }
        $scale = $hasReps ? 1 : 1000;
        $side = $node->optionalString('side');

        return new LoggedSet(
            match ($side) {
                'left', 'right', 'both' => $side,
                default => null,
            },
            $node->number($target) * $scale,
            $node->number($done) * $scale,
            $node->has('faults') ? $node->strings('faults') : null,
            $node->strings('cued'),
            $node->optionalString('ended_by'),
            $node->optionalInt('pain'),
            PainKind::tryFrom($node->optionalString('pain_kind') ?? ''),
            $node->optionalInt('effort'),
            $node->has('breathing') ? $node->bool('breathing') : null,
            $node->strings('felt'),
        );
    }

    /** @return array<string, mixed> */
    public static function write(Verdict $verdict, History $history): array
    {
        return [
            'verdict' => $verdict->decision->value,
            'from' => ['rung' => $history->rung->id, 'step' => $history->step],
            'to' => $verdict->to === null ? null : ['rung' => $verdict->to->id, 'step' => $verdict->step],
            'dose' => $verdict->dose === null ? null : DoseJson::write($verdict->dose),
            'reasons' => array_map(static fn (string $text): array => ['rule' => $verdict->rule, 'text' => $text], $verdict->reasons),
            'would_change' => $verdict->wouldChange,
            'refer' => $verdict->refer,
            'retest' => $verdict->retest,
            'swap' => $verdict->swap?->id,
        ];
    }
}
