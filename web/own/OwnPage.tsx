import { useState } from 'react';
import { ChevronRight, TriangleAlert } from 'lucide-react';
import { Button } from '../ui/Button';
import { longDate } from '../lib/dates';
import { BringBack } from './BringBack';
import { own, today } from './document';
import { Hurts, Locked } from './Hurts';
import { keeps, start, useKept, type Kept } from './kept';
import { SessionPage } from './SessionPage';

/** A client's own page: their sessions, one of them, or what stands in the way. */
export function OwnPage() {
  const kept = useKept();
  const [session, setSession] = useState<number | null>(null);
  const [hurts, setHurts] = useState(false);
  if (kept.hurt !== undefined) return <Locked kept={kept} hurt={kept.hurt} />;
  const ended = today() > own.until;
  const open = session !== null && kept.done[session] === undefined && !ended;
  return (
    <main className="mx-auto w-full max-w-xl p-3 pb-24">
      {hurts && (
        <Hurts
          session={open ? session : null}
          onSlip={() => {
            setHurts(false);
          }}
        />
      )}
      {open ? (
        <SessionPage
          key={session}
          session={session}
          paused={hurts}
          onLeave={() => {
            setSession(null);
          }}
        />
      ) : (
        <Sessions kept={kept} ended={ended} onOpen={setSession} />
      )}
      {!ended && (
        <div className="fixed inset-x-0 bottom-0 z-10 border-t border-line bg-paper p-2">
          <Button
            className="mx-auto flex min-h-12 w-full max-w-xl border-warn text-lg text-warn"
            onClick={() => {
              setHurts(true);
            }}
          >
            <TriangleAlert size={20} aria-hidden /> Something hurts
          </Button>
        </div>
      )}
    </main>
  );
}

function Sessions({ kept, ended, onOpen }: { kept: Kept; ended: boolean; onOpen: (session: number) => void }) {
  return (
    <>
      <p className="text-faint">{own.studio}</p>
      <h1 className="text-3xl leading-tight font-bold">{own.first}</h1>
      <p className="text-lg">
        {own.title}
        {!ended && <span className="text-faint">, this page works until {longDate(own.until)}</span>}
      </p>
      {ended && (
        <p role="alert" className="my-3 rounded-md border-2 border-warn bg-warn-soft p-3 text-lg font-semibold">
          This page has ended. Ask {own.studio} for a new one before you go on.
        </p>
      )}
      {!keeps && (
        <p role="alert" className="my-3 rounded-md border-2 border-warn bg-warn-soft p-3">
          This browser keeps nothing of this page. Save the file and open it with your browser, or bring each session
          back before you close it.
        </p>
      )}
      <ul className="my-3 space-y-3">
        {own.sessions.map((each, i) => {
          const done = kept.done[i];
          return (
            <li key={i} className="rounded-lg border border-line bg-card">
              {done === undefined ? (
                <button
                  type="button"
                  disabled={ended}
                  className="flex min-h-16 w-full items-center gap-2 p-3 text-left disabled:opacity-50"
                  onClick={() => {
                    if (kept.runs[i] === undefined) start(i);
                    onOpen(i);
                  }}
                >
                  <span className="flex-1">
                    <b className="text-xl">{each.title}</b>
                    <span className="block text-faint">
                      {longDate(each.date)}, {each.minutes}
                      {kept.runs[i] !== undefined && ', begun'}
                    </span>
                  </span>
                  <ChevronRight aria-hidden />
                </button>
              ) : (
                <div className="p-3">
                  <h2 className="text-xl font-bold">{each.title}: done</h2>
                  <BringBack done={done} session={i} />
                </div>
              )}
            </li>
          );
        })}
      </ul>
      {!ended && (
        <section className="rounded-lg border border-line p-3">
          <h2 className="text-xl font-bold">Take care</h2>
          <ul className="list-disc space-y-1 pl-5">
            {own.care.map((line) => (
              <li key={line}>{line}</li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}
