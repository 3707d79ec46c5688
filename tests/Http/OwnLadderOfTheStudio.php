<?php

declare(strict_types=1);

namespace Tests\Http;

use App\Models\Studio;

/**
 * A ladder of a studio of its own, for tests over HTTP.
 */
trait OwnLadderOfTheStudio
{
    private function path(string $rest, string $name = 'Bea Thwart'): string
    {
        return '/clients/'.$this->clientNamed($name)->id.$rest;
    }

    /** @return array<string, mixed> */
    private function board(string $name = 'Bea Thwart'): array
    {
        return $this->api('GET', $this->path('/board', $name))->assertOk()->json();
    }

    /** @return array<string, mixed> */
    private function draft(string $ladder): array
    {
        return $this->api('GET', '/ladders/'.$ladder)->assertOk()->json();
    }

    /**
     * @param  array<string, mixed>  $record
     * @return array<string, mixed> the ladder, with empty lists of grades as objects
     */
    private static function ladder(array $record): array
    {
        $ladder = $record['ladder'];
        foreach ($ladder['rungs'] as $i => $rung) {
            $ladder['rungs'][$i]['stresses'] = (object) $rung['stresses'];
            foreach ($rung['figure']['to'] ?? [] as $t => $to) {
                $ladder['rungs'][$i]['figure']['to'][$t] = (object) $to;
            }
        }

        return $ladder;
    }
}
