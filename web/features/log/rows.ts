import type { Schemas } from '../../api/client';
import { today } from '../../lib/dates';
import { painless, type PainKind } from '../../parts/log/painKinds';

type Session = Schemas['WeekSession'];
type Sent = Schemas['LoggedSet'];

/** One set of one side as the grid shows it; an empty cell was not recorded. */
export interface Row {
  rung: string;
  side: Sent['side'];
  target: number;
  /** what is asked beside the amount */
  asked: Schemas['Asked'];
  done: string;
  /** how far it went: a share in percent, or centimetres */
  range: string;
  fault: string;
  pain: string;
  kind: PainKind | '';
  effort: string;
  breathing: string;
  /** the place, or the first of several */
  felt: string;
  /** kilograms */
  load: string;
  /** of the studio's list, by its name */
  band: string;
  /** as it was logged before, with what the grid has no column for */
  was: Sent | null;
}

export interface Group {
  name: string;
  ladder: string;
  dose: string;
  unit: Schemas['BoardEntry']['unit'];
  /** the newest weight, in kilograms; offered, never preset */
  lastLoad: number | null;
  lastBand: string | null;
  /** done with a band */
  banded: boolean;
  /** how its range is written; null where it has none */
  range: 'share' | 'cm' | null;
  rows: Row[];
}

/** What the grid starts with. */
export interface Start {
  groups: Group[];
  on: string;
  soreness: string;
  pain_before: string;
  pain_next_day: string;
  effort: string;
  minutes: string;
  /** what was ticked to move up, by ladder; one that is not named was not asked for */
  ticks: NonNullable<LogBody['ticks']>;
}

export type LogBody = Omit<Schemas['LogRequest'], 'key'>;

const blank = {
  done: '',
  fault: '',
  pain: '',
  kind: '',
  effort: '',
  breathing: '',
  felt: '',
  load: '',
  band: '',
  was: null,
} as const;

/** Clean, breathing, easy, no pain. */
export function well(easy: number) {
  return { fault: 'none', pain: '0', kind: '', effort: String(easy), breathing: 'yes' } as const;
}

/** Whether no exercise of the ladder comes after it. */
export function isLast(groups: readonly Group[], g: number): boolean {
  return groups.every((group, i) => i <= g || group.ladder !== groups[g]?.ladder);
}

/** As planned, clean, breathing, easy, no pain, everything ticked: of one exercise, or of all of them. */
export function asPlanned(start: Start, easy: number, asks: readonly Schemas['Tick'][], g?: number): Start {
  const of = (i: number) => g === undefined || i === g;
  const all = asks.map(({ id }) => id);
  const last = start.groups.filter((_, i) => of(i) && isLast(start.groups, i));
  return {
    ...start,
    groups: start.groups.map((group, i) =>
      of(i)
        ? { ...group, rows: group.rows.map((row) => ({ ...row, done: String(row.target), ...well(easy) })) }
        : group,
    ),
    ticks: { ...start.ticks, ...Object.fromEntries(last.map(({ ladder }) => [ladder, all])) },
  };
}

/** A planned session, nothing of it written down yet. */
export function startOf(session: Session): Start {
  return {
    groups: session.blocks
      .flatMap((block) => block.entries)
      .flatMap((entry) => (entry.ladder === null ? [] : [{ ...entry, ladder: entry.ladder }]))
      .map((entry) => ({
        ladder: entry.ladder,
        name: entry.name,
        dose: entry.dose,
        unit: entry.unit,
        lastLoad: entry.last_load_kg,
        lastBand: entry.last_band,
        banded: entry.banded,
        range: entry.range,
        rows: entry.grid.map((row) => ({
          ...blank,
          rung: entry.exercise,
          side: row.side,
          target: row.target,
          asked: row.asked,
          range: askedRange(row.asked),
        })),
      })),
    on: session.date !== null && session.date < today() ? session.date : today(),
    soreness: '',
    pain_before: '',
    pain_next_day: '',
    effort: '',
    minutes: '',
    ticks: {},
  };
}

/** How the range of a rung is written in a log. */
export function rangeKind(range: Schemas['RungDraft']['range']): Group['range'] {
  return range === undefined ? null : range === 'share' ? 'share' : 'cm';
}

/** A range as the grid writes it. */
function askedRange({ target_range, target_range_cm }: Schemas['Asked']): string {
  return target_range_cm !== undefined ? String(target_range_cm) : String(Math.round((target_range ?? 1) * 100));
}

function text(value: number | undefined): string {
  return value === undefined ? '' : String(value);
}

function faultOf(set: Sent): string {
  return set.faults === undefined ? '' : (set.faults[0] ?? 'none');
}

/** A log as it was kept, to be edited. */
export function startOfLog(
  log: Schemas['Log'],
  units: Schemas['OneLog']['units'],
  nameOf: (rung: string) => string,
  rangeOf: (rung: string) => Group['range'],
  ladderOf: (rung: string) => string,
): Start {
  const groups: Group[] = [];
  for (const set of log.sets) {
    const name = nameOf(set.rung);
    if (groups[groups.length - 1]?.name !== name)
      groups.push({
        name,
        ladder: ladderOf(set.rung),
        dose: '',
        unit: units[set.rung] ?? null,
        lastLoad: null,
        lastBand: null,
        banded: set.band !== undefined,
        range: rangeOf(set.rung),
        rows: [],
      });
    groups[groups.length - 1]?.rows.push({
      rung: set.rung,
      side: set.side,
      target: set.target,
      asked: askedOf(set),
      done: String(set.done),
      range:
        rangeOf(set.rung) === 'cm'
          ? text(set.range_cm ?? set.target_range_cm)
          : text(Math.round((set.range ?? 1) * 100)),
      fault: faultOf(set),
      pain: text(set.pain),
      kind: set.pain_kind ?? '',
      effort: text(set.effort),
      breathing: set.breathing === undefined ? '' : set.breathing ? 'yes' : 'no',
      felt: set.felt?.[0] ?? '',
      load: text(set.load_kg),
      band: set.band ?? '',
      was: set,
    });
  }
  return {
    groups,
    on: log.on,
    soreness: text(log.soreness),
    pain_before: text(log.pain_before),
    pain_next_day: text(log.pain_next_day),
    effort: text(log.effort),
    minutes: text(log.minutes),
    ticks: log.ticks ?? {},
  };
}

/** What a logged set was asked beside its amount. */
function askedOf(set: Sent): Schemas['Asked'] {
  return Object.fromEntries(
    Object.entries(set).filter(([key]) => key !== 'target' && (key.startsWith('target') || key === 'timed')),
  );
}

/** How far it went; the full range where that is asked is left out. */
function rangeOf(row: Row): Pick<Sent, 'range' | 'range_cm'> {
  if (row.range.trim() === '') return {};
  if (row.asked.target_range_cm !== undefined || row.was?.range_cm !== undefined)
    return { range_cm: Number(row.range) };
  return row.asked.target_range === undefined && row.was?.range === undefined && row.range === '100'
    ? {}
    : { range: Number(row.range) / 100 };
}

function faults(row: Row): Pick<Sent, 'faults' | 'ended_by' | 'seen_by'> {
  if (row.was !== null && row.fault === faultOf(row.was)) {
    const { faults: known, ended_by, seen_by } = row.was;
    return {
      ...(known === undefined ? {} : { faults: known }),
      ...(ended_by === undefined ? {} : { ended_by }),
      ...(seen_by === undefined ? {} : { seen_by }),
    };
  }
  return row.fault === '' ? {} : { faults: row.fault === 'none' ? [] : [row.fault] };
}

/** Where it was felt: the one place that was chosen, or all of them as they were kept. */
function felt(row: Row): Pick<Sent, 'felt'> {
  const kept = row.was?.felt;
  if (kept !== undefined && row.felt === (kept[0] ?? '')) return { felt: kept };
  return row.felt === '' ? {} : { felt: [row.felt as NonNullable<Sent['felt']>[number]] };
}

/** What the grid has columns for; the rest of a log that is edited stays as it was. */
const columns = [
  'load_kg',
  'band',
  'done',
  'felt',
  'faults',
  'ended_by',
  'seen_by',
  'pain',
  'pain_kind',
  'effort',
  'breathing',
  'range',
  'range_cm',
];

function toSent(row: Row): Sent {
  return {
    ...Object.fromEntries(Object.entries(row.was ?? {}).filter(([key]) => !columns.includes(key))),
    ...row.asked,
    rung: row.rung,
    ...(row.side === undefined ? {} : { side: row.side }),
    target: row.target,
    done: Number(row.done),
    ...rangeOf(row),
    ...faults(row),
    ...(row.pain === ''
      ? {}
      : {
          pain: Number(row.pain),
          ...(row.kind === '' || (row.pain === '0' && !painless.includes(row.kind)) ? {} : { pain_kind: row.kind }),
        }),
    ...(row.effort === '' ? {} : { effort: Number(row.effort) }),
    ...(row.breathing === '' ? {} : { breathing: row.breathing === 'yes' }),
    ...felt(row),
    ...(row.load === '' ? {} : { load_kg: Number(row.load) }),
    ...(row.band === '' ? {} : { band: row.band }),
  };
}

function number(name: 'soreness' | 'pain_before' | 'pain_next_day' | 'effort' | 'minutes', written: string) {
  return written.trim() === '' ? {} : { [name]: Number(written) };
}

/** What is sent; rows without "done" are left out. */
export function bodyOf(grid: Start): LogBody {
  return {
    on: grid.on,
    ...number('soreness', grid.soreness),
    ...number('pain_before', grid.pain_before),
    ...number('pain_next_day', grid.pain_next_day),
    ...number('effort', grid.effort),
    ...number('minutes', grid.minutes),
    ...(Object.keys(grid.ticks).length === 0 ? {} : { ticks: grid.ticks }),
    sets: grid.groups.flatMap((group) => group.rows.filter((row) => row.done !== '').map(toSent)),
  };
}
