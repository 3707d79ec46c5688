import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate, useSearchParams } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { today } from '../../lib/dates';
import { dayNames, sessionsOutOf } from '../../lib/words';
import { useKept } from '../../lib/useKept';
import { Button } from '../../ui/Button';
import { Code } from '../../ui/Code';
import { TextField, Tick, toggled } from '../../ui/Field';
import { Kept } from '../../ui/Kept';
import { Notice, Waiting } from '../../ui/Notice';
import { SomethingIsWrong } from '../../parts/run/SomethingIsWrong';
import { StopScreen } from '../../parts/run/StopScreen';
import { useBoard, useClientId, useLibrary } from '../../parts/board/useBoard';
import { newKey, type PainKind } from '../../parts/run/run';
import { Scale } from '../../parts/run/Scale';
import { Kinds } from '../../parts/run/answers';
import { dayOf, startFromDoor } from '../../parts/run/start';
import { useLogChange } from '../../parts/log/useLogChange';
import { SavedAs } from '../../parts/plan/ProgramFiles';
import { ChooseWeek } from '../../parts/week/ChooseWeek';
import { useWeek } from '../../parts/week/useWeek';
import { ShareBar } from '../../parts/week/shares';
import { useSessionAsAsked } from './queries';

type Door = Schemas['Door'];
type Session = Schemas['BoardSession'];

/** What the client says at the door. */
interface Said {
  sore: string[];
  soreness?: number | undefined;
  pain?: number | undefined;
  kind?: PainKind | undefined;
  minutes: string;
  kit: string[] | null;
}

/** One question at a time as the client walks in; each answer makes the planned session anew, for this once. */
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
  const { sore, soreness, pain, kind, minutes, kit } = said;
  const tell = (part: Partial<Said>) => {
    setSaid((before) => ({ ...before, ...part }));
  };
  const body: Schemas['DoorRequest'] = {
    week: at.number,
    place: place + 1,
    ...(sore.length === 0 ? {} : { sore }),
    ...(soreness === undefined ? {} : { soreness }),
    ...(pain === undefined ? {} : { pain }),
    ...(kind === undefined ? {} : { pain_kind: kind }),
    ...(minutes === '' ? {} : { minutes: Number(minutes) }),
    ...(kit === null ? {} : { equipment: kit }),
  };
  const check = useSessionAsAsked(
    client,
    board.data?.version,
    body,
    board.data !== undefined && sessions[place] !== undefined,
  );
  const run = useMutation({
    mutationFn: (what: Schemas['DoorRequest']) => startFromDoor(client, what),
    onSuccess: async () => {
      drop();
      await navigate('/floor');
    },
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
            ...(kind === undefined ? {} : { pain_kind: kind }),
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
    onSuccess: () => {
      drop();
      return navigate('../log');
    },
    onSettled: refresh,
  });
  if (board.data === undefined || library.data === undefined) return <Waiting what="the door" />;
  const session = sessions[place];
  const door = check.isError ? undefined : check.data;
  // what is shown may still be the answer to what was said before
  const settled = !check.isPlaceholderData && !check.isFetching;
  const problem = [run, stop].find((each) => each.isError)?.error ?? null;
  const start = () => {
    run.mutate(body);
  };
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[26rem_minmax(0,1fr)]">
      {door?.refers === true && settled && (
        <StopScreen
          title="No training today."
          words={door.why ?? ''}
          answers={[
            {
              label: 'Write it down: nothing done today',
              busy: stop.isPending,
              act: () => {
                stop.mutate();
              },
            },
            {
              label: 'The answer was wrong: ask again',
              busy: false,
              act: () => {
                setSaid((before) => ({ ...before, pain: undefined, kind: undefined }));
              },
            },
          ]}
          error={problem?.message}
        />
      )}
      <section aria-label="At the door" className="space-y-3 rounded-lg border-2 border-stand bg-card p-4">
        <h2 className="sr-only">At the door</h2>
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
          <ChooseWeek at={at} />
        </div>
        {door?.new != null && (
          <div>
            <p className="text-lg leading-snug" data-door-line>
              {line(door)}
            </p>
            <Button
              look="act"
              className="mt-1 min-h-14 w-full text-xl"
              disabled={run.isPending || !settled}
              onClick={start}
            >
              {saysNothing(said) ? 'As usual: run it' : door.changes.length > 0 ? 'Run it like this' : 'Run as planned'}
            </Button>
          </div>
        )}
        <p role="alert" className="font-semibold text-warn empty:hidden">
          {problem?.message}
        </p>
        <Questions
          said={said}
          tell={tell}
          stopOver={door?.stop_over}
          library={library.data.library}
          board={board.data}
        />
        <SomethingIsWrong people={[{ client, name: board.data.client.name }]} />
      </section>
      <div>
        {session === undefined && <p className="text-faint">No session is planned in this week.</p>}
        {check.isError && <Notice title={check.error.message} />}
        {door !== undefined && session !== undefined && <Result door={door} />}
        {door?.new != null && (
          <p className="mt-3">
            <SavedAs
              what="The session of today"
              text={(form) =>
                answer(
                  api.POST('/clients/{client}/door/file', {
                    params: { path: { client }, query: { form } },
                    body,
                    parseAs: 'text',
                  }),
                )
              }
            />
          </p>
        )}
      </div>
    </div>
  );
}

function saysNothing({ sore, soreness, pain, kind, minutes, kit }: Said): boolean {
  return (
    sore.length === 0 &&
    (soreness ?? 0) === 0 &&
    (pain ?? 0) === 0 &&
    kind === undefined &&
    minutes === '' &&
    kit === null
  );
}

/** What changes, in one line: counts first, then the minutes. */
function line(door: Door): string {
  const counts = (['swapped', 'eased', 'left-out', 'cut'] as const).flatMap((how) => {
    const of = door.changes.filter((change) => change.how === how).length;
    return of === 0 ? [] : [`${of} ${words[how]}`];
  });
  const total = door.new?.total.text ?? '';
  return `${counts.length === 0 ? 'As planned' : counts.join(', ')}: ${total} of ${door.budget.text} min`;
}

const words = { swapped: 'swapped', eased: 'made less', 'left-out': 'left out', cut: 'cut for time' } as const;

type Part = 'pain' | 'sore' | 'minutes' | 'kit';

/** The questions, one open at a time. */
function Questions({
  said,
  tell,
  stopOver,
  library,
  board,
}: {
  said: Said;
  tell: (part: Partial<Said>) => void;
  stopOver: number | undefined;
  library: Pick<NonNullable<ReturnType<typeof useLibrary>['data']>['library'], 'limits' | 'equipment'>;
  board: Schemas['Board'];
}) {
  const [open, setOpen] = useState<Part | null>('pain');
  const { sore, soreness, pain, kind, minutes, kit } = said;
  const equipment = kit ?? board.client.equipment;
  const home = board.client.home_equipment;
  const places = library.limits.filter((limit) => limit.kind === 'soreness');
  const heads: readonly (readonly [Part, string, string])[] = [
    ['pain', 'Pain now', pain === undefined ? 'not asked' : `${pain}${kind === undefined ? '' : `, ${kind}`}`],
    [
      'sore',
      'Sore or stiff',
      [
        ...(soreness === undefined ? [] : [`trunk ${soreness}`]),
        ...places.filter((each) => sore.includes(each.id)).map((each) => each.name),
      ].join(', ') || 'nothing said',
    ],
    ['minutes', 'Minutes today', minutes === '' ? 'as planned' : `${minutes} min`],
    ['kit', 'Kit at hand', kit === null ? 'as usual' : `${kit.length} pieces`],
  ];
  return (
    <div className="divide-y divide-line border-t border-line">
      {heads.map(([part, name, told]) => (
        <div key={part}>
          <button
            type="button"
            aria-expanded={open === part}
            className="flex min-h-11 w-full items-baseline gap-2 py-2 text-left"
            onClick={() => {
              setOpen(open === part ? null : part);
            }}
          >
            <b>{name}</b>
            <span className="ml-auto text-faint">{told}</span>
          </button>
          {open === part && (
            <div className="pb-3">
              {part === 'pain' && (
                <>
                  <Scale
                    label="Pain now"
                    ends={['none', 'worst']}
                    {...(stopOver === undefined ? {} : { warnOver: stopOver })}
                    value={pain}
                    onChange={(value) => {
                      tell(value === undefined || value === 0 ? { pain: value, kind: undefined } : { pain: value });
                    }}
                  />
                  <Kinds
                    pain={pain}
                    value={kind}
                    onChange={(value) => {
                      tell({ kind: value });
                    }}
                  />
                </>
              )}
              {part === 'sore' && (
                <>
                  <Scale
                    label="Soreness of the trunk"
                    ends={['none', 'worst']}
                    value={soreness}
                    onChange={(value) => {
                      tell({ soreness: value });
                    }}
                  />
                  <div role="group" aria-label="Sore or stiff where" className="mt-2 flex flex-wrap gap-1.5">
                    {places.map((limit) => (
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
                </>
              )}
              {part === 'minutes' && (
                <>
                  <TextField
                    label="Minutes today"
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
                          tell({ minutes: minutes === String(each) ? '' : String(each) });
                        }}
                      >
                        {each} min
                      </Button>
                    ))}
                  </div>
                </>
              )}
              {part === 'kit' && (
                <>
                  <div className="mb-1 flex gap-1">
                    <Button
                      onClick={() => {
                        tell({ kit: null });
                      }}
                    >
                      As usual here
                    </Button>
                    {home !== null && (
                      <Button
                        onClick={() => {
                          tell({ kit: home });
                        }}
                      >
                        At home
                      </Button>
                    )}
                  </div>
                  <div className="grid grid-cols-2">
                    {library.equipment.map((each) => (
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
                </>
              )}
            </div>
          )}
        </div>
      ))}
    </div>
  );
}

const hows = { swapped: 'Swapped', eased: 'Less', 'left-out': 'Left out', cut: 'Cut' } as const;

function Result({ door }: { door: Door }) {
  const changes = door.changes.length > 0;
  return (
    <>
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
                  <span className="block text-[0.9375rem] text-faint">{change.why}</span>
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
            {each.code} {sessionsOutOf(each.sessions, each.target)}, {each.work.text}
          </span>
        ))}
      </p>
    </section>
  );
}
