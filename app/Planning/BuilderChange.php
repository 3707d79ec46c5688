<?php

declare(strict_types=1);

namespace App\Planning;

use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Contradiction;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Edit\SessionEdit;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\GoalRule;
use EvenRungs\Core\Style\Style;
use EvenRungs\Formats\Node;
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
                    static fn (Entry $entry): Entry => $entry->withDose($edit->sided(Shorthand::parse($change->string('text')), $entry)),
                ),
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
