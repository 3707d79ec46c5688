import { weekDays } from '../../lib/dates';
import { useId, type ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { unitOf } from '../../lib/units';
import { dayNames, trainingNames } from '../../lib/words';
import { AmountInput } from '../../ui/AmountInput';
import { Code } from '../../ui/Code';
import { FieldError, SelectField, TextField, Tick, toggled } from '../../ui/Field';
import { FlagTicks } from '../../parts/screen/FlagTicks';
import { LimitTicks } from '../../parts/screen/LimitTicks';
import {
  abilities,
  limitOf,
  trainings,
  typedNumber,
  withField,
  type ClientDocument,
} from '../../parts/client/document';

interface Props {
  document: ClientDocument;
  onChange: (document: ClientDocument) => void;
  library: Schemas['LibraryAnswer'];
  errors: Schemas['Problem']['errors'];
}

const levels = [
  ['', 'not tested'],
  ...Array.from({ length: 10 }, (_, i) => [`${i + 1}`, `${i + 1}`] as const),
] as const;

function Section({ title, hint, children }: { title: string; hint?: string; children: ReactNode }) {
  return (
    <fieldset className="mt-4 rounded-lg border border-line bg-card p-4">
      <legend className="px-1 text-lg font-bold">{title}</legend>
      {hint !== undefined && <p className="mb-2 text-faint">{hint}</p>}
      {children}
    </fieldset>
  );
}

/** The client document as a form; every entry goes straight into the document. */
export function Sections({ document, onChange, library, errors }: Props) {
  const set = <K extends keyof ClientDocument>(key: K, value: ClientDocument[K] | undefined) => {
    onChange(withField(document, key, value));
  };
  const at = (path: string) => errors.find((each) => each.path === `/document/${path}`)?.message;
  const massError = useId();
  const limits = (document.limits ?? []).map(limitOf);
  const flags = document.screen?.flags;
  const equipment = document.equipment ?? [];
  const other = document.other_training ?? [];
  const home = document.home;

  return (
    <>
      <Section title="Who">
        <div className="grid gap-3 sm:grid-cols-3">
          <TextField
            label="Name"
            required
            value={document.name}
            error={at('name')}
            onChange={(value) => {
              set('name', value);
            }}
          />
          <SelectField
            label="Goal"
            value={document.goal ?? 'general'}
            error={at('goal')}
            options={library.goals.map((goal) => [goal.id, goal.name] as const)}
            onChange={(value) => {
              set('goal', value as NonNullable<ClientDocument['goal']>);
            }}
          />
          <SelectField
            label="Training age"
            value={document.trained ?? ''}
            error={at('trained')}
            options={[
              ['', 'not asked'],
              ['new', 'new to training'],
              ['some', 'some experience'],
              ['long', 'long experience'],
            ]}
            onChange={(value) => {
              set('trained', value === '' ? undefined : (value as NonNullable<ClientDocument['trained']>));
            }}
          />
          <TextField
            label="Born"
            unit="year"
            type="text"
            value={`${document.born ?? ''}`}
            error={at('born')}
            onChange={(value) => {
              set('born', typedNumber(value));
            }}
          />
          <SelectField
            label="Compare tests with norms of"
            value={document.norm_group ?? 'none'}
            error={at('norm_group')}
            options={[
              ['none', 'both, no comparison'],
              ['women', 'women'],
              ['men', 'men'],
            ]}
            onChange={(value) => {
              set('norm_group', value as NonNullable<ClientDocument['norm_group']>);
            }}
          />
          <label className="block font-semibold">
            Body mass <span className="font-normal text-faint">({unitOf('kg')})</span>
            <AmountInput
              unit="kg"
              aria-invalid={at('mass_kg') !== undefined}
              aria-describedby={massError}
              className="mt-0.5 block w-full font-normal"
              value={document.mass_kg}
              onChange={(mass) => {
                set('mass_kg', mass);
              }}
            />
            <FieldError id={massError} error={at('mass_kg')} />
          </label>
        </div>
      </Section>

      <Section title="Screen" hint="Unasked is not “no”: nothing is planned before these were asked.">
        <Tick
          label={<b>I asked about all of these</b>}
          checked={flags !== undefined}
          onChange={(asked) => {
            const screen = document.screen ?? {};
            set('screen', asked ? { ...screen, flags: [] } : withField(screen, 'flags', undefined));
          }}
        />
        {flags !== undefined && (
          <FlagTicks
            all={library.flags}
            flags={flags}
            onChange={(next) => {
              set('screen', { ...document.screen, flags: next });
            }}
          />
        )}
      </Section>

      <Section
        title="Limits"
        hint="What is sore or must not be loaded. Mild bars high stress, moderate real stress, severe any stress."
      >
        <LimitTicks
          rules={library.library.limits}
          limits={limits}
          onChange={(next) => {
            set('limits', next);
          }}
        />
        <p className="mt-2 text-faint">
          Clearances are recorded on the client’s Screen page: who gave it, when, for what.
        </p>
      </Section>

      <Section title="Kit to hand">
        <div className="grid grid-cols-2 gap-x-6 sm:grid-cols-4">
          {library.library.equipment.map((kit) => (
            <Tick
              key={kit.id}
              label={kit.name}
              checked={equipment.includes(kit.id as (typeof equipment)[number])}
              onChange={(on) => {
                set('equipment', toggled(equipment, kit.id as (typeof equipment)[number], on));
              }}
            />
          ))}
        </div>
      </Section>

      <Section title="Days" hint="Minutes for core work, and what else the client does. Empty: no session that day.">
        <div className="space-y-2">
          {weekDays().map((day) => (
            <div key={day} className="flex flex-wrap items-end gap-x-5 gap-y-1 border-b border-line pb-2 last:border-0">
              <TextField
                className="w-36"
                label={dayNames[day] ?? day}
                unit="min"
                value={`${document.days?.[day] ?? ''}`}
                error={at(`days/${day}`)}
                onChange={(value) => {
                  set('days', withField(document.days ?? {}, day, typedNumber(value)));
                }}
              />
              {trainings.map((type) => (
                <Tick
                  key={type}
                  label={trainingNames[type]}
                  checked={other.some((each) => each.day === day && each.type === type)}
                  onChange={(on) => {
                    const rest = other.filter((each) => each.day !== day || each.type !== type);
                    set('other_training', on ? [...rest, { day, type }] : rest);
                  }}
                />
              ))}
            </div>
          ))}
        </div>
      </Section>

      <Section
        title="At home"
        hint="On these days the client trains alone: only moves that are already clean, with the kit that is there."
      >
        <div className="flex flex-wrap gap-x-5">
          {weekDays().map((day) => (
            <Tick
              key={day}
              label={`${dayNames[day] ?? day} at home`}
              checked={home?.days.includes(day) === true}
              onChange={(on) => {
                const kept = home ?? { days: [], equipment: [] };
                const next = { ...kept, days: toggled(kept.days, day, on) };
                set('home', next.days.length === 0 ? undefined : next);
              }}
            />
          ))}
        </div>
        {home !== undefined && (
          <div className="mt-2 grid grid-cols-2 gap-x-6 border-t border-line pt-2 sm:grid-cols-4">
            {library.library.equipment.map((kit) => {
              const id = kit.id as (typeof home.equipment)[number];
              return (
                <Tick
                  key={kit.id}
                  label={`${kit.name} at home`}
                  checked={home.equipment.includes(id)}
                  onChange={(on) => {
                    set('home', { ...home, equipment: toggled(home.equipment, id, on) });
                  }}
                />
              );
            })}
          </div>
        )}
      </Section>

      <Section
        title="Ability"
        hint="Level 1 to 10 for each direction: 1–2 early rehab, 3–4 beginner, 5–6 intermediate, 7–8 advanced, 9–10 athlete."
      >
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-3">
          {abilities.map((code) => (
            <SelectField
              key={code}
              label={
                <>
                  <Code code={code} /> {library.categories.find((each) => each.code === code)?.name}
                </>
              }
              value={`${document.ability?.[code] ?? ''}`}
              error={at(`ability/${code}`)}
              options={levels}
              onChange={(value) => {
                const ability = withField(document.ability ?? {}, code, typedNumber(value));
                set('ability', Object.keys(ability).length === 0 ? undefined : ability);
              }}
            />
          ))}
        </div>
      </Section>
    </>
  );
}
