<?php

declare(strict_types=1);

namespace App\Clients;

use App\Models\Clearance;
use App\Models\Client;
use App\Models\Program;
use App\Models\Screen;
use App\Models\Trainer;
use App\Support\ClientRows;
use App\Today\LogBook;
use App\Today\LoggedPain;
use DateTimeImmutable;
use EvenRungs\Core\Client\Clearance as Allowed;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Client\Flag;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Client\ScreenDue;
use EvenRungs\Storage\DataFolder;

/**
 * The dated answers of a client's screen, the clearances that lift them, and when the next screen is due.
 */
final class Screening
{
    public function __construct(private readonly DataFolder $data)
    {
    }

    /**
     * The clearances that are recorded and were not withdrawn, one for each thing that they lift.
     *
     * A clearance lifts only what it was given for: it is not older than the last screen without that answer.
     *
     * @return list<array<string, mixed>> as a client's document has them
     */
    public function inForce(Client $record): array
    {
        $rows = ClientRows::of($record)->clearances()->all();
        $screens = ClientRows::of($record)->screens()->reverse()->values()->all();
        $written = [];
        foreach ($rows as $row) {
            foreach ($row->covers as $lifts) {
                if (str_contains($lifts, ':') || $lifts === Allowed::MONITORED_PAIN || $row->on >= self::lastWithout($lifts, $screens)) {
                    $written[] = array_filter(
                        [
                            'lifts' => $lifts,
                            'on' => $row->on,
                            'until' => $row->until,
                            'max_level' => $row->max_level,
                            'by' => $row->who,
                            'role' => $row->role,
                        ],
                        static fn (mixed $value): bool => $value !== null,
                    );
                }
            }
        }

        return $written;
    }

    /** The day of the answers that stand, the last that were written down; null where nobody asked. */
    public function askedOn(Client $record): ?string
    {
        return ClientRows::of($record)->screens()->where('asked', true)->last()?->on;
    }

    /** Whether a stop asks for the screen anew, before anything is planned or run. */
    public function isAskedAfterStop(Client $record): bool
    {
        $stop = LoggedPain::stops($record)->newest;

        return $stop === null || ($this->askedOn($record) ?? '') > $stop;
    }

    /**
     * @param  array<Screen>  $screens  the newest first
     * @return string ISO date of the newest screen that was asked without this answer; empty where it was always there
     */
    private static function lastWithout(string $id, array $screens): string
    {
        foreach ($screens as $screen) {
            if ($screen->flags !== null && ! in_array($id, [...$screen->flags, ...array_column($screen->limits, 'limit')], true)) {
                return $screen->on;
            }
        }

        return '';
    }

    /**
     * Keeps the answers of a client's document where they differ from the newest ones, or where they were asked again.
     *
     * @param  Person  $person  the client with these answers, to tell which programs they touch
     */
    public function keep(Client $record, ?Trainer $trainer, Person $person, bool $asked, string $on): void
    {
        $flags = $person->screen === null ? null : array_map(static fn (Flag $flag): string => $flag->id, $person->screen->flags);
        $limits = array_map(
            static fn (Limit $limit): array => ['limit' => $limit->rule->id, 'severity' => $limit->severity->value],
            $person->limits,
        );
        $newest = ClientRows::of($record)->screens()->last();
        if (! $asked && $newest !== null && $newest->flags === $flags && $newest->limits == $limits) {
            return;
        }
        Screen::query()->create([
            'studio_id' => $record->studio_id,
            'client_id' => $record->id,
            'trainer_id' => $trainer?->id,
            'on' => $on,
            'asked' => $asked || ($newest?->flags === null && $flags !== null),
            'flags' => $flags,
            'limits' => $limits,
            'touched' => $this->touched($record, $person),
        ]);
    }

    /** @return list<array{program: string, title: string, exercises: list<string>}> programs with exercises that the client's limits bar */
    private function touched(Client $record, Person $person): array
    {
        $touched = [];
        foreach (Program::query()->ofClient($record)->ordered('created_at', 'desc')->get() as $row) {
            $barred = [];
            foreach ($row->document['weeks'] ?? [] as $week) {
                foreach ($week['sessions'] as $session) {
                    foreach ($session['blocks'] as $block) {
                        foreach ($block['entries'] ?? [] as $entry) {
                            $rung = $this->data->library()->find($entry['exercise']);
                            if ($rung !== null && $person->bars($rung) !== []) {
                                $barred[$rung->id] = $rung->name;
                            }
                        }
                    }
                }
            }
            if ($barred !== []) {
                $touched[] = ['program' => $row->id, 'title' => $row->document['title'] ?? 'Program', 'exercises' => array_values($barred)];
            }
        }

        return $touched;
    }

    public function due(Client $record): ?ScreenDue
    {
        $screens = ClientRows::of($record)->screens();
        $asked = $screens->where('asked', true)->last();
        if ($asked === null) {
            return null;
        }
        $known = array_column($asked->limits, 'limit');
        $symptom = $screens->first(
            static fn (Screen $screen): bool => $screen->id > $asked->id && array_diff(
                array_column($screen->limits, 'limit'),
                $known,
            ) !== [],
        );

        $since = new DateTimeImmutable($asked->on);

        return ScreenDue::after(
            $since,
            $symptom === null ? null : new DateTimeImmutable($symptom->on),
            LogBook::lastDay($record),
            $this->stopSince($record, $asked->on),
        );
    }

    private function stopSince(Client $record, string $asked): ?DateTimeImmutable
    {
        $newest = LoggedPain::stops($record)->newest;

        return $newest === null || $newest < $asked ? null : new DateTimeImmutable($newest);
    }
}
