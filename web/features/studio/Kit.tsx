import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { useLibrary } from '../../parts/board/useBoard';
import { fieldError } from '../../lib/fieldError';

/** How many pieces of each kit there are: what a group is counted against. */
export function Kit({ kit }: { kit: Schemas['KitCounts'] }) {
  const library = useLibrary();
  const queries = useQueryClient();
  const [counts, setCounts] = useState<Record<string, string>>(
    Object.fromEntries(Object.entries(kit).map(([piece, count]) => [piece, String(count)])),
  );
  const save = useMutation({
    mutationFn: () => {
      const written = Object.entries(counts).filter(([, count]) => count.trim() !== '');
      return answer(
        api.POST('/kit', {
          body: { kit: Object.fromEntries(written.map(([piece, count]) => [piece, Number(count)])) },
        }),
      );
    },
    onSuccess: async (me) => {
      queries.setQueryData(['me'], me);
      await queries.invalidateQueries();
    },
  });
  return (
    <form
      aria-label="Kit"
      className="space-y-3 rounded-lg border border-line bg-card p-4"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <h2 className="text-lg font-bold">Pieces of kit</h2>
      <p className="text-faint">Counted where a group trains. Left empty, there are enough.</p>
      <div className="flex flex-wrap gap-3">
        {(library.data?.library.equipment ?? []).map((each) => (
          <TextField
            key={each.id}
            label={each.name}
            type="number"
            className="w-28"
            value={counts[each.id] ?? ''}
            error={fieldError(save.error, `/kit/${each.id}`)}
            onChange={(text) => {
              setCounts({ ...counts, [each.id]: text });
            }}
          />
        ))}
      </div>
      <p role="status" className="font-semibold empty:hidden">
        {save.isSuccess ? 'Kept.' : ''}
      </p>
      <Button look="act" type="submit" disabled={save.isPending}>
        Keep these numbers
      </Button>
    </form>
  );
}
