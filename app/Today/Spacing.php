<?php

declare(strict_types=1);

namespace App\Today;

use App\Models\Client;
use App\Models\LoggedSet;
use App\Planning\BoardLoader;
use App\Support\ClientRows;
use DateTimeImmutable;
use EvenRungs\Core\Log\HardWork;
use EvenRungs\Core\Log\WorkDone;
use EvenRungs\Core\Program\Session;
use EvenRungs\Storage\DataFolder;

/**
 * Warns where hard work, or a test to the limit, comes within 48 h of the last one.
 */
final class Spacing
{
    public function __construct(private readonly DataFolder $data, private readonly BoardLoader $boards)
    {
    }

    /** @return ?string what to say before a session of a day; null where nothing stands against it */
    public function ofSession(Client $client, Session $session, DateTimeImmutable $day): ?string
    {
        return HardWork::isHardSession(
            $session,
            $this->data->library(),
            $this->boards->style($client),
        ) ? $this->near($client, $day, 'Hard work') : null;
    }

    /** @return ?string what is kept with a log */
    public function ofLog(Client $client, LogRows $log, ?int $except): ?string
    {
        $day = new DateTimeImmutable($log->on());
        $done = new WorkDone;
        $library = $this->data->library();
        foreach ($log->sets as $set) {
            if (is_string($set['rung']) && $library->hasRung($set['rung']) && is_int($set['done']) && $set['done'] > 0) {
                $done->add(
                    $library->rung($set['rung']),
                    $set['done'],
                    is_string($set['side']) ? $set['side'] : null,
                    $day->format('Y-m-d'),
                );
            }
        }

        return HardWork::wasHard($done, $this->boards->style($client)) ? $this->near($client, $day, 'Hard work', $except) : null;
    }

    /** @return ?string what to say before a test to the limit */
    public function ofTest(Client $client, DateTimeImmutable $day): ?string
    {
        return $this->near($client, $day, 'A test to the limit');
    }

    private function near(Client $client, DateTimeImmutable $day, string $what, ?int $except = null): ?string
    {
        $library = $this->data->library();
        $from = $day->modify('-1 day')->format('Y-m-d');
        $to = $day->modify('+1 day')->format('Y-m-d');
        /** @var array<int, array{WorkDone, string}> $sessions */
        $sessions = [];
        foreach (LoggedSet::query()->ofClient($client)->where(
            'on',
            '>=',
            $from,
        )->where('on', '<=', $to)->where('done', '>', 0)->toBase()->get(
            ['logged_session_id', 'rung', 'done', 'side', 'on'],
        ) as $row) {
            if ($row->logged_session_id !== $except && $library->hasRung($row->rung)) {
                $sessions[$row->logged_session_id] ??= [new WorkDone, (string) $row->on];
                $sessions[$row->logged_session_id][0]->add($library->rung($row->rung), $row->done, $row->side, (string) $row->on);
            }
        }
        $style = $this->boards->style($client);
        $hard = [];
        foreach ($sessions as [$done, $on]) {
            if (HardWork::wasHard($done, $style)) {
                $hard[] = new DateTimeImmutable($on);
            }
        }
        $tests = ClientRows::of($client)->testDays()->where('on', '>=', $from)->where('on', '<=', $to)->pluck('on')->map(
            static fn (string $on): DateTimeImmutable => new DateTimeImmutable($on),
        )->all();
        $day = new DateTimeImmutable($day->format('Y-m-d'));
        $near = HardWork::tooNear($day, $hard);
        if ($near !== null) {
            return HardWork::warning($what, $near, 'the hard session');
        }
        $near = HardWork::tooNear($day, array_values($tests));

        return $near === null ? null : HardWork::warning($what, $near, 'the test day');
    }
}
