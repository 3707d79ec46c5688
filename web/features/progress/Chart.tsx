import type { ReactElement, ReactNode } from 'react';
import type { DotItemDotProps } from 'recharts';
import { useSyncExternalStore } from 'react';
import { dayAndMonth, monthAndYear } from '../../lib/dates';

/** Letters of a chart keep their size: it is drawn as wide as a phone or as half a desk, and only stretched from there. */
const WIDE = 560;
const NARROW = 340;
const narrow = '(max-width: 639px)';

function watch(told: () => void) {
  const screen = matchMedia(narrow);
  screen.addEventListener('change', told);
  return () => {
    screen.removeEventListener('change', told);
  };
}

/** How wide a chart is drawn, in units of its own letters. */
export function useChartWidth(): number {
  return useSyncExternalStore(watch, () => (matchMedia(narrow).matches ? NARROW : WIDE));
}

/** A day on the axis. */
export function at(iso: string): number {
  return Date.parse(iso);
}

const DAY_MS = 86_400_000;

/** The first of every month between two days; of every third where they lie far apart. */
function months(from: number, to: number): number[] {
  const start = new Date(from);
  const all: number[] = [];
  for (let month = start.getUTCMonth() + 1; Date.UTC(start.getUTCFullYear(), month, 1) <= to; month++) {
    all.push(Date.UTC(start.getUTCFullYear(), month, 1));
  }
  return all.length > 7 ? all.filter((_, i) => i % 3 === 0) : all;
}

/** A handful of days between two. */
function someDays(from: number, to: number): number[] {
  const apart = Math.max(DAY_MS, Math.ceil((to - from) / DAY_MS / 4) * DAY_MS);
  return Array.from({ length: Math.floor((to - from) / apart) + 1 }, (_, i) => from + i * apart);
}

/** The axis of days: months where it is long, else days. */
export function days(from: string, to: string) {
  const [first, last] = [at(from), Math.max(at(to), at(from) + DAY_MS)];
  const long = last - first > 100 * DAY_MS;
  return {
    dataKey: 't',
    type: 'number',
    domain: [first, last],
    ticks: long ? months(first, last) : someDays(first, last),
    interval: 0,
    tickFormatter: (day: number) => {
      const iso = new Date(day).toISOString();
      return long ? monthAndYear(iso.slice(0, 7)).slice(0, 3) : dayAndMonth(iso.slice(0, 10));
    },
    padding: { left: 10, right: 22 },
  } as const;
}

/** One picture with its numbers: what it says in a sentence, the drawing, and the table beneath. */
export function Chart({
  title,
  said,
  children,
  legend,
  columns,
  rows,
}: {
  title: string;
  said: string;
  children: ReactElement;
  legend?: ReactNode;
  columns: readonly string[];
  rows: readonly (readonly (string | number)[])[];
}) {
  return (
    <figure aria-label={title} className="min-w-0 print:break-inside-avoid">
      <figcaption>
        <h2 className="font-bold">{title}</h2>
        <p className="text-[0.9375rem] text-faint">{said}</p>
      </figcaption>
      {legend}
      <div
        aria-hidden
        className="my-1 overflow-hidden [&_.recharts-wrapper]:h-auto! [&_.recharts-wrapper]:w-full! [&_svg.recharts-surface]:h-auto [&_svg.recharts-surface]:w-full [&_text]:fill-ink!"
      >
        {children}
      </div>
      <details className="print:hidden">
        <summary className="min-h-8 cursor-pointer text-[0.9375rem]">The numbers</summary>
        <div className="max-h-80 overflow-auto" tabIndex={0} role="region" aria-label={`The numbers: ${title}`}>
          <table className="w-full text-left text-[0.9375rem]">
            <thead>
              <tr className="border-b-2 border-line">
                {columns.map((column) => (
                  <th key={column} scope="col" className="py-1 pr-3">
                    {column}
                  </th>
                ))}
              </tr>
            </thead>
            <tbody>
              {rows.map((row, r) => (
                <tr key={r} className="border-b border-line last:border-0">
                  {row.map((cell, c) => (
                    <td key={c} className="py-1 pr-3">
                      {cell}
                    </td>
                  ))}
                </tr>
              ))}
            </tbody>
          </table>
        </div>
      </details>
    </figure>
  );
}

/** The marks of series: told apart by shape and by dashes, so that they are in black and white too. */
export const series = [
  { stroke: 'var(--stand)', dash: '', mark: 'circle' },
  { stroke: 'var(--act)', dash: '7 3', mark: 'square' },
  { stroke: 'var(--wood)', dash: '2 3', mark: 'diamond' },
  { stroke: 'var(--ink)', dash: '9 3 2 3', mark: 'triangle' },
] as const;

export type Series = (typeof series)[number];

/** One mark of a series; hollow where what it stands for is not sure. */
function Dot({
  cx,
  cy,
  of,
  hollow = false,
}: {
  cx: number | undefined;
  cy: number | undefined;
  of: Series;
  hollow?: boolean;
}) {
  if (cx === undefined || cy === undefined || Number.isNaN(cy)) return null;
  const shape = { fill: hollow ? 'var(--card)' : of.stroke, stroke: of.stroke, strokeWidth: 2 };
  const r = 4.5;
  if (of.mark === 'circle') return <circle cx={cx} cy={cy} r={r} {...shape} />;
  if (of.mark === 'square')
    return <rect x={cx - r + 0.5} y={cy - r + 0.5} width={2 * r - 1} height={2 * r - 1} {...shape} />;
  const points =
    of.mark === 'diamond'
      ? [
          [0, -r - 1],
          [r + 1, 0],
          [0, r + 1],
          [-r - 1, 0],
        ]
      : [
          [0, -r - 1],
          [r + 0.5, r - 0.5],
          [-r - 0.5, r - 0.5],
        ];
  return <polygon points={points.map(([x = 0, y = 0]) => `${cx + x},${cy + y}`).join(' ')} {...shape} />;
}

/** The marks of a line; hollow where what a point stands for is not sure. */
export function dots(of: Series, isHollow: (index: number) => boolean = () => false) {
  return function EachDot({ key, cx, cy, index }: DotItemDotProps) {
    return <Dot key={key} cx={cx} cy={cy} of={of} hollow={isHollow(index)} />;
  };
}

/** What the marks mean. */
export function Legend({ of }: { of: readonly { series: Series; name: ReactNode; hollow?: boolean }[] }) {
  return (
    <ul className="flex flex-wrap gap-x-4 text-[0.9375rem]">
      {of.map((each, i) => (
        <li key={i} className="flex items-center gap-1.5">
          <svg width={36} height={14} aria-hidden className="shrink-0">
            <line
              x1={0}
              x2={36}
              y1={7}
              y2={7}
              stroke={each.series.stroke}
              strokeWidth={2.5}
              strokeDasharray={each.series.dash}
            />
            <Dot cx={18} cy={7} of={each.series} hollow={each.hollow ?? false} />
          </svg>
          {each.name}
        </li>
      ))}
    </ul>
  );
}
