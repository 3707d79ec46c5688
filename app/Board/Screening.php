<?php

declare(strict_types=1);

namespace App\Board;

use App\Models\Clearance;
use App\Models\Client;
use App\Models\Program;
use App\Models\Screen;
use App\Models\Trainer;
use DateTimeImmutable;
use EvenRungs\Core\Body\Client as Person;
use EvenRungs\Core\Body\Flag;
use EvenRungs\Core\Body\Limit;
use EvenRungs\Core\Body\Screen as Answers;
use EvenRungs\Core\Body\ScreenDue;
use EvenRungs\Formats\DataFolder;
use Illuminate\Support\Carbon;

/**
 * The dated answers of a client's screen, the clearances that lift them, and when the next screen is due.
 */
final class Screening
{
    public function __construct(private readonly DataFolder $data)
    {
    }

    /**
     * The client with the flags that a clearance lifts taken away, and cleared where every medical limit is covered.
     *
     * A clearance lifts only what it was given for: it is not older than the last screen without that answer.
     */
    public function withClearances(Client $record, Person $person): Person
    {
        $medical = array_filter($person->limits, static fn (Limit $limit): bool => $limit->rule->medical);
        if ($person->screen === null || ($person->screen->flags === [] && $medical === [])) {
            return $person;
        }
        $covered = $this->covered($record);
        $open = array_values(array_filter($person->screen->flags, static fn (Flag $flag): bool => ! in_array($flag->id, $covered, true)));
        $uncleared = array_filter($medical, static fn (Limit $limit): bool => ! in_array($limit->rule->id, $covered, true));

        return $person->withScreen(new Answers($person->screen->cleared || ($medical !== [] && $uncleared === []), $open));
    }

    /** @return list<string> flags and medical limits that a recorded clearance lifts today */
    private function covered(Client $record): array
    {
        $screens = Screen::query()->ofClient($record)->ordered('id', 'desc')->get()->all();
        $covered = [];
        foreach (Clearance::query()->ofClient($record)->whereNull('withdrawn_at')->get() as $clearance) {
            foreach ($clearance->covers as $id) {
                if ($clearance->on >= self::lastWithout($id, $screens)) {
                    $covered[$id] = $id;
                }
            }
        }

        return array_values($covered);
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
        $limits = array_map(static fn (Limit $limit): array => ['limit' => $limit->rule->id, 'severity' => $limit->severity->value], $person->limits);
        $newest = Screen::query()->ofClient($record)->ordered('id', 'desc')->first();
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
        $screens = Screen::query()->ofClient($record)->ordered('id')->get();
        $asked = $screens->where('asked', true)->last();
        if ($asked === null) {
            return null;
        }
        $known = array_column($asked->limits, 'limit');
        $symptom = $screens->first(static fn (Screen $screen): bool => $screen->id > $asked->id && array_diff(array_column($screen->limits, 'limit'), $known) !== []);

        $since = new DateTimeImmutable($asked->on);

        return ScreenDue::after($since, $symptom === null ? null : new DateTimeImmutable($symptom->on), LogBook::lastDay($record), LogBook::firstStop($record, $since));
    }

    /** @return array<string, mixed> */
    public function of(Client $record): array
    {
        $due = $this->due($record);
        $covered = $this->covered($record);
        $names = [...array_map(static fn (Flag $flag): string => $flag->name, $this->data->flags()), ...array_map(static fn ($rule): string => $rule->name, $this->data->library()->limits)];
        $document = $record->document;
        $needed = [...($document['screen']['flags'] ?? []), ...array_filter(
            array_map(static fn (mixed $limit): string => is_array($limit) ? $limit['limit'] : $limit, $document['limits'] ?? []),
            fn (string $id): bool => $this->data->library()->limits[$id]->medical,
        )];

        return [
            'needed' => array_map(static fn (string $id): array => ['id' => $id, 'name' => $names[$id] ?? $id, 'covered' => in_array($id, $covered, true) || ($document['screen']['cleared'] ?? false) === true && ! in_array($id, $document['screen']['flags'] ?? [], true)], array_values($needed)),
            'due' => $due === null ? null : ['on' => $due->on->format('Y-m-d'), 'why' => $due->why, 'over' => $due->isOver(Carbon::today()->toDateTimeImmutable())],
            'answers' => Screen::query()->ofClient($record)->with('trainer')->ordered('id', 'desc')->get()->take(50)->map(static fn (Screen $screen): array => [
                'on' => $screen->on,
                'asked' => $screen->asked,
                'by' => $screen->trainer?->name,
                'flags' => $screen->flags === null ? null : array_map(static fn (string $id): string => $names[$id] ?? $id, $screen->flags),
                'limits' => array_map(static fn (array $limit): string => ($names[$limit['limit']] ?? $limit['limit']).', '.$limit['severity'], $screen->limits),
                'touched' => array_map(static fn (array $each): array => ['title' => $each['title'], 'exercises' => $each['exercises']], $screen->touched),
            ])->all(),
            'clearances' => Clearance::query()->ofClient($record)->ordered('id', 'desc')->get()->map(static fn (Clearance $each): array => [
                'id' => $each->id,
                'who' => $each->who,
                'role' => $each->role,
                'on' => $each->on,
                'covers' => array_map(static fn (string $id): string => $names[$id] ?? $id, $each->covers),
                'note' => $each->note,
                'withdrawn' => $each->withdrawn_at !== null,
            ])->all(),
        ];
    }
}
