<?php

declare(strict_types=1);

namespace App\Planning;

use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Contradiction;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\OutOfRange;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Edit\SessionEdit;
use EvenRungs\Core\Program\Change;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Formats\JottedDose;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\ProgramText;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * A change of the builder that needs the rules of the job, and what an audit finds in one session.
 */
final class BuilderChange
{
    public function __construct(private readonly DataFolder $data)
    {
    }

    private const A_DAY_MS = 86_400_000;

    /** Rules that speak of one session; the others need the week around it. */
    private const OF_A_SESSION = [
        'time.',
        'order.',
        'limit.',
        'hold.',
        'side.',
        'dose.',
        'level.',
        'exercise.',
        'equipment.',
        'stop.',
        'age.',
        'gate.',
    ];

    /**
     * The session with one change made that needs the rules of the job.
     *
     * @throws UnusableInput at the field
     */
    public function applied(Session $session, Node $change, Style $style, ?Person $client): Session
    {
        $block = $change->optionalInt('block') ?? 0;
        $edit = new SessionEdit($this->data->library());
        try {
            return match ($change->string('do')) {
                'dose' => $session->changeEntry(
                    $block,
                    $change->int('entry'),
                    static fn (Entry $entry): Entry => self::retyped(
                        $entry,
                        $change->string('text'),
                        ! $change->bool('fresh'),
                        $edit,
                    ),
                ),
                'claimed' => $session->withClaimed(self::minutes($change->string('text'))),
                'paste' => self::pasted($session, $change->string('lines')),
                'rounds' => $edit->withRounds($session, $block, $change->string('text')),
                'add' => $edit->added($session, $block, $change->string('exercise'), new Steps($style, $client)),
                'order' => $edit->ordered(
                    $session,
                    $block,
                    $style,
                    $client === null ? null : GoalRule::for($client, $this->data->goals()),
                ),
                default => $this->mended($session, $change->string('rule'), $change->string('where'), $style, $client),
            };
        } catch (InvalidValue $e) {
            throw UnusableInput::of('/change/text', $e);
        }
    }

    /**
     * An entry with its dose written anew, read as lines are read that are pasted.
     *
     * @param  bool  $keeps  whether tempo, load, range and rest stay that the new text does not speak of
     *
     * @throws InvalidValue
     */
    private static function retyped(Entry $entry, string $text, bool $keeps, SessionEdit $edit): Entry
    {
        [$dose, $note] = JottedDose::read($text);
        $dose = $edit->sided($dose, $entry);

        return $entry->withDose($keeps ? $dose->keeping($entry->dose) : $dose)->withNote($note ?? $entry->note);
    }

    /** @throws InvalidValue */
    private static function minutes(string $text): ?Seconds
    {
        $text = trim((string) preg_replace('/ ?min(?:utes?)?$/', '', trim($text)));

        $claimed = match (true) {
            $text === '' => null,
            is_numeric($text) => Seconds::of(60 * (float) $text),
            default => Seconds::parse($text),
        };
        if ($claimed !== null && $claimed->ms > self::A_DAY_MS) {
            throw OutOfRange::because('a session takes a day at most');
        }

        return $claimed;
    }

    /**
     * Pasted lines behind what stands there; into an empty session with what the lines say of its kind, minutes, warm-up and cool-down.
     *
     * @throws UnusableInput naming the lines that cannot be read
     */
    private static function pasted(Session $session, string $lines): Session
    {
        $weeks = ProgramText::read($lines)->weeks;
        $sessions = array_merge([], ...array_map(static fn (Week $week): array => $week->sessions, $weeks));
        if (count($sessions) !== 1) {
            throw UnusableInput::at(
                '/change/lines',
                sprintf('holds %d sessions, and here stands one; Audit reads whole programs', count($sessions)),
            );
        }
        if ($session->blocks !== []) {
            return $session->withBlocks([...$session->blocks, ...$sessions[0]->blocks]);
        }
        $pasted = $sessions[0]->onDay($session->day)->asKind(
            $sessions[0]->kind === Kind::Standalone ? $session->kind : $sessions[0]->kind,
        );

        return $pasted->change == Change::none() ? $pasted->withChange($session->change) : $pasted;
    }

    private function mended(Session $session, string $rule, string $where, Style $style, ?Person $client): Session
    {
        foreach ($this->findings($session, $style, $client) as [$finding, $program]) {
            if ($finding->rule === $rule && $finding->where === $where && $finding->fix !== null) {
                return $finding->fix->apply($program)->weeks[0]->sessions[0] ?? $session;
            }
        }

        throw Contradiction::because('there is nothing to mend there any more');
    }

    /** @return list<array{Finding, Program}> */
    public function findings(Session $session, Style $style, ?Person $client): array
    {
        $program = new Program([new Week(1, $client->otherTraining ?? [], [$session])], null, $style->id, $client);
        $audit = new Audit($this->data->library(), $style);
        $findings = $audit->findings($audit->read($program));

        return array_values(array_map(
            static fn (Finding $finding): array => [$finding, $program],
            array_filter(
                $findings,
                static fn (Finding $finding): bool => array_filter(
                    self::OF_A_SESSION,
                    static fn (string $start): bool => str_starts_with($finding->rule, $start),
                ) !== [],
            ),
        ));
    }
}
