import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { answer, api, type Schemas } from '../../api/client';
import { useMe } from '../../lib/session';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { Waiting } from '../../ui/Notice';
import { fieldError } from '../../lib/fieldError';
import { HappenedList } from '../../parts/happened/HappenedList';
import { Bands } from './Bands';
import { EmergencySteps } from './EmergencySteps';
import { Kit } from './Kit';
import { People } from './People';
import { StudioCalendar } from './StudioCalendar';
import { SettingsFields } from '../../parts/settings/SettingsFields';

/** What an owner decides for the whole studio: how it writes, who works there, and what happened. */
export function StudioPage() {
  const me = useMe();
  if (me.data === undefined) return <Waiting what="the studio" />;
  return (
    <div className="mx-auto grid max-w-6xl grid-cols-[minmax(0,1fr)] gap-6 p-4 lg:grid-cols-[minmax(0,6fr)_minmax(0,5fr)]">
      <h1 className="text-2xl font-bold lg:col-span-2">{me.data.studio}</h1>
      <div className="max-lg:order-1">
        <People mine={me.data.id} />
      </div>
      <div className="space-y-6">
        <Settings me={me.data} />
        <Bands bands={me.data.bands} />
        <Kit kit={me.data.kit} />
        <EmergencySteps steps={me.data.emergency_steps} />
        <StudioCalendar />
        <Logs />
        <TakeOut />
      </div>
      <div className="max-lg:order-2 lg:col-span-2">
        <HappenedList />
      </div>
    </div>
  );
}

/** The logs of everybody as tables. */
function Logs() {
  return (
    <section aria-label="Logs" className="space-y-2 rounded-lg border border-line bg-card p-4">
      <h2 className="text-lg font-bold">Logs of everybody</h2>
      <p className="text-faint">A table a client in one archive, as a spreadsheet reads them.</p>
      <a
        href="/api/logs.zip"
        download
        className="inline-flex min-h-10 items-center rounded-md border border-line bg-card px-3 text-[0.9375rem] font-semibold hover:border-ink"
      >
        Save the logs
      </a>
    </section>
  );
}

function TakeOut() {
  return (
    <section aria-label="Everything as a file" className="space-y-2 rounded-lg border border-line bg-card p-4">
      <h2 className="text-lg font-bold">The studio as a file</h2>
      <p className="text-faint">
        Clients, logs, own ladders, styles, words and templates as one file. Passwords stay behind. The nightly backup
        needs no hand; this is for moving, and for reading elsewhere.
      </p>
      <a
        href="/api/take-out"
        download
        className="inline-flex min-h-10 items-center rounded-md border border-line bg-card px-3 font-semibold hover:border-ink"
      >
        Save everything
      </a>
    </section>
  );
}

function Settings({ me }: { me: Schemas['Me'] }) {
  const [name, setName] = useState(me.studio);
  const [settings, setSettings] = useState(me.settings);
  const queries = useQueryClient();
  const save = useMutation({
    mutationFn: () => answer(api.POST('/studio', { body: { name, settings } })),
    onSuccess: async (saved) => {
      queries.setQueryData(['me'], saved);
      await queries.invalidateQueries();
    },
  });
  return (
    <form
      className="space-y-3 rounded-lg border border-line bg-card p-4"
      onSubmit={(event) => {
        event.preventDefault();
        save.mutate();
      }}
    >
      <h2 className="text-lg font-bold">How the studio writes</h2>
      <TextField
        label="Name of the studio"
        name="studio"
        required
        value={name}
        onChange={setName}
        error={fieldError(save.error, '/name')}
      />
      <SettingsFields
        settings={settings}
        onChange={setSettings}
        zoneError={fieldError(save.error, '/settings/time_zone')}
      />
      <p role="status" className="font-semibold empty:hidden">
        {save.isSuccess ? 'Kept.' : ''}
      </p>
      <Button look="act" type="submit" disabled={save.isPending}>
        Keep these settings
      </Button>
    </form>
  );
}
