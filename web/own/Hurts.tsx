import { useState } from 'react';
import { Button } from '../ui/Button';
import { Numbers } from '../ui/Numbers';
import { longDate } from '../lib/dates';
import { Kinds } from '../parts/run/answers';
import type { PainKind } from '../parts/log/painKinds';
import { Scale } from '../parts/run/Scale';
import { BringBack } from './BringBack';
import { own } from './document';
import { lock } from './finish';
import type { Hurt, Kept } from './kept';

/** What hurts, asked while every clock stands. Stopping here locks the page. */
export function Hurts({ session, onSlip }: { session: number | null; onSlip: () => void }) {
  const [pain, setPain] = useState<number>();
  const [kind, setKind] = useState<PainKind>();
  const [warnings, setWarnings] = useState<string[]>([]);
  const isSlip = pain === undefined && kind === undefined && warnings.length === 0;
  return (
    <div
      role="alertdialog"
      aria-modal
      aria-label="Something hurts"
      className="fixed inset-0 z-50 overflow-auto bg-paper p-3"
    >
      <div className="mx-auto max-w-xl space-y-3">
        <h2 className="text-3xl font-bold text-warn">Stop. Come to rest.</h2>
        <Scale
          label="How much does it hurt?"
          ends={['not at all', 'the most']}
          value={pain}
          warnOver={own.stop_over}
          onChange={setPain}
        />
        <Kinds pain={pain ?? 0} value={kind} onChange={setKind} />
        <fieldset>
          <legend className="text-lg font-semibold">Is any of this there?</legend>
          {own.warnings.map((sign) => (
            <label key={sign.id} className="flex min-h-11 items-center gap-3 border-t border-line text-lg">
              <input
                type="checkbox"
                className="size-5"
                checked={warnings.includes(sign.id)}
                onChange={(event) => {
                  setWarnings(
                    event.target.checked ? [...warnings, sign.id] : warnings.filter((each) => each !== sign.id),
                  );
                }}
              />
              {sign.name}
            </label>
          ))}
        </fieldset>
        <Button
          look="act"
          className="min-h-14 w-full text-xl"
          disabled={pain === undefined && warnings.length === 0 && kind === undefined}
          onClick={() => {
            lock(session, pain ?? 0, kind, warnings);
          }}
        >
          I stop here
        </Button>
        <p className="text-faint">Then nothing more can be done on this page until you have spoken to {own.studio}.</p>
        {isSlip && (
          <Button className="min-h-12 w-full text-lg" onClick={onSlip}>
            Nothing hurts, I only touched it
          </Button>
        )}
      </div>
    </div>
  );
}

/** After something hurt: it stays so. */
export function Locked({ kept, hurt }: { kept: Kept; hurt: Hurt }) {
  const signs = own.warnings.filter((sign) => hurt.warnings.includes(sign.id));
  return (
    <main className="mx-auto w-full max-w-xl space-y-3 p-3" data-locked>
      <h1 className="text-3xl leading-tight font-bold text-warn">Stop here. Do nothing more from this page.</h1>
      <p className="rounded-md border-2 border-warn bg-warn-soft p-3 text-xl font-bold">
        {Object.values(kept.done).some((each) => each.back.ended === 'pain' && each.sent)
          ? `${own.studio} has it written down. Speak to them all the same before you go on.`
          : 'Nobody has been told yet.'}
      </p>
      {signs.map((sign) => (
        <p key={sign.id} className="text-lg font-semibold">
          {sign.text}
        </p>
      ))}
      <p className="text-xl">
        Call {own.studio}
        {own.contact === '' ? ', at the number that you have' : ': '}
        {own.contact !== '' && <Numbers text={own.contact} />}
      </p>
      <h2 className="text-2xl font-bold">What to do now</h2>
      <ol className="list-decimal space-y-2 pl-7 text-lg">
        {own.emergency.map((step) => (
          <li key={step}>
            <Numbers text={step} />
          </li>
        ))}
      </ol>
      <p className="text-faint">Local rules and the word of emergency services come before this list.</p>
      <p className="text-lg">
        Written down on {longDate(hurt.on)}: pain {hurt.pain} of 10
        {hurt.kind === undefined ? '' : `, ${hurt.kind}`}
        {signs.map((sign) => `, ${sign.name.toLowerCase()}`).join('')}.
      </p>
      {Object.entries(kept.done).map(([session, done]) => (
        <div key={session} className="rounded-lg border border-line bg-card p-3">
          <h2 className="text-xl font-bold">{own.sessions[Number(session)]?.title ?? 'What hurts'}</h2>
          <BringBack done={done} session={Number(session)} />
        </div>
      ))}
    </main>
  );
}
