<?php

declare(strict_types=1);

namespace App\Library;

use App\Models\Change;
use App\Models\Client;
use App\Models\Program;
use App\Models\Standing;
use App\Planning\BoardLoader;
use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Landing;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Planning\Edit\ProgramEdit;
use EvenRungs\Formats\ProgramJson;
use EvenRungs\Storage\DataFolder;

/**
 * Where clients land whom a change of a ladder moves, and their way back.
 */
final class LadderLanding
{
    public function __construct(private readonly DataFolder $data, private readonly BoardLoader $boards)
    {
    }

    /**
     * The standing keeps what it rested on: a changed ladder shows nothing new about the client.
     *
     * @param  array{client: Client, person: Person, from: Rung, step: int, basis: Basis, landing: Landing}  $affected
     * @return array{client: string, from: string, from_step: int, to: ?string, to_step: int, test: mixed}
     */
    public function land(array $affected, Library $after, string $label): array
    {
        ['client' => $client, 'from' => $from, 'step' => $step, 'basis' => $basis, 'landing' => $landing] = $affected;
        $to = $landing->rung;
        $why = [$label.'.', $landing->why];
        if ($this->newestRung($client, $from->ladder) === $from->id && ($to?->id !== $from->id || $landing->step !== $step)) {
            $this->stand($client, $from->ladder, $to?->ladder === $from->ladder ? $to : null, $landing->step, $basis, $why);
            if ($to !== null && $to->ladder !== $from->ladder && ! isset($this->boards->standings($client)[$to->ladder])) {
                $this->stand($client, $to->ladder, $to, $landing->step, $basis, $why);
            }
        }
        $test = $this->forgetTest($client, $from->ladder, $after);
        if ($to?->id !== $from->id) {
            $this->replaceInWeek($client, $affected['person'], $from->id, $to, $landing->step, $after);
        }
        Client::query()->whereKey($client->id)->increment('version');

        return [
            'client' => $client->id,
            'from' => $from->id,
            'from_step' => $step,
            'to' => $to?->id,
            'to_step' => $landing->step,
            'test' => $test,
        ];
    }

    /** An undo that leads back to a rung that is gone would leave the client on nothing: such a list starts afresh. */
    public function forgetUndo(string $studio, string $ladder, Library $after): void
    {
        $gone = Standing::query()->ofStudio($studio)->where('ladder', $ladder)->whereNotNull('rung')->pluck('rung')->unique()
            ->reject(static fn (string $rung): bool => $after->hasRung($rung));
        foreach ($gone as $rung) {
            $mentions = Change::query()->ofStudio($studio)->where(
                static fn ($query) => $query->where('before', 'like', '%"'.$rung.'"%')->orWhere('after', 'like', '%"'.$rung.'"%'),
            );
            Change::query()->ofStudio($studio)->whereIn('client_id', $mentions->pluck('client_id'))->delete();
        }
    }

    public function newestRung(Client $client, string $ladder): ?string
    {
        return Standing::query()->ofClient($client)->where('ladder', $ladder)->ordered('id', 'desc')->first()?->rung;
    }

    /** Back on a rung that the client was moved off: the same dose, for the same reasons, as the last time they stood there. */
    public function standAgain(Client $client, Rung $rung, int $step): void
    {
        Standing::query()->ofClient($client)->where('ladder', $rung->ladder)->where('rung', $rung->id)->where('step', $step)
            ->ordered('id', 'desc')->first()?->replicate()->save();
    }

    /** @param  list<string>  $why */
    private function stand(Client $client, string $ladder, ?Rung $rung, int $step, Basis $basis, array $why): void
    {
        Standing::query()->create([
            'studio_id' => $client->studio_id,
            'client_id' => $client->id,
            'ladder' => $ladder,
            'rung' => $rung?->id,
            'step' => $rung === null ? 0 : $step,
            'basis' => ($rung === null ? Basis::None : $basis)->value,
            'why' => $why,
        ]);
    }

    /**
     * A highest clean rung that is gone leaves the client's document.
     *
     * @return mixed what the document said; null where it stays
     */
    private function forgetTest(Client $client, string $ladder, Library $after): mixed
    {
        $document = $client->refresh()->document;
        $clean = $document['tests']['ladders'][$ladder]['highest_clean'] ?? null;
        foreach (is_array($clean) ? $clean : array_filter([$clean]) as $rung) {
            if (! $after->hasRung($rung)) {
                unset($document['tests']['ladders'][$ladder]);
                $client->document = $document;
                $client->save();

                return $clean;
            }
        }

        return null;
    }

    public function replaceInWeek(Client $client, Person $person, string $from, ?Rung $to, int $step, Library $after): void
    {
        $program = $this->boards->program($client);
        if ($program === null) {
            return;
        }
        $edit = new ProgramEdit($after, new Steps($this->boards->style($client), $person));
        $edited = $to === null ? $edit->without($program, $from) : $edit->replace($program, $from, $to, $step);
        Program::query()->ofClient($client)->current()->firstOrFail()->update(
            ['document' => (new ProgramJson($this->data->storedClients()))->write($edited)],
        );
    }
}
