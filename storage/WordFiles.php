<?php

declare(strict_types=1);

namespace EvenRungs\Storage;

use EvenRungs\Core\Sheet\Words;
use EvenRungs\Formats\UnusableInput;

/**
 * The languages in which a client can be spoken to: one file each under data/words.
 */
final class WordFiles
{
    public const DEFAULT = 'en';

    /** @var array<string, Words> */
    private array $read = [];

    public function __construct(private readonly string $folder)
    {
    }

    public static function shipped(): self
    {
        return new self(dirname(__DIR__).'/data/words');
    }

    /** @return list<string> two letters each, the default first */
    public function languages(): array
    {
        $found = array_map(static fn (string $file): string => basename($file, '.json'), glob($this->folder.'/*.json') ?: []);

        return array_values(array_unique([self::DEFAULT, ...$found]));
    }

    /** @throws UnusableInput where there is no such language */
    public function words(string $language): Words
    {
        if (! in_array($language, $this->languages(), true)) {
            throw UnusableInput::at('/language', sprintf(
                'there is no language "%s"; there are: %s',
                $language,
                implode(', ', $this->languages()),
            ));
        }

        return $this->read[$language] ??= $this->read($language);
    }

    private function read(string $language): Words
    {
        /** @var array{name: string, said: array<string, string>, phrases: array<string, string>} $file */
        $file = json_decode((string) file_get_contents("{$this->folder}/{$language}.json"), true, 512, JSON_THROW_ON_ERROR);

        return new Words($language, $file['name'], $file['said'], $file['phrases']);
    }
}
