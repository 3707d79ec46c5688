<?php

declare(strict_types=1);

namespace App\Support;

use Illuminate\Log\Logger;
use Monolog\Handler\FormattableHandlerInterface;
use Monolog\Logger as Monolog;

/**
 * Has every handler of a log write short lines.
 */
final class ShortLines
{
    public function __invoke(Logger $logger): void
    {
        $monolog = $logger->getLogger();
        foreach ($monolog instanceof Monolog ? $monolog->getHandlers() : [] as $handler) {
            if ($handler instanceof FormattableHandlerInterface) {
                $handler->setFormatter(new ShortLine);
            }
        }
    }
}
