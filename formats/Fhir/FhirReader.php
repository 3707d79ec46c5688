<?php

declare(strict_types=1);

namespace EvenRungs\Formats\Fhir;

use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;

/**
 * Reads back what was written as a bundle, wherever it has been meanwhile.
 */
final class FhirReader
{
    /**
     * What a bundle says of limits, tests and aims in the words of this program; anything else is passed over.
     *
     * @throws UnusableInput where it is no bundle
     */
    public static function read(Node $bundle): FhirFindings
    {
        $document = $bundle->all();
        if (($document['resourceType'] ?? null) !== 'Bundle') {
            throw UnusableInput::at('/resourceType', 'must be "Bundle"');
        }
        $entries = $document['entry'] ?? [];
        if (! is_array($entries) || ! array_is_list($entries)) {
            throw UnusableInput::at('/entry', 'must be a list');
        }
        $limits = $seconds = $clean = $aims = [];
        foreach ($entries as $entry) {
            $resource = is_array($entry) && is_array($entry['resource'] ?? null) ? $entry['resource'] : [];
            $code = $resource['code'] ?? null;
            $limit = self::code($code, 'limit');
            $severity = self::code($code, 'severity');
            $test = self::code($code, 'test');
            $ladder = self::code($code, 'ladder-test');
            $aim = self::code($resource['description'] ?? null, 'rung');
            if ($limit !== null) {
                $limits[] = $severity === null ? $limit : ['limit' => $limit, 'severity' => $severity];
            } elseif ($test !== null) {
                $value = is_array($resource['valueQuantity'] ?? null) ? $resource['valueQuantity']['value'] ?? null : null;
                $seconds = is_int($value) || is_float($value) ? [...$seconds, $test => $value] : $seconds;
            } elseif ($ladder !== null) {
                $found = self::code($resource['valueCodeableConcept'] ?? null, 'rung') ?? self::sides($resource['component'] ?? null);
                $clean = $found === null ? $clean : [...$clean, $ladder => $found];
            } elseif ($aim !== null) {
                $aims[] = $aim;
            }
        }

        return new FhirFindings($limits, $seconds, $clean, $aims);
    }

    /** @return array{left: string, right: string}|null */
    private static function sides(mixed $components): ?array
    {
        $sides = [];
        foreach (is_array($components) ? $components : [] as $component) {
            $side = is_array($component) ? self::code($component['code'] ?? null, 'side') : null;
            $rung = is_array($component) ? self::code($component['valueCodeableConcept'] ?? null, 'rung') : null;
            $sides = $side === null || $rung === null ? $sides : [...$sides, $side => $rung];
        }

        return isset($sides['left'], $sides['right']) ? ['left' => $sides['left'], 'right' => $sides['right']] : null;
    }

    /** The code of a concept in one of this program's systems. */
    private static function code(mixed $concept, string $system): ?string
    {
        foreach (is_array($concept) && is_array($concept['coding'] ?? null) ? $concept['coding'] : [] as $coding) {
            if (is_array($coding) && ($coding['system'] ?? '') === FhirBundle::SYSTEM.$system && is_string($coding['code'] ?? null)) {
                return $coding['code'];
            }
        }

        return null;
    }
}
