<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Planning\WhyNot\ChosenLadders;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Note;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

/**
 * Chosen ladders are planned, or the plan says of each why not. House rule.
 */
final class ChosenLaddersTest extends TestCase
{
    private static function planned(Client $client, string $style = 'even-keel'): Program
    {
        $data = Documents::data();

        return (new ChosenLadders($data->library(), $data->style($style), $data->goals()))->noted(
            Documents::plan($client, 1, $style),
            $client,
        );
    }

    /** @return list<string> */
    private static function ladders(Program $program): array
    {
        $entries = array_merge([], ...array_map(static fn (Session $each): array => $each->entries(), $program->weeks[0]->sessions));

        return array_values(array_unique(array_map(
            static fn (Entry $entry): string => Documents::data()->library()->find($entry->exercise)->ladder ?? '',
            $entries,
        )));
    }

    public function test_choosing_six_plans_those_six(): void
    {
        $six = ['dead-bug', 'plank', 'leg-loading', 'rollout', 'bird-dog', 'side-plank'];
        $client = Documents::client([
            'equipment' => Documents::ALL_KIT,
            'ability' => ['BR' => 4, 'AE' => 5, 'AF' => 5, 'AL' => 5, 'AR' => 5],
            'days' => ['mon' => 35, 'thu' => 35],
            'ladders' => $six,
        ]);
        self::assertEqualsCanonicalizing($six, self::ladders(self::planned($client)));
    }

    public function test_whatever_is_chosen_is_there_or_told(): void
    {
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        $chance = new Randomizer(new Mt19937($seed));
        $all = array_map(static fn ($ladder): string => $ladder->id, Documents::data()->library()->ladders);
        [$there, $told] = [0, 0];
        for ($case = 0; $case < (int) (getenv('EVEN_RUNGS_CLIENTS') ?: 12); $case++) {
            $chosen = array_map(static fn (int $key): string => $all[$key], $chance->pickArrayKeys($all, $chance->getInt(4, 8)));
            $client = Documents::anyone($chance)->but(ladders: $chosen);
            $program = self::planned($client);
            $notes = array_filter($program->notes, static fn (Note $note): bool => $note->code === Note::LADDER_UNUSED);
            $missing = array_diff($chosen, self::ladders($program));
            self::assertCount(count($missing), $notes, "seed {$seed}, case {$case}");
            foreach ($missing as $ladder) {
                $name = Documents::data()->library()->ladder($ladder)->name;
                $own = array_filter($notes, static fn (Note $note): bool => str_starts_with($note->text, $name.' was chosen'));
                self::assertCount(1, $own, "seed {$seed}, case {$case}: {$ladder}");
                self::assertMatchesRegularExpression('/\)\. \S/', array_values($own)[0]->text, 'a reason stands behind it');
            }
            $there += count($chosen) - count($missing);
            $told += count($missing);
        }
        self::assertGreaterThan(15, $there);
        self::assertGreaterThan(0, $told);
    }
}
