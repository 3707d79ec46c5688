import type { ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { dayNames, trainingNames, urgencyNames } from '../../app/words';
import { Code } from '../../ui/Code';
import { SelectField, TextField, Tick } from '../../ui/Field';
import {
  abilities,
  days,
  limitOf,
  severities,
  trainings,
  typedNumber,
  withField,
  type ClientDocument,
} from './document';

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

function toggled<T>(list: readonly T[], item: T, on: boolean): T[] {
  return on ? [...list.filter((each) => each !== item), item] : list.filter((each) => each !== item);
}

/** The client document as a form; every entry goes straight into the document. */
export function Sections({ document, onChange, library, errors }: Props) {
  const set = <K extends keyof ClientDocument>(key: K, value: ClientDocument[K] | undefined) => {
    onChange(withField(document, key, value));
  };
  const at = (path: string) => errors.find((each) => each.path === `/document/${path}`)?.message;
  const limits = (document.limits ?? []).map(limitOf);
  const flags = document.screen?.flags;
  const equipment = document.equipment ?? [];
  const other = document.other_training ?? [];
  const setLimits = (next: ReturnType<typeof limitOf>[]) => {
    set('limits', next);
  };

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
          <TextField
            label="Body mass"
            unit="kg"
            value={`${document.mass_kg ?? ''}`}
            error={at('mass_kg')}
            onChange={(value) => {
              set('mass_kg', typedNumber(value));
            }}
          />
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
          <div className="mt-2 grid gap-x-6 sm:grid-cols-2">
            {(['emergency', 'prompt'] as const).map((urgency) => (
              <div key={urgency}>
                <p className="font-semibold text-warn">{urgencyNames[urgency]}</p>
                {library.flags
                  .filter((flag) => flag.urgency === urgency)
                  .map((flag) => (
                    <Tick
                      key={flag.id}
                      label={flag.name}
                      checked={flags.includes(flag.id)}
                      onChange={(on) => {
                        set('screen', { ...document.screen, flags: toggled(flags, flag.id, on) });
                      }}
                    />
                  ))}
              </div>
            ))}
          </div>
        )}
      </Section>

      <Section
        title="Limits"
        hint="What is sore or must not be loaded. Mild bars high stress, moderate real stress, severe any stress."
      >
        <div className="grid gap-x-8 sm:grid-cols-2">
          {library.library.limits
            .filter((rule) => rule.kind === 'soreness')
            .map((rule) => {
              const own = limits.find((each) => each.limit === rule.id);
              return (
                <div key={rule.id} className="flex min-h-11 items-center gap-3">
                  <Tick
                    label={rule.name}
                    checked={own !== undefined}
                    onChange={(on) => {
                      const rest = limits.filter((each) => each.limit !== rule.id);
                      setLimits(on ? [...rest, { limit: rule.id, severity: 'moderate' }] : rest);
                    }}
                  />
                  {own !== undefined && (
                    <select
                      aria-label={`How sore: ${rule.name}`}
                      className="rounded border border-wood bg-card px-2 py-1"
                      value={own.severity}
                      onChange={(event) => {
                        const severity = event.target.value as (typeof severities)[number];
                        setLimits(limits.map((each) => (each.limit === rule.id ? { ...each, severity } : each)));
                      }}
                    >
                      {severities.map((each) => (
                        <option key={each}>{each}</option>
                      ))}
                    </select>
                  )}
                </div>
              );
            })}
        </div>
        <p className="mt-3 font-semibold">Medical: these need a clearance, whatever their severity</p>
        <div className="grid gap-x-8 sm:grid-cols-2">
          {library.library.limits
            .filter((rule) => rule.kind === 'medical')
            .map((rule) => {
              const own = limits.some((each) => each.limit === rule.id);
              return (
                <div key={rule.id}>
                  <Tick
                    label={rule.name}
                    checked={own}
                    onChange={(on) => {
                      const rest = limits.filter((each) => each.limit !== rule.id);
                      setLimits(on ? [...rest, { limit: rule.id, severity: 'moderate' }] : rest);
                    }}
                  />
                  {own && <p className="mb-1 pl-7 text-sm text-faint">{rule.caution}</p>}
                </div>
              );
            })}
        </div>
        <div className="mt-2 border-t border-line pt-2">
          <Tick
            label="A clinician’s clearance is recorded"
            checked={document.screen?.cleared === true}
            onChange={(cleared) => {
              set('screen', { ...document.screen, cleared });
            }}
          />
        </div>
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
          {days.map((day) => (
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
