import { OctagonAlert, Plus } from 'lucide-react';
import { useEffect, useState } from 'react';
import { Link } from 'react-router';
import { dayAndMonth, today } from '../../lib/dates';
import { dayNames } from '../../lib/words';
import { useMe } from '../../lib/session';
import { Button } from '../../ui/Button';
import { SelectField, Tick } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { cueKinds, isOn, turn } from '../../parts/run/cues';
import { Lane, Short } from './Lane';
import { byDay } from '../../parts/week/byDay';
import { startRun } from '../../parts/run/start';
import { load, send, stopAll, takeBack, useFloor, type Link as LinkState } from '../../parts/run/store';
import { useAwake } from '../../parts/run/useAwake';
import { Wrong } from '../../parts/run/Wrong';
import { useClients } from '../../parts/client/useClients';
import { useBoardOf } from '../../parts/board/useBoard';
import { useWeekToRun } from './queries';

/** Sessions while they are run: one lane a client or group, each with its clock. */
export function FloorPage() {
  const { runs, loaded, link, unkept, elsewhere } = useFloor();
  const [chosen, setChosen] = useState<string | null>(null);
  const [adds, setAdds] = useState(false);
  const [wrong, setWrong] = useState(false);
  const awake = useAwake(runs.some((run) => run.since !== null));
  const me = useMe().data;
  const studio = me?.studio_id ?? '';
  useEffect(() => {
    if (studio !== '') void load();
  }, [studio]);
  function somethingIsWrong() {
    stopAll();
    setWrong(true);
  }
  useEffect(() => {
    const press = (event: KeyboardEvent) => {
      if (event.key === '!' && !(event.target instanceof HTMLInputElement)) somethingIsWrong();
    };
    window.addEventListener('keydown', press);
    return () => {
      window.removeEventListener('keydown', press);
    };
  }, []);
  if (elsewhere) {
    return (
      <div className="p-6">
        <p className="mb-3 text-xl">The floor is open in another window; its clocks run there.</p>
        <Button look="act" onClick={takeBack}>
          Use it here
        </Button>
      </div>
    );
  }
  if (!loaded) return <Waiting what="the floor" />;
  const active = runs.find((run) => run.id === chosen) ?? runs[runs.length - 1];
  return (
    <div data-floor className="mx-auto max-w-[100rem] px-3 pb-20 sm:px-4">
      <div className="flex flex-wrap items-center gap-x-4 gap-y-1 py-2">
        <h1 className="sr-only sm:not-sr-only sm:text-xl sm:font-bold">Floor</h1>
        {runs.length > 0 && (
          <Button
            aria-expanded={adds}
            onClick={() => {
              setAdds(!adds);
            }}
          >
            <Plus size={18} aria-hidden /> Another client
          </Button>
        )}
        <Connection link={link} unkept={unkept} />
        <Settings awake={awake} />
      </div>
      {runs.length > 1 && (
        <div
          role="group"
          aria-label="Who"
          className="sticky top-0 z-20 -mx-3 mb-2 flex flex-wrap gap-1 bg-paper px-3 py-1"
        >
          {runs.map((run) => (
            <button
              key={run.id}
              type="button"
              aria-pressed={run === active}
              onClick={() => {
                setChosen(run.id);
              }}
              className={`min-h-11 rounded-md border px-3 font-semibold ${run === active ? 'border-stand bg-stand text-on-stand' : 'border-line bg-card'}`}
            >
              {run.plan.title} <Short run={run} />
            </button>
          ))}
        </div>
      )}
      {(adds || runs.length === 0) && (
        <AddClient
          onDone={() => {
            setAdds(false);
          }}
        />
      )}
      {runs.length === 0 && (
        <p className="my-4 text-lg">
          Nobody is on the floor. Choose who trains now, or run a session from the week of a client or from{' '}
          <Link to="/group" className="underline">
            a group
          </Link>
          .
        </p>
      )}
      <div className={runs.length > 1 ? 'grid grid-cols-[minmax(0,1fr)] gap-4 xl:grid-cols-2' : ''}>
        {runs.map((run) => (
          <div
            key={run.id}
            className={run === active ? '' : 'hidden xl:block'}
            onFocusCapture={() => {
              setChosen(run.id);
            }}
            onPointerDownCapture={() => {
              setChosen(run.id);
            }}
          >
            <Lane run={run} takesKeys={run === active && !wrong} alone={runs.length === 1} />
          </div>
        ))}
      </div>
      <div className="fixed inset-x-0 bottom-0 z-30 flex justify-center border-t border-line bg-paper/95 p-1.5 print:hidden">
        <Button className="min-h-11 w-full max-w-md border-2 border-warn text-lg text-warn" onClick={somethingIsWrong}>
          <OctagonAlert size={22} aria-hidden /> Something is wrong
        </Button>
      </div>
      {wrong && (
        <Wrong
          people={runs.flatMap((run) => run.plan.members)}
          steps={me?.emergency_steps ?? active?.plan.emergency ?? []}
          onClose={() => {
            setWrong(false);
          }}
        />
      )}
    </div>
  );
}

function Connection({ link, unkept }: { link: LinkState; unkept: boolean }) {
  return (
    <p
      role="status"
      data-link={link}
      className={`text-[0.9375rem] ${link === 'sent' ? 'text-faint' : 'font-semibold'}`}
    >
      {unkept && <b className="text-warn">This browser keeps nothing on the device: do not close the page. </b>}
      {
        {
          sent: 'All of it is on the server.',
          sending: 'Sending …',
          waiting: 'Kept on this device; it is sent when the server can be reached.',
          'signed-out': 'Kept on this device; sign in again and it is sent.',
        }[link]
      }
      {link === 'waiting' && (
        <button
          type="button"
          className="ml-2 min-h-8 underline"
          onClick={() => {
            void send();
          }}
        >
          Try now
        </button>
      )}
      {link === 'signed-out' && (
        <Link to="/sign-in" state={{ from: '/floor' }} className="ml-2 underline">
          Sign in
        </Link>
      )}
    </p>
  );
}

function Settings({ awake }: { awake: boolean | null }) {
  const [, again] = useState(0);
  return (
    <details className="ml-auto">
      <summary className="flex min-h-10 cursor-pointer items-center px-2 font-semibold">Cues and keys</summary>
      <div className="absolute right-3 z-20 w-80 max-w-[95vw] rounded-lg border border-line bg-card p-3 shadow-lg">
        {cueKinds.map(([kind, label]) => (
          <Tick
            key={kind}
            label={label}
            checked={isOn(kind)}
            onChange={(on) => {
              turn(kind, on);
              again((n) => n + 1);
            }}
          />
        ))}
        <p className="mt-2 text-[0.9375rem]">
          {awake === null
            ? 'This browser cannot keep the screen awake here: set the device not to sleep, or open the page over https.'
            : awake
              ? 'The screen is kept awake.'
              : 'The screen is kept awake while a clock runs.'}
        </p>
        <dl className="mt-2 grid grid-cols-[auto_1fr] gap-x-3 text-[0.9375rem]">
          {[
            ['Space', 'go, stand'],
            ['→', 'skip'],
            ['←', 'again'],
            ['+', '10 s more'],
            ['1 to 9', 'end the set with that fault'],
            ['C', 'last set was clean'],
            ['!', 'something is wrong'],
          ].map(([key, what]) => (
            <div key={key} className="contents">
              <dt>
                <kbd className="rounded border border-line px-1">{key}</kbd>
              </dt>
              <dd>{what}</dd>
            </div>
          ))}
        </dl>
      </div>
    </details>
  );
}

function AddClient({ onDone }: { onDone: () => void }) {
  const [client, setClient] = useState('');
  const [chosen, setWeek] = useState('');
  const clients = useClients();
  const board = useBoardOf(client);
  const week = chosen === '' ? String(board.data?.present_week ?? 1) : chosen;
  const at = useWeekToRun(client, week, board.data !== undefined);
  const [error, setError] = useState<string | null>(null);
  const sessions = at.data?.sessions ?? [];
  return (
    <section aria-label="Who trains now" className="mb-3 max-w-2xl rounded-lg border border-line bg-card p-4">
      <div className="flex flex-wrap gap-3">
        <SelectField
          label="Who trains now"
          className="min-w-60 flex-1"
          value={client}
          options={[['', 'Choose …'], ...(clients.data?.clients ?? []).map((each) => [each.id, each.name] as const)]}
          onChange={setClient}
        />
        <SelectField
          label="Week"
          className="w-44"
          value={week}
          options={(board.data?.week_days ?? []).map(
            ({ from }, i) =>
              [String(i + 1), from === null ? String(i + 1) : `${i + 1}, from ${dayAndMonth(from)}`] as const,
          )}
          onChange={setWeek}
        />
      </div>
      {client !== '' && at.isError && <Notice title={at.error.message} />}
      {client !== '' && at.isSuccess && sessions.length === 0 && <p className="mt-2">No session in this week.</p>}
      <div className="mt-3 flex flex-wrap gap-2">
        {byDay(sessions).map((session) => (
          <Button
            key={session.number}
            look={session.date === today() && session.state !== 'done' ? 'act' : 'plain'}
            className="min-h-12"
            onClick={() => {
              setError(null);
              void startRun(client, Number(week), session.number).then(onDone, (problem: unknown) => {
                setError(problem instanceof Error ? problem.message : 'That did not work.');
              });
            }}
          >
            {dayNames[session.day]}
            {session.date !== null && `, ${dayAndMonth(session.date)}`}, {session.total.text}
            {session.state !== 'planned' && `, ${session.state === 'running' ? 'on the floor' : session.state}`}
          </Button>
        ))}
      </div>
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {error}
      </p>
    </section>
  );
}
