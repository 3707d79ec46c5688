<?php

declare(strict_types=1);

namespace EvenRungs\Storage;

use EvenRungs\Formats\Node;
use EvenRungs\Formats\Problem;
use EvenRungs\Formats\Validation\Parser;
use Opis\JsonSchema\Errors\ValidationError;
use Opis\JsonSchema\Exceptions\SchemaException;
use Opis\JsonSchema\Resolvers\SchemaResolver;
use Opis\JsonSchema\SchemaLoader;
use Opis\JsonSchema\Validator;

/**
 * The JSON Schemas of the product's documents, and the check of a document against one of them.
 */
final class Schemas
{
    public const BASE = 'https://even-rungs.example/formats/schemas/';

    private const FOLDER = __DIR__.'/../formats/schemas';

    private const MOST_ERRORS = 10_000;

    private static ?Validator $validator = null;

    /** @return list<string> */
    public static function names(): array
    {
        $files = glob(self::FOLDER.'/*.json');

        return array_map(static fn (string $file): string => basename($file, '.json'), $files === false ? [] : $files);
    }

    /** @return string the text of a schema; null where there is none of that name */
    public static function text(string $name): ?string
    {
        return in_array($name, self::names(), true) ? (string) file_get_contents(self::FOLDER.'/'.$name.'.json') : null;
    }

    /**
     * @param  mixed  $document  decoded with objects as objects
     * @return list<Problem> everything that is wrong; empty when nothing is
     */
    public static function check(string $name, mixed $document): array
    {
        return self::checkUri(self::BASE.$name.'.json', $document);
    }

    /** @return list<Problem> */
    public static function checkUri(string $uri, mixed $document): array
    {
        try {
            $error = self::validator()->validate($document, $uri)->error();
        } catch (SchemaException $e) {
            return [new Problem('/', 'the schema itself is broken: '.$e->getMessage())];
        }
        $problems = [];
        if ($error !== null) {
            foreach (self::problems($error) as $problem) {
                $problems[$problem->toLine()] = $problem;
            }
        }

        return array_values($problems);
    }

    /** Lets a schema be checked and referred to by its address. */
    public static function register(string $address, string $text): void
    {
        self::validator()->resolver()?->registerRaw($text, $address);
    }

    private static function validator(): Validator
    {
        if (self::$validator === null) {
            $parser = new Parser([], Parser::ONLY_THE_STANDARD);
            self::$validator = new Validator(new SchemaLoader($parser, new SchemaResolver), self::MOST_ERRORS, false);
            self::$validator->resolver()?->registerPrefix(self::BASE, self::FOLDER);
        }

        return self::$validator;
    }

    /** @return list<Problem> */
    private static function problems(ValidationError $error): array
    {
        $own = self::ownMessage($error);
        if ($own !== null) {
            return [self::problem($error, $own)];
        }
        if ($error->subErrors() !== []) {
            $problems = [];
            foreach ($error->subErrors() as $sub) {
                $problems = [...$problems, ...$sub instanceof ValidationError ? self::problems($sub) : []];
            }

            return $problems;
        }
        $args = $error->args();
        $names = static fn (mixed $list): array => array_values(array_filter((array) $list, is_string(...)));

        return match ($error->keyword()) {
            'required' => array_map(
                static fn (string $name): Problem => self::problem($error, 'is required', $name),
                $names($args['missing'] ?? []),
            ),
            'dependentRequired' => array_map(
                static fn (string $name): Problem => self::problem($error, 'is required beside the others', $name),
                $names($args['missing'] ?? []),
            ),
            'additionalProperties' => array_map(
                static fn (string $name): Problem => self::problem(
                    $error,
                    'is not a field of this document'.self::nearest($name, $error),
                    $name,
                ),
                // where a known field is wrong, the validator counts its neighbours as additional too
                array_values(array_diff($names($args['properties'] ?? []), self::knownFields($error))),
            ),
            default => [self::problem($error, self::sentence($error))],
        };
    }

    private static function problem(ValidationError $error, string $message, ?string $field = null): Problem
    {
        $path = $field === null ? $error->data()->fullPath() : [...$error->data()->fullPath(), $field];

        return new Problem(Node::pointer($path), $message);
    }

    /** The sentence that a schema gives for a keyword of its own under `$error`. */
    private static function ownMessage(ValidationError $error): ?string
    {
        $schema = $error->schema()->info()->data();
        $messages = is_object($schema) ? ($schema->{'$error'} ?? null) : null;
        $message = is_object($messages) ? ($messages->{$error->keyword()} ?? null) : null;

        if (! is_string($message)) {
            return null;
        }
        $value = $error->data()->value();

        return str_replace('{value}', is_scalar($value) ? self::shown($value) : 'this', $message);
    }

    private static function nearest(string $name, ValidationError $error): string
    {
        $best = null;
        foreach (self::knownFields($error) as $candidate) {
            $distance = levenshtein(substr($name, 0, 100), $candidate);
            if ($distance <= 2 && ($best === null || $distance < $best[0])) {
                $best = [$distance, $candidate];
            }
        }

        return $best === null ? '' : sprintf('; is "%s" meant?', $best[1]);
    }

    /** @return list<string> */
    private static function knownFields(ValidationError $error): array
    {
        $schema = $error->schema()->info()->data();

        return is_object($schema) && is_object($schema->properties ?? null) ? array_map(
            strval(...),
            array_keys((array) $schema->properties),
        ) : [];
    }

    private static function sentence(ValidationError $error): string
    {
        $args = $error->args();
        $value = $error->data()->value();
        $schema = $error->schema()->info()->data();
        $given = is_scalar($value) ? ', not '.self::shown($value) : '';
        $of = static fn (string $key): string => isset($args[$key]) && is_scalar($args[$key]) ? self::shown($args[$key]) : '';
        $listed = static fn (string $key): string => is_object($schema) && is_array($schema->{$key} ?? null)
            ? implode(
                ', ',
                array_map(static fn (mixed $each): string => is_scalar($each) || $each === null ? self::shown($each) : '', $schema->{$key}),
            )
            : '';

        return match ($error->keyword()) {
            'type' => sprintf(
                'must be %s%s',
                self::typeName($args['expected'] ?? ''),
                $given === '' ? ', not '.self::typeName($args['type'] ?? '') : $given,
            ),
            'enum' => 'must be one of '.$listed('enum').$given,
            'const' => 'must be '.(
                is_object($schema) && is_scalar($schema->const ?? null) ? self::shown($schema->const) : 'the fixed value'
            ).$given,
            'minimum' => sprintf('must be %s or more%s', $of('min'), $given),
            'maximum' => sprintf('must be %s or less%s', $of('max'), $given),
            'exclusiveMinimum' => sprintf('must be over %s%s', $of('min'), $given),
            'minLength' => $of('min') === '1' ? 'must not be empty' : sprintf('must have at least %s characters', $of('min')),
            'maxLength' => sprintf('must have at most %s characters', $of('max')),
            'minItems' => $of('min') === '1' ? 'must not be empty' : sprintf('must have at least %s items', $of('min')),
            'maxItems' => sprintf('must have at most %s items', $of('max')),
            'pattern' => 'has not the right form'.$given,
            default => 'is not valid here ('.$error->keyword().')',
        };
    }

    private static function shown(bool|float|int|string|null $value): string
    {
        $text = json_encode($value, JSON_UNESCAPED_UNICODE | JSON_UNESCAPED_SLASHES | JSON_PARTIAL_OUTPUT_ON_ERROR);
        $text = $text === false ? '?' : $text;

        return mb_strlen($text) > 60 ? mb_substr($text, 0, 57).'…' : $text;
    }

    private static function typeName(mixed $type): string
    {
        $names = [
            'integer' => 'a whole number',
            'number' => 'a number',
            'string' => 'text',
            'object' => 'an object',
            'array' => 'a list',
            'boolean' => 'true or false',
            'null' => 'null',
        ];

        return implode(' or ', array_map(static fn (mixed $each): string => is_string($each) ? $names[$each] ?? $each : '', (array) $type));
    }
}
