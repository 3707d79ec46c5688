import { Infinity as NoEnd, Pause, Play, RotateCcw, SkipForward } from 'lucide-react';
import { lazy, Suspense, useCallback, useEffect, useRef, useState } from 'react';
import { Link } from 'react-router';
import { Button } from '../../ui/Button';
import { TwoTaps } from '../../ui/TwoTaps';
import { SelectField, TextField } from '../../ui/Field';
import { Following, type Drawing } from '../../ui/Figure';
import { wake } from '../../parts/run/cues';
import { clock, countdown } from '../../lib/clock';
import { longDate, today } from '../../lib/dates';
import { sideNames } from '../../parts/run/words';
import { Finish } from './Finish';
import { writeNote } from '../../parts/run/incidents';
import {
  addTime,
  countAt,
  elapsedAt,
  endHere,
  endSet,
  isOpen,
  isOver,
  isStopped,
  leaveWarmUp,
  leftAt,
  lengthOf,
  openUp,
  pause,
  repeat,
  report,
  resume,
  setsIn,
  skip,
  takeUp,
  type Ending,
  type FloorSet,
  type Run,
  type Segment,
} from '../../parts/run/run';
import { latestSet, SetCard } from './SetCard';
import { StopScreen } from '../../parts/run/StopScreen';
import { change, discard, now, sendOver, yieldTo } from '../../parts/run/store';

const WatchLine = lazy(() => import('./Watching').then(({ WatchLine: it }) => ({ default: it })));
const WatchCuff = lazy(() => import('./Watching').then(({ WatchCuff: it }) => ({ default: it })));

const TEN_SECONDS = 10_000;

const whats: Record<Segment['what'], string> = {
  'warm-up': 'Warm-up',
  work: 'Work',
  rest: 'Rest',
  side: 'Change sides',
  station: 'Change over',
  'cool-down': 'Cool-down',
};

/** How often a count is drawn anew; a figure that moves is drawn with every frame. */
const COUNT_EVERY_MS = 100;

/** Reads the clock while it runs, and draws anew at most so often. */
function useReading(running: boolean, everyMs: number): number {
  const [at, setAt] = useState(now());
  useEffect(() => {
    if (!running) return;
    let asked = requestAnimationFrame(function next() {
      setAt((before) => (now() - before >= everyMs ? now() : before));
      asked = requestAnimationFrame(next);
    });
    return () => {
      cancelAnimationFrame(asked);
    };
  }, [running, everyMs]);
  return running ? Math.max(at, now()) : now();
}

/** The figure of what is worked at, at its tempo; still while nothing is. */
function Figure({ run, drawing, label, className }: { run: Run; drawing: Drawing; label: string; className: string }) {
  const at = useReading(run.since !== null, 0);
  const works = run.plan.segments[run.segment]?.what === 'work';
  return (
    <Following
      drawing={drawing}
      seconds={works ? elapsedAt(run, at) / 1000 : null}
      label={label}
      className={className}
    />
  );
}

/** A clock in short, for the strip of all lanes: what is done, on which side, and what is left of it; in the menu only the last. */
export function Short({ run, only = false }: { run: Run; only?: boolean }) {
  const at = useReading(run.since !== null, COUNT_EVERY_MS);
  const segment = run.plan.segments[run.segment];
  if (segment === undefined || run.finished) return <span className="font-normal">the end</span>;
  const side = segment.side === 'left' || segment.side === 'right' ? `${segment.side} ` : '';
  const left = countdown(lengthOf(run, run.segment) - elapsedAt(run, at));
  if (only) return left;
  return (
    <span className="font-normal whitespace-nowrap" data-short>
      {whats[segment.what].toLowerCase()} {side}
      <b>{left}</b>
      {run.since === null && ', stands'}
    </span>
  );
}

/** One clock and whoever follows it. */
export function Lane({ run, takesKeys, alone }: { run: Run; takesKeys: boolean; alone: boolean }) {
  const at = useReading(run.since !== null, COUNT_EVERY_MS);
  const { id } = run;
  const act = useCallback(
    (by: (each: Run, at: number) => Run) => {
      wake();
      change(id, (each) => by(each, now()));
    },
    [id],
  );
  const box = useRef<HTMLDivElement>(null);
  const toggle = () => {
    // on a phone clock and answers need the whole screen
    if (run.since === null && matchMedia('(width < 40rem)').matches) box.current?.scrollIntoView();
    act(run.since === null ? resume : pause);
  };
  const stopped = run.plan.members.every((_, i) => isStopped(run, i));
  const over = isOver(run) || run.finished || stopped;
  useKeys(takesKeys && !over && run.left !== true, run, act, toggle);
  return (
    <section aria-label={run.plan.title} className="rounded-lg border-2 border-line bg-card" data-run={run.id}>
      <header className="flex flex-wrap items-baseline gap-x-3 px-4 pt-2">
        <h2 className="text-xl font-bold">{run.plan.title}</h2>
        {!over && (
          <span className="ml-auto text-faint">
            <b className="text-ink" data-left>
              {countdown(leftAt(run, at))}
            </b>{' '}
            to go
          </span>
        )}
      </header>
      <Progress run={run} at={at} />
      <Conflicts run={run} />
      {stopped && <Stopped words={run.plan.stop.words} />}
      <StopOf run={run} act={act} />
      {run.plan.warnings.length > 0 && run.ranMs === 0 && !over && (
        <div role="alert" className="mx-4 mt-2 rounded-md border-2 border-warn bg-warn-soft px-3 py-2">
          <p className="font-bold text-warn">Before it starts</p>
          {run.plan.warnings.map((line) => (
            <p key={line}>{line}</p>
          ))}
        </div>
      )}
      <div
        className={
          alone
            ? 'grid grid-cols-[minmax(0,1fr)] gap-1 p-3 sm:gap-4 lg:grid-cols-2 lg:p-4'
            : 'space-y-1 p-3 sm:space-y-4'
        }
      >
        {run.left === true && !stopped ? (
          <LeftHalfWay run={run} act={act} />
        ) : over ? (
          <Finish run={run} act={act} />
        ) : (
          <div ref={box} className={alone ? 'scroll-mt-1' : 'scroll-mt-16'}>
            <Present run={run} at={at} />
            <div className="mt-2 grid grid-cols-[4fr_2fr_2fr_2fr] gap-2 sm:mt-3 sm:grid-cols-4">
              <Button look="act" className="min-h-12 text-xl sm:min-h-16" onClick={toggle}>
                {run.since === null ? <Play size={24} aria-hidden /> : <Pause size={24} aria-hidden />}
                {run.since === null ? (run.segment === 0 && run.elapsedMs === 0 ? 'Start' : 'Go on') : 'Pause'}
              </Button>
              <Button
                className="min-h-12 px-1 sm:min-h-14"
                onClick={() => {
                  act(repeat);
                }}
              >
                <RotateCcw size={20} aria-hidden /> <span className="sr-only sm:not-sr-only">Again</span>
              </Button>
              <Button
                className="min-h-12 px-1 sm:min-h-14"
                onClick={() => {
                  act((each, time) => addTime(each, time, TEN_SECONDS));
                }}
              >
                <span className="whitespace-nowrap">+10 s</span>
              </Button>
              <Button
                className="min-h-12 px-1 sm:min-h-14"
                onClick={() => {
                  act(skip);
                }}
              >
                <SkipForward size={20} aria-hidden />
                {isOpen(run, run.segment) ? 'End the hold' : <span className="sr-only sm:not-sr-only">Skip</span>}
              </Button>
            </div>
            {run.plan.segments[run.segment]?.what === 'warm-up' && (
              <Button
                className="mt-2 min-h-12"
                onClick={() => {
                  act(leaveWarmUp);
                }}
              >
                Leave the warm-up out
              </Button>
            )}
            {mayOpen(run) && (
              <Button
                aria-pressed={isOpen(run, run.segment)}
                className={`mt-2 min-h-12 ${isOpen(run, run.segment) ? 'border-stand bg-stand text-on-stand' : ''}`}
                onClick={() => {
                  act(openUp);
                }}
              >
                <NoEnd size={20} aria-hidden /> Hold to the first fault
              </Button>
            )}
            <EndWith key={run.segment} run={run} act={act} />
            <div className="hidden sm:block">
              <Watched run={run} act={act} />
            </div>
          </div>
        )}
        <SetCard run={run} act={act} />
      </div>
      {!over && run.left !== true && (
        <div className="flex flex-wrap gap-2 px-3 pb-3 lg:px-4">
          {(run.segment > 0 || run.ranMs > 0 || run.since !== null) && <EndHere act={act} />}
          <Note run={run} />
          <div className="w-full sm:hidden">
            <Watched run={run} act={act} />
          </div>
        </div>
      )}
    </section>
  );
}

function useKeys(on: boolean, run: Run, act: (by: (run: Run, at: number) => Run) => void, toggle: () => void) {
  useEffect(() => {
    if (!on) return;
    const press = (event: KeyboardEvent) => {
      const typing = event.target instanceof HTMLInputElement || event.target instanceof HTMLSelectElement;
      if (typing || event.ctrlKey || event.metaKey || event.altKey) return;
      if (event.key === ' ' && event.target instanceof HTMLButtonElement) return;
      const faults = faultsNow(run);
      const fault = faults[Number(event.key) - 1];
      if (event.key === ' ') toggle();
      else if (event.key === 'ArrowRight') act(skip);
      else if (event.key === 'ArrowLeft') act(repeat);
      else if (event.key === '+') act((each, at) => addTime(each, at, TEN_SECONDS));
      else if (event.key.toLowerCase() === 'o') act(openUp);
      else if (event.key.toLowerCase() === 'c') {
        act((each, at) => {
          const last = latestSet(each, 0);
          return last === null ? each : report(each, last, { faults: [], breathing: true }, at);
        });
      } else if (fault !== undefined && run.plan.members.length === 1) {
        act((each, at) => endSet(each, at, 0, fault.id));
      } else return;
      event.preventDefault();
    };
    window.addEventListener('keydown', press);
    return () => {
      window.removeEventListener('keydown', press);
    };
  });
}

/** What a device can see of the work at hand, or of what comes next: of one client on a clock, one at a time. */
function Watched({ run, act }: { run: Run; act: (by: (run: Run, at: number) => Run) => void }) {
  const [asked, setAsked] = useState<'line' | 'cuff' | null>(null);
  const segment = run.plan.segments[run.segment];
  const works = segment?.what === 'work';
  const rung = (works ? segment : nextWork(run))?.rung ?? null;
  const known = rung === null ? undefined : run.plan.rungs[rung];
  const first = run.plan.sets.find((set) => set.rung === rung);
  // what runs came from an earlier version knows of no device
  const line = known?.line === true && first?.unit === 's';
  const cuff = known?.cuff === true;
  if (rung === null || run.plan.members.length > 1 || (!line && !cuff)) return null;
  const counts = works && run.since !== null;
  const kind = line ? 'line' : 'cuff';
  return (
    <div className="mt-2 border-t border-line pt-2">
      <Button
        aria-expanded={asked === kind}
        className="min-h-11"
        onClick={() => {
          setAsked(asked === kind ? null : kind);
        }}
      >
        {kind === 'line' ? 'Watch the line' : 'Watch the pressure cuff'}
      </Button>
      <Suspense fallback={null}>
        {asked === 'line' && line && <WatchLine rung={rung} hold={counts ? run.segment : null} act={act} />}
        {asked === 'cuff' && cuff && <WatchCuff counts={counts} act={act} />}
      </Suspense>
    </div>
  );
}

/** Faults that could end the set that is worked at. */
function faultsNow(run: Run) {
  const first = setsIn(run.plan, run.segment)[0];
  const set = first === undefined ? undefined : run.plan.sets[first];
  return set === undefined ? [] : (run.plan.rungs[set.rung]?.faults ?? []);
}

/** Whether what is worked at now is a hold that may run to the first fault. */
function mayOpen(run: Run): boolean {
  const sets = setsIn(run.plan, run.segment);
  return sets.length > 0 && sets.every((i) => run.plan.sets[i]?.can_open === true);
}

/** A run that stood here when the page was opened: go on, end here, or nothing of it. */
function LeftHalfWay({ run, act }: { run: Run; act: (by: (run: Run, at: number) => Run) => void }) {
  return (
    <div role="group" aria-label="What became of it">
      <h3 className="text-2xl font-bold">What became of this session?</h3>
      <p className="text-lg">
        It was left half-way, with {clock(run.ranMs / 1000)} on the clock
        {run.on === today() ? '' : `, on ${longDate(run.on)}`}.
      </p>
      <div className="mt-3 grid gap-2">
        <Button
          look="act"
          className="min-h-16 text-xl"
          onClick={() => {
            act(takeUp);
          }}
        >
          <Play size={24} aria-hidden /> Go on
        </Button>
        <EndHere act={act} />
        <TwoTaps
          name="Throw it away"
          className="min-h-14 text-lg"
          onSure={() => {
            discard(run.id);
          }}
        />
      </div>
    </div>
  );
}

const endings: readonly (readonly [Ending, string])[] = [
  ['time', 'Out of time'],
  ['tired', 'Too tired'],
  ['pain', 'It hurts'],
  ['client', 'The client wants to'],
];

/** Ends the session in two taps, with the reason; what was not begun is no short set. */
function EndHere({ act }: { act: (by: (run: Run, at: number) => Run) => void }) {
  const [asks, setAsks] = useState(false);
  return asks ? (
    <div role="group" aria-label="Why it ends here" className="flex flex-wrap gap-1.5">
      {endings.map(([why, label]) => (
        <Button
          key={why}
          className="min-h-12"
          onClick={() => {
            act((each, at) => endHere(each, at, why));
          }}
        >
          {label}
        </Button>
      ))}
      <Button
        look="quiet"
        className="min-h-12"
        onClick={() => {
          setAsks(false);
        }}
      >
        It goes on
      </Button>
    </div>
  ) : (
    <Button
      className="min-h-12"
      onClick={() => {
        setAsks(true);
      }}
    >
      End here …
    </Button>
  );
}

/** A line about somebody, at any time: into their record, later where there is no server. */
function Note({ run }: { run: Run }) {
  const people = run.plan.members;
  const [writes, setWrites] = useState(false);
  const [client, setClient] = useState(people[0]?.client ?? '');
  const [text, setText] = useState('');
  const [kept, setKept] = useState(false);
  if (!writes)
    return (
      <Button
        className="min-h-12"
        onClick={() => {
          setKept(false);
          setWrites(true);
        }}
      >
        {kept ? 'Noted. Another …' : 'Note …'}
      </Button>
    );
  return (
    <form
      aria-label="Note"
      className="flex w-full flex-wrap items-end gap-2"
      onSubmit={(event) => {
        event.preventDefault();
        if (text.trim() === '') return;
        writeNote(client, text.trim());
        setText('');
        setKept(true);
        setWrites(false);
      }}
    >
      {people.length > 1 && (
        <SelectField
          label="About"
          className="w-44"
          value={client}
          options={people.map((each) => [each.client, each.name] as const)}
          onChange={setClient}
        />
      )}
      <TextField label="Note" name="note" maxLength={240} className="min-w-48 flex-1" value={text} onChange={setText} />
      <Button look="act" type="submit" className="min-h-11">
        Write it down
      </Button>
      <Button
        className="min-h-11"
        onClick={() => {
          setWrites(false);
        }}
      >
        Leave it
      </Button>
    </form>
  );
}

function Progress({ run, at }: { run: Run; at: number }) {
  const total = run.plan.segments.reduce((sum, _, i) => sum + lengthOf(run, i), 0);
  return (
    <div className="mx-4 mt-1 flex h-3 gap-px overflow-hidden rounded" aria-hidden>
      {run.plan.segments.map((segment, i) => {
        const share = i < run.segment ? 1 : i > run.segment ? 0 : elapsedAt(run, at) / Math.max(1, lengthOf(run, i));
        return (
          <span
            key={i}
            className={segment.what === 'work' ? 'bg-wood/45' : 'bg-line'}
            style={{ width: `${(100 * lengthOf(run, i)) / Math.max(1, total)}%` }}
          >
            <span className="block h-full bg-stand" style={{ width: `${100 * Math.min(1, share)}%` }} />
          </span>
        );
      })}
    </div>
  );
}

function nextWork(run: Run): Segment | undefined {
  return run.plan.segments.slice(run.segment + 1).find((segment) => segment.what === 'work');
}

/** The set that a member of a group works at so far into the present segment: half of it a side where sides are done apart. */
function turnOf(run: Run, member: number, elapsed: number): FloorSet | undefined {
  const mine = setsIn(run.plan, run.segment).flatMap((i) => {
    const set = run.plan.sets[i];
    return set?.member === member ? [set] : [];
  });
  const spans = (set: FloorSet) => set.spans.filter((span) => span.segment === run.segment);
  return mine.find((set) => spans(set).some((span) => elapsed < span.to_ms)) ?? mine[mine.length - 1];
}

/** What is done now: the figure at its tempo, the count, and what comes next. */
function Present({ run, at }: { run: Run; at: number }) {
  const segment = run.plan.segments[run.segment];
  if (segment === undefined) return null;
  const left = lengthOf(run, run.segment) - elapsedAt(run, at);
  const works = segment.what === 'work';
  const shown = works ? segment : nextWork(run);
  const sets = setsIn(run.plan, run.segment);
  const first = sets[0] === undefined ? undefined : run.plan.sets[sets[0]];
  const alone = run.plan.members.length === 1;
  const counts = works && alone && first !== undefined && first.unit === 'reps';
  const move = segment.move == null ? undefined : run.plan.moves[segment.move];
  const ofRung = alone && shown?.rung != null ? run.plan.rungs[shown.rung]?.figure : undefined;
  const figure = move?.figure ?? ofRung;
  const next = run.plan.segments[run.segment + 1];
  const then = works ? next : shown;
  return (
    <div data-what={segment.what}>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <span
          className={`rounded-md px-2 py-0.5 text-xl font-bold sm:text-2xl ${works ? 'bg-stand text-on-stand' : 'border-2 border-line'}`}
        >
          {works && (segment.side === 'left' || segment.side === 'right')
            ? sideNames[segment.side]
            : whats[segment.what]}
        </span>
        {move !== undefined && <b className="text-lg sm:text-xl">{move.name}</b>}
        {works && (
          <span className="text-lg sm:text-xl">
            <b>{segment.name}</b>
            {segment.set !== null && segment.sets !== null && (
              <span className="text-faint">
                , {segment.set} of {segment.sets}
                {segment.repeat !== null && `, hold ${segment.repeat} of ${segment.repeats ?? segment.repeat}`}
              </span>
            )}
          </span>
        )}
      </div>
      {alone && shown?.rung != null && run.plan.rungs[shown.rung]?.kept != null && (
        <p className="font-semibold text-warn">! {run.plan.rungs[shown.rung]?.kept}</p>
      )}
      <div className="flex items-center gap-4">
        <p
          role="timer"
          aria-label="Count"
          className="text-7xl leading-none font-bold whitespace-nowrap sm:text-[8rem]"
          data-count
        >
          {isOpen(run, run.segment) && sets[0] !== undefined ? (
            <>
              {countdown(elapsedAt(run, at))}
              <span className="text-4xl text-faint"> to the first fault</span>
            </>
          ) : counts && sets[0] !== undefined ? (
            <>
              {countAt(run, sets[0], at)}
              <span className="text-4xl text-faint"> of {first.target}</span>
            </>
          ) : (
            countdown(left)
          )}
        </p>
        {figure !== undefined && (
          <Figure
            run={run}
            drawing={figure}
            label={move?.name ?? shown?.name ?? ''}
            className="h-24 min-w-0 flex-1 sm:h-48"
          />
        )}
      </div>
      {move !== undefined && <p className="text-faint">{move.setup.join(' ')}</p>}
      {alone && (
        <p className={`truncate text-lg leading-snug sm:h-14 sm:whitespace-normal ${works ? 'h-7' : 'h-0'}`}>
          {counts && <b>{countdown(left)} left. </b>}
          {works && <span className="text-faint">{segment.words}</span>}
        </p>
      )}
      {!alone && works && (
        <ul className="text-lg">
          {run.plan.members.map((member, m) => {
            const mine = turnOf(run, m, elapsedAt(run, at));
            const rung = mine === undefined ? undefined : run.plan.rungs[mine.rung];
            return (
              <li
                key={member.client}
                className={`flex items-center gap-2 ${isStopped(run, m) ? 'text-warn line-through' : ''}`}
              >
                {rung !== undefined && (
                  <Figure run={run} drawing={rung.figure} label={rung.name} className="h-20 w-22 shrink-0" />
                )}
                <span>
                  <b>{member.name}:</b>{' '}
                  {mine === undefined
                    ? 'rests here'
                    : `${rung?.name ?? ''}${mine.side === 'both' ? '' : `, ${mine.side}`}, ${mine.dose}`}
                </span>
              </li>
            );
          })}
        </ul>
      )}
      <p className="mt-1 text-lg">
        <span className="text-faint">Next: </span>
        {then === undefined
          ? 'the end'
          : `${then.what === 'work' ? (then.name ?? '') : whats[then.what].toLowerCase()}${then.side === 'left' || then.side === 'right' ? `, ${then.side}` : ''}, ${countdown(then.ms)}`}
      </p>
    </div>
  );
}

/** One tap ends the set with the fault that ended it. */
function EndWith({ run, act }: { run: Run; act: (by: (run: Run, at: number) => Run) => void }) {
  const [all, setAll] = useState(false);
  const sets = setsIn(run.plan, run.segment).filter((i) => !run.ended.includes(i));
  const members = [...new Set(sets.map((i) => run.plan.sets[i]?.member ?? 0))];
  return (
    <div className={`mt-2 sm:mt-3 ${run.plan.members.length === 1 ? 'lg:min-h-28' : ''}`}>
      {members.map((member) => {
        const set = run.plan.sets[sets.find((i) => run.plan.sets[i]?.member === member) ?? -1];
        const faults = set === undefined ? [] : (run.plan.rungs[set.rung]?.faults ?? []);
        return (
          <div key={member} role="group" aria-label="End the set" className="mb-2">
            <p className={`font-semibold ${run.plan.members.length > 1 ? '' : 'sr-only sm:not-sr-only'}`}>
              {run.plan.members.length > 1 ? `${run.plan.members[member]?.name ?? ''}: end` : 'End'} the set with
            </p>
            <div className="flex gap-1.5 overflow-x-auto whitespace-nowrap sm:flex-wrap sm:overflow-visible">
              {[
                ...faults,
                ...(all ? run.plan.all_faults.filter(({ id }) => !faults.some((own) => own.id === id)) : []),
              ].map((fault) => (
                <Button
                  key={fault.id}
                  className="min-h-11"
                  onClick={() => {
                    act((each, at) => endSet(each, at, member, fault.id));
                  }}
                >
                  {fault.name}
                </Button>
              ))}
              {!all && (
                <Button
                  className="min-h-11"
                  onClick={() => {
                    setAll(true);
                  }}
                >
                  Another …
                </Button>
              )}
            </div>
          </div>
        );
      })}
    </div>
  );
}

/** Somebody's pain stops them: over everything else, once. In a group the others go on when the trainer says so. */
function StopOf({ run, act }: { run: Run; act: (by: (run: Run, at: number) => Run) => void }) {
  const [seen, setSeen] = useState<readonly string[]>(run.finished ? run.members.map((member) => member.key) : []);
  const at = run.members.findIndex((member, i) => isStopped(run, i) && !seen.includes(member.key));
  const member = run.members[at];
  if (member === undefined) return null;
  const close = () => {
    setSeen([...seen, member.key]);
  };
  const others = run.plan.members.filter((_, i) => !isStopped(run, i));
  return (
    <StopScreen
      title={`${run.plan.members[at]?.name ?? ''}: stop. Training ends here today.`}
      words={run.plan.stop.words}
      steps={run.plan.emergency}
      answers={[
        ...(others.length > 0 && !isOver(run)
          ? [
              {
                label: `The others go on: ${others.map(({ name }) => name).join(', ')}`,
                busy: false,
                act: () => {
                  close();
                  act(resume);
                },
              },
            ]
          : []),
        { label: others.length > 0 ? 'Everybody stands' : 'Understood', busy: false, act: close },
      ]}
    />
  );
}

function Stopped({ words }: { words: string }) {
  return (
    <div role="alert" className="mx-4 mt-3 rounded-md border-2 border-warn bg-warn-soft p-3 text-warn">
      <p className="text-2xl font-bold">Stop. Training ends here today.</p>
      <p className="text-lg">{words} If it is an emergency, press “Something is wrong”.</p>
    </div>
  );
}

function Conflicts({ run }: { run: Run }) {
  return (
    <>
      {run.members.map((member, i) => {
        const name = run.plan.members[i]?.name ?? '';
        if (member.refused !== null) {
          return (
            <p key={member.key} role="alert" className="mx-4 mt-2 font-semibold text-warn">
              The server does not take the log of {name}: {member.refused}. It stays on this device.
            </p>
          );
        }
        if (member.conflict === null) return null;
        const words =
          member.conflict === 'differs'
            ? `Another log of this session of ${name} is on the server and says something else: ${(member.differences ?? []).join('; ')}.`
            : `Somebody ${member.conflict} the log of ${name} on the server while it was run here.`;
        return (
          <div key={member.key} role="alert" className="mx-4 mt-2 rounded-md border-2 border-warn bg-warn-soft p-3">
            <p className="font-semibold">
              {words}{' '}
              <Link
                to={`/clients/${run.plan.members[i]?.client ?? ''}/log`}
                className="inline-flex min-h-8 items-center underline"
              >
                See the log
              </Link>
            </p>
            <div className="mt-1 flex gap-2">
              <Button
                onClick={() => {
                  void sendOver(run.id, i);
                }}
              >
                Keep what is on this device
              </Button>
              <Button
                onClick={() => {
                  yieldTo(run.id, i);
                }}
              >
                Keep what is on the server
              </Button>
            </div>
          </div>
        );
      })}
    </>
  );
}
