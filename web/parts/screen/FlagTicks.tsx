import type { Schemas } from '../../api/client';
import { urgencyNames } from '../../lib/words';
import { Tick, toggled } from '../../ui/Field';

type Flag = Schemas['ScreenRequest']['flags'][number];

/** The signs that need a clinician first, by urgency. */
export function FlagTicks({
  all,
  flags,
  onChange,
}: {
  all: Schemas['LibraryAnswer']['flags'];
  flags: Flag[];
  onChange: (flags: Flag[]) => void;
}) {
  return (
    <div className="mt-2 grid gap-x-6 sm:grid-cols-2">
      {(['emergency', 'prompt'] as const).map((urgency) => (
        <div key={urgency}>
          <p className="font-semibold text-warn">{urgencyNames[urgency]}</p>
          {all
            .filter((flag) => flag.urgency === urgency)
            .map((flag) => (
              <Tick
                key={flag.id}
                label={flag.name}
                checked={flags.includes(flag.id)}
                onChange={(on) => {
                  onChange(toggled(flags, flag.id, on));
                }}
              />
            ))}
        </div>
      ))}
    </div>
  );
}
