import { useEffect, useState } from 'react';
import { clock, everyClockStands } from '../../lib/clock';
import { Button } from '../../ui/Button';

/** A clock for one hold: the rest before it counts down, the hold counts up, and the fault that is tapped ends it. */
export function Stopwatch({
  label,
  rest,
  faults,
  ended,
  onStop,
  onFault,
}: {
  label: string;
  rest: number;
  faults: [string, string][];
  ended: string | undefined;
  onStop: (seconds: number) => void;
  onFault: (fault: string) => void;
}) {
  const [phase, setPhase] = useState<'idle' | 'rest' | 'hold'>('idle');
  const [began, setBegan] = useState(0);
  const [now, setNow] = useState(0);

  useEffect(() => {
    if (phase === 'idle') return;
    const ticking = setInterval(() => {
      setNow(performance.now());
    }, 100);
    return () => {
      clearInterval(ticking);
    };
  }, [phase]);

  useEffect(() => {
    const stand = () => {
      setPhase('idle');
    };
    window.addEventListener(everyClockStands, stand);
    return () => {
      window.removeEventListener(everyClockStands, stand);
    };
  }, []);

  function start(next: 'rest' | 'hold') {
    const time = performance.now();
    setBegan(time);
    setNow(time);
    setPhase(next);
  }

  function stop() {
    if (phase !== 'hold') return;
    setPhase('idle');
    onStop(Math.floor((performance.now() - began) / 1000));
  }

  const gone = (now - began) / 1000;
  return (
    <div>
      <div className="flex items-center gap-2">
        <span role="timer" aria-label={`Clock of ${label}`} className="min-w-20 text-3xl font-bold">
          {phase === 'rest' ? clock(rest - gone) : clock(phase === 'idle' ? 0 : gone)}
        </span>
        {phase !== 'hold' && rest > 0 && (
          <Button
            onClick={() => {
              start('rest');
            }}
          >
            {phase === 'rest' ? 'Resting' : 'Start the rest'}
          </Button>
        )}
        {phase === 'hold' ? (
          <Button look="act" onClick={stop}>
            Stop
          </Button>
        ) : (
          <Button
            aria-label={`Start the hold: ${label}`}
            onClick={() => {
              start('hold');
            }}
          >
            Start the hold
          </Button>
        )}
      </div>
      <fieldset className="mt-2">
        <legend className="text-sm font-semibold">
          {phase === 'hold' ? 'Tap the fault that ends it' : 'Ended by'}
        </legend>
        <div className="flex flex-wrap gap-1">
          {faults.map(([id, name]) => (
            <button
              key={id}
              type="button"
              aria-pressed={ended === id}
              onClick={() => {
                onFault(id);
                stop();
              }}
              className={`min-h-10 rounded-md border px-3 text-[0.9375rem] ${ended === id ? 'border-act bg-act font-bold text-on-act' : 'border-line hover:border-ink'}`}
            >
              {name}
            </button>
          ))}
        </div>
      </fieldset>
    </div>
  );
}
