<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Client\Goal;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Planning\Choice\Intent;
use EvenRungs\Core\Style\ChoiceWords;
use EvenRungs\Core\Style\FilledWeights;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\OrderWeights;
use EvenRungs\Core\Style\SetOrder;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Style\StyleChoice;
use EvenRungs\Core\Style\StylePlan;
use EvenRungs\Core\Style\WeekWeights;
use EvenRungs\Core\Time\Seconds;

/**
 * House styles and what each goal asks.
 */
final class StyleJson
{
    /**
     * A style with what follows from each of its choices; what it writes itself goes before that.
     *
     * @param  Node  $weights  of data/weights.json
     * @param  Node  $questions  of data/style-choices.json, by question id, each with its sides by id
     */
    public static function read(Node $node, Node $questions, Node $weights): Style
    {
        $choices = [];
        $plan = $numbers = [];
        foreach ($questions->keys() as $id) {
            $question = $questions->child($id);
            $sides = $question->child('sides');
            $chosen = $node->child('choices')->optionalString($id) ?? $sides->keys()[0];
            $side = $sides->child($chosen);
            $instead = $side->bool('not_for_medical') ? self::choice($id, $question, $sides->keys()[0], null) : null;
            $choices[] = self::choice($id, $question, $chosen, $instead);
            $plan = [...$plan, ...($side->opaque('plan') ?? [])];
            $numbers = [...$numbers, ...($side->opaque('numbers') ?? [])];
        }
        $numbers = new Node([...$numbers, ...($node->opaque('numbers') ?? [])]);
        $seconds = static fn (string $key): Seconds => Seconds::of($numbers->number($key));

        return new Style(
            $node->string('id'),
            $node->string('name'),
            $node->string('summary'),
            $choices,
            $numbers->int('direction_sessions'),
            $numbers->int('hard_sets'),
            $seconds('hard_tension_s'),
            $numbers->int('most_hard_days'),
            $seconds('hold_cap_s'),
            $seconds('switch_on_tension_s'),
            $seconds('switch_on_hold_s'),
            $seconds('standalone_length_s'),
            $seconds('short_length_s'),
            $numbers->int('most_training_days'),
            self::readPlan(new Node([...$plan, ...($node->opaque('plan') ?? [])])),
            $numbers->optionalInt('clean_sessions') ?? Style::USUAL_CLEAN,
            $numbers->optionalInt('days_on_rung') ?? 0,
            $numbers->optionalInt('most_effort') ?? 6,
            ($plan['monitors_pain'] ?? false) === true,
            self::readOrderWeights($weights->child('order')),
            self::readWeekWeights($weights->child('week')),
            self::readFilledWeights($weights->child('filled')),
        );
    }

    private static function choice(string $id, Node $question, string $chosen, ?StyleChoice $forMedical): StyleChoice
    {
        $sides = $question->child('sides');
        $side = $sides->child($chosen);
        $others = array_values(array_diff($sides->keys(), [$chosen]));

        return new StyleChoice(
            $id,
            $chosen,
            $question->string('question'),
            $side->string('answer'),
            $side->string('reason'),
            match ($side->string('ground')) {
                'published' => 'published',
                'common practice' => 'common practice',
                default => 'opinion',
            },
            implode(', or: ', array_map(static fn (string $other): string => $sides->child($other)->string('answer'), $others)).'.',
            $question->bool('coached'),
            self::words($side),
            $forMedical,
        );
    }

    /** @return list<ChoiceWords> */
    private static function words(Node $side): array
    {
        $words = [];
        if ($side->has('words')) {
            $side->each('words', static function (Node $each) use (&$words): void {
                $words[] = new ChoiceWords(
                    $each->string('say'),
                    $each->has('rungs') ? $each->strings('rungs') : null,
                    $each->has('ladders') ? $each->strings('ladders') : null,
                    $each->has('categories') ? array_map(Category::from(...), $each->strings('categories')) : null,
                    $each->optionalInt('from_level') ?? 1,
                    $each->optionalInt('to_level') ?? 10,
                    $each->bool('unloaded'),
                    $each->bool('held'),
                );
            });
        }

        return $words;
    }

    private static function readOrderWeights(Node $node): OrderWeights
    {
        return new OrderWeights(
            $node->int('out_of_turn'),
            $node->int('same_direction'),
            $node->int('shoulders_twice'),
            $node->int('balance_after_hold'),
            $node->int('change_of_position'),
            $node->int('change_of_kit'),
        );
    }

    private static function readWeekWeights(Node $node): WeekWeights
    {
        return new WeekWeights(
            $node->int('direction_short'),
            $node->int('wish_broken'),
            $node->int('hard_short'),
            $node->int('no_free_day'),
            $node->int('hard_beside_sport'),
            $node->int('finisher_on_heavy_day'),
            $node->int('hard_minutes_lost'),
            $node->int('idle_minutes'),
        );
    }

    private static function readFilledWeights(Node $node): FilledWeights
    {
        return new FilledWeights(
            $node->int('direction_trained'),
            $node->int('session_of_direction'),
            $node->int('set_meant'),
            $node->int('set_of_first'),
            $node->int('set_in_session'),
            $node->int('set_beyond'),
            $node->int('accessory_set'),
            $node->int('chosen_ladder'),
            $node->int('behind_best'),
            $node->int('later_accessory'),
            $node->int('set_alone'),
            $node->int('extra_set'),
            $node->int('even_sets'),
            $node->int('uneven_set'),
            $node->int('even_seconds'),
            $node->int('uneven_second'),
            $node->int('role_percent'),
            $node->int('role_second'),
            $node->int('second_time'),
            $node->int('third_time'),
            $node->int('another_ladder'),
            $node->int('used_percent'),
            $node->int('unused_second'),
            $node->int('filled_percent'),
            $node->int('idle_second'),
            $node->int('full_second'),
        );
    }

    public static function readIntent(Node $node): Intent
    {
        $span = static fn (string $key): array => [(int) ($node->numbers($key)['0'] ?? 0), (int) ($node->numbers($key)['1'] ?? 0)];

        return new Intent(
            $node->string('id'),
            $node->string('name'),
            $node->string('text'),
            $span('sets'),
            $span('reps'),
            $node->has('hold_s') ? $span('hold_s') : null,
            $node->bool('distance'),
            $node->optionalInt('least_level') ?? Level::LEAST,
            $node->optionalInt('most_level') ?? Level::MOST,
            $node->optionalInt('least_top_reps'),
            $node->ints('needs'),
            $node->ints('spares'),
        );
    }

    private static function readPlan(Node $node): StylePlan
    {
        return new StylePlan(
            $node->bool('struggle'),
            SetOrder::from($node->optionalString('order') ?? SetOrder::SkillFirst->value),
            $node->optionalInt('lighter_every') ?? 0,
            $node->bool('circuit'),
            [
                ...($node->bool('trunk_movement') ? [Category::TrunkMovement] : []),
                ...(
                    $node->has('accessories') ? array_map(Category::from(...), $node->strings('accessories')) : StylePlan::USUAL_ACCESSORIES
                ),
            ],
            $node->strings('without_ladders'),
            $node->strings('without_rungs'),
            $node->bool('high_reps'),
            $node->bool('core_first'),
            $node->ints('role_shares'),
            $node->bool('both_sides_one_rep'),
            $node->optionalInt('weeks_per_step') ?? StylePlan::USUAL_WEEKS_PER_STEP,
            $node->bool('build'),
            $node->bool('then_move'),
            $node->bool('by_second'),
            $node->bool('opens_easiest'),
            $node->optionalInt('most_exercises'),
        );
    }

    public static function readGoal(Node $node): GoalRule
    {
        return new GoalRule(
            Goal::from($node->string('goal')),
            $node->string('name'),
            $node->string('intent'),
            $node->int('sets'),
            $node->int('most_sets'),
            array_map(Category::from(...), $node->strings('first')),
            $node->ints('sessions'),
            $node->optionalInt('level_cap'),
            array_map(Category::from(...), $node->strings('without')),
            $node->strings('avoid'),
            $node->bool('circuit'),
            $node->bool('standing_first'),
            $node->bool('shows_roles'),
            SetOrder::tryFrom($node->optionalString('order') ?? ''),
        );
    }
}
