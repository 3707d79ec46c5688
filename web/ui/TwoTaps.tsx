import { useState } from 'react';
import { Button } from './Button';

/** What is not to be done by a slip of the finger: the second tap does it. */
export function TwoTaps({ name, className = '', onSure }: { name: string; className?: string; onSure: () => void }) {
  const [sure, setSure] = useState(false);
  return (
    <Button
      className={`${className} ${sure ? 'border-warn text-warn' : ''}`}
      onClick={() => {
        if (sure) onSure();
        else setSure(true);
      }}
    >
      {sure ? `${name}: tap again` : name}
    </Button>
  );
}
