import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Link } from 'react-router';
import { answer, api } from '../../api/client';
import { Button } from '../../ui/Button';
import { Notice, Waiting } from '../../ui/Notice';
import { useArchive } from './queries';

/** Clients put away; nothing of theirs is lost. */
export function Archive() {
  const queries = useQueryClient();
  const archive = useArchive();
  const restore = useMutation({
    mutationFn: ({ id, version }: { id: string; version: number }) =>
      answer(api.POST('/clients/{client}/restore', { params: { path: { client: id } }, body: { version } })),
    onSettled: () => {
      void queries.invalidateQueries({ queryKey: ['archive'] });
      void queries.invalidateQueries({ queryKey: ['clients'] });
    },
  });
  if (archive.isPending) return <Waiting what="the archive" />;
  if (archive.isError) return <Notice title={archive.error.message} />;
  return (
    <div className="mx-auto max-w-3xl p-4">
      <h1 className="mb-3 text-2xl font-bold">Archive</h1>
      {restore.isError && <Notice title={restore.error.message} />}
      {archive.data.clients.length === 0 && (
        <p>
          Nobody is put away.{' '}
          <Link to="/clients" className="underline">
            Back to the clients
          </Link>
        </p>
      )}
      <ul className="space-y-2">
        {archive.data.clients.map((client) => (
          <li key={client.id} className="flex items-center rounded-lg border border-line bg-card px-4 py-2">
            <span className="text-lg font-bold">{client.name}</span>
            <Button
              className="ml-auto"
              disabled={restore.isPending}
              onClick={() => {
                restore.mutate(client);
              }}
            >
              Take back
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}
