import { useMutation } from '@tanstack/react-query';
import { Download } from 'lucide-react';
import { useState } from 'react';
import { answer, answerInPieces, api, inPieces, type Schemas } from '../../api/client';
import { longDate, monthAndYear } from '../../lib/dates';
import { Button } from '../../ui/Button';
import { SelectField, TextField } from '../../ui/Field';
import { FileIn } from '../../ui/FileIn';
import { useClientId } from '../../parts/board/useBoard';
import { useLogChange } from '../../parts/log/useLogChange';
import { useLogsOfMonth } from './queries';

const endings = { time: 'out of time', tired: 'too tired', pain: 'it hurt', client: 'as the client wished' } as const;

/** What was logged, the newest first: edited, taken back, put back, and all of it as a table. */
export function Logged({ page, onEdit }: { page: Schemas['LogPage']; onEdit: (session: number) => void }) {
  const client = useClientId();
  const refresh = useLogChange();
  const [why, setWhy] = useState<number | null>(null);
  const remove = useMutation({
    mutationFn: ({ session, reason }: { session: number; reason?: string }) =>
      answer(
        api.POST('/clients/{client}/logs/{session}/remove', {
          params: { path: { client, session } },
          body: reason === undefined ? {} : { reason },
        }),
      ),
    onSuccess: () => {
      setWhy(null);
    },
    onSettled: refresh,
  });
  const restore = useMutation({
    mutationFn: (change: number) =>
      answer(api.POST('/clients/{client}/removed-logs/{change}/restore', { params: { path: { client, change } } })),
    onSettled: refresh,
  });
  const [month, setMonth] = useState('');
  const [only, setOnly] = useState('all');
  const ofMonth = useLogsOfMonth(client, month);
  const sessions = (month === '' ? page.sessions : (ofMonth.data?.sessions ?? [])).filter(
    (session) =>
      only === 'all' ||
      (only === 'pain' && (session.worst_pain ?? 0) > 0) ||
      (only === 'short' && session.short > 0) ||
      session.exercises.includes(only),
  );
  const exercises = [...new Set(page.sessions.flatMap((session) => session.exercises))].sort();
  return (
    <section aria-label="Logged sessions">
      <div className="flex flex-wrap items-center gap-x-1">
        <h2 className="text-xl font-bold">Logged</h2>
        <a
          href={`/api/clients/${client}/logs.csv`}
          download
          className="ml-auto inline-flex min-h-10 items-center gap-1 px-2 text-base underline underline-offset-4"
        >
          <Download size={16} aria-hidden /> CSV
        </a>
        <Import />
      </div>
      {page.sessions.length > 0 && (
        <div className="mb-2 flex flex-wrap gap-2">
          <SelectField
            label="Of"
            className="w-48"
            value={month}
            options={[
              ['', 'the newest'],
              ...page.months.map((each) => [each.month, `${monthAndYear(each.month)} (${each.sessions})`] as const),
            ]}
            onChange={setMonth}
          />
          <SelectField
            label="Only"
            className="w-56"
            value={only}
            options={[
              ['all', 'all of them'],
              ['pain', 'with pain'],
              ['short', 'with sets that were short'],
              ...exercises.map((name) => [name, name] as const),
            ]}
            onChange={setOnly}
          />
        </div>
      )}
      {page.sessions.length > 0 && sessions.length === 0 && !ofMonth.isPending && <p>None of that kind.</p>}
      <ul>
        {sessions.map((session) => (
          <li
            key={session.id}
            className="flex flex-wrap items-start gap-1 border-t border-line py-1.5 text-[0.9375rem]"
          >
            <span className="min-w-0 flex-1">
              <b>{longDate(session.on)}</b>, {session.sets} sets
              {session.short > 0 && `, ${session.short} short`}
              {session.worst_pain !== null && session.worst_pain > 0 && (
                <span className="text-warn">, pain {session.worst_pain}</span>
              )}
              {session.soreness !== null && session.soreness > 0 && `, soreness ${session.soreness}`}
              {session.open && <b>, on the floor</b>}
              {session.ended !== null && `, ended early: ${endings[session.ended]}`}
              {session.edited && ', edited'}
              {session.by_client ? <b>, the client’s own, form unchecked</b> : !session.checked && ', nobody watched'}
              {session.seen.map((line, i) => (
                <span key={i} className="block">
                  {line}
                </span>
              ))}
              {session.word !== null && <span className="block">“{session.word}”</span>}
              {session.warned.map((line) => (
                <span key={line} className="block font-semibold text-warn">
                  {line}
                </span>
              ))}
              {session.door.length > 0 && (
                <span className="block">
                  At the door:{' '}
                  {session.door
                    .map((change) =>
                      change.how === 'cut'
                        ? `cut for time: ${change.what}`
                        : change.to === null
                          ? `without ${change.what}`
                          : `${change.what} → ${change.to}`,
                    )
                    .join('; ')}
                </span>
              )}
              <span className="block text-faint">{session.exercises.join(', ')}</span>
            </span>
            <Button
              look="quiet"
              aria-label={`Edit the log of ${longDate(session.on)}`}
              onClick={() => {
                onEdit(session.id);
              }}
            >
              Edit
            </Button>
            <Button
              look="quiet"
              aria-label={`Take back the log of ${longDate(session.on)}`}
              disabled={remove.isPending}
              onClick={() => {
                if (session.by_client) setWhy(session.id);
                else remove.mutate({ session: session.id });
              }}
            >
              Take back
            </Button>
            {why === session.id && (
              <TakeBack
                busy={remove.isPending}
                error={remove.error?.message}
                onKeep={() => {
                  setWhy(null);
                }}
                onSure={(reason) => {
                  remove.mutate({ session: session.id, reason });
                }}
              />
            )}
          </li>
        ))}
        {page.removed.map((each) => (
          <li
            key={each.change}
            className="flex items-center gap-1 border-t border-line py-1.5 text-[0.9375rem] text-faint"
          >
            <span className="flex-1">
              {longDate(each.on)}, {each.sets} sets, taken back
            </span>
            <Button
              look="quiet"
              disabled={restore.isPending}
              onClick={() => {
                restore.mutate(each.change);
              }}
            >
              Put back
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}

/** A log that the client wrote goes only with a reason. */
function TakeBack({
  busy,
  error,
  onKeep,
  onSure,
}: {
  busy: boolean;
  error: string | undefined;
  onKeep: () => void;
  onSure: (reason: string) => void;
}) {
  const [reason, setReason] = useState('');
  return (
    <form
      className="w-full space-y-2 rounded-md border border-line bg-paper p-2"
      onSubmit={(event) => {
        event.preventDefault();
        onSure(reason);
      }}
    >
      <TextField
        label="Why is it taken back? The client wrote it, and a stop that it caused stays."
        maxLength={200}
        value={reason}
        error={error}
        onChange={setReason}
      />
      <div className="flex gap-2">
        <Button type="submit" disabled={busy || reason.trim() === ''}>
          Take it back
        </Button>
        <Button look="quiet" onClick={onKeep}>
          Keep it
        </Button>
      </div>
    </form>
  );
}

function Import() {
  const client = useClientId();
  const refresh = useLogChange();
  return (
    <FileIn
      label="Take in"
      name="log-table"
      accept=".csv,text/csv"
      pieces="sessions"
      read={(csv, signal, onProgress) =>
        answerInPieces<Schemas['LogImported']>(
          api.POST('/clients/{client}/logs/import', {
            params: { path: { client } },
            body: { csv },
            ...inPieces(signal),
          }),
          onProgress,
        )
      }
      onDone={refresh}
      said={({ added, known }) => `${added} taken in${known > 0 ? `, ${known} were there` : ''}`}
    />
  );
}
