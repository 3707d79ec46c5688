<?php

declare(strict_types=1);

namespace Tests\Cluster;

use RuntimeException;
use Tests\Support\Visitor;

/**
 * The clusters of ops/cluster.sh as whoever comes to them sees them, and the hands that pull their plugs.
 */
final class Site
{
    /** curl's CURLOPT_HAPROXYPROTOCOL, which PHP has no name for before 8.3 */
    private const SAYS_WHO_ASKS = 274;

    public static function port(): int
    {
        return (int) (getenv('EVEN_RUNGS_CLUSTER_PORT') ?: 9000);
    }

    /** The studio of the demo. */
    public static function studio(): string
    {
        return json_decode((string) file_get_contents(dirname(__DIR__, 2).'/demo/scenario.json'), true)['studio']['name'];
    }

    /** Somebody before the proxy, at a studio's own name where one is given. */
    public static function visitor(string $host = '127.0.0.1'): Visitor
    {
        $port = self::port();

        return new Visitor("http://{$host}:{$port}", [CURLOPT_RESOLVE => ["{$host}:{$port}:127.0.0.1"]]);
    }

    /** Somebody whom the proxy led to this web server of the first cluster, whose reads and writes go to the database of that number. */
    public static function visitorOf(int $node): Visitor
    {
        return new Visitor('http://127.0.0.1:'.(self::port() + 100 + $node), [self::SAYS_WHO_ASKS => true]);
    }

    /** Takes the studio of the demo out of a cluster, where it is there. */
    public static function empty(string $cluster): void
    {
        if (str_contains(self::tell('artisan', $cluster, 'web1', 'studio', 'list'), self::studio())) {
            self::tell('artisan', $cluster, 'web1', 'studio', 'remove', self::studio(), '--yes');
        }
    }

    /** Where the nodes keep what is theirs. */
    public static function folder(): string
    {
        return dirname(__DIR__, 2).'/var/cluster/';
    }

    /** The last line of what a database node itself answers. */
    public static function ask(string $cluster, string $node, string $statement): string
    {
        $process = proc_open(
            ['mariadb', '--no-defaults', '--socket='.self::folder()."{$cluster}/{$node}/run/db.sock", '-N', '-e', $statement],
            [['file', '/dev/null', 'r'], ['pipe', 'w']],
            $pipes,
        );
        $said = is_resource($process) ? trim((string) stream_get_contents($pipes[1])) : '';

        return (string) substr((string) strrchr("\n".$said, "\n"), 1);
    }

    /** @return list<string> the copies that the web servers of a cluster made by themselves */
    public static function nightlyCopies(string $cluster): array
    {
        return glob(self::folder()."{$cluster}/web*/backups/nightly-*.gz") ?: [];
    }

    /** What a command of ops/cluster.sh writes. */
    public static function tell(string ...$words): string
    {
        return self::begin(...$words)();
    }

    /** @return callable(): string waits until the command is done */
    public static function begin(string ...$words): callable
    {
        $process = proc_open(
            // servers that it starts would hold what this process writes to
            [
                'bash',
                '-c',
                'exec 3>&- 4>&- 5>&- 6>&- 7>&- 8>&- 9>&-; exec bash "$@"',
                'sh',
                dirname(__DIR__, 2).'/ops/cluster.sh',
                ...array_values($words),
            ],
            [['file', '/dev/null', 'r'], ['pipe', 'w'], ['pipe', 'w']],
            $pipes,
        );
        if ($process === false) {
            throw new RuntimeException('ops/cluster.sh cannot be run');
        }

        return static function () use ($process, $pipes, $words): string {
            $said = (string) stream_get_contents($pipes[1]);
            $wrong = (string) stream_get_contents($pipes[2]);
            if (proc_close($process) !== 0) {
                throw new RuntimeException(implode(' ', $words).': '.$wrong.$said);
            }

            return $said;
        };
    }
}
