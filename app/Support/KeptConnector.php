<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Database\Connectors\MariaDbConnector;
use PDO;

/**
 * Connections that a worker keeps from one request to the next: what they are told is told when they are opened
 * (PDO::MYSQL_ATTR_INIT_COMMAND), and not again by every request.
 */
final class KeptConnector extends MariaDbConnector
{
    /** @param  array<mixed>  $config */
    protected function configureConnection(PDO $connection, array $config): void
    {
    }
}
