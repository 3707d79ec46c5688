<?php

declare(strict_types=1);

namespace EvenRungs\Storage;

use EvenRungs\Core\Ladder\Library;

/**
 * The built library in a file, for processes that live for one request.
 */
final class KeptLibrary
{
    /** @param  ?string  $cache  where it is kept; null keeps none */
    public function __construct(private readonly string $folder, private readonly ?string $cache)
    {
    }

    /**
     * The library as it was kept, unless the tables or the code that builds it have changed since.
     *
     * @param  string  $place  what the file's name ends with
     * @param  string  $key  of the studio's own tables; empty for the shipped ones
     */
    public function find(string $place, string $key): ?Library
    {
        if ($this->cache === null || ! is_file($this->cache.$place)) {
            return null;
        }
        [$stamp, $kept] = [...explode("\n", (string) file_get_contents($this->cache.$place), 2), ''];
        // what an older version of the code kept cannot always be read, so the stamp is looked at first
        $library = $stamp === $this->stamp().$key ? unserialize($kept) : null;

        return $library instanceof Library ? $library : null;
    }

    public function keep(Library $library, string $place, string $key): Library
    {
        if ($this->cache !== null && is_dir(dirname($this->cache))) {
            $new = $this->cache.$place.'.'.getmypid();
            file_put_contents($new, $this->stamp().$key."\n".serialize($library));
            rename($new, $this->cache.$place);
        }

        return $library;
    }

    /** Names, sizes and times of everything the library is made of. */
    private function stamp(): string
    {
        $files = [];
        foreach (['/*.json', '/*/*.json', '/../core/*/*.php', '/../formats/*.php', '/../storage/*.php'] as $pattern) {
            $found = glob($this->folder.$pattern);
            $files = [...$files, ...($found === false ? [] : $found)];
        }

        return md5(implode("\n", array_map(static fn (string $file): string => $file.filesize($file).filemtime($file), $files)));
    }
}
