<?php

declare(strict_types=1);

namespace EvenRungs\Storage;

use EvenRungs\Core\Style\Style;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\StyleJson;

/**
 * A house style with another answer to one question.
 */
final class StyleVariant
{
    /** What the new side sets goes before what the style wrote itself. */
    public static function of(DataFolder $data, string $style, string $question, string $side): Style
    {
        $document = $data->styleDocument($style);
        $chosen = $data->styleQuestions()->child($question)->child('sides')->child($side);
        $own = static fn (string $key): array => array_diff_key($document->opaque($key) ?? [], $chosen->opaque($key) ?? []);

        return StyleJson::read(
            new Node([
                ...$document->all(),
                'choices' => [...$document->opaque('choices') ?? [], $question => $side],
                'plan' => $own('plan'),
                'numbers' => $own('numbers'),
            ]),
            $data->styleQuestions(),
            $data->node('weights.json'),
        );
    }
}
