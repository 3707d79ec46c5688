<?php

declare(strict_types=1);

namespace App\Copies;

use App\Clients\ChangeClient;
use App\Clients\ClientDocument;
use App\Models\Client;
use App\Models\Trainer;
use EvenRungs\Formats\Fhir\FhirFindings;
use EvenRungs\Formats\Fhir\FhirReader;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\Schemas;

/**
 * Limits, tests and aims of a client from a FHIR R4 bundle, wherever it has been meanwhile.
 */
final class FhirReadIn
{
    /** How the record says it. */
    public const ACT = 'Read limits, tests and aims in';

    public function __construct(
        private readonly DataFolder $data,
        private readonly ChangeClient $change,
        private readonly ClientDocument $documents,
        private readonly ReadIns $readIns,
    ) {
    }

    /**
     * @throws UnusableInput where it is no bundle, or says what cannot be
     */
    public function read(string $text): FhirFindings
    {
        $found = FhirReader::read(new Node(Json::toArray(Json::decode($text))));
        $library = $this->data->library();
        foreach ($found->aims as $rung) {
            if (! $library->hasRung($rung)) {
                throw UnusableInput::at('/entry', sprintf('aims at "%s", which the library does not have', $rung));
            }
        }
        if ([...$found->limits, ...$found->seconds, ...$found->clean, ...$found->aims] === []) {
            throw UnusableInput::at('/entry', 'says nothing of limits, tests or aims in the words of this program');
        }

        return $found;
    }

    /**
     * Takes it into what is known of a client. What the file does not speak of stays.
     *
     * @param  bool  $keepsOurs  where both say something else, what is here stays
     *
     * @throws UnusableInput where what comes of it is no client
     */
    public function into(Client $client, Trainer $by, int $version, string $text, bool $keepsOurs): void
    {
        $found = $this->read($text);
        [$before, $aims] = [$client->document, $client->aims];
        $document = self::merged($before, $found, $keepsOurs);
        $problems = Schemas::check('client', Json::decode(Json::encode((object) ClientDocument::asObjects($document))));
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }
        [, $document] = $this->documents->read(new Node(['document' => $document]));
        $this->change->to($client, $by, $version, $document);
        $client->refresh()->update(['aims' => array_values(array_unique([...$found->aims, ...$aims ?? []]))]);
        $this->readIns->changed($by, 'a FHIR bundle', $client, $before, $aims);
    }

    /**
     * @param  array<mixed>  $document  even-rungs/client
     * @return array<mixed>
     */
    private static function merged(array $document, FhirFindings $found, bool $keepsOurs): array
    {
        $over = static fn (array $here, array $there): array => $keepsOurs ? [...$there, ...$here] : [...$here, ...$there];
        $tests = is_array($document['tests'] ?? null) ? $document['tests'] : [];
        $clean = is_array($tests['ladders'] ?? null) ? $tests['ladders'] : [];
        $limits = $over(self::byId($document['limits'] ?? []), self::byId($found->limits));
        $theirs = array_map(static fn (string|array $rung): array => ['highest_clean' => $rung], $found->clean);
        $all = $over(array_diff_key($tests, ['ladders' => true]), $found->seconds);
        $ladders = $over($clean, $theirs);

        return [
            ...$document,
            'limits' => array_values($limits),
            ...($all === [] && $ladders === [] ? [] : ['tests' => [...$all, ...($ladders === [] ? [] : ['ladders' => $ladders])]]),
        ];
    }

    /**
     * @param  array<mixed>  $limits
     * @return array<string, string|array<mixed>> by id
     */
    public static function byId(array $limits): array
    {
        $byId = [];
        foreach ($limits as $limit) {
            $id = is_array($limit) ? $limit['limit'] ?? '' : $limit;
            $byId[is_string($id) ? $id : ''] = $limit;
        }

        return $byId;
    }
}
