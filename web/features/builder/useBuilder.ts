import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { useKept } from '../../lib/useKept';
import { received, sent, type Session } from './session';

export type BuiltSession = Schemas['BuiltSession'];
export type BuilderChange = NonNullable<Schemas['SessionPreviewRequest']['change']>;

const mostSteps = 60;

/** A session being built: every step can be undone and redone, and the honest numbers follow each. */
export function useBuilder(start: Session, client: string | null, name: string) {
  const queries = useQueryClient();
  const [{ steps, at }, keep, drop] = useKept(`build:${name}`, { steps: [start], at: 0 }, JSON.stringify(start));
  const session = steps[at] ?? start;
  const key = (of: Session) => ['built', client, of];
  const whose = client === null ? {} : { client };

  const built = useQuery({
    queryKey: key(session),
    queryFn: () => answer(api.POST('/sessions/preview', { body: { session: sent(session), ...whose } })),
    placeholderData: (before) => before,
    staleTime: Infinity,
    retry: false,
  });

  function set(next: Session) {
    const kept = [...steps.slice(0, at + 1), next].slice(-mostSteps);
    keep({ steps: kept, at: kept.length - 1 });
  }

  /** A change that needs the rules of the job; the answer is the session as it became. */
  const change = useMutation({
    mutationFn: (what: BuilderChange) =>
      answer(
        api.POST('/sessions/preview', {
          body: { session: sent(session), change: what, ...whose },
        }),
      ),
    onSuccess: (made) => {
      queries.setQueryData(key(received(made.session)), made);
      set(received(made.session));
    },
  });

  return {
    session,
    built,
    set,
    change,
    isChanged: at > 0,
    /** Throws away what is kept on the device. */
    drop,
    undo:
      at > 0
        ? () => {
            keep({ steps, at: at - 1 });
          }
        : null,
    redo:
      at < steps.length - 1
        ? () => {
            keep({ steps, at: at + 1 });
          }
        : null,
  };
}
