import type { Schemas } from '../../api/client';
import { Code } from '../../ui/Code';
import { SelectField } from '../../ui/Field';
import { abilities, typedNumber, withField, type ClientDocument } from './document';

type Ability = NonNullable<ClientDocument['ability']>;

const levels = [
  ['', 'not tested'],
  ['1', '1, early rehab'],
  ['2', '2, early rehab'],
  ['3', '3, beginner'],
  ['4', '4, beginner'],
  ['5', '5, intermediate'],
  ['6', '6, intermediate'],
  ['7', '7, advanced'],
  ['8', '8, advanced'],
  ['9', '9, athlete'],
  ['10', '10, athlete'],
] as const;

/** A level of each direction, typed by who knows the client. */
export function Abilities({
  library,
  ability,
  error,
  onChange,
}: {
  library: Schemas['LibraryAnswer'];
  ability: Ability;
  error: (code: string) => string | undefined;
  onChange: (ability: Ability) => void;
}) {
  return (
    <div className="grid gap-3 sm:grid-cols-2 lg:grid-cols-3">
      {abilities.map((code) => (
        <SelectField
          key={code}
          name={code}
          label={
            <>
              <Code code={code} /> {library.categories.find((each) => each.code === code)?.name}
            </>
          }
          value={`${ability[code] ?? ''}`}
          error={error(code)}
          options={levels}
          onChange={(value) => {
            onChange(withField(ability, code, typedNumber(value)));
          }}
        />
      ))}
    </div>
  );
}
