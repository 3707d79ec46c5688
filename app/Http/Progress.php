<?php

declare(strict_types=1);

namespace App\Http;

use Symfony\Component\HttpKernel\Exception\HttpException;

/**
 * How far a long piece of work came, told while it goes on to whoever asked for it. Where nobody asked, nothing is told.
 */
final class Progress
{
    private const EVERY_S = 0.1;

    /** How a browser that went away in the middle is answered; nobody reads it. */
    private const GONE = 499;

    private bool $isTold = false;

    private float $last = 0;

    public function begin(): void
    {
        $this->isTold = true;
        ignore_user_abort(true);
    }

    public function end(): void
    {
        $this->isTold = false;
    }

    /**
     * @param  int  $done  pieces of the work
     *
     * @throws HttpException where whoever asked has gone, so that nothing of the work is kept
     */
    public function came(int $done, int $of): void
    {
        $now = microtime(true);
        if (! $this->isTold || $now - $this->last < self::EVERY_S) {
            return;
        }
        $this->last = $now;
        $this->tell(['done' => $done, 'of' => $of]);
        if (connection_aborted() === 1) {
            throw new HttpException(self::GONE, 'Given up.');
        }
    }

    /** @param  array<string, mixed>  $line */
    public function tell(array $line): void
    {
        echo json_encode($line, JSON_THROW_ON_ERROR | JSON_UNESCAPED_SLASHES | JSON_UNESCAPED_UNICODE), "\n";
        ob_get_level() > 0 && ob_flush();
        flush();
    }
}
