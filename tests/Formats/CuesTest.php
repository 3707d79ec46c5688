<?php

declare(strict_types=1);

namespace Tests\Formats;

use EvenRungs\Core\Dose\Hold;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Position;
use EvenRungs\Core\Ladder\Rung;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * What a machine can see of a card that contradicts its rung (common practice, no source).
 */
final class CuesTest extends TestCase
{
    /** Anti-rotation work that turns on the hips on purpose. */
    private const TURNS = ['low-to-high-chop', 'high-to-low-chop', 'side-to-side-swing'];

    /** @return array<string, string> what is said on each card, by rung */
    private static function said(): array
    {
        $said = [];
        foreach (Documents::data()->library()->rungs() as $rung) {
            $cues = array_map(static fn ($cue): string => $cue->say, $rung->coaching()->cues);
            $said[$rung->id] = mb_strtolower(implode(' | ', [...$cues, $rung->coaching()->watch]));
        }

        return $said;
    }

    private static function rung(string $id): Rung
    {
        return Documents::data()->library()->rung($id);
    }

    public function test_no_card_speaks_of_another_exercise(): void
    {
        foreach (self::said() as $id => $said) {
            $setup = mb_strtolower(implode(' ', self::rung($id)->coaching()->setup).' '.self::rung($id)->name);
            if (self::rung($id)->category === Category::AntiRotation && ! in_array($id, self::TURNS, true)) {
                self::assertDoesNotMatchRegularExpression('/\bturns? as one\b|\bturn with\b/', $said, $id.' must not turn');
            }
            if (str_contains($said, 'each turn')) {
                self::assertMatchesRegularExpression('/\bturn|twist|bicycle/', $setup, $id.' does not turn');
            }
            if (preg_match('/hands? carr(?:y|ies) the head/', $said) === 1) {
                self::assertStringContainsString('head', $setup, $id.' has no hand at the head');
            }
            if (preg_match('/knees? (?:bent|and forearms)/', mb_strtolower(self::rung($id)->name)) === 1) {
                self::assertDoesNotMatchRegularExpression('/ankle in one line|ear to ankle/', $said, $id.' stands on its knees');
            }
        }
    }

    /** Anatomy as every textbook has it; the table is from memory. */
    public function test_an_exercise_is_felt_where_a_muscle_that_it_names_lies_and_nowhere_that_it_must_not_be(): void
    {
        $lies = [];
        foreach (file(dirname(__DIR__).'/cases/felt-where.tsv', FILE_IGNORE_NEW_LINES) ?: [] as $line) {
            [$where, $muscles] = explode("\t", $line);
            $lies[$where] = explode('|', $muscles);
        }
        foreach (Documents::data()->library()->rungs() as $rung) {
            $card = $rung->coaching();
            foreach ($card->feltIn as $where) {
                self::assertArrayHasKey($where, $lies, $rung->id);
                self::assertNotSame([], array_intersect($lies[$where], $card->muscles), "{$rung->id} is felt in the {$where}");
            }
            self::assertSame([], array_intersect($card->feltIn, $card->notIn), $rung->id);
        }
    }

    /** A card stands alone on paper, and speaks of how this exercise lies, stands or moves. */
    public function test_no_card_leans_on_another_or_speaks_of_another_position(): void
    {
        foreach (Documents::data()->library()->rungs() as $rung) {
            $card = $rung->coaching();
            $setup = implode(' ', $card->setup);
            $cues = implode(' | ', array_map(static fn ($cue): string => $cue->say, $card->cues));
            self::assertDoesNotMatchRegularExpression('/\bAs (?:before|the|with)\b|^Take the/', $setup, $rung->id);
            if ($rung->start()->measure instanceof Hold) {
                self::assertDoesNotMatchRegularExpression('/as the leg goes|before the leg moves|way up\./i', $cues, $rung->id);
            }
            if (! str_contains($setup, 'stick')) {
                self::assertDoesNotMatchRegularExpression('/\bstick\b/', $cues.$card->lessRange, $rung->id);
            }
            if ($rung->position !== Position::Standing) {
                self::assertDoesNotMatchRegularExpression('/\bstand nearer\b/', $card->lessRange, $rung->id);
            }
        }
    }

    public function test_the_main_faults_can_be_ticked_where_they_happen(): void
    {
        foreach (Documents::data()->library()->ladder('plank')->rungs as $rung) {
            self::assertContains('upper-back-rounds', $rung->faults, $rung->id);
        }
        foreach (Documents::data()->library()->ladder('goblet-squat')->rungs as $rung) {
            foreach (['upper-back-rounds', 'back-arches', 'seat-drifts-back'] as $fault) {
                self::assertContains($fault, $rung->faults, $rung->id);
            }
            self::assertContains('low back', $rung->coaching()->notIn, $rung->id);
        }
        foreach (Documents::data()->library()->rungs() as $rung) {
            self::assertSame(array_values(array_unique($rung->faults)), $rung->faults, $rung->id);
            self::assertLessThanOrEqual(6, count($rung->faults), $rung->id);
        }
    }
}
