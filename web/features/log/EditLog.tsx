import { useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { longDate, moment } from '../../lib/dates';
import { Button } from '../../ui/Button';
import { Notice, Waiting } from '../../ui/Notice';
import { useClientId, useLibrary } from '../../parts/board/useBoard';
import { Grid } from './Grid';
import { rangeKind, startOfLog } from './rows';
import { useLog } from './queries';

const whats = { edited: 'edited', removed: 'taken back', restored: 'put back' } as const;

/** A log as it was kept, to be written anew, with everybody who changed it. */
export function EditLog({
  session,
  easy,
  asks,
  onDone,
}: {
  session: number;
  easy: number;
  asks: readonly Schemas['Tick'][];
  onDone: () => void;
}) {
  const client = useClientId();
  const library = useLibrary();
  const queries = useQueryClient();
  const params = { path: { client, session } };
  const one = useLog(client, session);
  if (one.isPending || library.isPending) return <Waiting what="the log" />;
  if (one.isError) return <Notice title={one.error.message} />;
  const rungs = new Map(library.data?.library.ladders.flatMap((each) => each.rungs).map((rung) => [rung.id, rung]));
  const { checked } = one.data.log;
  const ladders = new Map(
    library.data?.library.ladders.flatMap((each) => each.rungs.map((rung) => [rung.id, each.id] as const)),
  );
  return (
    <>
      <div className="mb-2 flex items-center gap-3">
        <h2 className="text-xl font-bold">Log of {longDate(one.data.log.on)}</h2>
        <Button className="ml-auto" onClick={onDone}>
          Leave it
        </Button>
      </div>
      <Grid
        key={one.data.revision}
        start={startOfLog(
          one.data.log,
          one.data.units,
          (rung) => rungs.get(rung)?.name ?? rung,
          (rung) => rangeKind(rungs.get(rung)?.range),
          (rung) => ladders.get(rung) ?? rung,
        )}
        asks={asks}
        label="Save the change"
        easy={easy}
        kept={`log:${client}:edit:${session}:${one.data.revision}`}
        submit={async (body) => {
          await answer(
            api.POST('/clients/{client}/logs/{session}', {
              params,
              body: {
                ...body,
                ...(checked === undefined ? {} : { checked }),
                revision: one.data.revision,
              },
            }),
          );
          queries.removeQueries({ queryKey: ['log', client, session] });
          onDone();
        }}
      />
      {one.data.changes.length > 0 && (
        <section aria-label="Changes" className="mt-4">
          <h3 className="font-bold">Who changed it</h3>
          <ul className="text-[0.9375rem]">
            {one.data.changes.map((change) => (
              <li key={change.id}>
                {moment(change.at)}: {whats[change.what]} by {change.by ?? 'somebody'}
                {change.before !== null && <span className="text-faint"> (before: {inShort(change.before)})</span>}
              </li>
            ))}
          </ul>
        </section>
      )}
    </>
  );
}

function inShort(log: Schemas['Log']): string {
  const done = log.sets.map(
    (set) => `${set.side === 'left' ? 'L ' : set.side === 'right' ? 'R ' : ''}${set.done}/${set.target}`,
  );
  return `${longDate(log.on)}, ${done.join(', ')}`;
}
