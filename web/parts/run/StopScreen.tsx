import { useEffect, useRef, type ReactNode } from 'react';
import { useMe } from '../../lib/session';
import { Button } from '../../ui/Button';
import { Numbers } from '../../ui/Numbers';

export interface StopAnswer {
  label: string;
  busy: boolean;
  act: () => void;
}

/**
 * What stops training, over everything else: the words, what is answered, and what this studio does now; where something is written down
 * too, the steps come first. It goes only by an answer.
 */
export function StopScreen({
  title,
  words,
  steps,
  answers,
  error,
  children,
}: {
  title: string;
  words: string;
  /** the studio's own, where the page has no server to ask */
  steps?: readonly string[] | undefined;
  answers: readonly StopAnswer[];
  error?: string | undefined;
  children?: ReactNode;
}) {
  const me = useMe().data;
  const box = useRef<HTMLDivElement>(null);
  useEffect(() => {
    box.current?.focus();
  }, []);
  const first = answers[0];
  const asked = (
    <>
      <div className="my-3 grid gap-2">
        {answers.map((each) => (
          <Button
            key={each.label}
            look={each === first ? 'act' : 'plain'}
            className="min-h-12 w-full text-lg"
            disabled={each.busy}
            onClick={each.act}
          >
            {each.label}
          </Button>
        ))}
      </div>
      <p role="alert" className="font-semibold text-warn empty:hidden">
        {error}
      </p>
    </>
  );
  return (
    <div
      ref={box}
      role="alertdialog"
      aria-modal
      aria-label={title}
      tabIndex={-1}
      className="fixed inset-0 z-50 overflow-auto bg-paper p-4"
      onKeyDown={(event) => {
        // the focus stays here until there is an answer
        if (event.key !== 'Tab') return;
        const inside = [
          ...(box.current?.querySelectorAll<HTMLElement>('button:not([disabled]), a, input, textarea') ?? []),
        ];
        const at = inside.indexOf(document.activeElement as HTMLElement);
        const next = inside[(at + (event.shiftKey ? inside.length - 1 : 1)) % inside.length];
        event.preventDefault();
        next?.focus();
      }}
    >
      <div className="mx-auto max-w-2xl">
        <p className="text-3xl leading-tight font-bold text-warn">{title}</p>
        <p className="my-2 text-xl leading-snug">{words}</p>
        {children === undefined && asked}
        <h2 className="mt-4 text-2xl font-bold">What this studio does now</h2>
        <ol className="my-2 list-decimal space-y-2 pl-8 text-xl leading-snug">
          {(me?.emergency_steps ?? steps ?? []).map((step) => (
            <li key={step}>
              <Numbers text={step} />
            </li>
          ))}
        </ol>
        <p className="text-faint">Local rules and the word of emergency services come before this list.</p>
        {children}
        {children !== undefined && asked}
      </div>
    </div>
  );
}
