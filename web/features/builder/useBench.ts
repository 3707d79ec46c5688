import { useMutation, useQuery, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { received, sent, type Session } from './session';

export type Bench = Schemas['Bench'];
export type BenchChange = NonNullable<Schemas['SessionPreviewRequest']['change']>;

const mostSteps = 200;

/** A session being built: every step can be undone and redone, and the honest numbers follow each. */
export function useBench(start: Session, client: string | null) {
  const queries = useQueryClient();
  const [steps, setSteps] = useState<Session[]>([start]);
  const [at, setAt] = useState(0);
  const session = steps[at] ?? start;
  const key = (of: Session) => ['bench', client, of];
  const whose = client === null ? {} : { client };

  const bench = useQuery({
    queryKey: key(session),
    queryFn: () => answer(api.POST('/sessions/preview', { body: { session: sent(session), ...whose } })),
    placeholderData: (before) => before,
    staleTime: Infinity,
    retry: false,
  });

  function set(next: Session) {
    const kept = [...steps.slice(0, at + 1), next].slice(-mostSteps);
    setSteps(kept);
    setAt(kept.length - 1);
  }

  /** A change that needs the rules of the job; the answer is the session as it became. */
  const change = useMutation({
    mutationFn: (what: BenchChange) =>
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
    bench,
    set,
    change,
    isChanged: at > 0,
    undo:
      at > 0
        ? () => {
            setAt(at - 1);
          }
        : null,
    redo:
      at < steps.length - 1
        ? () => {
            setAt(at + 1);
          }
        : null,
  };
}
