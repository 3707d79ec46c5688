import { CartesianGrid, Line, LineChart, XAxis, YAxis } from 'recharts';
import { longDate } from '../../lib/dates';
import { Code } from '../../ui/Code';
import { at, Chart, days, dots, Legend, series, useChartWidth } from './Chart';
import type { Progress } from './queries';

/** Lines on one level are drawn beside each other, a little apart, so that none hides another. */
const APART = 0.13;

/** The level of each direction over months. */
export function Levels({ data }: { data: Progress }) {
  const width = useChartWidth();
  const { directions, days: known } = data.levels;
  const said = directions.flatMap((each) => (each.said === null ? [] : [`${each.name} ${each.said}`])).join('; ');
  const isAssumed = known.some((day) => Object.values(day.levels).some((each) => each.assumed));
  const drawn = known.map((day) => ({
    t: at(day.on),
    ...Object.fromEntries(
      directions.map((each, i) => {
        const level = day.levels[each.code]?.level ?? null;
        return [each.code, level === null ? null : level + (i - 1.5) * APART];
      }),
    ),
  }));
  const last = drawn.at(-1);
  const lines = last === undefined || last.t >= at(data.to) ? drawn : [...drawn, { ...last, t: at(data.to) }];
  return (
    <Chart
      title="Level of each direction"
      said={said === '' ? 'No direction has a level yet.' : `${said}.`}
      legend={
        <Legend
          of={[
            ...directions.map((each, i) => ({
              series: series[i] ?? series[0],
              name: (
                <>
                  <Code code={each.code} /> {each.name}
                </>
              ),
            })),
            ...(isAssumed ? [{ series: series[0], name: 'assumed, not seen yet', hollow: true }] : []),
          ]}
        />
      }
      columns={['From', ...directions.map((each) => each.code)]}
      rows={[...known].reverse().map((day) => [
        longDate(day.on),
        ...directions.map((each) => {
          const of = day.levels[each.code];
          return of?.level == null ? '–' : `${of.level}${of.assumed ? ' (assumed)' : ''}`;
        }),
      ])}
    >
      <LineChart
        accessibilityLayer={false}
        width={width}
        height={260}
        data={lines}
        margin={{ top: 8, right: 8, bottom: 0, left: -28 }}
      >
        <CartesianGrid vertical={false} stroke="var(--line)" />
        <XAxis {...days(known[0]?.on ?? data.from, data.to)} />
        <YAxis domain={[1, data.top_level]} ticks={[2, 4, 6, 8, 10]} interval={0} />
        {directions.map((each, i) => {
          const of = series[i] ?? series[0];
          return (
            <Line
              key={each.code}
              dataKey={each.code}
              type="stepAfter"
              stroke={of.stroke}
              strokeWidth={2.5}
              strokeDasharray={of.dash}
              isAnimationActive={false}
              dot={dots(
                of,
                (index) =>
                  known[index]?.levels[each.code]?.assumed ?? known.at(-1)?.levels[each.code]?.assumed ?? false,
              )}
            />
          );
        })}
      </LineChart>
    </Chart>
  );
}
