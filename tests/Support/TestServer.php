<?php

declare(strict_types=1);

namespace Tests\Support;

/**
 * The services of the test instance, as a power cut would end them.
 */
final class TestServer
{
    private static ?string $demo = null;

    /** The instance that the tests of this process have for themselves: two suites with a browser may run at once. */
    public static function instance(): string
    {
        return getenv('EVEN_RUNGS_TEST_INSTANCE') === 'plain' ? 'plain' : 'test';
    }

    private static function folder(): string
    {
        return dirname(__DIR__, 2);
    }

    /** Where the instance keeps what is its own. */
    public static function files(): string
    {
        return self::folder().'/var/'.self::instance();
    }

    /** Web server, PHP and database at once, without a word to any of them. */
    public static function kill(): void
    {
        foreach (['nginx', 'fpm', 'db'] as $name) {
            $pid = (int) @file_get_contents(self::files().'/run/'.$name.'.pid');
            if ($pid > 0) {
                posix_kill($pid, SIGKILL);
            }
        }
        self::shell('end_orphans "$var/run/nginx.pid" nginx; end_orphans "$var/run/fpm.pid" php-fpm; sleep 0.3');
    }

    /**
     * Kills some of the services a little later, in a process of its own.
     *
     * @param  list<string>  $names  nginx, fpm, db
     * @return callable(): void  waits until they are dead
     */
    public static function killSoon(array $names, int $afterMs): callable
    {
        $orphans = implode(
            '; ',
            array_map(
                static fn (string $name): string => [
                    'nginx' => 'end_orphans "$var/run/nginx.pid" nginx',
                    'fpm' => 'end_orphans "$var/run/fpm.pid" php-fpm',
                    'db' => 'true',
                ][$name],
                $names,
            ),
        );
        $pids = implode(
            ' ',
            array_map(
                static fn (string $name): string => (string) (int) @file_get_contents(self::files().'/run/'.$name.'.pid'),
                $names,
            ),
        );
        $process = proc_open(
            [
                'bash',
                '-c',
                sprintf(
                    'sleep %.3f; kill -9 %s; cd %s; . ops/common.sh; . ops/services.sh; use_instance %s; %s',
                    $afterMs / 1000,
                    $pids,
                    escapeshellarg(self::folder()),
                    self::instance(),
                    $orphans,
                ),
            ],
            [['file', '/dev/null', 'r'], ['file', '/dev/null', 'w'], ['file', '/dev/null', 'w']],
            $pipes,
        );

        return static function () use ($process): void {
            is_resource($process) && proc_close($process);
        };
    }

    /** The demo as it was seeded, from a copy of its rows of the first time in this run: planning it anew for each test takes seconds. */
    public static function freshDemo(): void
    {
        if (self::$demo === null) {
            self::shell('php artisan demo:seed --again --yes');
            self::$demo = sys_get_temp_dir().'/even-rungs-demo-'.bin2hex(random_bytes(4)).'.sql';
            self::shell(sprintf(
                '{ echo "SET FOREIGN_KEY_CHECKS = 0; START TRANSACTION;"; db even_rungs --skip-column-names -e "SHOW TABLES" | '
                    .'grep -v "^migrations$" | sed "s/.*/DELETE FROM \`&\`;/"; '
                .'mariadb-dump --no-defaults --socket="$socket" --user="$(id -un)" --skip-comments --no-create-info '
                    .'--skip-add-locks --skip-disable-keys --ignore-table=even_rungs.migrations even_rungs; echo "COMMIT;"; } >%s',
                escapeshellarg(self::$demo),
            ));
            register_shutdown_function(static fn (string $file): bool => unlink($file), self::$demo);

            return;
        }
        // what a page of the test before asked for may still be under way and would be written into the fresh demo
        self::shell(sprintf(
            'idle() { ! db -Ne "SHOW PROCESSLIST" | grep even_rungs | grep -qv Sleep; }; '
                .'wait_for 30 "the application" idle; db even_rungs <%s',
            escapeshellarg(self::$demo),
        ));
    }

    /** What the application reported as errors of its own, a line each; that the database was gone is what killing it does. */
    public static function errors(): string
    {
        $lines = [];
        foreach (glob(self::files().'/storage/logs/app-*.log') ?: [] as $file) {
            $lines = [...$lines, ...preg_grep('/ ERROR (?!SQLSTATE\[HY000\])/', file($file) ?: []) ?: []];
        }

        return implode('', $lines);
    }

    public static function start(): void
    {
        self::shell('start_database; start_php; start_web; wait_for 30 "the application" curl -fsS "http://127.0.0.1:$(setting '
            .'WEB_PORT)/api/health"');
    }

    /** Words of the shell with the functions of ops/ on the test instance. */
    public static function shell(string $do): void
    {
        exec(
            sprintf(
                'cd %s && timeout 90 bash -c %s 2>&1 </dev/null',
                escapeshellarg(self::folder()),
                escapeshellarg(
                    'exec 3>&- 4>&- 5>&- 6>&- 7>&- 8>&- 9>&-; . ops/common.sh; . ops/services.sh; use_instance '.self::instance().'; '.$do,
                ),
            ),
            $output,
            $code,
        );
        if ($code !== 0) {
            throw new \RuntimeException(implode("\n", $output));
        }
    }
}
