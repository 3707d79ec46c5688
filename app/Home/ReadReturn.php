<?php

declare(strict_types=1);

namespace App\Home;

use App\Clients\ChangeClient;
use App\Models\Client;
use App\Models\HomePage;
use App\Models\LogChange;
use App\Models\LoggedSession;
use App\Models\Trainer;
use App\Support\ClientRows;
use App\Support\Happened;
use App\Support\StudioDay;
use App\Today\Logs;
use DateTimeImmutable;
use EvenRungs\Core\Planning\Door\DoorAnswers;
use EvenRungs\Core\Writing;
use EvenRungs\Formats\HomeReturn;
use EvenRungs\Formats\HomeSeal;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;

/**
 * What came back from a client's own page, as a log of theirs that nobody watched. It is read once; a warning sign becomes a flag of their
 * screen, and pain acts like any pain.
 */
final class ReadReturn
{
    public function __construct(
        private readonly Logs $logs,
        private readonly ChangeClient $change,
    ) {
    }

    /** The page that a code is of, among those of a client. */
    public static function pageOf(Client $client, string $code): ?HomePage
    {
        foreach (HomePages::ofClient($client)->get() as $page) {
            if (HomePages::seal($page)->open($code) !== null) {
                return $page;
            }
        }

        return null;
    }

    /**
     * @param  Trainer  $trainer  who handed the page out, or who reads it
     * @param  bool  $byHand  whether the trainer reads it, and not the page sends it
     * @return array{new: bool, words: string} whether it was read now, and what is said of it
     *
     * @throws UnusableInput where it is not of this page, or of a day that cannot be
     */
    public function from(HomePage $page, string $code, Trainer $trainer, bool $byHand): array
    {
        $payload = HomePages::seal($page)->open(trim($code)) ?? throw self::unreadable($code);
        $document = HomePages::document($page);
        $return = HomePages::read($payload, $document);
        $on = self::day($page, $return);

        return $this->logs->once(fn (): array => $this->kept($page, $document, $return, $on, $trainer, $byHand));
    }

    public static function unreadable(string $code): UnusableInput
    {
        return UnusableInput::at(
            '/code',
            HomeSeal::pageOf(trim($code)) === null
                ? 'is no code of a page of this client: compare it letter by letter'
                : 'is not of a page of this client, or was changed on the way',
        );
    }

    /** @throws UnusableInput where the page did not work on that day */
    private static function day(HomePage $page, HomeReturn $return): string
    {
        $on = (new DateTimeImmutable($page->made_on))->modify("+{$return->day} days")->format('Y-m-d');
        // a phone may be a day ahead of the studio
        if ($on > StudioDay::today()->addDay()->toDateString() || $on > $page->until) {
            throw UnusableInput::at('/code', sprintf('is of %s, on which the page did not work', $on));
        }

        return min($on, StudioDay::today()->toDateString());
    }

    /**
     * @return array{new: bool, words: string}
     */
    private function kept(HomePage $page, Node $document, HomeReturn $return, string $on, Trainer $trainer, bool $byHand): array
    {
        $client = Client::query()->ofStudio($page->studio_id)->whereKey($page->client_id)->locked()->firstOrFail();
        $key = HomePages::logKey($page, $return->session);
        $day = Writing::day(new DateTimeImmutable($on));
        if (
            $this->logs->found($client, $key) !== null
            || LogChange::query()->ofClient($client)->where('key', $key)->exists()
        ) {
            return ['new' => false, 'words' => sprintf('This was read before. Nothing of it is kept twice (%s).', $day)];
        }
        $body = HomeLog::of($document, $return, $key, $on);
        $planned = $body->optionalString('planned');
        // what the trainer wrote of that session stays as it is
        $isBeside = $planned !== null && isset(ClientRows::of($client)->planned()[$planned]);
        if ($return->session !== HomeReturn::OUTSIDE || self::stops($return)) {
            $rows = $this->logs->documents->read($body, $on)->with([
                'origin' => LoggedSession::BY_CLIENT,
                'word' => $return->word,
                'planned' => $isBeside ? null : $planned,
            ]);
            $this->logs->put($client, null, $key, null, $rows);
        }
        $this->flag($client, $return->warnings, $trainer);
        $said = self::said($return);
        Happened::write(
            $client->studio_id,
            'Brought back from the client’s own page',
            implode(', ', [$day, ...$said]),
            $client->id,
            $byHand ? $trainer->id : null,
        );

        return [
            'new' => true,
            'words' => implode(' ', array_filter([
                sprintf('Read: %s.', implode(', ', [$day, ...$said])),
                $isBeside ? 'That session has a log already, so this one stands beside it.' : null,
            ])),
        ];
    }

    private static function stops(HomeReturn $return): bool
    {
        return (new DoorAnswers(pain: $return->painBefore ?? 0, painKind: $return->painKind))->stop() !== null;
    }

    /** @return list<string> */
    private static function said(HomeReturn $return): array
    {
        $pains = array_filter([$return->painBefore, ...array_column($return->exercises, 'pain')], is_int(...));

        return array_values(array_filter([
            $return->session === HomeReturn::OUTSIDE ? 'outside a session' : sprintf('session %d', $return->session + 1),
            $pains === [] ? null : sprintf('pain %d', max($pains)),
            $return->warnings === [] ? null : 'warning signs: '.implode(', ', $return->warnings),
        ]));
    }

    /**
     * Signs become answers of the screen, which only a clearance lifts.
     *
     * @param  list<string>  $warnings
     */
    private function flag(Client $client, array $warnings, Trainer $trainer): void
    {
        if ($warnings === []) {
            return;
        }
        $document = $client->document;
        $flags = array_values(array_unique([...$document['screen']['flags'] ?? [], ...$warnings]));
        $document['screen'] = [...($document['screen'] ?? []), 'flags' => $flags];
        $this->change->to($client, $trainer, $client->version, $document, StudioDay::today()->toDateString());
    }
}
