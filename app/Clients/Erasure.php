<?php

declare(strict_types=1);

namespace App\Clients;

use Illuminate\Support\Facades\DB;

/**
 * Takes a client or a whole studio out of every table.
 */
final class Erasure
{
    /** Every table that holds something of a client, what points to another before what it points to. */
    public const OF_CLIENT = [
        'calendar_links', 'home_pages', 'events', 'roster_rows', 'log_changes', 'verdict_answers', 'logged_sets', 'logged_sessions',
        'clearances', 'screens', 'test_days', 'line_checks', 'line_consents', 'own_aims', 'even_outs', 'changes', 'programs', 'standings',
        'client_trainer',
    ];

    /** Every other table that holds something of a studio, in the same order. */
    public const OF_STUDIO = [
        'read_ins',
        'session_templates',
        'own_styles',
        'ladder_changes',
        'own_ladders',
        'own_words',
        'links',
        'clients',
        'trainers',
    ];

    public static function studio(string $studio): void
    {
        DB::transaction(static function () use ($studio): void {
            DB::table('sessions')->whereIn('user_id', DB::table('trainers')->where('studio_id', $studio)->pluck('id'))->delete();
            foreach ([...self::OF_CLIENT, ...self::OF_STUDIO] as $table) {
                DB::table($table)->where('studio_id', $studio)->delete();
            }
            DB::table('studios')->where('id', $studio)->delete();
        });
    }

    public static function client(string $client): void
    {
        DB::transaction(static function () use ($client): void {
            foreach (self::OF_CLIENT as $table) {
                DB::table($table)->where('client_id', $client)->delete();
            }
            DB::table('clients')->where('id', $client)->delete();
        });
    }
}
