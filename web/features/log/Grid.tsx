import { useMutation } from '@tanstack/react-query';
import { ApiError, type Schemas } from '../../api/client';
import { amount, unitOf } from '../../lib/units';
import { AmountInput } from '../../ui/AmountInput';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { useKept } from '../../lib/useKept';
import { useLibrary } from '../../parts/board/useBoard';
import { alike, Answers } from './Answers';
import { bodyOf, well, type Group, type LogBody, type Row, type Start } from './rows';
import { useLogChange } from '../../parts/log/useLogChange';

/** The faults that are looked for on a rung, then all others. */
function ownFirst<T>(own: readonly T[], all: readonly T[]): T[] {
  return [...new Set([...own, ...all])];
}

/** Where another log of the session says something else; null where nothing of that kind went wrong. */
function differencesOf(error: Error | null): string[] | null {
  const current = error instanceof ApiError ? error.problem.current : undefined;
  return current !== undefined && 'differences' in current ? (current.differences ?? null) : null;
}

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
      className="mt-2 flex flex-wrap items-center gap-2 text-[15px]"
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

/** A session as it stood on paper: one row a set and side, filled by keyboard. What stays empty was not recorded. */
export function Grid({
  start,
  label,
  easy,
  asks,
  kept,
  submit,
}: {
  start: Start;
  /** the effort that "easy" stands for */
  easy: number;
  /** what must all be so to move up on a ladder */
  asks: readonly Schemas['Tick'][];
  /** under what name it stays on the device until it is saved or thrown away */
  kept: string;
  label: string;
  submit: (body: LogBody) => Promise<unknown>;
}) {
  const library = useLibrary();
  const refresh = useLogChange();
  const signature = JSON.stringify(
    start.groups.map((group) => [group.name, group.rows.map(({ rung, side, target }) => [rung, side, target])]),
  );
  const [grid, setGrid, drop, isTyped] = useKept(kept, start, signature);
  const { groups } = grid;
  const faultNames = new Map(library.data?.library.faults.map((fault) => [fault.id, fault.name]));
  const rungs = new Map(library.data?.library.ladders.flatMap((each) => each.rungs).map((rung) => [rung.id, rung]));
  const save = useMutation({
    mutationFn: (over: boolean) => submit({ ...bodyOf(grid), ...(over ? { over } : {}) }),
    onSuccess: drop,
    onSettled: refresh,
  });
  const differences = differencesOf(save.error);
  const setGroups = (next: Group[]) => {
    setGrid({ ...grid, groups: next });
  };
  const wide = (name: Exclude<keyof Start, 'groups' | 'on' | 'ticks'>, text: string, unit: string, width: string) => (
    <TextField
      label={text}
      unit={unit}
      type="number"
      value={grid[name]}
      className={width}
      onChange={(value) => {
        setGrid({ ...grid, [name]: value });
      }}
    />
  );

  function change(g: number, r: number, part: Partial<Row>) {
    setGroups(
      groups.map((group, i) =>
        i === g ? { ...group, rows: group.rows.map((row, k) => (k === r ? { ...row, ...part } : row)) } : group,
      ),
    );
  }

  function changeAll(g: number, part: Partial<Row>) {
    setGroups(
      groups.map((group, i) => (i === g ? { ...group, rows: group.rows.map((row) => ({ ...row, ...part })) } : group)),
    );
  }

  /** As planned, clean, breathing, easy, no pain: of one exercise, or of all of them. */
  function fill(g?: number) {
    const of = (i: number) => g === undefined || i === g;
    const all = asks.map(({ id }) => id);
    setGrid({
      ...grid,
      groups: groups.map((group, i) =>
        of(i)
          ? { ...group, rows: group.rows.map((row) => ({ ...row, done: String(row.target), ...well(easy) })) }
          : group,
      ),
      ticks: {
        ...grid.ticks,
        ...Object.fromEntries(groups.filter((_, i) => of(i) && isLast(i)).map(({ ladder }) => [ladder, all])),
      },
    });
  }

  /** Whether no exercise of the ladder comes after it. */
  function isLast(g: number): boolean {
    return groups.every((group, i) => i <= g || group.ladder !== groups[g]?.ladder);
  }

  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate(false);
      }}
    >
      <div className="mb-3 flex flex-wrap gap-3">
        <TextField
          label="Done on"
          type="date"
          value={grid.on}
          className="w-44"
          onChange={(on) => {
            setGrid({ ...grid, on });
          }}
        />
        {wide('soreness', 'Soreness', '0–10', 'w-32')}
        {wide('pain_before', 'Pain before', '0–10', 'w-36')}
        {wide('pain_next_day', 'Pain the day after', '0–10', 'w-48')}
        {wide('effort', 'Session effort', '0–10', 'w-40')}
        {wide('minutes', 'Lasted', 'min', 'w-32')}
      </div>
      {groups.length > 1 && (
        <Button
          className="mb-3 min-h-11"
          onClick={() => {
            fill();
          }}
        >
          The whole session as planned, clean, breathing, easy, no pain
        </Button>
      )}
      {groups.map((group, g) => {
        const { told, differs } = alike(group.rows);
        const unit = group.unit ?? 'reps';
        const range = group.range === 'cm' ? 'cm' : '%';
        const first = group.rows[0];
        const faults = ownFirst(rungs.get(first?.rung ?? '')?.faults ?? [], [...faultNames.keys()]).map(
          (fault) => [fault, faultNames.get(fault) ?? fault] as const,
        );
        return (
          <section key={g} aria-label={group.name} className="mb-3 rounded-lg border border-line bg-card p-3">
            <div className="mb-1 flex flex-wrap items-center gap-3">
              <h3 className="font-bold">{group.name}</h3>
              <span className="text-faint">{group.dose}</span>
              <Button
                className="ml-auto"
                aria-label={`All as planned: ${group.name}`}
                onClick={() => {
                  fill(g);
                }}
              >
                As planned, clean, easy
              </Button>
            </div>
            <Answers
              of={group.name}
              unit={unit}
              asked={first?.target ?? 0}
              lastLoad={group.lastLoad}
              lastBand={group.lastBand}
              banded={group.banded}
              told={told}
              differs={differs}
              faults={faults}
              onChange={(part) => {
                changeAll(g, part);
              }}
            />
            {isLast(g) && (
              <Ticks
                of={group.name}
                asks={asks}
                ticked={grid.ticks[group.ladder]}
                onChange={(ticked) => {
                  setGrid({ ...grid, ticks: { ...grid.ticks, [group.ladder]: ticked } });
                }}
              />
            )}
            <details className="mt-1">
              <summary className="min-h-8 cursor-pointer text-[15px] text-faint">
                {group.rows.length} {group.rows.length === 1 ? 'set' : 'sets'} of {amount(unit, first?.target ?? 0)}
                {differs.size > 0 && ', they differ'}
              </summary>
              {group.rows.map((row, r) => (
                <div key={r} className="mt-1 flex flex-wrap items-end gap-2 border-t border-line pt-1">
                  <span className="w-20 text-[15px]">
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
                          change(g, r, { range: `${went ?? ''}` });
                        }}
                      />
                    </span>
                  )}
                  <Answers
                    of={`${group.name}, set ${r + 1}`}
                    unit={unit}
                    asked={row.target}
                    lastLoad={null}
                    lastBand={group.lastBand}
                    banded={group.banded}
                    told={row}
                    faults={faults}
                    onChange={(part) => {
                      change(g, r, part);
                    }}
                  />
                </div>
              ))}
            </details>
          </section>
        );
      })}
      {differences === null ? (
        <p role="alert" className="font-semibold text-warn empty:hidden">
          {save.error?.message}
        </p>
      ) : (
        <div role="alert" className="mb-2 rounded-md border-2 border-warn bg-warn-soft p-3">
          <p className="font-semibold">Another log of this session of that day is there and says something else:</p>
          <ul className="list-disc pl-5">
            {differences.map((each) => (
              <li key={each}>{each}</li>
            ))}
          </ul>
          <div className="mt-1 flex gap-2">
            <Button
              disabled={save.isPending}
              onClick={() => {
                save.mutate(true);
              }}
            >
              This one counts
            </Button>
            <Button
              onClick={() => {
                save.reset();
              }}
            >
              Look at both again
            </Button>
          </div>
        </div>
      )}
      <Button
        look="act"
        type="submit"
        disabled={save.isPending || !groups.some((group) => group.rows.some((row) => row.done !== ''))}
      >
        {save.isPending ? 'Saving …' : label}
      </Button>
      {isTyped && (
        <Button look="quiet" disabled={save.isPending} onClick={drop}>
          Throw away what was typed
        </Button>
      )}
      <span className="ml-3 text-sm text-faint">
        What stays empty was not recorded, and never counts as good. Rows without “done” are left out.
      </span>
    </form>
  );
}
