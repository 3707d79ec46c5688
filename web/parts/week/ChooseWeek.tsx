import { dayAndMonth } from '../../lib/dates';
import type { useWeek } from './useWeek';

/** The weeks of the program in a row; one of them is open. */
export function ChooseWeek({ at }: { at: ReturnType<typeof useWeek> }) {
  const { from, to } = at.days ?? { from: null, to: null };
  const days =
    from === null || to === null ? null : (
      <span className="ml-2" data-week-days>
        {dayAndMonth(from)} to {dayAndMonth(to)}
        {at.weeks > 1 && at.number === at.present && ', now'}
      </span>
    );
  if (at.weeks < 2) return days;
  return (
    <div role="group" aria-label="Week of the program" className="flex flex-wrap items-center gap-1">
      <span className="mr-1 font-semibold">Week</span>
      {Array.from({ length: at.weeks }, (_, i) => i + 1).map((number) => (
        <button
          key={number}
          type="button"
          aria-pressed={number === at.number}
          onClick={() => {
            at.choose(number);
          }}
          className={`size-10 rounded-md border font-semibold ${number === at.number ? 'border-stand bg-stand text-on-stand' : 'border-line bg-card hover:border-ink'}`}
        >
          {number}
        </button>
      ))}
      {days}
    </div>
  );
}
