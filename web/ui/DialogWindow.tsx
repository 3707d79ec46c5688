import { Dialog as Radix } from 'radix-ui';
import type { DialogProps } from './Dialog';

/** The window of a dialog, in a file of its own: most pages are read without one. */
export default function DialogWindow({ title, onOpenChange, wide = false, children }: DialogProps) {
  return (
    <Radix.Root open onOpenChange={onOpenChange}>
      <Radix.Portal>
        <Radix.Overlay className="fixed inset-0 z-30 bg-ink/40" />
        <Radix.Content
          aria-describedby={undefined}
          className={`fixed inset-x-2 top-4 z-40 mx-auto flex max-h-[calc(100vh-2rem)] flex-col rounded-lg border border-line bg-card p-4 outline-none! ${wide ? 'max-w-5xl overflow-y-auto' : 'max-w-3xl overflow-hidden'}`}
        >
          <Radix.Title className="text-xl font-bold">{title}</Radix.Title>
          {children}
        </Radix.Content>
      </Radix.Portal>
    </Radix.Root>
  );
}
