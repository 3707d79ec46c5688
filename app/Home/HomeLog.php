<?php

declare(strict_types=1);

namespace App\Home;

use EvenRungs\Core\Log\PainKind;
use EvenRungs\Formats\HomeReturn;
use EvenRungs\Formats\Node;

/**
 * What came back from a client's own page, as the document of a log.
 */
final class HomeLog
{
    /**
     * @param  Node  $document  of the page
     * @param  string  $on  ISO date
     */
    public static function of(Node $document, HomeReturn $return, string $key, string $on): Node
    {
        $session = $document->each('sessions', static fn (Node $each): Node => $each)[$return->session] ?? null;
        $log = [
            'key' => $key,
            'on' => $on,
            'soreness' => $return->soreness,
            'pain_before' => $return->painBefore,
            'effort' => $return->effort,
            'ran_s' => $return->ran === 0 ? null : $return->ran,
            'pain_kind' => $return->painKind?->value,
            'ended' => $return->ended,
            'signs' => $return->signs === null ? null : array_column($return->signs, 'value'),
            'planned' => $session?->child('plan')->optionalString('planned'),
        ];

        return new Node([
            ...array_filter($log, static fn (mixed $value): bool => $value !== null),
            'checked' => false,
            'sets' => $session === null ? [] : self::sets($session, $return),
        ]);
    }

    /** @return list<string> the rungs of a session of a page, in their order */
    public static function exercises(Node $session): array
    {
        $rungs = $session->child('plan')->each('sets', static fn (Node $set): string => $set->string('rung'));

        return array_values(array_unique($rungs));
    }

    /** @return list<array<string, int|float|string|bool>> */
    private static function sets(Node $session, HomeReturn $return): array
    {
        $said = array_combine(self::exercises($session), $return->exercises);
        $done = $return->sets;

        return $session->child('plan')->each('sets', static function (Node $set) use ($said, &$done): array {
            return self::set($set, $said[$set->string('rung')], array_shift($done));
        });
    }

    /**
     * @param  array{effort: ?int, pain: ?int, kind: ?PainKind}  $said  of its exercise
     * @param  int|float|true|null  $done  true as asked, null left out
     * @return array<string, int|float|string|bool>
     */
    private static function set(Node $set, array $said, int|float|bool|null $done): array
    {
        return array_filter([
            'rung' => $set->string('rung'),
            'side' => $set->optionalString('side'),
            'target' => $set->number('target'),
            'load_kg' => $set->optionalNumber('load_kg'),
            ...($set->opaque('asked') ?? []),
            'effort' => $said['effort'],
            'pain' => $said['pain'],
            'pain_kind' => $said['kind']?->value,
            'left' => $done === null ? true : null,
            'done' => $done === true ? $set->number('target') : (float) ($done ?? 0),
        ], static fn (mixed $value): bool => $value !== null);
    }
}
