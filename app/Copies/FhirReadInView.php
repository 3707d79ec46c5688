<?php

declare(strict_types=1);

namespace App\Copies;

use App\Models\Client;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Formats\Fhir\FhirFindings;
use EvenRungs\Storage\DataFolder;

/**
 * What a bundle holds for a client, each line beside what is known here already.
 */
final class FhirReadInView
{
    public function __construct(private readonly DataFolder $data)
    {
    }

    /** @return array{lines: list<array{what: string, here: ?string, file: string, differs: bool}>} */
    public function of(Client $client, FhirFindings $found): array
    {
        $library = $this->data->library();
        $tests = is_array($client->document['tests'] ?? null) ? $client->document['tests'] : [];
        $clean = is_array($tests['ladders'] ?? null) ? $tests['ladders'] : [];
        $here = FhirReadIn::byId($client->document['limits'] ?? []);
        $lines = [];
        foreach (FhirReadIn::byId($found->limits) as $id => $limit) {
            $rule = $library->limits[$id] ?? null;
            // a medical limit is there or not
            $told = static fn (mixed $said): string => $rule?->medical === true ? 'there' : self::severity($said);
            $lines[] = self::line($rule->name ?? $id, isset($here[$id]) ? $told($here[$id]) : null, $told($limit));
        }
        foreach ($found->seconds as $test => $value) {
            $ours = $tests[$test] ?? null;
            $lines[] = self::line(self::nameOf($test), is_int($ours) || is_float($ours) ? "{$ours} s" : null, "{$value} s");
        }
        foreach ($found->clean as $ladder => $rung) {
            $ours = $clean[$ladder]['highest_clean'] ?? null;
            $name = $library->hasLadder($ladder) ? $library->ladder($ladder)->name : $ladder;
            $lines[] = self::line($name, $ours === null ? null : self::rungs($library, $ours), self::rungs($library, $rung));
        }
        foreach ($found->aims as $rung) {
            $name = $library->rung($rung)->name;
            $lines[] = self::line('Aim', in_array($rung, $client->aims ?? [], true) ? $name : null, $name);
        }

        return ['lines' => $lines];
    }

    /** @return array{what: string, here: ?string, file: string, differs: bool} */
    private static function line(string $what, ?string $here, string $file): array
    {
        return ['what' => $what, 'here' => $here, 'file' => $file, 'differs' => $here !== null && $here !== $file];
    }

    private static function severity(mixed $limit): string
    {
        return is_array($limit) && is_string($limit['severity'] ?? null) ? $limit['severity'] : 'moderate';
    }

    /** As in "front-plank_s". */
    private static function nameOf(string $test): string
    {
        return ucfirst(str_replace('-', ' ', (string) preg_replace('/_s$/', '', $test)));
    }

    private static function rungs(Library $library, mixed $rung): string
    {
        $name = static fn (mixed $id): string => is_string($id) && $library->hasRung($id) ? $library->rung($id)->name : 'unknown';

        return is_array($rung)
            ? sprintf('left %s, right %s', $name($rung['left'] ?? null), $name($rung['right'] ?? null))
            : $name($rung);
    }
}
