import { useMutation, useQuery } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, isConflict, type Schemas } from '../../api/client';
import { longDate } from '../../app/dates';
import { dayNames } from '../../app/words';
import { Button } from '../../ui/Button';
import { Code } from '../../ui/Code';
import { SelectField } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { useBoard, useClientId } from '../board/useBoard';
import { ChooseWeek } from '../week/ChooseWeek';
import { useWeek } from '../week/useWeek';
import { Grid } from './Grid';
import { useLogChange } from './useLogChange';

type Page = Schemas['LogPage'];
type Verdict = Page['verdicts'][number];

/** What was really done, entered from paper, and the verdicts that follow; nothing moves before it is accepted. */
export function LogPage() {
  const client = useClientId();
  const board = useBoard();
  const at = useWeek();
  const [day, setDay] = useState<string | null>(null);
  const logs = useQuery({
    queryKey: ['logs', client, board.data?.version],
    queryFn: () => answer(api.GET('/clients/{client}/logs', { params: { path: { client } } })),
    enabled: board.data !== undefined,
    placeholderData: (before) => before,
  });
  if (logs.isPending || board.data === undefined) return <Waiting what="the log" />;
  if (logs.isError) return <Notice title={logs.error.message} />;
  const sessions = at.week?.sessions ?? [];
  const session = sessions.find((each) => each.day === day) ?? sessions[0];
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 xl:grid-cols-[minmax(0,1fr)_28rem]">
      <div>
        <h2 className="text-xl font-bold">Write down what was done</h2>
        <div className="my-2 flex flex-wrap items-end gap-4">
          <ChooseWeek at={at} />
          {sessions.length > 0 && (
            <SelectField
              label="Session of"
              className="w-44"
              value={session?.day ?? ''}
              options={sessions.map((each) => [each.day, dayNames[each.day] ?? each.day] as const)}
              onChange={setDay}
            />
          )}
        </div>
        {session === undefined ? (
          <p className="text-faint">No session is planned in this week.</p>
        ) : (
          <Grid key={`${at.number} ${session.day}`} session={session} />
        )}
      </div>
      <div className="space-y-6">
        <section aria-label="Verdicts">
          <h2 className="text-xl font-bold">Verdicts</h2>
          {logs.data.verdicts.length === 0 && (
            <p className="text-faint">Nothing was logged on the rungs where the client stands.</p>
          )}
          {logs.data.verdicts.map((verdict) => (
            <VerdictCard key={verdict.ladder} verdict={verdict} />
          ))}
        </section>
        {logs.data.load !== null && <WeekLoad load={logs.data.load} />}
        <Logged page={logs.data} />
      </div>
    </div>
  );
}

const words: Record<Verdict['verdict'], string> = {
  progress: 'Progress',
  'step-up': 'A step up',
  stay: 'Stay',
  'step-down': 'A step down',
  regress: 'A rung down',
  stop: 'Stop and refer',
};

function VerdictCard({ verdict }: { verdict: Verdict }) {
  const client = useClientId();
  const board = useBoard();
  const refresh = useLogChange();
  const reply = useMutation({
    mutationFn: (how: 'accepted' | 'postponed') =>
      answer(
        api.POST('/clients/{client}/verdicts', {
          params: { path: { client } },
          body: { version: board.data?.version ?? 1, ladder: verdict.ladder, answer: how },
        }),
      ),
    onSettled: refresh,
  });
  const bad = verdict.verdict === 'stop' || verdict.refer;
  return (
    <article
      aria-label={`Verdict on ${verdict.name}`}
      data-verdict={verdict.verdict}
      className={`mb-3 rounded-lg border p-3 ${bad ? 'border-warn bg-warn-soft' : 'border-line bg-card'}`}
    >
      <h3 className="flex items-baseline gap-2 text-lg font-bold">
        <Code code={verdict.category} /> {verdict.name}
        <span className={`ml-auto ${bad ? 'text-warn' : ''}`}>{words[verdict.verdict]}</span>
      </h3>
      <p>
        {verdict.from}
        {verdict.to !== null && verdict.moves && (
          <>
            {' → '}
            <b>{verdict.to === verdict.from ? verdict.dose : `${verdict.to}, ${verdict.dose ?? ''}`}</b>
          </>
        )}
      </p>
      <ul className="text-[15px]">
        {verdict.reasons.map((reason) => (
          <li key={reason}>{reason}</li>
        ))}
        {verdict.would_change.map((line) => (
          <li key={line} className="text-faint">
            Would change it: {line}
          </li>
        ))}
        {verdict.swap !== null && <li>Spares it: {verdict.swap}.</li>}
        {verdict.retest && <li>Test this ladder again.</li>}
      </ul>
      <p className="text-sm text-faint">Rule: {verdict.sentence}</p>
      {verdict.verdict === 'stay' ? null : verdict.answered === null ? (
        <div className="mt-2 flex gap-2">
          {verdict.moves && (
            <Button
              look="act"
              disabled={reply.isPending}
              onClick={() => {
                reply.mutate('accepted');
              }}
            >
              Accept
            </Button>
          )}
          <Button
            disabled={reply.isPending}
            onClick={() => {
              reply.mutate('postponed');
            }}
          >
            {verdict.moves ? 'Not now' : 'Noted'}
          </Button>
        </div>
      ) : (
        <p className="mt-1 font-semibold">
          {verdict.answered === 'accepted' ? 'Accepted.' : verdict.moves ? 'Put off until the next log.' : 'Noted.'}
        </p>
      )}
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {isConflict(reply.error)
          ? 'Somebody else changed this client in the meantime; look again and press once more.'
          : reply.error?.message}
      </p>
    </article>
  );
}

function WeekLoad({ load }: { load: NonNullable<Page['load']> }) {
  return (
    <section aria-label="Load of the week">
      <h2 className="text-xl font-bold">Load of the week</h2>
      <p>
        <b className="text-lg">{load.total.toFixed(0)}</b> effort × min{load.unknown.length > 0 && ' known'},{' '}
        {longDate(load.from)} to {longDate(load.to)}
      </p>
      {load.monotony !== null && load.strain !== null && (
        <p>
          Monotony <b>{load.monotony.toFixed(2)}</b>, strain <b>{load.strain.toFixed(0)}</b>
        </p>
      )}
      {load.unknown.length > 0 && (
        <p className="text-[15px] text-warn">
          Monotony is not computable: effort, minutes or the whole log is missing on{' '}
          {load.unknown.map(longDate).join('; ')}.
        </p>
      )}
      {load.monotony === null && load.unknown.length === 0 && (
        <p className="text-[15px]">Monotony is not computable: all seven days are alike.</p>
      )}
      <p className="text-sm text-faint">
        Effort of each session times its minutes. Monotony is the mean day over the sample SD of the seven days: the
        higher, the more alike the days. Strain is load times monotony.
      </p>
    </section>
  );
}

function Logged({ page }: { page: Page }) {
  const client = useClientId();
  const refresh = useLogChange();
  const remove = useMutation({
    mutationFn: (session: number) =>
      answer(api.POST('/clients/{client}/logs/{session}/remove', { params: { path: { client, session } } })),
    onSettled: refresh,
  });
  if (page.sessions.length === 0) return null;
  return (
    <section aria-label="Logged sessions">
      <h2 className="text-xl font-bold">Logged</h2>
      <ul>
        {page.sessions.map((session) => (
          <li key={session.id} className="flex items-start gap-2 border-t border-line py-1.5 text-[15px]">
            <span className="min-w-0 flex-1">
              <b>{longDate(session.on)}</b>, {session.sets} sets
              {session.short > 0 && `, ${session.short} short`}
              {session.worst_pain !== null && session.worst_pain > 0 && (
                <span className="text-warn">, pain {session.worst_pain}</span>
              )}
              {session.soreness !== null && session.soreness > 0 && `, soreness ${session.soreness}`}
              <span className="block text-faint">{session.exercises.join(', ')}</span>
            </span>
            <Button
              look="quiet"
              aria-label={`Take back the log of ${longDate(session.on)}`}
              disabled={remove.isPending}
              onClick={() => {
                remove.mutate(session.id);
              }}
            >
              Take back
            </Button>
          </li>
        ))}
      </ul>
    </section>
  );
}
