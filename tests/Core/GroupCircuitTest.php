<?php

declare(strict_types=1);

namespace Tests\Core;

use DateTimeImmutable;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Floor\FloorSet;
use EvenRungs\Core\Floor\RunSheet;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Log\History;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\LoggedSet;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Planning\Door\DoorAnswers;
use EvenRungs\Core\Planning\Group\GroupCircuit;
use EvenRungs\Core\Planning\Group\GroupMember;
use EvenRungs\Core\Planning\Group\GroupPlace;
use EvenRungs\Core\Planning\Group\GroupTurns;
use EvenRungs\Core\Program\Segment;
use EvenRungs\Core\Program\SegmentKind;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\Judge;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

/**
 * What each of a group does at the stations of all, over random people. House rules.
 */
final class GroupCircuitTest extends TestCase
{
    /** @param  list<GroupMember>  $members */
    private static function station(Ladder $ladder, array $members): array
    {
        $style = Documents::data()->style('even-keel');

        return (
            new GroupCircuit(Documents::data()->library(), new Swaps(Documents::data()->library(), $style->plan->withoutLadders), $style)
        )->station($ladder, $members);
    }

    private static function member(Client $client, DoorAnswers $said = new DoorAnswers, string $id = 'one'): GroupMember
    {
        return new GroupMember($id, $client, Documents::place($client), $said);
    }

    /** @return list<Ladder> */
    private static function ladders(Randomizer $chance, int $count): array
    {
        $all = array_values(Documents::data()->library()->ladders);

        return array_map(static fn (): Ladder => $all[$chance->getInt(0, count($all) - 1)], range(1, $count));
    }

    public function test_nobody_is_barred_and_what_is_short_of_kit_is_said_in_either_mode(): void
    {
        $library = Documents::data()->library();
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: 20261127);
        $chance = new Randomizer(new Mt19937($seed));
        $fits = $short = $rests = 0;
        for ($try = 0; $try < 40; $try++) {
            $members = array_map(
                static fn (int $i): GroupMember => self::member(
                    Documents::anyone($chance),
                    new DoorAnswers(soreness: $chance->getInt(0, 5), pain: $chance->getInt(0, 5)),
                    (string) $i,
                ),
                range(1, $chance->getInt(2, 12)),
            );
            $places = array_map(
                static fn (Ladder $ladder): array => self::station($ladder, $members),
                self::ladders($chance, $chance->getInt(2, 8)),
            );
            $kit = [
                'band' => $chance->getInt(1, 6),
                'kettlebell' => $chance->getInt(1, 6),
                'bench' => $chance->getInt(1, 4),
                'mat' => $chance->getInt(2, 12),
            ];
            foreach (array_merge(...$places) as $i => $place) {
                if ($place->rung === null) {
                    $rests++;
                    self::assertNotSame([], $place->why);

                    continue;
                }
                $member = $members[(int) $place->member - 1];
                self::assertTrue(
                    Obstacles::between($member->client, $place->rung, $library)->isClear(),
                    "seed {$seed}, group {$try}: {$place->rung->id}",
                );
            }
            foreach ([GroupTurns::together($places), GroupTurns::rotating($places, $kit)] as $turns) {
                $over = [];
                for ($turn = 0; $turn < $turns->turns(); $turn++) {
                    foreach ($kit as $piece => $has) {
                        $needs = count(
                            array_filter(
                                $turns->at($turn),
                                static fn (GroupPlace $place): bool => in_array($piece, $place->rung->equipment ?? [], true),
                            ),
                        );
                        if ($needs > $has) {
                            $over[] = ['kit' => $piece, 'turn' => $turn + 1, 'needs' => $needs, 'has' => $has];
                        }
                    }
                }
                self::assertEqualsCanonicalizing($over, $turns->short($kit), "seed {$seed}, group {$try}");
                $over === [] ? $fits++ : $short++;
            }
        }
        self::assertGreaterThan(0, min($fits, $short, $rests), 'each of the three is there');
    }

    public function test_what_is_said_on_arrival_does_what_it_does_at_the_door(): void
    {
        $plank = Documents::data()->library()->ladder('plank');
        $client = Documents::client(['equipment' => ['mat'], 'ability' => ['AE' => 4]]);
        $place = static fn (DoorAnswers $said): GroupPlace => self::station($plank, [self::member($client, $said)])[0];
        $usual = $place(new DoorAnswers);
        self::assertNotNull($usual->rung);
        self::assertEquals(
            $usual,
            $place(new DoorAnswers(soreness: 3, pain: 2, painKind: PainKind::Ordinary)),
            'little of both changes nothing',
        );
        $sore = $place(new DoorAnswers(soreness: 4));
        self::assertNull($sore->rung);
        self::assertStringContainsString('sore at 4', $sore->why[0]);
        $less = $place(new DoorAnswers(pain: 3));
        self::assertLessThan(
            $plank->indexOf($usual->rung->id),
            $plank->indexOf($less->rung->id ?? ''),
            'at its first step there is only the rung below',
        );
        self::assertStringContainsString('Pain is 3, from 3 to 5', $less->why[count($less->why) - 1]);
        self::assertSame(
            [
                null,
                'Pain is 6, over 5: no training today, and a clinician sees the client first.',
                'It is sharp pain: no training today, and a clinician sees the client first.',
            ],
            [
                (new DoorAnswers(pain: 5))->stop(),
                (new DoorAnswers(pain: 6))->stop(),
                (new DoorAnswers(pain: 1, painKind: PainKind::Sharp))->stop(),
            ],
        );
    }

    public function test_perfect_sessions_earn_no_less_than_straight_sets_do_whatever_time_the_clock_leaves(): void
    {
        $data = Documents::data();
        $style = $data->style('even-keel');
        $chance = new Randomizer(new Mt19937(5));
        $earned = 0;
        for ($try = 0; $try < 60; $try++) {
            $client = Documents::anyone($chance);
            $member = self::member($client);
            $goal = GoalRule::for($client, $data->goals());
            $judge = new Judge($data->library(), $style, $client, $goal);
            foreach (self::ladders($chance, 3) as $ladder) {
                $place = self::station($ladder, [$member])[0];
                $at = $place->rung === null ? null : $member->placements[$place->rung->ladder] ?? null;
                if ($place->rung === null || $place->dose === null || $at?->rung !== $place->rung) {
                    continue;
                }
                $work = 1000 * $chance->getInt(8, 240);
                $asked = RunSheet::ofMember(0, new Segment(0, $work, SegmentKind::Work, 0, 0), $place->rung, $place->dose);
                $hold = $place->dose->measure instanceof Reps ? $place->dose->measure->hold?->ms : null;
                $range = $place->rung->range === null ? null : $place->dose->range;
                // where the clock leaves no time for the dose, what is counted is information
                $done = static fn (FloorSet $set): array => $set->timed ? LoggedSet::ofWork(
                    $place->rung,
                    $set->target,
                    $place->dose->measure instanceof Reps ? max(1, intdiv((int) $set->target, 2)) : $set->target,
                ) : [$set->target, $set->target];
                $sets = array_map(
                    static fn (FloorSet $set): LoggedSet => new LoggedSet(
                        $set->side,
                        ...[...$done($set), [], [], null, 0, null, 5, true, [], $range, $range],
                        timed: $set->timed,
                        targetHold: $set->timed ? null : $hold,
                        hold: $set->timed ? null : $hold,
                    ),
                    $asked,
                );
                $amount = $place->dose->measure->amount();
                $straight = array_map(
                    static fn (FloorSet $set): LoggedSet => new LoggedSet(
                        $set->side,
                        $amount,
                        $amount,
                        [],
                        [],
                        null,
                        0,
                        null,
                        5,
                        true,
                        [],
                        $range,
                        $range,
                        targetHold: $hold,
                        hold: $hold,
                    ),
                    $asked,
                );
                $days = array_map(static fn (string $day): DateTimeImmutable => new DateTimeImmutable($day), ['2027-01-05', '2027-01-08']);
                $decide = static fn (array $of) => $judge->decide(
                    new History(
                        $data->library()->ladderOf($place->rung),
                        $place->rung,
                        $at->step,
                        null,
                        $days[1],
                        array_map(static fn (DateTimeImmutable $day): LoggedSession => new LoggedSession($day, 0, 0, null, $of), $days),
                        new Steps($style, $client),
                        $at->range,
                    ),
                );
                $verdict = $decide($sets);
                self::assertSame(
                    $decide($straight)->decision,
                    $verdict->decision,
                    sprintf('group %d, %s, %d s: %s', $try, $place->rung->id, $work / 1000, implode(' ', $verdict->reasons)),
                );
                self::assertNotContains($verdict->decision, [Decision::StepDown, Decision::Regress, Decision::Stop]);
                $earned += $verdict->decision === Decision::Stay ? 0 : 1;
            }
        }
        self::assertGreaterThan(20, $earned);
    }
}
