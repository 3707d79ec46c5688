<?php

declare(strict_types=1);

namespace App\Sheets;

use Dompdf\Dompdf;
use Dompdf\Options;
use Illuminate\Contracts\View\Factory;
use Illuminate\Support\Facades\File;

/**
 * Sheets as pages for a screen and for paper, and as PDF with fonts embedded, text that can be selected and figures as vectors.
 */
final class SheetView
{
    /**
     * How much can be left out so that a sheet has as few pages as were asked for: felt, set up, large pictures, what is easier, and what
     * is said throughout.
     */
    public const LEAST_DETAIL = 5;

    /** What the metrics of the font ask for is more air than lines on paper need. */
    private const HEIGHT_RATIO = 0.8;

    private const FILES = ['normal' => 'Regular', 'bold' => 'Bold'];

    public const FONT = 'Atkinson Hyperlegible Next';

    public function __construct(private readonly Factory $views)
    {
    }

    /**
     * @param  list<array<string, mixed>>  $sheets  each with how much is left out of it
     * @param  bool  $carriesFonts  whether the page brings its fonts along, as a browser needs them
     */
    public function html(array $sheets, SheetChoice $choice, bool $carriesFonts = false): string
    {
        return $this->page('sheet', ['sheets' => $sheets, 'choice' => $choice], $carriesFonts);
    }

    /**
     * A page of paper.
     *
     * @param  array<string, mixed>  $of  what it is made of
     */
    public function page(string $view, array $of, bool $carriesFonts): string
    {
        $fonts = array_map(
            static fn (string $file): string => base64_encode((string) file_get_contents(self::file($file))),
            $carriesFonts ? self::FILES : [],
        );

        return $this->views->make($view, [...$of, 'fonts' => $fonts])->render();
    }

    /**
     * How much has to be left out of a sheet so that it has as few pages as were asked for.
     *
     * @param  array<string, mixed>  $sheet
     * @return array{int, int} how much is left out, and the pages it has then; large print takes what it takes
     */
    public function fit(array $sheet, SheetChoice $choice): array
    {
        $fewest = [0, PHP_INT_MAX];
        for ($detail = 0; $detail <= self::LEAST_DETAIL; $detail++) {
            $pages = $this->rendered($this->html([[...$sheet, 'detail' => $detail]], $choice), $choice)->getCanvas()->get_page_count();
            // nothing is left out that saves no page
            $fewest = $pages < $fewest[1] ? [$detail, $pages] : $fewest;
            if ($pages <= $choice->pages || $choice->isLarge()) {
                break;
            }
        }

        return $fewest;
    }

    /** The PDF of a page. */
    public function pdf(string $html, SheetChoice $choice): string
    {
        return (string) $this->rendered($html, $choice)->output();
    }

    private static function file(string $weight): string
    {
        return resource_path("fonts/AtkinsonHyperlegibleNext-{$weight}.ttf");
    }

    private function rendered(string $html, SheetChoice $choice): Dompdf
    {
        $fonts = storage_path('framework/cache/fonts');
        File::ensureDirectoryExists($fonts);
        $options = new Options;
        $options->setIsRemoteEnabled(false);
        $options->setIsFontSubsettingEnabled(true);
        $options->setDefaultMediaType('print');
        $options->setFontHeightRatio(self::HEIGHT_RATIO);
        $options->setFontDir($fonts);
        $options->setFontCache($fonts);
        $options->setTempDir($fonts);
        $options->setChroot([resource_path('fonts'), $fonts]);
        $pdf = new Dompdf($options);
        foreach (self::FILES as $weight => $file) {
            $pdf->getFontMetrics()->registerFont(
                ['family' => self::FONT, 'style' => 'normal', 'weight' => $weight],
                self::file($file),
            );
        }
        $pdf->loadHtml($html, 'UTF-8');
        $pdf->setPaper($choice->paper);
        $pdf->render();

        return $pdf;
    }
}
