<?php

declare(strict_types=1);

namespace App\Today;

use App\Planning\Board;
use App\Planning\ClientPlanner;
use App\Planning\WeekView;
use App\Support\ClockField;
use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Placement\Swaps;
use EvenRungs\Core\Planning\Door\Door;
use EvenRungs\Core\Planning\Door\DoorAnswers;
use EvenRungs\Core\Planning\Door\DoorChange;
use EvenRungs\Core\Planning\Door\DoorSession;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;

/**
 * The session of today as the client's answers at the door rewrite it, beside what was planned.
 */
final class DoorView
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly WeekView $view,
        private readonly ClientPlanner $planner,
    ) {
    }

    /** @throws UnusableInput at the field */
    public function rewrite(Board $board, Node $body): DoorSession
    {
        $this->planner->checkMayRun($board->record);
        $library = $this->data->library();
        $door = new Door(
            $library,
            new Swaps($library, $board->style->plan->withoutLadders),
            $this->planner->edit($board->record),
            $board->steps(),
        );
        $planned = $this->planned($board, $body);

        return $door->rewrite($planned, $this->there($board, $body, $planned), $this->answers($body));
    }

    /** The client where the session is trained: away, at home or at the studio, with the kit that is there. */
    private function there(Board $board, Node $body, Session $planned): Client
    {
        $week = $board->program->weeks[$body->int('week') - 1] ?? throw UnusableInput::at('/week', 'there is no such week');
        $there = $week->clientIn($board->client);

        return $there->isAtHomeOn($planned->day) ? $there->atHome() : $there;
    }

    /** @throws UnusableInput when there is no such session */
    private function planned(Board $board, Node $body): Session
    {
        $week = $board->program->weeks[$body->int('week') - 1] ?? throw UnusableInput::at('/week', 'there is no such week');

        return $week->sessions[$body->int('place') - 1] ?? throw UnusableInput::at('/place', 'there is no such session');
    }

    private function answers(Node $body): DoorAnswers
    {
        $limits = $this->data->library()->limits;
        $sore = [];
        foreach ($body->strings('sore') as $i => $id) {
            $rule = $limits[$id] ?? null;
            if ($rule === null || $rule->medical) {
                throw UnusableInput::at('/sore/'.$i, sprintf('"%s" is no place that is sore for a day', $id));
            }
            $sore[] = $rule;
        }
        foreach ($body->strings('equipment') as $i => $kit) {
            if (! isset($this->data->library()->equipment[$kit])) {
                throw UnusableInput::at('/equipment/'.$i, sprintf('there is no kit "%s"', $kit));
            }
        }
        $minutes = $body->optionalInt('minutes');

        return new DoorAnswers(
            $sore,
            $body->optionalInt('soreness') ?? 0,
            $body->optionalInt('pain') ?? 0,
            $minutes === null ? null : Seconds::of(60 * $minutes),
            $body->has('equipment') ? $body->strings('equipment') : null,
            PainKind::tryFrom($body->optionalString('pain_kind') ?? ''),
        );
    }

    /**
     * What a log keeps of it.
     *
     * @return array<string, mixed>
     */
    public static function kept(Node $body, DoorSession $door): array
    {
        return [
            ...array_filter(
                [
                    'sore' => $body->strings('sore'),
                    'minutes' => $body->optionalInt('minutes'),
                    'equipment' => $body->has('equipment') ? $body->strings('equipment') : null,
                    'pain_kind' => $body->optionalString('pain_kind'),
                ],
                static fn (mixed $said): bool => $said !== null && $said !== [],
            ),
            'changes' => self::changes($door),
        ];
    }

    /** @return list<array{how: string, what: string, to: ?string, why: string}> */
    private static function changes(DoorSession $door): array
    {
        return array_map(
            static fn (DoorChange $change): array => [
                'how' => $change->how,
                'what' => $change->what,
                'to' => $change->to,
                'why' => $change->why,
            ],
            $door->changes,
        );
    }

    /** @return array<string, mixed> */
    public function of(Board $board, Node $body): array
    {
        $planned = $this->planned($board, $body);
        $door = $this->rewrite($board, $body);
        $week = $board->program?->weeks[$body->int('week') - 1] ?? throw UnusableInput::at('/week', 'there is no such week');
        $place = $body->int('place') - 1;
        $after = $week->withSessions(
            array_values(
                array_filter(
                    array_map(
                        static fn (Session $each, int $i): ?Session => $i === $place ? $door->session : $each,
                        $week->sessions,
                        array_keys($week->sessions),
                    ),
                ),
            ),
        );
        $minutes = $week->clientIn($board->client)->minutesOn($planned->day);

        return [
            'old' => $this->view->session($planned, $board, $minutes),
            'new' => $door->session === null ? null : $this->view->session(
                $door->session,
                $board,
                $body->optionalInt('minutes') ?? $minutes,
            ),
            'changes' => self::changes($door),
            'budget' => ClockField::of(Seconds::of(60 * ($body->optionalInt('minutes') ?? $minutes))),
            'stop_over' => LoggedSession::STOP_OVER,
            'refers' => $door->refers,
            'why' => $door->why,
            'before' => $this->view->directions($week, $board),
            'after' => $this->view->directions($after, $board),
        ];
    }
}
