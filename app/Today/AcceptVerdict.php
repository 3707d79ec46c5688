<?php

declare(strict_types=1);

namespace App\Today;

use App\Clients\RosterRows;
use App\Models\Client;
use App\Models\Trainer;
use App\Models\VerdictAnswer;
use App\Planning\HaltLadder;
use App\Planning\MoveRung;
use App\Support\StudioDay;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\Position;
use EvenRungs\Core\Verdict\Decision;
use EvenRungs\Core\Verdict\Verdict;
use EvenRungs\Formats\HistoryJson;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Facades\DB;

/**
 * The trainer's answer to a verdict: taken as it is, changed, or left.
 */
final class AcceptVerdict
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly Verdicts $verdicts,
        private readonly MoveRung $move,
        private readonly HaltLadder $halt,
        private readonly RosterRows $roster,
    ) {
    }

    /**
     * Accepts a verdict, which moves the client, moves elsewhere on the ladder with a reason, or postpones it.
     *
     * @throws UnusableInput where there is no verdict on that ladder, or the rung is not of it
     */
    public function answer(Client $client, Trainer $trainer, Node $body): void
    {
        [$history, $verdict, $log] = $this->verdicts->judged($client, $body->string('ladder'))[0] ?? throw UnusableInput::at(
            '/ladder',
            'nothing was logged there',
        );
        $answer = $body->string('answer');
        $note = trim($body->optionalString('note') ?? '');
        if ($answer === 'changed') {
            if ($note === '') {
                throw UnusableInput::at('/note', 'is needed: why is another step better?');
            }
            if (! $body->has('rung') || $history->ladder->indexOf($body->string('rung')) === null) {
                throw UnusableInput::at('/rung', sprintf('must be a rung of %s', $history->ladder->name));
            }
        }
        DB::transaction(function () use ($client, $trainer, $body, $history, $verdict, $log, $answer, $note): void {
            $to = match (true) {
                $answer === 'changed' => $this->chosen($body),
                $answer === 'accepted' && $verdict->to !== null && ! $verdict->to->is($history->position()) => $verdict->to,
                default => null,
            };
            VerdictAnswer::query()->create([
                'studio_id' => $client->studio_id,
                'client_id' => $client->id,
                'trainer_id' => $trainer->id,
                'ladder' => $history->ladder->id,
                'verdict' => $verdict->decision->value,
                'answer' => $answer,
                'logged_on' => $history->last()?->date->format('Y-m-d') ?? StudioDay::today()->toDateString(),
                'reasons' => $verdict->reasons,
                'note' => $note === '' ? null : $note,
                'log' => $log,
                'from' => HistoryJson::writePosition($history->position()),
                'to' => $to === null ? null : HistoryJson::writePosition($to),
            ]);
            $this->roster->forget($client);
            if ($answer === 'accepted' && $verdict->decision === Decision::Stop) {
                $this->halt->of($client, $trainer, $body->int('version'), $history->ladder->id, $verdict->swap);
            }
            if ($to === null) {
                return;
            }
            try {
                $this->move->to(
                    $client,
                    $trainer,
                    $body->int('version'),
                    $to->rung->id,
                    $to->step,
                    $answer === 'changed' ? $note : implode(' ', $verdict->reasons),
                    $to->range,
                );
            } catch (InvalidValue $e) {
                throw UnusableInput::of('/ladder', $e);
            }
        });
    }

    /** Where the trainer would rather have the client, on a step that there is. */
    private function chosen(Node $body): Position
    {
        $rung = $this->data->library()->rung($body->string('rung'));

        return new Position($rung, $body->optionalInt('step') ?? 0);
    }
}
