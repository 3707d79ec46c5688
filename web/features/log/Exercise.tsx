import { ChevronDown, ChevronUp } from 'lucide-react';
import { useId, useState } from 'react';
import type { Schemas } from '../../api/client';
import { amount, unitOf } from '../../lib/units';
import { AmountInput } from '../../ui/AmountInput';
import { Button } from '../../ui/Button';
import { LineCheckButton } from '../../parts/line/LineCheckButton';
import { alike, Answers } from './Answers';
import type { Group, Row } from './rows';

type TickId = Schemas['Tick']['id'];

/** What must all be so to move up; where nobody touches it, it was not asked for. */
function Ticks({
  of,
  asks,
  ticked,
  onChange,
}: {
  of: string;
  asks: readonly Schemas['Tick'][];
  ticked: readonly TickId[] | undefined;
  onChange: (ticked: TickId[]) => void;
}) {
  return (
    <div
      role="group"
      aria-label={`Ticks to move up, ${of}`}
      className="mt-2 flex flex-wrap items-center gap-2 text-[0.9375rem]"
    >
      <span className="text-faint">To move up</span>
      {asks.map(({ id, name }) => {
        const on = ticked?.includes(id) === true;
        return (
          <button
            key={id}
            type="button"
            aria-pressed={on}
            className={`min-h-9 rounded border px-2 font-semibold ${on ? 'border-stand bg-stand text-on-stand' : 'border-line'}`}
            onClick={() => {
              onChange(asks.flatMap((each) => ((each.id === id ? !on : ticked?.includes(each.id)) ? [each.id] : [])));
            }}
          >
            {on && '✓ '}
            {name}
          </button>
        );
      })}
      <Button
        aria-label={`All five, ${of}`}
        onClick={() => {
          onChange(asks.map(({ id }) => id));
        }}
      >
        All five
      </Button>
      <span className="text-sm text-faint">
        {ticked === undefined ? 'not asked' : ticked.length < asks.length && 'what is not ticked keeps the rung'}
      </span>
    </div>
  );
}

/** One exercise in one row; its sets and what is seldom said unfold. */
export function Exercise({
  client,
  group,
  faults,
  asks,
  ticked,
  onTicks,
  onAll,
  onSet,
  onPlanned,
}: {
  client: { id: string; name: string };
  group: Group;
  faults: readonly (readonly [string, string])[];
  /** what must all be so to move up; null where a later exercise of the same ladder asks it */
  asks: readonly Schemas['Tick'][] | null;
  ticked: readonly TickId[] | undefined;
  onTicks: (ticked: TickId[]) => void;
  /** of all sets at once */
  onAll: (part: Partial<Row>) => void;
  onSet: (set: number, part: Partial<Row>) => void;
  onPlanned: () => void;
}) {
  const [open, setOpen] = useState(false);
  const more = useId();
  const { told, differs } = alike(group.rows);
  const unit = group.unit ?? 'reps';
  const range = group.range === 'cm' ? 'cm' : '%';
  const first = group.rows[0];
  const shared = {
    of: group.name,
    unit,
    asked: first?.target ?? 0,
    lastLoad: group.lastLoad,
    lastBand: group.lastBand,
    banded: group.banded,
    told,
    differs,
    faults,
    onChange: onAll,
  };
  return (
    <section aria-label={group.name} className="border-t border-line py-2">
      <div className="flex flex-wrap items-end gap-x-3 gap-y-1">
        <div className="min-w-0 flex-1 basis-52">
          <h3 className="leading-tight font-bold">{group.name}</h3>
          <p className="text-[0.9375rem] leading-tight text-faint">{group.dose}</p>
        </div>
        <Answers {...shared} part="first" />
        <span className="flex gap-1">
          <Button aria-label={`All as planned: ${group.name}`} onClick={onPlanned}>
            As planned
          </Button>
          <Button
            look="quiet"
            aria-expanded={open}
            aria-controls={more}
            aria-label={`Sets and more of ${group.name}`}
            onClick={() => {
              setOpen(!open);
            }}
          >
            {differs.size > 0 ? 'Sets differ' : 'More'}{' '}
            {open ? <ChevronUp size={18} aria-hidden /> : <ChevronDown size={18} aria-hidden />}
          </Button>
        </span>
      </div>
      <div id={more} hidden={!open} className="mt-2 rounded-md border border-line bg-card p-2">
        <Answers {...shared} part="more" />
        {first !== undefined && (
          <LineCheckButton name={group.name} rung={first.rung} client={client} className="mt-2" />
        )}
        {asks !== null && <Ticks of={group.name} asks={asks} ticked={ticked} onChange={onTicks} />}
        {group.rows.map((row, r) => (
          <div key={r} className="mt-1 flex flex-wrap items-end gap-2 border-t border-line pt-1">
            <span className="w-20 text-[0.9375rem]">
              {row.side === 'both' ? r + 1 : `${Math.floor(r / 2) + 1}, ${row.side ?? ''}`}
              <span className="block text-sm text-faint">{amount(unit, row.target)}</span>
            </span>
            {group.range !== null && (
              <span>
                <span aria-hidden className="block text-sm text-faint">
                  Range, {unitOf(range)}
                </span>
                <AmountInput
                  unit={range}
                  aria-label={`Range, ${group.name}, set ${r + 1}`}
                  className="w-18"
                  most={group.range === 'cm' ? 300 : 100}
                  asked={row.asked.target_range_cm}
                  value={row.range === '' ? undefined : Number(row.range)}
                  onChange={(went) => {
                    onSet(r, { range: `${went ?? ''}` });
                  }}
                />
              </span>
            )}
            <Answers
              {...shared}
              of={`${group.name}, set ${r + 1}`}
              asked={row.target}
              lastLoad={null}
              told={row}
              differs={undefined}
              onChange={(part) => {
                onSet(r, part);
              }}
            />
          </div>
        ))}
      </div>
    </section>
  );
}
