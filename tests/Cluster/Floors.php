<?php

declare(strict_types=1);

namespace Tests\Cluster;

/**
 * Floors that run at once, each in a process of its own, until they are told to end.
 */
final class Floors
{
    private readonly string $folder;

    /** @var array<mixed> */
    private array $processes = [];

    /** @param  list<string>  $names */
    public function __construct(array $names, string $host = '127.0.0.1')
    {
        $this->folder = sys_get_temp_dir().'/even-rungs-floors-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        foreach ($names as $i => $name) {
            $this->processes[] = proc_open(
                [PHP_BINARY, __DIR__.'/floor.php', $name, $host, $this->folder.'/end', "{$this->folder}/{$i}.json"],
                [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', "{$this->folder}/{$i}.log", 'w']],
                $pipes,
            );
        }
    }

    /** None goes on after a test that failed. */
    public function __destruct()
    {
        touch($this->folder.'/end');
    }

    /**
     * @return array{
     *     wrong: list<string>,
     *     taken: array<string, array<string, list<int>>>,
     *     asked: list<array{at: float, s: float, tries: int, is: string}>,
     * } what went wrong for good; what was taken, by client and key of the run; every request
     */
    public function end(): array
    {
        touch($this->folder.'/end');
        $reports = [];
        foreach ($this->processes as $i => $floor) {
            is_resource($floor) && proc_close($floor);
            $reports[] = json_decode((string) file_get_contents("{$this->folder}/{$i}.json"), true);
        }

        return [
            'wrong' => array_column($reports, 'wrong'),
            'taken' => array_merge(...array_column($reports, 'taken')),
            'asked' => array_merge(...array_column($reports, 'asked')),
        ];
    }

    /**
     * @param  array<string, array<string, list<int>>>  $taken
     * @return array<string, array<string, list<int>>> what a take-out has of the same runs
     */
    public static function kept(string $copy, array $taken): array
    {
        $logs = [];
        foreach (json_decode($copy, true)['clients'] as $client) {
            foreach ($client['logs'] as $log) {
                $logs[$log['key']][] = array_column($log['sets'], 'done');
            }
        }
        $kept = [];
        foreach ($taken as $client => $runs) {
            foreach (array_keys($runs) as $key) {
                // a log that is there twice, or not at all, is no list of sets
                $kept[$client][$key] = count($logs[$key] ?? []) === 1 ? $logs[$key][0] : [-count($logs[$key] ?? [])];
            }
        }

        return $kept;
    }
}
