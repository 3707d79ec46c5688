<?php

declare(strict_types=1);

namespace App\Audit;

use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Style\Style;
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
    public function read(Program $program, ?Style $style, ?Person $client): array
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
}
