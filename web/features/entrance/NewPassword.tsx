import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api } from '../../api/client';
import { Waiting } from '../../ui/Notice';
import { Entrance } from './Entrance';
import { fieldError } from '../../lib/fieldError';
import { BadLink, NewPasswordField } from './Join';
import { useLink } from './useLink';

/** Chooses a new password with a one-time link. */
export function NewPassword() {
  const { token, purpose } = useLink();
  const [password, setPassword] = useState('');
  const queries = useQueryClient();
  const navigate = useNavigate();
  const choose = useMutation({
    mutationFn: () => answer(api.POST('/links/password', { body: { token, password } })),
    onSuccess: async () => {
      queries.clear();
      await navigate('/sign-in', { replace: true, state: { said: 'Your new password is kept. Sign in with it.' } });
    },
  });
  if (purpose.isPending) return <Waiting what="the link" />;
  if (purpose.isError) return <BadLink error={purpose.error} />;
  return (
    <Entrance
      title="Choose a new password"
      beside={
        <p>
          {purpose.data.name}, {purpose.data.email}, at {purpose.data.studio}. Every session that is open now ends.
        </p>
      }
      action={['Keep this password', 'Keeping …']}
      busy={choose.isPending}
      error={choose.error}
      known={['/password']}
      onSubmit={() => {
        choose.mutate();
      }}
    >
      <NewPasswordField value={password} onChange={setPassword} error={fieldError(choose.error, '/password')} />
    </Entrance>
  );
}
