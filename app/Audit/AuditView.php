<?php

declare(strict_types=1);

namespace App\Audit;

use App\Support\ClockField;
use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\AuditedEntry;
use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\AuditedWeek;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Dose\Wording;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Formats\AuditJson;
use EvenRungs\Formats\ProgramJson;
use EvenRungs\Storage\DataFolder;

/**
 * An audit of a program as pages read it.
 */
final class AuditView
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly Audits $audits,
    ) {
    }

    /** @return array<string, mixed> */
    public function of(Program $program, ?Style $style, ?Person $client, bool $withProgram = true): array
    {
        [$audit, $read] = $this->audits->read($program, $style, $client);
        $findings = $audit->findings($read);
        $total = Seconds::zero();
        foreach ($read->sessions() as $session) {
            $total = $total->plus($session->time->time->total());
        }

        return [
            'findings' => array_map(
                fn (Finding $finding): array => [...AuditJson::finding($finding, $program), 'place' => $this->place($finding, $read)],
                $findings,
            ),
            'total' => ClockField::of($total),
            'weeks' => array_map(fn (AuditedWeek $week): array => $this->week($week), $read->weeks),
            'unknown' => $this->unknown($read),
            ...($withProgram ? ['program' => (new ProgramJson($this->data->storedClients()))->write($program)] : []),
        ];
    }

    /** Where a finding stands, in words. */
    private function place(Finding $finding, AuditedProgram $program): string
    {
        preg_match_all('/\d+/', $finding->where, $m);
        [$week, $session] = [$program->weeks[(int) ($m[0][0] ?? 0)] ?? null, $m[0][1] ?? null];
        $words = $week === null ? '' : 'Week '.$week->number;

        return $words.($week === null || $session === null ? '' : ', '.$week->sessions[(int) $session]->session->day->label());
    }

    /** @return array<string, mixed> */
    private function week(AuditedWeek $week): array
    {
        $total = Seconds::zero();
        foreach ($week->sessions as $session) {
            $total = $total->plus($session->time->time->total());
        }

        return [
            'number' => $week->number,
            'total' => ClockField::of($total),
            'sessions' => array_map(static fn ($session): array => [
                'day' => $session->session->day->value,
                'kind' => $session->session->kind->value,
                'total' => ClockField::of($session->time->time->total()),
                'claimed' => $session->session->claimed === null ? null : ClockField::of($session->session->claimed),
                'hard' => $session->isHard(),
                'exercises' => count($session->entries),
                'lines' => array_map(static fn (AuditedEntry $each): array => [
                    'exercise' => $each->entry->exercise,
                    'means' => $each->rung?->name,
                    'dose' => Wording::shown($each->entry->dose),
                    'note' => $each->entry->note,
                ], $session->entries),
            ], $week->sessions),
            'directions' => array_map(static fn (Category $direction): array => [
                'code' => $direction->value,
                'name' => $direction->label(),
                'sessions' => $week->times($direction),
                'sets' => $week->sets($direction),
                'work' => ClockField::of(Seconds::ofMs($week->ms($direction))),
            ], Category::directions()),
        ];
    }

    /** @return list<array<string, mixed>> each name once, with what it may have meant */
    private function unknown(AuditedProgram $program): array
    {
        $unknown = [];
        foreach ($program->sessions() as $session) {
            foreach ($session->entries as $entry) {
                if ($entry->rung === null) {
                    $name = $entry->entry->exercise;
                    $unknown[$name] ??= [
                        'name' => $name,
                        'times' => 0,
                        'suggestions' => array_map(
                            static fn (Rung $rung): array => ['id' => $rung->id, 'name' => $rung->name],
                            $program->library->suggestions($name),
                        ),
                    ];
                    $unknown[$name]['times']++;
                }
            }
        }

        return array_values($unknown);
    }
}
