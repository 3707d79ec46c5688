<?php

declare(strict_types=1);

namespace EvenRungs\Storage;

use EvenRungs\Core\Figure\Drawing;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Formats\FigureJson;

/**
 * Start and end of every shipped figure, drawn when the pages are built, in one file that never changes under its name and that the web
 * server sends by itself. The figures of a studio's own ladders are drawn when they are asked for.
 */
final class KeptDrawings
{
    private const NAME = 'figures-%s.json';

    /** @param  string  $folder  that the web server sends from */
    public function __construct(private readonly string $folder)
    {
    }

    /** The name of the file; null where nothing was drawn yet. */
    public function name(): ?string
    {
        $files = glob($this->folder.'/'.sprintf(self::NAME, '*'));

        return $files === false || $files === [] ? null : basename($files[0]);
    }

    /**
     * @param  list<Ladder>  $ladders
     * @return array<string, mixed> drawings as pages read them, by the id of the rung
     */
    public static function of(array $ladders): array
    {
        $rungs = array_merge([], ...array_column($ladders, 'rungs'));

        return array_combine(
            array_column($rungs, 'id'),
            array_map(static fn (Rung $rung): mixed => FigureJson::drawing(Drawing::ends($rung->figure())), $rungs),
        );
    }

    /** Draws every rung and every move of preparation and keeps them. */
    public function draw(Library $library): void
    {
        $text = json_encode(self::of([...$library->ladders, ...array_values($library->preparation)]), JSON_THROW_ON_ERROR);
        $old = glob($this->folder.'/figures-*');
        array_map(unlink(...), $old === false ? [] : $old);
        is_dir($this->folder) || mkdir($this->folder, 0755, true);
        $file = $this->folder.'/'.sprintf(self::NAME, substr(md5($text), 0, 12));
        file_put_contents($file, $text);
    }
}
