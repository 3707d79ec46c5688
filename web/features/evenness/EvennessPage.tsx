import { Printer, Scale as Balance } from 'lucide-react';
import type { ReactNode } from 'react';
import { longDate } from '../../lib/dates';
import { useMay } from '../../lib/session';
import { Button } from '../../ui/Button';
import { Code } from '../../ui/Code';
import { Notice, Waiting } from '../../ui/Notice';
import { Why } from '../../ui/Why';
import { fills } from '../../parts/week/shares';
import { OwnAims } from './OwnAims';
import { useEvenness, useEvennessChange, type Evenness } from '../../parts/evenness/useEvenness';
import { extraSet, hold, letGo } from './changes';
import { Empty } from '../../ui/Empty';
import { sessionsOutOf } from '../../lib/words';

/** One page to show a client: how even the rungs are, and what was really done. */
export function EvennessPage() {
  const even = useEvenness();
  if (even.isPending) return <Waiting what="the rungs" />;
  if (even.isError) return <Notice title={even.error.message} />;
  const data = even.data;
  return (
    <div className="space-y-6">
      <div className="flex flex-wrap items-center gap-3 rounded-lg border-2 border-stand bg-card p-4">
        <Balance size={28} aria-hidden />
        <p className="min-w-60 flex-1 text-xl" data-proposal>
          {data.proposal}
        </p>
        <Button
          className="print:hidden"
          onClick={() => {
            window.print();
          }}
        >
          <Printer size={18} aria-hidden /> Print
        </Button>
      </div>
      <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-2">
        <div className="space-y-6">
          <Levels data={data} />
          <Front data={data} />
        </div>
        <Sides data={data} />
      </div>
      <Done data={data} />
      <Card title="The client’s own aims" under="A thing in daily life or sport, scored by the client every few weeks.">
        <OwnAims aims={data.own_aims} />
      </Card>
      <Ladders data={data} />
    </div>
  );
}

function Card({ title, under, children }: { title: string; under: string; children: ReactNode }) {
  return (
    <section aria-label={title} className="rounded-lg border border-line bg-card p-4 print:break-inside-avoid">
      <h2 className="text-xl font-bold">{title}</h2>
      <p className="mb-2 text-[0.9375rem] text-faint">{under}</p>
      {children}
    </section>
  );
}

function Bar({ share, className = '' }: { share: number; className?: string }) {
  return (
    <span className="block h-4 rounded bg-line/70" aria-hidden>
      <span
        className={`block h-4 rounded ${className}`}
        style={{ width: `${Math.min(100, Math.max(0, 100 * share))}%` }}
      />
    </span>
  );
}

function Levels({ data }: { data: Evenness }) {
  return (
    <Card
      title="Level of each direction"
      under={`On one scale from 1 to ${data.top_level}. The highest is ${data.spread} ${data.spread === 1 ? 'level' : 'levels'} above the lowest.`}
    >
      <ul className="space-y-2">
        {data.levels.map((each) => (
          <li key={each.code}>
            <span className="flex items-baseline gap-2">
              <Code code={each.code} /> <span className="flex-1">{each.name}</span>
              {each.holds && <b className="text-warn">{each.held === null ? 'is ahead' : 'stays on its rung'}</b>}
              <b className="text-xl">{each.level ?? '–'}</b>
            </span>
            {each.level === null ? (
              <span className="text-sm text-faint">Not compared: {each.left_out}.</span>
            ) : (
              <Bar share={each.level / data.top_level} className={fills[each.code] ?? 'bg-faint'} />
            )}
            {(each.holds || each.held !== null) && (
              <InPlan
                inPlan={each.held}
                take={hold(each.code)}
                offer={`Hold the rung: ${each.name}`}
                said="The rung is held while the dose moves"
              />
            )}
          </li>
        ))}
      </ul>
    </Card>
  );
}

function Done({ data }: { data: Evenness }) {
  const most = Math.max(
    1,
    ...data.done.flatMap((each) => [each.planned.work.seconds, each.week.work.seconds, each.month.work.seconds / 4]),
  );
  const line = (label: string, seconds: number, text: string, className: string) => (
    <div className="grid grid-cols-[5.5rem_minmax(1rem,1fr)_minmax(0,10rem)] items-center gap-2 text-[0.9375rem]">
      <span>{label}</span>
      <Bar share={seconds / most} className={className} />
      <span>{text}</span>
    </div>
  );
  return (
    <Card
      title="Planned and really done"
      under="Minutes of work and sets in a week, and the weekly mean of four weeks."
    >
      <ul className="grid gap-x-8 gap-y-3 lg:grid-cols-2">
        {data.done.map((each) => (
          <li key={each.code}>
            <p className="flex items-baseline gap-2">
              <Code code={each.code} /> {each.name}
              <span
                className={`ml-auto text-[0.9375rem] ${each.week.sessions < each.target_sessions ? 'font-semibold text-warn' : 'text-faint'}`}
              >
                {sessionsOutOf(each.week.sessions, each.target_sessions)} in seven days
              </span>
            </p>
            {line(
              'Planned',
              each.planned.work.seconds,
              `${each.planned.work.text}, ${each.planned.sets} sets`,
              'border-2 border-stand',
            )}
            {line(
              'Seven days',
              each.week.work.seconds,
              `${each.week.work.text}, ${each.week.sets} sets`,
              fills[each.code] ?? 'bg-stand',
            )}
            {line(
              'Four weeks',
              each.month.work.seconds / 4,
              `${each.month.work.text} in all, ${each.month.sets} sets`,
              'bg-faint/70',
            )}
          </li>
        ))}
      </ul>
    </Card>
  );
}

function Sides({ data }: { data: Evenness }) {
  return (
    <Card
      title="Left against right"
      under="What the weaker side does in per cent of the stronger, in the newest session with both."
    >
      {data.sides.length === 0 && <p>No session with both sides was logged in four weeks.</p>}
      <ul className="space-y-2">
        {data.sides.map((each) => (
          <li key={each.what}>
            <span className="flex items-baseline gap-2">
              <Code code={each.category} /> <span className="flex-1">{each.what}</span>
              {each.worse !== null && <span className="text-faint">{each.worse} is weaker</span>}
              <b className="text-xl">{each.percent} %</b>
            </span>
            <Bar share={each.percent / 100} className={each.advice === null ? 'bg-stand' : 'bg-warn'} />
            {each.advice !== null && <span className="font-semibold text-warn">{each.advice}</span>}
            <ExtraSet of={each} side={each.extra_set} />
          </li>
        ))}
      </ul>
    </Card>
  );
}

/** One set more for the weaker side: offered where the readings ask for it, and let go of. */
function ExtraSet({
  of,
  side,
}: {
  of: Pick<Evenness['sides'][number], 'ladder' | 'in_plan'>;
  side: Evenness['sides'][number]['extra_set'];
}) {
  if (of.in_plan === null && side === null) return null;
  return (
    <InPlan
      inPlan={of.in_plan}
      take={extraSet(of.ladder)}
      offer={`Take the ${side ?? ''} set into the plan`}
      said={`One set more on the ${of.in_plan?.side ?? ''} is part of the plan`}
    />
  );
}

function InPlan({
  inPlan,
  take,
  offer,
  said,
}: {
  inPlan: Evenness['sides'][number]['in_plan'];
  take: Parameters<ReturnType<typeof useEvennessChange>['mutate']>[0];
  offer: string;
  said: string;
}) {
  const mayWrite = useMay('trainer');
  const change = useEvennessChange();
  return (
    <div className="flex flex-wrap items-center gap-2">
      {inPlan !== null && (
        <span className="font-semibold">
          {said}, since {longDate(inPlan.since)}.
        </span>
      )}
      {mayWrite && (
        <Button
          className="print:hidden"
          disabled={change.isPending}
          onClick={() => {
            change.mutate(inPlan === null ? take : letGo(inPlan.id));
          }}
        >
          {inPlan === null ? offer : 'Let go'}
        </Button>
      )}
      <span role="alert" className="font-semibold text-warn empty:hidden">
        {change.error?.message}
      </span>
    </div>
  );
}

function Front({ data }: { data: Evenness }) {
  const { tests } = data;
  if (tests === null) {
    return (
      <Card title="Front, back and sides" under="From timed holds on a test day.">
        <Empty>No test day yet.</Empty>
      </Card>
    );
  }
  const holds = [
    ['Front', tests.front_s],
    ['Back', tests.back_s],
    ['Left side', tests.left_s],
    ['Right side', tests.right_s],
  ] as const;
  const most = Math.max(1, ...holds.map(([, seconds]) => seconds ?? 0));
  return (
    <Card title="Front, back and sides" under={`Longest holds with good form, tested on ${longDate(tests.on)}.`}>
      <ul className="space-y-2">
        {holds.map(([name, seconds]) => (
          <li key={name}>
            <span className="flex items-baseline">
              <span className="flex-1">{name}</span>
              <b className="text-xl">{seconds === null ? 'not tested' : `${seconds} s`}</b>
            </span>
            <Bar share={(seconds ?? 0) / most} className="bg-stand" />
          </li>
        ))}
      </ul>
      {tests.index_percent !== null && (
        <p className="mt-2">
          Sides: {tests.index_percent} %, weaker by stronger.{' '}
          {tests.advice !== null && <b className="text-warn">{tests.advice}</b>}
        </p>
      )}
      {tests.ladder !== null && (
        <ExtraSet of={{ ladder: tests.ladder, in_plan: tests.in_plan }} side={tests.extra_set} />
      )}
      <p className="mt-1 text-sm text-faint">A single reading is worth a re-test, never a diagnosis.</p>
    </Card>
  );
}

function Ladders({ data }: { data: Evenness }) {
  return (
    <Card
      title="Time on each rung, and what is likely next"
      under="A range from what was logged, never a promise; the reasons say what it rests on."
    >
      <div className="overflow-x-auto">
        <table className="w-full text-left">
          <thead>
            <tr className="border-b-2 border-line text-[0.9375rem]">
              <th className="py-1 pr-3">Ladder</th>
              <th className="pr-3">Stands on</th>
              <th className="pr-3 text-right">On it for</th>
              <th>Next rungs, likely in</th>
            </tr>
          </thead>
          <tbody>
            {data.ladders.map((each) => (
              <tr key={each.id} className="border-b border-line align-top last:border-0">
                <td className="py-2 pr-3 whitespace-nowrap">
                  <Code code={each.category} /> {each.name}
                </td>
                <td className="py-2 pr-3">
                  {each.rung}
                  <span className="block text-sm text-faint">
                    level {each.level}, dose step {each.step} of {each.steps}
                  </span>
                </td>
                <td className="py-2 pr-3 text-right whitespace-nowrap">
                  {each.days === null ? '–' : `${each.days} ${each.days === 1 ? 'day' : 'days'}`}
                </td>
                <td className="py-2">
                  <div className="flex items-start gap-1">
                    <div className="flex-1">
                      {!each.forecast.enough && <span className="text-faint">Too little data.</span>}
                      {each.forecast.enough && each.forecast.next.length === 0 && (
                        <span className="text-faint">Nothing that is allowed stands above.</span>
                      )}
                      {each.forecast.enough &&
                        each.forecast.next.map((next) => (
                          <span key={next.rung} className="block">
                            {next.name}: <b>{next.weeks?.text ?? 'too little data'}</b>
                          </span>
                        ))}
                    </div>
                    <span className="print:hidden">
                      <Why about={`the forecast of ${each.name}`} reasons={each.forecast.assumptions} />
                    </span>
                  </div>
                </td>
              </tr>
            ))}
          </tbody>
        </table>
      </div>
    </Card>
  );
}
