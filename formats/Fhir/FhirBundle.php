<?php

declare(strict_types=1);

namespace EvenRungs\Formats\Fhir;

/**
 * A client as a FHIR R4 bundle (HL7 FHIR 4.0.1): patient, limits as flags, tests and what was said of sessions as observations, aims as
 * goals, and the program as a care plan.
 */
final class FhirBundle
{
    public const SYSTEM = 'https://even-rungs.example/fhir/';

    private const UNITS = 'http://unitsofmeasure.org';

    private const LOINC = 'http://loinc.org';

    /** Pain severity, 0 to 10, as somebody says it (LOINC, from memory). */
    private const PAIN = '72514-3';

    /** @return array<string, mixed> */
    public static function write(FhirCase $case): array
    {
        $patient = ['reference' => 'Patient/'.$case->id];
        $resources = [
            [
                'resourceType' => 'Patient',
                'id' => $case->id,
                'name' => [['text' => $case->name]],
                ...($case->born === null ? [] : ['birthDate' => (string) $case->born]),
            ],
            ...self::flags($case, $patient),
            ...self::tests($case, $patient),
            ...self::reports($case, $patient),
            ...self::goals($case, $patient),
            ...($case->sessions === [] ? [] : [self::plan($case, $patient)]),
        ];

        return [
            'resourceType' => 'Bundle',
            'type' => 'collection',
            'timestamp' => $case->asOf->format('Y-m-d\T00:00:00\Z'),
            'entry' => array_map(static fn (array $each): array => [
                'fullUrl' => self::SYSTEM.self::text($each['resourceType']).'/'.self::text($each['id']),
                'resource' => $each,
            ], $resources),
        ];
    }

    /**
     * @param  array<string, string>  $patient
     * @return list<array<string, mixed>>
     */
    private static function flags(FhirCase $case, array $patient): array
    {
        $flags = [];
        foreach ($case->limits as $limit) {
            [$id, $severity] = is_array($limit) ? [$limit['limit'], $limit['severity']] : [$limit, null];
            $flags[] = [
                'resourceType' => 'Flag',
                'id' => "{$case->id}-limit-{$id}",
                'status' => 'active',
                'category' => [self::concept('category', 'limit', 'Limit in training')],
                'code' => [
                    'coding' => [
                        self::coding('limit', $id),
                        ...($severity === null ? [] : [self::coding('severity', $severity)]),
                    ],
                    'text' => ($case->names[$id] ?? $id).($severity === null ? '' : ', '.$severity),
                ],
                'subject' => $patient,
            ];
        }

        return $flags;
    }

    /**
     * @param  array<string, string>  $patient
     * @return list<array<string, mixed>>
     */
    private static function tests(FhirCase $case, array $patient): array
    {
        $observations = [];
        $observed = static fn (string $id, array $code, string $as, array $value): array => [
            'resourceType' => 'Observation',
            'id' => "{$case->id}-{$id}",
            'status' => 'final',
            'code' => $code,
            'subject' => $patient,
            'effectiveDateTime' => $case->asOf->format('Y-m-d'),
            $as => $value,
        ];
        foreach ($case->seconds as $test => $value) {
            $code = self::concept('test', $test, self::words($test));
            $held = ['value' => $value, 'unit' => 's', 'system' => self::UNITS, 'code' => 's'];
            $observations[] = $observed('test-'.str_replace('_', '-', $test), $code, 'valueQuantity', $held);
        }
        foreach ($case->clean as $ladder => $clean) {
            $told = fn (string $rung): array => self::concept('rung', $rung, $case->names[$rung] ?? $rung);
            $code = self::concept('ladder-test', $ladder, 'Highest rung done clean, '.$ladder);
            $sides = is_string($clean) ? [] : array_map(static fn (string $side): array => [
                'code' => self::concept('side', $side, ucfirst($side)),
                'valueCodeableConcept' => $told($clean[$side]),
            ], ['left', 'right']);
            $observations[] = is_string($clean)
                ? $observed('ladder-'.$ladder, $code, 'valueCodeableConcept', $told($clean))
                : $observed('ladder-'.$ladder, $code, 'component', $sides);
        }

        return $observations;
    }

    /**
     * @param  array<string, string>  $patient
     * @return list<array<string, mixed>>
     */
    private static function reports(FhirCase $case, array $patient): array
    {
        $observations = [];
        foreach ($case->reports as $i => $report) {
            foreach ([
                'pain' => [$report->pain, ['coding' => [['system' => self::LOINC, 'code' => self::PAIN]], 'text' => 'Pain, 0 to 10']],
                'effort' => [$report->effort, self::concept('report', 'effort', 'Effort, 0 to 10')],
            ] as $what => [$value, $code]) {
                if ($value !== null) {
                    $observations[] = [
                        'resourceType' => 'Observation',
                        'id' => "{$case->id}-{$what}-{$i}",
                        'status' => 'final',
                        'code' => $code,
                        'subject' => $patient,
                        'effectiveDateTime' => $report->day,
                        'valueInteger' => $value,
                    ];
                }
            }
        }

        return $observations;
    }

    /**
     * @param  array<string, string>  $patient
     * @return list<array<string, mixed>>
     */
    private static function goals(FhirCase $case, array $patient): array
    {
        $goal = static fn (string $id, array $description): array => [
            'resourceType' => 'Goal',
            'id' => "{$case->id}-{$id}",
            'lifecycleStatus' => 'active',
            'description' => $description,
            'subject' => $patient,
        ];
        $goals = [];
        foreach ($case->aims as $rung) {
            $goals[] = $goal('aim-'.$rung, self::concept('rung', $rung, $case->names[$rung] ?? $rung));
        }
        foreach ($case->ownAims as $i => $words) {
            $goals[] = $goal("own-aim-{$i}", ['text' => $words]);
        }

        return $goals;
    }

    /**
     * @param  array<string, string>  $patient
     * @return array<string, mixed>
     */
    private static function plan(FhirCase $case, array $patient): array
    {
        return [
            'resourceType' => 'CarePlan',
            'id' => $case->id.'-program',
            'status' => 'active',
            'intent' => 'plan',
            'title' => 'Core training',
            'subject' => $patient,
            'activity' => array_map(static fn (FhirSession $each): array => ['detail' => [
                'status' => $each->status,
                'description' => $each->text,
                ...($each->day === null ? [] : ['scheduledPeriod' => ['start' => $each->day, 'end' => $each->day]]),
            ]], $case->sessions),
        ];
    }

    private static function text(mixed $value): string
    {
        return is_string($value) ? $value : '';
    }

    /** @return array{coding: list<array<string, string>>, text: string} */
    private static function concept(string $system, string $code, string $text): array
    {
        return ['coding' => [self::coding($system, $code)], 'text' => $text];
    }

    /** @return array{system: string, code: string} */
    private static function coding(string $system, string $code): array
    {
        return ['system' => self::SYSTEM.$system, 'code' => $code];
    }

    private static function words(string $test): string
    {
        return ucfirst(str_replace(['_s', '-'], ['', ' '], $test)).' hold';
    }
}
