export type Trace = [seconds: number, mmhg: number][];

const width = 240;
const height = 72;
const most = 80;

/** A trace of the cuff over its target and reach, in millimetres of mercury. */
export function CuffTrace({ trace, target, reach }: { trace: Trace; target: number; reach: number }) {
  const end = Math.max(10, trace.at(-1)?.[0] ?? 0);
  const x = (seconds: number) => (seconds / end) * width;
  const y = (mmhg: number) => height - (Math.min(most, Math.max(0, mmhg)) / most) * height;
  const lowest = Math.min(...trace.map(([, mmhg]) => mmhg));
  const highest = Math.max(...trace.map(([, mmhg]) => mmhg));
  return (
    <svg
      viewBox={`0 0 ${width} ${height}`}
      role="img"
      aria-label={
        trace.length === 0
          ? 'No reading yet'
          : `${Math.round(end)} s, from ${lowest.toFixed(1)} to ${highest.toFixed(1)} mmHg`
      }
      className="h-18 w-60 rounded border border-line bg-paper"
    >
      <rect
        x={0}
        width={width}
        y={y(target + reach)}
        height={y(target - reach) - y(target + reach)}
        className="fill-line"
      />
      <line x1={0} x2={width} y1={y(target)} y2={y(target)} className="stroke-faint" strokeDasharray="4 3" />
      <polyline
        points={trace.map(([seconds, mmhg]) => `${x(seconds).toFixed(1)},${y(mmhg).toFixed(1)}`).join(' ')}
        className="fill-none stroke-act"
        strokeWidth={2}
      />
    </svg>
  );
}
