<?php

declare(strict_types=1);

namespace Tests\Formats;

use EvenRungs\Core\Ladder\Library;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\KeptLibrary;
use PHPUnit\Framework\Attributes\DataProvider;
use PHPUnit\Framework\TestCase;

/**
 * The built library comes back from where it is kept as it was built.
 */
final class KeptLibraryTest extends TestCase
{
    private string $folder;

    protected function setUp(): void
    {
        $this->folder = sys_get_temp_dir().'/even-rungs-'.bin2hex(random_bytes(6));
        mkdir($this->folder);
    }

    protected function tearDown(): void
    {
        array_map(unlink(...), glob($this->folder.'/*') ?: []);
        rmdir($this->folder);
    }

    /** @return array<string, array{bool}> */
    public static function ways(): array
    {
        return ['as PHP that workers share' => [true], 'packed' => [false]];
    }

    #[DataProvider('ways')]
    public function test_what_is_kept_is_what_was_built(bool $asCode): void
    {
        $shipped = DataFolder::shipped()->shippedLibrary();
        $own = $shipped->with([$shipped->ladder('plank')], ['our word' => 'forearm-plank', "it's \$quoted \\ Å" => 'heel-taps']);
        foreach (['' => $shipped, '-studio' => $own] as $place => $library) {
            $this->kept($asCode, 'one')->keep($library, $place, 'key');
            $found = $this->kept($asCode, 'one')->find($place, 'key');

            self::assertInstanceOf(Library::class, $found);
            self::assertEquals(self::unpacked($library), self::unpacked($found));
            foreach ($library->rungs() as $rung) {
                self::assertSame($found->rung($rung->id), $found->find($rung->name), 'one rung, however it is found');
            }
        }
        self::assertSame('forearm-plank', $this->kept($asCode, 'one')->find('-studio', 'key')?->find('our word')?->id);
        self::assertNull($this->kept($asCode, 'one')->find('', 'another key'));
        self::assertNull($this->kept($asCode, 'changed since')->find('', 'key'));
    }

    public function test_files_of_php_are_never_changed_and_old_ones_go(): void
    {
        $library = DataFolder::shipped()->shippedLibrary();
        $this->kept(true, 'one')->keep($library, '-studio', 'key');
        $first = glob($this->folder.'/*.php');
        $this->kept(true, 'one')->keep($library, '-studio', 'new key');
        $second = glob($this->folder.'/*.php');

        self::assertCount(1, $first ?: []);
        self::assertCount(1, $second ?: []);
        self::assertNotSame($first, $second);
        $read = 0;
        $tables = function () use (&$read): array {
            $read++;

            return ['goals.json' => [['id' => 'general', 'share' => 0.5, 'none' => null]]];
        };
        self::assertSame($tables(), $this->kept(true, 'one')->tables($tables));
        self::assertSame($tables(), $this->kept(true, 'one')->tables($tables));
        self::assertSame(3, $read, 'once to be kept, and twice here');
        self::assertNull($this->kept(false, 'one')->tables($tables));
    }

    private static function unpacked(Library $library): Library
    {
        foreach ([...$library->ladders, ...array_values($library->preparation)] as $ladder) {
            foreach ([...$ladder->rungs, ...$ladder->retired] as $rung) {
                $rung->coaching();
                $rung->figure();
            }
        }

        return $library;
    }

    private function kept(bool $asCode, string $served): KeptLibrary
    {
        return new KeptLibrary('data', $this->folder.'/library', $served, $asCode);
    }
}
