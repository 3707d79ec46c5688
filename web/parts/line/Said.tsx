import { Button } from '../../ui/Button';
import type { Judged } from './queries';

/** What a line comes to: numbers first, then what it suggests. The trainer ticks. */
export function Said({
  judged,
  ticked,
  onTick,
}: {
  judged: Judged;
  ticked: readonly string[];
  onTick: (fault: string, on: boolean) => void;
}) {
  const { line, suggests } = judged;
  return (
    <section aria-label="What the line shows" aria-live="polite">
      <ul className="space-y-0.5 text-lg">
        {line.text.map((said) => (
          <li key={said}>{said}</li>
        ))}
      </ul>
      {line.drop_percent !== null && (
        <p className="text-faint">
          The hip lies {Math.abs(line.drop_percent).toFixed(1)} % of the body’s line{' '}
          {line.drop_percent < 0 ? 'below' : 'above'} it.
        </p>
      )}
      {suggests.map(({ id, name, cue }) => {
        const on = ticked.includes(id);
        return (
          <div key={id} className="mt-2 rounded-md bg-warn-soft px-3 py-2">
            <p>
              Looks like <b>{name.toLowerCase()}</b>. Say: <b>{cue}</b>
            </p>
            <Button
              aria-pressed={on}
              className={`mt-1 ${on ? 'border-warn bg-warn text-card' : ''}`}
              onClick={() => {
                onTick(id, !on);
              }}
            >
              {on ? 'Ticked' : 'Tick it'}
            </Button>
          </div>
        );
      })}
    </section>
  );
}
