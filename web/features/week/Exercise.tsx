import { useState } from 'react';
import { useSearchParams } from 'react-router';
import type { Schemas } from '../../api/client';
import { Code } from '../../ui/Code';
import { Kept } from '../../ui/Kept';
import { Menu } from '../../ui/Menu';
import type { Place } from './changes';
import { DoseForm, DoseShown } from './DoseLine';
import { SwapDialog } from './SwapDialog';

/** One exercise of a session: one line, and one menu of all that can be done with it. */
export function Exercise({ entry, place }: { entry: Schemas['BoardEntry']; place: Place }) {
  const [search, setSearch] = useSearchParams();
  const [shown, setShown] = useState<'dose' | 'swap' | 'why' | null>(null);
  const asked = search.get('swap') === `${place.session}-${place.block}-${place.entry}`;
  const close = () => {
    setShown(null);
    if (!asked) return;
    setSearch(
      (before) => {
        before.delete('swap');
        return before;
      },
      { replace: true },
    );
  };
  const show = (what: typeof shown) => () => {
    setShown(what);
  };
  return (
    <li className="border-b border-line py-1 last:border-0">
      <div className="flex items-center gap-2">
        <Code code={entry.category ?? '–'} />
        <span className="min-w-0 flex-1 leading-tight">
          <span className="font-semibold">{entry.name}</span>
          {shown !== 'dose' && <DoseShown entry={entry} />}
        </span>
        <span className="text-faint">{entry.total.text}</span>
        <Menu
          of={entry.name}
          items={[
            { name: 'Change the dose', onChoose: show('dose') },
            ...(entry.ladder === null ? [] : [{ name: 'Put another in its place', onChoose: show('swap') }]),
            ...(entry.why.length === 0 ? [] : [{ name: 'Why it is here', onChoose: show('why') }]),
          ]}
        />
      </div>
      <Kept unsafe={entry.unsafe} insisted={entry.insisted} />
      {shown === 'dose' && <DoseForm entry={entry} place={place} onDone={close} />}
      {(shown === 'swap' || asked) && <SwapDialog entry={entry} place={place} open onOpenChange={close} />}
      {shown === 'why' && <Reasons about={entry.name} reasons={entry.why} onClose={close} />}
    </li>
  );
}

/** The reasons of something, beneath it. */
export function Reasons({
  about,
  reasons,
  onClose,
}: {
  about: string;
  reasons: readonly string[];
  onClose: () => void;
}) {
  return (
    <section aria-label={`Why: ${about}`} className="my-1 rounded-md bg-paper px-3 py-2 text-[0.9375rem]">
      <ul className="list-disc space-y-1 pl-4">
        {reasons.map((reason) => (
          <li key={reason}>{reason}</li>
        ))}
      </ul>
      <button type="button" className="min-h-8 font-semibold underline underline-offset-4" onClick={onClose}>
        Close
      </button>
    </section>
  );
}
