import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { TextField } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { Entrance } from './Entrance';
import { fieldError } from '../../lib/fieldError';
import { useEnter, useLink } from './useLink';

const roles = {
  owner: 'as an owner: everything, with every client and everybody who works there.',
  trainer: 'as a trainer: everything with the clients that are yours.',
  reader: 'as a reader: you see the clients that are shared with you and record clearances.',
} as const;

/** Joins the studio with an invitation. */
export function Join() {
  const { token, purpose } = useLink();
  const [typed, setName] = useState<string | null>(null);
  const [password, setPassword] = useState('');
  const enter = useEnter();
  const name = typed ?? purpose.data?.name ?? '';
  const join = useMutation({
    mutationFn: () => answer(api.POST('/links/join', { body: { token, name, password } })),
    onSuccess: enter,
  });
  if (purpose.isPending) return <Waiting what="the invitation" />;
  if (purpose.isError) return <BadLink error={purpose.error} />;
  return (
    <Entrance
      title="Join the studio"
      beside={
        <>
          <p>
            <b>{purpose.data.studio}</b> invites you {roles[purpose.data.role ?? 'trainer']}
          </p>
          <p className="text-base">You will sign in with {purpose.data.email}.</p>
        </>
      }
      action={['Join', 'Joining …']}
      busy={join.isPending}
      error={join.error}
      known={['/name', '/password']}
      onSubmit={() => {
        join.mutate();
      }}
    >
      <TextField
        label="Your name"
        name="name"
        autoComplete="name"
        required
        value={name}
        onChange={setName}
        error={fieldError(join.error, '/name')}
      />
      <NewPasswordField value={password} onChange={setPassword} error={fieldError(join.error, '/password')} />
    </Entrance>
  );
}

export function NewPasswordField({
  value,
  onChange,
  error,
}: {
  value: string;
  onChange: (value: string) => void;
  error: string | undefined;
}) {
  return (
    <TextField
      label="Password"
      unit="12 characters or more"
      type="password"
      name="password"
      autoComplete="new-password"
      required
      value={value}
      onChange={onChange}
      error={error}
    />
  );
}

/** A link that does not work, and why. */
export function BadLink({ error }: { error: Error }) {
  return (
    <main className="mx-auto max-w-xl p-6">
      <Notice title={error.message} />
      <p className="mt-4">
        <a href="/sign-in" className="font-semibold underline underline-offset-4">
          To the sign-in
        </a>
      </p>
    </main>
  );
}
