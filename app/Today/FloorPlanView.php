<?php

declare(strict_types=1);

namespace App\Today;

use App\Models\Studio;
use DateTimeImmutable;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Hold;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\Figure\Drawing;
use EvenRungs\Core\Floor\FloorSet;
use EvenRungs\Core\Floor\FloorSpan;
use EvenRungs\Core\Ladder\Fault;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\ExtraSet;
use EvenRungs\Core\Program\Segment;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Review\Testing\Cuff;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Formats\DoseJson;
use EvenRungs\Formats\FigureJson;
use EvenRungs\Storage\DataFolder;

/**
 * The plan of the floor as a device reads it: timeline, sets, cues, figures, and the rule that stops.
 */
final class FloorPlanView
{
    public function __construct(private readonly DataFolder $data)
    {
    }

    private const BREATH_HELD = 'breath-held';

    /**
     * @param  list<Segment>  $timeline
     * @param  list<array<string, mixed>>  $members
     * @param  list<array{int, Rung, Dose, FloorSet}>  $sets  each with its member, rung and dose
     * @param  list<string>  $warnings  to be read before the start
     * @param  array<string, string>  $kept  why a barred rung is done all the same, by rung
     * @param  list<array<string, array{kg: ?float, band: ?string, on: string}>>  $loads  of each member, the newest weight or band of
     * @param  list<callable(Rung): list<string>>  $words  how each member's style coaches a rung
     *                                                             each rung
     * @param  list<bool>  $mayOpen  of each member, whether a hold may run to the first fault
     * @return array<string, mixed>
     */
    public function of(
        Studio $studio,
        string $title,
        Session $session,
        array $timeline,
        array $members,
        array $sets,
        array $warnings = [],
        array $kept = [],
        ?string $planned = null,
        ?DateTimeImmutable $date = null,
        array $mayOpen = [],
        array $loads = [],
        array $words = [],
    ): array {
        $last = [];
        foreach ($sets as $i => [$member, $rung, , $set]) {
            $last[$member.' '.$rung->ladder] = $set->spans[0]->segment;
        }
        $rungs = [];
        $ladders = [];
        foreach ($sets as [$member, $rung, $dose]) {
            $said = isset($words[$member]) ? $words[$member]($rung) : [];
            $rungs[$rung->id] ??= [...$this->rung($rung, $dose), 'words' => $said, 'kept' => $kept[$rung->id] ?? null];
            // at one station only what is right for everybody is said
            $rungs[$rung->id]['words'] = array_values(array_intersect($rungs[$rung->id]['words'], $said));
            $ladders[$rung->ladder] ??= $this->data->library()->ladderOf($rung)->name;
        }

        return [
            'title' => $title,
            'door' => null,
            'planned' => $planned,
            'date' => $date?->format('Y-m-d'),
            'easy' => LoggedSession::EASY,
            'day' => $session->day->value,
            'segments' => array_map(fn (Segment $segment): array => $this->segment($segment, $session), $timeline),
            'members' => $members,
            'sets' => array_map(
                static fn (array $each, int $i): array => [
                    ...self::set(...[...$each, $each[3]->spans[0]->segment === $last[$each[0].' '.$each[1]->ladder]]),
                    'twin' => self::twin($sets, $i),
                    'can_open' => $mayOpen[$each[0]] && $each[2]->measure instanceof Hold,
                    'last_load_kg' => $loads[$each[0]][$each[1]->id]['kg'] ?? null,
                    'last_band' => $loads[$each[0]][$each[1]->id]['band'] ?? null,
                    'banded' => $each[1]->isBanded(),
                ],
                $sets,
                array_keys($sets),
            ),
            'moves' => (object) $this->moves($timeline),
            'rungs' => $rungs,
            'ladders' => $ladders,
            'stop' => [
                'words' => LoggedSession::STOP_WORDS,
                'over' => LoggedSession::STOP_OVER,
                'kinds' => array_values(
                    array_map(
                        static fn (PainKind $kind): string => $kind->value,
                        array_filter(PainKind::cases(), static fn (PainKind $kind): bool => $kind->stops()),
                    ),
                ),
            ],
            'ticks' => LoggedSession::namedTicks(),
            'studio' => $studio->id,
            'bands' => $studio->bands ?? [],
            'emergency' => $studio->emergencySteps(),
            'warnings' => $warnings,
            'all_faults' => array_map(
                static fn (Fault $fault): array => ['id' => $fault->id, 'name' => $fault->name, 'cue' => $fault->text],
                array_values($this->data->library()->faults),
            ),
        ];
    }

    /**
     * The set of the other side that is worked at in the same moments, as alternating sides are.
     *
     * @param  list<array{int, Rung, Dose, FloorSet}>  $sets
     */
    private static function twin(array $sets, int $i): ?int
    {
        foreach ($sets as $k => [$member, $rung, , $set]) {
            if (
                $k !== $i
                && $member === $sets[$i][0]
                && $rung === $sets[$i][1]
                && $set->side !== $sets[$i][3]->side
                && $set->spans == $sets[$i][3]->spans
            ) {
                return $k;
            }
        }

        return null;
    }

    /** @return array<string, mixed> */
    private function segment(Segment $segment, Session $session): array
    {
        $block = $segment->block === null ? null : $session->blocks[$segment->block];
        $entry = $segment->entry === null ? null : $block?->entries()[$segment->entry] ?? null;

        $move = $this->move($segment);

        return [
            'ms' => $segment->ms(),
            'what' => $segment->kind->value,
            'move' => $move?->id,
            'name' => $entry === null ? $move?->name : $this->data->library()->find($entry->exercise)->name ?? $entry->exercise,
            'rung' => $entry === null ? null : $this->data->library()->find($entry->exercise)?->id,
            'words' => $entry === null ? null : Wording::of($entry->dose),
            'side' => $segment->side === null || $entry === null ? $segment->side : ExtraSet::side($entry) ?? $segment->side,
            'set' => $segment->round ?? $segment->set,
            'sets' => $block instanceof CircuitBlock ? $block->rounds : $entry?->dose->sets,
            'repeat' => $segment->repeat,
            'repeats' => $segment->repeats,
        ];
    }

    /** @return array<string, mixed> */
    private static function set(int $member, Rung $rung, Dose $dose, FloorSet $set, bool $last): array
    {
        return [
            'member' => $member,
            'rung' => $rung->id,
            'ladder' => $rung->ladder,
            'category' => $rung->category->value,
            'side' => $set->side,
            'target' => $rung->unit()->shown($set->target),
            'unit' => $rung->unit()->value,
            'unit_ms' => $rung->unit()->kept($set->unitMs),
            'dose' => $set->timed ? sprintf(
                '%s of work',
                Seconds::ofMs(
                    array_sum(array_map(static fn (FloorSpan $span): int => $span->toMs - $span->fromMs, $set->spans)),
                )->toClock(),
            ) : Wording::oneSet($set->side === 'both' ? $dose : $dose->withSide(null)),
            'load_kg' => $dose->loadKg,
            'asked' => (object) (
                $set->timed ? [
                    ...array_diff_key(self::asked($rung, $dose), ['target_hold_s' => 0]),
                    'timed' => true,
                ] : self::asked($rung, $dose)
            ),
            'spans' => array_map(
                static fn (FloorSpan $span): array => ['segment' => $span->segment, 'from_ms' => $span->fromMs, 'to_ms' => $span->toMs],
                $set->spans,
            ),
            'last_of_ladder' => $last,
        ];
    }

    /**
     * What a set is asked beside its amount, as a log names it: the range, the hold in every repetition, and whether its time is what
     * counts.
     *
     * @return array<string, int|float|bool>
     */
    public static function asked(Rung $rung, Dose $dose): array
    {
        $hold = $dose->measure instanceof Reps ? $dose->measure->hold : null;
        $range = $rung->range === null ? [] : DoseJson::writeRange($dose->range);

        return [
            ...array_combine(array_map(static fn (string $key): string => 'target_'.$key, array_keys($range)), array_values($range)),
            ...($hold === null ? [] : ['target_hold_s' => $hold->toNumber()]),
            ...($dose->measure instanceof Work ? ['timed' => true] : []),
        ];
    }

    /** The move of the warm-up or cool-down that a segment is. */
    private function move(Segment $segment): ?Rung
    {
        return $segment->block === null && $segment->exercise !== null ? $this->data->library()->preparing($segment->exercise) : null;
    }

    /**
     * @param  list<Segment>  $timeline
     * @return array<string, array<string, mixed>> the moves of warm-up and cool-down, by id
     */
    private function moves(array $timeline): array
    {
        $moves = [];
        foreach ($timeline as $segment) {
            $move = $this->move($segment);
            if ($move !== null) {
                $moves[$move->id] = [
                    'name' => $move->name,
                    'setup' => $move->coaching()->setup,
                    'figure' => FigureJson::drawing(Drawing::of($move->figure(), $move->tempo)),
                ];
            }
        }

        return $moves;
    }

    /** @return array<string, mixed> */
    private function rung(Rung $rung, Dose $dose): array
    {
        $coaching = $rung->coaching();
        $reps = $dose->measure instanceof Reps ? $dose->measure : null;
        $faults = array_values(array_unique([...$rung->faults, self::BREATH_HELD]));

        return [
            'name' => $rung->name,
            'watch' => $coaching->watch,
            'setup' => $coaching->setup,
            'less_range' => $coaching->lessRange,
            'line' => ($rung->line->joints ?? []) !== [],
            'cuff' => $rung->ladder === Cuff::LADDER,
            'range' => $rung->range === null ? null : ($rung->range->isCm() ? 'cm' : 'share'),
            'faults' => array_map(
                fn (string $fault): array => [
                    'id' => $fault,
                    'name' => $this->data->library()->faults[$fault]->name,
                    'cue' => $coaching->cue($fault) ?? (
                        $fault === self::BREATH_HELD ? 'Breathe out on the effort.' : $this->data->library()->faults[$fault]->text
                    ),
                ],
                $faults,
            ),
            'figure' => FigureJson::drawing(
                Drawing::of($rung->figure(), $reps->tempo ?? $rung->tempo, (float) ($reps?->hold?->toNumber() ?? 0)),
            ),
        ];
    }
}
