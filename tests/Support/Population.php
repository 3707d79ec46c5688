<?php

declare(strict_types=1);

namespace Tests\Support;

use EvenRungs\Core\Client\Age;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Client\Goal;
use EvenRungs\Core\Client\TrainingAge;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Role;
use EvenRungs\Core\Ladder\Severity;
use EvenRungs\Core\Planning\Week\GapLifts;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\DirectionShares;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\SessionShape;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;

/**
 * What is seen in the plans of many clients, counted.
 */
final class Population
{
    /** @var array<string, int> */
    public array $count = [];

    /** @var array<string, list<float>> shares of each direction in the sets of a week, per cent */
    private array $shares = [];

    private function add(string $what, int $count = 1): void
    {
        $this->count[$what] = ($this->count[$what] ?? 0) + $count;
    }

    public function see(Client $client, Program $program, Style $style): void
    {
        $goal = GoalRule::for($client, Documents::data()->goals());
        $this->add('clients');
        $this->reasons($client, $program, $style);
        $light = 0;
        foreach ($program->weeks as $i => $week) {
            $isLighter = $week->x->text('lighter') !== null;
            foreach ($week->sessions as $session) {
                $this->session($client, $session, $style, $goal, $isLighter);
            }
            $this->evenness($week);
            $style->plan->roleShares === [] || $this->roles($week);
            $before = $program->weeks[$i - $light - 1] ?? null;
            $light = $isLighter ? $light + 1 : 0;
            if ($before !== null && ! $isLighter) {
                $this->growth($before, $week);
            }
        }
    }

    /** Every reason of a short direction in the first week: with what it names lifted the direction is there. */
    private function reasons(Client $client, Program $program, Style $style): void
    {
        $lifts = new GapLifts(Documents::data()->library());
        foreach ($program->gaps as $gap) {
            if ($gap->week !== 1 || $gap->codes === []) {
                continue;
            }
            $lifted = Documents::plan($lifts->all($gap->codes, $client, $gap->category), 1, $style)->weeks[0];
            $times = DirectionShares::of($lifted, Documents::data()->library())->sessions[$gap->category->value];
            $isPlace = array_intersect($gap->codes, GapLifts::OF_PLACE) !== [];
            $this->add('reasons');
            $this->add('reasons that fail when lifted', $times < ($isPlace ? $style->directionSessions : 1) ? 1 : 0);
        }
    }

    /** @param  list<Entry>  $entries */
    private function clinician(array $entries, Client $client): void
    {
        $this->barred ??= array_column(
            json_decode((string) file_get_contents(dirname(__DIR__).'/cases/clinician.json'), true),
            'barred',
            'limit',
        );
        foreach ($entries as $entry) {
            $this->add('exercises of all');
            foreach ($client->limits as $limit) {
                $counts = $limit->rule->medical || $limit->severity !== Severity::Mild;
                $isBarred = $counts && in_array($entry->exercise, $this->barred[$limit->rule->id] ?? [], true);
                $this->add('rungs that a clinician’s table bars', $isBarred ? 1 : 0);
            }
        }
    }

    /** @var array<string, list<string>>|null rungs that a limit must bar */
    private ?array $barred = null;

    private function growth(Week $before, Week $week): void
    {
        $this->add('weeks after the first');
        $library = Documents::data()->library();
        [$was, $is] = [DirectionShares::of($before, $library)->sets, DirectionShares::of($week, $library)->sets];
        foreach (Category::directions() as $direction) {
            if ($is[$direction->value] < $was[$direction->value]) {
                $this->add('weeks that shrink');

                break;
            }
        }
    }

    private function evenness(Week $week): void
    {
        $shares = DirectionShares::of($week, Documents::data()->library());
        $directions = array_map(static fn (Category $each): string => $each->value, Category::directions());
        $sets = array_intersect_key($shares->sets, array_flip($directions));
        if (min($sets) > 0) {
            foreach ($sets as $code => $count) {
                $this->shares[$code][] = 100 * $count / array_sum($sets);
            }
        }
    }

    /** @var array<string, list<float>> shares of each role in the work of a week, per cent, in styles that have them */
    private array $roles = [];

    private function roles(Week $week): void
    {
        $ms = array_fill_keys(array_column(Role::cases(), 'value'), 0);
        foreach ($week->sessions as $session) {
            $time = Documents::time($session);
            foreach ($session->blocks as $b => $block) {
                foreach ($block->entries() as $e => $entry) {
                    $ms[Documents::data()->library()->rung($entry->exercise)->role->value] += $time->entries[$b][$e]->workMs;
                }
            }
        }
        foreach (array_sum($ms) === 0 ? [] : $ms as $role => $each) {
            $this->roles[$role][] = 100 * $each / array_sum($ms);
        }
    }

    /** @return array<string, float> the median share of each role in the work of styles that have shares, per cent */
    public function roleMedians(): array
    {
        return self::middle($this->roles);
    }

    /**
     * @param  array<string, list<float>>  $of
     * @return array<string, float>
     */
    private static function middle(array $of): array
    {
        return array_map(static function (array $all): float {
            sort($all);

            return $all[intdiv(count($all), 2)];
        }, $of);
    }

    /** @return array<string, float> the median share of each direction in the sets, per cent */
    public function medians(): array
    {
        return self::middle($this->shares);
    }

    private function session(Client $client, Session $session, Style $style, GoalRule $goal, bool $isLighter): void
    {
        if ($session->kind === Kind::Activation) {
            return;
        }
        $this->add('sessions');
        $beside = [];
        $isCircuit = false;
        foreach ($session->blocks as $block) {
            $isCircuit = $isCircuit || $block instanceof CircuitBlock;
            $this->tables($block->entries(), $style, $client, $block instanceof CircuitBlock);
            foreach ($block->entries() as $entry) {
                if ($entry->planned?->category !== Category::Bracing) {
                    $beside[] = [$entry, $block instanceof CircuitBlock ? $block->rounds : $entry->dose->sets];
                }
            }
        }
        $this->clinician($session->entries(), $client);
        $minutes = Seconds::of(60 * $client->minutesOn($session->day));
        $most = SessionShape::mostExercises($minutes, $client);
        $this->add('sessions over their exercises', count($beside) > $most ? 1 : 0);
        if (! $isCircuit && ! $isLighter) {
            $this->add('exercises', count($beside));
            $this->add('exercises with one set', count(array_filter($beside, static fn (array $each): bool => $each[1] === 1)));
        }
        $this->order($client, $goal, array_column($beside, 0));
        if (! $isLighter) {
            $this->hard($client, $session, $style, $goal, $beside, count($beside) < $most);
        }
    }

    /** @param  list<array{Entry, int}>  $beside  with their sets */
    private function hard(Client $client, Session $session, Style $style, GoalRule $goal, array $beside, bool $hasPlace): void
    {
        $sets = array_sum(array_map(
            static fn (array $each): int => $each[0]->planned?->category->isDirection() ? $each[1] : 0,
            $beside,
        ));
        if ($sets < $style->hardSets || $client->trained === TrainingAge::New) {
            return;
        }
        $this->add('hard sessions');
        $length = 60_000 * $client->minutesOn($session->day);
        $hasRoom = $hasPlace || array_filter($beside, static fn (array $each): bool => $each[1] < $goal->mostSets) !== [];
        if ($hasRoom && Documents::time($session)->time->total()->ms < 0.85 * $length) {
            $this->add('hard sessions with room that use less');
        }
    }

    /** @param  list<Entry>  $entries */
    private function order(Client $client, GoalRule $goal, array $entries): void
    {
        if ($goal->goal !== Goal::Youth && ! Age::of($client)->isUnderAge()) {
            return;
        }
        $this->add('sessions of the young');
        $moved = false;
        foreach ($entries as $entry) {
            $isHeld = $entry->dose->measure->longestHold()->toNumber() >= 10;
            if ($isHeld && $moved) {
                $this->add('sessions of the young that move before they hold');

                return;
            }
            $moved = $moved || ! $isHeld;
        }
    }

    /** @param  list<Entry>  $entries */
    private function tables(array $entries, Style $style, Client $client, bool $isCircuit): void
    {
        foreach ($entries as $entry) {
            $own = Documents::steps($client, $style)->dose(Documents::data()->library()->rung($entry->exercise), 0);
            $rest = $entry->dose->rest?->toNumber() ?? 0;
            $ownRest = $own->rest?->toNumber() ?? 0;
            $isTempo = ! isset($entry->dose->measure->tempo) || ! isset($own->measure->tempo)
                || $entry->dose->measure->tempo == $own->measure->tempo;
            $this->add('rests and tempos outside their tables', $isTempo && $rest === ($isCircuit ? min(20, $ownRest) : $ownRest) ? 0 : 1);
        }
    }

    public function percent(string $part, string $of): float
    {
        return 100 * ($this->count[$part] ?? 0) / max(1, $this->count[$of] ?? 0);
    }
}
