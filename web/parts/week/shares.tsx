import type { Schemas } from '../../api/client';
import { Code } from '../../ui/Code';
import { sessionsOutOf } from '../../lib/words';

export const fills: Record<string, string> = {
  AE: 'bg-stand',
  AF: 'hatched border border-stand',
  AL: 'bg-wood',
  AR: 'bg-act',
};

/** One bar, a piece for each direction. */
export function ShareBar({ directions }: { directions: Schemas['BoardDirection'][] }) {
  return (
    <div className="flex h-5 w-full gap-0.5 overflow-hidden rounded" aria-hidden>
      {directions.map((each) => (
        <span key={each.code} className={fills[each.code]} style={{ width: `${each.percent}%` }} />
      ))}
    </div>
  );
}

export function Shares({ directions }: { directions: Schemas['BoardDirection'][] }) {
  return (
    <section aria-label="Share of each direction" className="min-w-0 flex-1 basis-80">
      <ShareBar directions={directions} />
      <ul className="mt-1 grid grid-cols-2 gap-x-4 sm:grid-cols-4">
        {directions.map((each) => (
          <li key={each.code} className="leading-tight">
            <span className={`mr-1 inline-block size-3 rounded-xs ${fills[each.code] ?? ''}`} aria-hidden />
            <Code code={each.code} title={each.name} /> <b>{each.percent} %</b>
            <span className={`block text-sm ${each.sessions < each.target ? 'font-semibold text-warn' : 'text-faint'}`}>
              {sessionsOutOf(each.sessions, each.target)}, {each.sets} sets, {each.work.text} work
            </span>
          </li>
        ))}
      </ul>
    </section>
  );
}
