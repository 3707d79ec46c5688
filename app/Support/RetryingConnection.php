<?php

declare(strict_types=1);

namespace App\Support;

use Closure;
use Illuminate\Database\MariaDbConnection;
use PDOException;
use Throwable;

/**
 * A connection whose transactions are tried again where another got in their way: a deadlock on one server, or a commit that a cluster did
 * not certify. Within another transaction it is that one which is tried again.
 */
final class RetryingConnection extends MariaDbConnection
{
    private const TRIES = 3;

    /** Codes of MariaDB: a node apart from the others, an error while it committed. */
    private const BROKEN_OFF = [1047, 1180];

    /**
     * @param  int  $attempts  one is what nobody thought of
     */
    public function transaction(Closure $callback, $attempts = 1)
    {
        return parent::transaction($callback, max($attempts, self::TRIES));
    }

    /** @throws OutcomeUnknown */
    public function commit(): void
    {
        try {
            parent::commit();
        } catch (PDOException $e) {
            $this->tellUnknown($e);
            throw $e;
        }
    }

    /**
     * @param  int  $currentAttempt
     * @param  int  $maxAttempts
     *
     * @throws OutcomeUnknown
     */
    protected function handleCommitTransactionException(Throwable $e, $currentAttempt, $maxAttempts): void
    {
        $this->tellUnknown($e);
        parent::handleCommitTransactionException($e, $currentAttempt, $maxAttempts);
    }

    /** @throws OutcomeUnknown where the connection, or the node's to the others, went in the middle of it */
    private function tellUnknown(Throwable $e): void
    {
        $isApart = $e instanceof PDOException && in_array($e->errorInfo[1] ?? 0, self::BROKEN_OFF, true);
        if ($isApart || $this->causedByLostConnection($e)) {
            $this->transactions = 0;
            $this->disconnect();
            throw new OutcomeUnknown('The commit broke off.', previous: $e);
        }
    }
}
