<?php

declare(strict_types=1);

namespace App\Home;

use App\Models\HomePage;
use App\Models\Studio;
use EvenRungs\Formats\Json;
use Illuminate\Contracts\View\Factory;

/**
 * A client's own page as one file that needs nothing else: its document, the script and the styles that were built for it.
 */
final class HomePageFile
{
    private const BUILT = 'build/own';

    public function __construct(private readonly Factory $views)
    {
    }

    /** @param  string  $studio  where the page finds the studio, such as https://192.0.2.7:8443; empty where nowhere */
    public function html(HomePage $page, string $studio): string
    {
        $document = HomePages::document($page);

        return $this->views->make('own', [
            'title' => $document->string('first').', '.$document->string('title'),
            'script' => self::built('own.js'),
            'style' => self::built('own.css'),
            'document' => self::held(Json::decode(HomePages::text($page))),
            'seal' => self::held(['page' => strtolower($page->id), 'key' => base64_encode(HomePages::key($page)), 'at' => $studio]),
        ])->render();
    }

    /** What stands in the place of a page after a stop. */
    public function halted(string $studio): string
    {
        return $this->views->make('own-halted', ['studio' => Studio::query()->findOrFail($studio)])->render();
    }

    /** As JSON of which nothing can end the element that holds it. */
    private static function held(mixed $value): string
    {
        return json_encode($value, JSON_THROW_ON_ERROR | JSON_HEX_TAG | JSON_HEX_AMP | JSON_PRESERVE_ZERO_FRACTION);
    }

    private static function built(string $file): string
    {
        return str_replace('</script', '<\/script', (string) file_get_contents(public_path(self::BUILT.'/'.$file)));
    }
}
