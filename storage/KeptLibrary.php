<?php

declare(strict_types=1);

namespace EvenRungs\Storage;

use Closure;
use EvenRungs\Core\Ladder\Library;

/**
 * The built library in a file, for processes that live for one request: as PHP where workers share what they have compiled, else packed.
 */
final class KeptLibrary
{
    private ?string $stamp = null;

    /**
     * @param  ?string  $cache  where it is kept; null keeps none
     * @param  ?string  $served  what changes whenever tables or code do, where whoever started this process knows it
     * @param  bool  $asCode  whether workers share what they have compiled
     */
    public function __construct(
        private readonly string $folder,
        private readonly ?string $cache,
        private readonly ?string $served = null,
        private readonly bool $asCode = PHP_SAPI === 'fpm-fcgi',
    ) {
    }

    /**
     * The library as it was kept, unless the tables or the code that builds it have changed since.
     *
     * @param  string  $place  what the file's name ends with
     * @param  string  $key  of the studio's own tables; empty for the shipped ones
     */
    public function find(string $place, string $key): ?Library
    {
        if ($this->cache === null) {
            return null;
        }
        if ($this->asCode) {
            $library = @include $this->code($place, $key);

            return $library instanceof Library ? $library : null;
        }
        if (! is_file($this->cache.$place)) {
            return null;
        }
        [$stamp, $kept] = [...explode("\n", (string) file_get_contents($this->cache.$place), 2), ''];
        // what an older version of the code kept cannot always be read, so the stamp is looked at first
        $library = $stamp === $this->stamp().$key ? unserialize($kept) : null;

        return $library instanceof Library ? $library : null;
    }

    public function keep(Library $library, string $place, string $key): Library
    {
        if ($this->cache === null || ! is_dir(dirname($this->cache))) {
            return $library;
        }
        $this->asCode
            ? $this->write($place, $this->code($place, $key), LibraryCode::of($library))
            : $this->write($place, $this->cache.$place, $this->stamp().$key."\n".serialize($library));

        return $library;
    }

    /**
     * The small tables as they are written, where workers share them.
     *
     * @param  Closure(): array<string, array<mixed>>  $read
     * @return array<string, array<mixed>>|null by file; null where every process reads what it needs
     */
    public function tables(Closure $read): ?array
    {
        if ($this->cache === null || ! $this->asCode) {
            return null;
        }
        /** @var array<string, array<mixed>>|false $tables */
        $tables = @include $this->code('-tables', '');
        if (! is_array($tables)) {
            $tables = $read();
            $this->write('-tables', $this->code('-tables', ''), '<?php return '.var_export($tables, true).';');
        }

        return $tables;
    }

    private function write(string $place, string $file, string $text): void
    {
        $new = $file.'.'.getmypid();
        file_put_contents($new, $text);
        rename($new, $file);
        foreach ($this->asCode ? self::files($this->cache.$place.'.*.php') : [] as $older) {
            $older === $file || @unlink($older);
        }
    }

    /** A file of PHP is never changed: what has been compiled of it is not looked at again. */
    private function code(string $place, string $key): string
    {
        return $this->cache.$place.'.'.md5($this->stamp().$key).'.php';
    }

    /** Names, sizes and times of everything the library is made of. */
    private function stamp(): string
    {
        if ($this->stamp === null) {
            $patterns = ['/*.json', '/*/*.json', '/../core/*/*.php', '/../formats/*.php', '/../storage/*.php'];
            $files = $this->served === null
                ? array_merge(...array_map(fn (string $pattern): array => self::files($this->folder.$pattern), $patterns))
                : [];
            $this->stamp = $this->served ?? md5(
                implode("\n", array_map(static fn (string $file): string => $file.filesize($file).filemtime($file), $files)),
            );
        }

        return $this->stamp;
    }

    /** @return list<string> */
    private static function files(string $pattern): array
    {
        $found = glob($pattern);

        return $found === false ? [] : $found;
    }
}
