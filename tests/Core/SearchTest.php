<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Ladder\Search;
use PHPUnit\Framework\TestCase;
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
}
