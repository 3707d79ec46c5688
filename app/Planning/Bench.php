<?php

declare(strict_types=1);

namespace App\Planning;

use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Contradiction;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Rounds;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\DoseRange;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Order\BestOrder;
use EvenRungs\Core\Planning\Order\OrderItem;
use EvenRungs\Core\Program\Block;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Cut;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Fit;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\RestBlock;
use EvenRungs\Core\Program\Segment;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\StraightBlock;
use EvenRungs\Core\Program\Unwritten;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\UnknownName;
use EvenRungs\Formats\AuditJson;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\SessionJson;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * A session on the builder's bench: its honest time as a ribbon, the best order, what could be cut, and what an audit finds in it.
 */
final class Bench
{
    /** Rules that speak of one session; the others need the week around it. */
    private const OF_A_SESSION = [
        'time.',
        'order.',
        'limit.',
        'hold.',
        'side.',
        'dose.',
        'level.',
        'exercise.',
        'equipment.',
        'stop.',
        'age.',
        'gate.',
    ];

    public function __construct(private readonly DataFolder $data)
    {
    }

    /**
     * The session with one change made that needs the rules of the job.
     *
     * @throws UnusableInput at the field
     */
    public function changed(Session $session, Node $change, Style $style, ?Person $client): Session
    {
        $block = $change->optionalInt('block') ?? 0;
        try {
            return match ($change->string('do')) {
                'dose' => $session->changeEntry(
                    $block,
                    $change->int('entry'),
                    fn (Entry $entry): Entry => $entry->withDose($this->sided(Shorthand::parse($change->string('text')), $entry)),
                ),
                'rounds' => $this->withRounds($session, $block, $change->string('text')),
                'add' => $this->added($session, $block, $change->string('exercise'), new Steps($style, $client)),
                'order' => $this->ordered($session, $block, $style),
                default => $this->mended($session, $change->string('rule'), $change->string('where'), $style, $client),
            };
        } catch (InvalidValue $e) {
            throw UnusableInput::of('/change/text', $e);
        }
    }

    private function sided(Dose $dose, Entry $entry): Dose
    {
        return $dose->side === null && $this->data->library()->find($entry->exercise)?->side === Side::Both
            ? $dose->withSide(Side::Both)
            : $dose;
    }

    private function withRounds(Session $session, int $place, string $text): Session
    {
        $rounds = Rounds::parse($text) ?? throw UnknownName::because(
            sprintf('"%s" is no circuit; write 3 rounds, or 3 rounds 50:25 for work and rest in seconds', mb_substr($text, 0, 40)),
        );
        $block = $session->blocks[$place] ?? throw UnknownName::because('there is no such block');
        $entries = array_map(static function (Entry $entry) use ($rounds): Entry {
            $dose = $entry->dose->withSets(1);
            $each = $dose->isPerSide() ? Side::Each : $dose->side;

            return $rounds->work === null ? $entry->withDose($dose) : $entry->withDose(
                new Dose(new Work($rounds->work), 1, $each, $rounds->rest, $dose->loadKg, $dose->range),
            );
        }, $block->entries());
        if ($entries === []) {
            throw Contradiction::because('a rest has no rounds');
        }

        return $this->withBlock(
            $session,
            $place,
            new CircuitBlock(
                $entries,
                $rounds->count,
                $block instanceof CircuitBlock ? $block->roundRest : Seconds::zero(),
                $block->restAfter(),
            ),
        );
    }

    private function withBlock(Session $session, int $place, Block $block): Session
    {
        $blocks = $session->blocks;
        $blocks[$place] = $block;

        return $session->withBlocks(array_values($blocks));
    }

    /** An exercise at the end of a block, or in a new one behind the others, at its start dose or for the work time of the circuit. */
    private function added(Session $session, int $place, string $exercise, Steps $steps): Session
    {
        $rung = $this->data->library()->find($exercise) ?? throw UnknownName::because(
            sprintf('"%s" is not in the library', mb_substr($exercise, 0, 60)),
        );
        $dose = $steps->of($rung)[0];
        if ($place === count($session->blocks)) {
            return $session->withBlocks([...$session->blocks, new StraightBlock([new Entry($rung->id, $dose)], Seconds::zero())]);
        }
        $block = $session->blocks[$place] ?? throw UnknownName::because('there is no such block');
        $model = $block->entries()[0] ?? null;
        if ($block instanceof CircuitBlock && $model !== null) {
            $dose = $model->dose->measure instanceof Work
                ? new Dose($model->dose->measure, 1, $rung->side === Side::Both ? Side::Both : Side::Each, $model->dose->rest)
                : $dose->withSets(1);
        }

        return $this->withBlock($session, $place, $block->withEntries([...$block->entries(), new Entry($rung->id, $dose)]));
    }

    private function ordered(Session $session, int $place, Style $style): Session
    {
        $block = $session->blocks[$place] ?? throw UnknownName::because('there is no such block');
        $best = $this->order($block, $style);
        if ($best === null) {
            return $session;
        }
        $entries = $block->entries();

        return $this->withBlock(
            $session,
            $place,
            $block->withEntries(array_map(static fn (int $from): Entry => $entries[$from], $best->best())),
        );
    }

    private function order(Block $block, Style $style): ?BestOrder
    {
        $items = [];
        foreach ($block->entries() as $entry) {
            $rung = $this->data->library()->find($entry->exercise);
            if ($rung === null) {
                return null;
            }
            $items[] = new OrderItem($rung, $entry->dose);
        }

        return count($items) < 2 ? null : new BestOrder($items, $style->plan->order, $style->orderWeights);
    }

    private function mended(Session $session, string $rule, string $where, Style $style, ?Person $client): Session
    {
        foreach ($this->findings($session, $style, $client) as [$finding, $program]) {
            if ($finding->rule === $rule && $finding->where === $where && $finding->fix !== null) {
                return $finding->fix->apply($program)->weeks[0]->sessions[0] ?? $session;
            }
        }

        throw Contradiction::because('there is nothing to mend there any more');
    }

    /** @return list<array{Finding, Program}> */
    private function findings(Session $session, Style $style, ?Person $client): array
    {
        $program = new Program([new Week(1, $client->otherTraining ?? [], [$session])], null, $style->id, $client);
        $audit = new Audit($this->data->library(), $style);
        $findings = $audit->findings($audit->read($program));

        return array_values(array_map(
            static fn (Finding $finding): array => [$finding, $program],
            array_filter(
                $findings,
                static fn (Finding $finding): bool => array_filter(
                    self::OF_A_SESSION,
                    static fn (string $start): bool => str_starts_with($finding->rule, $start),
                ) !== [],
            ),
        ));
    }

    /** @return array<string, mixed> */
    public function of(Session $session, Style $style, ?Person $client): array
    {
        $library = $this->data->library();
        $time = SessionTime::of($session, $library);
        $budget = $client === null ? null : Seconds::of(60 * $client->minutesOn($session->day));
        $blocks = [];
        foreach ($session->blocks as $b => $block) {
            $order = $this->order($block, $style);
            $places = array_keys($block->entries());
            $blocks[] = [
                'type' => match (true) {
                    $block instanceof CircuitBlock => 'circuit',
                    $block instanceof RestBlock => 'rest',
                    default => 'straight',
                },
                'line' => $block instanceof CircuitBlock ? Rounds::write(
                    $block->rounds,
                    array_map(static fn (Entry $entry): Dose => $entry->dose, $block->entries()),
                ) : null,
                'total' => BoardView::clock($time->blocks[$b]->total()),
                'order' => $order === null ? null : [
                    'cost' => $order->cost($places),
                    'why' => $order->why($places),
                    'best_cost' => $order->cost($order->best()),
                    'best_why' => $order->why($order->best()),
                    'best' => array_map(fn (int $from): string => $this->name($block->entries()[$from]), $order->best()),
                    'exact' => count($places) <= BestOrder::EXACT_UP_TO,
                ],
                'entries' => array_map(
                    fn (Entry $entry, int $e): array => $this->entry(
                        $entry,
                        BoardView::clock($time->entries[$b][$e]->total()),
                        $block instanceof CircuitBlock ? $block->rounds : $entry->dose->sets,
                        new Steps($style, $client),
                    ),
                    $block->entries(),
                    array_keys($block->entries()),
                ),
            ];
        }

        return [
            'session' => SessionJson::write($session),
            'total' => BoardView::clock($time->time->total()),
            'work' => BoardView::clock(Seconds::ofMs($time->time->workMs)),
            'rest' => BoardView::clock(Seconds::ofMs($time->time->restMs)),
            'change' => BoardView::clock(Seconds::ofMs($time->time->changeMs)),
            'budget' => $budget === null ? null : BoardView::clock($budget),
            'over' => $budget !== null && $time->time->total()->isLongerThan($budget),
            'blocks' => $blocks,
            'ribbon' => array_map(fn (Segment $segment): array => $this->segment($segment), $time->timeline),
            'directions' => $this->shares($session, $time, static fn (string $category, string $position): string => $category),
            'positions' => $this->shares($session, $time, static fn (string $category, string $position): string => $position),
            'cuts' => $budget === null || ! $time->time->total()->isLongerThan($budget) ? [] : array_map(static fn (Cut $cut): array => [
                'what' => $cut->what,
                'costs' => $cut->costs,
                'saves' => BoardView::clock($cut->saves),
                'session' => SessionJson::write($cut->session),
            ], array_slice((new Fit($library))->cuts($session), 0, 12)),
            'findings' => array_map(
                static fn (array $each): array => AuditJson::finding($each[0], $each[1]),
                $this->findings($session, $style, $client),
            ),
        ];
    }

    private function name(Entry $entry): string
    {
        return $this->data->library()->find($entry->exercise)->name ?? $entry->exercise;
    }

    /**
     * @param  array{seconds: int|float, text: string}  $total
     * @return array<string, mixed>
     */
    private function entry(Entry $entry, array $total, int $sets, Steps $steps): array
    {
        $rung = $this->data->library()->find($entry->exercise);
        $range = $rung === null ? null : DoseRange::outside($entry->dose, $steps->of($rung), $sets);

        return [
            'exercise' => $entry->exercise,
            'name' => $this->name($entry),
            'rung' => $rung?->id,
            'category' => $rung?->category->value,
            'position' => $rung?->position->value,
            'dose' => Shorthand::write($entry->dose),
            'total' => $total,
            'missing' => Unwritten::in($entry->dose, $rung),
            'unusual' => $range === null ? null : ['far' => $range->isFar, 'text' => $range->text],
        ];
    }

    /** @return array<string, mixed> */
    private function segment(Segment $segment): array
    {
        $rung = $segment->exercise === null ? null : $this->data->library()->find($segment->exercise);

        return [
            'start_s' => $segment->startMs / 1000,
            'end_s' => $segment->endMs / 1000,
            'what' => $segment->kind->value,
            'category' => $rung?->category->value,
            'position' => $rung?->position->value,
            'block' => $segment->block,
            'entry' => $segment->entry,
        ];
    }

    /**
     * @param  callable(string, string): string  $by
     * @return list<array{what: string, work: array{seconds: int|float, text: string}}> the most first
     */
    private function shares(Session $session, SessionTime $time, callable $by): array
    {
        $work = [];
        foreach ($session->blocks as $b => $block) {
            foreach ($block->entries() as $e => $entry) {
                $rung = $this->data->library()->find($entry->exercise);
                $what = $rung === null ? 'none' : $by($rung->category->value, $rung->position->value);
                $work[$what] = ($work[$what] ?? 0) + $time->entries[$b][$e]->workMs;
            }
        }
        arsort($work);

        return array_map(
            static fn (string $what, int $ms): array => ['what' => $what, 'work' => BoardView::clock(Seconds::ofMs($ms))],
            array_keys($work),
            array_values($work),
        );
    }
}
