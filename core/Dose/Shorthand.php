<?php

declare(strict_types=1);

namespace EvenRungs\Core\Dose;

use EvenRungs\Core\Contradiction;
use EvenRungs\Core\InvalidValue;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Core\Unreadable;
use EvenRungs\Core\Writing;

/**
 * A dose in one line, as trainers write it: `3 × 8 /s 3-1-3-1 r0:45`, `2 × 30 s`, `3 × (4 × 10 s / 5 s) /s`, `2 × 20 m /s`.
 *
 * `/s` is each side in turn, `/alt` alternating sides, neither is both at once; `r` is the rest after a set,
 * `@` the load, `30 cm`, `half range` or `75% range` the range.
 * Written and read in this one place, and what is written reads back to the same dose.
 */
final class Shorthand
{
    private const NUMBER = '\d+(?:\.\d{1,3})?';

    public static function write(Dose $dose): string
    {
        $parts = [$dose->sets.' × '.self::writeMeasure($dose->measure)];
        if ($dose->side !== null && $dose->side !== Side::Both) {
            $parts[] = $dose->side === Side::Each ? '/s' : '/alt';
        }
        if ($dose->measure instanceof Reps && $dose->measure->tempo !== null) {
            $parts[] = $dose->measure->tempo->toString();
        }
        if ($dose->loadKg !== null) {
            $parts[] = '@'.Writing::load($dose->loadKg);
        }
        if ($dose->range !== null) {
            $parts[] = $dose->range->toShort();
        }
        if ($dose->rest !== null) {
            $parts[] = 'r'.$dose->rest->toClock();
        }

        return implode(' ', $parts);
    }

    private static function writeMeasure(Measure $measure): string
    {
        return match (true) {
            $measure instanceof Reps => $measure->count.($measure->hold === null ? '' : ' × '.self::seconds($measure->hold)),
            $measure instanceof Hold => self::seconds($measure->time),
            $measure instanceof Intervals => sprintf(
                '(%d × %s / %s)',
                $measure->count,
                self::seconds($measure->hold),
                self::seconds($measure->break),
            ),
            $measure instanceof Work => self::seconds($measure->time).' work',
            $measure instanceof Distance => Writing::distance($measure->metres)
                .($measure->pace === null ? '' : ' at '.Writing::number($measure->pace).' m/s'),
            default => throw Contradiction::because('a measure that has no shorthand'),
        };
    }

    private static function seconds(Seconds $time): string
    {
        return Writing::number($time->toNumber()).' s';
    }

    /**
     * @throws InvalidValue when a part is not understood, with the part named
     */
    public static function parse(string $text): Dose
    {
        if (strlen($text) > 200) {
            throw Unreadable::because('a dose is one short line of at most 200 characters');
        }
        self::refuseWithoutNumber(mb_strtolower($text));
        $rest = self::tidy($text);
        if ($rest === '') {
            throw Unreadable::because('the dose is empty; write sets × reps or seconds, such as 3 × 8 each side or 2 × 20 s');
        }
        if (preg_match('/^(\d{1,4})x/', $rest, $m) !== 1) {
            throw Unreadable::because(sprintf('"%s" does not start with sets ×, such as 3 × 8', trim($text)));
        }
        $sets = (int) $m[1];
        [$build, $rest] = self::readMeasure(substr($rest, strlen($m[0])));

        $side = null;
        $tempo = null;
        $load = null;
        $range = null;
        $pause = null;
        foreach ($rest === '' ? [] : explode(' ', $rest) as $word) {
            if (isset(self::SIDES[$word]) && $side === null) {
                $side = self::SIDES[$word];
            } elseif (preg_match('/^[^-]*-[^-]*-.*$/', $word) === 1 && $tempo === null) {
                $tempo = Tempo::parse(strtoupper($word));
            } elseif (preg_match('/^@('.self::NUMBER.')(?:kg)?$/', $word, $m) === 1 && $load === null) {
                $load = self::numeric($m[1]);
            } elseif (preg_match('/^('.self::NUMBER.')%$/', $word, $m) === 1 && $range === null) {
                $range = Range::share(self::numeric($m[1]) / 100);
            } elseif (preg_match('/^('.self::NUMBER.')cm$/', $word, $m) === 1 && $range === null) {
                $range = Range::cm(self::numeric($m[1]));
            } elseif (preg_match('/^r(\S+)$/', $word, $m) === 1 && $pause === null) {
                $pause = Seconds::parse($m[1]);
            } else {
                throw Unreadable::because(sprintf(
                    '"%s" is not understood here; after the amount, each once: each side or alternating, tempo 3-1-3-1, 8 kg, rest 45',
                    $word,
                ));
            }
        }

        return new Dose($build($tempo), $sets, $side, $pause, $load, $range);
    }

    private const SIDES = ['/s' => Side::Each, '/side' => Side::Each, '/alt' => Side::Alternate];

    /** How trainers spell things, and the one spelling that is read. In this order. */
    private const SPELLINGS = [
        '/[×*✕]/u' => 'x',
        '/[–−]/u' => '-',
        '/[″”“"]/u' => 's',
        '/\s+/' => ' ',
        '/\b(\d+) ?sets? ?(?:of|x|,)? ?(?=[\d(])/' => '$1x',
        '/^(\d+) ?reps? ?x ?(\d+)(?: ?sets?)?(?=[ ,]|$)/' => '$2x$1',
        '/ ?\breps?\b\.?/' => '',
        '/\b(?:sec(?:ond)?s?|secs)\b\.?/' => 's',
        '/(?<=\d) ?(?:sec(?:ond)?s?)\b\.?/' => 's',
        '/(?<=\d),? (?:with )?(?:an? )?(\d+(?:\.\d+)?) ?s (?:holds?|held)\b/' => 'x$1s',
        '/(?<=\d),? (?:holds?|held)(?: for)? (\d+(?:\.\d+)?) ?s\b/' => 'x$1s',
        '/(?<=\d) ?breaths?\b/' => '',
        '/ ?\b(?:holds?|held)\b/' => '',
        '/\bmet(?:re|er)s?\b/' => 'm',
        '/,? ?(?:\/ ?|\bper |\beach |\bon each |\bof each )(?:side|leg|arm|hand)\b|,? ?\b(?:each|ea|e\/s|p\/s|l\/r|r\/l|left and '
            .'right|left\/right)\b(?! ?x)/' => ' /s',
        '/,? ?\/? ?\b(?:alternating|alternate|alt)\b(?: (?:sides?|legs?|arms?))?/' => ' /alt',
        '/\btempo:? ?(\d|x)(\d|x)(\d|x)(\d|x)\b/' => '$1-$2-$3-$4',
        '/\btempo:? ?/' => '',
        '/(?<!x )(?<=[\da-z)] )(\d)(\d)(\d)(\d)(?=[ ,]|$)(?! ?(?:s|m|kg|%|cm|work)\b)/' => '$1-$2-$3-$4',
        '/@ (?=\d)/' => '@',
        '/,? ?\brest(?:ing)?:? ?(?:of )?(?=\d)/' => ' r',
        '/ (\d[\d:.]*) ?s? rest\b/' => ' r$1',
        '/,? ?(?:@|\bwith |\bat )? ?(\d+(?:\.\d+)?) ?kgs?\b/' => ' @$1kg',
        '/(?<=[\da-z)%]),/' => ' ',
        '/ at (\d[\d.]*) ?m\/s(?= |$)/' => ' at$1mps',
        '/\s*x\s*(?=[\d(])/' => 'x',
        '/,? ?\bhalf (?:the |of the )?range\b/' => ' 50%',
        '/,? ?\bfull range\b/' => ' 100%',
        '/,? ?(?:\bat )?(\d+(?:\.\d+)?) ?% ?(?:of )?(?:the )?range\b/' => ' $1%',
        '/(?<=\d) ?(?:centimet(?:re|er)s?|cms?)\b(?: far| out)?/' => 'cm',
        '/(?<=\d) (?=(?:s|m|kg|%)(?: |$|\)|\/|x))/' => '',
        '/(?<=\d)s\s*\/\s*(?=\d)/' => 's/',
        '/(?<=[\d)sm])\/(s|side|alt)(?= |$)/' => ' /$1',
        '/\( /' => '(',
        '/ \)/' => ')',
        '/\br (?=\d)/' => 'r',
        '/^(\d+)x(\d[\d.]*)s?\/(\d[\d.]*)s?(?= |$)/' => '1x($1x$2s/$3s)',
        '/  +/' => ' ',
    ];

    /** Pounds, inches and feet, what one of them is, and how it is spelled then; kept to a tenth. */
    private const IMPERIAL = [
        '/,? ?(?:@|\bwith |\bat )? ?(\d+(?:\.\d+)?) ?(?:lbs?|pounds?)\b/' => [Writing::POUND_KG, ' @%skg'],
        '/(\d+(?:\.\d+)?) ?(?:inch(?:es)?|in)\b(?! ?\d)(?: far| out)?/' => [Writing::INCH_CM, '%scm'],
        '/(\d+(?:\.\d+)?) ?(?:ft|feet|foot)\b/' => [Writing::FOOT_METRES, '%sm'],
    ];

    /** One spelling: small letters, `x` for times, no blanks inside an amount, minutes as seconds, metric. */
    private static function tidy(string $text): string
    {
        $text = trim(mb_strtolower($text));
        $text = self::inSeconds($text);
        foreach (self::IMPERIAL as $spelling => [$one, $metric]) {
            $text = (string) preg_replace_callback(
                $spelling,
                static fn (array $m): string => sprintf($metric, Writing::number(round((float) $m[1] * $one, 1))),
                $text,
            );
        }
        foreach ([...Wording::SPELLINGS, ...self::SPELLINGS] as $spelling => $one) {
            $text = (string) preg_replace($spelling, $one, $text);
        }
        $text = trim($text);

        return (string) preg_replace(
            '/^(\d[\d.]*(?:s|m)?(?:x\d[\d.]*s)?)(?= |$)/',
            preg_match('/^\d{1,4}x\d{1,4}(?:\.\d+)?s?(?= |$)/', $text) === 1 ? '$1' : '1x$1',
            $text,
        );
    }

    /** `2 min`, `1:30` and `1 min 30 s` become seconds, except in a rest, which may stay. */
    private static function inSeconds(string $text): string
    {
        $text = (string) preg_replace_callback(
            '/(\d{1,3}(?:\.\d{1,2})?) ?(?:min(?:ute)?s?|\')(?: ?(\d{1,2}) ?(?:s|sec(?:ond)?s?)?)?(?![a-z\d])/',
            static fn (array $m): string => Writing::number(60 * (float) $m[1] + (float) ($m[2] ?? 0)).'s',
            $text,
        );

        return (string) preg_replace_callback(
            '/(?<=[x×(\/ ]|^)(\d{1,3}):([0-5]\d)(?![\d:])/u',
            static fn (array $m): string => (60 * (int) $m[1] + (int) $m[2]).'s',
            $text,
        );
    }

    /** @throws InvalidValue for what trainers write that names no number, with what to write instead */
    private static function refuseWithoutNumber(string $text): void
    {
        foreach ([
            '/(?<![a-wyz])(?:amrap|as many as|max(?:imum)?|to failure|until failure|to '
                .'exhaustion)\b/' => 'write how many or how long; the set still ends when the form goes',
            '/(?:(?<=x)|(?<=x )|(?<=of )|^)\d+ ?(?:-|–|to) ?\d+(?![-\d])/u' => 'is a range; choose one number, the start or the top',
            '/^\d+$/' => 'says neither repetitions nor seconds; write 1 × 8 or 1 × 8 s',
            '/\b(?:rpe|rir|%1rm)\b/' => 'effort is asked after the set; write how many or how long',
            '/@\s*\d{4}\b(?![\d.]* ?(?:lb|pound))/' => 'a tempo is written 3-1-3-1',
            '/\btempo:? ?\d{3}\b(?!\d)|(?<![-\d])\d-\d-\d(?![-\d])/' => 'a tempo has four parts: lowering, pause, lifting, '
                .'pause, such as 3-1-3-1',
            '/\bsuperset\b/' => 'write a circuit: 3 rounds, then one line an exercise',
        ] as $pattern => $help) {
            if (preg_match($pattern, $text, $m) === 1) {
                throw Unreadable::because(sprintf('"%s": %s', trim($m[0]), $help));
            }
        }
    }

    /**
     * @return array{callable(?Tempo): Measure, string} how to build the measure once the tempo is known, and the text behind it
     */
    private static function readMeasure(string $text): array
    {
        $n = self::NUMBER;
        $tail = '(?: (?<rest>.*))?$/';
        if (preg_match("/^\\(?(\\d{1,4})x($n)s?\\/($n)s?\\)?".$tail, $text, $m) === 1) {
            $measure = new Intervals((int) $m[1], Seconds::of((float) $m[2]), Seconds::of((float) $m[3]));
        } elseif (preg_match("/^($n)m(?: at($n)mps)?".$tail, $text, $m) === 1) {
            $measure = new Distance(self::numeric($m[1]), ($m[2] ?? '') === '' ? null : self::numeric($m[2]));
        } elseif (preg_match("/^($n)s work".$tail, $text, $m) === 1) {
            $measure = new Work(Seconds::of((float) $m[1]));
        } elseif (preg_match("/^($n)s".$tail, $text, $m) === 1) {
            $measure = new Hold(Seconds::of((float) $m[1]));
        } elseif (preg_match("/^(\\d{1,5})(?:x($n)s)?".$tail, $text, $m) === 1) {
            $count = (int) $m[1];
            $hold = ($m[2] ?? '') === '' ? null : Seconds::of((float) $m[2]);

            return [static fn (?Tempo $tempo): Measure => new Reps($count, $tempo, $hold), $m['rest'] ?? ''];
        } else {
            throw Unreadable::because(sprintf(
                '"%s" is not an amount; write reps (8), seconds (20 s), repeats (4 × 10 s / 5 s) or metres (20 m)',
                $text,
            ));
        }

        return [static function (?Tempo $tempo) use ($measure): Measure {
            if ($tempo !== null) {
                throw Contradiction::because('a tempo goes only with reps');
            }

            return $measure;
        }, $m['rest'] ?? ''];
    }

    private static function numeric(string $text): int|float
    {
        return str_contains($text, '.') ? (float) $text : (int) $text;
    }
}
