import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { amount, unitOf } from '../../app/units';
import { AmountInput } from '../../ui/AmountInput';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { useLibrary } from '../board/useBoard';
import { painKinds, painless } from './painKinds';
import { bodyOf, clean, type Group, type LogBody, type Row, type Start } from './rows';
import { useLogChange } from './useLogChange';

/** The faults that are looked for on a rung, then all others. */
function ownFirst<T>(own: readonly T[], all: readonly T[]): T[] {
  return [...new Set([...own, ...all])];
}

/** A session as it stood on paper: one row a set and side, filled by keyboard. What stays empty was not recorded. */
export function Grid({
  start,
  label,
  submit,
}: {
  start: Start;
  label: string;
  submit: (body: LogBody) => Promise<unknown>;
}) {
  const library = useLibrary();
  const refresh = useLogChange();
  const [grid, setGrid] = useState(start);
  const { groups } = grid;
  const faultNames = new Map(library.data?.library.faults.map((fault) => [fault.id, fault.name]));
  const rungs = new Map(library.data?.library.ladders.flatMap((each) => each.rungs).map((rung) => [rung.id, rung]));
  const save = useMutation({
    mutationFn: () => submit(bodyOf(grid)),
    onSettled: refresh,
  });
  const setGroups = (next: Group[]) => {
    setGrid({ ...grid, groups: next });
  };
  const wide = (name: Exclude<keyof Start, 'groups' | 'on'>, text: string, unit: string, width: string) => (
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

  function fill(g: number) {
    setGroups(
      groups.map((group, i) =>
        i === g ? { ...group, rows: group.rows.map((row) => ({ ...row, done: String(row.target), ...clean })) } : group,
      ),
    );
  }

  const scale = (g: number, r: number, row: Row, part: 'pain' | 'effort', label: string) => (
    <input
      type="number"
      min={0}
      max={10}
      aria-label={label}
      className="w-16 rounded border border-wood bg-card px-1 py-1"
      value={row[part]}
      onChange={(event) => {
        change(g, r, { [part]: event.target.value });
      }}
    />
  );

  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
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
      {groups.map((group, g) => (
        <section key={g} aria-label={group.name} className="mb-3 rounded-lg border border-line bg-card p-3">
          <div className="flex flex-wrap items-center gap-3">
            <h3 className="font-bold">{group.name}</h3>
            <span className="text-faint">{group.dose}</span>
            <Button
              className="ml-auto"
              aria-label={`All as planned: ${group.name}`}
              onClick={() => {
                fill(g);
              }}
            >
              As planned, clean
            </Button>
          </div>
          <div className="overflow-x-auto">
            <table className="text-left text-[15px]">
              <thead>
                <tr className="text-sm text-faint [&_th]:pr-3">
                  <th scope="col">Set</th>
                  <th scope="col">Target</th>
                  <th scope="col">Done</th>
                  {group.range !== null && <th scope="col">Range, {unitOf(group.range === 'cm' ? 'cm' : '%')}</th>}
                  <th scope="col">Fault</th>
                  <th scope="col">Pain</th>
                  <th scope="col">Effort</th>
                  <th scope="col">Breathing</th>
                </tr>
              </thead>
              <tbody>
                {group.rows.map((row, r) => (
                  <tr key={r} className="[&_td]:pr-3 [&_td]:py-0.5">
                    <td>{row.side === 'both' ? r + 1 : `${Math.floor(r / 2) + 1}, ${row.side ?? ''}`}</td>
                    <td className="whitespace-nowrap">{amount(group.unit ?? 'reps', row.target)}</td>
                    <td>
                      <AmountInput
                        unit={group.unit ?? 'reps'}
                        aria-label={`Done, ${group.name}, set ${r + 1}`}
                        className="w-20"
                        asked={row.target}
                        value={row.done === '' ? undefined : Number(row.done)}
                        onChange={(done) => {
                          change(g, r, { done: `${done ?? ''}` });
                        }}
                      />
                    </td>
                    {group.range !== null && (
                      <td>
                        <AmountInput
                          unit={group.range === 'cm' ? 'cm' : '%'}
                          aria-label={`Range, ${group.name}, set ${r + 1}`}
                          className="w-18"
                          most={group.range === 'cm' ? 300 : 100}
                          asked={row.asked.target_range_cm}
                          value={row.range === '' ? undefined : Number(row.range)}
                          onChange={(range) => {
                            change(g, r, { range: `${range ?? ''}` });
                          }}
                        />
                      </td>
                    )}
                    <td>
                      <select
                        aria-label={`Fault, ${group.name}, set ${r + 1}`}
                        className="max-w-44 rounded border border-wood bg-card px-1 py-1"
                        value={row.fault}
                        onChange={(event) => {
                          change(g, r, { fault: event.target.value });
                        }}
                      >
                        <option value="">not recorded</option>
                        <option value="none">none</option>
                        {ownFirst(rungs.get(row.rung)?.faults ?? [], [...faultNames.keys()]).map((fault) => (
                          <option key={fault} value={fault}>
                            {faultNames.get(fault) ?? fault}
                          </option>
                        ))}
                      </select>
                    </td>
                    <td>
                      {scale(g, r, row, 'pain', `Pain, ${group.name}, set ${r + 1}`)}
                      {row.pain !== '' && (
                        <select
                          aria-label={`Kind of pain, ${group.name}, set ${r + 1}`}
                          className="ml-1 rounded border border-wood bg-card px-1 py-1"
                          value={row.kind}
                          onChange={(event) => {
                            change(g, r, {
                              kind: painKinds.find(([kind]) => kind === event.target.value)?.[0] ?? '',
                            });
                          }}
                        >
                          <option value="">kind not recorded</option>
                          {painKinds
                            .filter(([kind]) => row.pain !== '0' || painless.includes(kind))
                            .map(([kind, label]) => (
                              <option key={kind} value={kind}>
                                {label}
                              </option>
                            ))}
                        </select>
                      )}
                    </td>
                    <td>{scale(g, r, row, 'effort', `Effort, ${group.name}, set ${r + 1}`)}</td>
                    <td>
                      <select
                        aria-label={`Breathing, ${group.name}, set ${r + 1}`}
                        className="rounded border border-wood bg-card px-1 py-1"
                        value={row.breathing}
                        onChange={(event) => {
                          change(g, r, { breathing: event.target.value });
                        }}
                      >
                        <option value="">not recorded</option>
                        <option value="yes">free</option>
                        <option value="no">held</option>
                      </select>
                    </td>
                  </tr>
                ))}
              </tbody>
            </table>
          </div>
        </section>
      ))}
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {save.error?.message}
      </p>
      <Button
        look="act"
        type="submit"
        disabled={save.isPending || !groups.some((group) => group.rows.some((row) => row.done !== ''))}
      >
        {save.isPending ? 'Saving …' : label}
      </Button>
      <span className="ml-3 text-sm text-faint">
        What stays empty was not recorded, and never counts as good. Rows without “done” are left out.
      </span>
    </form>
  );
}
