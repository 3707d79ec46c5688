<?php

declare(strict_types=1);

namespace EvenRungs\Core\Audit\Rules;

use EvenRungs\Core\Audit\AuditedEntry;
use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\AuditedSession;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Audit\Rule;
use EvenRungs\Core\Audit\Severity;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\SessionShape;
use EvenRungs\Core\Time\Seconds;

final class Crowded implements Rule
{
    public static function sentence(): string
    {
        return 'A session has no more exercises than its minutes have room for with two sets or three of each, and learners '
            .'have five at most.';
    }

    public function check(AuditedProgram $program): array
    {
        $findings = [];
        foreach ($program->sessions() as $session) {
            $isLighter = $program->program->weeks[$session->place[0]]->x->get('lighter') !== null;
            $entries = array_values(
                array_filter($session->entries, static fn (AuditedEntry $entry): bool => $entry->rung?->category !== Category::Bracing),
            );
            if ($session->session->kind === Kind::Activation || $entries === []) {
                continue;
            }
            $straight = array_values(
                array_filter(
                    $entries,
                    static fn (AuditedEntry $entry): bool => ! $session->session->blocks[$entry->place[2]] instanceof CircuitBlock,
                ),
            );
            $single = count(array_filter($straight, static fn (AuditedEntry $entry): bool => $entry->sets === 1));
            $most = $this->most($session, $program);
            $exercises = count($entries);
            if ($exercises > $most) {
                $findings[] = new Finding(
                    'session.crowded',
                    Severity::Note,
                    $session->where(),
                    sprintf('has %d exercises; its minutes have room for %d', $exercises, $most),
                    ['exercises' => $exercises, 'most' => $most],
                );
            } elseif (2 * $single > count($straight) && ! $isLighter) {
                $findings[] = new Finding(
                    'session.crowded',
                    Severity::Note,
                    $session->where(),
                    sprintf('has one set of %d of its %d exercises', $single, count($straight)),
                    ['single' => $single, 'exercises' => count($straight)],
                );
            }
        }

        return $findings;
    }

    private function most(AuditedSession $session, AuditedProgram $program): int
    {
        $client = $program->clientFor($session);
        $ms = 60_000 * (
            $client?->minutesOn($session->session->day) ?? 0
        ) ?: $session->session->claimed->ms ?? $session->time->time->total()->ms;

        return SessionShape::mostExercises(Seconds::ofMs($ms), $client);
    }
}
