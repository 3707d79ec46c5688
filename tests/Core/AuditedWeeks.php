<?php

declare(strict_types=1);

namespace Tests\Core;

use EvenRungs\Core\Audit\Audit;
use EvenRungs\Core\Audit\AuditedProgram;
use EvenRungs\Core\Audit\Finding;
use EvenRungs\Core\Client\Client;
use Tests\Support\Documents;

/**
 * Weeks of an even session, and what the audit finds in them.
 */
trait AuditedWeeks
{
    /** The even session takes 5 × 4 s × 2 + 5 × 4 s × 2 + 30 s + 8 × 3 s × 2 and three rests of 30 s. */
    private const EVEN_S = 40 + 40 + 30 + 48 + 90;

    private const EVEN = [
        ['exercise' => 'Dead bug', 'sets' => 1, 'reps' => 5, 'tempo' => '2-0-2-0', 'side' => 'alternate', 'rest_s' => 30],
        ['exercise' => 'Bird dog', 'sets' => 1, 'reps' => 5, 'tempo' => '2-0-2-0', 'side' => 'alternate', 'rest_s' => 30],
        ['exercise' => 'Side plank', 'sets' => 1, 'hold_s' => 15, 'side' => 'each', 'rest_s' => 30],
        ['exercise' => 'Press-out', 'sets' => 1, 'reps' => 8, 'tempo' => '1-1-1-0', 'side' => 'alternate', 'rest_s' => 30],
    ];

    /**
     * @param  list<array<string, mixed>>  $entries
     * @param  array<string, mixed>  $more
     * @return array<string, mixed>
     */
    private static function session(string $day, array $entries = self::EVEN, array $more = []): array
    {
        return [
            'format' => 'even-rungs/session',
            'version' => 1,
            'day' => $day,
            'kind' => 'standalone',
            'blocks' => [['type' => 'straight', 'entries' => $entries]],
            ...$more,
        ];
    }

    /** @return array<string, mixed> twice the four directions, nothing wrong with it */
    private static function week(int $number, array $sessions = [], array $more = []): array
    {
        return ['week' => $number, 'sessions' => $sessions === [] ? [self::session('mon'), self::session('thu')] : $sessions, ...$more];
    }

    /** @param  list<array<string, mixed>>  $weeks */
    private static function read(array $weeks, ?Client $client = null, array $more = []): AuditedProgram
    {
        $program = Documents::program(['weeks' => $weeks, ...$more]);

        return (new Audit(Documents::data()->library()))->read($program, $client);
    }

    /** @return list<Finding> */
    private static function find(AuditedProgram $program, string $rule): array
    {
        return array_values(
            array_filter((new Audit($program->library))->findings($program), static fn (Finding $each): bool => $each->rule === $rule),
        );
    }

    private static function client(array $more = []): Client
    {
        return Documents::client(['equipment' => ['band', 'wall', 'mat'], 'days' => ['mon' => 20, 'thu' => 20], ...$more]);
    }
}
