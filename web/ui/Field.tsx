import { useId, type ReactNode } from 'react';

const box = 'mt-0.5 block w-full rounded-md border border-wood bg-card px-2 py-1.5 text-base font-normal';

/** A labelled text or number field with its error below it. */
export function TextField({
  label,
  value,
  onChange,
  error,
  unit,
  list,
  hint,
  ...rest
}: {
  label: string;
  value: string;
  onChange: (value: string) => void;
  error?: string | undefined;
  unit?: string;
  /** what the entry changes */
  hint?: string;
  type?: 'text' | 'number' | 'password' | 'date' | 'email';
  name?: string;
  autoComplete?: string;
  /** what may be chosen instead of typed */
  list?: readonly string[];
  required?: boolean;
  maxLength?: number;
  className?: string;
}) {
  const id = useId();
  return (
    <label className={`block font-semibold ${rest.className ?? ''}`}>
      {label}
      {unit !== undefined && <span className="font-normal text-faint"> ({unit})</span>}
      <input
        {...rest}
        list={list === undefined ? undefined : `${id}-list`}
        className={box}
        value={value}
        inputMode={rest.type === 'number' ? 'decimal' : undefined}
        aria-invalid={error !== undefined}
        aria-describedby={error === undefined ? undefined : id}
        onChange={(event) => {
          onChange(event.target.value);
        }}
      />
      {list !== undefined && (
        <datalist id={`${id}-list`}>
          {list.map((each) => (
            <option key={each} value={each} />
          ))}
        </datalist>
      )}
      <Hint>{hint}</Hint>
      <FieldError id={id} error={error} />
    </label>
  );
}

/** What an entry changes, beneath its field. */
export function Hint({ children }: { children: string | undefined }) {
  return children === undefined ? null : (
    <span className="block text-sm leading-snug font-normal text-faint">{children}</span>
  );
}

/** A labelled field of several lines. */
export function LinesField({
  label,
  hint,
  name,
  rows,
  value,
  onChange,
}: {
  label: string;
  hint: string;
  name: string;
  rows: number;
  value: string;
  onChange: (value: string) => void;
}) {
  return (
    <label className="block font-semibold">
      {label} <span className="font-normal text-faint">{hint}</span>
      <textarea
        name={name}
        rows={rows}
        className={box}
        value={value}
        onChange={(event) => {
          onChange(event.target.value);
        }}
      />
    </label>
  );
}

/** A labelled choice of one. */
export function SelectField({
  label,
  value,
  onChange,
  options,
  error,
  hint,
  name,
  className = '',
}: {
  label: ReactNode;
  name?: string;
  value: string;
  onChange: (value: string) => void;
  options: readonly (readonly [string, string])[];
  error?: string | undefined;
  /** what the choice changes */
  hint?: string;
  className?: string;
}) {
  const id = useId();
  return (
    <label className={`block font-semibold ${className}`}>
      {label}
      <select
        name={name}
        className={box}
        value={value}
        aria-invalid={error !== undefined}
        aria-describedby={error === undefined ? undefined : id}
        onChange={(event) => {
          onChange(event.target.value);
        }}
      >
        {options.map(([code, name]) => (
          <option key={code} value={code}>
            {name}
          </option>
        ))}
      </select>
      <Hint>{hint}</Hint>
      <FieldError id={id} error={error} />
    </label>
  );
}

/** A list with one item put in or taken out. */
export function toggled<T>(list: readonly T[], item: T, on: boolean): T[] {
  const others = list.filter((each) => each !== item);
  return on ? [...others, item] : others;
}

/** A box to tick, as large as a finger. */
export function Tick({
  label,
  checked,
  onChange,
}: {
  label: ReactNode;
  checked: boolean;
  onChange: (checked: boolean) => void;
}) {
  return (
    <label className="flex min-h-9 items-center gap-2">
      <input
        type="checkbox"
        className="size-5 shrink-0 accent-(--act)"
        checked={checked}
        onChange={(event) => {
          onChange(event.target.checked);
        }}
      />
      <span>{label}</span>
    </label>
  );
}

export function FieldError({ id, error }: { id: string; error: string | undefined }) {
  return (
    <span id={id} role={error === undefined ? undefined : 'alert'} className="block text-sm font-semibold text-warn">
      {error}
    </span>
  );
}
