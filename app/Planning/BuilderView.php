<?php

declare(strict_types=1);

namespace App\Planning;

use App\Support\ClockField;
use App\Support\PreparationView;
use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Rounds;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\Ladder\DoseRange;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Edit\SessionEdit;
use EvenRungs\Core\Planning\Order\BestOrder;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Cut;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Fit;
use EvenRungs\Core\Program\RestBlock;
use EvenRungs\Core\Program\Segment;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Unwritten;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Formats\AuditJson;
use EvenRungs\Formats\SessionJson;
use EvenRungs\Storage\DataFolder;

/**
 * A session in the builder: its honest time as a ribbon, the best order, what could be cut, and what an audit finds in it.
 */
final class BuilderView
{
    public function __construct(private readonly DataFolder $data, private readonly BuilderChange $changes)
    {
    }

    /** @return array<string, mixed> */
    public function of(Session $session, Style $style, ?Person $client): array
    {
        $library = $this->data->library();
        $time = SessionTime::of($session, $library);
        $budget = $client === null ? null : Seconds::of(60 * $client->minutesOn($session->day));
        $blocks = [];
        foreach ($session->blocks as $b => $block) {
            $goal = $client === null ? null : GoalRule::for($client, $this->data->goals());
            $order = (new SessionEdit($library))->order($block, $style, $goal);
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
                'total' => ClockField::of($time->blocks[$b]->total()),
                'order' => $order === null ? null : [
                    'cost' => $order->cost($places),
                    'why' => $order->why($places),
                    'best_cost' => $order->cost($order->best()),
                    'best_why' => $order->why($order->best()),
                    'best' => array_map(fn (int $from): string => $this->name($block->entries()[$from]), $order->best()),
                    'exact' => count($places) <= BestOrder::EXACT_UP_TO,
                    'at_least' => $order->atLeast(),
                    'breaks_more' => max(0, $order->outOfTurn($order->best()) - $order->outOfTurn($places)),
                ],
                'entries' => array_map(
                    fn (Entry $entry, int $e): array => $this->entry(
                        $entry,
                        ClockField::of($time->entries[$b][$e]->total()),
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
            'total' => ClockField::of($time->time->total()),
            'work' => ClockField::of(Seconds::ofMs($time->time->workMs)),
            'rest' => ClockField::of(Seconds::ofMs($time->time->restMs)),
            'change' => ClockField::of(Seconds::ofMs($time->time->changeMs)),
            'claimed' => $session->claimed === null ? null : ClockField::of($session->claimed),
            'budget' => $budget === null ? null : ClockField::of($budget),
            'over' => $budget !== null && $time->time->total()->isLongerThan($budget),
            'blocks' => $blocks,
            ...PreparationView::of($session, $library),
            'ribbon' => array_map(fn (Segment $segment): array => $this->segment($segment), $time->timeline),
            'directions' => $this->shares($session, $time, static fn (string $category, string $position): string => $category),
            'positions' => $this->shares($session, $time, static fn (string $category, string $position): string => $position),
            'cuts' => $budget === null || ! $time->time->total()->isLongerThan($budget) ? [] : array_map(static fn (Cut $cut): array => [
                'what' => $cut->what,
                'costs' => $cut->costs,
                'saves' => ClockField::of($cut->saves),
                'session' => SessionJson::write($cut->session),
            ], array_slice((new Fit($library))->cuts($session), 0, 12)),
            'findings' => array_map(
                static fn (array $each): array => AuditJson::finding($each[0], $each[1]),
                $this->changes->findings($session, $style, $client),
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
            'dose' => $dose = Wording::shown($entry->dose),
            'amount' => $amount = Wording::shown($entry->dose->amount()),
            'kept' => trim(substr($dose, strlen($amount)), ' ,'),
            'note' => $entry->note,
            'total' => $total,
            'suggestions' => $rung !== null ? [] : array_map(
                static fn (Rung $each): array => ['id' => $each->id, 'name' => $each->name],
                $this->data->library()->suggestions($entry->exercise),
            ),
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
            static fn (string $what, int $ms): array => ['what' => $what, 'work' => ClockField::of(Seconds::ofMs($ms))],
            array_keys($work),
            array_values($work),
        );
    }
}
