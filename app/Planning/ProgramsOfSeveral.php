<?php

declare(strict_types=1);

namespace App\Planning;

use App\Http\Progress;
use App\Models\Client;
use App\Models\Trainer;
use App\Support\Ledger;
use EvenRungs\Core\Planning\Fit\FittedProgram;
use EvenRungs\Core\Program\Program;
use EvenRungs\Formats\Problem;
use EvenRungs\Formats\ProgramsBySeveral;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Facades\DB;

/**
 * Programs that were kept elsewhere, for several clients at once, each on the client's own rungs: all of them, or none.
 */
final class ProgramsOfSeveral
{
    public function __construct(
        private readonly BoardLoader $boards,
        private readonly ClientPlanner $planner,
        private readonly Ledger $ledger,
        private readonly Progress $progress,
    ) {
    }

    /**
     * What each program becomes for its client. Nothing is kept.
     *
     * @return list<array{Client, FittedProgram}>
     *
     * @throws UnusableInput naming rows and lines that cannot be read, names that are nobody's, and who may not be planned for
     */
    public function seen(Trainer $trainer, string $text): array
    {
        $programs = ProgramsBySeveral::read($text);
        $clients = [];
        $problems = [];
        foreach (array_keys($programs) as $name) {
            $found = $this->found($trainer, (string) $name);
            $problem = $found instanceof Client ? $this->against($found, $clients) : $found;
            if ($problem !== null) {
                $problems[] = new Problem((string) $name, $problem);
            } elseif ($found instanceof Client) {
                $clients[$found->id] = [$found, $programs[$name]];
            }
        }
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }

        return array_values(array_map(fn (array $each): array => [$each[0], $this->fitted($each[0], $each[1])], $clients));
    }

    /**
     * Begins each program for its client; every one can be undone on the client's own pages.
     *
     * @return int how many
     *
     * @throws UnusableInput as seen() does
     */
    public function taken(Trainer $trainer, string $text): int
    {
        return DB::transaction(function () use ($trainer, $text): int {
            $seen = $this->seen($trainer, $text);
            foreach ($seen as $i => [$client, $fitted]) {
                $this->progress->came($i, count($seen));
                $this->ledger->change($client, $client->version, function (Client $locked) use ($trainer, $fitted): void {
                    $this->ledger->replace($locked, $trainer, 'Program from a table', PresentWeek::begun($fitted->program));
                });
            }

            return count($seen);
        });
    }

    private function fitted(Client $client, Program $program): FittedProgram
    {
        return $this->planner->fit($client)->to($program, $this->boards->person($client));
    }

    private function found(Trainer $trainer, string $name): Client|string
    {
        $all = Client::query()->seenBy($trainer)->archived(false)->ordered('name')->get();
        $same = $all->filter(static fn (Client $each): bool => mb_strtolower($each->name) === mb_strtolower(trim($name)));
        $like = $all->filter(static fn (Client $each): bool => stripos($each->name, explode(' ', trim($name))[0]) !== false);

        return match (count($same)) {
            1 => $same->firstOrFail(),
            0 => 'is nobody’s name here'.($like->isEmpty() ? '' : '; there is '.$like->take(3)->pluck('name')->join(', ', ' and ')),
            default => 'is the name of more than one here',
        };
    }

    /** @param  array<string, array{Client, Program}>  $clients  who has a program already, by id */
    private function against(Client $client, array $clients): ?string
    {
        return isset($clients[$client->id]) ? 'has two programs in it' : $this->planner->whyNot($client, $this->boards->person($client));
    }
}
