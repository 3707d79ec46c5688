<?php

declare(strict_types=1);

namespace App\Clients;

use App\Planning\Board;
use EvenRungs\Core\Client\Cleared;
use EvenRungs\Core\Client\Limit;
use EvenRungs\Core\Client\Referral;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Placement\Placement;
use EvenRungs\Core\Program\Gap;

/**
 * A client as one row of the list.
 */
final class ClientRowView
{
    /** @return array<string, mixed> */
    public static function of(Board $board, Library $library): array
    {
        $levels = $board->levels($library);

        return [
            'id' => $board->record->id,
            'name' => $board->client->name,
            'goal' => $board->client->goal->value,
            'limits' => array_map(static fn (Limit $limit): string => $limit->rule->name, $board->client->limits),
            'levels' => (object) $levels->levels,
            'spread' => $levels->spread(),
            'days' => (object) array_filter($board->client->days ?? []),
            'sessions' => count($board->program->weeks[0]->sessions ?? []),
            'gaps' => array_values(
                array_unique(array_map(static fn (Gap $gap): string => $gap->category->value, $board->program->gaps ?? [])),
            ),
            'version' => $board->record->version,
            'stop' => self::stop($board),
            'refer' => array_map(static fn (Referral $each): string => $each->urgency->value, $board->referrals)[0] ?? null,
        ];
    }

    /** A stop that no clearance lifts, as what it is. */
    private static function stop(Board $board): ?string
    {
        $all = Cleared::for($board->client)->openStop();
        if ($all !== null) {
            return sprintf('Everything stopped: %s', PainKind::tryFrom($all->kind)?->symptom() ?? 'pain');
        }
        $stopped = array_filter($board->placements, static fn (Placement $each): bool => $each->stopped() !== null);

        return $stopped === [] ? null : sprintf(
            'Stopped: %s',
            implode(', ', array_map(static fn (Placement $each): string => lcfirst($each->ladder->name), $stopped)),
        );
    }
}
