import { Printer } from 'lucide-react';
import { Fragment } from 'react';
import { dayAndMonth, longDate } from '../../lib/dates';
import { useMe } from '../../lib/session';
import { dayNames, kindNames } from '../../lib/words';
import { Button } from '../../ui/Button';
import { Kept } from '../../ui/Kept';
import { Notice, Waiting } from '../../ui/Notice';
import { useBoard, useLibrary, wordsOn } from '../../parts/board/useBoard';
import { Ends } from '../../ui/Figure';
import { ChooseWeek } from '../../parts/week/ChooseWeek';
import { useWeek } from '../../parts/week/useWeek';
import { Preparation } from '../../parts/week/Preparation';
import { byDay } from '../../parts/week/byDay';
import { useFigures } from '../../parts/rungs/useRungs';
import { useEvenness } from '../../parts/evenness/useEvenness';

/** What the style says on so many exercises of a week is said once. */
const often = 2;

/** One page a week for the client: readable in black and white, cautions included. */
export function Sheet() {
  const board = useBoard();
  const library = useLibrary();
  const me = useMe();
  const figures = useFigures();
  const at = useWeek();
  const aims = useEvenness().data?.own_aims ?? [];
  if (board.data === undefined || library.isPending) return <Waiting what="the sheet" />;
  if (library.isError) return <Notice title={library.error.message} />;
  const { client, style, refer } = board.data;
  const { week } = at;
  if (at.isPending) return <Waiting what="the week" />;
  if (week === null) return <p>No week is planned, so there is nothing to print.</p>;
  const rungs = new Map(library.data.library.ladders.flatMap((ladder) => ladder.rungs).map((rung) => [rung.id, rung]));
  const used = [
    ...new Set(
      week.sessions.flatMap((session) => session.blocks.flatMap((block) => block.entries.map((each) => each.exercise))),
    ),
  ].flatMap((id) => rungs.get(id) ?? []);
  const said = used.flatMap((rung) => wordsOn(board.data, rung.id));
  const throughout = [...new Set(said)].filter((line) => said.filter((each) => each === line).length >= often);
  const moves = week.sessions.flatMap((session) => [...session.warm_up.moves, ...session.cool_down.moves]);
  const shown = [...new Map([...used, ...moves].map((each) => [each.id, each])).values()];

  return (
    <div>
      <div className="mb-3 flex flex-wrap items-center gap-4 print:hidden">
        <Button
          look="act"
          onClick={() => {
            window.print();
          }}
        >
          <Printer size={18} aria-hidden /> Print
        </Button>
        <ChooseWeek at={at} />
      </div>
      <article className="mx-auto max-w-[50rem] bg-white p-8 text-[13px] leading-snug text-black shadow print:max-w-none print:p-0 print:text-[10px] print:leading-[1.25] print:shadow-none">
        <header className="mb-2 flex items-end border-b-2 border-black pb-1">
          <h1 className="text-2xl font-bold print:text-xl">{client.name}</h1>
          <p className="ml-auto text-right">
            {me.data?.studio}
            <br />
            Week {week.number}
            {week.from !== null && week.to !== null && `, ${dayAndMonth(week.from)} to ${longDate(week.to)}`},{' '}
            {week.total.text} min in {week.sessions.length} sessions
          </p>
        </header>
        {aims.length > 0 && (
          <p className="mb-2">
            {aims.map((aim) => (
              <span key={aim.id} className="mr-4">
                <b>“{aim.words}”</b> {aim.says}
              </span>
            ))}
          </p>
        )}
        {refer.length > 0 && (
          <section className="mb-2 border-4 border-black p-2 text-[15px] font-bold">
            <h2>Nothing of this sheet is done for now.</h2>
            {refer.map((each) => (
              <p key={each.text}>{each.text}</p>
            ))}
          </section>
        )}
        <div className="grid gap-x-6 sm:grid-cols-2 print:grid-cols-3 print:gap-x-4">
          {byDay(week.sessions).map((session) => (
            <section key={session.number} className="mb-3 break-inside-avoid print:mb-2">
              <h2 className="flex border-b border-black text-[15px] font-bold print:text-[12px]">
                {dayNames[session.day]}
                {session.date !== null && `, ${dayAndMonth(session.date)}`}{' '}
                <span className="ml-2 font-normal">{kindNames[session.kind]}</span>
                <span className="ml-auto">{session.total.text} min</span>
              </h2>
              <Preparation what="Warm-up" part={session.warm_up} />
              {session.blocks.map((block, b) => (
                <div key={`${session.day}${b}`}>
                  {block.type === 'circuit' && (
                    <p className="font-bold">
                      Circuit: {block.rounds} {block.rounds === 1 ? 'round' : 'rounds'} of
                    </p>
                  )}
                  <ul>
                    {block.entries.map((entry, e) => (
                      <li key={e} className="flex gap-2 border-b border-neutral-400 py-0.5 print:py-px">
                        <span className="mt-0.5 size-3 shrink-0 border border-black" aria-hidden />
                        <span>
                          <b>{entry.name}</b>
                          <br />
                          {entry.words.split(', ').map((part, i, all) => (
                            <Fragment key={part}>
                              <span className={i === 0 ? undefined : 'whitespace-nowrap'}>
                                {part}
                                {i < all.length - 1 && ','}
                              </span>{' '}
                            </Fragment>
                          ))}
                          {entry.last_load !== null && <span className="whitespace-nowrap">({entry.last_load})</span>}
                          <Kept unsafe={entry.unsafe} insisted={entry.insisted} />
                        </span>
                      </li>
                    ))}
                  </ul>
                </div>
              ))}
              <Preparation what="Cool-down" part={session.cool_down} />
            </section>
          ))}
        </div>
        <section className="mb-2">
          <h2 className="border-b border-black text-[15px] font-bold print:text-[12px]">How</h2>
          {throughout.length > 0 && (
            <p className="py-0.5">
              <b>Throughout:</b> {throughout.join(' ')}
            </p>
          )}
          <dl className="gap-x-6 sm:columns-2 print:columns-3 print:gap-x-4">
            {shown.map((rung) => (
              <div key={rung.id} className="min-h-10 break-inside-avoid py-0.5">
                <dt className="inline font-bold">
                  <span className="float-left mr-2">
                    <Ends
                      drawing={figures[rung.id]}
                      className="h-11 w-12 print:h-8 print:w-8 [&_.fill-ink]:fill-black [&_.stroke-ink]:stroke-black"
                    />
                  </span>
                  {rung.name}.{' '}
                </dt>
                <dd className={used.some((each) => each.id === rung.id) ? 'inline' : 'inline print:hidden'}>
                  {[...rung.setup, ...wordsOn(board.data, rung.id).filter((line) => !throughout.includes(line))].join(
                    ' ',
                  )}
                </dd>
              </div>
            ))}
          </dl>
        </section>
        <section className="border-2 border-black p-2">
          <h2 className="font-bold">Take care</h2>
          <ul className="list-disc pl-4">
            {client.limits.map((limit) => (
              <li key={limit.id}>
                <b>{limit.name}:</b> {limit.caution}
              </li>
            ))}
            {style.coaching.map((line) => (
              <li key={line}>{line}</li>
            ))}
            <li>Stop a set when the form goes, not when the clock says so.</li>
            <li>
              Stop at pain that is not ordinary effort, and at once at sharp or spreading pain, numbness or giving way;
              tell your trainer. This sheet is no diagnosis and does not replace licensed care.
            </li>
          </ul>
        </section>
      </article>
    </div>
  );
}
