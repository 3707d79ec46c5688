<?php

declare(strict_types=1);

namespace App\Today;

use App\Models\LoggedSession as SessionRow;
use App\Models\LoggedSet as SetRow;
use App\Support\PastDay;
use EvenRungs\Core\Dose\Unit;
use EvenRungs\Core\Ladder\Library;
use EvenRungs\Core\Ladder\Rung;
use EvenRungs\Core\Log\LoggedSession;
use EvenRungs\Core\Log\PainKind;
use EvenRungs\Core\Planning\Door\DoorAnswers;
use EvenRungs\Formats\Node;
use EvenRungs\Formats\UnusableInput;

/**
 * A logged session between its rows and the document that pages, devices and files send: amounts in repetitions, seconds
 * or metres there, holds in milliseconds here. What was not recorded is left out there and null here.
 */
final class LogDocument
{
    private const MOST_MINUTES = 300;

    private const OF_SESSION = ['soreness', 'pain_before', 'pain_next_day', 'effort', 'minutes', 'readiness'];

    public function __construct(private readonly Library $library)
    {
    }

    /**
     * @param  ?string  $on  ISO date of the session, where the one in the body is of a clock that is off
     *
     * @throws UnusableInput at the field
     */
    public function read(Node $body, ?string $on = null): LogRows
    {
        return new LogRows($this->session($body, $on), $this->sets($body));
    }

    /**
     * @param  ?string  $on  ISO date of the session, where the one in the body is of a clock that is off
     * @return array<string, mixed> columns of the session
     *
     * @throws UnusableInput when the day is none, or lies ahead
     */
    private function session(Node $body, ?string $on = null): array
    {
        $columns = ['on' => $on ?? PastDay::of($body, 'on'), 'ticks' => $this->ticks($body)];
        foreach (self::OF_SESSION as $name) {
            $columns[$name] = $body->optionalInt($name);
        }
        $columns['pain_kind'] = $body->optionalString('pain_kind');
        $columns['checked'] = ! $body->isFalse('checked');
        $columns['planned'] = $body->optionalString('planned');
        $columns['signs'] = $body->has('signs') ? $body->strings('signs') : null;
        $columns['door'] = $body->opaque('door');
        $columns['ended'] = $body->optionalString('ended');
        if ($body->has('ran_s')) {
            $columns['minutes'] = min(self::MOST_MINUTES, max(1, (int) round($body->number('ran_s') / 60)));
        }

        return $columns;
    }

    /**
     * @return array<string, list<string>>|null by ladder
     *
     * @throws UnusableInput
     */
    private function ticks(Node $body): ?array
    {
        $ticks = $body->optionalChild('ticks');
        if ($ticks === null) {
            return null;
        }
        $all = [];
        foreach ($ticks->keys() as $ladder) {
            if (! $this->library->hasLadder($ladder)) {
                throw UnusableInput::at($ticks->path($ladder), 'is not a ladder of the library');
            }
            $all[$ladder] = array_values(array_intersect(array_keys(LoggedSession::TICKS), $ticks->strings($ladder)));
        }

        return $all;
    }

    /**
     * @return list<array<string, mixed>> columns of the sets; none where pain stopped the session before any
     *
     * @throws UnusableInput with every set that cannot be
     */
    private function sets(Node $body): array
    {
        $sets = $body->each('sets', $this->set(...));
        $said = new DoorAnswers(
            pain: $body->optionalInt('pain_before') ?? 0,
            painKind: PainKind::tryFrom($body->optionalString('pain_kind') ?? ''),
        );

        return $sets === [] && $said->stop() === null ? throw UnusableInput::at('/sets', 'at least one set is needed') : $sets;
    }

    /** @return array<string, mixed> */
    private function set(Node $set): array
    {
        if (! $this->library->hasRung($set->string('rung'))) {
            throw UnusableInput::at($set->path('rung'), 'is not a rung of the library');
        }
        $rung = $this->library->rung($set->string('rung'));
        foreach (['faults', 'cued', 'ended_by'] as $field) {
            foreach ($field === 'ended_by' ? array_filter([$set->optionalString($field)]) : $set->strings($field) as $fault) {
                if (! isset($this->library->faults[$fault])) {
                    throw UnusableInput::at($set->path($field), sprintf('there is no fault "%s"', $fault));
                }
            }
        }

        return [
            'ladder' => $rung->ladder,
            'rung' => $rung->id,
            'side' => $set->optionalString('side'),
            'target' => (int) round($rung->unit()->kept($set->number('target'))),
            'done' => (int) round($rung->unit()->kept($set->number('done'))),
            'faults' => self::list($set, 'faults'),
            'cued' => self::list($set, 'cued'),
            'ended_by' => $set->optionalString('ended_by'),
            'seen_by' => $set->optionalString('seen_by'),
            'pain' => $set->optionalInt('pain'),
            'pain_kind' => $set->optionalString('pain_kind'),
            'effort' => $set->optionalInt('effort'),
            'breathing' => self::flag($set, 'breathing'),
            'felt' => self::list($set, 'felt'),
            'range' => $set->optionalNumber('range'),
            'range_cm' => $set->optionalNumber('range_cm'),
            'target_range' => $set->optionalNumber('target_range'),
            'target_range_cm' => $set->optionalNumber('target_range_cm'),
            'open' => self::flag($set, 'open'),
            'target_hold' => self::ms($set, 'target_hold_s'),
            'hold' => self::ms($set, 'hold_s'),
            'timed' => self::flag($set, 'timed'),
            'load_kg' => $set->optionalNumber('load_kg'),
            'band' => $set->optionalString('band'),
            'talked' => self::flag($set, 'talked'),
            'shaking' => self::flag($set, 'shaking'),
            'left' => self::flag($set, 'left'),
        ];
    }

    /** @return list<string>|null */
    private static function list(Node $set, string $key): ?array
    {
        return $set->has($key) ? $set->strings($key) : null;
    }

    private static function ms(Node $set, string $key): ?int
    {
        return $set->has($key) ? (int) round(1000 * $set->number($key)) : null;
    }

    private static function flag(Node $set, string $key): ?bool
    {
        return $set->has($key) ? $set->bool($key) : null;
    }

    /**
     * @param  iterable<SetRow>  $sets
     * @return array<string, string> what their rungs are counted in, by rung
     */
    public function units(iterable $sets): array
    {
        $units = [];
        foreach ($sets as $set) {
            if ($this->library->hasRung($set->rung)) {
                $units[$set->rung] = $this->library->rung($set->rung)->unit()->value;
            }
        }

        return $units;
    }

    /**
     * @param  iterable<SetRow>  $sets  of the session
     * @return array<string, mixed>
     */
    public function write(SessionRow $row, iterable $sets): array
    {
        $document = ['key' => $row->key, 'on' => $row->on];
        foreach (self::OF_SESSION as $name) {
            $document[$name] = $row->getAttribute($name);
        }
        $document['ticks'] = $row->ticks === null ? null : (object) $row->ticks;
        $document['pain_kind'] = $row->pain_kind;
        $document['checked'] = $row->checked ? null : false;
        $document['warned'] = $row->warned;
        $document['planned'] = $row->planned;
        $document['signs'] = $row->signs;
        $document['door'] = $row->door;
        $document['ended'] = $row->ended;
        $document['by_client'] = $row->origin === SessionRow::BY_CLIENT ? true : null;
        $document['word'] = $row->word === '' ? null : $row->word;
        $written = [];
        foreach ($sets as $set) {
            $written[] = $this->writeSet($set);
        }

        return [...array_filter($document, static fn (mixed $value): bool => $value !== null), 'sets' => $written];
    }

    /** @return array<string, mixed> */
    private function writeSet(SetRow $set): array
    {
        $unit = $this->library->hasRung($set->rung) ? $this->library->rung($set->rung)->unit() : Unit::Reps;
        $columns = array_diff_key(
            $set->attributesToArray(),
            array_flip(['id', 'studio_id', 'client_id', 'logged_session_id', 'ladder', 'on', 'target_hold', 'hold']),
        );
        $seconds = static fn (?int $ms): ?float => $ms === null ? null : $ms / 1000;

        return array_filter(
            [
                ...$columns,
                'target' => $unit->shown($set->target),
                'done' => $unit->shown($set->done),
                'target_hold_s' => $seconds($set->target_hold),
                'hold_s' => $seconds($set->hold),
            ],
            static fn (mixed $value): bool => $value !== null,
        );
    }
}
