import { useState } from 'react';
import { Button } from './Button';
import { TextField } from './Field';

/** Asks why something barred, or far from usual, is kept all the same. */
export function Insist({
  question,
  busy,
  onInsist,
}: {
  question: string;
  busy: boolean;
  onInsist: (why: string) => void;
}) {
  const [why, setWhy] = useState('');
  return (
    <form
      aria-label="Keep it all the same"
      className="w-full space-y-2 rounded-md border-2 border-warn bg-warn-soft p-3"
      onSubmit={(event) => {
        event.preventDefault();
        onInsist(why.trim());
      }}
    >
      <p role="alert" className="font-semibold text-warn">
        {question}
      </p>
      <TextField label="Why it is kept all the same" value={why} onChange={setWhy} />
      <Button type="submit" disabled={busy || why.trim() === ''}>
        Keep it
      </Button>
      <span className="ml-3 text-sm">
        The reason is kept, and the exercise stays marked on week, sheet, floor and door until it is gone.
      </span>
    </form>
  );
}
