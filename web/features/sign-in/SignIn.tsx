import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useId, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import { answer, api } from '../../api/client';
import { Mark } from '../../app/Mark';
import { useTheme } from '../../app/theme';
import { Button } from '../../ui/Button';

const field = 'mt-1 block w-full rounded-md border border-wood bg-card px-3 py-2 text-lg';

export function SignIn() {
  useTheme();
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const queries = useQueryClient();
  const navigate = useNavigate();
  const state = useLocation().state as { from?: string } | null;
  const errorId = useId();
  const signIn = useMutation({
    mutationFn: () => answer(api.POST('/sign-in', { body: { email, password } })),
    onSuccess: async (me) => {
      queries.setQueryData(['me'], me);
      await navigate(state?.from ?? '/clients', { replace: true });
    },
  });

  return (
    <main className="mx-auto grid min-h-screen max-w-4xl items-center gap-10 p-6 md:grid-cols-2">
      <div>
        <p className="flex items-center gap-3 text-4xl font-bold">
          <Mark size={52} /> Even Rungs
        </p>
        <p className="mt-4 text-xl">
          Core programs on ladders: the rung each client does well today, an honest week, every direction even.
        </p>
      </div>
      <form
        className="rounded-lg border border-line bg-card p-6"
        onSubmit={(event) => {
          event.preventDefault();
          signIn.mutate();
        }}
      >
        <h1 className="text-2xl font-bold">Sign in</h1>
        <label className="mt-4 block font-semibold">
          Email
          <input
            className={field}
            type="email"
            name="email"
            autoComplete="username"
            required
            value={email}
            aria-invalid={signIn.isError}
            aria-describedby={signIn.isError ? errorId : undefined}
            onChange={(event) => {
              setEmail(event.target.value);
            }}
          />
        </label>
        <label className="mt-4 block font-semibold">
          Password
          <input
            className={field}
            type="password"
            name="password"
            autoComplete="current-password"
            required
            value={password}
            onChange={(event) => {
              setPassword(event.target.value);
            }}
          />
        </label>
        <p id={errorId} role="alert" className="mt-3 min-h-6 font-semibold text-warn">
          {signIn.error?.message}
        </p>
        <Button look="act" type="submit" disabled={signIn.isPending} className="w-full">
          {signIn.isPending ? 'Signing in …' : 'Sign in'}
        </Button>
      </form>
    </main>
  );
}
