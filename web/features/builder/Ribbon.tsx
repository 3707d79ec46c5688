import { positionNames } from '../../lib/words';
import { fills } from '../../parts/week/shares';
import type { BuiltSession } from './useBuilder';

const minute = 60;

const names: Record<BuiltSession['ribbon'][number]['what'], string> = {
  'warm-up': 'Warm-up',
  work: 'Work',
  rest: 'Rest',
  side: 'Change of side',
  station: 'Change of station',
  'cool-down': 'Cool-down',
};

function lookOf(segment: BuiltSession['ribbon'][number]): string {
  if (segment.what === 'work') return fills[segment.category ?? ''] ?? 'bg-faint';
  if (segment.what === 'rest') return 'bg-card';
  return segment.what === 'side' || segment.what === 'station' ? 'bg-line' : 'bg-paper border-y border-line';
}

/** The session drawn to scale: work by direction, rest, changes, and below it the position of the body. */
export function Ribbon({ built }: { built: BuiltSession }) {
  const total = built.total.seconds;
  if (total === 0) return null;
  const width = (seconds: number) => `${(100 * seconds) / total}%`;
  const budget = built.budget?.seconds ?? null;
  const minutes = Math.floor(total / minute);
  const every = minutes > 30 ? 10 : 5;
  return (
    <section aria-label="Time ribbon" className="my-3">
      <div className="relative">
        <div
          className="flex h-9 w-full overflow-hidden rounded-md border border-line"
          role="img"
          aria-label={`Work ${built.work.text}, rest ${built.rest.text}, changes ${built.change.text}`}
        >
          {built.ribbon.map((segment) => (
            <span
              key={segment.start_s}
              data-what={segment.what}
              title={`${names[segment.what]}${segment.category === null ? '' : `, ${segment.category}`}: ${Math.round(segment.end_s - segment.start_s)} s`}
              className={lookOf(segment)}
              style={{ width: width(segment.end_s - segment.start_s) }}
            />
          ))}
        </div>
        {budget !== null && budget > 0 && budget < total && (
          <span aria-hidden className="absolute -top-1 bottom-0 w-1 bg-warn" style={{ left: width(budget) }} />
        )}
      </div>
      {[
        runs(built, (segment) => segment.category ?? ''),
        runs(built, (segment) => positionNames[segment.position ?? ''] ?? ''),
      ].map((row, i) => (
        <div
          key={i}
          className={`flex h-5 w-full overflow-hidden text-[0.6875rem] leading-5 ${i === 0 ? 'font-bold' : 'text-faint'}`}
          aria-hidden
        >
          {row.map((run) => (
            <span
              key={run.start}
              className="truncate border-l border-line pl-0.5"
              style={{ width: width(run.end - run.start) }}
            >
              {run.name}
            </span>
          ))}
        </div>
      ))}
      <div className="relative h-4 text-[0.6875rem] text-faint" aria-hidden>
        {Array.from({ length: Math.floor(minutes / every) }, (_, i) => (i + 1) * every).map((mark) => (
          <span key={mark} className="absolute -translate-x-1/2" style={{ left: width(mark * minute) }}>
            {mark} min
          </span>
        ))}
      </div>
      <p className="flex flex-wrap gap-x-4 text-sm text-faint">
        {built.directions.map((share) => (
          <span key={share.what}>
            <span className={`mr-1 inline-block size-3 rounded-xs ${fills[share.what] ?? 'bg-faint'}`} aria-hidden />
            {share.what} {share.work.text}
          </span>
        ))}
        <span>
          <span className="mr-1 inline-block size-3 rounded-xs border border-line bg-card" aria-hidden />
          rest {built.rest.text}
        </span>
        <span>
          <span className="mr-1 inline-block size-3 rounded-xs bg-line" aria-hidden />
          changes {built.change.text}
        </span>
        <span>
          {built.positions
            .map((share) => `${(positionNames[share.what] ?? share.what).toLowerCase()} ${share.work.text}`)
            .join(', ')}
        </span>
      </p>
    </section>
  );
}

/** Stretches of one name, breaks and changes counted to the one before. */
function runs(
  built: BuiltSession,
  nameOf: (segment: BuiltSession['ribbon'][number]) => string,
): { start: number; end: number; name: string }[] {
  const found: { start: number; end: number; name: string }[] = [];
  for (const segment of built.ribbon) {
    const name = segment.what === 'work' ? nameOf(segment) : '';
    const last = found.at(-1);
    if (last !== undefined && (last.name === name || segment.what !== 'work')) last.end = segment.end_s;
    else found.push({ start: segment.start_s, end: segment.end_s, name });
  }
  return found;
}
