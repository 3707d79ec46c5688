import type { Schemas } from '../../api/client';
import { dayNames } from '../../lib/words';
import { Code } from '../../ui/Code';
import { Shares } from './shares';

type BoardWeek = Schemas['BoardWeek'];

const linesOf = (week: BoardWeek, day: string) =>
  week.sessions
    .filter((session) => session.day === day)
    .flatMap((session) =>
      session.blocks.flatMap((block) => block.entries.map((entry) => `${entry.exercise} ${entry.dose}`)),
    );

/** One week in short; what the other one does not have is marked. */
export function WeekInShort({
  title,
  under,
  week,
  other,
}: {
  title: string;
  under: string;
  week: BoardWeek | null;
  other: BoardWeek | null;
}) {
  return (
    <section aria-label={title} className="min-w-0 rounded-lg border border-line bg-card p-3">
      <h3 className="mb-2 flex items-baseline gap-3 text-lg font-bold">
        {title}
        <span className="text-base font-normal text-faint">{under}</span>
        <span className="ml-auto whitespace-nowrap">{week?.total.text ?? '0:00'} min</span>
      </h3>
      {week !== null && <Shares directions={week.directions} />}
      {week?.gaps.map((gap) => (
        <p key={gap.category} className="mt-1 text-[0.9375rem] text-warn">
          <b>{gap.name}:</b> {gap.why}
        </p>
      ))}
      {week?.sessions.map((session) => {
        const before = other === null ? null : new Set(linesOf(other, session.day));
        return (
          <div key={session.day} className="mt-2">
            <h4 className="flex border-b border-line font-semibold">
              {dayNames[session.day]} <span className="ml-auto">{session.total.text}</span>
            </h4>
            <ul className="text-[0.9375rem]">
              {session.blocks.flatMap((block, b) =>
                block.entries.map((entry, e) => {
                  const fresh = before !== null && !before.has(`${entry.exercise} ${entry.dose}`);
                  return (
                    <li key={`${b} ${e}`} className="flex items-start gap-2 py-0.5">
                      <Code code={entry.category ?? '–'} />
                      <span className={`flex-1 ${fresh ? 'font-bold' : ''}`}>
                        {fresh && <span className="sr-only">new: </span>}
                        {entry.name}
                      </span>
                      <span className={fresh ? 'font-bold' : 'text-faint'}>{entry.dose}</span>
                    </li>
                  );
                }),
              )}
            </ul>
          </div>
        );
      })}
    </section>
  );
}
