import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { useNavigate } from 'react-router';
import { answer, api } from '../../api/client';
import { TextField } from '../../ui/Field';
import { Waiting } from '../../ui/Notice';
import { localSettings, SettingsFields } from '../studio/SettingsFields';
import { Entrance, fieldError } from './Entrance';
import { BadLink, NewPasswordField } from './Join';
import { useLink } from './useLink';

const known = ['/studio', '/name', '/email', '/password', '/settings/time_zone'];

/** The first run: the studio and its owner. */
export function SetUp() {
  const { token, purpose } = useLink();
  const [studio, setStudio] = useState('');
  const [name, setName] = useState('');
  const [email, setEmail] = useState('');
  const [password, setPassword] = useState('');
  const [settings, setSettings] = useState(localSettings);
  const [typedSteps, setSteps] = useState<string | null>(null);
  const queries = useQueryClient();
  const navigate = useNavigate();
  const steps = typedSteps ?? purpose.data?.emergency_steps?.join('\n') ?? '';
  const setUp = useMutation({
    mutationFn: () =>
      answer(
        api.POST('/links/set-up', {
          body: {
            token,
            studio,
            name,
            email,
            password,
            settings,
            // the usual ones go on to be the usual ones
            emergency_steps: typedSteps === null ? [] : typedSteps.split('\n'),
          },
        }),
      ),
    onSuccess: async (me) => {
      queries.clear();
      queries.setQueryData(['me'], me);
      await navigate('/clients', { replace: true });
    },
  });
  if (purpose.isPending) return <Waiting what="the link" />;
  if (purpose.isError) return <BadLink error={purpose.error} />;
  const at = (path: string) => fieldError(setUp.error, path);
  return (
    <Entrance
      title="Set up your studio"
      beside={
        <>
          <p>Your clients, programs and logs stay on this machine. Nothing is sent anywhere.</p>
          <p className="text-base">Whoever fills this in owns the studio, and can invite trainers and clinicians.</p>
        </>
      }
      action={['Set up the studio', 'Setting up …']}
      busy={setUp.isPending}
      error={setUp.error}
      known={known}
      onSubmit={() => {
        setUp.mutate();
      }}
    >
      <TextField label="Studio" name="studio" required value={studio} onChange={setStudio} error={at('/studio')} />
      <TextField
        label="Your name"
        name="name"
        autoComplete="name"
        required
        value={name}
        onChange={setName}
        error={at('/name')}
      />
      <TextField
        label="Email"
        unit="to sign in with; nothing is sent there"
        type="email"
        name="email"
        autoComplete="username"
        required
        value={email}
        onChange={setEmail}
        error={at('/email')}
      />
      <NewPasswordField value={password} onChange={setPassword} error={at('/password')} />
      <SettingsFields settings={settings} onChange={setSettings} zoneError={at('/settings/time_zone')} />
      <label className="block font-semibold">
        When something is wrong{' '}
        <span className="font-normal text-faint">
          one step a line, with your own numbers and names; local rules come first
        </span>
        <textarea
          name="emergency"
          rows={7}
          className="mt-1 block w-full rounded-md border border-wood bg-card px-2 py-1.5 text-base font-normal"
          value={steps}
          onChange={(event) => {
            setSteps(event.target.value);
          }}
        />
      </label>
    </Entrance>
  );
}
