import { CartesianGrid, ErrorBar, Line, LineChart, ReferenceArea, ReferenceLine, XAxis, YAxis } from 'recharts';
import { longDate } from '../../lib/dates';
import { Empty } from '../../ui/Empty';
import { at, Chart, days, dots, series, useChartWidth } from './Chart';
import type { Progress } from './queries';

type Hold = Progress['tests'][number];

/** Timed holds from test day to test day, with the noise of the test and what a published group held. */
export function Holds({ data }: { data: Progress }) {
  const first = data.tests.flatMap((test) => test.points.map((point) => point.on)).sort()[0];
  if (first === undefined) {
    return (
      <>
        <h2 className="font-bold">Timed holds</h2>
        <Empty>No test day in this time.</Empty>
      </>
    );
  }
  return (
    <Chart
      title="Timed holds"
      said="Longest holds with good form, in seconds. The bar at a point is the noise of the test; the dashed line is a published mean, the band one SD around it."
      columns={['Test', 'Day', 'Held', 'Since the time before', 'Published']}
      rows={data.tests.flatMap((test) =>
        [...test.points]
          .reverse()
          .map((point) => [
            test.name,
            longDate(point.on),
            `${point.value_s} s`,
            changed(point.change),
            test.norms.map((norm) => `${norm.group} ${norm.middle_s ?? '–'} s (${norm.year})`).join(', ') ||
              'no adult norm',
          ]),
      )}
    >
      <ul className="grid grid-cols-2 gap-2">
        {data.tests.map((test) => (
          <li key={test.test} className="min-w-0">
            <p className="text-[0.9375rem] leading-tight">
              {test.name}: <b>{test.points.at(-1)?.value_s} s</b>
            </p>
            <One test={test} from={first} to={data.to} />
          </li>
        ))}
      </ul>
    </Chart>
  );
}

function changed(change: Hold['points'][number]['change']): string {
  if (change === null) return '–';
  const by = `${change.by_s > 0 ? '+' : ''}${change.by_s} s`;
  return change.counts ? by : `${by}, inside the noise of ${change.noise_s} s`;
}

function One({ test, from, to }: { test: Hold; from: string; to: string }) {
  const width = useChartWidth() / 2;
  const drawn = test.points.map((each) => ({ t: at(each.on), held: each.value_s, noise: each.noise_s }));
  const tops = [
    ...test.points.map((each) => each.value_s + each.noise_s),
    ...test.norms.map((norm) => (norm.middle_s ?? 0) + (norm.sd_s ?? 0)),
  ];
  const axis = days(from, to);
  return (
    <LineChart
      accessibilityLayer={false}
      width={width}
      height={170}
      data={drawn}
      margin={{ top: 8, right: 8, bottom: 0, left: -20 }}
    >
      <CartesianGrid vertical={false} stroke="var(--line)" />
      <XAxis {...axis} ticks={[axis.domain[0], axis.domain[1]]} />
      <YAxis domain={[0, Math.ceil(Math.max(...tops) / 10) * 10]} />
      {test.norms.map((norm) =>
        norm.middle_s === null ? null : norm.sd_s === null ? null : (
          <ReferenceArea
            key={norm.group}
            y1={Math.max(0, norm.middle_s - norm.sd_s)}
            y2={norm.middle_s + norm.sd_s}
            fill="var(--line)"
            fillOpacity={0.35}
          />
        ),
      )}
      {test.norms.map((norm) =>
        norm.middle_s === null ? null : (
          <ReferenceLine
            key={norm.group}
            y={norm.middle_s}
            stroke="var(--faint)"
            strokeDasharray="6 4"
            label={{ value: norm.group, position: 'insideTopRight', fontSize: 13 }}
          />
        ),
      )}
      <Line dataKey="held" stroke={series[0].stroke} strokeWidth={2} isAnimationActive={false} dot={dots(series[0])}>
        <ErrorBar dataKey="noise" width={8} stroke={series[0].stroke} strokeWidth={1.5} isAnimationActive={false} />
      </Line>
    </LineChart>
  );
}
