<?php

declare(strict_types=1);

namespace EvenRungs\Storage;

use EvenRungs\Formats\Node;
use RuntimeException;

/**
 * The files of the shipped tables, each read once.
 */
final class Tables
{
    public const POSES = 'poses.json';

    /** Folders of the small tables, that are asked for beside the ladders. */
    private const SMALL = ['*', 'sessions/*', 'styles/*'];

    /** @var array<string, array<mixed>>|null what was read, by file */
    private ?array $read = null;

    /** @var array<string, list<string>> names of files, by folder */
    private array $names = [];

    public function __construct(private readonly string $folder, private readonly KeptLibrary $kept)
    {
    }

    /** @return list<string> the names of the files of a folder, without their ending */
    public function names(string $folder): array
    {
        return $this->names[$folder] ??= array_map(
            static fn (string $file): string => basename($file, '.json'),
            $this->files($folder.'/*'),
        );
    }

    /** @param  ?string  $as wraps a file that holds a list under this name */
    public function node(string $file, ?string $as = null): Node
    {
        $this->read ??= $this->kept->tables($this->small(...)) ?? [];
        $value = $this->read[$file] ??= $this->file($file);

        return new Node($as === null ? $value : [$as => $value]);
    }

    /** @return array<mixed> */
    private function file(string $file): array
    {
        $text = file_get_contents($this->folder.'/'.$file);
        $value = json_decode($text === false ? '' : $text, true, 128, JSON_THROW_ON_ERROR);

        return is_array($value) ? $value : throw new RuntimeException(sprintf('%s holds no table', $file));
    }

    /** @return array<string, array<mixed>> by file */
    private function small(): array
    {
        $tables = [];
        foreach (array_merge(...array_map($this->files(...), self::SMALL)) as $file) {
            $tables[$file] = $this->file($file);
        }

        // the figures of the ladders are drawn from them once, and no page asks for them
        return array_diff_key($tables, [self::POSES => 0]);
    }

    /** @return list<string> files within the folder of the tables */
    private function files(string $pattern): array
    {
        $found = glob($this->folder.'/'.$pattern.'.json');

        return array_map(fn (string $path): string => substr($path, strlen($this->folder) + 1), $found === false ? [] : $found);
    }
}
