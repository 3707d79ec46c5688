import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, isConflict, type Schemas } from '../../api/client';
import { longDate, today } from '../../lib/dates';
import { Button } from '../../ui/Button';
import { isKept, useKept } from '../../lib/useKept';
import { SelectField, TextField } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { useBoard, useClientId, useLibrary } from '../../parts/board/useBoard';
import { PathLine } from '../../parts/client/PathLine';
import { SomethingIsWrong } from '../../parts/run/SomethingIsWrong';
import { Climb, type Climbed } from './Climb';
import { CuffTrace, type Trace } from '../../parts/cuff/CuffTrace';
import { LegLoading, type LegLoadingResult } from './LegLoading';
import { clock } from '../../lib/clock';
import { LineCheckButton } from '../../parts/line/LineCheckButton';
import { Stopwatch } from './Stopwatch';
import { Empty } from '../../ui/Empty';
import { useTestDays } from './queries';

type Days = Schemas['TestDays'];
type Test = Days['protocol']['tests'][number]['test'];

/** Test day: the newest holds beside norms, ratios and the time before, and a new day measured in order. */
export function TestsPage() {
  const client = useClientId();
  const days = useTestDays(client);
  const board = useBoard();
  const [measuring, setMeasuring] = useState(() => isKept(draftOf(client)));
  if (days.isPending) return <Waiting what="the tests" />;
  if (days.isError) return <Notice title={days.error.message} />;
  const onPath = new URLSearchParams(location.search).has('path');
  const names = new Map(days.data.protocol.tests.map((test) => [test.test as string, test.name]));
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 xl:grid-cols-[minmax(0,1fr)_28rem]">
      <div>
        {onPath && <PathLine at="stand" client={client} />}
        {measuring ? (
          <>
            <NewDay
              days={days.data}
              onDone={() => {
                setMeasuring(false);
              }}
            />
            <div className="mt-4">
              <SomethingIsWrong people={[{ client, name: board.data?.client.name ?? '' }]} />
            </div>
          </>
        ) : (
          <>
            <Results days={days.data} names={names} />
            {days.data.warning !== null && (
              <p role="alert" className="mt-3 rounded-md border-2 border-warn bg-warn-soft px-3 py-2 font-semibold">
                {days.data.warning}
              </p>
            )}
            <Button
              look="act"
              className="mt-3"
              onClick={() => {
                setMeasuring(true);
              }}
            >
              Start a test day
            </Button>
          </>
        )}
      </div>
      <div className="space-y-4">
        <Ratios days={days.data} />
        <Earlier days={days.data} names={names} />
      </div>
    </div>
  );
}

function Results({ days, names }: { days: Days; names: Map<string, string> }) {
  const { results, missing } = days.norms;
  return (
    <section aria-label="Newest results">
      <h2 className="text-xl font-bold">Timed holds beside published norms</h2>
      {results.length === 0 && <Empty>No hold has been measured yet.</Empty>}
      <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="Holds beside norms">
        <table className="w-full min-w-2xl text-left">
          {results.length > 0 && (
            <thead>
              <tr className="text-sm text-faint [&_th]:pr-4">
                <th scope="col" className="py-1">
                  Test
                </th>
                <th scope="col">Held</th>
                <th scope="col">Since the time before</th>
                <th scope="col">Norm, mean ± SD</th>
              </tr>
            </thead>
          )}
          <tbody>
            {results.map((result) => (
              <tr key={result.test} className="border-t border-line align-top">
                <th scope="row" className="py-1.5 pr-3">
                  {names.get(result.test) ?? result.test}
                </th>
                <td className="pr-3 text-lg font-bold whitespace-nowrap">{result.value_s} s</td>
                <td className="pr-3">{result.change === undefined ? '–' : <Change change={result.change} />}</td>
                <td className="text-[0.9375rem]">
                  {result.norms.map((norm) => (
                    <span key={norm.group} className="block" title={norm.source}>
                      {norm.group}:{' '}
                      {norm.mean_s === null
                        ? Object.entries(norm.percentiles_s ?? {})
                            .map(([percentile, value]) => `${percentile}th ${value} s`)
                            .join(', ')
                        : `${norm.mean_s} s ± ${norm.sd_s ?? 0} s`}{' '}
                      <span className="text-faint">({norm.year}, not checked against the print)</span>
                    </span>
                  ))}
                  {result.z !== null && <span className="block text-faint">{result.z} SD from the mean</span>}
                  {result.band !== undefined && <span className="block text-faint">{result.band}</span>}
                  {result.norms.length === 0 && <span className="text-faint">no adult norm</span>}
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
      {missing.length > 0 && (
        <p className="mt-1 text-faint">
          Not measured: {missing.map((each) => (names.get(each) ?? each).toLowerCase()).join(', ')}.
        </p>
      )}
      <p className="mt-1 text-sm text-faint">
        Norms come from small groups of young healthy people. A result is a place to look again, never a diagnosis.
      </p>
    </section>
  );
}

/** A change drawn against the test's own noise: inside the band it is not called progress. */
function Change({ change }: { change: NonNullable<Days['norms']['results'][number]['change']> }) {
  const half = 60;
  const reach = Math.max(change.noise_s * 2, Math.abs(change.by_s));
  const x = (seconds: number) => half + (seconds / reach) * (half - 6);
  return (
    <span className="block">
      <svg viewBox="0 0 120 16" className="h-4 w-30" aria-hidden>
        <rect
          x={x(-change.noise_s)}
          y={3}
          width={x(change.noise_s) - x(-change.noise_s)}
          height={10}
          className="fill-line"
        />
        <line x1={half} x2={half} y1={1} y2={15} className="stroke-faint" />
        <circle cx={x(change.by_s)} cy={8} r={5} className={change.counts ? 'fill-act' : 'fill-faint'} />
      </svg>
      <span className="block text-sm">
        {change.by_s > 0 ? '+' : ''}
        {change.by_s} s, {change.counts ? 'a change' : `inside the noise of ${change.noise_s} s`}
      </span>
    </span>
  );
}

const ratioNames: Record<string, string> = {
  'side-left-right': 'Left against right',
  'flexor-extensor': 'Front against back',
  'side-extensor': 'Side against back',
};

function Ratios({ days }: { days: Days }) {
  const { ratios, asymmetry } = days.norms;
  return (
    <section aria-label="Ratios">
      <h2 className="text-xl font-bold">Front, back and sides compared</h2>
      <ul>
        {ratios.map((ratio) => (
          <li key={ratio.id} className="border-t border-line py-1.5">
            <b>{ratioNames[ratio.id]}</b>{' '}
            {ratio.value !== null && <span className="text-lg font-bold">{ratio.value}</span>}{' '}
            {ratio.flag && (
              <span className="rounded-sm bg-warn-soft px-1 text-sm font-semibold text-warn">worth a re-test</span>
            )}
            <span className="block text-[0.9375rem]" title={ratio.source}>
              {ratio.meaning}
            </span>
          </li>
        ))}
        {asymmetry.map((each) => (
          <li key={each.test} className="border-t border-line py-1.5">
            <b>Symmetry of the side holds</b> <span className="text-lg font-bold">{each.index_percent} %</span>
            <span className="block text-[0.9375rem]">
              Weaker over stronger side.{' '}
              {each.worse === null
                ? 'Both sides alike.'
                : `The ${each.worse} side is the worse one, and sets the rung.`}
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}

function Earlier({ days, names }: { days: Days; names: Map<string, string> }) {
  const library = useLibrary();
  const faults = new Map(library.data?.library.faults.map((fault) => [fault.id, fault.name.toLowerCase()]));
  if (days.days.length === 0) return null;
  return (
    <section aria-label="Test days">
      <h2 className="text-xl font-bold">Test days</h2>
      <ul>
        {days.days.map((day, i) => (
          <li key={i} className="border-t border-line py-1.5">
            <b>{longDate(day.on)}</b>
            <ul className="text-[0.9375rem]">
              {Object.entries(day.tests).map(([key, seconds]) => {
                const test = key.replace(/_s$/, '');
                const fault = day.ended_by[test];
                return (
                  <li key={key}>
                    {names.get(test) ?? test}: {seconds} s
                    {day.feet[test] !== undefined && (
                      <span className="text-faint">, feet {feetWords.find(([id]) => id === day.feet[test])?.[1]}</span>
                    )}
                    {fault !== undefined && <span className="text-faint">, ended by {faults.get(fault) ?? fault}</span>}
                  </li>
                );
              })}
              {day.ladders.map((each) => (
                <li key={each.ladder}>
                  {each.ladder}: clean up to {each.rungs.join(' left, ')}
                  {each.rungs.length > 1 && ' right'}
                  {each.ended_by !== null && (
                    <span className="text-faint">, ended by {each.ended_by.toLowerCase()}</span>
                  )}
                </li>
              ))}
              {day.leg_loading !== null && (
                <li>
                  {days.protocol.staged.name}, {day.leg_loading.method === 'cuff' ? 'with the cuff' : 'by eye'}: level{' '}
                  {day.leg_loading.score} of {days.protocol.staged.levels.length}
                  {day.leg_loading.levels.map(
                    (level) =>
                      level.trace !== undefined && (
                        <span key={level.level} className="mt-1 block text-faint">
                          Level {level.level}, {level.held ? 'held' : 'not held'}
                          <CuffTrace trace={level.trace as Trace} target={days.cuff.target} reach={days.cuff.reach} />
                        </span>
                      ),
                  )}
                </li>
              )}
            </ul>
          </li>
        ))}
      </ul>
    </section>
  );
}

type Feet = NonNullable<Schemas['TestDayRequest']['feet']>[string];

const feetWords = [
  ['', 'not written'],
  ['together', 'together'],
  ['apart', 'hip-width apart'],
  ['stacked', 'stacked'],
  ['split', 'split'],
] as const;

/** A test day while it is measured; it stays on the device until it is saved or thrown away. */
interface TypedDay {
  on: string;
  /** seconds, in the order they were taken */
  takes: Partial<Record<Test, number[]>>;
  counts: 'best' | 'last';
  ended: Partial<Record<Test, string>>;
  climbed: Climbed;
  legs: LegLoadingResult | null;
  feet: Record<string, Feet>;
}

function emptyDay(): TypedDay {
  return { on: today(), takes: {}, counts: 'best', ended: {}, climbed: {}, legs: null, feet: {} };
}

function draftOf(client: string): string {
  return `tests:${client}`;
}

function NewDay({ days, onDone }: { days: Days; onDone: () => void }) {
  const client = useClientId();
  const board = useBoard();
  const library = useLibrary();
  const queries = useQueryClient();
  const [typed, keep, drop] = useKept<TypedDay>(draftOf(client), emptyDay());
  const { on, takes, ended, climbed, legs, feet } = typed;
  const put = (part: Partial<TypedDay>) => {
    keep((before) => ({ ...before, ...part }));
  };
  /** what counts of the takes of each hold */
  const held = Object.fromEntries(
    Object.entries(takes).map(([test, all]) => [
      test,
      typed.counts === 'last' ? all[all.length - 1] : Math.max(...all),
    ]),
  ) as Partial<Record<Test, number | undefined>>;
  const faults = new Map(library.data?.library.faults.map((fault) => [fault.id, fault.name]));
  const rungs = library.data?.library.ladders.flatMap((each) => each.rungs) ?? [];
  /** the rung that a test is done on, either side of it */
  const rungOf = (test: Test) => rungs.find((rung) => test.replace(/-(left|right)$/, '') === rung.timed_test)?.id;
  const save = useMutation({
    mutationFn: () => {
      const measured = Object.entries(held).filter(([, seconds]) => seconds !== undefined && seconds > -Infinity);
      return answer(
        api.POST('/clients/{client}/tests', {
          params: { path: { client } },
          body: {
            version: board.data?.version ?? 1,
            on,
            tests: Object.fromEntries(measured.map(([test, seconds]) => [`${test}_s`, seconds])),
            ...(Object.keys(feet).length === 0 ? {} : { feet }),
            ...(Object.keys(climbed).length === 0 ? {} : { ladders: climbed }),
            ...(legs === null || legs.levels.length === 0 ? {} : { leg_loading: legs }),
            ended_by: Object.fromEntries(
              Object.entries(ended).filter(([test]) => measured.some(([one]) => one === test)),
            ),
          },
        }),
      );
    },
    onSuccess: (now) => {
      queries.setQueryData(['tests', client], now);
      void queries.invalidateQueries({ queryKey: ['board', client] });
      void queries.invalidateQueries({ queryKey: ['clients'] });
      drop();
      onDone();
    },
    // somebody else changed the client: with the newer board a second press puts this day on top
    onError: () => void queries.invalidateQueries({ queryKey: ['board', client] }),
  });
  const { protocol } = days;
  const barred = new Set(days.barred.map((each) => each.test));
  const offered = protocol.tests.filter((test) => !barred.has(test.test));
  const nameOf = (id: string) => protocol.tests.find((test) => test.test === id)?.name ?? protocol.staged.name;
  return (
    <form
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <h2 className="text-xl font-bold">A test day</h2>
      <p className="mb-2">
        Not within {protocol.hours_after_hard} h of a hard session. One practice of {protocol.practice_s} s before each
        hold; rest at least {clock(protocol.rest_s)} min between holds. The first fault ends the hold, not the clock and
        not collapse.
      </p>
      <TextField
        label="Day"
        type="date"
        value={on}
        onChange={(day) => {
          put({ on: day });
        }}
        className="mb-3 max-w-48"
      />
      <SelectField
        label="Of several takes of a hold"
        className="mb-3 max-w-48"
        value={typed.counts}
        options={[
          ['best', 'the best counts'],
          ['last', 'the last counts'],
        ]}
        onChange={(counts) => {
          put({ counts: counts as TypedDay['counts'] });
        }}
      />
      <div className="mb-3">
        <Climb
          climbed={climbed}
          onChange={(next) => {
            put({ climbed: next });
          }}
        />
      </div>
      {days.barred.length > 0 && (
        <ul
          aria-label="Tests left out"
          className="mb-3 space-y-1 rounded-md border-l-4 border-warn bg-warn-soft px-3 py-2"
        >
          {days.barred.map((each) => (
            <li key={each.test}>
              <b>{nameOf(each.test)}</b> is left out: {each.why.join('; ')}.
              {each.stand_in !== null && ` Climb the ladder “${each.stand_in}” instead; it has no norm and no ratio.`}
            </li>
          ))}
        </ul>
      )}
      <ol className="space-y-3">
        {offered.map((test, i) => (
          <li key={test.test} className="rounded-lg border border-line bg-card p-3">
            <h3 className="font-bold">
              {i + 1}. {test.name}
            </h3>
            <p className="text-[0.9375rem]">
              {test.how} <span className="text-faint">Ends when: {test.ends}</span>
            </p>
            <div className="mt-2 flex flex-wrap items-end gap-3">
              <Stopwatch
                label={test.name}
                rest={i === 0 ? 0 : protocol.rest_s}
                faults={test.faults.map((fault) => [fault, faults.get(fault) ?? fault])}
                ended={ended[test.test]}
                onStop={(seconds) => {
                  put({ takes: { ...takes, [test.test]: [...(takes[test.test] ?? []), seconds] } });
                }}
                onFault={(fault) => {
                  put({ ended: { ...ended, [test.test]: fault } });
                }}
              />
              {rungOf(test.test) !== undefined && (
                <LineCheckButton
                  name={test.name}
                  rung={rungOf(test.test) ?? ''}
                  client={{ id: client, name: board.data?.client.name ?? '' }}
                />
              )}
              <TextField
                label="Held"
                unit="s"
                type="number"
                className="w-28"
                value={`${held[test.test] ?? ''}`}
                onChange={(text) => {
                  put({ takes: { ...takes, [test.test]: text === '' ? [] : [Number(text)] } });
                }}
              />
              {(takes[test.test]?.length ?? 0) > 1 && (
                <p className="text-[0.9375rem] text-faint">Takes: {takes[test.test]?.join(' s, ')} s</p>
              )}
              <SelectField
                label="Feet"
                className="w-40"
                value={feet[test.test] ?? ''}
                options={feetWords}
                onChange={(stood) => {
                  const others = Object.fromEntries(Object.entries(feet).filter(([id]) => id !== test.test));
                  put({ feet: stood === '' ? others : { ...others, [test.test]: stood as Feet } });
                }}
              />
            </div>
          </li>
        ))}
      </ol>
      <div className="mt-3">
        {!barred.has('leg-loading') && (
          <LegLoading
            protocol={protocol.staged}
            result={legs}
            onChange={(next) => {
              put({ legs: next });
            }}
          />
        )}
      </div>
      <p role="alert" className="mt-2 font-semibold text-warn empty:hidden">
        {isConflict(save.error)
          ? 'Somebody else changed this client in the meantime. Nothing is lost: save again to keep this day as well.'
          : save.error?.message}
      </p>
      <div className="mt-3 flex gap-2">
        <Button look="act" type="submit" disabled={save.isPending}>
          Save the test day
        </Button>
        <Button
          look="quiet"
          onClick={() => {
            drop();
            onDone();
          }}
        >
          Throw it away
        </Button>
      </div>
      <p className="mt-1 text-sm text-faint">
        Saving places the client by the new results, and asks where that changes the plan.
      </p>
    </form>
  );
}
