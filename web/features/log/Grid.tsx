import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { today } from '../../app/dates';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { newKey } from '../floor/run';
import { useClientId, useLibrary } from '../board/useBoard';
import { painKinds, type PainKind } from './painKinds';
import { useLogChange } from './useLogChange';

type Session = Schemas['BoardSession'];
type Sent = Schemas['LogRequest']['sets'][number];

interface Row {
  rung: string;
  side: Sent['side'];
  target: number;
  done: string;
  fault: string;
  pain: string;
  kind: PainKind | '';
  effort: string;
  breathing: string;
}

const clean = { fault: 'none', pain: '0', effort: '5', breathing: 'yes' };

function rowsOf(session: Session): { name: string; dose: string; unit: string | null; rows: Row[] }[] {
  return session.blocks
    .flatMap((block) => block.entries)
    .filter((entry) => entry.ladder !== null)
    .map((entry) => ({
      name: entry.name,
      dose: entry.dose,
      unit: entry.unit,
      rows: entry.grid.map((row) => ({
        rung: entry.exercise,
        side: row.side,
        target: row.target,
        done: '',
        fault: '',
        pain: '',
        kind: '',
        effort: '',
        breathing: '',
      })),
    }));
}

/** A session as it stood on paper: one row a set and side, filled by keyboard. What stays empty was not recorded. */
export function Grid({ session }: { session: Session }) {
  const client = useClientId();
  const library = useLibrary();
  const refresh = useLogChange();
  const [groups, setGroups] = useState(() => rowsOf(session));
  const [on, setOn] = useState(today());
  const [soreness, setSoreness] = useState('');
  const [before, setBefore] = useState('');
  const [after, setAfter] = useState('');
  const [effort, setEffort] = useState('');
  const [minutes, setMinutes] = useState('');
  const [key, setKey] = useState(() => newKey());
  const faultNames = new Map(library.data?.library.faults.map((fault) => [fault.id, fault.name]));
  const rungs = new Map(library.data?.library.ladders.flatMap((each) => each.rungs).map((rung) => [rung.id, rung]));
  const save = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/clients/{client}/logs', {
          params: { path: { client } },
          body: {
            key,
            on,
            ...number('soreness', soreness),
            ...number('pain_before', before),
            ...number('pain_next_day', after),
            ...number('effort', effort),
            ...number('minutes', minutes),
            sets: groups.flatMap((group) => group.rows.filter((row) => row.done !== '').map(toSent)),
          },
        }),
      ),
    onSuccess: () => {
      setGroups(rowsOf(session));
      setKey(newKey());
      for (const clear of [setSoreness, setBefore, setAfter, setEffort, setMinutes]) clear('');
    },
    onSettled: refresh,
  });

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
        <TextField label="Done on" type="date" value={on} onChange={setOn} className="w-44" />
        <TextField
          label="Soreness"
          unit="0–10"
          type="number"
          value={soreness}
          onChange={setSoreness}
          className="w-32"
        />
        <TextField label="Pain before" unit="0–10" type="number" value={before} onChange={setBefore} className="w-36" />
        <TextField
          label="Pain the day after"
          unit="0–10"
          type="number"
          value={after}
          onChange={setAfter}
          className="w-48"
        />
        <TextField
          label="Session effort"
          unit="0–10"
          type="number"
          value={effort}
          onChange={setEffort}
          className="w-40"
        />
        <TextField label="Lasted" unit="min" type="number" value={minutes} onChange={setMinutes} className="w-32" />
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
                    <td className="whitespace-nowrap">
                      {row.target} {group.unit}
                    </td>
                    <td>
                      <input
                        type="number"
                        min={0}
                        aria-label={`Done, ${group.name}, set ${r + 1}`}
                        className="w-20 rounded border border-wood bg-card px-1 py-1"
                        value={row.done}
                        onChange={(event) => {
                          change(g, r, { done: event.target.value });
                        }}
                      />
                    </td>
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
                        {rungs.get(row.rung)?.faults.map((fault) => (
                          <option key={fault} value={fault}>
                            {faultNames.get(fault) ?? fault}
                          </option>
                        ))}
                      </select>
                    </td>
                    <td>
                      {scale(g, r, row, 'pain', `Pain, ${group.name}, set ${r + 1}`)}
                      {Number(row.pain) > 0 && (
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
                          {painKinds.map(([kind, label]) => (
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
        {save.isPending ? 'Saving …' : 'Save the log'}
      </Button>
      <span className="ml-3 text-sm text-faint">
        What stays empty was not recorded, and never counts as good. Rows without “done” are left out.
      </span>
    </form>
  );
}

function number(name: 'soreness' | 'pain_before' | 'pain_next_day' | 'effort' | 'minutes', text: string) {
  return text.trim() === '' ? {} : { [name]: Number(text) };
}

function toSent(row: Row): Sent {
  return {
    rung: row.rung,
    ...(row.side === undefined ? {} : { side: row.side }),
    target: row.target,
    done: Number(row.done),
    ...(row.fault === '' ? {} : { faults: row.fault === 'none' ? [] : [row.fault] }),
    ...(row.pain === ''
      ? {}
      : { pain: Number(row.pain), ...(row.pain === '0' || row.kind === '' ? {} : { pain_kind: row.kind }) }),
    ...(row.effort === '' ? {} : { effort: Number(row.effort) }),
    ...(row.breathing === '' ? {} : { breathing: row.breathing === 'yes' }),
  };
}
