import { useEffect, useState } from 'react';
import { ArrowLeft, Check, Pause, Play, SkipForward, Undo2 } from 'lucide-react';
import { Button } from '../ui/Button';
import { Following, Moving, Still } from '../ui/Figure';
import { countdown } from '../lib/clock';
import { Choice, Kinds } from '../parts/run/answers';
import { sound, wake } from '../parts/run/cues';
import {
  advance,
  doneOf,
  elapsedAt,
  isOver,
  leaveWarmUp,
  lengthOf,
  pause,
  repeat,
  report,
  resume,
  skip,
  stops,
  tell,
  type Ending,
  type Run,
} from '../parts/run/run';
import { Scale } from '../parts/run/Scale';
import { useAwake } from '../parts/run/useAwake';
import { sideNames } from '../parts/run/words';
import { MOST_WORD } from './code';
import { own } from './document';
import { exercisesOf, finish, isWhole, lock } from './finish';
import { change, changeRun, runOf, useKept } from './kept';

const whats = {
  'warm-up': 'Warm-up',
  work: 'Work',
  rest: 'Rest',
  side: 'Change sides',
  station: 'Next exercise',
  'cool-down': 'Cool-down',
} as const;

const TICK_MS = 100;

/** One session: how it is today, the clock, the exercises with their sets, and the end. */
export function SessionPage({ session, paused, onLeave }: { session: number; paused: boolean; onLeave: () => void }) {
  const kept = useKept();
  const run = runOf(kept, session);
  const [at, setAt] = useState(performance.now());
  const running = run !== null && run.since !== null;
  useAwake(running);
  useEffect(() => {
    if (!running) return;
    const timer = setInterval(() => {
      const now = performance.now();
      changeRun(session, (before) => {
        const after = advance(before, now);
        sound(before, after, now, { lane: 0, lanes: 1 });
        return after;
      });
      setAt(now);
    }, TICK_MS);
    return () => {
      clearInterval(timer);
    };
  }, [running, session]);
  useEffect(() => {
    if (paused) changeRun(session, (each) => pause(each, performance.now()));
  }, [paused, session]);
  if (run === null) return null;
  const act = (by: (run: Run, at: number) => Run) => {
    wake();
    const now = performance.now();
    changeRun(session, (each) => by(each, now));
    setAt(now);
  };
  const title = own.sessions[session]?.title ?? '';
  const member = run.members[0];
  const isAsked = member?.soreness !== undefined && member.pain_before !== undefined;
  return (
    <div className="space-y-4">
      <div className="flex items-center gap-2">
        <Button
          look="quiet"
          aria-label="Back to the sessions"
          onClick={() => {
            act(pause);
            onLeave();
          }}
        >
          <ArrowLeft aria-hidden />
        </Button>
        <h1 className="text-2xl font-bold">{title}</h1>
      </div>
      {isAsked ? (
        <>
          {!isOver(run) && <Clock run={run} at={Math.max(at, run.since ?? 0)} act={act} />}
          <Exercises run={run} session={session} act={act} />
          <End run={run} session={session} act={act} />
        </>
      ) : (
        <Before run={run} session={session} act={act} />
      )}
    </div>
  );
}

type Act = (by: (run: Run, at: number) => Run) => void;

/** Asked before the first set; pain that stops ends it here. */
function Before({ run, session, act }: { run: Run; session: number; act: Act }) {
  const [soreness, setSoreness] = useState<number>();
  const [pain, setPain] = useState<number>();
  const [kind, setKind] = useState<Parameters<typeof lock>[2]>();
  return (
    <section className="space-y-3">
      <p className="text-lg">Before you start:</p>
      <Scale label="How sore is your trunk?" ends={['not', 'very']} value={soreness} onChange={setSoreness} />
      <Scale
        label="How much pain now?"
        ends={['none', 'the most']}
        value={pain}
        warnOver={own.stop_over}
        onChange={setPain}
      />
      <Kinds pain={pain} value={kind} onChange={setKind} />
      <Button
        look="act"
        className="min-h-14 w-full text-xl"
        disabled={soreness === undefined || pain === undefined}
        onClick={() => {
          if (stops(run.plan, { pain, pain_kind: kind })) lock(session, pain ?? 0, kind, []);
          else act((each, at) => tell(each, 0, { soreness, pain_before: pain, pain_kind: kind }, at));
        }}
      >
        To the exercises
      </Button>
    </section>
  );
}

function Clock({ run, at, act }: { run: Run; at: number; act: Act }) {
  const segment = run.plan.segments[run.segment];
  if (segment === undefined) return null;
  const rung = segment.rung === null ? undefined : own.rungs[segment.rung];
  const move = segment.move === null ? undefined : own.moves[segment.move];
  const drawing = rung?.figure ?? move?.figure;
  const next = run.plan.segments.slice(run.segment + 1).find((each) => each.name !== null);
  const side = segment.side === null || segment.side === 'both' ? '' : sideNames[segment.side];
  return (
    <section aria-label="Clock" className="rounded-lg border-2 border-line bg-card p-3 text-center">
      <p className="text-lg font-semibold">
        {whats[segment.what]}
        {segment.what === 'work' && segment.sets !== null && segment.set !== null && (
          <span className="font-normal text-faint">
            {' '}
            {segment.set} of {segment.sets}
          </span>
        )}
      </p>
      <p className="text-2xl leading-tight font-bold">{segment.name ?? (next === undefined ? '' : next.name)}</p>
      {side !== '' && segment.what === 'work' && <p className="text-xl font-bold text-act">{side}</p>}
      {segment.words !== null && segment.what === 'work' && <p className="text-lg">{segment.words}</p>}
      {drawing !== undefined && (
        <Following
          drawing={drawing}
          seconds={run.since === null ? null : elapsedAt(run, at) / 1000}
          label={segment.name ?? ''}
          className="mx-auto h-44 w-full"
        />
      )}
      {move !== undefined && <p>{move.setup.join(' ')}</p>}
      <p className="text-6xl font-bold" role="timer" data-clock>
        {countdown(lengthOf(run, run.segment) - elapsedAt(run, at))}
      </p>
      <div className="mt-2 grid grid-cols-[2fr_1fr_1fr] gap-2">
        <Button
          look="act"
          className="min-h-14 text-xl"
          onClick={() => {
            act(run.since === null ? resume : pause);
          }}
        >
          {run.since === null ? <Play size={22} aria-hidden /> : <Pause size={22} aria-hidden />}
          {run.since === null ? (run.ranMs === 0 ? 'Start' : 'Go on') : 'Pause'}
        </Button>
        <Button
          className="min-h-14"
          aria-label="Again"
          onClick={() => {
            act(repeat);
          }}
        >
          <Undo2 aria-hidden />
        </Button>
        <Button
          className="min-h-14"
          aria-label="Skip"
          onClick={() => {
            act(skip);
          }}
        >
          <SkipForward aria-hidden />
        </Button>
      </div>
      {segment.what === 'warm-up' && (
        <Button
          look="quiet"
          className="mt-2"
          onClick={() => {
            act(leaveWarmUp);
          }}
        >
          I am warm already
        </Button>
      )}
    </section>
  );
}

/** The sets of an exercise as they are ticked: both sides in one where they are done in turn. */
function setsOf(run: Run, rung: string): { i: number; target: number; label: string }[] {
  const sets = run.plan.sets.flatMap((set, i) => (set.rung === rung && (set.twin ?? i) >= i ? [{ ...set, i }] : []));
  return sets.map(({ i, side, twin, target }, n) => {
    const number = sets.slice(0, n + 1).filter((each) => each.side === side).length;
    return { i, target, label: side === 'both' || twin !== null ? `${number}` : `${number} ${side}` };
  });
}

/** Each exercise with its sets to tick, how it went, and how it is done. */
function Exercises({ run, session, act }: { run: Run; session: number; act: Act }) {
  const kept = useKept();
  return (
    <ol className="space-y-3">
      {exercisesOf(run).map((id) => {
        const rung = own.rungs[id];
        const sets = setsOf(run, id);
        const said = kept.said[session]?.[id] ?? {};
        const say = (more: typeof said) => {
          const now = { ...said, ...more };
          change((all) => ({ ...all, said: { ...all.said, [session]: { ...all.said[session], [id]: now } } }));
        };
        const words = run.plan.segments.find((segment) => segment.rung === id)?.words ?? '';
        return (
          <li key={id} className="rounded-lg border border-line bg-card p-3">
            <div className="flex gap-3">
              <Still drawing={rung?.figure} className="h-16 w-24 shrink-0" />
              <div>
                <h2 className="text-xl leading-tight font-bold">{rung?.name ?? id}</h2>
                <p>{words}</p>
              </div>
            </div>
            <div className="mt-2 flex flex-wrap gap-1.5" role="group" aria-label={`Sets of ${rung?.name ?? id}`}>
              {sets.map(({ i, target, label }) => {
                const done = doneOf(run, i);
                const isDone = done >= target;
                return (
                  <button
                    key={i}
                    type="button"
                    aria-pressed={isDone}
                    aria-label={`Set ${label} done`}
                    className={`inline-flex min-h-11 min-w-11 items-center justify-center gap-1 rounded-md border px-2 font-semibold ${isDone ? 'border-stand bg-stand text-on-stand' : 'border-line bg-paper'}`}
                    onClick={() => {
                      act((each, at) => report(each, i, { done: isDone ? 0 : target }, at));
                    }}
                  >
                    {isDone && <Check size={16} aria-hidden />}
                    {label}
                    {done > 0 && !isDone && <span className="font-normal">: {done}</span>}
                  </button>
                );
              })}
            </div>
            <details className="mt-2">
              <summary className="min-h-8 font-semibold">
                How it went
                {said.pain !== undefined && said.pain > 0 && <span className="text-warn">: pain {said.pain}</span>}
              </summary>
              <Scale
                label="Effort"
                ends={['rest', 'the most']}
                value={said.effort}
                onChange={(effort) => {
                  say({ effort });
                }}
              />
              <Scale
                label="Pain"
                ends={['none', 'the most']}
                value={said.pain}
                warnOver={own.stop_over}
                onChange={(pain) => {
                  if (stops(run.plan, { pain })) lock(session, pain ?? 0, said.pain_kind, []);
                  else say({ pain });
                }}
              />
              <Kinds
                pain={said.pain}
                value={said.pain_kind}
                onChange={(kind) => {
                  if (stops(run.plan, { pain: said.pain, pain_kind: kind })) lock(session, said.pain ?? 0, kind, []);
                  else say({ pain_kind: kind });
                }}
              />
              {(said.pain ?? 0) > own.easy_over && (
                <p className="mt-1 font-semibold text-warn">Leave this one for today. Tell {own.studio}.</p>
              )}
            </details>
            {rung !== undefined && (
              <details className="mt-1">
                <summary className="min-h-8 font-semibold">How to do it</summary>
                <Moving drawing={rung.figure} label={rung.name} className="h-40 w-full" />
                <p>{rung.setup.join(' ')}</p>
                <p className="mt-1 font-semibold">{rung.watch}</p>
                {rung.words !== undefined && rung.words.length > 0 && <p>{rung.words.join(' ')}</p>}
                <p className="mt-1">
                  <b>Easier today:</b> {rung.less_range}
                  {rung.below !== null && ` Or do ${rung.below}.`}
                </p>
              </details>
            )}
          </li>
        );
      })}
    </ol>
  );
}

const endings: readonly (readonly [Ending, string])[] = [
  ['time', 'No more time'],
  ['tired', 'Too tired'],
  ['client', 'I want to stop'],
];

function End({ run, session, act }: { run: Run; session: number; act: Act }) {
  const kept = useKept();
  const member = run.members[0];
  const [asks, setAsks] = useState(false);
  const signs = run.plan.members[0]?.signs ?? [];
  return (
    <section className="space-y-3 rounded-lg border-2 border-line bg-card p-3" aria-label="The end">
      <h2 className="text-xl font-bold">At the end</h2>
      <Scale
        label="The whole session was"
        ends={['rest', 'the most']}
        value={member?.effort}
        onChange={(effort) => {
          act((each, at) => tell(each, 0, { effort }, at));
        }}
      />
      {signs.length > 0 && (
        <div role="group" aria-label="Was any of this there?" className="flex flex-wrap gap-1.5">
          <span className="w-full font-semibold">Was any of this there?</span>
          {signs.map((sign) => (
            <Choice
              key={sign.id}
              on={member?.signs?.includes(sign.id) === true}
              onChange={(on) => {
                const others = (member?.signs ?? []).filter((each) => each !== sign.id);
                act((each, at) => tell(each, 0, { signs: on ? [...others, sign.id] : others }, at));
              }}
            >
              {sign.name}
            </Choice>
          ))}
          <Choice
            on={member?.signs?.length === 0}
            onChange={() => {
              act((each, at) => tell(each, 0, { signs: [] }, at));
            }}
          >
            None of it
          </Choice>
        </div>
      )}
      <label className="block font-semibold">
        A word to {own.studio}
        <textarea
          className="mt-0.5 block w-full rounded-md border border-wood bg-card px-2 py-1.5 text-base font-normal"
          rows={2}
          maxLength={MOST_WORD}
          value={kept.words[session] ?? ''}
          onChange={(event) => {
            const { value } = event.target;
            change((all) => ({ ...all, words: { ...all.words, [session]: value } }));
          }}
        />
      </label>
      {asks && !isWhole(run) ? (
        <div role="group" aria-label="Why it ends here" className="flex flex-wrap gap-1.5">
          <span className="w-full">Not every set is done. Why do you stop here?</span>
          {endings.map(([why, label]) => (
            <Button
              key={why}
              className="min-h-12"
              onClick={() => {
                finish(session, performance.now(), why);
              }}
            >
              {label}
            </Button>
          ))}
        </div>
      ) : (
        <Button
          look="act"
          className="min-h-14 w-full text-xl"
          onClick={() => {
            if (isWhole(run)) finish(session, performance.now(), null);
            else setAsks(true);
          }}
        >
          Done for today
        </Button>
      )}
    </section>
  );
}
