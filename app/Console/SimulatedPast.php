<?php

declare(strict_types=1);

namespace App\Console;

use App\Models\Client;
use App\Models\LoggedSession;
use App\Models\Program;
use App\Models\Standing;
use App\Models\Studio;
use App\Planning\BoardLoader;
use App\Support\Ledger;
use EvenRungs\Core\Client\Basis;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Placement\Steps;
use EvenRungs\Core\Program\ProgramDates;
use EvenRungs\Storage\DataFolder;
use Illuminate\Support\Carbon;
use Random\Engine\Mt19937;
use Random\Randomizer;

/**
 * When the programs of the demo began, and made-up months before the logs of a client: how they climbed to where they stand, and the
 * program that the logs are of.
 */
final class SimulatedPast
{
    private const DAYS = 7;

    /** So many steps of dose are climbed at once, and so many times. */
    private const STRIDE = 2;

    private const MOVES = 6;

    public function __construct(
        private readonly DataFolder $data,
        private readonly BoardLoader $boards,
        private readonly Ledger $ledger,
    ) {
    }

    /** Whatever weekday the demo is made on, its programs have begun on the Monday before. */
    public function beginOnMonday(Studio $studio): void
    {
        $monday = Carbon::today()->startOfWeek(Carbon::MONDAY)->toDateTimeImmutable();
        foreach (Program::query()->ofStudio($studio->id)->get() as $row) {
            $program = $this->boards->read($row);
            $row->update(['document' => $this->ledger->written(ProgramDates::of($program)?->beginningOn($monday) ?? $program)]);
        }
    }

    /** @param  int  $weeks  before the first log */
    public function fill(Client $client, int $weeks, int $seed): void
    {
        $first = Carbon::parse((string) LoggedSession::query()->ofClient($client)->min('on'));
        $this->climb($client, $first, $weeks, new Randomizer(new Mt19937($seed)));
        $this->program($client, $first);
    }

    private function climb(Client $client, Carbon $until, int $weeks, Randomizer $random): void
    {
        $library = $this->data->library();
        $steps = $this->boards->load($client)->steps();
        $moves = [];
        foreach ($this->boards->standings($client) as $row) {
            $now = $library->rung((string) $row->rung);
            $path = self::path($now, $row->step, $library->ladder($row->ladder)->downFrom($now), $steps);
            $isKept = static fn (int $i): bool => (count($path) - $i) % self::STRIDE === 1;
            $path = array_slice(array_filter($path, $isKept, ARRAY_FILTER_USE_KEY), -self::MOVES);
            foreach ($path as $i => [$rung, $step]) {
                $ago = intdiv(self::DAYS * $weeks * (count($path) - $i), count($path)) + $random->getInt(-self::DAYS, self::DAYS);
                $moves[] = self::move($row, $until->copy()->subDays(max(1, $ago)), [
                    'rung' => $rung->id,
                    'step' => $step,
                    'range' => null,
                    'dose' => null,
                    'basis' => $i === 0 ? Basis::Ability->value : Basis::Standing->value,
                    'why' => ['Made up for the demo.'],
                ]);
            }
            $moves[] = self::move($row, $row->created_at, ['basis' => $row->basis, 'why' => $row->why]);
        }
        Standing::query()->ofClient($client)->delete();
        usort($moves, static fn (array $a, array $b): int => $a['created_at'] <=> $b['created_at']);
        array_map(Standing::query()->forceCreate(...), $moves);
    }

    /**
     * @param  array<string, list<string>|int|string|null>  $but  what is otherwise than in the row
     * @return array<string, Carbon|list<string>|int|string|null>
     */
    private static function move(Standing $row, Carbon $at, array $but): array
    {
        return [...$row->only(['studio_id', 'client_id', 'ladder', 'rung', 'step', 'range', 'dose']), ...$but, 'created_at' => $at];
    }

    /**
     * Every step up to where somebody stands, the present one left out.
     *
     * @param  list<Rung>  $rungs  up to theirs
     * @return list<array{Rung, int}>
     */
    private static function path(Rung $now, int $step, array $rungs, Steps $steps): array
    {
        $path = [];
        foreach (array_reverse($rungs) as $rung) {
            foreach (array_keys($steps->of($rung)) as $i) {
                if ($rung->id !== $now->id || $i < $step) {
                    $path[] = [$rung, $i];
                }
            }
        }

        return $path;
    }

    /** The same weeks begun when the logs begin, as the program before this one; each log is of its session. */
    private function program(Client $client, Carbon $first): void
    {
        $row = Program::query()->ofClient($client)->current()->firstOrFail();
        $began = $first->copy()->startOfWeek(Carbon::MONDAY);
        $program = ProgramDates::begin($this->boards->read($row), $began->toDateTimeImmutable(), 'made-up');
        Program::query()->create([
            'studio_id' => $client->studio_id,
            'client_id' => $client->id,
            'document' => $this->ledger->written($program),
            'current' => false,
        ]);
        $keys = array_merge([], ...ProgramDates::keys($program));
        foreach (ProgramDates::of($program)?->sessions() ?? [] as $i => [$on]) {
            LoggedSession::query()->ofClient($client)->where('on', $on->format('Y-m-d'))->update(['planned' => $keys[$i]]);
        }
    }
}
