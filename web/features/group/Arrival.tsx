import { useState } from 'react';
import type { Schemas } from '../../api/client';
import { Button } from '../../ui/Button';
import { Scale } from '../../parts/run/Scale';
import { Kinds } from '../../parts/run/answers';
import type { PainKind } from '../../parts/log/painKinds';

/** What somebody says on arrival. */
export interface Arrived {
  pain?: number | undefined;
  pain_kind?: PainKind | undefined;
  soreness?: number | undefined;
}

/** What was really answered. */
export function answered(own: Arrived): NonNullable<Schemas['GroupRequest']['said']>[string] {
  return Object.fromEntries(Object.entries(own).filter(([, told]) => told !== undefined));
}

/** One line a person: as usual in one tap, or pain and soreness. */
export function Arrival({
  people,
  said,
  stopOver,
  tell,
}: {
  people: readonly { id: string; name: string }[];
  said: Record<string, Arrived>;
  stopOver: number | undefined;
  tell: (client: string, part: Arrived) => void;
}) {
  const [open, setOpen] = useState<string | null>(null);
  return (
    <fieldset>
      <legend className="font-semibold">On arrival</legend>
      <ul className="divide-y divide-line border-y border-line">
        {people.map(({ id, name }) => {
          const own = said[id] ?? {};
          const { pain, pain_kind, soreness } = own;
          const usual = pain === 0 && soreness === 0 && pain_kind === undefined;
          return (
            <li key={id} className="py-1.5">
              <div className="flex flex-wrap items-center gap-1.5">
                <b className="mr-auto">{name}</b>
                <Button
                  aria-label={`${name}: as usual`}
                  aria-pressed={usual}
                  className={`px-2 ${usual ? 'border-stand bg-stand text-on-stand' : ''}`}
                  onClick={() => {
                    tell(id, { pain: 0, soreness: 0, pain_kind: undefined });
                    setOpen(null);
                  }}
                >
                  As usual
                </Button>
                <Button
                  aria-label={`${name}: pain, soreness`}
                  aria-expanded={open === id}
                  className="px-2"
                  onClick={() => {
                    setOpen(open === id ? null : id);
                  }}
                >
                  {usual || (pain === undefined && soreness === undefined)
                    ? 'Pain …'
                    : `Pain ${pain ?? '–'}, sore ${soreness ?? '–'}`}
                </Button>
              </div>
              {open === id && (
                <>
                  <Scale
                    label="Pain now"
                    ends={['none', 'worst']}
                    {...(stopOver === undefined ? {} : { warnOver: stopOver })}
                    value={pain}
                    onChange={(value) => {
                      tell(
                        id,
                        value === undefined || value === 0 ? { pain: value, pain_kind: undefined } : { pain: value },
                      );
                    }}
                  />
                  <Kinds
                    pain={pain}
                    value={pain_kind}
                    onChange={(kind) => {
                      tell(id, { pain_kind: kind });
                    }}
                  />
                  <Scale
                    label="Soreness of the trunk"
                    ends={['none', 'worst']}
                    value={soreness}
                    onChange={(value) => {
                      tell(id, { soreness: value });
                    }}
                  />
                </>
              )}
            </li>
          );
        })}
      </ul>
    </fieldset>
  );
}
