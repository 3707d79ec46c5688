<?php

declare(strict_types=1);

namespace App\Audit;

use App\Support\ClockField;
use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\AuditedWeek;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Formats\AuditJson;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\ProgramCsv;
use EvenRungs\Formats\ProgramJson;
use EvenRungs\Formats\ProgramText;
use EvenRungs\Formats\SessionJson;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\Schemas;

/**
 * Audits of programs from anywhere, and the fixes that a trainer taps.
 */
final class Audits
{
    public function __construct(private readonly DataFolder $data)
    {
    }

    /**
     * Reads what was pasted: JSON where it begins like it, CSV where its first line has commas and names a column, else lines as trainers
     * jot them down.
     *
     * @throws UnusableInput with every row, line or field that cannot be read
     */
    public function pasted(string $text): Program
    {
        $start = ltrim($text, "\u{FEFF} \t\r\n");
        if ($start === '') {
            throw UnusableInput::at('/text', 'is empty; paste a program first');
        }
        if (str_starts_with($start, '{')) {
            return $this->fromJson($start);
        }
        $header = array_map(
            static fn (string $cell): string => trim(strtolower($cell), "\" \t\r"),
            explode(',', strtok($start, "\n") ?: ''),
        );

        return in_array('exercise', $header, true) && count($header) > 1 ? ProgramCsv::read($text) : ProgramText::read($text);
    }

    private function fromJson(string $text): Program
    {
        $document = Json::decode($text);
        $isSession = ($document->format ?? null) === SessionJson::FORMAT;
        if ($isSession) {
            $document = (object) [
                'format' => ProgramJson::FORMAT,
                'version' => 1,
                'weeks' => [(object) ['week' => 1, 'sessions' => [$document]]],
            ];
        }
        $problems = Schemas::check('program', $document);
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }

        return $this->fromDocument(Json::toArray($document));
    }

    /** @param  array<mixed>  $document  even-rungs/program that has passed its schema */
    public function fromDocument(array $document): Program
    {
        return (new ProgramJson($this->data->clients()))->read(new Node($document));
    }

    /** @return array{Audit, AuditedProgram} */
    private function read(Program $program, ?Style $style, ?Person $client): array
    {
        $known = $program->style !== null && in_array(
            $program->style,
            $this->data->styleNames(),
            true,
        ) ? $this->data->style($program->style) : null;
        $audit = new Audit($this->data->library(), $style ?? $known);

        return [$audit, $audit->read($program, $client)];
    }

    /**
     * The program with the fix of one finding applied.
     *
     * @throws UnusableInput where there is none any more
     */
    public function mended(Program $program, string $rule, string $where, ?Style $style, ?Person $client): Program
    {
        [$audit, $read] = $this->read($program, $style, $client);
        foreach ($audit->findings($read) as $finding) {
            if ($finding->rule === $rule && $finding->where === $where && $finding->fix !== null) {
                return $finding->fix->apply($program);
            }
        }
        throw UnusableInput::at('/where', 'there is nothing to mend there any more');
    }

    /** @return array<string, mixed> */
    public function of(Program $program, ?Style $style, ?Person $client, bool $withProgram = true): array
    {
        [$audit, $read] = $this->read($program, $style, $client);
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
