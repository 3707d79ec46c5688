<?php

declare(strict_types=1);

namespace App\Http;

use EvenRungs\Formats\Json;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Http\Request;
use Illuminate\Support\Facades\App;

/**
 * A request body, checked against its schema in the API document.
 */
final class Body
{
    /** @throws UnusableInput with every field that is wrong */
    public static function read(Request $request, string $component): Node
    {
        $document = Json::decode((string) $request->getContent());
        $problems = App::make(RequestChecks::class)->problems($component, $document);
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }

        return new Node(Json::toArray($document));
    }
}
