import type { ReactNode } from 'react';
import { useMe } from '../../lib/session';
import { amount, unitOf, type Unit } from '../../lib/units';
import { AmountInput } from '../../ui/AmountInput';
import { Button } from '../../ui/Button';
import { places } from '../../parts/run/answers';
import { painKinds, painless } from '../../parts/log/painKinds';
import type { Row } from './rows';

export type Told = Pick<Row, 'done' | 'fault' | 'pain' | 'kind' | 'effort' | 'breathing' | 'felt' | 'load' | 'band'>;

const parts = ['done', 'fault', 'pain', 'kind', 'effort', 'breathing', 'felt', 'load', 'band'] as const;

/** What several sets say alike; where they differ nothing stands, and the part is named. */
export function alike(rows: readonly Row[]): { told: Told; differs: ReadonlySet<keyof Told> } {
  const differs = new Set<keyof Told>();
  const told = Object.fromEntries(
    parts.map((part) => {
      const values = [...new Set(rows.map((row) => row[part]))];
      if (values.length > 1) differs.add(part);
      return [part, values.length === 1 ? values[0] : ''];
    }),
  ) as unknown as Told;
  return { told, differs };
}

const box = 'rounded border border-wood bg-card px-1 py-1';

function Labelled({ label, children }: { label: string; children: ReactNode }) {
  return (
    <span className="block">
      <span aria-hidden className="block text-sm text-faint">
        {label}
      </span>
      {children}
    </span>
  );
}

/** What was done and how it went, of a set or of all sets of an exercise at once. */
export function Answers({
  of,
  unit,
  asked,
  lastLoad,
  lastBand,
  banded,
  told,
  differs,
  faults,
  part = 'all',
  onChange,
}: {
  /** what the fields are labelled with */
  of: string;
  unit: Unit;
  asked: number;
  /** kilograms, as it was last time */
  lastLoad: number | null;
  lastBand: string | null;
  banded: boolean;
  told: Told;
  differs?: ReadonlySet<keyof Told> | undefined;
  faults: readonly (readonly [string, string])[];
  /** what is said of every exercise, or what is seldom said */
  part?: 'all' | 'first' | 'more';
  onChange: (part: Partial<Told>) => void;
}) {
  const none = (part: keyof Told) => (differs?.has(part) === true ? 'differs' : 'not recorded');
  const scale = (part: 'pain' | 'effort', label: string) => (
    <Labelled label={label}>
      <input
        type="number"
        min={0}
        max={10}
        aria-label={`${label}, ${of}`}
        placeholder={differs?.has(part) === true ? 'differs' : undefined}
        className={`w-16 ${box}`}
        value={told[part]}
        onChange={(event) => {
          onChange({ [part]: event.target.value });
        }}
      />
    </Labelled>
  );
  return (
    <div className="flex flex-wrap items-end gap-2 text-[0.9375rem]">
      {part !== 'more' && (
        <>
          <Labelled label="Done">
            <AmountInput
              unit={unit}
              aria-label={`Done, ${of}`}
              className="w-20"
              asked={asked}
              value={told.done === '' ? undefined : Number(told.done)}
              onChange={(done) => {
                onChange({ done: `${done ?? ''}` });
              }}
            />
          </Labelled>
          {scale('pain', 'Pain')}
          {told.pain !== '' && (
            <Labelled label="Kind">
              <select
                aria-label={`Kind of pain, ${of}`}
                className={`w-28 ${box}`}
                value={told.kind}
                onChange={(event) => {
                  onChange({ kind: painKinds.find(([kind]) => kind === event.target.value)?.[0] ?? '' });
                }}
              >
                <option value="">{none('kind')}</option>
                {painKinds
                  .filter(([kind]) => told.pain !== '0' || painless.includes(kind))
                  .map(([kind, label]) => (
                    <option key={kind} value={kind}>
                      {label}
                    </option>
                  ))}
              </select>
            </Labelled>
          )}
          {scale('effort', 'Effort')}
        </>
      )}
      {part !== 'first' && (
        <>
          <Labelled label="Fault">
            <select
              aria-label={`Fault, ${of}`}
              className={`w-36 ${box}`}
              value={told.fault}
              onChange={(event) => {
                onChange({ fault: event.target.value });
              }}
            >
              <option value="">{none('fault')}</option>
              <option value="none">none</option>
              {faults.map(([id, name]) => (
                <option key={id} value={id}>
                  {name}
                </option>
              ))}
            </select>
          </Labelled>
          <Labelled label="Breathing">
            <select
              aria-label={`Breathing, ${of}`}
              className={`w-34 ${box}`}
              value={told.breathing}
              onChange={(event) => {
                onChange({ breathing: event.target.value });
              }}
            >
              <option value="">{none('breathing')}</option>
              <option value="yes">free</option>
              <option value="no">held</option>
            </select>
          </Labelled>
          <Labelled label="Felt">
            <select
              aria-label={`Felt, ${of}`}
              className={`w-34 ${box}`}
              value={told.felt}
              onChange={(event) => {
                onChange({ felt: event.target.value });
              }}
            >
              <option value="">{none('felt')}</option>
              {places.map(([place, label]) => (
                <option key={place} value={place}>
                  {label}
                </option>
              ))}
            </select>
          </Labelled>
          <Labelled label={`Load, ${unitOf('kg')}`}>
            <AmountInput
              unit="kg"
              aria-label={`Load, ${of}`}
              className="w-20"
              most={500}
              value={told.load === '' ? undefined : Number(told.load)}
              onChange={(load) => {
                onChange({ load: `${load ?? ''}` });
              }}
            />
          </Labelled>
          {banded && <ChooseBand of={of} value={told.band} last={lastBand} onChange={onChange} />}
          {lastLoad !== null && told.load === '' && (
            <Button
              onClick={() => {
                onChange({ load: String(lastLoad) });
              }}
            >
              As last time: {amount('kg', lastLoad)}
            </Button>
          )}
        </>
      )}
    </div>
  );
}

function ChooseBand({
  of,
  value,
  last,
  onChange,
}: {
  of: string;
  value: string;
  last: string | null;
  onChange: (part: Pick<Told, 'band'>) => void;
}) {
  const bands = (useMe().data?.bands ?? []).map((band) => band.name);
  return (
    <Labelled label="Band">
      <select
        aria-label={`Band, ${of}`}
        className={`w-34 ${box}`}
        value={value}
        onChange={(event) => {
          onChange({ band: event.target.value });
        }}
      >
        <option value="">–</option>
        {(value === '' || bands.includes(value) ? bands : [...bands, value]).map((name) => (
          <option key={name} value={name}>
            {name}
            {name === last && ', as last time'}
          </option>
        ))}
      </select>
    </Labelled>
  );
}
