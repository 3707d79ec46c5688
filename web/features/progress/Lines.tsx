import { useId, useState } from 'react';
import { CartesianGrid, Line, LineChart, ReferenceArea, XAxis, YAxis } from 'recharts';
import { longDate } from '../../lib/dates';
import { SelectField } from '../../ui/Field';
import { TwoTaps } from '../../ui/TwoTaps';
import { removeLine, withdrawLines } from '../../parts/line/changes';
import { Drawn } from '../../parts/line/Drawn';
import type { Place } from '../../parts/line/find';
import { placesOf } from '../../parts/line/marks';
import { useLines, useLinesChange, type KeptLine } from '../../parts/line/queries';
import { at, Chart, days, dots, series, useChartWidth } from './Chart';

/** Lines that were kept of a client, by exercise: the angle over the weeks, and two of them side by side. */
export function Lines({ client }: { client: string }) {
  const lines = useLines(client);
  const change = useLinesChange(client);
  if (lines.data === undefined || (lines.data.lines.length === 0 && lines.data.consent === null)) return null;
  const rungs = [...new Map(lines.data.lines.map((line) => [line.rung, line.name]))];
  return (
    <section aria-label="Lines" className="space-y-4 print:hidden">
      {rungs.map(([rung, name]) => (
        <OfRung key={rung} client={client} name={name} lines={lines.data.lines.filter((line) => line.rung === rung)} />
      ))}
      {lines.data.consent !== null && (
        <div>
          <p className="text-[0.9375rem] text-faint">
            {lines.data.consent.name}
            {lines.data.consent.given_by === 'guardian' && ', guardian,'} said on {longDate(lines.data.consent.on)} that
            pictures and lines may be kept. Withdrawn, all of them are removed.
          </p>
          <TwoTaps
            name="Withdraw the consent"
            onSure={() => {
              change.mutate(withdrawLines());
            }}
          />
        </div>
      )}
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {change.error?.message}
      </p>
    </section>
  );
}

function degrees(of: number): string {
  return `${of < 0 ? '−' : ''}${Math.abs(of)}°`;
}

function tens(low: number, high: number): number[] {
  return Array.from({ length: (high - low) / 10 + 1 }, (_, i) => low + 10 * i);
}

function hipOf(line: KeptLine) {
  return line.line.angles.find((angle) => angle.at === 'hip');
}

function signed(degrees: number): string {
  return `${degrees > 0 ? '+' : degrees < 0 ? '−' : ''}${Math.abs(degrees).toFixed(1)}°`;
}

/** What a line came to in one number. */
function numberOf(line: KeptLine): string {
  const hip = hipOf(line);
  if (hip !== undefined) return `hip ${signed(hip.off)}`;
  return line.line.tilt_degrees === null ? 'not judged' : `tilted ${line.line.tilt_degrees.toFixed(1)}°`;
}

function OfRung({ client, name, lines }: { client: string; name: string; lines: KeptLine[] }) {
  const width = useChartWidth();
  const change = useLinesChange(client);
  const last = lines.at(-1);
  const [chosen, setChosen] = useState<{ then: string; now: string } | null>(null);
  const by = new Map(lines.map((line) => [String(line.id), line]));
  const now = by.get(chosen?.now ?? '') ?? last;
  const then = by.get(chosen?.then ?? '') ?? lines[0];
  const measured = lines.flatMap((line) => {
    const hip = hipOf(line);
    return hip === undefined ? [] : [{ line, hip }];
  });
  const first = measured[0];
  const newest = measured.at(-1);
  const offs = measured.map(({ hip }) => hip.off);
  const low = Math.min(-20, Math.floor(Math.min(...offs) / 10) * 10);
  const high = Math.max(20, Math.ceil(Math.max(...offs) / 10) * 10);
  const options = lines.map((line, i) => [String(line.id), `${longDate(line.on)} (${i + 1})`] as const);
  return (
    <article className="grid min-w-0 grid-cols-[minmax(0,1fr)] items-start gap-x-6 gap-y-3 rounded-lg border border-line bg-card p-4 lg:grid-cols-2">
      {first !== undefined && newest !== undefined ? (
        <Chart
          title={`${name}: the line`}
          said={
            measured.length === 1
              ? `Hip ${signed(newest.hip.off)} from straight on ${longDate(newest.line.on)}.`
              : `Hip ${signed(first.hip.off)} from straight on ${longDate(first.line.on)}, ${signed(newest.hip.off)} on ${longDate(newest.line.on)}.`
          }
          columns={['Day', 'Hip', 'Knee', 'Ticked']}
          rows={[...measured]
            .reverse()
            .map(({ line, hip }) => [
              longDate(line.on),
              signed(hip.off),
              ...line.line.angles
                .filter(({ at: joint, meant }) => joint === 'knee' && meant !== null)
                .map(({ off }) => signed(off)),
              ...(line.line.angles.some(({ at: joint, meant }) => joint === 'knee' && meant !== null) ? [] : ['–']),
              line.faults.join(', ') || '–',
            ])}
        >
          <LineChart
            accessibilityLayer={false}
            width={width}
            height={200}
            data={measured.map(({ line, hip }) => ({ t: at(line.on), hip: hip.off }))}
            margin={{ top: 8, right: 8, bottom: 0, left: -20 }}
          >
            <CartesianGrid vertical={false} stroke="var(--line)" />
            <XAxis {...days(first.line.on, newest.line.on)} />
            <YAxis domain={[low, high]} ticks={tens(low, high)} interval={0} tickFormatter={degrees} />
            {newest.hip.meant !== null && (
              <ReferenceArea
                y1={newest.hip.meant[0] ?? 0}
                y2={newest.hip.meant[1] ?? 0}
                fill="var(--stand)"
                fillOpacity={0.12}
              />
            )}
            <Line
              dataKey="hip"
              type="linear"
              isAnimationActive={false}
              stroke={series[0].stroke}
              strokeWidth={2}
              dot={dots(series[0])}
            />
          </LineChart>
        </Chart>
      ) : (
        <h2 className="font-bold">{name}: level hips</h2>
      )}
      {now !== undefined && then !== undefined && (
        <div>
          <div className="flex flex-wrap gap-3">
            <SelectField
              label="Then"
              className="w-56"
              value={String(then.id)}
              options={options}
              onChange={(id) => {
                setChosen({ then: id, now: String(now.id) });
              }}
            />
            <SelectField
              label="Now"
              className="w-56"
              value={String(now.id)}
              options={options}
              onChange={(id) => {
                setChosen({ then: String(then.id), now: id });
              }}
            />
          </div>
          <div className="mt-2 grid gap-3 sm:grid-cols-2">
            {(then === now ? [now] : [then, now]).map((line) => (
              <figure key={line.id}>
                <Aligned client={client} line={line} />
                <figcaption className="flex flex-wrap items-center gap-2">
                  <span className="flex-1">
                    {longDate(line.on)}, <b>{numberOf(line)}</b>
                  </span>
                  <span>
                    <TwoTaps
                      name="Remove"
                      onSure={() => {
                        change.mutate(removeLine(line.id));
                      }}
                    />
                  </span>
                </figcaption>
              </figure>
            ))}
          </div>
        </div>
      )}
    </article>
  );
}

const shown = { width: 480, height: 260 } as const;
/** Where shoulder and ankle come to lie, so that two pictures can be compared. */
const from: Place = [100, 110];
const to: Place = [400, 150];

/** A line, over its picture where that was kept, turned and scaled so that shoulder and ankle lie where they always do, the head to the left. */
function Aligned({ client, line }: { client: string; line: KeptLine }) {
  const clip = useId();
  const places = placesOf(line.marks);
  const { points } = line.marks;
  const spot = (of: readonly number[] | undefined): Place | undefined =>
    of === undefined ? undefined : [of[0] ?? 0, of[1] ?? 0];
  const start = points === undefined ? places[0] : spot(points.shoulder);
  const end = points === undefined ? places[1] : spot(points.ankle ?? points.knee);
  if (start === undefined || end === undefined) return null;
  const way = start[0] > end[0] ? -1 : 1;
  const [x, y] = [way * (end[0] - start[0]), end[1] - start[1]];
  const long = x * x + y * y;
  const [u, v] = [to[0] - from[0], to[1] - from[1]];
  const [re, im] = [(u * x + v * y) / long, (v * x - u * y) / long];
  const move: Place = [
    from[0] - (re * way * start[0] - im * start[1]),
    from[1] - (im * way * start[0] + re * start[1]),
  ];
  const placed = places.map(([px, py]): Place => [
    re * way * px - im * py + move[0],
    im * way * px + re * py + move[1],
  ]);
  return (
    <svg
      viewBox={`0 0 ${shown.width} ${shown.height}`}
      className="block w-full rounded-md border border-line bg-paper"
      role="img"
      aria-label={`The line on ${longDate(line.on)}: ${numberOf(line)}`}
    >
      <clipPath id={clip}>
        <rect width={shown.width} height={shown.height} />
      </clipPath>
      {line.has_picture && (
        <g clipPath={`url(#${clip})`}>
          <image
            href={`/api/clients/${client}/lines/${line.id}/picture`}
            width={line.width}
            height={line.height}
            transform={`matrix(${re * way} ${im * way} ${-im} ${re} ${move[0]} ${move[1]})`}
          />
        </g>
      )}
      <path
        d={`M${from[0]} ${from[1]}L${to[0]} ${to[1]}`}
        stroke="var(--faint)"
        strokeWidth={1.5}
        strokeDasharray="6 5"
        fill="none"
      />
      <Drawn places={placed} width={shown.width} judged={line} />
    </svg>
  );
}
