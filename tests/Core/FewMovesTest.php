<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Program\Entry;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Two schools of few moves a day (common practice, no source).
 */
final class FewMovesTest extends TestCase
{
    public function test_in_turn_trains_one_direction_a_day_and_each_as_often_as_the_others(): void
    {
        $style = Documents::styleWith('frequency', 'in-turn');
        foreach ([['mon', 'tue', 'thu', 'fri'], ['mon', 'tue', 'wed', 'thu', 'fri', 'sat']] as $days) {
            $client = Documents::client([
                'equipment' => Documents::ALL_KIT,
                'ability' => ['BR' => 4, 'AE' => 4, 'AF' => 4, 'AL' => 4, 'AR' => 4],
                'days' => array_fill_keys($days, 10),
            ]);
            $program = Documents::plan($client, 2, $style);
            $times = [];
            foreach ($program->weeks[0]->sessions as $session) {
                $trained = array_filter(
                    $session->entries(),
                    static fn (Entry $each): bool => $each->planned?->category->isDirection() === true,
                );
                self::assertCount(1, $trained, $session->day->value);
                $code = array_values($trained)[0]->planned->category->value ?? '';
                $times[$code] = ($times[$code] ?? 0) + 1;
            }
            self::assertCount(4, $times, 'every direction had its turn');
            self::assertLessThanOrEqual(1, max($times) - min($times));
            self::assertSame([], $program->gaps);
            $audit = new Audit(Documents::data()->library(), $style);
            $against = array_filter(
                $audit->found($audit->read($program, $client)),
                static fn (Finding $finding): bool => $finding->severity !== Severity::Note,
            );
            self::assertSame([], array_map(static fn (Finding $finding): string => $finding->message, array_values($against)));
        }
    }

    public function test_three_a_day_never_holds_more_than_three(): void
    {
        $style = Documents::styleWith('frequency', 'three-a-day');
        $client = Documents::client(['equipment' => Documents::ALL_KIT, 'days' => ['mon' => 40, 'wed' => 40, 'fri' => 40]]);
        foreach (Documents::plan($client, 1, $style)->weeks[0]->sessions as $session) {
            $moves = array_filter($session->entries(), static fn (Entry $each): bool => $each->planned?->category !== Category::Bracing);
            self::assertLessThanOrEqual(3, count($moves));
            self::assertGreaterThan(1, count($moves));
        }
    }
}
