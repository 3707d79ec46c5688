<?php

declare(strict_types=1);

namespace App\Accounts;

use App\Support\Reads;
use Illuminate\Session\DatabaseSessionHandler;
use Illuminate\Support\Facades\Auth;
use Illuminate\Support\Facades\DB;
use stdClass;

/**
 * Sessions in the database, of people who are signed in. Whoever is not leaves no row. What has not changed is written only now and then,
 * so that the row tells within some minutes when it was used last.
 */
final class SignedInSessions extends DatabaseSessionHandler
{
    private const WRITTEN_EVERY_S = 300;

    private const READ = [
        'session' => 'select payload, last_activity from sessions where id = :session',
        'trainer' => 'select * from trainers where id = (select user_id from sessions where id = :session)',
        'studio' => 'select * from studios where id = (select trainers.studio_id from trainers '
            .'join sessions on sessions.user_id = trainers.id where sessions.id = :session)',
    ];

    /** @var array{?stdClass, ?stdClass} the trainer of the session that was read last, and their studio */
    public static array $people = [null, null];

    private ?string $was = null;

    private int $usedAt = 0;

    /** @param  string  $sessionId */
    public function read($sessionId): string
    {
        $rows = Reads::atOnce(self::READ, ['session' => $sessionId]);
        $row = $rows['session'][0] ?? new stdClass;
        self::$people = [$rows['trainer'][0] ?? null, $rows['studio'][0] ?? null];
        $this->exists = isset($row->payload);
        if (! $this->exists || $this->expired($row)) {
            return '';
        }
        $this->usedAt = (int) $row->last_activity;

        return $this->was = base64_decode((string) $row->payload);
    }

    /**
     * @param  string  $sessionId
     * @param  string  $data
     */
    public function write($sessionId, $data): bool
    {
        $isKept = $this->exists && $data === $this->was && $this->currentTime() - $this->usedAt < self::WRITTEN_EVERY_S;

        return $isKept || ! Auth::check() || parent::write($sessionId, $data);
    }

    /**
     * @param  string  $sessionId
     * @param  array<mixed>  $payload
     */
    protected function performInsert($sessionId, $payload): ?bool
    {
        $this->gc($this->minutes * 60);
        DB::connection('apart')->table('cache')->where('expiration', '<', $this->currentTime())->delete();

        return parent::performInsert($sessionId, $payload);
    }
}
