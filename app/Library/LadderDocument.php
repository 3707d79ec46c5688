<?php

declare(strict_types=1);

namespace App\Library;

use EvenRungs\Core\Ladder\Ladder;
use EvenRungs\Formats\Json;
use Illuminate\Http\Request;

/**
 * A ladder of a studio's own as its form and files have it.
 */
final class LadderDocument
{
    public function __construct(
        private readonly DraftDocument $drafts,
        private readonly OwnLadders $own,
    ) {
    }

    /** @return array<string, mixed> even-rungs ladder, checked */
    public function imported(Request $request): array
    {
        return $this->drafts->checked(Json::toArray(Json::decode((string) $request->getContent())), '');
    }

    /**
     * @param  array<string, mixed>  $draft
     * @return array<string, mixed> with empty objects as objects
     */
    public static function objects(array $draft): array
    {
        foreach ($draft['rungs'] as $i => $rung) {
            $draft['rungs'][$i]['stresses'] = (object) $rung['stresses'];
        }

        return $draft;
    }

    /**
     * Whom a new document of a ladder moves, and where to.
     *
     * @param  ?array<string, mixed>  $document
     * @return array<string, mixed>
     */
    public function affected(string $studio, string $ladder, ?array $document): array
    {
        return ['affected' => array_map(static fn (array $each): array => [
            'client' => $each['client']->id,
            'name' => $each['client']->name,
            'from' => $each['from']->name,
            'to' => $each['landing']->rung?->name,
            'moves' => $each['landing']->rung?->id !== $each['from']->id || $each['landing']->step !== $each['step'],
            'why' => $each['landing']->why,
        ], $this->own->affected($studio, $ladder, $document))];
    }
}
