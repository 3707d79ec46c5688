<?php

declare(strict_types=1);

namespace App\Http;

use EvenRungs\Formats\Problem;
use EvenRungs\Storage\Schemas;
use stdClass;

/**
 * The schema of each request by itself: its component of the API document with those that it refers to, and nothing else of the document.
 */
final class RequestChecks
{
    private const BASE = 'https://even-rungs.example/api/';

    private const COMPONENTS = '#/components/schemas/';

    /** @var array<string, string>|null */
    private ?array $texts = null;

    /** @param  ?string  $kept  PHP file that the start wrote; null where the document itself is read */
    public function __construct(private readonly string $document, private readonly ?string $kept)
    {
    }

    /**
     * @param  mixed  $document  decoded with objects as objects
     * @return list<Problem> everything that is wrong with it as this component; empty when nothing is
     */
    public function problems(string $component, mixed $document): array
    {
        $address = self::BASE.$component.'.json';
        $texts = $this->texts ??= $this->kept !== null && is_file($this->kept) ? require $this->kept : $this->all();
        Schemas::register($address, $texts[$component]);

        return Schemas::checkUri($address, $document);
    }

    /** @return array<string, string> schemas as JSON, by component */
    public function all(): array
    {
        $schemas = json_decode((string) file_get_contents($this->document), false, 64, JSON_THROW_ON_ERROR)->components->schemas;
        $texts = [];
        foreach (array_keys((array) $schemas) as $component) {
            $used = new stdClass;
            self::use($schemas, (string) $component, $used);
            $texts[$component] = json_encode([
                '$id' => self::BASE.$component.'.json',
                '$ref' => self::COMPONENTS.$component,
                'components' => ['schemas' => $used],
            ], JSON_THROW_ON_ERROR | JSON_PRESERVE_ZERO_FRACTION | JSON_UNESCAPED_UNICODE);
        }

        return $texts;
    }

    /** Adds a component to those that are used, and all that it refers to. */
    private static function use(stdClass $schemas, string $component, stdClass $used): void
    {
        if (! isset($used->{$component})) {
            $used->{$component} = $schemas->{$component};
            self::follow($schemas, $schemas->{$component}, $used);
        }
    }

    private static function follow(stdClass $schemas, mixed $part, stdClass $used): void
    {
        foreach (is_array($part) || $part instanceof stdClass ? (array) $part : [] as $key => $value) {
            if ($key === '$ref' && is_string($value) && str_starts_with($value, self::COMPONENTS)) {
                self::use($schemas, substr($value, strlen(self::COMPONENTS)), $used);
            }
            self::follow($schemas, $value, $used);
        }
    }
}
