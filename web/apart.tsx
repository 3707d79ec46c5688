/** Pieces of the interface as they are built, to be run apart from their pages: by the tests, against the table of cases. */
import type { Unit } from './lib/units';
import type { RungBrief } from './parts/rungs/useRungs';
import type { Place } from './features/week/changes';
import type { Schemas } from './api/client';
import type { ReactNode } from 'react';

/** What the pieces need to know of the device and the studio, and the store of the floor. */
export async function pieces() {
  const [{ belongsTo }, units, store] = await Promise.all([
    import('./lib/device'),
    import('./lib/units'),
    import('./parts/run/store'),
  ]);
  return { belongsTo, units, store };
}

async function mount(element: HTMLElement, piece: ReactNode) {
  // named there one by one, so that nothing else of the packages is built
  const apart = await import('./parts/apart/mount');
  apart.mount(element, piece);
}

/** An exercise of a week, with its dose. */
export async function exercise(element: HTMLElement, entry: Schemas['BoardEntry'], place: Place) {
  const { Exercise } = await import('./features/week/Exercise');
  await mount(element, <Exercise entry={entry} place={place} />);
}

/** A number in the studio's unit. */
export async function amountInput(element: HTMLElement, unit: Unit, most: number, onChange: (kept?: number) => void) {
  const [{ AmountInput }, { useState }] = await Promise.all([import('./ui/AmountInput'), import('react')]);
  function Kept() {
    const [value, setValue] = useState<number>();
    return (
      <AmountInput
        unit={unit}
        value={value}
        most={most}
        onChange={(kept) => {
          setValue(kept);
          onChange(kept);
        }}
      />
    );
  }
  await mount(element, <Kept />);
}

/** An exercise that is looked for by name. */
export async function picker(element: HTMLElement, label: string, onPick: (rung: RungBrief) => void) {
  const { RungPicker } = await import('./parts/rungs/RungPicker');
  await mount(element, <RungPicker teaches={false} label={label} onPick={onPick} />);
}
