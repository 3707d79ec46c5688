<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Ladder\Name;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Ladder\Search;
use PHPUnit\Framework\TestCase;
use Random\Engine\Mt19937;
use Random\Randomizer;
use Tests\Support\Documents;

final class SearchTest extends TestCase
{
    /** @return list<string> */
    private static function ids(string $query): array
    {
        return array_map(static fn (Rung $rung): string => $rung->id, (new Search(Documents::data()->library()))->find($query));
    }

    public function test_every_rung_is_among_the_first_ten_by_each_of_its_names_with_one_letter_wrong(): void
    {
        $search = new Search(Documents::data()->library());
        // every twelfth letter here, all of them in the long run
        $every = (int) (getenv('EVEN_RUNGS_LETTERS') ?: 12);
        foreach (Documents::data()->library()->rungs() as $rung) {
            foreach ([$rung->name, ...$rung->aliases] as $n => $name) {
                for ($i = $n % $every; $i < strlen($name); $i += $every) {
                    if (ctype_alpha($name[$i])) {
                        foreach ([
                            substr_replace($name, $name[$i] === 'q' ? 'z' : 'q', $i, 1),
                            substr_replace($name, '', $i, 1),
                        ] as $wrong) {
                            self::assertContains($rung, array_slice($search->find($wrong), 0, 10), $rung->id.' by "'.$wrong.'"');
                        }
                    }
                }
            }
        }
    }

    public function test_it_finds_while_the_name_is_being_typed(): void
    {
        self::assertContains('carry-hip', self::ids('suitc'));
        self::assertSame('forearm-plank', self::ids('Front-Planks')[0]);
        self::assertSame('rollout-standing', self::ids('standing wheel rolout')[0], 'the name with the fewest other words first');
        self::assertSame([], self::ids('zzzzzz'));
        self::assertCount(count(Documents::data()->library()->rungs()), self::ids('  '));
    }

    public function test_two_words_of_a_name_in_any_order_and_with_one_slip_find_it(): void
    {
        $seed = (int) (getenv('EVEN_RUNGS_SEED') ?: random_int(1, 1_000_000_000));
        $chance = new Randomizer(new Mt19937($seed));
        $search = new Search(Documents::data()->library());
        foreach (Documents::data()->library()->rungs() as $rung) {
            foreach ([$rung->name, ...$rung->aliases] as $name) {
                $words = array_values(array_filter(Name::words($name), static fn (string $word): bool => strlen($word) > 4));
                if (count($words) < 2) {
                    continue;
                }
                [$one, $two] = array_map(
                    static fn (int $place): string => $words[$place],
                    $chance->shuffleArray($chance->pickArrayKeys($words, 2)),
                );
                $at = $chance->getInt(1, strlen($one) - 2);
                $slip = match ($chance->getInt(0, 2)) {
                    0 => substr_replace($one, '', $at, 1),
                    1 => substr_replace($one, 'q', $at, 1),
                    default => substr_replace($one, $one[$at + 1].$one[$at], $at, 2),
                };
                // a slip that makes another word look like a plural is read as one
                $slip = Name::words($slip) === [$slip] ? $slip : $one;
                foreach (["{$one} {$two}", "{$slip} {$two}", "the {$two} with {$slip}"] as $typed) {
                    self::assertContains($rung, $search->find($typed), "seed {$seed}: {$rung->id} by \"{$typed}\"");
                }
            }
        }
    }

    public function test_a_name_that_is_not_matched_is_suggested_by_the_words_that_are_known(): void
    {
        $library = Documents::data()->library();
        $ids = static fn (string $name): array => array_map(static fn (Rung $rung): string => $rung->id, $library->suggestions($name));
        self::assertSame('plank-taps-wide', $ids('slow plank with shoulder taps')[0]);
        self::assertContains('single-leg-bridge', $ids('bridge on one leg, the left'));
        self::assertCount(5, $ids('plank something'));
        self::assertContains('carry-hip', $ids('suitcase walk'));
        self::assertNotContains('wall-plank', $ids('suitcase walk'), 'a wall only looks like a walk');
        self::assertSame([], $ids('zumba qqq'), 'no word of it is known');
        self::assertSame([], $ids(''));
    }
}
