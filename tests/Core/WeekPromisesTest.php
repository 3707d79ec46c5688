<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Session;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Every plan keeps its promises, whoever the client is.
 */
final class WeekPromisesTest extends TestCase
{
    use TestTrait;
    use Weeks;

    /** Random clients of one seed; `./even-rungs soak` asks for more. */
    private const CLIENTS = 40;

    /** One client in nine is planned twice, to see that nothing is left to chance. */
    private const TWICE_UNDER_S = 10;

    public function test_any_one_limit_at_any_severity_and_any_one_missing_kit_still_gives_an_honest_week(): void
    {
        $middle = [
            'ability' => ['BR' => 4, 'AE' => 5, 'AF' => 5, 'AL' => 5, 'AR' => 5, 'HP' => 5],
            'days' => ['mon' => 20, 'wed' => 20, 'fri' => 20],
            'screen' => ['flags' => [], 'cleared' => true],
        ];
        $cases = [];
        foreach (Documents::data()->library()->limits as $limit) {
            foreach (['mild', 'moderate', 'severe'] as $severity) {
                $cases[$limit->id.' '.$severity] = [
                    'equipment' => Documents::ALL_KIT,
                    'limits' => [['limit' => $limit->id, 'severity' => $severity]],
                ];
            }
        }
        foreach (Documents::ALL_KIT as $kit) {
            $cases['no '.$kit] = ['equipment' => array_values(array_diff(Documents::ALL_KIT, [$kit]))];
        }
        foreach ($cases as $name => $case) {
            $client = Documents::client([...$middle, ...$case]);
            $program = Documents::plan($client);
            $this->assertWeekKeepsItsPromises($program->weeks[0]->sessions, $client);
            self::assertCount(3, $program->weeks[0]->sessions, $name);
            foreach (Category::directions() as $direction) {
                $trained = array_filter(
                    $program->weeks[0]->sessions,
                    static fn (Session $s): bool => array_filter(
                        $s->entries(),
                        static fn ($e): bool => $e->planned?->category === $direction,
                    ) !== [],
                );
                $named = array_filter($program->gaps, static fn ($gap): bool => $gap->category === $direction && $gap->why !== '');
                self::assertTrue(count($trained) >= 2 || $named !== [], $name.': '.$direction->value.' is neither trained nor named');
            }
        }
    }

    /** @return iterable<string, array{int}> */
    public static function seeds(): iterable
    {
        yield 'the same clients every time' => [20261124];
        $fresh = random_int(1, 1_000_000_000);
        yield 'fresh clients, seed '.$fresh => [$fresh];
    }

    #[DataProvider('seeds')]
    public function test_every_plan_keeps_its_promises_whoever_the_client_is(int $seed): void
    {
        $this->seed = $seed;
        fprintf(STDERR, "\nPlans of random clients, seed %d\n", $seed);
        $library = Documents::data()->library();
        $limits = Generators::map(
            static fn (array $all): array => array_values(array_filter($all)),
            Generators::tuple(
                ...array_map(
                    static fn (string $id) => Generators::frequency(
                        [6, null],
                        [1, ['limit' => $id]],
                        [1, ['limit' => $id, 'severity' => 'mild']],
                        [1, ['limit' => $id, 'severity' => 'severe']],
                    ),
                    array_keys($library->limits),
                ),
            ),
        );
        $kit = Generators::subset(Documents::ALL_KIT);
        $level = Generators::choose(1, 10);
        $minutes = Generators::frequency([3, 0], [5, Generators::choose(1, 45)]);
        $other = Generators::frequency([4, null], [1, 'heavy-lift'], [1, 'light-lift'], [1, 'endurance'], [1, 'rest']);
        $goal = Generators::elements('general', 'rehab', 'strength', 'endurance-sport', 'rotational-sport', 'youth', 'healthy-ageing');
        $this->limitTo((int) (getenv('EVEN_RUNGS_CLIENTS') ?: self::CLIENTS))->forAll(
            $goal,
            $limits,
            $kit,
            Generators::vector(5, $level),
            Generators::vector(7, $minutes),
            Generators::vector(7, $other),
            Generators::choose(0, 90),
            Generators::elements(...Documents::data()->styleNames()),
            Generators::elements(null, 1940, 1965, 1990, 2009, 2013, 2018),
            Generators::vector(5, Generators::choose(0, 99_999)),
        )
            ->disableShrinking()
            ->then(function (
                string $goal,
                array $limits,
                array $kit,
                array $levels,
                array $minutes,
                array $other,
                int $held,
                string $style,
                ?int $born,
                array $stands,
            ): void {
                $client = Documents::client([
                    'goal' => $goal, 'limits' => $limits, 'equipment' => array_values($kit),
                    'ability' => array_combine(['BR', 'AE', 'AF', 'AL', 'AR'], $levels),
                    'days' => (object) array_combine(self::DAYS, $minutes),
                    'other_training' => array_values(
                        array_map(
                            static fn (int $i): array => ['day' => self::DAYS[$i], 'type' => $other[$i]],
                            array_keys(array_filter($other)),
                        ),
                    ),
                    'screen' => ['flags' => [], 'cleared' => true],
                    'tests' => ['side-plank-left_s' => $held, 'side-plank-right_s' => 30],
                    'as_of' => '2027-01-04',
                    'standings' => (object) self::standings($stands),
                    ...($born === null ? [] : ['born' => $born]),
                ]);
                $program = Documents::plan($client, 2, $style);
                $wanted = Documents::data()->style($style)->directionSessions;

                if ($held < self::TWICE_UNDER_S) {
                    self::assertEquals($program, Documents::plan($client, 2, $style), 'the same input gives the same program');
                }
                $audit = new Audit(Documents::data()->library(), Documents::data()->style($style));
                $findings = $audit->found($audit->read($program));
                self::assertSame(
                    [],
                    array_filter(
                        array_map(
                            static fn (Finding $each): string => $each->severity === Severity::Error ? $each->rule.' '.$each->message : '',
                            $findings,
                        ),
                    ),
                    'a plan has no finding of severity error',
                );
                foreach ($program->weeks as $week) {
                    $this->assertWeekKeepsItsPromises($week->sessions, $client);
                    self::assertWritesSteps($week->sessions, $client, $style);
                    foreach (Category::directions() as $direction) {
                        $times = count(
                            array_filter(
                                $week->sessions,
                                static fn (Session $s): bool => $s->kind !== Kind::Activation && array_filter(
                                    $s->entries(),
                                    static fn ($e): bool => $e->planned?->category === $direction,
                                ) !== [],
                            ),
                        );
                        $named = array_filter(
                            $program->gaps,
                            static fn ($gap): bool => $gap->category === $direction && $gap->week === $week->number,
                        );
                        self::assertSame($times < $wanted, $named !== [], $direction->value.' stands '.$times.' times in the week');
                    }
                }
            });
    }

    /**
     * @param  list<int>  $picked  any numbers
     * @return array<string, array{rung: string, step: int}> by ladder
     */
    private static function standings(array $picked): array
    {
        $ladders = Documents::data()->library()->ladders;
        $standings = [];
        foreach ($picked as $number) {
            $ladder = $ladders[$number % count($ladders)];
            $rung = $ladder->rungs[intdiv($number, count($ladders)) % count($ladder->rungs)];
            $standings[$ladder->id] = ['rung' => $rung->id, 'step' => $number % 3];
        }

        return $standings;
    }

    /**
     * Outside switch-ons and circuits, what is written for an exercise has the measure and the range of one of its steps, or of that step
     * at the range the client stands at.
     *
     * @param  list<Session>  $sessions
     */
    private static function assertWritesSteps(array $sessions, Client $client, string $style): void
    {
        $steps = new Steps(Documents::data()->style($style), $client);
        foreach ($sessions as $session) {
            foreach ($session->kind === Kind::Activation ? [] : $session->blocks as $block) {
                foreach ($block instanceof CircuitBlock ? [] : $block->entries() as $entry) {
                    $rung = Documents::data()->library()->rung($entry->exercise);
                    $range = $client->standings[$rung->ladder]->range ?? null;
                    $is = array_filter(
                        $steps->of($rung),
                        static fn (Dose $dose): bool => $dose->measure == $entry->dose->measure && (
                            $dose->range == $entry->dose->range || ($range !== null && $range == $entry->dose->range)
                        ),
                    );
                    self::assertTrue(
                        $is !== [] || $entry->planned?->category === Category::Bracing,
                        sprintf('%s: %s is a step in %s', $rung->id, Shorthand::write($entry->dose), $style),
                    );
                }
            }
        }
    }

    /** @param  list<Session>  $sessions */
    private function assertWeekKeepsItsPromises(array $sessions, Client $client): void
    {
        $library = Documents::data()->library();
        foreach ($sessions as $i => $session) {
            $total = Documents::time($session)->time->total();
            self::assertLessThanOrEqual(60_000 * $client->minutesOn($session->day), $total->ms);
            self::assertEquals($total, $session->claimed);
            foreach ($session->entries() as $entry) {
                $rung = $library->rung($entry->exercise);
                self::assertTrue(Obstacles::between($client, $rung, $library)->isClear(), $rung->id);
                self::assertSame($rung->side === Side::Both, ! $entry->dose->isPerSide(), $rung->id.' trains its sides');
                self::assertNotNull($entry->dose->rest);
            }
            $next = $sessions[$i + 1] ?? null;
            if ($next !== null && $next->day->number() - $session->day->number() === 1) {
                self::assertFalse(self::isHard($session) && self::isHard($next), 'hard on neighbouring days');
            }
        }
    }
}
