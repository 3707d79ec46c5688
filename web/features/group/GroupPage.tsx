import { useMutation } from '@tanstack/react-query';
import { Play, Printer, FileDown } from 'lucide-react';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { savePdf } from '../../lib/saveFile';
import { Button } from '../../ui/Button';
import { Choice } from '../../ui/Choice';
import { Code } from '../../ui/Code';
import { SelectField, TextField, Tick, toggled } from '../../ui/Field';
import { Still } from '../../ui/Figure';
import { Notice, Waiting } from '../../ui/Notice';
import { Why } from '../../ui/Why';
import { useLibrary } from '../../parts/board/useBoard';
import { today } from '../../lib/dates';
import { useMe } from '../../lib/session';
import { useKept } from '../../lib/useKept';
import { SomethingIsWrong } from '../../parts/run/SomethingIsWrong';
import { StopScreen } from '../../parts/run/StopScreen';
import { runGroup, writeStop } from '../../parts/run/start';
import { SavedAs } from '../../parts/plan/ProgramFiles';
import { useLogChange } from '../../parts/log/useLogChange';
import { useFigures } from '../../parts/rungs/useRungs';
import { answered, Arrival, type Arrived } from './Arrival';
import { useAsked, useClients } from '../../parts/client/useClients';
import { useReadySessions } from '../../parts/ready/useReadySessions';
import { useGroupPlan } from './queries';

/** One clock for a small group: the same stations for all, each person on their own rung; one card to print for every station. */
export function GroupPage() {
  const clients = useClients();
  const library = useLibrary();
  const refresh = useLogChange();
  const [chosen, setChosen] = useState<string[]>(useAsked());
  const ready = useReadySessions();
  const [stations, setStations] = useState<string[]>(['dead-bug', 'side-plank', 'press-out', 'bird-dog']);
  const [numbers, setNumbers] = useState({
    rounds: '3',
    work_s: '40',
    rest_s: '20',
    warm_up_s: '120',
    cool_down_s: '60',
  });
  const [rotate, setRotate] = useState(false);
  const there = useMe().data?.kit ?? {};
  /** pieces for this time only, where they are not as many as the studio has */
  const [kit, setKit] = useKept<Record<string, string>>('group:pieces', {}, today());
  const counted = Object.fromEntries(
    Object.entries(kit).map(([piece, count]) => [piece, count === '' ? null : Number(count)]),
  );
  const [said, setSaid] = useKept<Record<string, Arrived>>('group:said', {}, today());
  const tell = (client: string, part: Arrived) => {
    setSaid((before) => ({ ...before, [client]: { ...before[client], ...part } }));
  };
  const body = {
    clients: chosen,
    stations,
    rotate,
    ...(Object.keys(counted).length === 0 ? {} : { kit: counted }),
    said: Object.fromEntries(
      chosen.flatMap((client) => (said[client] === undefined ? [] : [[client, answered(said[client])]])),
    ),
    rounds: Number(numbers.rounds),
    work_s: Number(numbers.work_s),
    rest_s: Number(numbers.rest_s),
    warm_up_s: Number(numbers.warm_up_s),
    cool_down_s: Number(numbers.cool_down_s),
  };
  const plan = useGroupPlan(body, chosen.length > 0 && stations.length > 0);
  // what is shown may still be the answer to what was said before
  const settled = !plan.isPlaceholderData && !plan.isFetching;
  const stopped = plan.isError || chosen.length === 0 ? undefined : plan.data?.stopped[0];
  const stop = useMutation({
    mutationFn: (client: string) => writeStop(body, client),
    onSuccess: (_, client) => {
      setChosen((before) => before.filter((id) => id !== client));
      tell(client, { pain: undefined, pain_kind: undefined, soreness: undefined });
    },
    onSettled: refresh,
  });
  if (clients.isPending || library.isPending) return <Waiting what="the group" />;
  if (clients.isError) return <Notice title={clients.error.message} />;
  const ladders = library.data?.library.ladders ?? [];
  const number = (key: keyof typeof numbers, label: string, unit?: string) => (
    <TextField
      label={label}
      {...(unit === undefined ? {} : { unit })}
      type="number"
      className="w-28"
      value={numbers[key]}
      onChange={(text) => {
        setNumbers({ ...numbers, [key]: text });
      }}
    />
  );
  return (
    <div className="mx-auto grid max-w-[100rem] grid-cols-[minmax(0,1fr)] gap-6 p-4 lg:grid-cols-[20rem_minmax(0,1fr)]">
      <div className="space-y-4 print:hidden">
        <h1 className="text-2xl font-bold">One clock, own rungs</h1>
        <fieldset>
          <legend className="font-semibold">Who</legend>
          {clients.data.clients.map((each) => (
            <Tick
              key={each.id}
              label={each.name}
              checked={chosen.includes(each.id)}
              onChange={(on) => {
                setChosen(toggled(chosen, each.id, on));
              }}
            />
          ))}
        </fieldset>
        {chosen.length > 0 && (
          <Arrival
            people={clients.data.clients.filter(({ id }) => chosen.includes(id))}
            said={said}
            stopOver={plan.data?.stop_over}
            tell={tell}
          />
        )}
        <fieldset>
          <legend className="font-semibold">Stations</legend>
          <SelectField
            label={<span className="text-sm font-normal">Those of a ready session</span>}
            value=""
            options={[
              ['', 'choose …'],
              ...(ready.data?.ready.map((each) => [each.id, `${each.name} (${each.stations.length})`] as const) ?? []),
            ]}
            onChange={(id) => {
              const chosen = ready.data?.ready.find((each) => each.id === id);
              if (chosen !== undefined) setStations(chosen.stations);
            }}
          />
          {stations.map((station, i) => (
            <div key={i} className="mb-1 flex items-end gap-1">
              <SelectField
                label={<span className="sr-only">Station {i + 1}</span>}
                className="flex-1"
                value={station}
                options={ladders.map((each) => [each.id, `${each.category} ${each.name}`] as const)}
                onChange={(id) => {
                  setStations(stations.map((old, k) => (k === i ? id : old)));
                }}
              />
              <Button
                look="quiet"
                aria-label={`Remove station ${i + 1}`}
                onClick={() => {
                  setStations(stations.filter((_, k) => k !== i));
                }}
              >
                ✕
              </Button>
            </div>
          ))}
          <Button
            disabled={stations.length >= (library.data?.numbers.most_stations ?? 0)}
            onClick={() => {
              setStations([...stations, 'bridge']);
            }}
          >
            Add a station
          </Button>
        </fieldset>
        <div className="flex flex-wrap gap-3">
          {number('rounds', 'Rounds')}
          {number('work_s', 'Work', 's')}
          {number('rest_s', 'Rest', 's')}
          {number('warm_up_s', 'Warm-up', 's')}
          {number('cool_down_s', 'Cool-down', 's')}
        </div>
        <fieldset>
          <legend className="font-semibold">Who is where</legend>
          <Choice
            options={[
              [false, 'All at the same station'],
              [true, 'They rotate through the stations'],
            ]}
            value={rotate}
            onChange={setRotate}
          />
        </fieldset>
        {(plan.data?.kit.length ?? 0) > 0 && (
          <fieldset>
            <legend className="font-semibold">Pieces of kit that are there</legend>
            <p className="text-sm text-faint">
              For this time; what the studio has is on its own page. Left empty, there are enough.
            </p>
            <div className="flex flex-wrap gap-3">
              {plan.data?.kit.map((each) => (
                <TextField
                  key={each.id}
                  label={each.name}
                  type="number"
                  className="w-28"
                  value={kit[each.id] ?? (there[each.id] === undefined ? '' : String(there[each.id]))}
                  onChange={(text) => {
                    setKit({ ...kit, [each.id]: text });
                  }}
                />
              ))}
            </div>
          </fieldset>
        )}
      </div>
      <div>
        {chosen.length === 0 && (
          <p className="rounded-lg border border-dashed border-line p-6 text-faint">Choose who trains together.</p>
        )}
        {plan.isError && <Notice title={plan.error.message} />}
        {plan.data !== undefined && !plan.isError && chosen.length > 0 && (
          <Plan plan={plan.data} body={body} rotate={rotate} settled={settled} />
        )}
        {settled && stopped !== undefined && (
          <StopScreen
            key={stopped.client}
            title={`${stopped.name}: no training today.`}
            words={stopped.words}
            answers={[
              {
                label: 'Write it down: nothing done today',
                busy: stop.isPending,
                act: () => {
                  stop.mutate(stopped.client);
                },
              },
              {
                label: 'The answer was wrong: ask again',
                busy: false,
                act: () => {
                  tell(stopped.client, { pain: undefined, pain_kind: undefined });
                },
              },
            ]}
            error={stop.error?.message}
          />
        )}
      </div>
    </div>
  );
}

function Plan({
  plan,
  body,
  rotate,
  settled,
}: {
  plan: Schemas['GroupPlan'];
  body: Schemas['GroupRequest'];
  rotate: boolean;
  settled: boolean;
}) {
  const figures = useFigures();
  const navigate = useNavigate();
  const run = useMutation({
    mutationFn: () => runGroup(body),
    onSuccess: () => navigate('/floor'),
  });
  const cards = useMutation({
    mutationFn: () => answer(api.POST('/group/cards', { body })),
    onSuccess: ({ pdf }) => {
      savePdf(pdf, 'stations.pdf');
    },
  });
  return (
    <>
      <div className="mb-3 flex flex-wrap items-end gap-4 print:hidden">
        <p>
          <b className="text-3xl" data-group-total>
            {plan.total.text}
          </b>{' '}
          <span className="text-faint">
            min, work {plan.work.text}, rest {plan.rest.text}
          </span>
        </p>
        <Button
          className="ml-auto"
          onClick={() => {
            window.print();
          }}
        >
          <Printer size={18} aria-hidden /> Print a card a station
        </Button>
        <Button
          disabled={cards.isPending}
          onClick={() => {
            cards.mutate();
          }}
        >
          <FileDown size={18} aria-hidden /> {cards.isPending ? 'Making the cards …' : 'Cards as PDF'}
        </Button>
        <SavedAs
          what="The session"
          text={(form) => answer(api.POST('/group/file', { params: { query: { form } }, body, parseAs: 'text' }))}
        />
        <Button
          look="act"
          onClick={() => {
            run.mutate();
          }}
          disabled={run.isPending || !settled || plan.stopped.length > 0}
        >
          <Play size={18} aria-hidden /> Run it on the floor
        </Button>
        <SomethingIsWrong people={(plan.stations[0]?.places ?? []).map(({ client, name }) => ({ client, name }))} />
        <p role="alert" className="font-semibold text-warn empty:hidden">
          {run.error?.message ?? cards.error?.message}
        </p>
      </div>
      {plan.notes.map((note) => (
        <p key={note} className="mb-2 font-semibold text-warn print:hidden">
          {note}
        </p>
      ))}
      <div className="grid gap-4 xl:grid-cols-2 print:block">
        {plan.stations.map((station, i) => (
          <section
            key={i}
            aria-label={`Station ${i + 1}`}
            className="rounded-lg border border-line bg-card p-3 print:break-after-page print:border-2 print:border-black print:text-xl"
          >
            <h2 className="flex items-baseline gap-2 text-xl font-bold print:text-4xl">
              {i + 1}. {station.name} <Code code={station.category} />
            </h2>
            <ul>
              {(rotate ? station.places.toSorted((a, b) => a.turn - b.turn) : station.places).map((place) => (
                <li key={place.client} className="flex items-center gap-3 border-t border-line py-2">
                  {place.rung !== null && <Still drawing={figures[place.rung]} className="h-16 w-18 shrink-0" />}
                  <span className="min-w-0 flex-1 leading-tight">
                    {rotate && <span className="text-faint">Turn {place.turn}: </span>}
                    <b>{place.name}</b>
                    <span className="block">
                      {place.exercise ?? 'Rest here'}
                      {place.swapped && (
                        <span className="ml-2 rounded-sm bg-warn-soft px-1 text-sm font-semibold text-warn">
                          swapped
                        </span>
                      )}
                    </span>
                    {place.words !== null && (
                      <span className="block text-[0.9375rem] text-faint">Aim: {place.words}</span>
                    )}
                    <span className="hidden text-base print:block">{place.setup.join(' ')}</span>
                  </span>
                  <span className="print:hidden">
                    <Why about={`${place.name} at station ${i + 1}`} reasons={place.why} />
                  </span>
                </li>
              ))}
            </ul>
          </section>
        ))}
      </div>
    </>
  );
}
