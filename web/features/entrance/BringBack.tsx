import { useMutation } from '@tanstack/react-query';
import { answer, api } from '../../api/client';
import { Entrance } from './Entrance';

/** Where a client's own page leads to bring back what was done; nobody is signed in for it. */
export function BringBack() {
  const code = window.location.hash.slice(1);
  const send = useMutation({
    mutationFn: () => answer(api.POST('/own/returns', { body: { code } })),
  });
  return (
    <Entrance
      title="Bring it back"
      beside={<p>What you did at home goes into the studio’s log, and nobody else’s page is shown here.</p>}
      action={['Send it to the studio', 'Sending …']}
      busy={send.isPending || send.isSuccess || code === ''}
      error={send.error}
      onSubmit={() => {
        send.mutate();
      }}
    >
      <p role="status" className="text-lg font-semibold empty:hidden">
        {send.data?.words}
      </p>
      {code === '' && <p>There is nothing in this address. Open the link on your own page again.</p>}
    </Entrance>
  );
}
