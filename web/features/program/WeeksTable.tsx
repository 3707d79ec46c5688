import { Fragment } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { dayAndMonth } from '../../lib/dates';
import { roleNames, shortName } from '../../lib/words';
import { Code } from '../../ui/Code';
import { Why } from '../../ui/Why';
import { useBoard } from '../../parts/board/useBoard';
import { ShareBar } from '../../parts/week/shares';

type Page = Schemas['ProgramPage'];

/** Weeks across, ladders down: which rung and dose is expected when, above the minutes and shares of each week. */
export function WeeksTable({ program }: { program: Page }) {
  const days = useBoard().data?.week_days ?? [];
  return (
    <div className="relative overflow-x-auto" tabIndex={0} role="region" aria-label="The weeks side by side">
      <table
        className="w-full table-fixed border-collapse text-left"
        style={{ minWidth: `${9 + 9 * program.weeks.length}rem` }}
      >
        <caption className="sr-only">The program week by week</caption>
        <thead>
          <tr className="align-bottom">
            <th scope="col" className="w-36 pr-3 pb-1 text-sm text-faint">
              Week
            </th>
            {program.weeks.map((week) => (
              <th key={week.number} scope="col" className="px-2 pb-1">
                <Link to={`../week?week=${week.number}`} className="text-xl underline-offset-4 hover:underline">
                  {week.number}
                </Link>{' '}
                {days[week.number - 1]?.from != null && (
                  <span className="text-sm font-normal text-faint">
                    {dayAndMonth(days[week.number - 1]?.from ?? '')}
                  </span>
                )}{' '}
                {week.lighter && <span className="rounded-sm bg-line px-1 text-sm">lighter</span>}
              </th>
            ))}
          </tr>
        </thead>
        <tbody>
          <tr className="border-t border-line align-top">
            <th scope="row" className="pr-3 text-[0.9375rem] font-semibold">
              Time
            </th>
            {program.weeks.map((week) => (
              <td key={week.number} className="px-2">
                <b>{week.total.text}</b> <span className="text-sm text-faint">min, {week.sessions} sessions</span>
              </td>
            ))}
          </tr>
          <tr className="border-t border-line align-top">
            <th scope="row" className="pr-3 text-[0.9375rem] font-semibold">
              Directions
            </th>
            {program.weeks.map((week) => (
              <td key={week.number} className="px-2 py-1">
                <ShareBar directions={week.directions} />
                <span className="flex flex-wrap gap-x-2 text-sm">
                  {week.directions.map((each) => (
                    <span key={each.code} className={each.sessions < each.target ? 'font-semibold text-warn' : ''}>
                      {each.code} {each.percent} %
                    </span>
                  ))}
                </span>
              </td>
            ))}
          </tr>
          {program.shows_roles && (
            <tr className="border-t border-line align-top">
              <th scope="row" className="pr-3 text-[0.9375rem] font-semibold">
                Roles
                {program.weeks[0]?.roles.some((role) => role.target !== null) === true && ', meant in brackets'}
              </th>
              {program.weeks.map((week) => (
                <td key={week.number} className="px-2 py-1 text-sm">
                  {week.roles.map((role) => (
                    <span key={role.role} className="block">
                      {roleNames[role.role]} {role.percent} %{role.target !== null && ` (${role.target} %)`}
                    </span>
                  ))}
                </td>
              ))}
            </tr>
          )}
          {program.paths.map((path) => (
            <tr key={path.ladder} className="border-t border-line align-top">
              <th scope="row" className="py-1.5 pr-3 text-[0.9375rem] leading-tight">
                <Code code={path.category} /> {path.name}
              </th>
              {path.weeks.map((step, i) => {
                const before = path.weeks[i - 1] ?? null;
                return (
                  <td key={i} className="px-2 py-1.5 text-[0.9375rem] leading-tight">
                    {step === null ? (
                      <span className="text-faint">–</span>
                    ) : (
                      <Step
                        step={step}
                        name={shortName(step.name, path.name)}
                        climbs={before !== null && before.rung !== step.rung}
                        same={before?.rung === step.rung}
                        fresh={before === null || before.dose !== step.dose}
                      />
                    )}
                  </td>
                );
              })}
            </tr>
          ))}
          <tr className="border-t border-line align-top">
            <th scope="row" className="pr-3 text-[0.9375rem] font-semibold">
              Notes
            </th>
            {program.weeks.map((week) => (
              <td key={week.number} className="px-2 py-1 text-sm">
                {week.notes.map((note) => (
                  <p key={note}>{note}</p>
                ))}
              </td>
            ))}
          </tr>
        </tbody>
      </table>
    </div>
  );
}

function Step({
  step,
  name,
  climbs,
  same,
  fresh,
}: {
  step: NonNullable<Page['paths'][number]['weeks'][number]>;
  name: string;
  climbs: boolean;
  same: boolean;
  fresh: boolean;
}) {
  return (
    <div className={`border-l-4 pl-2 ${climbs ? 'border-act' : same ? 'border-line' : 'border-wood'}`}>
      <span className={same ? 'sr-only' : 'block font-semibold'}>
        {climbs && <span className="font-bold text-act">new rung: </span>}
        {name}
      </span>
      <Why about={`${name}, ${step.dose}`} reasons={step.why}>
        <span className={fresh ? '' : 'text-faint'}>
          {step.dose.split(' ').map((part, i) => (
            <Fragment key={i}>
              <span className="whitespace-nowrap">{part}</span>{' '}
            </Fragment>
          ))}
        </span>
      </Why>
    </div>
  );
}
