import { CartesianGrid, ComposedChart, Line, LineChart, XAxis, YAxis } from 'recharts';
import { longDate } from '../../lib/dates';
import { at, Chart, days, dots, Legend, series, useChartWidth } from './Chart';
import type { Progress } from './queries';

type Ladder = Progress['ladders'][number];

const units = { reps: 'repetitions', s: 'seconds', m: 'metres' } as const;

/** The way up a ladder: a level for a rung, and between two levels the steps of its dose. */
export function Path({ data, ladder }: { data: Progress; ladder: Ladder }) {
  const width = useChartWidth();
  const first = ladder.path[0];
  const last = ladder.path.at(-1);
  const levels = ladder.path.flatMap((each) => each.level ?? []);
  const drawn = ladder.path.map((each) => ({
    t: at(each.on),
    height: each.level === null ? null : each.level + (each.step - 1) / Math.max(1, each.steps),
  }));
  return (
    <Chart
      title={`The way up: ${ladder.name}`}
      said={
        first === undefined || last === undefined
          ? 'Nothing was placed yet.'
          : first.rung === last.rung
            ? `On ${last.rung}, level ${last.level ?? '–'}; its dose from step ${first.step} to ${last.step} of ${last.steps}.`
            : `From ${first.rung}, level ${first.level ?? '–'}, to ${last.rung}, level ${last.level ?? '–'}.`
      }
      columns={['From', 'Rung', 'Level', 'Dose']}
      rows={[...ladder.path]
        .reverse()
        .map((each) => [
          longDate(each.on),
          each.assumed ? `${each.rung} (assumed)` : each.rung,
          each.level ?? '–',
          each.steps === 0 ? '–' : `${each.dose} (step ${each.step} of ${each.steps})`,
        ])}
    >
      <LineChart
        accessibilityLayer={false}
        width={width}
        height={220}
        data={drawn}
        margin={{ top: 8, right: 8, bottom: 0, left: -28 }}
      >
        <CartesianGrid vertical={false} stroke="var(--line)" />
        <XAxis {...days(first?.on ?? data.from, data.to)} />
        <YAxis domain={[Math.max(1, Math.min(...levels)), Math.max(...levels) + 1]} allowDecimals={false} />
        <Line
          dataKey="height"
          type="stepAfter"
          stroke="var(--stand)"
          strokeWidth={2.5}
          isAnimationActive={false}
          dot={dots(series[0], (index) => ladder.path[index]?.assumed ?? false)}
        />
      </LineChart>
    </Chart>
  );
}

function onRung(ladder: Ladder): Ladder['sessions'] {
  return ladder.sessions.filter((each) => each.rung === ladder.rung);
}

/** What was asked of the rung and what was done, session by session. */
export function Dose({ data, ladder }: { data: Progress; ladder: Ladder }) {
  const width = useChartWidth();
  const sessions = onRung(ladder);
  const unit = units[ladder.unit ?? 'reps'];
  const clean = sessions.filter((each) => each.clean).length;
  return (
    <Chart
      title={`Dose on the rung: ${ladder.rung_name}`}
      said={`All sets of a session together, in ${unit}. ${clean} of ${sessions.length} sessions clean.`}
      legend={
        <Legend
          of={[
            { series: series[1], name: 'asked', hollow: true },
            { series: series[0], name: 'done, clean' },
            { series: series[0], name: 'done, not clean', hollow: true },
          ]}
        />
      }
      columns={['Day', 'Exercise', 'Sets', 'Asked', 'Done', 'Clean']}
      rows={[...ladder.sessions]
        .reverse()
        .map((each) => [
          longDate(each.on),
          each.name,
          each.sets,
          `${each.asked} ${each.unit}`,
          `${each.done} ${each.unit}`,
          each.clean ? 'yes' : 'no',
        ])}
    >
      <ComposedChart
        accessibilityLayer={false}
        width={width}
        height={220}
        data={sessions.map((each) => ({ t: at(each.on), asked: each.asked, done: each.done }))}
        margin={{ top: 8, right: 8, bottom: 0, left: -12 }}
      >
        <CartesianGrid vertical={false} stroke="var(--line)" />
        <XAxis {...days(sessions[0]?.on ?? data.from, data.to)} />
        <YAxis />
        <Line
          dataKey="asked"
          type="stepAfter"
          stroke={series[1].stroke}
          strokeWidth={2}
          strokeDasharray={series[1].dash}
          isAnimationActive={false}
          dot={false}
        />
        <Line
          dataKey="done"
          stroke={series[0].stroke}
          strokeWidth={1.5}
          isAnimationActive={false}
          dot={dots(series[0], (index) => sessions[index]?.clean === false)}
        />
      </ComposedChart>
    </Chart>
  );
}

/** Left and right of the rung, session by session. */
export function Sides({ data, ladder }: { data: Progress; ladder: Ladder }) {
  const width = useChartWidth();
  const sessions = onRung(ladder).filter((each) => each.percent !== null);
  const last = sessions.at(-1);
  return (
    <Chart
      title={`Left against right: ${ladder.rung_name}`}
      said={
        last === undefined
          ? 'No session with both sides was logged.'
          : `The weaker side does ${last.percent ?? 0} % of the stronger in the newest session; under ${data.even_from_percent} % twice running it gets one set more.`
      }
      legend={
        <Legend
          of={[
            { series: series[0], name: 'left' },
            { series: series[1], name: 'right', hollow: true },
          ]}
        />
      }
      columns={['Day', 'Left', 'Right', 'Weaker by stronger']}
      rows={[...sessions]
        .reverse()
        .map((each) => [
          longDate(each.on),
          `${each.left ?? 0} ${each.unit}`,
          `${each.right ?? 0} ${each.unit}`,
          `${each.percent ?? 0} %`,
        ])}
    >
      <LineChart
        accessibilityLayer={false}
        width={width}
        height={220}
        data={sessions.map((each) => ({ t: at(each.on), left: each.left, right: each.right }))}
        margin={{ top: 8, right: 8, bottom: 0, left: -12 }}
      >
        <CartesianGrid vertical={false} stroke="var(--line)" />
        <XAxis {...days(sessions[0]?.on ?? data.from, data.to)} />
        <YAxis />
        {(['left', 'right'] as const).map((side, i) => {
          const of = series[i] ?? series[0];
          return (
            <Line
              key={side}
              dataKey={side}
              stroke={of.stroke}
              strokeWidth={2}
              strokeDasharray={of.dash}
              isAnimationActive={false}
              dot={dots(of, () => i === 1)}
            />
          );
        })}
      </LineChart>
    </Chart>
  );
}
