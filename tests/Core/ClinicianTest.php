<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Placement\Obstacles;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * What a cautious clinician would bar and keep, limit by limit: made for this, common practice, no source. A soreness is meant at moderate
 * severity, a medical limit with its clearance.
 */
final class ClinicianTest extends TestCase
{
    /** Limit, why, rungs that must be barred, why, rungs that must stay. */
    private const TABLE = [
        ['shoulder', 'the shoulder carries the trunk, or a weight over the head',
            ['hands-plank', 'plank-taps-wide', 'plank-drag', 'plank-row', 'plank-up-downs', 'rollout-ball', 'rollout-wheel-short', 'fallout-kneeling', 'forearm-plank', 'knee-plank', 'side-plank-knees', 'side-plank-stacked', 'push-up-plus', 'bird-dog-arm', 'bird-dog-opposite', 'windmill-reach', 'windmill-overhead', 'carry-overhead', 'carry-mixed', 'press-out-overhead', 'hanging-knee-raise', 'reverse-plank-bent', 'dead-bug-plate-overhead', 'front-rack-squat'],
            'the arm hangs, presses low or only holds its place',
            ['wall-plank', 'side-plank-wall', 'press-out-standing', 'press-out-half-kneeling', 'carry-hip', 'march-loaded', 'heel-taps', 'dead-bug-opposite', 'bridge', 'hinge-stick', 'hinge-kettlebell-block', 'prone-chest-lift', 'side-lying-both-legs', 'pull-down-standing', 'all-fours-hold', 'kickback-lift']],
        ['wrist', 'the hand is bent back under the body',
            ['hands-plank', 'plank-taps-wide', 'plank-row', 'bird-dog-leg', 'all-fours-hold', 'bench-plank', 'push-up-plus', 'side-plank-hand', 'reverse-plank-straight', 'kickback-slide'],
            'the weight is on the forearm, the back or the feet, or the wall takes a little',
            ['forearm-plank', 'side-plank-stacked', 'wall-plank', 'dead-bug-opposite', 'rollout-ball', 'press-out-standing', 'hinge-kettlebell-floor', 'carry-hip', 'body-saw']],
        ['neck', 'the head is lifted, held against its weight or carried by the hands',
            ['crunch', 'sit-up-lowering', 'curl-up-supported', 'hollow-hold', 'hollow-rock', 'bicycle', 'knee-hug-crunch', 'alternating-jackknife', 'star-crunch', 'prone-chest-lift', 'prone-arms-legs'],
            'the head lies, or stays in line',
            ['heel-taps', 'bridge', 'forearm-plank', 'side-plank-stacked', 'press-out-standing', 'prone-both-legs', 'bird-dog-opposite', 'carry-hip', 'reverse-crunch']],
        ['back-bending', 'the low back rounds under load or at its end',
            ['crunch', 'sit-up-lowering', 'reverse-crunch', 'in-and-outs', 'alternating-jackknife', 'star-crunch', 'seated-twist', 'bicycle', 'standing-side-bend', 'hollow-rock', 'ball-knee-tuck', 'hanging-knee-raise'],
            'the back stays long, the hips fold',
            ['hinge-stick', 'hinge-kettlebell-block', 'hinge-kettlebell-floor', 'curl-up-supported', 'bird-dog-opposite', 'forearm-plank', 'heel-taps', 'press-out-standing', 'swing-two-hands', 'carry-hip', 'prone-chest-lift']],
        ['back-arching', 'the low back is pulled into an arch',
            ['prone-one-leg', 'prone-chest-lift', 'prone-over-ball', 'prone-arms-legs', 'rollout-ball', 'rollout-wheel-full', 'body-saw', 'plank-long-lever', 'carry-overhead', 'press-out-overhead', 'dead-bug-plate-overhead', 'windmill-overhead', 'kickback-band'],
            'it is held flat, or only just leaves it',
            ['bird-dog-opposite', 'bridge', 'forearm-plank', 'heel-taps', 'hinge-stick', 'press-out-standing', 'side-plank-stacked', 'curl-up-supported', 'carry-hip']],
        ['kneeling', 'the knee carries the body',
            ['knee-plank', 'all-fours-hold', 'bird-dog-leg', 'rollout-ball', 'rollout-wheel-full', 'press-out-tall-kneeling', 'press-out-half-kneeling', 'push-pull', 'kickback-lift', 'all-fours-tap', 'throw-chest-pass'],
            'it hangs free, lies or stands',
            ['forearm-plank', 'side-plank-stacked', 'press-out-standing', 'bridge', 'heel-taps', 'hinge-stick', 'carry-hip', 'rollout-standing-wall', 'prone-chest-lift', 'side-plank-split']],
        ['hip-flexor', 'a straight leg, or both, hang on the front of the hip',
            ['straight-leg-hold-high', 'hollow-hold', 'leg-load-both-up-straight', 'leg-load-held-straight', 'hanging-knee-raise', 'in-and-outs', 'star-crunch', 'dead-bug-opposite', 'plank-knee-elbow', 'sit-up-lowering'],
            'the hips stay as they are, or one bent leg moves',
            ['heel-taps', 'leg-load-hug-heel', 'bridge', 'forearm-plank', 'side-plank-stacked', 'press-out-standing', 'bird-dog-opposite', 'curl-up-supported', 'carry-hip']],
        ['hamstring', 'one leg carries the bridge, or the hinge is loaded',
            ['single-leg-bridge', 'bridge-march-hold', 'hinge-kettlebell-floor', 'hinge-light-bar', 'swing-hike', 'swing-two-hands', 'reverse-plank-straight'],
            'both legs share it, or it is not asked',
            ['bridge', 'bridge-hold', 'hinge-stick', 'forearm-plank', 'heel-taps', 'press-out-standing', 'bird-dog-opposite', 'carry-hip', 'windmill-reach']],
        ['floor-transfer', 'it is done on the floor',
            ['forearm-plank', 'knee-plank', 'side-plank-knees', 'heel-taps', 'bridge', 'bird-dog-leg', 'prone-chest-lift', 'curl-up-supported', 'reverse-plank-bent', 'clam'],
            'it is done standing, seated or against a bench',
            ['wall-plank', 'bench-plank', 'side-plank-wall', 'press-out-standing', 'press-out-seated', 'pull-down-seated', 'hinge-stick', 'carry-hip', 'march-loaded', 'standing-brace-reach', 'goblet-squat-box']],
        ['balance', 'little of the body is on the ground while it moves',
            ['bird-dog-opposite', 'press-out-half-kneeling', 'swing-two-hands', 'side-to-side-swing', 'side-plank-leg', 'plank-opposite-lift', 'push-pull'],
            'both feet, or enough of the body, stay down',
            ['press-out-standing', 'forearm-plank', 'heel-taps', 'bridge', 'hinge-stick', 'carry-hip', 'side-plank-split', 'prone-chest-lift', 'march-loaded']],
        ['pregnancy', 'she would lie on the belly, hold against a bulge, strain, or lie with both feet up',
            ['prone-one-leg', 'prone-chest-lift', 'prone-y-floor', 'hollow-hold', 'crunch', 'bicycle', 'leg-load-both-up-heel', 'heel-taps', 'dead-bug-opposite', 'straight-leg-hold-high', 'rollout-ball', 'plank-taps-wide', 'plank-up-downs', 'plank-row', 'swing-hike', 'swing-two-hands', 'carry-overhead', 'hinge-kettlebell-floor', 'windmill-overhead', 'press-out-overhead', 'throw-rotational'],
            'upright, on the side or on all fours, or a short while on the back',
            ['all-fours-hold', 'bird-dog-leg', 'side-plank-knees', 'press-out-standing', 'press-out-seated', 'hinge-stick', 'wall-plank', 'bench-plank', 'clam', 'side-lying-both-legs', 'carry-hip', 'standing-brace-reach', 'bridge', 'goblet-squat-box']],
        ['postnatal', 'the belly is pushed out or strained against',
            ['crunch', 'sit-up-lowering', 'hollow-hold', 'leg-load-both-up-heel', 'straight-leg-hold-high', 'bicycle', 'in-and-outs', 'rollout-ball', 'rollout-wheel-short', 'plank-long-lever', 'plank-taps-wide', 'plank-drag', 'plank-row', 'plank-up-downs', 'plank-knee-elbow', 'swing-two-hands', 'carry-overhead', 'hinge-kettlebell-floor'],
            'it is braced gently with the breath going',
            ['belly-breathing', 'brace-knees-bent', 'bridge', 'knee-plank', 'forearm-plank', 'bird-dog-leg', 'side-plank-knees', 'press-out-standing', 'clam', 'hinge-stick', 'leg-load-down-heel', 'carry-hip']],
        ['osteoporosis', 'the spine would be bent or turned under load, jerked, or the weight is heavy',
            ['crunch', 'curl-up-supported', 'sit-up-lowering', 'reverse-crunch', 'in-and-outs', 'seated-twist', 'bicycle', 'standing-side-bend', 'hinge-kettlebell-floor', 'hinge-light-bar', 'hinge-one-sided', 'swing-hike', 'swing-two-hands', 'throw-chest-pass', 'throw-rotational', 'low-to-high-chop', 'windmill-overhead', 'hollow-rock', 'prone-arms-legs', 'prone-over-ball', 'plank-weighted', 'carry-two-hands-heavier', 'carry-overhead'],
            'the back is strengthened long and straight',
            ['prone-one-leg', 'prone-chest-lift', 'prone-both-legs', 'hinge-stick', 'hinge-stick-shoulders', 'bird-dog-leg', 'bird-dog-opposite', 'forearm-plank', 'side-plank-knees', 'bridge', 'press-out-standing', 'carry-hip', 'heel-taps', 'goblet-squat-box']],
        ['blood-pressure', 'it is heavy, fast, overhead or a hold to the limit',
            ['plank-weighted', 'plank-long-lever', 'hollow-hold', 'straight-leg-hold-low', 'swing-hike', 'swing-two-hands', 'throw-rotational', 'carry-overhead', 'carry-mixed', 'hinge-kettlebell-floor', 'hinge-light-bar', 'windmill-overhead', 'press-out-overhead', 'front-rack-squat', 'dead-bug-plate-overhead', 'rollout-wheel-short', 'fallout-kneeling', 'carry-two-hands-heavier'],
            'it can be breathed through, in short holds',
            ['forearm-plank', 'side-plank-knees', 'side-plank-stacked', 'bird-dog-opposite', 'press-out-standing', 'heel-taps', 'bridge', 'hinge-stick', 'carry-hip', 'wall-plank', 'clam']],
        ['recent-surgery', 'it is on the floor, strains, bulges or bends',
            ['crunch', 'sit-up-lowering', 'forearm-plank', 'heel-taps', 'bridge', 'hollow-hold', 'swing-hike', 'swing-two-hands', 'hinge-kettlebell-floor', 'hinge-light-bar', 'carry-overhead', 'windmill-overhead', 'front-rack-squat', 'bar-arc-full', 'in-and-outs', 'hanging-knee-raise'],
            'it is light, upright and upheld',
            ['wall-plank', 'side-plank-wall', 'press-out-standing', 'press-out-seated', 'pull-down-seated', 'hinge-stick', 'standing-brace-reach', 'march-loaded', 'bench-plank']],
    ];

    /** @return iterable<string, array{string, string, list<string>, string, list<string>}> */
    public static function limits(): iterable
    {
        foreach (self::TABLE as $row) {
            yield $row[0] => $row;
        }
    }

    /**
     * @param  list<string>  $barred
     * @param  list<string>  $open
     */
    #[DataProvider('limits')]
    public function test_a_limit_bars_what_loads_it_and_keeps_the_rest(string $limit, string $bars, array $barred, string $keeps, array $open): void
    {
        $library = Documents::data()->library();
        $client = self::client($limit);
        $isSafe = static fn (string $rung): bool => Obstacles::between($client, $library->rung($rung), $library)->isSafe();

        self::assertSame([], array_values(array_filter($barred, $isSafe)), $limit.' must bar these: '.$bars);
        self::assertSame([], array_values(array_filter($open, static fn (string $rung): bool => ! $isSafe($rung))), $limit.' must keep these: '.$keeps);
    }

    public function test_the_table_has_every_limit(): void
    {
        self::assertEqualsCanonicalizing(array_keys(Documents::data()->library()->limits), array_column(self::TABLE, 0));
    }

    /** Every lift from the floor, weight overhead or at the shoulder, swing, hike and throw, and rollout on wheel or strap strains: common practice, no source. */
    public function test_heavy_work_is_graded_as_strain_whatever_its_ladder(): void
    {
        $library = Documents::data()->library();
        $grade = static fn (string $rung): int => $library->rung($rung)->stresses['strain'] ?? 0;
        foreach (['hinge-kettlebell-floor', 'hinge-light-bar', 'hinge-one-sided', 'windmill-low', 'carry-shoulder', 'front-rack-squat', 'windmill-overhead', 'press-out-overhead', 'press-overhead-back-to-anchor', 'dead-bug-plate-overhead', 'rollout-wheel-short', 'fallout-kneeling', 'throw-chest-pass', 'bar-arc-short'] as $rung) {
            self::assertGreaterThanOrEqual(2, $grade($rung), $rung);
        }
        foreach (['swing-hike', 'swing-two-hands', 'swing-one-hand', 'side-to-side-swing', 'throw-rotational', 'carry-overhead', 'carry-two-hands-heavier', 'rollout-wheel-full', 'fallout-low', 'plank-weighted', 'plank-long-lever', 'hollow-hold', 'windmill-heavier'] as $rung) {
            self::assertSame(3, $grade($rung), $rung);
        }
    }

    private static function client(string $limit): Client
    {
        return Documents::client(['limits' => [$limit], 'as_of' => '2027-01-04', 'clearances' => [['lifts' => $limit, 'on' => '2026-12-01', 'by' => 'A. Practice', 'role' => 'Physician']]]);
    }
}
