import { useId } from 'react';
import { Bar, BarChart, CartesianGrid, XAxis, YAxis } from 'recharts';
import { dayAndMonth, longDate } from '../../lib/dates';
import { Empty } from '../../ui/Empty';
import { Chart, useChartWidth } from './Chart';
import type { Progress } from './queries';

type Week = Progress['weeks'][number];

/** Weeks on the axis: the day on which each begins, as many as there is room for. */
const weekAxis = {
  dataKey: 'from',
  tickFormatter: dayAndMonth,
  interval: 'equidistantPreserveStart',
  minTickGap: 12,
} as const;

/** Minutes of work that were planned in each week, and those that were done. */
export function Work({ data }: { data: Progress }) {
  const width = useChartWidth();
  const { weeks } = data;
  if (weeks.length === 0)
    return <NoWeek title="Planned and really done" says="Nothing was planned or logged in this time." />;
  const sessions = weeks.reduce((sum, week) => sum + week.sessions, 0);
  const unplanned = weeks.some((week) => week.planned === null);
  return (
    <Chart
      title="Planned and really done"
      said={`Minutes of work in weeks of seven days up to today. ${sessions} ${sessions === 1 ? 'session' : 'sessions'} logged.${unplanned ? ' A week without an open bar is from before the first plan.' : ''}`}
      legend={
        <Swatches
          of={[
            ['planned', 'border-2 border-stand'],
            ['done', 'bg-stand'],
          ]}
        />
      }
      columns={['Week from', 'Planned', 'Done', 'Sessions', 'Sets']}
      rows={[...weeks]
        .reverse()
        .map((week) => [
          longDate(week.from),
          week.planned === null ? '–' : week.planned.work.text,
          week.work.text,
          week.planned === null ? week.sessions : `${week.sessions} (${week.planned.sessions} planned)`,
          week.sets,
        ])}
    >
      <BarChart
        accessibilityLayer={false}
        width={width}
        height={220}
        data={weeks.map((week) => ({ from: week.from, planned: week.planned?.minutes ?? null, done: week.minutes }))}
        margin={{ top: 8, right: 8, bottom: 0, left: -20 }}
        barGap={1}
      >
        <CartesianGrid vertical={false} stroke="var(--line)" />
        <XAxis {...weekAxis} />
        <YAxis />
        <Bar
          dataKey="planned"
          fill="var(--card)"
          stroke="var(--stand)"
          strokeWidth={2}
          maxBarSize={48}
          isAnimationActive={false}
        />
        <Bar dataKey="done" fill="var(--stand)" maxBarSize={48} isAnimationActive={false} />
      </BarChart>
    </Chart>
  );
}

/** The load of each week: effort times minutes. */
export function Load({ data }: { data: Progress }) {
  const width = useChartWidth();
  const id = useId();
  const { weeks } = data;
  if (!weeks.some((week) => week.sessions > 0)) return <NoWeek title="Load" />;
  const known = (week: Week) => (week.unknown.length === 0 ? week.load : null);
  return (
    <Chart
      title="Load"
      said="Effort (0 to 10) times minutes, all sessions of a week together. Hatched: a session of that week was not logged or has no effort, so the bar is a least."
      legend={
        <Swatches
          of={[
            ['whole week known', 'bg-wood'],
            ['at least', 'hatched border-2 border-wood'],
          ]}
        />
      }
      columns={['Week from', 'Load', 'Days nobody knows of']}
      rows={[...weeks]
        .reverse()
        .map((week) => [
          longDate(week.from),
          week.unknown.length === 0 ? week.load : `at least ${week.load}`,
          week.unknown.map(dayAndMonth).join(', ') || '–',
        ])}
    >
      <BarChart
        accessibilityLayer={false}
        width={width}
        height={220}
        data={weeks.map((week) => ({
          from: week.from,
          known: known(week),
          least: known(week) === null ? week.load : null,
        }))}
        margin={{ top: 8, right: 8, bottom: 0, left: -12 }}
      >
        <Hatch id={id} />
        <CartesianGrid vertical={false} stroke="var(--line)" />
        <XAxis {...weekAxis} />
        <YAxis />
        <Bar dataKey="known" stackId="load" fill="var(--wood)" maxBarSize={48} isAnimationActive={false} />
        <Bar
          dataKey="least"
          stackId="load"
          fill={`url(#${id})`}
          stroke="var(--wood)"
          strokeWidth={2}
          maxBarSize={48}
          isAnimationActive={false}
        />
      </BarChart>
    </Chart>
  );
}

function NoWeek({ title, says = 'No session is logged in this time.' }: { title: string; says?: string }) {
  return (
    <>
      <h2 className="font-bold">{title}</h2>
      <Empty>{says}</Empty>
    </>
  );
}

/** What is drawn hatched. */
function Hatch({ id }: { id: string }) {
  return (
    <defs>
      <pattern id={id} width={6} height={6} patternUnits="userSpaceOnUse" patternTransform="rotate(45)">
        <rect width={6} height={6} fill="var(--card)" />
        <line x1={0} x2={0} y1={0} y2={6} stroke="var(--wood)" strokeWidth={3} />
      </pattern>
    </defs>
  );
}

function Swatches({ of }: { of: readonly (readonly [string, string])[] }) {
  return (
    <ul className="flex flex-wrap gap-x-4 text-[0.9375rem]">
      {of.map(([name, look]) => (
        <li key={name} className="flex items-center gap-1.5">
          <span className={`size-3.5 ${look}`} aria-hidden /> {name}
        </li>
      ))}
    </ul>
  );
}
