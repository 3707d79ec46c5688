<?php

declare(strict_types=1);

namespace App\Support;

use App\Models\Clearance;
use App\Models\Client;
use App\Models\EvenOut;
use App\Models\HomePage;
use App\Models\LogChange;
use App\Models\OwnAim;
use App\Models\Program;
use App\Models\Screen;
use App\Models\Standing;
use App\Models\Studio;
use App\Models\TestDay;
use App\Models\VerdictAnswer;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Storage\DataFolder;
use Illuminate\Database\Eloquent\Collection;
use Illuminate\Support\Facades\App;
use stdClass;

/**
 * The rows of one client that nearly every page looks at, read in one go.
 */
final class ClientRows
{
    /** So many sets with a load are looked back at, the newest first. */
    private const MOST_LOADS = 240;

    private const READ = [
        'moves' => 'select ladder, rung, step, basis, created_at from standings where {of} order by id',
        'standings' => 'select * from standings where id in (select max(id) from standings where {of} group by ladder) order by id',
        'screens' => 'select * from screens where {of} order by id',
        'clearances' => 'select * from clearances where {of} and withdrawn_at is null order by id',
        'evened' => 'select * from even_outs where {of} and until is null order by id',
        'program' => 'select * from programs where {of} and current = 1 limit 1',
        'undo' => 'select label from changes where {of} and undone = 0 order by id desc limit 1',
        'redo' => 'select label from changes where {of} and undone = 1 order by id limit 1',
        'stops' => 'select * from log_changes where {of} and stops is not null',
        // each half by its own index
        'painfulSets' => 'select id, `on`, ladder, pain_kind from logged_sets where {of} and pain > :over union '
            .'select id, `on`, ladder, pain_kind from logged_sets where {of} and pain_kind in ({kinds})',
        'painfulSessions' => 'select distinct painful.id, painful.`on`, painful.pain_kind, ladder from (select id, `on`, pain_kind from '
            .'logged_sessions where {of} and (pain_before > :over or pain_next_day > :over or pain_kind in ({kinds}))) as painful '
            .'left join logged_sets on logged_session_id = painful.id',
        'planned' => 'select planned, open from logged_sessions where {of} and planned is not null',
        'loads' => 'select {load} from logged_sets where {of} and load_kg > 0 union '
            .'select {load} from logged_sets where {of} and band > \'\' order by `on` desc, id desc limit '.self::MOST_LOADS,
        // a look into an index for each ladder, where a grouping would read all sets
        'trained' => 'select ladder from ({ladders}) as known where exists (select 1 from logged_sets as s where s.studio_id = :studio '
            .'and s.client_id = :client and s.ladder = known.ladder and s.done > 0 limit 1)',
        'lastDay' => 'select max(`on`) as last from logged_sessions where {of}',
        'testDays' => 'select * from test_days where {of} order by `on`, id',
        'aims' => 'select * from own_aims where {of} and ended_on is null order by id',
        'answers' => 'select * from verdict_answers where id in (select max(id) from verdict_answers where {of} group by ladder)',
        'studio' => 'select * from studios where id = :studio',
        'homePages' => 'select id, studio_id, client_id, title, made_on, until, revoked_at, looks, saved_at from home_pages '
            .'where {of} and until >= :today order by id desc',
    ];

    /** @param  array<string, list<stdClass>>  $rows */
    private function __construct(private readonly array $rows)
    {
    }

    public static function of(Client $client): self
    {
        return App::make(Remembered::class)->once('rows of '.$client->id, static fn (): self => self::read($client));
    }

    private static function read(Client $client): self
    {
        $kinds = array_filter(PainKind::cases(), static fn (PainKind $kind): bool => $kind->stops());
        $said = [
            '{load}' => 'id, logged_session_id, rung, `on`, target, done, load_kg, band',
            '{of}' => 'studio_id = :studio and client_id = :client',
            '{kinds}' => "'".implode("', '", array_map(static fn (PainKind $kind): string => $kind->value, $kinds))."'",
        ];
        $ladders = array_column(App::make(DataFolder::class)->library()->ladders, 'id');
        $named = array_combine(array_map(static fn (int $i): string => 'ladder'.$i, array_keys($ladders)), $ladders);
        $said['{ladders}'] = 'select '.implode(' as ladder union all select ', array_map(
            static fn (string $name): string => ':'.$name,
            array_keys($named),
        )).' as ladder';
        $questions = str_replace(array_keys($said), array_values($said), self::READ);

        return new self(Reads::atOnce($questions, [
            'studio' => $client->studio_id,
            'client' => $client->id,
            'over' => LoggedSession::STOP_OVER,
            'today' => StudioDay::today()->toDateString(),
            ...$named,
        ]));
    }

    /** @return list<stdClass> every move of the client, oldest first, with `ladder`, `rung`, `step`, `basis` and `created_at` */
    public function moves(): array
    {
        return $this->rows['moves'];
    }

    /** @return list<Standing> the newest move of every ladder */
    public function standings(): array
    {
        return array_values(Reads::models(Standing::class, $this->rows['standings'])->all());
    }

    /** @return Collection<int, Screen> oldest first */
    public function screens(): Collection
    {
        return Reads::models(Screen::class, $this->rows['screens']);
    }

    /** @return Collection<int, Clearance> that were not withdrawn, oldest first */
    public function clearances(): Collection
    {
        return Reads::models(Clearance::class, $this->rows['clearances']);
    }

    /** @return Collection<int, EvenOut> that are part of the plan now */
    public function evened(): Collection
    {
        return Reads::models(EvenOut::class, $this->rows['evened']);
    }

    /** The program in use. */
    public function program(): ?Program
    {
        return Reads::models(Program::class, $this->rows['program'])->first();
    }

    /** @return array{?string, ?string} what the next undo takes back, and the next redo does again */
    public function labels(): array
    {
        return [$this->rows['undo'][0]->label ?? null, $this->rows['redo'][0]->label ?? null];
    }

    /** @return Collection<int, LogChange> logs that were taken back and stopped something */
    public function stops(): Collection
    {
        return Reads::models(LogChange::class, $this->rows['stops']);
    }

    /** @return list<stdClass> sets whose pain stops, with `on`, `ladder` and `pain_kind` */
    public function painfulSets(): array
    {
        return $this->rows['painfulSets'];
    }

    /** @return list<stdClass> sessions whose pain stops, with `id`, `on` and `pain_kind` */
    public function painfulSessions(): array
    {
        return array_values(array_column($this->rows['painfulSessions'], null, 'id'));
    }

    /** @return array<int, list<string>> ladders of the sessions whose pain stops, by session */
    public function painfulLadders(): array
    {
        $ladders = [];
        foreach ($this->rows['painfulSessions'] as $row) {
            if ($row->ladder !== null) {
                $ladders[(int) $row->id][] = (string) $row->ladder;
            }
        }

        return $ladders;
    }

    /** @return array<string, bool> planned sessions that have a log, by key; true while it is still run */
    public function planned(): array
    {
        return array_map(boolval(...), array_column($this->rows['planned'], 'open', 'planned'));
    }

    /** @return list<stdClass> the newest sets with a weight or a band, oldest first */
    public function loads(): array
    {
        return array_reverse($this->rows['loads']);
    }

    /** @return list<string> ladders of the library of which anything was ever done */
    public function trained(): array
    {
        return array_column($this->rows['trained'], 'ladder');
    }

    /** ISO date of the newest day of training. */
    public function lastDay(): ?string
    {
        return $this->rows['lastDay'][0]->last ?? null;
    }

    /** @return Collection<int, TestDay> oldest first */
    public function testDays(): Collection
    {
        return Reads::models(TestDay::class, $this->rows['testDays']);
    }

    /** @return Collection<int, OwnAim> that have not ended, oldest first */
    public function aims(): Collection
    {
        return Reads::models(OwnAim::class, $this->rows['aims']);
    }

    /** @return Collection<int, VerdictAnswer> the newest answer to a verdict on every ladder */
    public function answers(): Collection
    {
        return Reads::models(VerdictAnswer::class, $this->rows['answers']);
    }

    public function studio(): Studio
    {
        return Reads::models(Studio::class, $this->rows['studio'])->firstOrFail();
    }

    /** @return Collection<int, HomePage> that have not run out, newest first, without what is in them */
    public function homePages(): Collection
    {
        return Reads::models(HomePage::class, $this->rows['homePages']);
    }
}
