<?php

declare(strict_types=1);

namespace App\Today;

use App\Models\Client;
use App\Models\Trainer;
use App\Support\StaleVersion;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;

/**
 * Keeps a log that was written at a desk or sent from a file.
 */
final class AddLog
{
    public function __construct(private readonly Logs $logs)
    {
    }

    /**
     * Keeps a session. The same key is kept once, so that a log that is sent again doubles nothing; a log of a planned session that has one
     * of the same day already becomes one with it.
     *
     * @return bool whether it was new
     *
     * @throws UnusableInput at the field, or where the key belongs to another client
     * @throws StaleVersion where another log of the session says something else
     */
    public function from(Client $client, Trainer $trainer, Node $body): bool
    {
        $rows = $this->logs->documents->read($body);
        $key = $body->string('key');

        return $this->logs->once(function () use ($client, $trainer, $key, $body, $rows): bool {
            if ($this->logs->found($client, $key) !== null) {
                return false;
            }
            if (! $rows->saysAnything()) {
                throw UnusableInput::at('/sets', 'nothing was done and nothing was said: that is no session');
            }
            $other = $this->logs->otherOf($client, $key, $rows);
            if ($other === null) {
                $this->logs->put($client, $trainer, $key, null, $rows);
            } else {
                $this->logs->join($client, $trainer, $other, $body);
            }

            return $other === null;
        });
    }
}
