<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Dose\Reps;
use EvenRungs\Core\Figure\Drawing;
use EvenRungs\Formats\FigureJson;
use PHPUnit\Framework\TestCase;
use Tests\Support\Documents;

/**
 * Every figure is drawn as when somebody last looked at it, moving and still: a sum a rung. Whoever changes how figures are drawn looks at
 * all of them anew, and then writes the new sums into tests/cases/figures.tsv.
 */
final class DrawnFiguresTest extends TestCase
{
    public function test_every_figure_is_drawn_as_when_it_was_last_looked_at(): void
    {
        $drawn = [];
        foreach (Documents::data()->library()->rungs() as $rung) {
            $measure = $rung->start()->measure;
            $reps = $measure instanceof Reps ? $measure : null;
            $moving = Drawing::of($rung->figure(), $reps->tempo ?? $rung->tempo, (float) ($reps?->hold?->toNumber() ?? 0));
            $drawn[] = $rung->id."\t".md5(
                (string) json_encode([FigureJson::drawing($moving), FigureJson::drawing(Drawing::ends($rung->figure()))]),
            );
        }
        $seen = file(dirname(__DIR__).'/cases/figures.tsv', FILE_IGNORE_NEW_LINES);
        self::assertSame([], array_values(array_diff($drawn, (array) $seen)));
        self::assertCount(count((array) $seen), $drawn);
    }
}
