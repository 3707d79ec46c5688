<?php

declare(strict_types=1);

namespace App\Accounts;

use Illuminate\Session\DatabaseSessionHandler;
use Illuminate\Support\Facades\Auth;

/**
 * Sessions in the database, of people who are signed in. Whoever is not leaves no row. What has not changed is written only now and then,
 * so that the row tells within some minutes when it was used last.
 */
final class SignedInSessions extends DatabaseSessionHandler
{
    private const WRITTEN_EVERY_S = 300;

    private ?string $was = null;

    private int $usedAt = 0;

    /** @param  string  $sessionId */
    public function read($sessionId): string
    {
        $row = (object) $this->getQuery()->find($sessionId, ['payload', 'last_activity']);
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
     * @param  array<string, mixed>  $payload
     */
    protected function performInsert($sessionId, $payload): ?bool
    {
        $this->gc($this->minutes * 60);

        return parent::performInsert($sessionId, $payload);
    }
}
