<?php

declare(strict_types=1);

namespace App\Planning;

use App\Models\Client;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Planning\Week\WeekPlanner;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Style\StyleChoice;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\StyleVariant;

/**
 * One client's week in two house styles, and which answer made each difference: the week is planned once more for every answer that
 * differs, with that answer alone exchanged.
 */
final class TwoStylesView
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly ClientPlanner $planner,
        private readonly WeekView $weeks,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Client $client, string $one, string $other): array
    {
        $this->planner->checkMayPlan($client);
        $board = $this->boards->load($client);
        $person = $board->client;
        [$first, $second] = [$this->data->style($one), $this->data->style($other)];
        [$was, $is] = [$this->plan($first, $person), $this->plan($second, $person)];
        $differs = $this->differing($was, $is);
        $made = [];
        $answers = [];
        foreach ($first->choices as $i => $choice) {
            $there = $second->choices[$i];
            if ($choice->side === $there->side) {
                continue;
            }
            $alone = $this->differing($was, $this->plan(StyleVariant::of($this->data, $one, $choice->id, $there->side), $person));
            $changes = array_values(array_intersect($alone, $differs));
            $made = [...$made, ...$changes];
            $answers[] = [
                'question' => $choice->question,
                'one' => $choice->suiting($person)->answer,
                'other' => $there->suiting($person)->answer,
                'changes' => $changes,
                'words' => $this->words($choice->suiting($person), $there->suiting($person), $is),
            ];
        }

        return [
            'one' => $this->half($first, $was, $board),
            'other' => $this->half($second, $is, $board),
            'answers' => $answers,
            'together' => array_values(array_diff($differs, $made)),
        ];
    }

    /** @return array<string, mixed> */
    private function half(Style $style, Program $program, Board $board): array
    {
        return ['id' => $style->id, 'name' => $style->name, 'week' => $this->weeks->of($program->weeks[0], $board->with($program, $style))];
    }

    private function plan(Style $style, Person $person): Program
    {
        return (new WeekPlanner($this->data->library(), $style, $this->data->goals()))->plan($person);
    }

    /** @return list<string> what of the week is there in one of two plans alone, a sentence each */
    private function differing(Program $one, Program $other): array
    {
        [$was, $is] = [$this->lines($one), $this->lines($other)];

        return [
            ...array_map(static fn (string $line): string => 'gone: '.$line, array_values(array_diff($was, $is))),
            ...array_map(static fn (string $line): string => 'new: '.$line, array_values(array_diff($is, $was))),
            ...$this->reordered($one, $other),
        ];
    }

    /** @return list<string> the days on which what both plans hold stands in another order */
    private function reordered(Program $one, Program $other): array
    {
        $lines = [];
        foreach ($one->weeks[0]->sessions as $session) {
            foreach ($other->weeks[0]->sessions as $there) {
                $names = [array_map($this->name(...), $session->entries()), array_map($this->name(...), $there->entries())];
                $both = [
                    array_values(array_intersect($names[0], $names[1])),
                    array_values(array_intersect($names[1], $names[0])),
                ];
                if ($session->day === $there->day && $both[0] !== $both[1]) {
                    $lines[] = sprintf('%s: the same in another order', $session->day->label());
                }
            }
        }

        return $lines;
    }

    /** @return list<string> each session with its kind, each exercise with its dose */
    private function lines(Program $program): array
    {
        $lines = [];
        foreach ($program->weeks[0]->sessions as $session) {
            $lines[] = sprintf('%s: %s', $session->day->label(), $session->kind->value);
            foreach ($session->blocks as $block) {
                foreach ($block->entries() as $entry) {
                    $dose = $block instanceof CircuitBlock ? $entry->dose->withSets($block->rounds) : $entry->dose;
                    $lines[] = sprintf('%s: %s %s', $session->day->label(), $this->name($entry), Wording::shown($dose));
                }
            }
        }

        return array_values(array_unique($lines));
    }

    private function name(Entry $entry): string
    {
        return $this->data->library()->find($entry->exercise)->name ?? $entry->exercise;
    }

    /** @return list<string> what is said otherwise on the exercises of the week */
    private function words(StyleChoice $one, StyleChoice $other, Program $week): array
    {
        $said = [];
        $entries = array_merge([], ...array_map(static fn (Session $each): array => $each->entries(), $week->weeks[0]->sessions));
        foreach ($entries as $entry) {
            $rung = $this->data->library()->find($entry->exercise);
            $now = $rung === null ? null : $other->wordsOn($rung);
            if ($rung !== null && $now !== null && $now !== $one->wordsOn($rung)) {
                $said[$now][$rung->name] = $rung->name;
            }
        }
        $lines = [];
        foreach ($said as $words => $names) {
            $lines[] = sprintf('“%s” on %s', $words, implode(', ', $names));
        }

        return $lines;
    }
}
