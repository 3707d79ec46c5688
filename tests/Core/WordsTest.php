<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Dose\Tempo;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Sheet\DoseText;
use EvenRungs\Core\Sheet\Words;
use EvenRungs\Storage\WordFiles;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * What a client is told, in every language there is.
 */
final class WordsTest extends TestCase
{
    /** @return iterable<string, array{Words}> */
    public static function languages(): iterable
    {
        foreach (WordFiles::shipped()->languages() as $language) {
            yield $language => [WordFiles::shipped()->words($language)];
        }
    }

    /** @return array{said: array<string, string>, phrases: array<string, string>} */
    private static function file(string $language): array
    {
        return json_decode((string) file_get_contents(dirname(__DIR__, 2)."/data/words/{$language}.json"), true);
    }

    #[DataProvider('languages')]
    public function test_every_sentence_is_there_with_as_many_places(Words $words): void
    {
        $own = self::file($words->language)['said'];
        foreach (self::file(WordFiles::DEFAULT)['said'] as $what => $sentence) {
            self::assertArrayHasKey($what, $own);
            self::assertSame(substr_count($sentence, '%s'), substr_count($own[$what], '%s'), $what);
        }
        self::assertSame(array_keys(self::file(WordFiles::DEFAULT)['said']), array_keys($own));
        foreach (Documents::data()->library()->limits as $limit) {
            self::assertArrayHasKey('limit.'.$limit->id, $own);
        }
    }

    /** The default speaks as the library does. */
    #[DataProvider('languages')]
    public function test_everything_that_a_sheet_takes_from_the_library_has_its_words(Words $words): void
    {
        $library = Documents::data()->library();
        $taken = [...array_column($library->equipment, 'name'), ...array_column($library->ladders, 'name')];
        foreach ($library->rungs() as $rung) {
            $coaching = $rung->coaching();
            array_push($taken, $rung->name, $coaching->lessRange, $coaching->cues[0]->say ?? '', ...$coaching->setup);
            array_push($taken, ...$coaching->feltIn, ...$coaching->notIn);
        }
        foreach ([...$library->preparation['warm-up']->rungs, ...$library->preparation['cool-down']->rungs] as $move) {
            array_push($taken, $move->name, ...$move->coaching()->setup);
        }
        foreach (Documents::data()->styleNames() as $style) {
            foreach ($library->rungs() as $rung) {
                array_push($taken, ...Documents::data()->style($style)->words($rung));
            }
        }
        $missing = array_diff($taken, array_keys(self::file($words->language)['phrases']), ['']);
        self::assertSame([], $words->language === WordFiles::DEFAULT ? [] : array_values(array_unique($missing)));
        self::assertSame('Our own exercise', $words->of('Our own exercise'), 'what a studio wrote stays as it wrote it');
    }

    /** The page and the command line say the tempo as trainers write it; what a client reads is the same dose. */
    public function test_a_dose_is_the_same_for_the_client_the_tempo_in_words(): void
    {
        $texts = new DoseText(WordFiles::shipped()->words('en'));
        foreach (Documents::data()->library()->rungs() as $rung) {
            foreach ($rung->steps as $dose) {
                $tempo = $dose->measure instanceof Reps ? $dose->measure->tempo : null;
                $without = preg_replace('/(, (go|stay|back|pause) \d+ s)+/', '', $texts->of($dose, true));
                self::assertSame(
                    $tempo === null ? Wording::of($dose) : str_replace(', tempo '.$tempo->toString(), '', Wording::of($dose)),
                    $without,
                );
            }
        }
    }

    public function test_a_tempo_is_told_in_the_order_in_which_it_comes_and_adds_up(): void
    {
        $english = new DoseText(WordFiles::shipped()->words('en'));
        $dose = Shorthand::parse('2 × 8 /s 3-1-2-0 r0:30');
        self::assertSame('2 sets of 8 reps on each side, go 3 s, stay 1 s, back 2 s, rest 0:30', $english->of($dose, true));
        self::assertSame('2 sets of 8 reps on each side, go 2 s, back 3 s, pause 1 s, rest 0:30', $english->of($dose, false));
        self::assertSame('3 rounds of 8 reps on each side, go 2 s, back 3 s, pause 1 s, rest 0:30', $english->of($dose, false, 3));
        $german = new DoseText(WordFiles::shipped()->words('de'));
        self::assertSame(
            '2 Sätze mit 8 Wiederholungen auf jeder Seite, hin 3 s, bleiben 1 s, zurück 2 s, Pause 0:30',
            $german->of($dose, true),
        );
        foreach ([Tempo::parse('2-0-2-0'), Tempo::parse('9-9-9-9'), Tempo::parse('X-0-X-0')] as $tempo) {
            foreach ([true, false] as $lowersFirst) {
                $told = $english->of(new Dose(new Reps(5, tempo: $tempo)), $lowersFirst);
                preg_match_all('/(?:go|stay|back|pause) (\d+) s/', $told, $parts);
                self::assertSame($tempo->rep()->toNumber(), array_sum(array_map(intval(...), $parts[1])));
            }
        }
    }
}
