<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\Dose\Dose;
use EvenRungs\Core\Dose\Rounds;
use EvenRungs\Core\Dose\Side;
use EvenRungs\Core\Dose\Work;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Program\Block;
use EvenRungs\Core\Program\Change;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Entry;
use EvenRungs\Core\Program\Kind;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\RestBlock;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Program\StraightBlock;
use EvenRungs\Core\Program\Week;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Time\Weekday;
use EvenRungs\Core\Unreadable;

/**
 * A program as trainers jot it down: one line an exercise, the name before the dose, under headings for weeks and days.
 *
 *     Week 1
 *     Monday, after lifting, 20 min
 *     warm-up 2 min
 *     Dead bug 2 x 10 alt 2-0-2-0 r30
 *     3 rounds 50:25
 *     Bicycle crunch
 *     Side plank
 *     straight
 *     Front plank 3 x 30 s, rest 30
 *     rest 1 min
 *     cool-down 90 s
 */
final class ProgramText
{
    private const MOST_LINES = 2000;

    private const LONGEST_LINE = 500;

    /** As many as a week of the program format holds. */
    private const MOST_SESSIONS = 21;

    private const KINDS = [
        'after sport' => Kind::AfterSport,
        'after' => Kind::AfterLift,
        'before' => Kind::BeforeLift,
        'switch-on' => Kind::Activation,
        'activation' => Kind::Activation,
    ];

    /** @var list<Problem> */
    private array $problems = [];

    /** @var array<int, list<Session>> by week */
    private array $weeks = [];

    private int $week = 1;

    private Weekday $day = Weekday::Monday;

    private Kind $kind = Kind::Standalone;

    private ?Seconds $claimed = null;

    private Seconds $warmUp;

    private Seconds $coolDown;

    private Change $change;

    /** @var list<Block> */
    private array $blocks = [];

    /** @var list<Entry> of the block that is open */
    private array $entries = [];

    /** @var array{rounds: int, work: ?Seconds, rest: Seconds}|null of the circuit that is open */
    private ?array $circuit = null;

    private function __construct()
    {
        $this->warmUp = $this->coolDown = Seconds::zero();
        $this->change = Change::none();
    }

    /** @throws UnusableInput naming every line that cannot be read */
    public static function read(string $text): Program
    {
        $reader = new self;
        $lines = preg_split('/\R/u', $text);
        if ($lines === false) {
            throw UnusableInput::at('line 1', 'the text is not UTF-8');
        }
        if (count($lines) > self::MOST_LINES) {
            throw UnusableInput::at('line '.self::MOST_LINES, sprintf('is the last line that is read; there are %d', count($lines)));
        }
        foreach ($lines as $i => $line) {
            if (mb_strlen($line) > self::LONGEST_LINE) {
                throw UnusableInput::at(
                    'line '.($i + 1),
                    sprintf('has %d characters; a line has at most %d', mb_strlen($line), self::LONGEST_LINE),
                );
            }
            try {
                $reader->line(trim((string) preg_replace('/^\s*(?:[-•*]|\d+[.)])\s+/u', '', $line)));
            } catch (InvalidValue $e) {
                $reader->problems[] = new Problem('line '.($i + 1), $e->sentence);
            }
        }
        $reader->endSession();
        if ($reader->problems !== []) {
            throw new UnusableInput($reader->problems);
        }
        if ($reader->weeks === []) {
            throw UnusableInput::at('line 1', 'there is no exercise in this text');
        }
        ksort($reader->weeks);

        return new Program(
            array_map(
                static fn (int $number, array $sessions): Week => new Week($number, [], $sessions),
                array_keys($reader->weeks),
                $reader->weeks,
            ),
        );
    }

    /** @throws InvalidValue */
    private function line(string $line): void
    {
        $small = mb_strtolower($line);
        if ($small === '' || str_starts_with($small, '#')) {
            return;
        }
        if (preg_match('/^week (\d{1,3})\b[:.]?$/', $small, $m) === 1) {
            $this->endSession();
            $this->week = max(1, (int) $m[1]);
        } elseif (preg_match('/^(mon|tue|wed|thu|fri|sat|sun)(?:[a-z]*day|s|rs|nes|ur)?\b[:.,]?(.*)$/', $small, $m) === 1) {
            $this->startDay(Weekday::from($m[1]), $m[2]);
        } elseif (preg_match('/^(warm|cool)[- ]?(?:up|down)\b:?\s*(.+)$/', $small, $m) === 1) {
            $m[1] === 'warm' ? $this->warmUp = self::time($m[2]) : $this->coolDown = self::time($m[2]);
        } elseif (preg_match(
            '/^changes?:?\s*(?:sides?\s*)?(\S+)\s*(?:sides?)?[,\/]?\s*(?:and\s*)?(?:stations?\s*)?(\S+)/',
            $small,
            $m,
        ) === 1) {
            $this->change = new Change(self::time($m[1]), self::time($m[2]));
        } elseif (preg_match('/^rest\b:?\s*(\d\S*(?: ?(?:s|sec|min)\w*)?)$/', $small, $m) === 1) {
            $this->endBlock();
            $this->blocks[] = new RestBlock(self::time($m[1]), Seconds::zero());
        } elseif (($rounds = Rounds::parse($small)) !== null) {
            $this->endBlock();
            $this->circuit = ['rounds' => $rounds->count, 'work' => $rounds->work, 'rest' => $rounds->rest ?? Seconds::zero()];
        } elseif (preg_match('/^straight(?: sets)?:?$/', $small) === 1) {
            $this->endBlock();
        } else {
            $this->entries[] = $this->entry($line);
        }
    }

    /** @throws InvalidValue */
    private static function time(string $text): Seconds
    {
        $text = trim($text);
        if (preg_match('/^(\d+(?:\.\d+)?) ?min(?:utes?|s)?$/', $text, $m) === 1) {
            return Seconds::of(60 * (float) $m[1]);
        }

        return Seconds::parse((string) preg_replace('/ ?(?:seconds?|secs?)$/', 's', $text));
    }

    private function startDay(Weekday $day, string $rest): void
    {
        $this->endSession();
        if (count($this->weeks[$this->week] ?? []) >= self::MOST_SESSIONS) {
            throw Contradiction::because(
                sprintf(
                    'week %d has %d sessions already; write "Week %d" above the next',
                    $this->week,
                    self::MOST_SESSIONS,
                    $this->week + 1,
                ),
            );
        }
        $this->day = $day;
        $this->kind = Kind::Standalone;
        foreach (self::KINDS as $word => $kind) {
            if (str_contains($rest, $word)) {
                $this->kind = $kind;
                break;
            }
        }
        $this->claimed = match (true) {
            preg_match('/(\d+:\d\d(?:\.\d+)?) ?min/', $rest, $m) === 1 => Seconds::parse($m[1]),
            preg_match('/(\d+(?:\.\d+)?) ?min/', $rest, $m) === 1 => Seconds::of(60 * (float) $m[1]),
            default => null,
        };
    }

    /** @throws InvalidValue when there is no dose, or it is not understood */
    private function entry(string $line): Entry
    {
        $problem = null;
        preg_match_all('/(?<=[\s:,–-])(?=[\d(])/u', $line, $m, PREG_OFFSET_CAPTURE);
        foreach ($m[0] as [, $offset]) {
            $name = trim(substr($line, 0, $offset), " \t:,–-");
            // behind the beginning of a dose no other begins: a number is never taken for another measure
            if ($name === '' || preg_match('/\d ?(?:x|×|sets?\b|reps?\b|to\b|-|–)/iu', $name) === 1) {
                continue;
            }
            try {
                return $this->inBlock($name, ...JottedDose::read(substr($line, $offset)));
            } catch (InvalidValue $e) {
                $problem ??= $e;
            }
        }
        if ($this->circuit !== null && $this->circuit['work'] !== null && $problem === null) {
            $perSide = preg_match('/^(.+?),? (?:each side|per side|\/s)$/i', $line, $m) === 1;

            return new Entry(
                $perSide ? $m[1] : $line,
                new Dose(new Work($this->circuit['work']), 1, $perSide ? Side::Each : null, $this->circuit['rest']),
            );
        }
        throw $problem ?? Unreadable::because(
            sprintf(
                '"%s" has no dose; write the name, then sets × reps or seconds, such as "Dead bug 2 × 8 /s"',
                mb_substr($line, 0, 60),
            ),
        );
    }

    private function inBlock(string $name, Dose $dose, ?string $note): Entry
    {
        if ($this->circuit !== null && $dose->rest === null) {
            $dose = $dose->withRest($this->circuit['rest']);
        }

        return new Entry($name, $dose, $note);
    }

    private function endBlock(): void
    {
        if ($this->entries !== []) {
            try {
                $this->blocks[] = $this->circuit === null
                    ? new StraightBlock($this->entries, Seconds::zero())
                    : new CircuitBlock($this->entries, $this->circuit['rounds'], Seconds::zero(), Seconds::zero());
            } catch (InvalidValue $e) {
                $this->problems[] = new Problem($this->day->label(), $e->sentence);
            }
        }
        $this->entries = [];
        $this->circuit = null;
    }

    private function endSession(): void
    {
        $this->endBlock();
        if ($this->blocks !== []) {
            try {
                $this->weeks[$this->week][] = new Session(
                    $this->day,
                    $this->kind,
                    $this->blocks,
                    $this->warmUp,
                    $this->coolDown,
                    $this->change,
                    $this->claimed,
                );
            } catch (InvalidValue $e) {
                $this->problems[] = new Problem($this->day->label(), $e->sentence);
            }
        }
        $this->blocks = [];
        $this->warmUp = $this->coolDown = Seconds::zero();
        $this->claimed = null;
    }
}
