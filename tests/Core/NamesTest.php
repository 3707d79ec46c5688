<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Dose\Range;
use EvenRungs\Core\Ladder\Level;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Name;
use EvenRungs\Core\Ladder\RangeScale;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Ladder\Search;
use EvenRungs\Core\UnknownName;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Formats\Node;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Names as they are compared, what a misspelt one may have meant, and ranges in shares and centimetres.
 */
final class NamesTest extends TestCase
{
    /** @return iterable<array{string, list<string>}> */
    public static function words(): iterable
    {
        yield ['Side Plank', ['side', 'plank']];
        yield ['side-planks', ['side', 'plank']];
        yield ['  Sidé   plànk! ', ['side', 'plank']];
        yield ["Farmer's carries", ['farmer', 'carry']];
        yield ['lies', ['lie']];
        yield ['flies', ['fly']];
        yield ['crunches', ['crunch']];
        yield ['presses', ['press']];
        yield ['boxes', ['box']];
        yield ['pushes', ['push']];
        yield ['press', ['press']];
        yield ['ys', ['ys']];
        yield ['leg raises', ['leg', 'raise']];
        yield ['', []];
        yield ['—', []];
    }

    /** @param  list<string>  $words */
    #[DataProvider('words')]
    public function test_a_name_is_blind_to_case_accent_hyphen_and_plural(string $name, array $words): void
    {
        self::assertSame($words, Name::words($name));
        self::assertSame(implode('', $words), Name::key($name));
    }

    public function test_a_misspelt_name_is_suggested_within_one_letter_in_four_and_never_taken(): void
    {
        $library = Documents::data()->library();
        $ids = static fn (string $typed): array => array_map(static fn (Rung $rung): string => $rung->id, $library->suggestions($typed));
        self::assertContains('bridge', $ids('bridgo'));
        self::assertNotContains('bridge', $ids('brixgo'), 'two of six letters');
        self::assertSame([], $ids('xxxxxxxxxxxx'));
        self::assertContains('windmill-reach', $ids('wimdmill'));
        self::assertLessThanOrEqual(3, count($ids('plank')));
        foreach (['bridgo', 'wimdmill'] as $typed) {
            self::assertNull($library->find($typed), $typed);
        }
        self::assertContains('bird-dog-opposite', $ids('bird dogx'));
        self::assertCount(5, $ids(str_repeat('bird dog ', 40)), 'a name of hundreds of letters shares words with five');
        self::assertSame([], $ids(str_repeat('zumba ', 400)), 'and is compared by its beginning');
    }

    public function test_what_is_not_in_the_library_is_named(): void
    {
        $library = Documents::data()->library();
        self::assertTrue($library->hasRung('bridge'));
        self::assertFalse($library->hasRung('Bridge'));
        self::assertTrue($library->hasLadder('plank'));
        self::assertFalse($library->hasLadder('bridge of sighs'));
        foreach ([static fn () => $library->rung('nobody'), static fn () => $library->ladder('nobody')] as $ask) {
            try {
                $ask();
                self::fail('there is nobody');
            } catch (UnknownName $e) {
                self::assertStringContainsString('"nobody"', $e->sentence);
            }
        }
        self::assertInstanceOf(Library::class, $library);
    }

    public function test_levels_are_compared(): void
    {
        self::assertTrue(Level::of(4)->isAbove(Level::of(3)));
        self::assertFalse(Level::of(3)->isAbove(Level::of(3)));
        self::assertFalse(Level::of(2)->isAbove(Level::of(3)));
    }

    public function test_a_range_in_shares_goes_by_quarters_and_ends_at_a_half(): void
    {
        $scale = RangeScale::share();
        self::assertFalse($scale->isCm());
        self::assertSame([], $scale->growing());
        self::assertSame([1000, 500, 750], array_map($scale->perMille(...), [null, Range::share(0.5), Range::share(0.75)]));
        self::assertSame(0.75, $scale->less(null)?->share);
        self::assertSame(0.5, $scale->less(Range::share(0.75))?->share);
        self::assertSame(0.5, $scale->less(Range::share(0.6))?->share, 'never under a half');
        self::assertNull($scale->less(Range::share(0.5)));
        self::assertSame(0.75, $scale->more(Range::share(0.5))->share);
        self::assertSame(1, $scale->more(Range::share(0.75))->share);
        self::assertSame(1, $scale->more(Range::share(0.9))->share);
        self::assertSame('share', $scale->document());
        self::assertSame(1000, $scale->perMille(Range::cm(30)), 'centimetres say nothing of a range in shares');
    }

    public function test_a_range_in_centimetres_goes_by_its_steps_and_ends_at_the_first(): void
    {
        $scale = RangeScale::cm(20, 50);
        self::assertTrue($scale->isCm());
        self::assertSame([20, 40, 50], array_map(static fn (Range $range): int|float|null => $range->cm, $scale->growing()));
        self::assertSame([20], array_map(static fn (Range $range): int|float|null => $range->cm, RangeScale::cm(20, 20)->growing()));
        self::assertSame([20, 40], array_map(static fn (Range $range): int|float|null => $range->cm, RangeScale::cm(20, 40)->growing()));
        self::assertSame([1000, 600, 1000], array_map($scale->perMille(...), [null, Range::cm(30), Range::cm(80)]));
        self::assertSame(30, $scale->less(null)?->cm);
        self::assertSame(20, $scale->less(Range::cm(30))?->cm);
        self::assertNull($scale->less(Range::cm(20)));
        self::assertSame(40, $scale->more(Range::cm(20))->cm);
        self::assertSame(50, $scale->more(Range::cm(40))->cm);
        self::assertEquals(45, $scale->more(Range::share(0.5))->cm, 'half of fifty, and a step');
        self::assertSame(['step_cm' => 20, 'full_cm' => 50], $scale->document());
    }

    public function test_four_letters_may_have_one_wrong_and_eight_may_have_two(): void
    {
        $search = new Search(Documents::data()->library());
        $ids = static fn (string $typed): array => array_map(static fn (Rung $rung): string => $rung->id, $search->find($typed));
        self::assertContains('carry-hip', $ids('cary'), 'four letters, one missing');
        self::assertContains('carry-hip', $ids('carr'));
        self::assertContains('windmill-reach', $ids('wimdmilk'), 'two of eight');
        self::assertNotContains('windmill-reach', $ids('wimdnilk'), 'three of eight');
        self::assertNotContains('bridge', $ids('brixgo'), 'two of six');
        self::assertSame('clam', $ids('clam')[0]);
        self::assertSame('bridge', $ids('bridge')[0], 'the very name goes before every longer one');
        self::assertSame([], $ids('plank bridge windmill carry'));
        $long = str_repeat('x', 80).' plank';
        self::assertSame([], $ids($long), 'what stands behind eighty letters is not read, what stands before is not found');
    }

    public function test_a_library_refuses_what_names_something_that_is_not_there(): void
    {
        $library = Documents::data()->library();
        $ladder = $library->ladder('plank');
        foreach ([['faults', ['nothing']], ['stresses', ['nothing' => 2]], ['equipment', ['nothing']]] as [$what, $names]) {
            $document = LibraryJson::writeLadder($ladder);
            $document['rungs'][0][$what] = $names;
            try {
                $library->with([LibraryJson::readLadder(new Node(Json::toArray((object) $document)), Documents::data()->poses())]);
                self::fail($what.' may name nothing');
            } catch (UnknownName $e) {
                self::assertStringContainsString('"nothing", which is not in the library', $e->sentence);
            }
        }
    }
}
