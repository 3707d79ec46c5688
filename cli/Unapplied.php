<?php

declare(strict_types=1);

namespace EvenRungs\Cli;

use EvenRungs\Core\Client\Client;
use EvenRungs\Core\Ladder\Severity;

/**
 * What a document says that has no effect, one line each.
 */
final class Unapplied
{
    /** @return list<string> medical limits have no severity: one that was written */
    public static function of(Client $client): array
    {
        $said = [];
        foreach ($client->limits as $limit) {
            if ($limit->rule->medical && $limit->severity !== Severity::Moderate) {
                $said[] = sprintf(
                    '/limits: severity "%s" of %s is not applied: medical limits bar real and high stress alike',
                    $limit->severity->value,
                    $limit->rule->id,
                );
            }
        }

        return $said;
    }
}
