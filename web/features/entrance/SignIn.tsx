import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { answer, api } from '../../api/client';
import { TextField } from '../../ui/Field';
import { beginCopies } from '../../parts/run/copies';
import { Entrance } from './Entrance';
import { fieldError } from '../../lib/fieldError';

export function SignIn() {
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [code, setCode] = useState('');
  const queries = useQueryClient();
  const navigate = useNavigate();
  const state = useLocation().state as { from?: string; said?: string } | null;
  const signIn = useMutation({
    mutationFn: () => answer(api.POST('/sign-in', { body: { email, password, ...(code === '' ? {} : { code }) } })),
    onSuccess: async (me) => {
      await beginCopies(me.id);
      queries.setQueryData(['me'], me);
      await navigate(state?.from ?? '/clients', { replace: true });
    },
  });
  const codeError = fieldError(signIn.error, '/code');
  const asksForCode = code !== '' || codeError !== undefined;

  return (
    <Entrance
      title="Sign in"
      beside={
        <p>Core programs on ladders: the rung each client does well today, an honest week, every direction even.</p>
      }
      action={['Sign in', 'Signing in …']}
      busy={signIn.isPending}
      error={signIn.error}
      known={['/code']}
      onSubmit={() => {
        signIn.mutate();
      }}
    >
      {state?.said !== undefined && <p role="status">{state.said}</p>}
      <TextField
        label="Email"
        type="email"
        name="email"
        autoComplete="username"
        required
        value={email}
        onChange={setEmail}
      />
      <TextField
        label="Password"
        type="password"
        name="password"
        autoComplete="current-password"
        required
        value={password}
        onChange={setPassword}
      />
      {asksForCode && (
        <TextField
          label="Code"
          unit="of your authenticator, or a recovery code"
          name="code"
          autoComplete="one-time-code"
          value={code}
          onChange={setCode}
          error={codeError}
        />
      )}
    </Entrance>
  );
}
