import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api, ApiError } from '../../api/client';
import { useMe } from '../../lib/session';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { SecondFactor } from './SecondFactor';
import { Shown } from './Shown';

/** The trainer's own account: how things are shown to them, password, and signing out everywhere. */
export function Account() {
  const me = useMe();
  const [current, setCurrent] = useState('');
  const [password, setPassword] = useState('');
  const queries = useQueryClient();
  const navigate = useNavigate();
  const change = useMutation({
    mutationFn: () => answer(api.POST('/password', { body: { current, password } })),
    onSuccess: () => {
      setCurrent('');
      setPassword('');
    },
  });
  const everywhere = useMutation({
    mutationFn: () => answer(api.POST('/sign-out-everywhere')),
    onSuccess: async () => {
      queries.clear();
      await navigate('/sign-in');
    },
  });
  const errors = change.error instanceof ApiError ? change.error.problem.errors : [];
  const at = (path: string) => errors.find((each) => each.path === path)?.message;

  return (
    <div className="mx-auto grid max-w-3xl gap-6 p-4 md:grid-cols-2">
      <div className="md:col-span-2">
        <h1 className="text-2xl font-bold">Account</h1>
        <p className="text-faint">
          {me.data?.name}, {me.data?.email}, {me.data?.studio}
        </p>
      </div>
      <form
        className="space-y-3 rounded-lg border border-line bg-card p-4"
        onSubmit={(event) => {
          event.preventDefault();
          change.mutate();
        }}
      >
        <h2 className="text-lg font-bold">Change the password</h2>
        <TextField
          label="Password now"
          type="password"
          autoComplete="current-password"
          value={current}
          onChange={setCurrent}
          error={at('/current')}
        />
        <TextField
          label="New password"
          unit="12 characters or more"
          type="password"
          autoComplete="new-password"
          value={password}
          onChange={setPassword}
          error={at('/password')}
        />
        <p role="status" className="font-semibold">
          {change.isSuccess && 'Changed. Every other session was signed out.'}
        </p>
        {change.isError && errors.length === 0 && <p className="text-warn">{change.error.message}</p>}
        <Button look="act" type="submit" disabled={change.isPending}>
          Change
        </Button>
      </form>
      <section className="rounded-lg border border-line bg-card p-4">
        <h2 className="text-lg font-bold">Sign out everywhere</h2>
        <p className="my-2">Ends this session and every other one, for example on a tablet left in the gym.</p>
        {everywhere.isError && <p className="text-warn">{everywhere.error.message}</p>}
        <Button
          disabled={everywhere.isPending}
          onClick={() => {
            everywhere.mutate();
          }}
        >
          Sign out everywhere
        </Button>
      </section>
      {me.data !== undefined && <Shown me={me.data} />}
      {me.data !== undefined && <SecondFactor me={me.data} />}
    </div>
  );
}
