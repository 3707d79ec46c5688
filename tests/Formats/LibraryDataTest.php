<?php

declare(strict_types=1);

namespace Tests\Formats;

use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Dose\MeasureKind;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Storage\Schemas;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

final class LibraryDataTest extends TestCase
{
    /** @return array<string, array{string, string}> */
    public static function files(): array
    {
        $root = dirname(__DIR__, 2).'/data/';
        $files = [];
        foreach (['tables', 'goals', 'intents', 'poses', 'test-day', 'style-choices', 'weights'] as $name) {
            $files[$name] = [$root.$name.'.json', $name];
        }
        $files['norms'] = [$root.'norms.json', 'norm-tables'];
        foreach (['ladders' => 'ladder', 'styles' => 'style'] as $folder => $schema) {
            foreach (glob($root.$folder.'/*.json') ?: [] as $file) {
                $files[$folder.'/'.basename($file)] = [$file, $schema];
            }
        }

        return $files;
    }

    #[DataProvider('files')]
    public function test_every_table_fits_its_schema(string $file, string $schema): void
    {
        self::assertSame(
            [],
            array_map(static fn ($p): string => $p->toLine(), Schemas::check($schema, json_decode((string) file_get_contents($file)))),
        );
    }

    public function test_the_printed_library_fits_its_schema_and_every_ladder_file_is_in_it(): void
    {
        $library = Documents::data()->library();

        self::assertSame([], Schemas::check('library', Json::decode(Json::encode(LibraryJson::write($library)))));
        self::assertCount(count(glob(dirname(__DIR__, 2).'/data/ladders/*.json') ?: []), $library->ladders);
    }

    public function test_every_rung_climbs_has_a_cue_for_each_fault_and_is_taught(): void
    {
        foreach (Documents::data()->library()->rungs() as $rung) {
            $amounts = array_map(
                static fn ($dose): int|float => $dose->measure->amount() * max(1, $dose->measure->longestHold()->ms),
                $rung->steps,
            );
            $sorted = $amounts;
            sort($sorted);
            self::assertSame($sorted, $amounts, $rung->id.' gets harder step by step');
            self::assertSame($rung->faults, array_map(static fn ($cue): string => $cue->fault, $rung->coaching()->cues), $rung->id);
            self::assertNotSame([], $rung->coaching()->setup, $rung->id);
            self::assertSame(
                $rung->start()->measure->kind() === MeasureKind::Reps,
                $rung->tempo !== null,
                $rung->id.' has a tempo where it has reps',
            );
        }
    }

    public function test_every_rung_says_what_it_adds_where_it_is_felt_and_when_to_stop(): void
    {
        $muscles = [
            'rectus abdominis',
            'transverse abdominis',
            'obliques',
            'multifidus',
            'erector spinae',
            'quadratus lumborum',
            'gluteus maximus',
            'gluteus medius',
            'hip flexors',
            'serratus anterior',
            'diaphragm',
            'pelvic floor',
            'latissimus',
            'rhomboids',
            'lower trapezius',
            'adductors',
            'hamstrings',
            'rotator cuff', 'back of the deltoid', 'finger flexors',
        ];
        $firsts = [];
        foreach (Documents::data()->library()->rungs() as $rung) {
            $words = $rung->coaching();
            self::assertNotContains('', [$words->adds, $words->watch, $words->lessRange], $rung->id);
            self::assertNotSame([], $words->feltIn, $rung->id);
            self::assertNotSame([], $words->notIn, $rung->id);
            self::assertNotSame([], $words->stop, $rung->id);
            self::assertSame([], array_diff($words->muscles, $muscles), $rung->id);
            self::assertLessThanOrEqual(5, count($rung->steps), $rung->id);
            $firsts[] = $words->adds;
        }
        self::assertGreaterThan(count($firsts) * 0.9, count(array_unique($firsts)), 'what a rung adds is its own');
    }

    public function test_there_are_thirty_ladders_and_a_way_into_every_category(): void
    {
        $library = Documents::data()->library();
        self::assertGreaterThanOrEqual(30, count($library->ladders));
        self::assertGreaterThanOrEqual(175, count($library->rungs()));
        $lowest = [];
        foreach ($library->ladders as $ladder) {
            $lowest[$ladder->category->value] = min($lowest[$ladder->category->value] ?? 10, $ladder->rungs[0]->level->value);
        }
        self::assertCount(9, $lowest);
        foreach ($lowest as $category => $level) {
            self::assertContains($level, in_array($category, ['IN', 'TM'], true) ? [2, 3, 4] : [1, 2, 3], $category);
        }
    }

    /** With any one thing sore or asked to be spared, and nothing but a wall and a band, each direction still has an exercise. */
    public function test_no_single_limit_leaves_a_direction_without_an_easy_rung_in_plain_kit(): void
    {
        $library = Documents::data()->library();
        foreach ($library->limits as $rule) {
            foreach (Category::directions() as $direction) {
                $allowed = array_filter($library->rungs(), static fn (Rung $rung): bool => $rung->category === $direction
                    && $rung->level->value <= 4
                    && array_diff($rung->equipment, ['wall', 'band']) === []
                    && $rung->requires === []
                    && (new Limit($rule))->bars($rung) === []);
                self::assertNotSame([], $allowed, $rule->id.' leaves '.$direction->value.' empty');
            }
        }
    }

    /** Common practice, no source: the names that trainers type. */
    public function test_common_names_are_known_and_a_bare_name_means_the_anchor(): void
    {
        $library = Documents::data()->library();
        $means = [
            'Dead bug' => 'dead-bug-opposite', 'dead bugs' => 'dead-bug-opposite', 'BIRD-DOG' => 'bird-dog-opposite',
            'Side plànk' => 'side-plank-split', 'pressout' => 'press-out-standing', 'rollout' => 'rollout-wheel-short',
            'goblet squat' => 'goblet-squat-free', 'bridge' => 'bridge', 'Heel taps' => 'heel-taps',
            'front plank' => 'forearm-plank', 'knee plank' => 'knee-plank', 'Glute bridges' => 'bridge',
            'single leg bridge' => 'single-leg-bridge', "Farmer's carry" => 'carry-two-hands', 'suitcase carry' => 'carry-hip',
            'wood chop' => 'high-to-low-chop', 'reverse chop' => 'low-to-high-chop', 'ab wheel rollout' => 'rollout-wheel-short',
            'stability ball rollout' => 'rollout-ball', 'anti-rotation press' => 'press-out-standing',
            'shoulder tap' => 'plank-taps-wide', 'plank drag' => 'plank-drag', 'renegade row' => 'plank-row',
            'landmine rotation' => 'bar-arc-full', 'bicycle crunch' => 'bicycle', 'kettlebell deadlift' => 'hinge-kettlebell-floor',
            'body saw' => 'body-saw', 'prone arms and legs' => 'prone-arms-legs', 'side-lying leg raise' => 'hip-straight-leg',
            'external rotation' => 'external-rotation-free', 'hip abduction' => 'hip-straight-leg', 'clam' => 'clam',
            'curl-up' => 'curl-up-supported', 'reverse crunch' => 'reverse-crunch', 'leg raise' => 'hanging-leg-raise',
            'hollow hold' => 'hollow-hold', 'Windmills' => 'windmill-reach', 'prone Y' => 'prone-y-floor', 'carry' => 'carry-hip',
            'plank' => 'forearm-plank',
        ];
        foreach ($means as $typed => $rung) {
            self::assertSame($rung, $library->find($typed)?->id, $typed);
        }
        self::assertNull($library->find('side plunk'), 'a near miss is never taken silently');
    }

    /** Ebben WP et al. (2011) J Strength Cond Res 25(10):2891–2894, values from memory: a raised support carries less than the floor. */
    public function test_a_wall_side_plank_stands_below_knees_and_knees_below_feet(): void
    {
        $level = static fn (string $id): int => Documents::data()->library()->rung($id)->level->value;

        self::assertLessThan($level('side-plank-knees'), $level('side-plank-wall'));
        self::assertLessThan($level('side-plank-split'), $level('side-plank-knees'));
        // Winter DA, Biomechanics and Motor Control of Human Movement, from memory: two legs are twice one, a straight leg is the longer
        // lever
        self::assertLessThan($level('dead-bug-opposite'), $level('heel-taps'));
        // Callaghan JP et al. (1998), order from memory: prone arms and legs together load the back most of this group
        self::assertLessThan($level('prone-arms-legs'), $level('prone-over-ball'));
        self::assertLessThan($level('prone-over-ball'), $level('bird-dog-opposite'));
        // Schoenfeld BJ et al. (2014) Sports Biomech 13(3):296–306, order from memory: the long lever with tilt stands above the ordinary
        // plank
        self::assertLessThan($level('plank-long-lever'), $level('forearm-plank'));
        // Ekstrom RA et al. (2007) J Orthop Sports Phys Ther 37(12):754–762, order from memory: single-leg bridge above bridge
        self::assertLessThan($level('single-leg-bridge'), $level('bridge'));
        // Ebben WP et al. (2011), values from memory: hands raised carry less than knees, knees less than the floor
        self::assertLessThan($level('knee-plank'), $level('bench-plank'));
        self::assertLessThan($level('forearm-plank'), $level('knee-plank'));
        // Callaghan JP et al. (1998) Phys Ther 78(1):8–18, order from memory: one leg loads less than opposite arm and leg
        self::assertLessThan($level('bird-dog-opposite'), $level('bird-dog-leg'));
        // Vera-Garcia FJ et al. (2000) Phys Ther 80(6):564–569, order from memory: the trunk over a ball above the floor
        self::assertLessThan($level('crunch-ball'), $level('crunch'));
        // Ekstrom RA et al. (2007), order from memory: the side bridge asks more of the side hip than lying leg lifts do
        self::assertLessThan($level('side-plank-split'), $level('hip-straight-leg'));
        // Escamilla RF et al. (2010) J Orthop Sports Phys Ther 40(5):265–276, order from memory: roll-out on the ball above the crunch
        self::assertLessThan($level('rollout-ball'), $level('crunch'));
        // Axler CT, McGill SM (1997) Med Sci Sports Exerc 29(6):804–811, order from memory: bent-leg raise, curl-up, straight legs, sit-up
        self::assertLessThan($level('straight-leg-hold-high'), $level('leg-load-down-heel'));
        self::assertLessThan($level('straight-leg-hold-high'), $level('curl-up-supported'));
        self::assertLessThan($level('sit-up-lowering'), $level('curl-up-supported'));
        // Winter DA, from memory: a straight leg is a longer lever than a bent one, two legs weigh twice one
        self::assertLessThan($level('hanging-leg-raise'), $level('hanging-knee-raise'));
        self::assertLessThan($level('leg-load-both-up-straight'), $level('leg-load-held-straight'));
        self::assertLessThan($level('reverse-plank-straight'), $level('reverse-plank-bent'));
        // Sahrmann SA (2002), from memory: the staged leg-loading test goes from one heel down to both, and from touching to held up
        self::assertLessThan($level('leg-load-both-up-heel'), $level('leg-load-held-heel'));
        self::assertLessThan($level('leg-load-held-heel'), $level('leg-load-down-heel'));
    }

    /** What loads the back most in the sources stands out by its grades: Axler & McGill (1997), Callaghan et al. (1998), from memory. */
    public function test_the_exercises_that_load_the_back_most_carry_the_highest_grades(): void
    {
        $rung = static fn (string $id): Rung => Documents::data()->library()->rung($id);

        self::assertGreaterThan($rung('curl-up-supported')->grade('spine-flexion'), $rung('sit-up-lowering')->grade('spine-flexion'));
        self::assertGreaterThan($rung('bird-dog-opposite')->grade('spine-extension'), $rung('prone-arms-legs')->grade('spine-extension'));
        self::assertGreaterThan($rung('leg-load-down-heel')->grade('hip-flexor'), $rung('straight-leg-hold-low')->grade('hip-flexor'));
    }
}
