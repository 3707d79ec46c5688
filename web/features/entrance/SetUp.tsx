import { useMutation } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api } from '../../api/client';
import { LinesField, TextField } from '../../ui/Field';
import { Waiting } from '../../ui/Notice';
import { localSettings, SettingsFields } from '../../parts/settings/SettingsFields';
import { Entrance } from './Entrance';
import { fieldError } from '../../lib/fieldError';
import { BadLink, NewPasswordField } from './Join';
import { useEnter, useLink } from './useLink';

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
  const enter = useEnter();
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
    onSuccess: enter,
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
      <LinesField
        label="When something is wrong"
        hint="one step a line, with your own numbers and names; local rules come first"
        name="emergency"
        rows={7}
        value={steps}
        onChange={setSteps}
      />
    </Entrance>
  );
}
