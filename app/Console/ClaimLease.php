<?php

declare(strict_types=1);

namespace App\Console;

use App\Support\Lease;
use Illuminate\Console\Command;

/**
 * Asks from a shell whether a job that runs by itself is this node's to run: ends with 0 where it is.
 */
final class ClaimLease extends Command
{
    protected $signature = 'lease:claim {job} {seconds : how long it is this node\'s}';

    protected $description = 'Claim a job that runs by itself for this node';

    public function handle(): int
    {
        $holder = php_uname('n').':'.storage_path();

        [$job, $seconds] = [$this->argument('job'), $this->argument('seconds')];
        $isOurs = is_string($job) && is_numeric($seconds) && Lease::claim($job, $holder, (int) $seconds);

        return $isOurs ? self::SUCCESS : self::FAILURE;
    }
}
