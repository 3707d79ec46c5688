import { Link } from 'react-router';
import { Code } from '../../ui/Code';
import { Still, type Drawing } from '../../ui/Figure';
import type { RungBrief } from '../../parts/rungs/useRungs';

/** A rung in a list: how it looks, what it is called, how hard it is. */
export function RungCard({ rung, drawing, note }: { rung: RungBrief; drawing: Drawing | undefined; note?: string }) {
  return (
    <Link
      to={`/library/${rung.id}`}
      className="flex w-36 shrink-0 flex-col rounded-md border border-line bg-card p-2 hover:border-ink"
    >
      <Still drawing={drawing} className="h-24 w-full" />
      <span className="mt-1 flex items-center gap-1 text-sm whitespace-nowrap text-faint">
        <Code code={rung.category} /> level {rung.level}
      </span>
      <span className="text-[0.875rem] leading-tight font-semibold">{rung.name}</span>
      {note !== undefined && <span className="text-[0.8125rem] leading-tight text-faint">{note}</span>}
    </Link>
  );
}
