import { Button } from '../../ui/Button';
import { painKinds, painless, type PainKind } from '../log/painKinds';
import type { Place } from './run';

export const places: readonly (readonly [Place, string])[] = [
  ['as-expected', 'where it should'],
  ['low-back', 'low back'],
  ['hamstrings', 'hamstrings'],
  ['neck', 'neck'],
  ['shoulder', 'shoulder'],
  ['hip-front', 'front of the hip'],
  ['wrist', 'wrist'],
  ['knee', 'knee'],
];

/** What kind of pain it was; numbness and giving way are asked for without pain too. */
export function Kinds({
  pain,
  value,
  onChange,
}: {
  pain: number | undefined;
  value: PainKind | undefined;
  onChange: (kind: PainKind | undefined) => void;
}) {
  if (pain === undefined) return null;
  return (
    <div role="group" aria-label="Kind of pain" className="mt-1 flex flex-wrap items-center gap-1">
      {pain === 0 && <span className="text-faint">No pain, but</span>}
      {painKinds
        .filter(([kind]) => pain > 0 || painless.includes(kind))
        .map(([kind, label]) => (
          <Button
            key={kind}
            aria-pressed={value === kind}
            className={`min-h-10 ${value === kind ? 'border-stand bg-stand text-on-stand' : ''}`}
            onClick={() => {
              onChange(value === kind ? undefined : kind);
            }}
          >
            {label}
          </Button>
        ))}
    </div>
  );
}

export function Choice({
  on,
  onChange,
  children,
}: {
  on: boolean;
  onChange: (on: boolean) => void;
  children: React.ReactNode;
}) {
  return (
    <Button
      aria-pressed={on}
      className={on ? 'border-stand bg-stand text-on-stand' : ''}
      onClick={() => {
        onChange(!on);
      }}
    >
      {children}
    </Button>
  );
}
