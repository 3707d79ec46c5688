<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\MeasureKind;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Tempo;
use EvenRungs\Core\Figure\BasePose;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Coaching;
use EvenRungs\Core\Ladder\Cue;
use EvenRungs\Core\Ladder\Equipment;
use EvenRungs\Core\Ladder\Fault;
use EvenRungs\Core\Ladder\Gate;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\LimitRule;
use EvenRungs\Core\Ladder\Position;
use EvenRungs\Core\Ladder\RangeScale;
use EvenRungs\Core\Ladder\Role;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Ladder\Sign;
use EvenRungs\Core\Ladder\Stress;
use EvenRungs\Core\Time\Seconds;

/**
 * The library and one ladder of it.
 */
final class LibraryJson
{
    /**
     * @param  array<string, BasePose>  $poses  by id
     *
     * @throws UnusableInput
     */
    public static function readLadder(Node $node, array $poses): Ladder
    {
        $id = $node->string('id');
        $category = Category::from($node->string('category'));
        $rungs = $node->each(
            'rungs',
            static fn (Node $rung): array => [$rung->bool('retired'), self::readRung($rung, $id, $category, $poses)],
        );
        $those = static fn (bool $retired): array => array_values(
            array_column(array_filter($rungs, static fn (array $each): bool => $each[0] === $retired), 1),
        );

        $instead = $node->each('rungs', static fn (Node $rung): array => $rung->bool('retired') && $rung->has('instead')
            ? [$rung->string('id') => $rung->string('instead')]
            : []);

        return $node->guard(static fn (): Ladder => new Ladder(
            $id,
            $node->string('name'),
            $category,
            $node->string('anchor'),
            $those(false),
            $those(true),
            array_merge(...$instead),
        ));
    }

    /** @param  array<string, BasePose>  $poses */
    private static function readRung(Node $node, string $ladder, Category $category, array $poses): Rung
    {
        $side = Side::from($node->string('side'));
        $tempo = $node->has('tempo') ? Tempo::parse($node->string('tempo')) : null;
        $rest = Seconds::of($node->number('rest_s'));
        $kind = MeasureKind::from($node->string('measure'));
        $stresses = [];
        $spared = [];
        foreach ($node->ints('stresses') as $stress => $grade) {
            if ($grade > 0) {
                $stresses[$stress] = min(3, $grade);
            } else {
                $spared[] = $stress;
            }
        }

        return new Rung(
            $node->string('id'),
            $node->string('name'),
            $node->strings('aliases'),
            $ladder,
            $category,
            array_map(Category::from(...), $node->strings('also')),
            Level::of($node->int('level')),
            Position::from($node->string('position')),
            Role::from($node->string('role')),
            $side,
            $node->each('steps', static function (Node $step) use ($side, $tempo, $rest, $kind): Dose {
                $dose = DoseJson::read($step);
                $measure = $dose->measure;
                if ($measure->kind() !== $kind) {
                    throw UnusableInput::at($step->path(), sprintf('is not counted in %s like its rung', $kind->value));
                }
                if ($measure instanceof Reps) {
                    $measure = new Reps($measure->count, $measure->tempo ?? $tempo, $measure->hold);
                }

                return new Dose($measure, $dose->sets, $dose->side ?? $side, $dose->rest ?? $rest, $dose->loadKg, $dose->range);
            }),
            $tempo,
            $rest,
            $node->each('requires', static fn (Node $gate): Gate => new Gate($gate->string('rung'), $gate->string('what'))),
            $node->strings('faults'),
            $stresses,
            $node->strings('equipment'),
            $node->strings('helpful'),
            new Coaching(
                $node->string('adds'),
                $node->string('watch'),
                $node->strings('setup'),
                $node->each('cues', static fn (Node $cue): Cue => new Cue($cue->string('fault'), $cue->string('say'))),
                $node->string('less_range'),
                $node->strings('stop'),
                $node->strings('felt_in'),
                $node->strings('not_in'),
                $node->strings('muscles'),
            ),
            FigureJson::read($node->child('figure'), $poses),
            $node->optionalString('timed_test'),
            self::readRange($node),
            $spared,
            RungLineJson::read($node->optionalChild('line')),
        );
    }

    private static function readRange(Node $node): ?RangeScale
    {
        $cm = is_array($node->all()['range'] ?? null) ? $node->child('range') : null;

        return match (true) {
            $cm !== null => RangeScale::cm($cm->number('step_cm'), $cm->number('full_cm')),
            $node->has('range') => RangeScale::share(),
            default => null,
        };
    }

    public static function readLimit(Node $node): LimitRule
    {
        $barsFrom = [];
        foreach ($node->ints('bars_from') as $stress => $grade) {
            $barsFrom[$stress] = max(1, min(3, $grade));
        }
        $cap = $node->optionalNumber('hold_cap_s');
        $flat = $node->optionalNumber('flat_under_s');

        return new LimitRule(
            $node->string('id'),
            $node->string('name'),
            $node->strings('stresses'),
            $node->string('kind') === 'medical',
            $barsFrom,
            $cap === null ? null : Seconds::of($cap),
            $flat === null ? null : Seconds::of($flat),
            $node->string('caution'),
            $node->optionalString('refer') ?? '',
            array_map(static fn (string $sign): Sign => Sign::from($sign), $node->strings('signs')),
            $node->bool('readiness'),
        );
    }

    /** @return array<string, mixed> */
    public static function write(Library $library): array
    {
        $named = static fn (Fault|Stress|Equipment $row): array => ['id' => $row->id, 'name' => $row->name, 'text' => $row->text];

        return [
            'ladders' => array_map(static fn (Ladder $ladder): array => self::writeLadder($ladder), $library->ladders),
            'faults' => array_map($named, array_values($library->faults)),
            'stresses' => array_map($named, array_values($library->stresses)),
            'limits' => array_map(self::writeLimit(...), array_values($library->limits)),
            'equipment' => array_map($named, array_values($library->equipment)),
        ];
    }

    /** @return array<string, mixed> */
    private static function writeLimit(LimitRule $rule): array
    {
        return [
            'id' => $rule->id,
            'name' => $rule->name,
            'kind' => $rule->medical ? 'medical' : 'soreness',
            'stresses' => $rule->stresses,
            ...($rule->barsFrom === [] ? [] : ['bars_from' => $rule->barsFrom]),
            ...($rule->holdCap === null ? [] : ['hold_cap_s' => $rule->holdCap->toNumber()]),
            ...($rule->flatUnder === null ? [] : ['flat_under_s' => $rule->flatUnder->toNumber()]),
            ...($rule->signs === [] ? [] : ['signs' => array_column($rule->signs, 'value')]),
            ...($rule->asksReadiness ? ['readiness' => true] : []),
            'caution' => $rule->caution,
            ...($rule->refer === '' ? [] : ['refer' => $rule->refer]),
        ];
    }

    /**
     * @param  bool  $withRetired  whether rungs taken off the ladder are written too, so that it reads back whole
     * @return array<string, mixed>
     */
    public static function writeLadder(Ladder $ladder, bool $withRetired = false): array
    {
        $retired = array_map(
            static fn (Rung $rung): array => [
                ...self::writeRung($rung),
                'retired' => true,
                ...(isset($ladder->instead[$rung->id]) ? ['instead' => $ladder->instead[$rung->id]] : []),
            ],
            $withRetired ? $ladder->retired : [],
        );

        return [
            'id' => $ladder->id,
            'name' => $ladder->name,
            'category' => $ladder->category->value,
            'anchor' => $ladder->anchor,
            'rungs' => [...array_map(self::writeRung(...), $ladder->rungs), ...$retired],
        ];
    }

    /** @return array<string, mixed> the ladder's whole document as plain arrays, retired rungs included */
    public static function document(Ladder $ladder): array
    {
        return (
            new Node(Json::toArray(Json::decode(Json::encode(['ladder' => self::writeLadder($ladder, true)]))))
        )->opaque('ladder') ?? [];
    }

    /** @return array<string, mixed> */
    public static function writeRung(Rung $rung): array
    {
        return [
            'id' => $rung->id,
            'name' => $rung->name,
            'aliases' => $rung->aliases,
            'level' => $rung->level->value,
            'position' => $rung->position->value,
            'role' => $rung->role->value,
            'also' => array_map(static fn (Category $also): string => $also->value, $rung->also),
            'measure' => $rung->start()->measure->kind()->value,
            'side' => $rung->side->value,
            ...($rung->range === null ? [] : ['range' => $rung->range->document()]),
            'start' => DoseJson::write($rung->start()),
            'top' => DoseJson::write($rung->top()),
            'steps' => array_map(static fn (Dose $dose): array => DoseJson::write($dose), $rung->steps),
            ...($rung->tempo === null ? [] : ['tempo' => $rung->tempo->toString()]),
            'rest_s' => $rung->rest->toNumber(),
            ...($rung->timedTest === null ? [] : ['timed_test' => $rung->timedTest]),
            'requires' => array_map(static fn (Gate $gate): array => ['rung' => $gate->rung, 'what' => $gate->what], $rung->requires),
            'faults' => $rung->faults,
            'stresses' => (object) [...$rung->stresses, ...array_fill_keys($rung->spared, 0)],
            'equipment' => $rung->equipment,
            'helpful' => $rung->helpful,
            'adds' => $rung->coaching()->adds,
            'watch' => $rung->coaching()->watch,
            'setup' => $rung->coaching()->setup,
            'cues' => array_map(static fn (Cue $cue): array => ['fault' => $cue->fault, 'say' => $cue->say], $rung->coaching()->cues),
            'less_range' => $rung->coaching()->lessRange,
            'stop' => $rung->coaching()->stop,
            'felt_in' => $rung->coaching()->feltIn,
            'not_in' => $rung->coaching()->notIn,
            'muscles' => $rung->coaching()->muscles,
            ...($rung->line === null ? [] : ['line' => RungLineJson::write($rung->line)]),
            'figure' => FigureJson::write($rung->figure()),
        ];
    }
}
