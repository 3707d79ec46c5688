<?php

declare(strict_types=1);

namespace Tests\Formats;

use DateTimeImmutable;
use DateTimeZone;
use EvenRungs\Core\Dose\Shorthand;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Program\CircuitBlock;
use EvenRungs\Core\Program\Program;
use EvenRungs\Core\Program\Session;
use EvenRungs\Core\Time\Seconds;
use EvenRungs\Formats\CalendarEvent;
use EvenRungs\Formats\CalendarFile;
use EvenRungs\Formats\Json;
use EvenRungs\Formats\LogCsv;
use EvenRungs\Formats\LogCsvWriter;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\ProgramCsv;
use EvenRungs\Formats\ProgramCsvWriter;
use EvenRungs\Formats\ProgramJson;
use EvenRungs\Formats\ProgramText;
use EvenRungs\Formats\ProgramTextWriter;
use PHPUnit\Framework\TestCase;
use Random\Engine\Xoshiro256StarStar;
use Random\Randomizer;
use Tests\Support\Documents;
use Tests\Support\ReadByNode;

/**
 * Random documents through every format and back; soak asks for 2,000 of each. Bundles are in FhirTest, returns in HomeReturnTest.
 */
final class ThereAndBackTest extends TestCase
{
    private const DOCUMENTS = 100;

    private const DAYS = ['mon', 'tue', 'wed', 'thu', 'fri', 'sat', 'sun'];

    private const MEASURES = ['reps', 'held-reps', 'hold', 'intervals', 'work', 'distance'];

    private Randomizer $chance;

    protected function setUp(): void
    {
        $this->chance = new Randomizer(new Xoshiro256StarStar((int) (getenv('EVEN_RUNGS_SEED') ?: 20261128)));
    }

    private static function documents(): int
    {
        return (int) (getenv('EVEN_RUNGS_DOCUMENTS') ?: self::DOCUMENTS);
    }

    public function test_programs_through_json_csv_and_jotted_lines(): void
    {
        $json = new ProgramJson(Documents::data()->clients());
        for ($i = 0; $i < self::documents(); $i++) {
            $document = $this->program();
            $program = $json->read(new Node($document));
            $text = Json::encode($json->write($program));
            self::assertSame($text, Json::encode($json->write($json->read(new Node(Json::toArray(Json::decode($text)))))), "JSON, {$i}");
            $csv = ProgramCsvWriter::write($program);
            self::assertEquals(self::plain($program, true), self::plain(ProgramCsv::read($csv), true), "CSV, {$i}:\n{$csv}");
            // lines have no word for a rest between rounds, and say changes once for all
            $jotted = $json->read(new Node($this->program(true)));
            $lines = ProgramTextWriter::write($jotted);
            self::assertEquals(self::plain($jotted, false), self::plain(ProgramText::read($lines), false), "lines, {$i}:\n{$lines}");
        }
    }

    public function test_logs_through_csv(): void
    {
        $find = static fn (string $name): ?string => Documents::data()->library()->find($name)?->id;
        for ($i = 0; $i < self::documents(); $i++) {
            $log = $this->log($i);
            $csv = LogCsvWriter::write([new Node($log)], static fn (): string => 'reps');
            self::assertEquals([$log], LogCsv::read($csv, $find), "log {$i}:\n{$csv}");
        }
    }

    public function test_sessions_through_icalendar_read_by_another_library(): void
    {
        $zone = new DateTimeZone('Europe/Stockholm');
        $events = [];
        for ($i = 0; $i < self::documents(); $i++) {
            $isAllDay = $this->chance->getInt(0, 3) === 0;
            $day = (new DateTimeImmutable('2026-01-01', $zone))->modify(sprintf('+%d days', $this->chance->getInt(0, 700)));
            $time = $isAllDay ? '00:00' : sprintf('%02d:%02d', $this->chance->getInt(4, 23), 5 * $this->chance->getInt(0, 11));
            $events[] = new CalendarEvent(
                "session-{$i}",
                new DateTimeImmutable($day->format('Y-m-d').' '.$time, $zone),
                $isAllDay,
                Seconds::of($this->chance->getInt(60, 7200)),
                $this->oneOf(['Core, 17:48 min', 'Å; b, c\\n', '😴 '.str_repeat('long ', 30)]),
                $this->oneOf(['', "One\nTwo; three, four", 'a \\ b']),
            );
        }
        $file = CalendarFile::write('All', $events, $zone, new DateTimeImmutable('2026-11-28'));
        $read = ReadByNode::with('read-calendar.mjs', $file);

        self::assertCount(count($events), $read);
        foreach ($events as $i => $event) {
            self::assertSame($event->start->format('Y-m-d'), $read[$i]['day']);
            if (! $event->isAllDay) {
                self::assertSame(
                    [$event->start->format('H:i'), $event->length->ms / 1000],
                    [$read[$i]['time'], $read[$i]['seconds']],
                );
            }
            self::assertSame($event->text, $read[$i]['text'] ?? '');
        }
    }

    /** @return list<mixed> what is done when, as every format must keep it; a note, load and range only where the format has a place */
    private static function plain(Program $program, bool $whole): array
    {
        return array_map(static fn ($week): array => [$week->number, array_map(static fn (Session $session): array => [
            $session->day->value,
            $session->kind->value,
            $session->claimed?->ms,
            $session->warmUp->ms,
            Documents::time($session)->time,
            array_map(static fn ($block): array => [
                $block instanceof CircuitBlock ? $block->rounds : null,
                array_map(static fn ($entry): array => [
                    $entry->exercise,
                    Shorthand::write($entry->dose),
                    $whole ? [$entry->note, $entry->dose->loadKg, $entry->dose->range] : null,
                ], $block->entries()),
            ], $whole ? $session->blocks : []),
        ], $week->sessions)], $program->weeks);
    }

    /** @return array<string, mixed> */
    private function program(bool $jotted = false): array
    {
        $weeks = [];
        $change = $this->oneOf([null, ['side_s' => 5, 'station_s' => 10]]);
        for ($week = 1; $week <= $this->chance->getInt(1, 3); $week++) {
            $sessions = [];
            foreach ($this->chance->pickArrayKeys(array_flip(self::DAYS), $this->chance->getInt(1, 3)) as $day) {
                $sessions[] = array_filter([
                    'day' => $day,
                    'kind' => $this->oneOf(['standalone', 'after-lift', 'before-lift', 'activation', 'after-sport']),
                    'warm_up_s' => $this->oneOf([0, 60, 150]),
                    'cool_down_s' => $this->oneOf([0, 90]),
                    'claimed_s' => $this->oneOf([null, 900, 1200]),
                    'change' => $jotted ? $change : $this->oneOf([null, ['side_s' => 5, 'station_s' => 10]]),
                    'blocks' => $this->blocks($jotted),
                ], static fn (mixed $value): bool => $value !== null);
            }
            $weeks[] = ['week' => $week, 'sessions' => $sessions];
        }

        return ['format' => 'even-rungs/program', 'version' => 1, 'weeks' => $weeks];
    }

    /** @return list<array<string, mixed>> */
    private function blocks(bool $jotted): array
    {
        $blocks = [];
        for ($i = $this->chance->getInt(1, 3); $i > 0; $i--) {
            $isCircuit = $this->chance->getInt(0, 2) === 0;
            $entries = [];
            for ($e = $this->chance->getInt(1, 4); $e > 0; $e--) {
                $entries[] = $this->entry($isCircuit);
            }
            $rounds = ['rounds' => $this->chance->getInt(1, 4), 'round_rest_s' => $jotted ? 0 : $this->oneOf([0, 60])];
            $blocks[] = $isCircuit
                ? ['type' => 'circuit', ...$rounds, 'entries' => $entries]
                : ['type' => 'straight', 'entries' => $entries];
            if ($this->chance->getInt(0, 4) === 0) {
                $blocks[] = ['type' => 'rest', 'rest_s' => 60];
            }
        }

        return $blocks;
    }

    /** @return array<string, mixed> */
    private function entry(bool $inCircuit): array
    {
        $measure = $this->oneOf(self::MEASURES);
        $dose = match ($measure) {
            'reps' => ['reps' => $this->chance->getInt(1, 30), ...$this->some(['tempo' => $this->oneOf(['3-1-3-1', '2-0-X-0'])])],
            'held-reps' => ['reps' => $this->chance->getInt(1, 12), 'hold_s' => $this->chance->getInt(1, 20)],
            'hold' => ['hold_s' => $this->oneOf([10, 45, 90, 12.5])],
            'intervals' => ['intervals' => ['count' => $this->chance->getInt(2, 6), 'hold_s' => 10, 'rest_s' => $this->oneOf([0, 5])]],
            'work' => ['work_s' => $this->oneOf([20, 50])],
            default => ['distance_m' => $this->oneOf([10, 25.5]), ...$this->some(['pace_m_s' => 1.2])],
        };
        $rungs = Documents::data()->library()->rungs();
        $sides = in_array($measure, ['reps', 'held-reps', 'work'], true) ? ['both', 'each', 'alternate'] : ['both', 'each'];

        return [
            'exercise' => $this->chance->getInt(0, 9) === 0 ? 'Something of their own' : $this->oneOf($rungs)->name,
            ...($inCircuit ? [] : ['sets' => $this->chance->getInt(1, 5)]),
            ...$dose,
            'side' => $this->oneOf($sides),
            'rest_s' => $this->oneOf([0, 15, 30, 90]),
            ...$this->some(['load_kg' => $this->oneOf([8, 17.5])]),
            ...$this->some($this->oneOf([['range' => 0.5], ['range_cm' => 45]])),
            ...$this->some(['note' => $this->oneOf(['slowly, "as if" watched', '=SUM(A1)', 'två rader'])]),
        ];
    }

    /** @return array<string, mixed> a log as the API takes it */
    private function log(int $i): array
    {
        $kind = fn (): ?string => $this->oneOf([null, null, ...array_column(PainKind::cases(), 'value')]);
        $said = fn (): ?int => $this->oneOf([null, 0, 3, 10]);
        $set = fn (): array => array_filter([
            'rung' => $this->oneOf(['heel-taps', 'forearm-plank', 'both-arms']),
            'side' => $this->oneOf([null, 'left', 'right', 'both']),
            'target' => $this->oneOf([8, 22.5]),
            'done' => $this->oneOf([0, 8, 19.4]),
            'faults' => $this->oneOf([null, [], ['hips-sag', 'breath-held']]),
            'cued' => $this->oneOf([null, [], ['ribs-flare']]),
            'ended_by' => $this->oneOf([null, 'hips-sag']),
            'pain' => $said(),
            'pain_kind' => $kind(),
            'effort' => $said(),
            'breathing' => $this->oneOf([null, true, false]),
            'seen_by' => $this->oneOf([null, 'camera', 'cuff']),
            'felt' => $this->oneOf([null, ['low-back', 'neck']]),
            'range' => $this->oneOf([null, 0.5]),
            'target_range' => $this->oneOf([null, 0.75]),
            'range_cm' => $this->oneOf([null, 0, 30]),
            'target_range_cm' => $this->oneOf([null, 45]),
            'target_hold_s' => $this->oneOf([null, 10]),
            'hold_s' => $this->oneOf([null, 7.5]),
            'load_kg' => $this->oneOf([null, 17.5]),
            'band' => $this->oneOf([null, 'green, doubled', '=1+1']),
            'timed' => $this->oneOf([null, true]),
            'open' => $this->oneOf([null, true]),
            'left' => $this->oneOf([null, true]),
            'talked' => $this->oneOf([null, true, false]),
            'shaking' => $this->oneOf([null, true]),
        ], static fn (mixed $value): bool => $value !== null);
        $sets = array_map($set, array_fill(0, $this->chance->getInt(0, 6), null));

        return array_filter([
            'key' => sprintf('there-and-back-%06d', $i),
            'on' => sprintf('2026-%02d-%02d', $this->chance->getInt(1, 12), $this->chance->getInt(1, 28)),
            'soreness' => $said(),
            'pain_before' => $said(),
            'pain_next_day' => $said(),
            'effort' => $said(),
            'readiness' => $said(),
            'minutes' => $this->oneOf([null, 1, 40]),
            'pain_kind' => $kind(),
            'checked' => $this->oneOf([null, false]),
            'signs' => $this->oneOf([null, [], ['leak', 'doming']]),
            'ended' => $this->oneOf([null, 'time', 'pain']),
            'planned' => $this->oneOf([null, '01m8h-0-2']),
            'ticks' => $this->oneOf([null, ['dead-bug' => array_keys(LoggedSession::TICKS), 'plank' => []], ['plank' => ['no-pain']]]),
            'sets' => $sets,
        ], static fn (mixed $value): bool => $value !== null);
    }

    private function oneOf(array $of): mixed
    {
        return $of[$this->chance->getInt(0, count($of) - 1)];
    }

    /**
     * @param  array<string, mixed>  $fields
     * @return array<string, mixed> them, or nothing
     */
    private function some(array $fields): array
    {
        return $this->chance->getInt(0, 2) === 0 ? $fields : [];
    }
}
