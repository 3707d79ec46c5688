<?php

declare(strict_types=1);

namespace App\Planning;

use EvenRungs\Core\Program\Gap;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\ProgramCsvWriter;
use EvenRungs\Formats\ProgramJson;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Http\Request;
use Illuminate\Http\Response;

/**
 * A program, a week of it or one session, as the files that the command line reads.
 */
final class ProgramFile
{
    public const FORMS = ['json' => 'application/json', 'csv' => 'text/csv; charset=utf-8'];

    public function __construct(private readonly DataFolder $data)
    {
    }

    /**
     * @param  'json'|'csv'  $form
     * @param  ?int  $week  only this one
     * @param  ?int  $session  only this one of the week, from 1
     *
     * @throws UnusableInput where there is no such week or session
     */
    public function of(Program $program, string $form, ?int $week, ?int $session): Response
    {
        $part = self::part($program, $week, $session);
        $text = $form === 'csv'
            ? ProgramCsvWriter::write($part)
            : Json::encode((new ProgramJson($this->data->storedClients()))->write($part));
        $name = 'program'.($week === null ? '' : "-week-{$week}").($session === null ? '' : "-session-{$session}");

        return new Response($text, 200, [
            'Content-Type' => self::FORMS[$form],
            'Content-Disposition' => sprintf('attachment; filename="%s.%s"', $name, $form),
        ]);
    }

    /**
     * A session alone, as a program that holds nothing else.
     *
     * @param  'json'|'csv'  $form
     */
    public function ofSession(Session $session, string $form): Response
    {
        return $this->of(new Program([new Week(1, [], [$session])]), $form, null, null);
    }

    /**
     * The form that a request asks for.
     *
     * @return 'json'|'csv'
     *
     * @throws UnusableInput where it is neither
     */
    public static function form(Request $request): string
    {
        return match ($request->query('form')) {
            'json' => 'json',
            'csv' => 'csv',
            default => throw UnusableInput::at('/form', 'must be json or csv'),
        };
    }

    private static function part(Program $program, ?int $week, ?int $session): Program
    {
        if ($week === null) {
            return $program;
        }
        $found = $program->weeks[$week - 1] ?? throw UnusableInput::at('/week', 'there is no such week in the program');
        $of = $program->withGaps(array_values(array_filter(
            $program->gaps,
            static fn (Gap $gap): bool => $gap->week === $found->number,
        )));
        if ($session === null) {
            return $of->withWeeks([$found]);
        }
        $one = $found->sessions[$session - 1] ?? throw UnusableInput::at('/session', 'there is no such session in the week');

        return $of->withWeeks([$found->withSessions([$one])]);
    }
}
