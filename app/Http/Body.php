<?php

declare(strict_types=1);

namespace App\Http;

use EvenRungs\Formats\Json;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\Schemas;
use Illuminate\Http\Request;

/**
 * A request body, checked against its schema in the API document.
 */
final class Body
{
    public const COMPONENTS = 'https://even-rungs.example/api/openapi.json#/components/schemas/';

    /** @throws UnusableInput with every field that is wrong */
    public static function read(Request $request, string $component): Node
    {
        $document = Json::decode((string) $request->getContent());
        $problems = Schemas::checkUri(self::COMPONENTS.$component, $document);
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }

        return new Node(Json::toArray($document));
    }
}
