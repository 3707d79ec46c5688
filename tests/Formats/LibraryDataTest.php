<?php

declare(strict_types=1);

namespace Tests\Formats;

use EvenRungs\Core\Dose\MeasureKind;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\LibraryJson;
use EvenRungs\Formats\Schemas;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

final class LibraryDataTest extends TestCase
{
    /** @return array<string, array{string, string}> */
    public static function files(): array
    {
        $root = dirname(__DIR__, 2).'/data/';
        $files = ['tables' => [$root.'tables.json', 'tables'], 'goals' => [$root.'goals.json', 'goals']];
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
        self::assertSame([], array_map(static fn ($p): string => $p->toLine(), Schemas::check($schema, json_decode((string) file_get_contents($file)))));
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
            $amounts = array_map(static fn ($dose): int|float => $dose->measure->amount() * max(1, $dose->measure->longestHold()->ms), $rung->steps);
            $sorted = $amounts;
            sort($sorted);
            self::assertSame($sorted, $amounts, $rung->id.' gets harder step by step');
            self::assertSame($rung->faults, array_map(static fn ($cue): string => $cue->fault, $rung->coaching()->cues), $rung->id);
            self::assertNotSame([], $rung->coaching()->setup, $rung->id);
            self::assertSame($rung->start()->measure->kind() === MeasureKind::Reps, $rung->tempo !== null, $rung->id.' has a tempo where it has reps');
        }
    }

    /** Common practice, no source: the order and the levels of the first ladders, from the trade's own progressions. */
    public function test_ladders_start_low_and_a_bare_name_means_the_anchor(): void
    {
        $library = Documents::data()->library();
        $lowest = [];
        foreach ($library->ladders as $ladder) {
            $lowest[$ladder->category->value] = min($lowest[$ladder->category->value] ?? 10, $ladder->rungs[0]->level->value);
        }
        self::assertLessThanOrEqual(3, max($lowest), 'every category has a rung to start from');
        $means = ['Dead bug' => 'dead-bug-opposite', 'dead bugs' => 'dead-bug-opposite', 'BIRD-DOG' => 'bird-dog-opposite', 'Side plànk' => 'side-plank-split', 'pressout' => 'press-out-standing', 'Heel taps' => 'heel-taps', 'anti-rotation press' => 'press-out-standing', 'front plank' => 'forearm-plank', 'knee plank' => 'knee-plank', 'Glute bridges' => 'bridge', 'single leg bridge' => 'single-leg-bridge', 'suitcase carry' => 'carry-hip', 'wood chop' => 'high-to-low-chop', 'reverse chop' => 'low-to-high-chop', 'shoulder tap' => 'plank-taps-wide', 'plank drag' => 'plank-drag', 'renegade row' => 'plank-row', 'landmine rotation' => 'bar-arc-full', 'kettlebell deadlift' => 'hinge-kettlebell-floor', 'body saw' => 'body-saw', 'prone arms and legs' => 'prone-arms-legs', 'Windmills' => 'windmill-reach', 'carry' => 'carry-hip', 'plank' => 'forearm-plank'];
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
        // Winter DA, Biomechanics and Motor Control of Human Movement, from memory: two legs are twice one, a straight leg is the longer lever
        self::assertLessThan($level('dead-bug-opposite'), $level('heel-taps'));
        // Callaghan JP et al. (1998), order from memory: prone arms and legs together load the back most of this group
        self::assertLessThan($level('prone-arms-legs'), $level('prone-over-ball'));
        self::assertLessThan($level('prone-over-ball'), $level('bird-dog-opposite'));
        // Schoenfeld BJ et al. (2014) Sports Biomech 13(3):296–306, order from memory: the long lever with tilt stands above the ordinary plank
        self::assertLessThan($level('plank-long-lever'), $level('forearm-plank'));
        // Ekstrom RA et al. (2007) J Orthop Sports Phys Ther 37(12):754–762, order from memory: single-leg bridge above bridge
        self::assertLessThan($level('single-leg-bridge'), $level('bridge'));
        // Ebben WP et al. (2011), values from memory: hands raised carry less than knees, knees less than the floor
        self::assertLessThan($level('knee-plank'), $level('bench-plank'));
        self::assertLessThan($level('forearm-plank'), $level('knee-plank'));
        // Callaghan JP et al. (1998) Phys Ther 78(1):8–18, order from memory: one leg loads less than opposite arm and leg
        self::assertLessThan($level('bird-dog-opposite'), $level('bird-dog-leg'));
    }
}
