import { useId, type ReactNode } from 'react';
import type { Schemas } from '../../api/client';
import { weekDays } from '../../lib/dates';
import { dayNames } from '../../lib/words';
import { FieldError, TextField, Tick, toggled } from '../../ui/Field';
import { missing, missingWords, type Safety } from '../../parts/screen/safety';
import { SafetyFields } from '../../parts/screen/SafetyFields';
import { typedNumber, withField, type ClientDocument } from '../../parts/client/document';
import { Later } from './Later';

export interface SectionsProps {
  document: ClientDocument;
  onChange: (document: ClientDocument) => void;
  library: Schemas['LibraryAnswer'];
  errors: Schemas['Problem']['errors'];
}

export function Section({ title, hint, children }: { title: string; hint?: string; children: ReactNode }) {
  return (
    <fieldset className="mt-4 rounded-lg border border-line bg-card p-4">
      <legend className="px-1 text-lg font-bold">{title}</legend>
      {hint !== undefined && <p className="mb-2 text-faint">{hint}</p>}
      {children}
    </fieldset>
  );
}

/** The client document as a form: what a first week needs, and behind a fold what can wait. */
export function Sections({
  safety,
  onSafety,
  open,
  ...props
}: SectionsProps & {
  safety: Safety;
  onSafety: (safety: Safety) => void;
  /** whether what can wait is shown at once */
  open: boolean;
}) {
  const { document, onChange, library, errors } = props;
  const screenError = useId();
  const at = (path: string) => errors.find((each) => each.path === `/document/${path}`)?.message;
  const equipment = document.equipment ?? [];
  const left = missing(library.flags, safety);

  return (
    <>
      <Section title="Who">
        <TextField
          label="Name"
          name="client"
          required
          className="sm:w-1/2"
          value={document.name}
          error={at('name')}
          onChange={(value) => {
            onChange(withField(document, 'name', value));
          }}
        />
      </Section>

      <Section
        title="Screen"
        hint="Bars what must not be loaded, and stops the planning where a clinician comes first. Unasked is not “no”: there is no week before all of it is answered."
      >
        <SafetyFields library={library} safety={safety} onChange={onSafety} />
        <p className={`mt-2 ${left === 0 ? 'text-faint' : 'font-semibold text-warn'}`} role="status">
          {left === 0 ? 'All of the screen is answered.' : missingWords(left)}
        </p>
        <FieldError id={screenError} error={at('screen')} />
        <p className="text-sm text-faint">Clearances are recorded on the client’s Screen page: who gave it, when.</p>
      </Section>

      <Section title="Kit to hand" hint="Only exercises that this kit allows are planned.">
        <div className="grid grid-cols-2 gap-x-6 sm:grid-cols-4">
          {library.library.equipment.map((kit) => (
            <Tick
              key={kit.id}
              label={kit.name}
              checked={equipment.includes(kit.id as (typeof equipment)[number])}
              onChange={(on) => {
                onChange(
                  withField(document, 'equipment', toggled(equipment, kit.id as (typeof equipment)[number], on)),
                );
              }}
            />
          ))}
        </div>
      </Section>

      <Section
        title="Days"
        hint="A session on each day that has minutes, and never longer. Empty: no session that day."
      >
        <div className="grid grid-cols-2 gap-3 sm:grid-cols-4 lg:grid-cols-7">
          {weekDays().map((day) => (
            <TextField
              key={day}
              name={day}
              label={dayNames[day] ?? day}
              unit="min"
              value={`${document.days?.[day] ?? ''}`}
              error={at(`days/${day}`)}
              onChange={(value) => {
                onChange(withField(document, 'days', withField(document.days ?? {}, day, typedNumber(value))));
              }}
            />
          ))}
        </div>
      </Section>

      <Later {...props} open={open} />
    </>
  );
}
