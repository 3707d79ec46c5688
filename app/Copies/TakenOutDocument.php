<?php

declare(strict_types=1);

namespace App\Copies;

use App\Accounts\Studios;
use App\Http\RequestChecks;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Facades\App;

/**
 * The document of a take-out, read piece by piece.
 */
final class TakenOutDocument
{
    /** A studio's, which comes from the shell alone: 60 clients with a year of logs take 270 MB. */
    private const LARGEST_STUDIO = 2 * 1024 * 1024 * 1024;

    /**
     * @return list<array<string, mixed>>|null
     *
     * @throws UnusableInput
     */
    public static function bands(mixed $written): ?array
    {
        return $written === null ? null : Studios::bands(self::checked('BandsRequest', ['bands' => $written]));
    }

    /**
     * @return array<string, ?int>|null
     *
     * @throws UnusableInput
     */
    public static function kit(mixed $written, Library $library): ?array
    {
        return $written === null ? null : Studios::kit(self::checked('KitRequest', ['kit' => $written]), $library);
    }

    /**
     * @param  array<string, mixed>  $document
     *
     * @throws UnusableInput where it is not what the API takes
     */
    public static function checked(string $schema, array $document): Node
    {
        $problems = App::make(RequestChecks::class)->problems($schema, (object) $document);

        return $problems === [] ? new Node(Json::toArray((object) $document)) : throw new UnusableInput($problems);
    }

    /** @return array<string, mixed> */
    public static function read(string $text, string $of): array
    {
        $document = get_object_vars(Json::decode($text, $of === TakeOutDocument::OF_STUDIO ? self::LARGEST_STUDIO : Json::LARGEST));
        if (($document['format'] ?? null) !== TakeOutDocument::FORMAT || ($document['version'] ?? null) !== TakeOutDocument::VERSION) {
            throw UnusableInput::at('/format', sprintf('must be %s, version %d', TakeOutDocument::FORMAT, TakeOutDocument::VERSION));
        }
        if (($document['of'] ?? null) !== $of) {
            throw UnusableInput::at('/of', sprintf('must be "%s" here', $of));
        }

        return $document;
    }

    /**
     * @param  array<string, mixed>  $of
     * @return list<array<string, mixed>>
     */
    public static function list(array $of, string $key): array
    {
        $list = $of[$key] ?? [];
        if (! is_array($list) || array_filter($list, static fn (mixed $each): bool => ! is_object($each)) !== []) {
            throw UnusableInput::at('/'.$key, 'must be a list of objects');
        }

        return array_map(get_object_vars(...), array_values($list));
    }

    /** @param  array<string, mixed>  $of */
    public static function text(array $of, string $key, int $most): string
    {
        $value = $of[$key] ?? null;

        return is_string($value) && trim($value) !== '' && mb_strlen($value) <= $most ? $value : throw UnusableInput::at(
            '/'.$key,
            sprintf('must be text of 1 to %d characters', $most),
        );
    }
}
