import { useState } from 'react';
import { numberIn, typedIn, type Unit } from '../lib/units';

/** A number field that shows and reads an amount in the studio's unit and hands it on as it is kept. */
export function AmountInput({
  unit,
  value,
  most,
  asked,
  onChange,
  className = 'w-24',
  ...rest
}: {
  unit: Unit;
  /** as it is kept; undefined where nothing is written */
  value: number | undefined;
  /** as it is kept */
  most?: number;
  /** what was asked for, as it is kept */
  asked?: number | undefined;
  onChange: (kept: number | undefined) => void;
  className?: string;
  'aria-label'?: string;
  'aria-invalid'?: boolean;
  'aria-describedby'?: string;
}) {
  const [typed, setTyped] = useState<{ text: string; kept: number | undefined } | null>(null);
  const shown = value === undefined ? '' : String(numberIn(unit, value));
  return (
    <input
      {...rest}
      type="number"
      min={0}
      max={most === undefined ? undefined : numberIn(unit, most)}
      step="any"
      className={`rounded border border-wood bg-card px-2 py-1 ${className}`}
      value={typed !== null && typed.kept === value ? typed.text : shown}
      onChange={({ target: { value: text } }) => {
        const number = text === '' ? undefined : Math.max(0, typedIn(unit, Number(text), asked));
        const kept = number === undefined || most === undefined ? number : Math.min(most, number);
        setTyped(kept === number ? { text, kept } : null);
        onChange(kept);
      }}
    />
  );
}
