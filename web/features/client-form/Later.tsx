import { useId } from 'react';
import { weekDays } from '../../lib/dates';
import { unitOf } from '../../lib/units';
import { dayNames, trainingNames } from '../../lib/words';
import { AmountInput } from '../../ui/AmountInput';
import { FieldError, Hint, SelectField, TextField, Tick, toggled } from '../../ui/Field';
import { Abilities } from '../../parts/client/Abilities';
import { trainings, typedNumber, withField, type ClientDocument } from '../../parts/client/document';
import { Section, type SectionsProps } from './Sections';

/** The fields of the fold, by the path of their errors. */
const OF_LATER = /^\/document\/(goal|trained|born|norm_group|mass_kg|other_training|home|ability)/;

/** What a new client has none of until somebody typed it. */
const kept = ['trained', 'born', 'norm_group', 'mass_kg', 'home', 'ability'] as const;

/** What can wait until after the first week. */
export function Later({ document, onChange, library, errors, open }: SectionsProps & { open: boolean }) {
  const set = <K extends keyof ClientDocument>(key: K, value: ClientDocument[K] | undefined) => {
    onChange(withField(document, key, value));
  };
  const at = (path: string) => errors.find((each) => each.path === `/document/${path}`)?.message;
  const massError = useId();
  const other = document.other_training ?? [];
  const home = document.home;
  // an error stands where it is seen
  const isWrong = errors.some((each) => OF_LATER.test(each.path));
  const isTyped = other.length > 0 || kept.some((key) => document[key] !== undefined);

  return (
    <details className="mt-4" open={open || isWrong || isTyped}>
      <summary className="min-h-10 cursor-pointer rounded-lg border border-line bg-card p-3 text-lg font-bold">
        Goal, age, other training, home and levels <span className="text-base font-normal text-faint">(can wait)</span>
      </summary>
      <Section title="Goal and person">
        <div className="grid gap-3 sm:grid-cols-3">
          <SelectField
            label="Goal"
            hint="What the sets are shared among, and how they are dosed."
            value={document.goal ?? 'general'}
            error={at('goal')}
            options={library.goals.map((goal) => [goal.id, goal.name] as const)}
            onChange={(value) => {
              set('goal', value as NonNullable<ClientDocument['goal']>);
            }}
          />
          <SelectField
            label="Training age"
            hint="Kept on the record; where it changes, planning anew is asked about."
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
            hint="Young and older clients have bounds of their own; norms are by age."
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
            hint="Whose published holds stand beside theirs."
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
            <Hint>Kept on the record; no load is worked out from it.</Hint>
            <FieldError id={massError} error={at('mass_kg')} />
          </label>
        </div>
      </Section>

      <Section
        title="Other training"
        hint="Hard core work keeps off heavy lifts, matches and the day before them; on a day of other sport it comes after it."
      >
        <div className="divide-y divide-line">
          {weekDays().map((day) => (
            <div
              key={day}
              role="group"
              aria-label={`Other training on ${dayNames[day] ?? day}`}
              className="flex flex-wrap items-center gap-x-5"
            >
              <span className="w-28 font-semibold">{dayNames[day]}</span>
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
        title="Levels"
        hint="Where each direction begins. A test day or logs say it better: leave them out if you are not sure."
      >
        <Abilities
          library={library}
          ability={document.ability ?? {}}
          error={(code) => at(`ability/${code}`)}
          onChange={(ability) => {
            set('ability', Object.keys(ability).length === 0 ? undefined : ability);
          }}
        />
      </Section>
    </details>
  );
}
