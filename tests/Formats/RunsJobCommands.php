<?php

declare(strict_types=1);

namespace Tests\Formats;

use EvenRungs\Cli\JobCommands;

/**
 * Runs job commands and reads what they answer.
 */
trait RunsJobCommands
{
    private const CLIENT = [
        'format' => 'even-rungs/client', 'version' => 1, 'name' => 'Someone', 'ability' => ['AE' => 4, 'AR' => 3],
        'limits' => ['shoulder', ['limit' => 'kneeling', 'severity' => 'mild']], 'equipment' => ['mat', 'band', 'wall'],
        'days' => ['mon' => 20, 'wed' => 20, 'fri' => 15], 'other_training' => [['day' => 'tue', 'type' => 'heavy-lift']],
        'screen' => ['cleared' => true, 'flags' => []],
        'tests' => ['side-plank-left_s' => 25, 'side-plank-right_s' => 31, 'ladders' => ['dead-bug' => ['highest_clean' => 'both-arms']]],
    ];

    private const SESSION = ['format' => 'even-rungs/session', 'version' => 1, 'day' => 'mon', 'kind' => 'standalone'];

    /**
     * @param  list<string>  $words
     * @return array{int, string, string} exit code, output, diagnostics
     */
    private static function answer(array $words, string $input): array
    {
        $streams = array_map(static fn () => fopen('php://memory', 'w+') ?: throw new \RuntimeException, [0, 1, 2]);
        fwrite($streams[0], $input);
        rewind($streams[0]);
        $code = (new JobCommands(...$streams))->run($words);
        rewind($streams[1]);
        rewind($streams[2]);

        return [$code, (string) stream_get_contents($streams[1]), (string) stream_get_contents($streams[2])];
    }

    /** @param  array<string, mixed>  $document */
    private static function json(array $document): string
    {
        return (string) json_encode($document);
    }
}
