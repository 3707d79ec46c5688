import { useMutation, useQueryClient } from '@tanstack/react-query';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api, type Schemas } from '../../api/client';
import { choose, useReading } from '../../lib/reading';
import { useMay } from '../../lib/session';
import { cueKinds, isOn, turn } from '../../parts/run/cues';
import { SelectField, Tick } from '../../ui/Field';

/** How things are shown and heard: doses for whoever is signed in, the rest on this device. */
export function Shown({ me }: { me: Schemas['Me'] }) {
  const queries = useQueryClient();
  const isOwner = useMay('owner');
  const letters = useReading('letters');
  const motion = useReading('motion');
  const [cues, setCues] = useState(() => Object.fromEntries(cueKinds.map(([kind]) => [kind, isOn(kind)])));
  const doses = useMutation({
    mutationFn: (as: Schemas['Doses']) => answer(api.POST('/me/doses', { body: { doses: as } })),
    onSuccess: (now) => {
      // everything that was read says doses the other way
      queries.clear();
      queries.setQueryData(['me'], now);
    },
  });
  return (
    <section aria-label="How things are shown" className="rounded-lg border border-line bg-card p-4 md:col-span-2">
      <h2 className="text-lg font-bold">How things are shown</h2>
      <div className="mt-2 grid gap-3 sm:grid-cols-3">
        <SelectField
          label="Doses"
          hint="For you, on every device. Both are read wherever a dose is typed."
          value={me.doses}
          options={[
            ['words', '2 sets of 8 reps on each side, rest 0:20'],
            ['shorthand', '2 × 8 /s r0:20'],
          ]}
          onChange={(as) => {
            doses.mutate(as as Schemas['Doses']);
          }}
        />
        <SelectField
          label="Letters"
          hint="On this device."
          value={letters}
          options={[
            ['usual', 'Usual size'],
            ['larger', 'Larger'],
            ['largest', 'Largest'],
          ]}
          onChange={(as) => {
            choose('letters', as);
          }}
        />
        <SelectField
          label="Moving figures"
          hint="On this device."
          value={motion}
          options={[
            ['device', 'As the device is set'],
            ['less', 'Still until asked'],
          ]}
          onChange={(as) => {
            choose('motion', as);
          }}
        />
      </div>
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {doses.error?.message}
      </p>
      <fieldset className="mt-3">
        <legend className="font-semibold">On the floor, on this device</legend>
        <div className="flex flex-wrap gap-x-5">
          {cueKinds.map(([kind, label]) => (
            <Tick
              key={kind}
              label={label}
              checked={cues[kind] === true}
              onChange={(on) => {
                turn(kind, on);
                setCues({ ...cues, [kind]: on });
              }}
            />
          ))}
        </div>
      </fieldset>
      {isOwner && (
        <p className="mt-2 text-faint">
          Units, dates, times and the first day of the week are the studio’s:{' '}
          <Link to="/studio" className="underline underline-offset-4">
            Studio
          </Link>
        </p>
      )}
    </section>
  );
}
