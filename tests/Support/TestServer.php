<?php

declare(strict_types=1);

namespace Tests\Support;

/**
 * The services of the test instance, as a power cut would end them.
 */
final class TestServer
{
    private static function folder(): string
    {
        return dirname(__DIR__, 2);
    }

    /** Web server, PHP and database at once, without a word to any of them. */
    public static function kill(): void
    {
        foreach (['nginx', 'fpm', 'db'] as $name) {
            $pid = (int) @file_get_contents(self::folder().'/var/test/run/'.$name.'.pid');
            if ($pid > 0) {
                posix_kill($pid, SIGKILL);
            }
        }
        self::shell('end_orphans "$var/run/nginx.pid" nginx; end_orphans "$var/run/fpm.pid" php-fpm; sleep 0.3');
    }

    public static function start(): void
    {
        self::shell('rm -f "$socket"; start_database; start_php; start_web; wait_for 30 "the application" curl -fsS "http://127.0.0.1:$(setting WEB_PORT)/api/health"');
    }

    private static function shell(string $do): void
    {
        exec(sprintf('cd %s && timeout 90 bash -c %s 2>&1 </dev/null', escapeshellarg(self::folder()), escapeshellarg('. ops/common.sh; . ops/services.sh; use_instance test; '.$do)), $output, $code);
        if ($code !== 0) {
            throw new \RuntimeException(implode("\n", $output));
        }
    }
}
