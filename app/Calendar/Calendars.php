<?php

declare(strict_types=1);

namespace App\Calendar;

use App\Models\Client;
use App\Models\Studio;
use App\Models\Trainer;
use App\Planning\BoardLoader;
use App\Support\ClockField;
use DateTimeImmutable;
use DateTimeZone;
use EvenRungs\Core\Client\SafetyScreen;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Told;
use EvenRungs\Formats\CalendarEvent;
use EvenRungs\Formats\CalendarFile;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\WordFiles;
use Illuminate\Support\Carbon;

/**
 * Programs as calendars: a session is an event on its day, at the client's time of day where one is known.
 */
final class Calendars
{
    public function __construct(
        private readonly BoardLoader $boards,
        private readonly DataFolder $data,
        private readonly WordFiles $words,
    ) {
    }

    /** The program of a client from its first day to its last; empty where nobody said when it begins. */
    public function ofClient(Client $client): string
    {
        return $this->written($client->name, $this->events($client, ''), $client->studio_id);
    }

    /** The programs of everybody whom the trainer sees. */
    public function ofTrainer(Trainer $trainer): string
    {
        $events = [];
        foreach (Client::query()->seenBy($trainer)->archived(false)->ordered('name')->get() as $client) {
            array_push($events, ...$this->events($client, $client->name.': '));
        }

        return $this->written(Studio::query()->findOrFail($trainer->studio_id)->name, $events, $trainer->studio_id);
    }

    /** @param  list<CalendarEvent>  $events */
    private function written(string $name, array $events, string $studio): string
    {
        return CalendarFile::write($name, $events, self::zone($studio), Carbon::now()->toDateTimeImmutable());
    }

    private static function zone(string $studio): DateTimeZone
    {
        return new DateTimeZone(Studio::query()->findOrFail($studio)->time_zone);
    }

    /** @return list<CalendarEvent> */
    private function events(Client $client, string $before): array
    {
        $program = $this->boards->program($client);
        $dates = $program === null ? null : ProgramDates::of($program);
        if ($program === null || $dates === null) {
            return [];
        }
        $zone = self::zone($client->studio_id);
        $keys = ProgramDates::keys($program);
        $words = $this->words->words(WordFiles::DEFAULT);
        $bothSidesOneRep = $this->boards->style($client)->plan->bothSidesOneRep;
        // who is stopped does not read in a calendar that they train
        $isHalted = (new SafetyScreen)->referrals($this->boards->person($client)) !== [];
        $events = [];
        foreach ($program->weeks as $w => $week) {
            foreach ($week->sessions as $s => $session) {
                if (ProgramDates::isMissed($session)) {
                    continue;
                }
                $time = $client->times[$session->day->value] ?? null;
                $length = SessionTime::total($session, $this->data->library());
                $title = $words->say('kind.'.$session->kind->value).', '.$words->say('minutes', ClockField::of($length)['text']);
                $lines = Told::session($session, $this->data->library(), $bothSidesOneRep);
                $events[] = new CalendarEvent(
                    hash('sha256', $client->id.' '.($keys[$w][$s] ?? "{$w} {$s}")).'@even-rungs',
                    new DateTimeImmutable($dates->session($w, $s)->format('Y-m-d').' '.($time ?? '00:00'), $zone),
                    $time === null,
                    $length,
                    ucfirst($before.($isHalted ? $words->say('not-now', $title) : $title)),
                    implode("\n", $isHalted ? [$words->say('halted')] : $lines),
                );
            }
        }

        return $events;
    }
}
