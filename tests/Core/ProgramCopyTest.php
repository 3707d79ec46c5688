<?php

declare(strict_types=1);

namespace Tests\Core;

use Eris\Generators;
use Eris\TestTrait;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Placement\Obstacles;
use EvenRungs\Core\Planning\Edit\CopyChange;
use EvenRungs\Core\Planning\Edit\ProgramCopy;
use EvenRungs\Core\Program\Program;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

final class ProgramCopyTest extends TestCase
{
    use TestTrait;

    private const KIT = ['mat', 'band', 'wall', 'bench', 'kettlebell', 'ball', 'wheel', 'hang'];

    /** @param  array<string, mixed>  $more */
    private static function client(int $level, array $more = []): Client
    {
        return Documents::client(
            [
                'equipment' => self::KIT,
                'ability' => array_fill_keys(['BR', 'AE', 'AF', 'AL', 'AR', 'HP'], $level),
                'days' => ['mon' => 25, 'thu' => 25],
                'screen' => ['flags' => [], 'cleared' => true],
                ...$more,
            ],
        );
    }

    /** @return array{Program, list<CopyChange>} */
    private static function copy(Program $program, Client $client): array
    {
        $data = Documents::data();

        return (
            new ProgramCopy($data->library(), $data->style('even-keel'), Documents::placer())
        )->to($program, $client, $data->goals()[$client->goal->value]);
    }

    public function test_a_twin_gets_the_program_as_it_is(): void
    {
        $program = Documents::plan(self::client(5), 2);
        [$copy, $changes] = self::copy($program, self::client(5));

        self::assertSame([], $changes);
        self::assertEquals($program->weeks[0]->sessions, $copy->weeks[0]->sessions);
    }

    public function test_a_sore_wrist_takes_the_hands_off_the_floor_and_every_swap_is_told_once(): void
    {
        [$copy, $changes] = self::copy(Documents::plan(self::client(6), 3), self::client(6, ['limits' => ['wrist']]));
        $from = array_map(static fn (CopyChange $change): string => $change->from->id, $changes);

        self::assertNotSame([], $from);
        self::assertSame($from, array_values(array_unique($from)));
        foreach ($changes as $change) {
            self::assertStringContainsString('sore wrist', implode(' ', $change->why));
            self::assertTrue(
                $change->to === null || $change->to->category === $change->from->category,
                'what stands in trains the same direction',
            );
        }
        self::assertNotSame([], $copy->weeks[2]->sessions);
    }

    public function test_whoever_it_is_copied_to_nothing_barred_comes_along_and_the_minutes_add_up(): void
    {
        $library = Documents::data()->library();
        $limits = Generators::subset(array_keys($library->limits));
        $this->limitTo(60)->forAll(Generators::choose(1, 9), Generators::choose(1, 9), $limits, Generators::subset(self::KIT))
            ->then(function (int $from, int $to, array $limits, array $kit) use ($library): void {
                $client = self::client($to, ['limits' => array_values($limits), 'equipment' => array_values($kit)]);
                [$copy, $changes] = self::copy(Documents::plan(self::client($from), 2), $client);
                $left = array_map(static fn (CopyChange $change): string => $change->from->id, $changes);
                foreach ($copy->weeks as $week) {
                    foreach ($week->sessions as $session) {
                        self::assertEquals(Documents::time($session)->time->total(), $session->claimed);
                        foreach ($session->entries() as $entry) {
                            self::assertTrue(
                                Obstacles::between($client, $library->rung($entry->exercise), $library)->isClear(),
                                $entry->exercise,
                            );
                            self::assertNotContains($entry->exercise, $left);
                        }
                    }
                }
            });
    }
}
