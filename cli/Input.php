<?php

declare(strict_types=1);

namespace EvenRungs\Cli;

use DateTimeImmutable;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Style\Style;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\ProgramCsv;
use EvenRungs\Formats\ProgramJson;
use EvenRungs\Formats\ProgramText;
use EvenRungs\Formats\SessionJson;
use EvenRungs\Formats\UnusableInput;
use EvenRungs\Storage\DataFolder;
use EvenRungs\Storage\Schemas;
use Generator;

/**
 * What a job command is given: a file or standard input, read, checked against its schema.
 */
final class Input
{
    /** The document that is worked on, where many come one a line. */
    private ?string $given = null;

    /** @var array<string, Style> by name */
    private array $styles = [];

    /** @param  resource  $in */
    public function __construct(private readonly DataFolder $data, private $in)
    {
    }

    /** The day of the newest session of a history. */
    public static function lastDay(Node $history): ?DateTimeImmutable
    {
        $days = array_filter($history->each('sessions', static fn (Node $session): ?DateTimeImmutable => $session->optionalDay('date')));

        return $days === [] ? null : max($days);
    }

    /** The day that --on names; null where it is not given. */
    public static function on(Arguments $arguments): ?DateTimeImmutable
    {
        $text = $arguments->value('--on');

        return $text === null ? null : Node::day($text) ?? throw UnusableInput::at(
            '--on',
            sprintf('must be a day written YYYY-MM-DD, not "%s"', mb_substr($text, 0, 40)),
        );
    }

    /** A session alone is audited as a week that has no other. */
    public function programOrSession(object $document): Program
    {
        if (($document->format ?? null) !== SessionJson::FORMAT) {
            return $this->program($document);
        }
        $node = $this->checked('session', $document);

        return new Program([new Week(1, [], [$node->guard(static fn (): Session => SessionJson::read($node))])]);
    }

    public function program(object $document): Program
    {
        if (($document->format ?? null) !== ProgramJson::FORMAT) {
            throw UnusableInput::at('/format', sprintf('must be "%s" or "%s"', SessionJson::FORMAT, ProgramJson::FORMAT));
        }

        return (new ProgramJson($this->data->clients()))->read($this->checked('program', $document));
    }

    public function document(Arguments $arguments): object
    {
        $format = $arguments->value('--format');
        if ($format !== null && $format !== 'json') {
            throw UnusableInput::at('--format', 'must be json: this command reads no other format');
        }

        return Json::decode($this->text($arguments));
    }

    /**
     * A program that is not JSON: CSV or lines as trainers jot them, as asked for; CSV too where nothing is asked for and the input does
     * not begin like a JSON object.
     */
    public function jotted(Arguments $arguments, string $text): ?Program
    {
        $isJson = trim($text) === '' || str_starts_with(ltrim($text, "\u{FEFF} \t\r\n"), '{');

        return match ($arguments->value('--format') ?? ($isJson ? 'json' : 'csv')) {
            'json' => null,
            'csv' => ProgramCsv::read($text),
            'text' => ProgramText::read($text),
            default => throw UnusableInput::at('--format', 'must be json, csv or text'),
        };
    }

    public function text(Arguments $arguments): string
    {
        if ($this->given !== null) {
            return $this->given;
        }
        $file = $arguments->operands[0] ?? '-';

        return $file === '-' ? (string) stream_get_contents($this->in, Json::LARGEST + 1) : $this->fileText($file);
    }

    public function give(string $document): void
    {
        $this->given = $document;
    }

    /**
     * @return Generator<int, string> each line, without what of it is beyond the largest document and a byte
     *
     * @throws UnusableInput where there is no such file
     */
    public function lines(Arguments $arguments): Generator
    {
        $file = $arguments->operands[0] ?? '-';
        $from = $file === '-' ? $this->in : (is_file($file) ? @fopen($file, 'r') : false);
        if ($from === false) {
            throw UnusableInput::at($file, 'is not a file that can be read');
        }
        while (($line = fgets($from, Json::LARGEST + 2)) !== false) {
            for ($rest = $line; ! str_ends_with($rest, "\n") && ! feof($from);) {
                $rest = (string) fgets($from, Json::LARGEST + 2);
            }
            yield rtrim($line, "\r\n");
        }
    }

    /** @throws UnusableInput when there is none of that name */
    public function style(string $name): Style
    {
        return $this->styles[$name] ??= $this->data->style($name);
    }

    public function fileText(string $file): string
    {
        return self::whole($file, Json::LARGEST + 1);
    }

    /** @param  int<0, max>|null  $most  bytes that are read; null for all */
    public static function whole(string $file, ?int $most = null): string
    {
        if (! is_file($file) || ! is_readable($file)) {
            throw UnusableInput::at($file, 'is not a file that can be read');
        }

        return (string) file_get_contents($file, false, null, 0, $most);
    }

    public function checked(string $schema, object $document): Node
    {
        $problems = Schemas::check($schema, $document);
        if ($problems !== []) {
            throw new UnusableInput($problems);
        }

        return new Node(Json::toArray($document));
    }
}
