import type { ReactNode } from 'react';

/** A place with nothing in it yet, and what would fill it. */
export function Empty({ children }: { children: ReactNode }) {
  return <p className="my-2 text-faint">{children}</p>;
}
