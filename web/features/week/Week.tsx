import { Shares } from '../../parts/week/shares';
import { byDay } from '../../parts/week/byDay';
import { RefreshCw } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import type { Schemas } from '../../api/client';
import { dayAndMonth, today } from '../../lib/dates';
import { dayNames, kindNames } from '../../lib/words';
import { Button } from '../../ui/Button';
import { Menu } from '../../ui/Menu';
import { Notice, Waiting } from '../../ui/Notice';
import { useBoard, useBoardChange, useClientId } from '../../parts/board/useBoard';
import { ProgramFiles } from '../../parts/plan/ProgramFiles';
import { Preparation } from '../../parts/week/Preparation';
import { WhyNotDialog } from '../../parts/whynot/WhyNotDialog';
import { ChooseWeek } from '../../parts/week/ChooseWeek';
import { ClientAudit } from './ClientAudit';
import { Exercise, Reasons } from './Exercise';
import { MissedSession } from './MissedSession';
import { MoveSession } from './MoveSession';
import { RunSession } from './RunSession';
import { useWeek } from '../../parts/week/useWeek';
import { planAnew } from '../../parts/plan/changes';
import { letSessionGo, missSession, removeSession } from './changes';

/** The week by day: doses as trainers write them, minutes that add up, the share of each direction, gaps in words. */
export function Week() {
  const client = useClientId();
  const board = useBoard();
  const command = useBoardChange();
  const at = useWeek();
  if (board.data === undefined) return null;
  const { refer, style } = board.data;
  const { week } = at;
  return (
    <div className="space-y-4">
      <div className="flex flex-wrap items-center gap-3">
        <ChooseWeek at={at} />
        <ProgramFiles client={client} what={`Week ${at.number}`} week={at.number} />
      </div>
      {at.error !== null && <Notice title={at.error.message} />}
      {at.isPending && <Waiting what="the week" />}
      {week?.notes.map((note) => (
        <p key={note} className="rounded-md border border-line bg-card px-4 py-2 font-semibold">
          {note}
        </p>
      ))}
      <div className="flex flex-wrap items-start gap-4">
        {week !== null && <Shares directions={week.directions} />}
        <div className="ml-auto text-right">
          <Button
            disabled={command.isPending || refer.length > 0}
            onClick={() => {
              command.mutate(planAnew());
            }}
          >
            <RefreshCw size={18} aria-hidden />{' '}
            {board.data.week === null ? 'Plan the weeks' : 'Plan anew from the wall'}
          </Button>
          {board.data.week !== null && (
            <Link
              to={`../build?week=${at.number}`}
              className="ml-2 inline-flex min-h-10 items-center rounded-md border border-line bg-card px-3 align-bottom text-[0.9375rem] font-semibold hover:border-ink"
            >
              Add a session
            </Link>
          )}
          {week !== null && (
            <span className="ml-2 inline-block align-bottom">
              <WhyNotDialog label="Why is it not in …" />
            </span>
          )}
          <p className="mt-1 text-sm text-faint">
            House style: {style.name}{' '}
            <Link
              to="../what-if"
              className="inline-flex min-h-8 items-center px-1 font-semibold text-ink underline underline-offset-4"
            >
              What if …
            </Link>
          </p>
          <p role="alert" className="font-semibold text-warn empty:hidden">
            {command.error?.message}
          </p>
        </div>
      </div>
      {week !== null && week.gaps.length > 0 && (
        <Notice title="Not covered as it should be">
          <ul>
            {week.gaps.map((gap) => (
              <li key={gap.category}>
                <b>{gap.name}:</b> {gap.why}
              </li>
            ))}
          </ul>
        </Notice>
      )}
      {week?.sessions.length === 0 && (
        <p>No session is in this week: none fits the client’s days and minutes, or all were moved or taken out.</p>
      )}
      {week !== null && <ClientAudit />}
      <div className="grid items-start gap-4 md:grid-cols-2 xl:grid-cols-3">
        {byDay(week?.sessions ?? []).map((session) => (
          <SessionCard
            key={`${session.day} ${session.kind} ${session.number}`}
            session={session}
            week={at.number - 1}
            place={session.number - 1}
          />
        ))}
      </div>
    </div>
  );
}

const states = { planned: null, running: 'on the floor', done: 'done', missed: 'missed' } as const;

function SessionCard({ session, week, place }: { session: Schemas['WeekSession']; week: number; place: number }) {
  const command = useBoardChange();
  const weeks = useBoard().data?.weeks ?? 1;
  const [shown, setShown] = useState<'why' | 'move' | null>(null);
  const show = (what: typeof shown) => () => {
    setShown(what);
  };
  const close = show(null);
  const day = dayNames[session.day] ?? '';
  const isTooLong = session.over && !session.a_little_over;
  const state = states[session.state];
  const isDue = session.state === 'planned' && session.date !== null && session.date <= today();
  const share =
    session.budget.seconds === 0 ? 100 : Math.min(100, (100 * session.total.seconds) / session.budget.seconds);
  return (
    <section aria-label={dayNames[session.day]} className="rounded-lg border border-line bg-card">
      <header className="border-b border-line px-4 py-2">
        <div className="flex items-baseline gap-2">
          <h2 className="text-lg font-bold">
            {dayNames[session.day]}
            {session.date !== null && <span className="font-normal">, {dayAndMonth(session.date)}</span>}
          </h2>
          {state !== null && (
            <b className={`text-sm ${session.state === 'missed' ? 'text-warn' : ''}`} data-state>
              {state}
            </b>
          )}
          <span className="ml-auto whitespace-nowrap">
            <b className={`text-xl ${isTooLong ? 'text-warn' : ''}`} data-session-total={session.day}>
              {session.total.text}
            </b>{' '}
            <span className="text-faint">of {session.budget.text}</span>
          </span>
        </div>
        <div className="mt-1 h-2 rounded-full bg-line" aria-hidden>
          <div className={`h-2 rounded-full ${isTooLong ? 'bg-warn' : 'bg-stand'}`} style={{ width: `${share}%` }} />
        </div>
        <p className="mt-1 text-sm text-faint">
          {isTooLong && <b className="text-warn">Over the client’s minutes. </b>}
          {session.a_little_over && 'A little over the client’s minutes. '}
          {kindNames[session.kind]}
          {session.place === 'home' && ', at home'}
          {session.moved_from !== null && `, moved from ${dayNames[session.moved_from] ?? ''}`}
          {session.moved_from_week !== null && ` of week ${session.moved_from_week}`}. Work {session.work.text}, rest{' '}
          {session.rest.text}, changes {session.change.text}
        </p>
        {session.mended !== null && <p className="text-sm">{session.mended}</p>}
      </header>
      <div className="px-4 empty:hidden">
        <Preparation what="Warm-up" part={session.warm_up} />
      </div>
      {session.blocks.map((block, b) => (
        <div key={b} className="border-b-4 border-paper px-4 py-1 last:border-0">
          {block.type === 'circuit' && (
            <p className="pt-1 text-sm font-semibold">
              Circuit, {block.rounds} {block.rounds === 1 ? 'round' : 'rounds'}
            </p>
          )}
          <ul>
            {block.entries.map((entry, e) => (
              <Exercise
                key={`${entry.exercise}${e}`}
                entry={entry}
                place={{ week, session: place, block: b, entry: e }}
              />
            ))}
          </ul>
        </div>
      ))}
      <div className="px-4 py-1 empty:hidden">
        <Preparation what="Cool-down" part={session.cool_down} />
      </div>
      {isDue && (
        <p className="flex flex-wrap items-center gap-2 border-t border-line px-4 py-1">
          What became of it?
          <Link
            to={`../log?week=${week + 1}&session=${session.number}`}
            aria-label={`Done: write down the session of ${day}`}
            className="inline-flex min-h-10 items-center px-2 font-semibold underline underline-offset-4"
          >
            Done
          </Link>
          <Button
            aria-label={`Missed the session of ${day}`}
            disabled={command.isPending}
            onClick={() => {
              command.mutate(missSession(week + 1, place + 1, true));
            }}
          >
            Missed
          </Button>
        </p>
      )}
      {session.by_hand && (
        <p className="border-t border-line px-4 py-1">Built by hand: it stays when the program is planned anew.</p>
      )}
      {session.state === 'missed' && <MissedSession session={session} week={week + 1} />}
      {shown === 'why' && (
        <div className="px-4">
          <Reasons about={day} reasons={session.why} onClose={close} />
        </div>
      )}
      {shown === 'move' && (
        <MoveSession
          key={session.key + session.day}
          day={session.day}
          week={week + 1}
          weeks={weeks}
          place={place + 1}
        />
      )}
      <footer className="flex flex-wrap items-center justify-end gap-1 border-t border-line p-2">
        <Link
          to={`../door?week=${week + 1}&place=${place + 1}`}
          aria-label={`At the door, ${day}`}
          className="inline-flex min-h-10 items-center px-2 font-semibold underline underline-offset-4"
        >
          At the door
        </Link>
        <RunSession week={week + 1} place={place + 1} day={day} again={session.state === 'done'} />
        <Menu
          of={`the session of ${day}`}
          items={[
            { name: 'Move to another day', onChoose: show('move') },
            { name: 'Build on it', to: `../build?week=${week + 1}&place=${place + 1}` },
            ...(session.by_hand
              ? [
                  {
                    name: 'Plan it anew with the others',
                    disabled: command.isPending,
                    onChoose: () => {
                      command.mutate(letSessionGo(week + 1, place + 1));
                    },
                  },
                ]
              : []),
            ...(session.why.length === 0 ? [] : [{ name: 'Why it is so', onChoose: show('why') }]),
            {
              name: 'Take it out',
              disabled: command.isPending,
              onChoose: () => {
                command.mutate(removeSession(week + 1, place + 1));
              },
            },
          ]}
        />
      </footer>
    </section>
  );
}
