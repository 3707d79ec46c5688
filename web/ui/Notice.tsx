import type { ReactNode } from 'react';

/** Something the reader must not miss. */
export function Notice({ children, title }: { children?: ReactNode; title: string }) {
  return (
    <div role="alert" className="rounded-md border-l-4 border-warn bg-warn-soft px-4 py-3">
      <p className="font-bold text-warn first-letter:uppercase">{title}</p>
      {children}
    </div>
  );
}

/** A wait that takes longer than a blink. */
export function Waiting({ what }: { what: string }) {
  return (
    <p role="status" className="p-6 text-faint">
      Loading {what} …
    </p>
  );
}
