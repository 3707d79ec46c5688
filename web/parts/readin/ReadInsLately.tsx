import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { Undo2 } from 'lucide-react';
import { answer, api } from '../../api/client';
import { moment } from '../../lib/dates';
import { Button } from '../../ui/Button';

/** What was read in lately, each to be undone as long as nobody went on with it. */
export function ReadInsLately() {
  const queries = useQueryClient();
  const all = useQuery({ queryKey: ['read-ins'], queryFn: () => answer(api.GET('/read-ins')) });
  const undo = useMutation({
    mutationFn: (change: number) => answer(api.POST('/read-ins/{change}/undo', { params: { path: { change } } })),
    onSuccess: async (left) => {
      queries.setQueryData(['read-ins'], left);
      await queries.invalidateQueries({ predicate: ({ queryKey }) => queryKey[0] !== 'read-ins' });
    },
  });
  const lines = all.data?.read_ins ?? [];
  if (lines.length === 0 && !undo.isSuccess) return null;
  return (
    <section aria-label="Imported lately" className="rounded-lg border border-line bg-card p-3">
      <h2 className="text-lg font-bold">Imported lately</h2>
      <ul className="text-[0.9375rem]">
        {lines.map((each) => (
          <li key={each.id} className="flex flex-wrap items-center gap-x-3 border-t border-line py-1">
            <span className="min-w-0 flex-1">
              <b>{each.about}</b>, from {each.what}, {moment(each.at)}
            </span>
            <Button
              look="quiet"
              disabled={undo.isPending}
              onClick={() => {
                undo.mutate(each.id);
              }}
            >
              <Undo2 size={16} aria-hidden /> Undo
            </Button>
          </li>
        ))}
      </ul>
      {undo.isSuccess && <p role="status">Undone.</p>}
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {undo.error?.message}
      </p>
    </section>
  );
}
