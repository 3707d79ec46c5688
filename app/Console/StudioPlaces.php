<?php

declare(strict_types=1);

namespace App\Console;

use Illuminate\Console\Command;
use Illuminate\Support\Facades\DB;

/**
 * Which studio is in which cluster, by the host name it is reached at. The table that counts is the first cluster's; ops/cluster.sh keeps
 * the proxy's map like it.
 */
final class StudioPlaces extends Command
{
    protected $signature = 'studio:places {act : map, put HOST STUDIO CLUSTER, of HOST, begin HOST CLUSTER, end HOST, back HOST or drop '
        .'HOST} {words?*}';

    protected $description = 'Know in which cluster a studio is';

    public function handle(): int
    {
        [$host, $second, $third] = [...array_map(strval(...), (array) $this->argument('words')), '', '', ''];
        $table = DB::table('studio_clusters');
        $row = $table->clone()->where('host', $host);
        $done = match ($this->argument('act')) {
            'map' => $table->orderBy('host')->get()->each(
                fn (object $each) => $this->line($each->host.' '.($each->goes_to === null ? $each->cluster : 'moving')),
            ),
            'put' => self::put($host, $second, $third),
            'of' => $row->get()->each(fn (object $each) => $this->line("{$each->studio} {$each->cluster}"))->count(),
            // one conditional update: of two who move it to two clusters at once, one does; who began goes on
            'begin' => $row->clone()->whereNull('goes_to')->update(['goes_to' => $second, 'since' => now()])
                + $row->clone()->where('goes_to', $second)->count(),
            'end' => $row->whereNotNull('goes_to')->update(['cluster' => DB::raw('goes_to'), 'goes_to' => null, 'since' => now()]),
            'back' => $row->update(['goes_to' => null]),
            'drop' => $row->delete(),
            default => 0,
        };

        return $done === 0 ? self::FAILURE : self::SUCCESS;
    }

    /** @return int 1 where the studio has the name now, 0 where it is another's */
    private static function put(string $host, string $studio, string $cluster): int
    {
        $has = DB::table('studio_clusters')->where('host', $host)->value('studio');
        if ($has === null) {
            DB::table('studio_clusters')->updateOrInsert(
                ['studio' => $studio],
                static fn (bool $isThere): array => ['host' => $host, ...($isThere ? [] : ['cluster' => $cluster])],
            );
        }

        return $has === null || $has === $studio ? 1 : 0;
    }
}
