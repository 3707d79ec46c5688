import { useMutation } from '@tanstack/react-query';
import { answer, api, type Schemas } from '../../api/client';
import { received, sent, type Session } from './session';

type Sent = Schemas['AuditWholeRequest']['program'];

export interface Fitted {
  session: Session;
  changes: Schemas['FitChange'][];
}

/** A session on the rungs of one client, with every change. */
export function useFitSession(client: string, onFitted: (fitted: Fitted) => void) {
  return useMutation({
    mutationFn: async (session: Session): Promise<Fitted> => {
      const program = { format: 'even-rungs/program', version: 1, weeks: [{ week: 1, sessions: [sent(session)] }] };
      const made = await answer(api.POST('/audit/fit', { body: { program: program as unknown as Sent, client } }));
      const weeks = (made.program as unknown as { weeks: { sessions: Schemas['BuiltSession']['session'][] }[] }).weeks;
      const fitted = weeks[0]?.sessions[0];
      if (fitted === undefined) throw new Error('Nothing of it is open to the client.');
      return { session: { ...received(fitted), day: session.day }, changes: made.changes ?? [] };
    },
    onSuccess: onFitted,
  });
}
