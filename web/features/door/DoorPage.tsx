import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { answer, api, isConflict, type Schemas } from '../../api/client';
import { today } from '../../app/dates';
import { dayNames } from '../../app/words';
import { useKept } from '../../app/useKept';
import { Button } from '../../ui/Button';
import { Code } from '../../ui/Code';
import { TextField, Tick, toggled } from '../../ui/Field';
import { Kept } from '../../ui/Kept';
import { Notice, Waiting } from '../../ui/Notice';
import { useBoard, useClientId, useLibrary } from '../board/useBoard';
import { newKey } from '../floor/run';
import { Scale } from '../floor/Scale';
import { dayOf, startRun } from '../floor/start';
import { useLogChange } from '../log/useLogChange';
import { ChooseWeek } from '../week/ChooseWeek';
import { useWeek } from '../week/useWeek';
import { ShareBar } from '../week/Week';

type Door = Schemas['Door'];
type Session = Schemas['BoardSession'];

/** What the client says at the door. */
interface Said {
  sore: string[];
  soreness?: number | undefined;
  pain?: number | undefined;
  minutes: string;
  kit: string[] | null;
}

/** One card as the client walks in; one tap rewrites the session of today. */
export function DoorPage() {
  const client = useClientId();
  const board = useBoard();
  const library = useLibrary();
  const at = useWeek();
  const [search] = useSearchParams();
  const navigate = useNavigate();
  const refresh = useLogChange();
  const sessions = at.week?.sessions ?? [];
  const asked = Number(search.get('place') ?? 0) - 1;
  const ofToday = sessions.findIndex((each) => each.day === dayOf(today()));
  const [picked, setPicked] = useState<number | null>(null);
  const place = picked ?? (asked >= 0 ? asked : Math.max(0, ofToday));
  const [said, setSaid, drop] = useKept<Said>(`door:${client}`, { sore: [], minutes: '', kit: null }, today());
  const { sore, soreness, pain, minutes, kit } = said;
  const tell = (part: Partial<Said>) => {
    setSaid((before) => ({ ...before, ...part }));
  };
  const body: Schemas['DoorRequest'] = {
    version: board.data?.version ?? 1,
    week: at.number,
    place: place + 1,
    sore,
    ...(soreness === undefined ? {} : { soreness }),
    ...(pain === undefined ? {} : { pain }),
    ...(minutes === '' ? {} : { minutes: Number(minutes) }),
    ...(kit === null ? {} : { equipment: kit }),
  };
  const check = useQuery({
    queryKey: ['door', client, body],
    queryFn: () => answer(api.POST('/clients/{client}/door/check', { params: { path: { client } }, body })),
    enabled: board.data !== undefined && sessions[place] !== undefined,
    placeholderData: (before) => before,
    retry: false,
  });
  const run = useMutation({
    mutationFn: async (rewrites: boolean) => {
      if (rewrites) await answer(api.POST('/clients/{client}/door', { params: { path: { client } }, body }));
      await startRun(client, at.number, place + 1, { soreness, pain_before: pain });
    },
    onSuccess: async () => {
      drop();
      await navigate('/floor');
    },
    onSettled: refresh,
  });
  const only = useMutation({
    mutationFn: () => answer(api.POST('/clients/{client}/door', { params: { path: { client } }, body })),
    onSuccess: () => navigate(`../week?week=${at.number}`),
    onSettled: refresh,
  });
  const stop = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/clients/{client}/logs', {
          params: { path: { client } },
          body: {
            key: newKey(),
            on: today(),
            ...(soreness === undefined ? {} : { soreness }),
            ...(pain === undefined ? {} : { pain_before: pain }),
            sets: (sessions[place]?.blocks ?? [])
              .flatMap((block) => block.entries)
              .filter((entry) => entry.ladder !== null)
              .flatMap((entry) =>
                entry.grid.map(({ side, target, asked: what }) => ({
                  rung: entry.exercise,
                  side,
                  target,
                  ...what,
                  done: 0,
                })),
              ),
          },
        }),
      ),
    onSuccess: () => navigate('../log'),
    onSettled: refresh,
  });
  if (board.data === undefined || library.data === undefined) return <Waiting what="the door" />;
  const session = sessions[place];
  const equipment = kit ?? board.data.client.equipment;
  const home = board.data.client.home_equipment;
  const door = check.data;
  const problem = [run, only, stop].find((each) => each.isError)?.error ?? null;
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[26rem_minmax(0,1fr)]">
      <section aria-label="At the door" className="space-y-4 rounded-lg border-2 border-stand bg-card p-4">
        <h2 className="text-2xl font-bold">At the door</h2>
        <ChooseWeek at={at} />
        <div role="group" aria-label="Session" className="flex flex-wrap gap-1">
          {sessions.map((each, i) => (
            <Button
              key={i}
              aria-pressed={i === place}
              className={i === place ? 'border-stand bg-stand text-on-stand' : ''}
              onClick={() => {
                setPicked(i);
              }}
            >
              {dayNames[each.day]} {each.total.text}
            </Button>
          ))}
        </div>
        <div>
          <TextField
            label="Really left"
            unit="min"
            type="number"
            className="w-44"
            value={minutes}
            onChange={(text) => {
              tell({ minutes: text });
            }}
          />
          <div className="mt-1 flex flex-wrap gap-1">
            {[5, 10, 15, 20, 30].map((each) => (
              <Button
                key={each}
                aria-pressed={minutes === String(each)}
                className={`min-h-11 px-2 whitespace-nowrap ${minutes === String(each) ? 'border-stand bg-stand text-on-stand' : ''}`}
                onClick={() => {
                  tell({ minutes: String(each) });
                }}
              >
                {each} min
              </Button>
            ))}
          </div>
        </div>
        <Scale
          label="Pain now"
          ends={['none', 'worst']}
          {...(check.data === undefined ? {} : { warnOver: check.data.stop_over })}
          value={pain}
          onChange={(told) => {
            tell({ pain: told });
          }}
        />
        <Scale
          label="Soreness of the trunk"
          ends={['none', 'worst']}
          value={soreness}
          onChange={(told) => {
            tell({ soreness: told });
          }}
        />
        <fieldset>
          <legend className="font-semibold">Sore or stiff where</legend>
          <div className="mt-1 flex flex-wrap gap-1.5">
            {library.data.library.limits
              .filter((limit) => limit.kind === 'soreness')
              .map((limit) => (
                <Button
                  key={limit.id}
                  aria-pressed={sore.includes(limit.id)}
                  className={`min-h-11 ${sore.includes(limit.id) ? 'border-stand bg-stand text-on-stand' : ''}`}
                  onClick={() => {
                    tell({ sore: toggled(sore, limit.id, !sore.includes(limit.id)) });
                  }}
                >
                  {limit.name}
                </Button>
              ))}
          </div>
        </fieldset>
        <fieldset>
          <legend className="font-semibold">Kit at hand</legend>
          {home !== null && (
            <div className="my-1 flex gap-1">
              <Button
                onClick={() => {
                  tell({ kit: null });
                }}
              >
                At the studio
              </Button>
              <Button
                onClick={() => {
                  tell({ kit: home });
                }}
              >
                At home
              </Button>
            </div>
          )}
          <div className="grid grid-cols-2">
            {library.data.library.equipment.map((each) => (
              <Tick
                key={each.id}
                label={each.name}
                checked={equipment.includes(each.id)}
                onChange={(on) => {
                  tell({ kit: toggled(equipment, each.id, on) });
                }}
              />
            ))}
          </div>
        </fieldset>
      </section>
      <div>
        {session === undefined && <p className="text-faint">No session is planned in this week.</p>}
        {check.isError && <Notice title={check.error.message} />}
        {check.data !== undefined && session !== undefined && (
          <Result
            door={check.data}
            busy={run.isPending || only.isPending || stop.isPending}
            onRun={(rewrites) => {
              run.mutate(rewrites);
            }}
            onKeep={() => {
              only.mutate();
            }}
            onStop={() => {
              stop.mutate();
            }}
          />
        )}
        <p role="alert" className="mt-2 font-semibold text-warn empty:hidden">
          {isConflict(problem) ? 'Somebody else changed this client in the meantime; look again.' : problem?.message}
        </p>
      </div>
      {door?.new != null && (
        <div className="sticky bottom-0 -mx-4 flex items-center gap-3 border-t border-line bg-paper px-4 py-2 lg:hidden">
          <span className="text-lg">
            {door.old.total.text} → <b>{door.new.total.text}</b>
          </span>
          <Button
            look="act"
            className="ml-auto min-h-12 px-4 text-lg"
            disabled={run.isPending}
            onClick={() => {
              run.mutate(door.changes.length > 0);
            }}
          >
            {door.changes.length > 0 ? 'Rewrite and run' : 'Run as planned'}
          </Button>
        </div>
      )}
    </div>
  );
}

const hows = { swapped: 'Swapped', eased: 'Less', 'left-out': 'Left out', cut: 'Cut' } as const;

function Result({
  door,
  busy,
  onRun,
  onKeep,
  onStop,
}: {
  door: Door;
  busy: boolean;
  onRun: (rewrites: boolean) => void;
  onKeep: () => void;
  onStop: () => void;
}) {
  const changes = door.changes.length > 0;
  return (
    <>
      {door.refers && (
        <div role="alert" className="mb-3 rounded-md border-2 border-warn bg-warn-soft p-3 text-warn">
          <p className="text-2xl font-bold">No training today.</p>
          <p className="text-lg">{door.why}</p>
          <Button className="mt-2 min-h-12 border-warn" disabled={busy} onClick={onStop}>
            Write it down: nothing done today
          </Button>
        </div>
      )}
      {!door.refers && door.new === null && (
        <div className="mb-3">
          <Notice title={door.why ?? ''}>
            {door.changes.map((change, i) => (
              <p key={i}>{change.why}</p>
            ))}
          </Notice>
        </div>
      )}
      {door.new !== null && (
        <>
          <div className="mb-3 flex flex-wrap items-center gap-2">
            <Button
              look="act"
              className="hidden min-h-14 px-5 text-xl lg:inline-flex"
              disabled={busy}
              onClick={() => {
                onRun(changes);
              }}
            >
              {changes ? 'Rewrite and run' : 'Run as planned'}
            </Button>
            {changes && (
              <Button className="min-h-14" disabled={busy} onClick={onKeep}>
                Rewrite only
              </Button>
            )}
            <span className="text-faint">{changes && 'Undo brings the planned session back.'}</span>
          </div>
          {changes && (
            <ul className="mb-4 space-y-1.5 rounded-lg border border-line bg-card p-3" aria-label="What changes">
              {door.changes.map((change, i) => (
                <li key={i} className="leading-snug">
                  <b>{hows[change.how]}:</b> {change.what}
                  {change.to !== null && (
                    <>
                      {' → '}
                      <b>{change.to}</b>
                    </>
                  )}
                  <span className="block text-[15px] text-faint">{change.why}</span>
                </li>
              ))}
            </ul>
          )}
          <div className="grid gap-4 xl:grid-cols-2">
            <Side title="As planned" session={door.old} other={door.new} directions={door.before} />
            {changes && <Side title="Today" session={door.new} other={door.old} directions={door.after} />}
          </div>
        </>
      )}
    </>
  );
}

function Side({
  title,
  session,
  other,
  directions,
}: {
  title: string;
  session: Session;
  other: Session;
  directions: Schemas['BoardDirection'][];
}) {
  const known = new Set(
    other.blocks.flatMap((block) => block.entries.map((entry) => `${entry.exercise} ${entry.dose}`)),
  );
  return (
    <section aria-label={title} className="rounded-lg border border-line bg-card p-3">
      <h3 className="flex items-baseline text-lg font-bold">
        {title}
        <span className="ml-auto text-2xl" data-door-total={title}>
          {session.total.text}
        </span>
      </h3>
      <ul>
        {session.blocks.flatMap((block) =>
          block.entries.map((entry, i) => (
            <li key={`${entry.exercise}${i}`} className="flex gap-2 border-b border-line py-1 last:border-0">
              <Code code={entry.category ?? '–'} />
              <span
                className={`flex-1 leading-tight ${known.has(`${entry.exercise} ${entry.dose}`) ? '' : 'font-bold'}`}
              >
                {entry.name}
                <span className="block text-sm font-normal text-faint">{entry.dose}</span>
                <Kept unsafe={entry.unsafe} insisted={entry.insisted} />
              </span>
              <span className="text-faint">{entry.total.text}</span>
            </li>
          )),
        )}
      </ul>
      <p className="mt-2 mb-1 text-sm text-faint">The week with it</p>
      <ShareBar directions={directions} />
      <p className="mt-1 text-sm">
        {directions.map((each) => (
          <span
            key={each.code}
            className={`mr-3 inline-block ${each.sessions < each.target ? 'font-semibold text-warn' : ''}`}
          >
            {each.code} {each.sessions} of {each.target}, {each.work.text}
          </span>
        ))}
      </p>
    </section>
  );
}
