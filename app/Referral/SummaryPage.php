<?php

declare(strict_types=1);

namespace App\Referral;

use App\Clients\Lifted;
use App\Clients\Screening;
use App\Models\Client;
use App\Planning\Board;
use App\Planning\BoardLoader;
use App\Planning\PresentWeek;
use App\Planning\WeekView;
use App\Progress\TestDaysPage;
use App\Support\ClientRows;
use App\Support\ClockField;
use App\Support\Reads;
use App\Support\StudioDay;
use DateTimeImmutable;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Client\Referral;
use EvenRungs\Core\Ladder\Category;
use EvenRungs\Core\Program\Gap;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Core\Program\SessionTime;
use EvenRungs\Core\Program\Told;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Writing;
use EvenRungs\Formats\Fhir\FhirBundle;
use EvenRungs\Formats\Fhir\FhirCase;
use EvenRungs\Formats\Fhir\FhirReport;
use EvenRungs\Formats\Fhir\FhirSession;
use EvenRungs\Storage\DataFolder;
use stdClass;

/**
 * What is told of a client to a physiotherapist or a doctor: limits and clearances, tests beside norms, where they stand and stood, pain,
 * what is planned and why, and what is asked.
 */
final class SummaryPage
{
    private const MONTHS = 6;

    private const REPORTS = 12;

    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly TestDaysPage $tests,
        private readonly Screening $screening,
        private readonly WeekView $weeks,
        private readonly Lifted $lifted,
    ) {
    }

    /** @return array<string, mixed> what the page of it is made of */
    public function of(Client $client): array
    {
        $board = $this->boards->load($client);
        $studio = ClientRows::of($client)->studio();
        $week = $board->program?->weeks[PresentWeek::of($board->program) - 1] ?? null;
        $planned = $week === null ? null : $this->weeks->of($week, $board);
        $asked = $this->screening->askedOn($client);

        return [
            'name' => $client->name,
            'born' => $board->client->born,
            'studio' => $studio->name,
            'contact' => $studio->contact,
            'on' => Writing::day(StudioDay::today()),
            'goal' => $board->goal->name,
            'aims' => self::ownAims($client),
            'limits' => array_map(static fn (Limit $limit): array => [
                'name' => $limit->rule->name,
                'severity' => $limit->rule->medical ? '' : $limit->severity->value,
                'caution' => $limit->rule->caution,
            ], $board->client->limits),
            'screened' => $asked === null ? null : Writing::day(new DateTimeImmutable($asked)),
            'clearances' => array_map(fn (array $each): array => [
                'lifts' => $this->lifted->name(is_string($each['lifts']) ? $each['lifts'] : ''),
                'by' => implode(', ', array_filter([$each['by'] ?? '', $each['role'] ?? ''])),
                'on' => Writing::day(new DateTimeImmutable($each['on'])),
                'until' => isset($each['until']) ? Writing::day(new DateTimeImmutable($each['until'])) : '',
                'level' => $each['max_level'] ?? null,
            ], $this->screening->inForce($client)),
            'tests' => $this->tests->of($client)['norms'],
            'months' => $this->months($client),
            'reports' => array_slice($this->reports($client), -self::REPORTS),
            'week' => $planned,
            'questions' => self::questions($board, $week),
        ];
    }

    /** @return array<string, mixed> the same as a FHIR bundle */
    public function bundle(Client $client): array
    {
        $board = $this->boards->load($client);
        $document = $this->boards->document($client);
        $tests = is_array($document['tests'] ?? null) ? $document['tests'] : [];
        $names = [];
        foreach ($this->data->library()->limits as $id => $rule) {
            $names[$id] = $rule->name;
        }
        foreach ($this->data->library()->rungs() as $rung) {
            $names[$rung->id] = $rung->name;
        }

        return FhirBundle::write(new FhirCase(
            $client->id,
            $client->name,
            $board->client->born,
            array_map(static fn (Limit $limit): array => [
                'limit' => $limit->rule->id,
                'severity' => $limit->severity->value,
            ], $board->client->limits),
            array_filter(array_diff_key($tests, ['ladders' => true]), static fn (mixed $value): bool => is_int($value) || is_float($value)),
            array_map(static fn (array $found) => $found['highest_clean'], is_array($tests['ladders'] ?? null) ? $tests['ladders'] : []),
            array_values(array_filter($client->aims ?? [], $this->data->library()->hasRung(...))),
            self::ownAims($client),
            $this->sessions($board),
            $this->reports($client),
            StudioDay::today()->toDateTimeImmutable(),
            $names,
        ));
    }

    /** @return list<string> */
    private static function ownAims(Client $client): array
    {
        $words = [];
        foreach (ClientRows::of($client)->aims() as $aim) {
            $words[] = $aim->words;
        }

        return $words;
    }

    /** @return list<FhirSession> */
    private function sessions(Board $board): array
    {
        $dates = $board->program === null ? null : ProgramDates::of($board->program);
        $keys = $board->program === null ? [] : ProgramDates::keys($board->program);
        $library = $this->data->library();
        $sessions = [];
        foreach ($board->program->weeks ?? [] as $w => $week) {
            foreach ($week->sessions as $s => $session) {
                $sessions[] = new FhirSession(
                    $dates?->session($w, $s)->format('Y-m-d'),
                    match ($board->logged[$keys[$w][$s] ?? ''] ?? null) {
                        true => 'in-progress',
                        false => 'completed',
                        null => ProgramDates::isMissed($session) ? 'cancelled' : 'scheduled',
                    },
                    implode("\n", [
                        sprintf('%s, %s min', $session->kind->value, ClockField::of(SessionTime::total($session, $library))['text']),
                        ...Told::session($session, $library, $board->style->plan->bothSidesOneRep),
                    ]),
                );
            }
        }

        return $sessions;
    }

    /** @return list<FhirReport> oldest first */
    private function reports(Client $client): array
    {
        $rows = Reads::atOnce([
            'sessions' => 'select `on`, pain_before, pain_next_day, effort, pain, effort_of_sets from logged_sessions left join '
                .'(select logged_session_id, max(pain) as pain, max(effort) as effort_of_sets from logged_sets '
                .'where studio_id = :studio and client_id = :client group by logged_session_id) as sets on logged_session_id = id '
                .'where studio_id = :studio and client_id = :client order by `on`, id',
        ], ['studio' => $client->studio_id, 'client' => $client->id]);
        $reports = [];
        foreach ($rows['sessions'] as $row) {
            $pains = array_filter([$row->pain, $row->pain_before, $row->pain_next_day], is_int(...));
            $efforts = array_filter([$row->effort_of_sets, $row->effort], is_int(...));
            $reports[] = new FhirReport($row->on, $pains === [] ? null : max($pains), $efforts === [] ? null : max($efforts));
        }

        return $reports;
    }

    /**
     * @return array{names: list<string>, directions: array<string, list<?int>>} the highest level that the client stood on in each
     *     direction, at the end of each of the last months
     */
    private function months(Client $client): array
    {
        $library = $this->data->library();
        $today = StudioDay::today()->toDateTimeImmutable();
        $names = $directions = [];
        $rows = array_filter(ClientRows::of($client)->moves(), static fn (stdClass $move): bool => $move->rung !== null);
        for ($back = self::MONTHS - 1; $back >= 0; $back--) {
            $month = $today->modify(sprintf('first day of -%d months', $back));
            $end = $month->modify('first day of next month');
            $names[] = $month->format('Y-m');
            $newest = [];
            foreach ($rows as $row) {
                if (new DateTimeImmutable($row->created_at) < $end && $library->hasRung((string) $row->rung)) {
                    $newest[$row->ladder] = $library->rung((string) $row->rung);
                }
            }
            foreach (Category::directions() as $direction) {
                $levels = [];
                foreach ($newest as $rung) {
                    if ($rung->category === $direction) {
                        $levels[] = $rung->level->value;
                    }
                }
                $directions[$direction->label()][] = $levels === [] ? null : max($levels);
            }
        }

        return ['names' => $names, 'directions' => $directions];
    }

    /** @return list<string> what somebody with a licence has to say: why all stands still, and what a limit keeps a week from */
    private static function questions(Board $board, ?Week $week): array
    {
        $barred = array_filter(
            $board->program->gaps ?? [],
            static fn (Gap $gap): bool => $gap->week === $week?->number && in_array('barred', $gap->codes, true),
        );

        return [
            ...array_map(static fn (Referral $each): string => $each->text, $board->referrals),
            ...array_values(array_map(static fn (Gap $gap): string => $gap->category->label().': '.$gap->why, $barred)),
        ];
    }
}
