<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Rung;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Each answer of a house style that changes how a rung is coached has words on the rungs it touches, limits before style (common practice,
 * no source).
 */
final class StyleWordsTest extends TestCase
{
    /** @return list<string> */
    private static function words(string $rung, string $style, ?Client $client = null): array
    {
        return Documents::data()->style($style)->words(Documents::data()->library()->rung($rung), $client);
    }

    /** @return array<string, array{string, string, string, string}> rung, a style that says it, what, and a style that does not */
    public static function said(): array
    {
        return [
            'drawn in, not braced' => ['forearm-plank', 'quiet-start', 'Belly gently in', 'even-keel'],
            'braced, not drawn in' => ['forearm-plank', 'even-keel', 'Stiff all round', 'quiet-start'],
            'flat back' => ['heel-taps', 'quiet-start', 'press the low back flat', 'even-keel'],
            'natural back' => ['heel-taps', 'even-keel', 'natural gap', 'quiet-start'],
            'feet in front' => ['side-plank-split', 'even-keel', 'Top foot in front', 'full-compass'],
            'feet stacked' => ['side-plank-stacked', 'full-compass', 'One foot on the other', 'even-keel'],
            'blades pushed away' => ['hands-plank', 'even-keel', 'Push the floor away', 'quiet-start'],
            'blades down' => ['hands-plank', 'quiet-start', 'Shoulder blades down', 'even-keel'],
            'heels' => ['bridge', 'full-compass', 'Weight in the heels', 'even-keel'],
            'whole foot' => ['goblet-squat-free', 'even-keel', 'whole foot', 'quiet-start'],
            'sips' => ['plank-long-lever', 'full-compass', 'sips', 'even-keel'],
            'breathing out' => ['dead-bug-opposite', 'even-keel', 'Breathe out on the effort', 'none'],
        ];
    }

    #[DataProvider('said')]
    public function test_the_words_of_an_answer_stand_where_it_touches(string $rung, string $style, string $what, string $other): void
    {
        self::assertStringContainsString($what, implode(' ', self::words($rung, $style)));
        $other === 'none' || self::assertStringNotContainsString($what, implode(' ', self::words($rung, $other)));
    }

    public function test_nobody_with_a_medical_limit_reads_of_sips_or_a_held_breath(): void
    {
        $medical = Documents::client(['limits' => ['blood-pressure']]);
        $read = 0;
        foreach (Documents::data()->styleNames() as $style) {
            $said = Documents::data()->style($style)->coaching($medical);
            foreach (Documents::data()->library()->rungs() as $rung) {
                $said = [...$said, ...self::words($rung->id, $style, $medical)];
            }
            foreach ($said as $line) {
                self::assertDoesNotMatchRegularExpression('/\bsips?\b|may be held/i', $line, $style);
                $read++;
            }
        }
        self::assertGreaterThan(1000, $read);
        self::assertStringContainsString('sips', implode(' ', self::words('plank-long-lever', 'full-compass')), 'others do');
    }

    public function test_draw_in_words_stand_only_on_unloaded_rungs_up_to_level_four_and_no_rung_says_both(): void
    {
        foreach (Documents::data()->library()->rungs() as $rung) {
            foreach (Documents::data()->styleNames() as $style) {
                $said = implode(' ', self::words($rung->id, $style));
                $drawn = str_contains($said, 'Belly gently in');
                self::assertFalse($drawn && ($rung->level->value > 4 || $rung->isWeighted()), "{$style}: {$rung->id}");
                self::assertFalse($drawn && str_contains($said, 'Stiff all round'), "{$style}: {$rung->id}");
            }
        }
    }

    public function test_every_answer_that_is_coached_on_rungs_has_words_in_every_style(): void
    {
        $touches = ['switch-on', 'side-plank-feet', 'floor', 'breath', 'shoulder-blades', 'foot-weight'];
        foreach (Documents::data()->styleNames() as $style) {
            foreach (Documents::data()->style($style)->choices as $choice) {
                $on = array_filter(
                    Documents::data()->library()->rungs(),
                    static fn (Rung $rung): bool => $choice->wordsOn($rung) !== null,
                );
                self::assertSame(in_array($choice->id, $touches, true), $on !== [], "{$style}: {$choice->id}");
            }
        }
    }
}
