<?php

declare(strict_types=1);

namespace EvenRungs\Formats;

use EvenRungs\Core\Ladder\Sign;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Unreadable;

/**
 * What a client's own page sends back of one session, or of something that hurts outside any, in as few bits as it takes, so that it can be
 * typed. It names no exercise: the page that it is of knows them.
 *
 * In order: version (3 bits), session (6), days since the page was made (9), why it ended early (3), seconds on the clock (15), soreness,
 * pain before, effort (4 each, 15 not said), kind of pain (3, 0 none); a bit for each warning sign of the page; whether signs were asked
 * and a bit for each of them; for each exercise in its order whether anything was said (1), then effort, pain (4 each) and kind (3); for
 * each set what became of it (2: nothing, as asked, another amount, left), and another amount in tenths (16); what the client writes, as
 * UTF-8 from the next byte on.
 */
final class HomeReturn
{
    private const VERSION = 1;

    /** In the place of a session: something hurts outside any. */
    public const OUTSIDE = 63;

    public const MOST_WORD = 200;

    private const NOT_SAID = 15;

    private const MOST_SAID = 10;

    private const MOST_SECONDS = 32_767;

    private const ENDINGS = [null, 'time', 'tired', 'pain', 'client'];

    private const NOTHING = 0;

    private const AS_ASKED = 1;

    private const OTHERWISE = 2;

    private const LEFT = 3;

    /**
     * @param  int  $session  place among those of the page, from 0; OUTSIDE where it is of none
     * @param  int  $day  days since the page was made, 0 to 511
     * @param  ?string  $ended  why it ended early: time, tired, pain or client; null where it did not
     * @param  int  $ran  seconds that the clock ran, 0 to 32767
     * @param  ?int  $soreness  0 to 10
     * @param  ?int  $painBefore  0 to 10
     * @param  ?int  $effort  of the whole session, 0 to 10
     * @param  ?PainKind  $painKind  of the whole session
     * @param  list<string>  $warnings  ids of the page's warning signs that are there
     * @param  list<Sign>|null  $signs  null where nobody asked
     * @param  list<array{effort: ?int, pain: ?int, kind: ?PainKind}>  $exercises  in the order of the page
     * @param  list<int|float|true|null>  $sets  what was done of each: an amount, true as asked, null left out
     * @param  string  $word  what the client writes, at most 200 characters
     */
    public function __construct(
        public readonly int $session,
        public readonly int $day,
        public readonly ?string $ended = null,
        public readonly int $ran = 0,
        public readonly ?int $soreness = null,
        public readonly ?int $painBefore = null,
        public readonly ?int $effort = null,
        public readonly ?PainKind $painKind = null,
        public readonly array $warnings = [],
        public readonly ?array $signs = null,
        public readonly array $exercises = [],
        public readonly array $sets = [],
        public readonly string $word = '',
    ) {
    }

    /**
     * @param  list<string>  $warnings  ids of the page's warning signs
     * @param  list<array{int, int}>  $sessions  exercises and sets of each session of the page
     *
     * @throws Unreadable where it is not of such a page
     */
    public static function read(string $payload, array $warnings, array $sessions): self
    {
        $bits = Bits::of($payload);
        if ($bits->take(3) !== self::VERSION) {
            throw Unreadable::because('is of another version of the page');
        }
        $session = $bits->take(6);
        [$exercises, $sets] = $sessions[$session] ?? (
            $session === self::OUTSIDE ? [0, 0] : throw Unreadable::because('is of a session that the page does not have')
        );
        $day = $bits->take(9);
        $ended = self::ENDINGS[$bits->take(3)] ?? null;
        $ran = $bits->take(15);
        [$soreness, $painBefore, $effort, $kind] = [self::said($bits), self::said($bits), self::said($bits), self::kind($bits)];
        $there = array_values(array_filter($warnings, static fn (): bool => $bits->take(1) === 1));
        $isAsked = $bits->take(1) === 1;
        $signs = array_values(array_filter(Sign::cases(), static fn (): bool => $bits->take(1) === 1));

        return new self(
            $session,
            $day,
            $ended,
            $ran,
            $soreness,
            $painBefore,
            $effort,
            $kind,
            $there,
            $isAsked ? $signs : null,
            array_map(static fn (): array => self::exercise($bits), array_fill(0, $exercises, null)),
            array_map(static fn (): int|float|true|null => self::set($bits), array_fill(0, $sets, null)),
            self::word(substr($payload, $bits->bytesTaken())),
        );
    }

    /** @param  list<string>  $warnings  ids of the page's warning signs */
    public function write(array $warnings): string
    {
        $bits = Bits::none();
        $bits->put(self::VERSION, 3);
        $bits->put($this->session, 6);
        $bits->put($this->day, 9);
        $bits->put((int) array_search($this->ended, self::ENDINGS, true), 3);
        $bits->put(min(self::MOST_SECONDS, $this->ran), 15);
        foreach ([$this->soreness, $this->painBefore, $this->effort] as $said) {
            $bits->put($said ?? self::NOT_SAID, 4);
        }
        $bits->put(self::numberOf($this->painKind), 3);
        foreach ($warnings as $warning) {
            $bits->put(in_array($warning, $this->warnings, true) ? 1 : 0, 1);
        }
        $bits->put($this->signs === null ? 0 : 1, 1);
        foreach (Sign::cases() as $sign) {
            $bits->put(in_array($sign, $this->signs ?? [], true) ? 1 : 0, 1);
        }
        foreach ($this->exercises as ['effort' => $effort, 'pain' => $pain, 'kind' => $kind]) {
            $isSaid = $effort !== null || $pain !== null || $kind !== null;
            $bits->put($isSaid ? 1 : 0, 1);
            if ($isSaid) {
                $bits->put($effort ?? self::NOT_SAID, 4);
                $bits->put($pain ?? self::NOT_SAID, 4);
                $bits->put(self::numberOf($kind), 3);
            }
        }
        foreach ($this->sets as $done) {
            $bits->put($done === true ? self::AS_ASKED : ($done === null ? self::LEFT : ($done <= 0 ? self::NOTHING : self::OTHERWISE)), 2);
            if (! is_bool($done) && $done > 0) {
                $bits->put((int) round(10 * $done), 16);
            }
        }

        return $bits->bytes().$this->word;
    }

    private static function said(Bits $bits): ?int
    {
        $said = $bits->take(4);

        return $said > self::MOST_SAID ? null : $said;
    }

    private static function kind(Bits $bits): ?PainKind
    {
        return PainKind::cases()[$bits->take(3) - 1] ?? null;
    }

    private static function numberOf(?PainKind $kind): int
    {
        return $kind === null ? 0 : 1 + (int) array_search($kind, PainKind::cases(), true);
    }

    /** @return array{effort: ?int, pain: ?int, kind: ?PainKind} */
    private static function exercise(Bits $bits): array
    {
        return $bits->take(1) === 1
            ? ['effort' => self::said($bits), 'pain' => self::said($bits), 'kind' => self::kind($bits)]
            : ['effort' => null, 'pain' => null, 'kind' => null];
    }

    private static function set(Bits $bits): int|float|true|null
    {
        return match ($bits->take(2)) {
            self::NOTHING => 0,
            self::AS_ASKED => true,
            self::OTHERWISE => $bits->take(16) / 10,
            default => null,
        };
    }

    private static function word(string $bytes): string
    {
        return mb_check_encoding($bytes, 'UTF-8') && mb_strlen($bytes) <= self::MOST_WORD ? $bytes : throw Unreadable::because(
            sprintf('carries more than %d characters of what the client wrote', self::MOST_WORD),
        );
    }
}
