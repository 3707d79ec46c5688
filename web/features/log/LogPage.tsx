import { useRef, useState } from 'react';
import { useSearchParams } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { dayAndMonth, longDate, today } from '../../lib/dates';
import { dayNames } from '../../lib/words';
import { SelectField } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { useBoard, useClientId } from '../../parts/board/useBoard';
import { newKey } from '../../parts/run/run';
import { byDay } from '../../parts/week/byDay';
import { ChooseWeek } from '../../parts/week/ChooseWeek';
import { useWeek } from '../../parts/week/useWeek';
import { EditLog } from './EditLog';
import { Grid } from './Grid';
import { Logged } from './Logged';
import { asPlanned, startOf } from './rows';
import { Verdicts } from './Verdicts';
import { useLogs } from './queries';

type Page = Schemas['LogPage'];

/** What was really done, entered from paper, and the verdicts that follow; nothing moves before it is accepted. */
export function LogPage() {
  const client = useClientId();
  const board = useBoard();
  const at = useWeek();
  const [search] = useSearchParams();
  const [picked, setPicked] = useState(search.get('session') ?? '');
  const [editing, setEditing] = useState<number | null>(null);
  const [written, setWritten] = useState(0);
  // asked for on the day's page; what was logged since begins empty
  const isAsPlanned = search.get('as') === 'planned' && search.get('session') === picked && written === 0;
  /** the same until the server has the log, so that a second try doubles nothing */
  const key = useRef(newKey());
  const logs = useLogs(client, board.data?.version);
  if (logs.isPending || board.data === undefined) return <Waiting what="the log" />;
  if (logs.isError) return <Notice title={logs.error.message} />;
  const sessions = at.week?.sessions ?? [];
  const session = sessions.find((each) => String(each.number) === picked) ?? nextToWrite(sessions);
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 xl:grid-cols-[minmax(0,1fr)_26rem] xl:grid-rows-[auto_1fr]">
      <div className="order-2 xl:order-none xl:col-start-1 xl:row-span-2 xl:row-start-1">
        {editing !== null ? (
          <EditLog
            key={editing}
            session={editing}
            easy={logs.data.easy}
            asks={logs.data.ticks}
            onDone={() => {
              setEditing(null);
            }}
          />
        ) : (
          <>
            <h2 className="text-xl font-bold">Write down what was done</h2>
            <div className="my-2 flex flex-wrap items-end gap-4">
              <ChooseWeek at={at} />
              {sessions.length > 0 && (
                <SelectField
                  label="Session of"
                  className="w-72"
                  value={String(session?.number ?? '')}
                  options={byDay(sessions).map((each) => [String(each.number), nameOf(each)] as const)}
                  onChange={setPicked}
                />
              )}
            </div>
            {session === undefined ? (
              <p className="text-faint">No session is planned in this week.</p>
            ) : (
              <Grid
                key={`${at.number} ${session.number} ${written}`}
                start={isAsPlanned ? asPlanned(startOf(session), logs.data.easy, logs.data.ticks) : startOf(session)}
                easy={logs.data.easy}
                asks={logs.data.ticks}
                kept={`log:${client}:${session.key}`}
                label="Save the log"
                submit={async (body) => {
                  await answer(
                    api.POST('/clients/{client}/logs', {
                      params: { path: { client } },
                      body: { ...body, key: key.current, planned: session.key },
                    }),
                  );
                  key.current = newKey();
                  setWritten(written + 1);
                }}
              />
            )}
          </>
        )}
      </div>
      <div className="order-1 space-y-4 xl:order-none xl:col-start-2 xl:row-start-1">
        {logs.data.stop !== null && (
          <Notice title={`Everything is stopped since ${longDate(logs.data.stop.on)}: ${logs.data.stop.kind}`}>
            <p>
              Nothing is planned or run until a clinician has seen the client and a clearance of a later day stands on
              the screen page.
            </p>
          </Notice>
        )}
        <Verdicts page={logs.data} />
      </div>
      <div className="order-3 space-y-6 xl:order-none xl:col-start-2 xl:row-start-2">
        {logs.data.load !== null && <WeekLoad load={logs.data.load} />}
        <Logged page={logs.data} onEdit={setEditing} />
      </div>
    </div>
  );
}

/** The first session that is due and has no log; else that of today, or the first. */
function nextToWrite(sessions: readonly Schemas['WeekSession'][]): Schemas['WeekSession'] | undefined {
  const due = byDay(sessions).filter((each) => each.state === 'planned' && (each.date ?? '') <= today());
  return due[0] ?? sessions.find((each) => each.date === today()) ?? byDay(sessions)[0];
}

function nameOf(session: Schemas['WeekSession']): string {
  const day = `${dayNames[session.day] ?? session.day}${session.date === null ? '' : `, ${dayAndMonth(session.date)}`}`;
  return session.state === 'planned' ? day : `${day}, ${session.state === 'running' ? 'on the floor' : session.state}`;
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
        <p className="text-[0.9375rem] text-warn">
          Monotony is not computable: effort, minutes or the whole log is missing on{' '}
          {load.unknown.map(longDate).join('; ')}.
        </p>
      )}
      {load.monotony === null && load.unknown.length === 0 && (
        <p className="text-[0.9375rem]">Monotony is not computable: all seven days are alike.</p>
      )}
      <p className="text-sm text-faint">
        Effort of each session times its minutes. Monotony is the mean day over the sample SD of the seven days: the
        higher, the more alike the days. Strain is load times monotony.
      </p>
    </section>
  );
}
