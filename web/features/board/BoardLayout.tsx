import { useMutationState } from '@tanstack/react-query';
import { Redo2, Undo2 } from 'lucide-react';
import { lazy, Suspense } from 'react';
import { Link, NavLink, Outlet, useLocation } from 'react-router';
import { isConflict } from '../../api/client';
import { longDate } from '../../lib/dates';
import { trainingNames, urgencyNames, dayNames } from '../../lib/words';
import { places } from '../../lib/pages';
import { useMay } from '../../lib/session';
import { Button } from '../../ui/Button';
import { Notice, Waiting } from '../../ui/Notice';
import { Unsent } from './Unsent';
import { PlanQuestion } from '../../parts/plan/PlanQuestion';
import { redo, undo, useBoard, useBoardChange, useClientId, type Board } from '../../parts/board/useBoard';

const Conflict = lazy(async () => ({ default: (await import('./Conflict')).Conflict }));

/** The head of a client's pages: who it is, what must not be loaded, where the week stands. */
export function BoardLayout() {
  const board = useBoard();
  const isTrainer = useMay('trainer');
  const failed = useMutationState({
    filters: { mutationKey: ['board', useClientId()], status: 'error' },
    select: (change) => change.state.error,
  });
  if (board.isPending) return <Waiting what="the client" />;
  if (board.isError) {
    return (
      <div className="p-6">
        <Notice title={board.error.message} />
      </div>
    );
  }
  return (
    <div className="mx-auto max-w-[110rem] px-4 py-3">
      <Head board={board.data} />
      <Places client={board.data.id} />
      {board.data.refer.length > 0 && (
        <div className="mb-3 print:hidden">
          <Notice title="Planning stops here until a clinician has seen the client.">
            <ul>
              {board.data.refer.map((each) => (
                <li key={each.text}>
                  <b>{urgencyNames[each.urgency]}:</b> {each.text}
                </li>
              ))}
            </ul>
            <Link to="screen" className="inline-flex min-h-8 items-center font-semibold underline underline-offset-4">
              Record a clearance
            </Link>
          </Notice>
        </div>
      )}
      <StillOut board={board.data} />
      {board.data.nothing_programmable !== null && (
        <div className="mb-3 print:hidden">
          <Notice title="Nothing can be programmed.">{board.data.nothing_programmable}</Notice>
        </div>
      )}
      {board.data.unasked !== null && (
        <div className="mb-3 print:hidden">
          <Notice
            title={
              board.data.unasked === 'screen'
                ? 'No week can be planned: the screen was not asked yet.'
                : 'No week can be planned: nobody asked for days and minutes yet.'
            }
          >
            <Link to={`/clients/${board.data.id}/edit`} className="underline">
              Ask now
            </Link>
          </Notice>
        </div>
      )}
      {isTrainer && <PlanQuestion board={board.data} />}
      <Suspense fallback={null}>{failed.some(isConflict) && <Conflict />}</Suspense>
      <Unsent />
      <div data-page tabIndex={-1} className="outline-none">
        <Suspense fallback={<Waiting what="the page" />}>
          <Outlet />
        </Suspense>
      </div>
    </div>
  );
}

/** After a stop, the pages that the client may still train from. */
function StillOut({ board }: { board: Board }) {
  const isStopped = board.refer.length > 0 || board.ladders.some((ladder) => ladder.stopped !== null);
  if (!isStopped || board.own_pages_out.length === 0) return null;
  return (
    <div className="mb-3 print:hidden">
      <Notice title={`Tell ${board.client.name}: there is a stop, and a page of their own is still out.`}>
        <ul>
          {board.own_pages_out.map((page) => (
            <li key={`${page.made}${page.title}`}>
              {page.title}, made {longDate(page.made)}, works until {longDate(page.until)}
            </li>
          ))}
        </ul>
      </Notice>
    </div>
  );
}

/** The four places of a client's pages, and the pages of the place where one is. */
function Places({ client }: { client: string }) {
  const isTrainer = useMay('trainer');
  const at = useLocation().pathname.split('/')[3] ?? '';
  const open = places
    .map((place) => ({ ...place, pages: place.pages.filter((page) => isTrainer || page.readers === true) }))
    .filter((place) => place.pages.length > 0);
  const here = open.find((place) => place.pages.some((page) => page.to === at));
  return (
    <nav aria-label="Pages of the client" className="mb-3 border-b border-line print:hidden">
      <ul className="flex overflow-x-auto sm:flex-wrap sm:gap-1">
        {open.map((place) => (
          <li key={place.name}>
            <Link
              to={`/clients/${client}/${place.pages[0]?.to ?? ''}`}
              aria-current={place === here ? 'true' : undefined}
              className={`flex min-h-10 items-center rounded-t-md px-2 text-sm font-semibold whitespace-nowrap sm:px-3 sm:text-base ${place === here ? 'bg-stand text-on-stand' : 'hover:bg-card'}`}
            >
              {place.name}
            </Link>
          </li>
        ))}
      </ul>
      {here !== undefined && (
        <ul aria-label={here.name} className="-mb-px flex overflow-x-auto border-t border-stand sm:flex-wrap">
          {here.pages.map((page) => (
            <li key={page.to}>
              <NavLink
                to={`/clients/${client}/${page.to}`}
                className={({ isActive }) =>
                  `flex min-h-10 items-center border-b-3 px-2 text-sm font-semibold whitespace-nowrap sm:px-3 sm:text-base ${isActive ? 'border-act' : 'border-transparent hover:border-line'}`
                }
              >
                {page.name}
              </NavLink>
            </li>
          ))}
        </ul>
      )}
    </nav>
  );
}

function Head({ board }: { board: Board }) {
  const isTrainer = useMay('trainer');
  const { client, week } = board;
  return (
    <div className="mb-2 flex items-start gap-x-3 gap-y-2 sm:flex-wrap sm:items-end sm:gap-x-4 print:hidden">
      <div className="min-w-0 flex-1 sm:basis-64">
        <h1 className="text-2xl leading-tight font-bold">{client.name}</h1>
        <p className="text-[0.9375rem] text-faint">
          {client.goal_name}
          {client.limits.map((limit) => (
            <span
              key={limit.id}
              className="ml-2 rounded-sm bg-warn-soft px-1.5 font-semibold text-warn"
              title={limit.caution}
            >
              {limit.name}
              {limit.severity === null ? '' : `, ${limit.severity}`}
            </span>
          ))}
          {client.other_training.map((other) => (
            <span key={`${other.day}${other.type}`} className="ml-2">
              {dayNames[other.day]?.slice(0, 3)}: {trainingNames[other.type]}
            </span>
          ))}
        </p>
      </div>
      <div className="ml-auto flex flex-col-reverse items-end gap-1 sm:flex-row sm:items-center sm:gap-2">
        {/* as wide without a week as with one: the tabs beside it stay where they are when a plan comes */}
        <p
          className="min-h-7 min-w-32 text-right text-sm whitespace-nowrap tabular-nums sm:mr-2 sm:min-w-39 sm:text-base"
          aria-live="polite"
        >
          {week !== null && (
            <>
              <b className="text-xl" data-week-total>
                {week.total.text}
              </b>{' '}
              <span className="text-faint">of {week.available.text} min</span>
            </>
          )}
        </p>
        {isTrainer && (
          <div className="flex gap-2">
            <UndoRedo board={board} />
          </div>
        )}
      </div>
    </div>
  );
}

function UndoRedo({ board }: { board: Board }) {
  const command = useBoardChange();
  return (
    <>
      <Button
        disabled={board.undo === null || command.isPending}
        title={board.undo === null ? 'Nothing to undo' : `Undo: ${board.undo}`}
        onClick={() => {
          command.mutate(undo());
        }}
      >
        <Undo2 size={18} aria-hidden /> <span className="sr-only sm:not-sr-only">Undo</span>
      </Button>
      <Button
        disabled={board.redo === null || command.isPending}
        title={board.redo === null ? 'Nothing to redo' : `Redo: ${board.redo}`}
        onClick={() => {
          command.mutate(redo());
        }}
      >
        <Redo2 size={18} aria-hidden /> <span className="sr-only sm:not-sr-only">Redo</span>
      </Button>
    </>
  );
}
