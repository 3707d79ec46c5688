<?php

declare(strict_types=1);

namespace Tests\Reference;

use EvenRungs\Core\Client\NormGroup;
use EvenRungs\Core\Client\Tests;
use EvenRungs\Core\Review\Norms\Ratio;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Formats\NormsJson;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * McGill SM, Childs A, Liebenson C (1999) Arch Phys Med Rehabil 80(8):941–944, 75 healthy young adults, and the rules of thumb
 * that go with it: values from memory. The expected answers are worked out by hand.
 */
final class EnduranceNormsTest extends TestCase
{
    private static function tests(int|float $extensor, int|float $flexor, int|float $left, int|float $right): Tests
    {
        return new Tests(
            [
                'extensor' => Seconds::of($extensor),
                'flexor' => Seconds::of($flexor),
                'side-plank-left' => Seconds::of($left),
                'side-plank-right' => Seconds::of($right),
            ],
        );
    }

    /** @return array<string, Ratio> */
    private static function ratios(Tests $tests): array
    {
        $ratios = [];
        foreach (Documents::data()->norms()->ratios($tests) as $ratio) {
            $ratios[$ratio->rule->id] = $ratio;
        }

        return $ratios;
    }

    /** @return iterable<string, array{Tests, list<string>}> */
    public static function bodies(): iterable
    {
        yield 'the average man' => [self::tests(146, 144, 97, 94), []];
        yield 'the average woman, whose sides differ' => [self::tests(189, 149, 77, 72), ['side-left-right']];
        yield 'all on their limits' => [self::tests(100, 100, 75, 75), []];
        yield 'a little over two limits' => [self::tests(100, 101, 76, 75), ['flexor-extensor', 'side-extensor']];
        yield 'exactly five per cent' => [self::tests(200, 100, 95, 100), []];
        yield 'exactly five per cent, the other way round' => [self::tests(200, 100, 100, 95), []];
        yield 'a tenth of a second more' => [self::tests(200, 100, 94.9, 100), ['side-left-right']];
    }

    /** @param  list<string>  $flagged */
    #[DataProvider('bodies')]
    public function test_ratios_are_flagged_over_their_limit_and_not_on_it(Tests $tests, array $flagged): void
    {
        self::assertSame($flagged, array_keys(array_filter(self::ratios($tests), static fn (Ratio $ratio): bool => $ratio->flag)));
    }

    public function test_the_average_woman_is_told_of_a_re_test_and_of_no_diagnosis(): void
    {
        $ratio = self::ratios(self::tests(189, 149, 77, 72))['side-left-right'];

        self::assertSame(0.935, $ratio->value);
        self::assertStringContainsString('re-test', $ratio->meaning);
        self::assertStringContainsString('not a diagnosis', $ratio->meaning);
    }

    public function test_zero_and_missing_are_not_computable(): void
    {
        foreach (self::ratios(new Tests(['side-plank-left' => Seconds::of(40), 'side-plank-right' => Seconds::of(0)])) as $ratio) {
            self::assertNull($ratio->value);
            self::assertFalse($ratio->flag);
            self::assertStringContainsString('Not computable', $ratio->meaning);
        }
    }

    /** @return array<string, mixed> */
    private static function written(Tests $tests, NormGroup $group, ?int $born = null, ?int $year = null): array
    {
        return NormsJson::write(Documents::data()->norms(), $tests, new Tests, $group, $born, $year);
    }

    public function test_a_group_gives_its_own_norm_and_none_gives_both_without_a_z(): void
    {
        $tests = self::tests(197, 144, 97, 94);
        $men = array_column(self::written($tests, NormGroup::Men)['results'], null, 'test')['extensor'];
        self::assertSame([146, 51, 1.0], [$men['norms'][0]['mean_s'], $men['norms'][0]['sd_s'], $men['z']]);
        $none = array_column(self::written($tests, NormGroup::None)['results'], null, 'test')['extensor'];
        self::assertSame([['men', 'women'], null], [array_column($none['norms'], 'group'), $none['z']]);
    }

    /** Strand SL et al. (2014) J Hum Kinet 40:93–102, students, from memory: skewed, so the table counts and no normal curve. */
    public function test_the_front_plank_is_read_from_its_percentiles(): void
    {
        $plank = static fn (int $seconds): array => self::written(
            new Tests(['front-plank' => Seconds::of($seconds)]),
            NormGroup::Women,
        )['results'][0];

        self::assertSame([null, 'under the 10th percentile'], [$plank(20)['z'], $plank(20)['band']]);
        self::assertSame('between the 10th and the 50th percentile', $plank(71)['band']);
        self::assertSame('at or over the 90th percentile', $plank(142)['band']);
    }

    public function test_nobody_under_eighteen_gets_an_adult_norm(): void
    {
        self::assertSame([], self::written(self::tests(100, 100, 50, 50), NormGroup::Men, 2012, 2027)['results'][0]['norms']);
        self::assertNotSame([], self::written(self::tests(100, 100, 50, 50), NormGroup::Men, 2009, 2027)['results'][0]['norms']);
    }

    /** House rule: a change counts above the larger of 15 % and 10 s. */
    public function test_a_change_inside_the_noise_of_the_test_does_not_count(): void
    {
        $change = static fn (int $now, int $before): bool => Documents::data()->norms()->change(
            Seconds::of($now),
            Seconds::of($before),
        )->counts();

        self::assertFalse($change(50, 40));
        self::assertTrue($change(51, 40));
        self::assertFalse($change(115, 100));
        self::assertTrue($change(84, 100));
    }

    /** Index = weaker / stronger × 100 (calc): 90 against 100 is 90 %. */
    public function test_the_index_names_the_worse_side(): void
    {
        self::assertSame(
            [['test' => 'side-plank', 'index_percent' => 90.0, 'worse' => 'left']],
            self::written(self::tests(100, 100, 90, 100), NormGroup::None)['asymmetry'],
        );
        self::assertNull(self::written(self::tests(100, 100, 90, 90), NormGroup::None)['asymmetry'][0]['worse']);
    }
}
