import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { useMay } from '../../app/session';
import { Tick, toggled } from '../../ui/Field';
import { Notice } from '../../ui/Notice';
import { useClientId } from '../board/useBoard';
import { HappenedList } from './HappenedList';

/** The record of one client: whose client it is, and everything that was done. */
export function RecordPage() {
  const client = useClientId();
  const isOwner = useMay('owner');
  const mayExport = useMay('trainer');
  return (
    <div className="grid grid-cols-[minmax(0,1fr)] gap-6 lg:grid-cols-[minmax(0,1fr)_20rem]">
      <HappenedList client={client} exported={mayExport} />
      {isOwner && <WhoseClient client={client} />}
    </div>
  );
}

function WhoseClient({ client }: { client: string }) {
  const queries = useQueryClient();
  const key = ['trainers', client];
  const trainers = useQuery({
    queryKey: key,
    queryFn: () => answer(api.GET('/clients/{client}/trainers', { params: { path: { client } } })),
  });
  const save = useMutation({
    mutationFn: (theirs: string[]) =>
      answer(api.POST('/clients/{client}/trainers', { params: { path: { client } }, body: { trainers: theirs } })),
    onSuccess: (after) => {
      queries.setQueryData(key, after);
      void queries.invalidateQueries({ queryKey: ['happened'] });
    },
  });
  const all = trainers.data?.trainers ?? [];
  const theirs = all.filter((each) => each.theirs).map((each) => each.id);
  return (
    <section aria-label="Whose client" className="rounded-lg border border-line bg-card p-4">
      <h2 className="text-lg font-bold">Whose client</h2>
      <p className="text-faint">Owners see every client. Trainers and readers see those ticked here.</p>
      {trainers.isError && <Notice title={trainers.error.message} />}
      {all
        .filter((each) => each.role !== 'owner' && (!each.disabled || each.theirs))
        .map((each) => (
          <Tick
            key={each.id}
            label={
              <>
                {each.name} <span className="text-faint">({each.disabled ? 'disabled' : each.role})</span>
              </>
            }
            checked={each.theirs}
            onChange={(on) => {
              save.mutate(toggled(theirs, each.id, on));
            }}
          />
        ))}
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {save.error?.message}
      </p>
    </section>
  );
}
