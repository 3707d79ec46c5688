import { useMutation } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { kindNames } from '../../lib/words';
import { useReadySessions } from '../../parts/ready/useReadySessions';
import { Button } from '../../ui/Button';
import { received, type Session } from './session';

/** Asks for a ready session at the rungs of a client, or for anyone. */
export function useReady(client: string | undefined, day: Session['day'], onReady: (session: Session) => void) {
  return useMutation({
    mutationFn: (ready: string) =>
      answer(
        api.GET('/ready/{ready}', {
          params: { path: { ready }, query: { day, ...(client === undefined ? {} : { client }) } },
        }),
      ),
    onSuccess: (made) => {
      onReady(received(made.session));
    },
  });
}

/** Patterns that are filled with the client's own rungs; each keeps its kind. */
export function ReadySessions({
  client,
  day,
  onReady,
}: {
  client: string | undefined;
  day: Session['day'];
  onReady: (session: Session) => void;
}) {
  const all = useReadySessions();
  const use = useReady(client, day, onReady);
  return (
    <section aria-label="Ready sessions">
      <h2 className="text-lg font-bold">Ready sessions</h2>
      <ul className={all.data === undefined ? 'min-h-160' : ''}>
        {all.data?.ready.map((each) => (
          <li key={each.id} className="flex items-start gap-2 border-t border-line py-1.5">
            <span className="min-w-0 flex-1 leading-tight">
              <b>{each.name}</b>{' '}
              <span className="text-faint">
                {each.minutes} min, {kindNames[each.kind]?.toLowerCase()}
              </span>
              <span className="block text-sm">{each.text}</span>
            </span>
            <Button
              aria-label={`Use ${each.name}`}
              disabled={use.isPending}
              onClick={() => {
                use.mutate(each.id);
              }}
            >
              Use
            </Button>
          </li>
        ))}
      </ul>
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {all.error?.message ?? use.error?.message}
      </p>
    </section>
  );
}
