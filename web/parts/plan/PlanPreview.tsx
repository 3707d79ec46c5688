import { useQuery } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { Notice, Waiting } from '../../ui/Notice';
import type { Board } from '../board/useBoard';
import { WeekInShort } from '../week/WeekInShort';

/** The present week beside the first of a program planned anew. */
export default function Preview({ board }: { board: Board }) {
  const preview = useQuery({
    queryKey: ['plan', board.id, board.version],
    queryFn: () => answer(api.GET('/clients/{client}/plan', { params: { path: { client: board.id } } })),
  });
  if (preview.isError) return <Notice title={preview.error.message} />;
  if (preview.data === undefined) return <Waiting what="the weeks" />;
  const { now, then, weeks, stays } = preview.data;
  return (
    <>
      <p className="mb-2 text-faint">
        {weeks === 1 ? 'One week' : `${weeks} weeks`} from today. What is new in the first is in bold.
      </p>
      {stays.length > 0 && (
        <p className="mb-2">
          <b>Stays:</b> {stays.join('; ')}.
        </p>
      )}
      <div className="grid gap-4 md:grid-cols-2">
        <WeekInShort title="The present week" under="" week={now} other={null} />
        <WeekInShort title="Planned anew" under="" week={then} other={now} />
      </div>
    </>
  );
}
