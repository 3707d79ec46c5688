<?php

declare(strict_types=1);

namespace EvenRungs\Storage;

use EvenRungs\Core\Figure\Drawing;
use EvenRungs\Core\Figure\Figure;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Formats\FigureJson;

/**
 * Start and end of every shipped figure, drawn when the pages are built. A figure that was not drawn then, as of a studio's own ladder, or
 * by other code, is drawn when it is asked for.
 */
final class KeptDrawings
{
    /** @var array<mixed>|null drawings by what was drawn */
    private ?array $kept = null;

    public function __construct(private readonly string $file)
    {
    }

    /** @return mixed the drawing as pages read it */
    public function ends(Figure $figure): mixed
    {
        $this->kept ??= $this->read();

        return $this->kept[self::of($figure)] ?? FigureJson::drawing(Drawing::ends($figure));
    }

    /** @return array<string, mixed> the drawings of the whole library by the id of the rung or the move of preparation */
    public function all(Library $library): array
    {
        return array_map($this->ends(...), self::figures($library));
    }

    /** @return array<string, Figure> by the id of the rung or the move of preparation */
    private static function figures(Library $library): array
    {
        $figures = [];
        foreach (array_merge($library->rungs(), ...array_values(array_column($library->preparation, 'rungs'))) as $rung) {
            $figures[$rung->id] = $rung->figure();
        }

        return $figures;
    }

    /** Draws everything and keeps it. */
    public function draw(Library $library): void
    {
        $this->kept = [];
        $drawn = [];
        foreach (self::figures($library) as $figure) {
            $drawn[self::of($figure)] = $this->ends($figure);
        }
        file_put_contents($this->file.'.new', json_encode(['code' => self::code(), 'drawings' => $drawn], JSON_THROW_ON_ERROR));
        rename($this->file.'.new', $this->file);
        $this->kept = $drawn;
    }

    /** @return array<mixed> */
    private function read(): array
    {
        $kept = json_decode((string) @file_get_contents($this->file), true);

        return is_array($kept) && ($kept['code'] ?? null) === self::code() && is_array($kept['drawings'] ?? null) ? $kept['drawings'] : [];
    }

    private static function of(Figure $figure): string
    {
        return md5(serialize($figure));
    }

    /** The code that draws, by what it says. */
    private static function code(): string
    {
        $files = glob(dirname(__DIR__).'/core/Figure/*.php');

        return md5(implode('', array_map(static fn (string $file): string => (string) md5_file($file), $files === false ? [] : $files)));
    }
}
