<?php

declare(strict_types=1);

namespace Tests\Core;

use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Career;
use Tests\Support\Documents;
use Tests\Support\Person;

/**
 * The whole loop: what is planned, done, judged and planned again agrees.
 */
final class ClosedLoopTest extends TestCase
{
    private const CAREERS = 6;

    private const WEEKS = 22;

    /** So many times as many careers at most, until what only chance brings was seen. */
    private const PATIENCE = 5;

    public function test_whoever_trains_is_planned_judged_and_moved_by_one_truth(): void
    {
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        $careers = (int) (getenv('EVEN_RUNGS_CAREERS') ?: self::CAREERS);
        $weeks = (int) (getenv('EVEN_RUNGS_WEEKS') ?: self::WEEKS);
        fwrite(STDERR, "Careers, seed {$seed}\n");
        $toTop = [];
        $moves = ['up' => 0, 'back' => 0, 'stop' => 0];
        // on until somebody had a reason to go back: in a few careers nobody may ever have one
        for ($i = 0; $i < $careers || ($moves['back'] === 0 && $i < self::PATIENCE * $careers); $i++) {
            $chance = new Randomizer(new Mt19937($seed + $i));
            $styles = Documents::data()->styleNames();
            $style = $styles[$i % count($styles)];
            $kind = Person::KINDS[$i % count(Person::KINDS)];
            $client = Documents::anyone($chance);
            $career = new Career(
                $client,
                Documents::data()->style($style),
                new Person($kind, $weeks, $chance),
                sprintf('seed %d, career %d, %s, %s, %s', $seed, $i, $style, $kind, $client->goal->value),
            );
            $career->live($weeks);
            foreach ($career->moves as $how => $times) {
                $moves[$how] += $times;
            }
            foreach ($kind === 'perfect' ? $career->toTop : [] as $week) {
                $toTop[$style][] = $week;
            }
        }
        foreach ($toTop as $style => $at) {
            sort($at);
            fwrite(
                STDERR,
                sprintf(
                    "  %-14s weeks to the top of a ladder: %d to %d, half within %d (%d ladders)\n",
                    $style,
                    $at[0],
                    end($at),
                    $at[intdiv(count($at), 2)],
                    count($at),
                ),
            );
        }
        self::assertGreaterThan($careers, $moves['up']);
        self::assertGreaterThan(0, $moves['back']);
    }

    private const MISSING = 4;

    private const MISSING_WEEKS = 18;

    public function test_who_misses_one_session_in_four_is_judged_by_what_was_done_alone(): void
    {
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        $careers = (int) (getenv('EVEN_RUNGS_MISSING') ?: self::MISSING);
        $styles = Documents::data()->styleNames();
        $days = ['missed' => 0, 'moved' => 0];
        $up = 0;
        // on until somebody made one up: of a few nobody may have another day that is free
        for ($i = 0; $i < $careers || ($days['moved'] === 0 && $i < self::PATIENCE * $careers); $i++) {
            $chance = new Randomizer(new Mt19937($seed + $i));
            $style = $styles[$i % count($styles)];
            $name = sprintf('missing, seed %d, career %d, %s', $seed, $i, $style);
            $career = new Career(
                Documents::anyone($chance),
                Documents::data()->style($style),
                new Person('perfect', self::MISSING_WEEKS, $chance),
                $name,
                new Randomizer(new Mt19937($seed - $i)),
            );
            $career->live(self::MISSING_WEEKS);
            $days = ['missed' => $days['missed'] + $career->days['missed'], 'moved' => $days['moved'] + $career->days['moved']];
            $up += $career->moves['up'];
        }
        fwrite(
            STDERR,
            sprintf("Careers that miss one in four, seed %d: %d missed, %d of them done on another day\n", $seed, ...array_values($days)),
        );
        self::assertGreaterThan($careers, $days['missed']);
        self::assertGreaterThan(0, $days['moved']);
        self::assertGreaterThan($careers, $up, 'who is perfect when they come goes up all the same');
    }

    private const ENDLESS = 3;

    /** A seed whose fourth career stood for ever on rungs above those it trained; soak draws its own. */
    private const ONCE_LOCKED = 77;

    /** Ten years are no limit that anybody meets who trains twice a week. */
    private const NO_LIMIT = 520;

    public function test_who_trains_clean_for_long_enough_ends_at_the_top_of_every_ladder_that_the_plan_holds(): void
    {
        $many = getenv('EVEN_RUNGS_ENDLESS');
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: ($many === false ? self::ONCE_LOCKED : random_int(1, 1_000_000_000)));
        $styles = Documents::data()->styleNames();
        $careers = (int) ($many ?: self::ENDLESS);
        fwrite(STDERR, "Careers without a limit of weeks, seed {$seed}\n");
        for ($i = 0; $i < $careers; $i++) {
            $chance = new Randomizer(new Mt19937($seed + $i));
            $style = $styles[$i % count($styles)];
            $name = sprintf('seed %d, career %d, %s', $seed, $i, $style);
            $career = new Career(
                Documents::anyone($chance),
                Documents::data()->style($style),
                new Person('perfect', self::NO_LIMIT, $chance),
                $name,
            );
            $week = $career->liveToTop(self::NO_LIMIT);
            self::assertNotNull($week, $name.': '.implode(', ', $career->belowTop(self::NO_LIMIT)));
            fwrite(STDERR, sprintf("  %-14s all at the top after %d weeks\n", $style, $week));
        }
    }
}
