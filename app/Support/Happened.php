<?php

declare(strict_types=1);

namespace App\Support;

use App\Copies\FhirReadIn;
use App\Models\Client;
use App\Models\Event;
use App\Models\Trainer;
use Illuminate\Http\Request;

/**
 * The record of what happened: one line for every write, with who and when. What a write says is in one table, by its route; what it was
 * about is told by whoever writes.
 */
final class Happened
{
    private const MOST_DETAIL = 300;

    /** What a write is called; null where nothing is written (a check, a preview, a draft) or where the record has no studio yet. */
    public const SAYS = [
        'POST sign-in' => null,
        'POST own/returns' => null,
        'POST links/look' => null,
        'POST links/set-up' => null,
        'POST links/join' => null,
        'POST links/password' => null,
        'POST sign-out' => null,
        'POST sign-out-everywhere' => 'Signed out everywhere',
        'POST emergency' => 'Changed the emergency steps',
        'POST bands' => 'Changed the list of bands',
        'POST kit' => 'Counted the kit',
        'POST me/doses' => 'Changed how doses are shown to them',
        'POST password' => 'Changed their password',
        'POST second-factor' => null,
        'POST second-factor/confirm' => 'Turned their second factor on',
        'POST second-factor/end' => 'Turned their second factor off',
        'POST studio' => 'Changed the studio’s settings',
        'POST people/invitations' => 'Invited',
        'POST people/invitations/{link}/revoke' => 'Took an invitation back',
        'POST people/{person}/role' => 'Changed what somebody may do',
        'POST people/{person}/disable' => 'Disabled',
        'POST people/{person}/enable' => 'Let in again',
        'POST people/{person}/password' => 'Made a link for a new password for',
        'POST styles' => 'Kept a house style',
        'POST styles/{style}/remove' => 'Removed a house style',
        'POST audit' => null,
        'POST audit/fix' => null,
        'POST audit/mend-all' => null,
        'POST audit/fit' => null,
        'POST audit/file' => null,
        'POST programs/table/check' => null,
        'POST programs/table' => 'Began programs from a table',
        'POST sessions/preview' => null,
        'POST templates' => 'Kept a template',
        'POST templates/{template}/remove' => 'Removed a template',
        'POST incidents' => 'Something was wrong',
        'POST notes' => 'Noted',
        'POST group' => null,
        'POST group/floor' => null,
        'POST group/cards' => null,
        'POST group/file' => null,
        'POST clients/{client}/door/file' => null,
        'POST clients/{client}/what-if/file' => null,
        'POST sheets' => null,
        'POST calendar/links' => 'Made a calendar address',
        'POST calendar/links/{link}/withdraw' => 'Withdrew a calendar address',
        'POST clients/{client}/own-pages' => 'Handed out the client’s own page',
        'POST clients/{client}/own-pages/{page}/withdraw' => 'Withdrew the client’s own page',
        'POST clients/{client}/own-pages/returns' => null,
        'POST clients/{client}/calendar/times' => 'Said when the client trains',
        'POST clients/{client}/calendar/links' => 'Made a calendar address',
        'POST figures' => null,
        'POST figures/drag' => null,
        'POST cuff' => null,
        'POST camera' => null,
        'POST lines/judge' => null,
        'POST lines/range' => null,
        'POST lines/watch' => null,
        'POST ladders' => 'Kept a ladder',
        'POST ladders/check' => null,
        'POST ladders/import/check' => null,
        'POST ladders/import' => 'Read ladders in',
        'POST ladders/{ladder}/remove' => 'Removed a ladder',
        'POST ladders/{ladder}/undo' => 'Undid a change of a ladder',
        'POST ladders/{ladder}/use' => 'Said for whom a ladder is used',
        'POST words' => 'Added words of their own',
        'POST words/{word}/remove' => 'Removed words of their own',
        'POST clients' => 'Entered a client',
        'POST clients/table/check' => null,
        'POST clients/table' => 'Entered clients from a table',
        'POST read-in/check' => null,
        'POST read-in' => 'Read a client in',
        'POST read-ins/{change}/undo' => 'Undid what was read in',
        'POST clients/{client}/fhir/check' => null,
        'POST clients/{client}/fhir' => FhirReadIn::ACT,
        'POST clients/{client}/erase' => 'Erased a client',
        'PUT clients/{client}' => 'Changed the client’s entries',
        'POST clients/{client}/trainers' => 'Changed whose client it is',
        'POST clients/{client}/archive' => 'Put the client into the archive',
        'POST clients/{client}/restore' => 'Took the client out of the archive',
        'POST clients/{client}/moves' => 'Moved on a ladder',
        'POST clients/{client}/doses' => 'Changed a dose',
        'POST clients/{client}/swaps' => 'Swapped an exercise',
        'POST clients/{client}/evenness' => 'Took into the plan for evenness',
        'POST clients/{client}/evenness/{choice}/end' => 'Let go of what was for evenness',
        'POST clients/{client}/own-aims' => 'Wrote down the client’s own aim',
        'POST clients/{client}/own-aims/{aim}' => 'Scored or ended the client’s own aim',
        'POST clients/{client}/tests' => 'Kept a test day',
        'POST clients/{client}/lines' => 'Kept a line check',
        'POST clients/{client}/lines/consent' => 'Recorded who lets pictures be kept',
        'POST clients/{client}/lines/consent/withdraw' => 'Removed all pictures and lines: consent withdrawn',
        'POST clients/{client}/lines/{line}/remove' => 'Removed a line check',
        'POST clients/{client}/door/floor' => null,
        'POST clients/{client}/door/check' => null,
        'POST clients/{client}/sessions' => 'Changed a session',
        'POST clients/{client}/sessions/let-go' => 'Let a session go',
        'POST clients/{client}/sessions/remove' => 'Removed a session',
        'POST clients/{client}/sessions/move' => 'Moved a session',
        'POST clients/{client}/sessions/move/check' => null,
        'POST clients/{client}/sessions/missed' => 'Said what became of a session',
        'POST clients/{client}/sessions/missed/check' => null,
        'POST clients/{client}/dates' => 'Changed the days of the program',
        'DELETE clients/{client}/logs/run/{key}' => 'Threw a run away',
        'POST clients/{client}/mend' => 'Mended the program',
        'POST clients/{client}/mend-all' => 'Mended the program',
        'POST clients/{client}/best-week' => 'Arranged the week',
        'POST clients/{client}/programs/take' => 'Took a program over',
        'POST clients/{client}/logs' => 'Logged a session',
        'POST clients/{client}/logs/import' => 'Read logs in',
        'PUT clients/{client}/logs/run/{key}' => 'Ran a session',
        'POST clients/{client}/logs/{session}' => 'Changed a log',
        'POST clients/{client}/removed-logs/{change}/restore' => 'Put a log back',
        'POST clients/{client}/logs/{session}/remove' => 'Took a log back',
        'POST clients/{client}/verdicts' => 'Answered a verdict',
        'POST clients/{client}/programs' => 'Began a program',
        'POST clients/{client}/programs/{program}/name' => 'Named a program',
        'POST clients/{client}/programs/{program}/open' => 'Took up a program again',
        'POST clients/{client}/copy' => 'Copied a program here',
        'POST clients/{client}/copy/check' => null,
        'POST clients/{client}/screen' => 'Asked the screen',
        'POST clients/{client}/clearances' => 'Recorded a clearance',
        'POST clients/{client}/clearances/{clearance}/withdraw' => 'Withdrew a clearance',
        'POST clients/{client}/aims' => 'Changed the aims',
        'POST clients/{client}/ladders' => 'Chose the ladders',
        'POST clients/{client}/style' => 'Chose the house style',
        'POST clients/{client}/what-if' => null,
        'POST clients/{client}/two-styles' => null,
        'POST clients/{client}/plan' => 'Planned the program',
        'POST clients/{client}/plan/keep' => 'Kept the program as it is',
        'POST clients/{client}/undo' => 'Undid',
        'POST clients/{client}/redo' => 'Did again',
    ];

    /** What is left of the client is not kept either: the line names nobody. */
    private const NAMELESS = ['POST clients/{client}/erase'];

    /** A run is sent after every set; the record names it once. */
    private const ONCE = ['PUT clients/{client}/logs/run/{key}'];

    /** Written without a line of its own: each thing that it brings has one. */
    private const WRITES = ['POST own/returns', 'POST clients/{client}/own-pages/returns', 'POST second-factor'];

    private ?string $about = null;

    private ?Client $client = null;

    /** What the write under way is about, in words. */
    public function about(string $what, ?Client $client = null): void
    {
        $this->about = $what;
        $this->client = $client ?? $this->client;
    }

    public function forget(): void
    {
        $this->about = null;
        $this->client = null;
    }

    public static function routeOf(Request $request): string
    {
        return $request->method().' '.substr($request->route()->uri(), strlen('api/'));
    }

    /** Whether a request of this kind changes anything that others see. */
    public static function writes(Request $request): bool
    {
        $route = self::routeOf($request);

        return ! array_key_exists($route, self::SAYS) || self::SAYS[$route] !== null || in_array($route, self::WRITES, true);
    }

    /** Keeps the line of a request that has written. */
    public function keep(Request $request, Trainer $trainer): void
    {
        $route = self::routeOf($request);
        $act = self::SAYS[$route] ?? null;
        $client = $request->route('client');
        $client = in_array($route, self::NAMELESS, true) ? null : ($client instanceof Client ? $client : $this->client);
        if ($act === null || (in_array($route, self::ONCE, true) && $this->about === null)) {
            return;
        }
        self::write($trainer->studio_id, $act, $this->about, $client?->id, $trainer->id);
    }

    /** A line of its own, for what comes from the shell or over a link. */
    public static function write(string $studio, string $act, ?string $about = null, ?string $client = null, ?string $trainer = null): void
    {
        Event::query()->create(
            [
                'studio_id' => $studio,
                'client_id' => $client,
                'trainer_id' => $trainer,
                'act' => $act,
                'detail' => $about === null ? null : mb_substr($about, 0, self::MOST_DETAIL),
            ],
        );
    }
}
