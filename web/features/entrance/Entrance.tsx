import { ApiError } from '../../api/client';
import type { ReactNode } from 'react';
import { Mark } from '../../ui/Mark';
import { useTheme } from '../../lib/theme';
import { Button } from '../../ui/Button';

/** The frame of the pages in front of the sign-in: one form. */
export function Entrance({
  title,
  beside,
  action,
  busy,
  error,
  known = [],
  onSubmit,
  children,
}: {
  title: string;
  beside: ReactNode;
  /** what the button says, and while it waits */
  action: readonly [string, string];
  busy: boolean;
  error: Error | null;
  /** fields that show their own error */
  known?: readonly string[];
  onSubmit: () => void;
  children: ReactNode;
}) {
  useTheme();
  const shown = error instanceof ApiError && error.problem.errors.some((each) => known.includes(each.path));
  return (
    <main className="mx-auto grid w-full max-w-4xl flex-1 items-center gap-10 p-6 md:grid-cols-2">
      <div>
        <p className="flex items-center gap-3 text-4xl font-bold">
          <Mark size={52} /> Even Rungs
        </p>
        <div className="mt-4 space-y-2 text-xl">{beside}</div>
      </div>
      <form
        className="space-y-4 rounded-lg border border-line bg-card p-6"
        onSubmit={(event) => {
          event.preventDefault();
          onSubmit();
        }}
      >
        <h1 className="text-2xl font-bold">{title}</h1>
        {children}
        <p role="alert" className="font-semibold text-warn empty:hidden">
          {shown ? '' : error?.message}
        </p>
        <Button look="act" type="submit" disabled={busy} className="w-full">
          {busy ? action[1] : action[0]}
        </Button>
      </form>
    </main>
  );
}
