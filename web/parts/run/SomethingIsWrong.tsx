import { OctagonAlert } from 'lucide-react';
import { useState } from 'react';
import { Button } from '../../ui/Button';
import { stopAll } from './store';
import { Wrong } from './Wrong';

/** One tap where somebody trains or is about to: every clock stands, and what this studio does now is on the screen. */
export function SomethingIsWrong({ people }: { people: readonly { client: string; name: string }[] }) {
  const [wrong, setWrong] = useState(false);
  return (
    <>
      <Button
        className="min-h-12 border-2 border-warn text-warn print:hidden"
        onClick={() => {
          stopAll();
          setWrong(true);
        }}
      >
        <OctagonAlert size={20} aria-hidden /> Something is wrong
      </Button>
      {wrong && (
        <Wrong
          people={people}
          steps={[]}
          onClose={() => {
            setWrong(false);
          }}
        />
      )}
    </>
  );
}
