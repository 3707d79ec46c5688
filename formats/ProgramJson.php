<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Client\OtherTraining;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Program\Extras;
use EvenRungs\Core\Program\Gap;
use EvenRungs\Core\Program\Note;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Time\Weekday;

/**
 * `even-rungs/program`.
 */
final class ProgramJson
{
    public const FORMAT = 'even-rungs/program';

    public function __construct(private readonly ClientJson $clients)
    {
    }

    /** @throws UnusableInput */
    public function read(Node $node): Program
    {
        $client = $node->optionalChild('client');

        return new Program(
            $node->each('weeks', self::readWeek(...)),
            $node->optionalString('title'),
            $node->optionalString('style'),
            $client === null ? null : $this->clients->read($client),
            $node->each(
                'gaps',
                static fn (Node $gap): Gap => new Gap(Category::from($gap->string('category')), $gap->int('week'), $gap->string('why')),
            ),
            new Extras($node->opaque('x')),
            $node->each('notes', static fn (Node $note): Note => new Note(
                $note->int('week'),
                Weekday::tryFrom($note->optionalString('day') ?? ''),
                $note->string('code'),
                $note->string('text'),
            )),
        );
    }

    private static function readWeek(Node $node): Week
    {
        return new Week(
            $node->int('week'),
            $node->each('other_training', ClientJson::readOtherTraining(...)),
            $node->each('sessions', SessionJson::read(...)),
            new Extras($node->opaque('x')),
        );
    }

    /** @return array<string, mixed> */
    public function write(Program $program): array
    {
        return [
            'format' => self::FORMAT,
            'version' => 1,
            ...($program->title === null ? [] : ['title' => $program->title]),
            ...($program->style === null ? [] : ['style' => $program->style]),
            ...($program->client === null ? [] : ['client' => $this->clients->write($program->client)]),
            'weeks' => array_map(static fn (Week $week): array => [
                'week' => $week->number,
                'other_training' => array_map(
                    static fn (OtherTraining $other): array => ClientJson::writeOtherTraining($other),
                    $week->otherTraining,
                ),
                'sessions' => array_map(SessionJson::write(...), $week->sessions),
                ...($week->x->areWritten() ? ['x' => (object) $week->x->toArray()] : []),
            ], $program->weeks),
            'gaps' => array_map(
                static fn (Gap $gap): array => ['category' => $gap->category->value, 'week' => $gap->week, 'why' => $gap->why],
                $program->gaps,
            ),
            ...($program->notes === [] ? [] : ['notes' => array_map(static fn (Note $note): array => [
                'week' => $note->week,
                'day' => $note->day?->value,
                'code' => $note->code,
                'text' => $note->text,
            ], $program->notes)]),
            ...($program->x->areWritten() ? ['x' => (object) $program->x->toArray()] : []),
        ];
    }
}
