<?php

declare(strict_types=1);

namespace App\Clients;

use App\Models\Clearance;
use App\Models\Client;
use App\Models\Screen;
use App\Support\StudioDay;
use EvenRungs\Core\Client\Clearance as Allowed;
use EvenRungs\Core\Client\Cleared;
use EvenRungs\Core\Client\Client as Person;
use EvenRungs\Core\Client\Flag;
use EvenRungs\Core\Client\Referral;
use EvenRungs\Core\Client\SafetyScreen;
use EvenRungs\Storage\DataFolder;

/**
 * The screen of a client as pages read it: what stands in the way, and what lifts it.
 */
final class ScreenPage
{
    public function __construct(
        private readonly DataFolder $data,
        private readonly Screening $screening,
        private readonly Lifted $lifted,
    ) {
    }

    /**
     * @param  bool  $monitorsPain  whether the client's style lets monitored pain count
     * @return array<string, mixed>
     */
    public function of(Client $record, Person $person, bool $monitorsPain): array
    {
        $due = $this->screening->due($record);
        $names = [
            ...array_map(static fn (Flag $flag): string => $flag->name, $this->data->flags()),
            ...array_map(static fn ($rule): string => $rule->name, $this->data->library()->limits),
        ];
        $document = $record->document;
        $library = $this->data->library();
        $refused = array_map(
            static fn (Referral $each): string => $each->kind === 'stop' ? Allowed::STOP_OF_ALL : $each->id,
            (new SafetyScreen)->referrals($person),
        );
        $needed = [...($document['screen']['flags'] ?? []), ...array_filter(
            array_map(static fn (mixed $limit): string => is_array($limit) ? $limit['limit'] : $limit, $document['limits'] ?? []),
            static fn (string $id): bool => $library->limits[$id]->medical,
        ), ...($person->stopped === null ? [] : [Allowed::STOP_OF_ALL])];
        $named = $this->lifted->name(...);
        $rows = array_map(
            static fn (string $id): array => ['id' => $id, 'name' => ucfirst($named($id)), 'covered' => ! in_array($id, $refused, true)],
            array_values($needed),
        );
        foreach ($person->standings as $ladder => $standing) {
            if ($standing->stopped !== null) {
                $rows[] = [
                    'id' => Allowed::ofStop($ladder),
                    'name' => ucfirst($named(Allowed::ofStop($ladder))),
                    'covered' => Cleared::for($person)->stopOn($ladder) === null,
                ];
            }
        }
        if ($monitorsPain) {
            $rows[] = [
                'id' => Allowed::MONITORED_PAIN,
                'name' => 'Training with monitored pain, up to 5',
                'covered' => Cleared::for($person)->by(Allowed::MONITORED_PAIN) !== null,
            ];
        }

        return [
            'needed' => $rows,
            'due' => $due === null ? null : [
                'on' => $due->on->format('Y-m-d'),
                'why' => $due->why,
                'over' => $due->isOver(StudioDay::today()->toDateTimeImmutable()),
            ],
            'answers' => Screen::query()->ofClient($record)->with('trainer')->ordered(
                'id',
                'desc',
            )->get()->take(50)->map(static fn (Screen $screen): array => [
                'on' => $screen->on,
                'asked' => $screen->asked,
                'by' => $screen->trainer?->name,
                'flags' => $screen->flags === null ? null : array_map(static fn (string $id): string => $names[$id] ?? $id, $screen->flags),
                'limits' => array_map(
                    static fn (array $limit): string => ($names[$limit['limit']] ?? $limit['limit']).', '.$limit['severity'],
                    $screen->limits,
                ),
                'touched' => array_map(
                    static fn (array $each): array => ['title' => $each['title'], 'exercises' => $each['exercises']],
                    $screen->touched,
                ),
            ])->all(),
            'clearances' => Clearance::query()->ofClient($record)->ordered('id', 'desc')->get()->map(static fn (Clearance $each): array => [
                'id' => $each->id,
                'who' => $each->who,
                'role' => $each->role,
                'on' => $each->on,
                'covers' => array_map($named, $each->covers),
                'until' => $each->until,
                'max_level' => $each->max_level,
                'note' => $each->note,
                'withdrawn' => $each->withdrawn_at !== null,
            ])->all(),
        ];
    }
}
