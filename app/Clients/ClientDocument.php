<?php

declare(strict_types=1);

namespace App\Clients;

use App\Models\Client;
use EvenRungs\Formats\EvenedJson;
use EvenRungs\Formats\Node;
use EvenRungs\Storage\DataFolder;

/**
 * A client's document as the form sends it and reads it.
 */
final class ClientDocument
{
    public function __construct(
        private readonly DataFolder $data,
    ) {
    }

    /** @return array{string, array<string, mixed>} the name and the document, which the core can read */
    public function read(Node $body): array
    {
        $person = $this->data->clients()->read($body->child('document'));

        // where somebody stands and what a clinician allowed is kept in rows of its own
        $document = array_diff_key(
            $body->opaque('document') ?? [],
            array_flip(['as_of', 'standings', 'stopped', 'clearances', 'ladders', 'x']),
        );
        $x = array_diff_key($body->child('document')->opaque('x') ?? [], array_flip([EvenedJson::HELD, EvenedJson::EXTRA_SETS]));

        return [$person->name, $x === [] ? $document : [...$document, 'x' => $x]];
    }

    /** @return array<string, mixed> */
    public static function fields(Client $client): array
    {
        return [
            'id' => $client->id,
            'version' => $client->version,
            'archived' => $client->archived_at !== null,
            'document' => self::asObjects($client->document),
        ];
    }

    /**
     * @param  array<string, mixed>  $document
     * @return array<string, mixed> what is empty and an object stays one
     */
    public static function asObjects(array $document): array
    {
        if (is_array($document['tests'] ?? null) && isset($document['tests']['ladders'])) {
            $document['tests']['ladders'] = (object) $document['tests']['ladders'];
        }
        foreach (['ability', 'days', 'tests', 'screen', 'x'] as $object) {
            if (isset($document[$object])) {
                $document[$object] = (object) $document[$object];
            }
        }

        return $document;
    }

    /**
     * @param  array<string, mixed>  $document  even-rungs/client
     * @return array<string, mixed> with the minutes that are wished, and more limits
     */
    public static function wished(array $document, Node $wishes): array
    {
        if ($wishes->has('days')) {
            $document['days'] = $wishes->ints('days');
        }
        $more = self::newLimits($document['limits'] ?? [], $wishes->strings('limits'));

        return $more === [] ? $document : [...$document, 'limits' => [...$document['limits'] ?? [], ...$more]];
    }

    /**
     * @param  list<mixed>  $known
     * @param  list<string>  $more
     * @return list<string> those that are not known yet
     */
    private static function newLimits(array $known, array $more): array
    {
        $ids = array_map(static fn (mixed $limit): mixed => is_array($limit) ? $limit['limit'] ?? null : $limit, $known);

        return array_values(array_diff($more, array_filter($ids, is_string(...))));
    }
}
