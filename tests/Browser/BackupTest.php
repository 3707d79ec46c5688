<?php

declare(strict_types=1);

namespace Tests\Browser;

use PHPUnit\Framework\TestCase;

/**
 * Backup, wipe, restore, take-out: the same bytes, by the commands that a studio uses. Nothing of it is done in this process, so that no
 * transaction of a test stands in the way.
 */
final class BackupTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/even-rungs-backup-'.bin2hex(random_bytes(4));
        mkdir($this->folder);
        self::assertSame(0, $this->artisan('demo:seed --again --yes')[0]);
    }

    protected function tearDown(): void
    {
        exec('rm -rf '.escapeshellarg($this->folder));
    }

    /** @return array{int, string} exit code and what was printed */
    private function shell(string $command): array
    {
        exec(
            sprintf(
                'cd %s && EVEN_RUNGS_COPY_OF=test EVEN_RUNGS_INSTANCE=test %s 2>&1 </dev/null',
                escapeshellarg(dirname(__DIR__, 2)),
                $command,
            ),
            $lines,
            $code,
        );

        return [$code, implode("\n", $lines)];
    }

    /** @return array{int, string} */
    private function artisan(string $command): array
    {
        return $this->shell('php artisan '.$command);
    }

    private function takenOut(): string
    {
        [$code, $text] = $this->artisan("studio take-out 'Slipway Studio'");
        self::assertSame(0, $code, $text);

        return $text;
    }

    public function test_what_was_wiped_comes_back_byte_for_byte_and_damage_is_refused(): void
    {
        $before = $this->takenOut();
        [$code, $printed] = $this->shell('EVEN_RUNGS_PASSPHRASE="three knots" bash ops/backup.sh '.escapeshellarg($this->folder));
        self::assertSame(0, $code, $printed);
        $file = (glob($this->folder.'/*.enc') ?: [])[0] ?? self::fail($printed);
        self::assertStringContainsString('encrypted', $printed);
        self::assertSame('0600', substr(sprintf('%o', fileperms($file)), -4));
        self::assertFalse(str_contains((string) file_get_contents($file), 'Slipway'));

        self::assertSame(0, $this->artisan("studio remove 'Slipway Studio' --yes")[0]);

        foreach (['EVEN_RUNGS_PASSPHRASE="two knots"' => 'passphrase', '' => 'encrypted'] as $with => $why) {
            [$code, $printed] = $this->shell($with.' bash ops/restore.sh '.escapeshellarg($file));
            self::assertSame(1, $code);
            self::assertStringContainsString($why, $printed);
        }
        $bytes = (string) file_get_contents($file);
        foreach ([
            'cut' => substr($bytes, 0, -500),
            'bent' => substr_replace($bytes, chr(ord($bytes[5000]) ^ 1), 5000, 1),
        ] as $how => $damaged) {
            file_put_contents($this->folder.'/'.$how.'.tar.gz.enc', $damaged);
            [$code, $printed] = $this->shell(
                'EVEN_RUNGS_PASSPHRASE="three knots" bash ops/restore.sh '.escapeshellarg($this->folder.'/'.$how.'.tar.gz.enc'),
            );
            self::assertSame(1, $code, $how);
            self::assertStringContainsString('Nothing was changed', $printed);
        }
        [$code] = $this->artisan("studio take-out 'Slipway Studio'");
        self::assertSame(1, $code, 'a refused restore restored nothing');

        [$code, $printed] = $this->shell('EVEN_RUNGS_PASSPHRASE="three knots" bash ops/restore.sh '.escapeshellarg($file));
        self::assertSame(0, $code, $printed);
        self::assertSame($before, $this->takenOut());
        [$code, $printed] = $this->shell('EVEN_RUNGS_PASSPHRASE="three knots" bash ops/restore.sh '.escapeshellarg($file));
        self::assertSame(1, $code);
        self::assertStringContainsString('there is a studio here already', $printed);
    }
}
