<?php

declare(strict_types=1);

namespace App\Home;

use App\Accounts\Secret;
use App\Models\Client;
use App\Models\HomePage;
use App\Models\LogChange;
use App\Models\LoggedSession;
use App\Models\StudioBuilder;
use App\Models\Trainer;
use App\Support\ClientRows;
use App\Support\Stamps;
use App\Support\StudioDay;
use EvenRungs\Formats\HomeReturn;
use EvenRungs\Formats\HomeSeal;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;
use Illuminate\Support\Carbon;

/**
 * The pages that clients were handed, what is in each, and which are still out.
 */
final class HomePages
{
    /** What was done in time may come back so many days after a page has ended. */
    public const DAYS_TO_COME_BACK = 60;

    /** ISO date of today in the studio. */
    public static function today(): string
    {
        return StudioDay::today()->toDateString();
    }

    /**
     * @param  array<mixed>  $document  of HomePageDocument
     * @param  string  $secret  of its link
     */
    public static function keep(Client $client, Trainer $trainer, array $document, string $secret): HomePage
    {
        HomePage::query()->ofStudio($client->studio_id)
            ->where('until', '<', StudioDay::today()->subDays(self::DAYS_TO_COME_BACK)->toDateString())->update(['document' => null]);
        $text = json_encode($document, JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE);

        return HomePage::query()->create([
            'studio_id' => $client->studio_id,
            'client_id' => $client->id,
            'trainer_id' => $trainer->id,
            'hash' => Secret::hash($secret),
            'title' => $document['title'],
            'made_on' => $document['made'],
            'until' => $document['until'],
            'document' => base64_encode((string) gzcompress($text)),
        ]);
    }

    /**
     * What is in it, as JSON.
     *
     * @throws UnusableInput where nothing of it is left
     */
    public static function text(HomePage $page): string
    {
        $text = $page->document === null ? false : gzuncompress((string) base64_decode($page->document));

        return is_string($text) ? $text : throw UnusableInput::at('/code', 'is of a page that ended too long ago');
    }

    /** @throws UnusableInput where nothing of it is left */
    public static function document(HomePage $page): Node
    {
        return new Node(Json::toArray(Json::decode(self::text($page))));
    }

    public static function seal(HomePage $page): HomeSeal
    {
        return new HomeSeal(strtolower($page->id), self::key($page));
    }

    /** What a page seals with, 32 bytes; it follows from the studio's own key, so that no database holds it. */
    public static function key(HomePage $page): string
    {
        return hash_hmac('sha256', 'home-page '.strtolower($page->id), (string) config('app.key'), true);
    }

    /** The key of the log that a session of a page becomes. */
    public static function logKey(HomePage $page, int $session): string
    {
        return 'home-'.strtolower($page->id).'-'.$session;
    }

    /**
     * The pages that may still be on a client's device and work there.
     *
     * @return list<array{title: string, made: string, until: string}>
     */
    public static function out(Client $client): array
    {
        return array_values(
            ClientRows::of($client)->homePages()
                ->filter(static fn (HomePage $page): bool => $page->revoked_at === null || $page->looks > 0 || $page->saved_at !== null)
                ->map(static fn (HomePage $page): array => ['title' => $page->title, 'made' => $page->made_on, 'until' => $page->until])
                ->all(),
        );
    }

    /** @return StudioBuilder<HomePage> */
    public static function ofClient(Client $client): StudioBuilder
    {
        return HomePage::query()->ofClient($client)->ordered('id', 'desc');
    }

    /** How many of its sessions came back, whether their logs stand or were taken back. */
    public static function cameBack(Client $client, HomePage $page): int
    {
        $of = static fn (StudioBuilder $rows): array => $rows->ofClient($client)->where(
            'key',
            'like',
            'home-'.strtolower($page->id).'-%',
        )->pluck('key')->all();

        return count(array_unique([...$of(LoggedSession::query()), ...$of(LogChange::query())]));
    }

    public static function looked(HomePage $page): void
    {
        $page->update(['looks' => min(65_535, $page->looks + 1), 'seen_at' => Carbon::now()]);
        Stamps::client(Client::query()->ofStudio($page->studio_id)->whereKey($page->client_id)->firstOrFail());
    }

    /** How many sessions a page holds. */
    public static function sessions(HomePage $page): int
    {
        return count(self::shape(self::document($page)));
    }

    /** @return list<array{int, int}> exercises and sets of each session of a page */
    private static function shape(Node $document): array
    {
        return $document->each(
            'sessions',
            static fn (Node $session): array => [
                count(HomeLog::exercises($session)),
                count($session->child('plan')->opaque('sets') ?? []),
            ],
        );
    }

    /** What a payload of a page says. */
    public static function read(string $payload, Node $document): HomeReturn
    {
        $warnings = $document->each('warnings', static fn (Node $warning): string => $warning->string('id'));

        return HomeReturn::read($payload, $warnings, self::shape($document));
    }
}
