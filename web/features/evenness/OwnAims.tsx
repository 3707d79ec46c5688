import { useState } from 'react';
import { dayAndMonth, today } from '../../lib/dates';
import { useMay } from '../../lib/session';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { fieldError } from '../../lib/fieldError';
import { Scale } from '../../parts/run/Scale';
import { useEvennessChange, type Evenness } from '../../parts/evenness/useEvenness';
import { endAim, ownAim, scoreAim } from './changes';
import { Empty } from '../../ui/Empty';

type Aim = Evenness['own_aims'][number];

/** What the client wants to do again, or better, in their words, and how well they say it goes. */
export function OwnAims({ aims }: { aims: Aim[] }) {
  const mayWrite = useMay('trainer');
  const [words, setWords] = useState('');
  const change = useEvennessChange();
  return (
    <div className="space-y-4">
      {aims.map((aim) => (
        <OneAim key={aim.id} aim={aim} mayWrite={mayWrite} />
      ))}
      {aims.length === 0 && <Empty>Nothing is written down yet.</Empty>}
      {mayWrite && (
        <form
          className="flex flex-wrap items-end gap-2 print:hidden"
          onSubmit={(event) => {
            event.preventDefault();
            change.mutate(ownAim(words), {
              onSuccess: () => {
                setWords('');
              },
            });
          }}
        >
          <TextField
            label="In the client’s own words"
            className="min-w-60 flex-1"
            name="own-aim"
            required
            value={words}
            onChange={setWords}
            error={fieldError(change.error, '/words')}
          />
          <Button type="submit" disabled={change.isPending}>
            Write it down
          </Button>
        </form>
      )}
    </div>
  );
}

function OneAim({ aim, mayWrite }: { aim: Aim; mayWrite: boolean }) {
  const [asking, setAsking] = useState(false);
  const change = useEvennessChange();
  const on = today();
  return (
    <section aria-label={aim.words}>
      <div className="flex flex-wrap items-baseline gap-x-3">
        <h3 className="text-lg font-bold">“{aim.words}”</h3>
        <span>{aim.says}</span>
        {aim.due && <b className="text-warn print:hidden">Ask again</b>}
      </div>
      {aim.scores.length > 0 && (
        <ol className="mt-1 flex items-end gap-1" aria-label={`Scores: ${aim.words}`}>
          {aim.scores.map((each) => (
            <li key={each.on} className="flex w-14 flex-col items-center text-sm">
              <b>{each.score}</b>
              <span
                aria-hidden
                className="w-8 rounded-t bg-stand"
                style={{ height: `${2 + (each.score / 10) * 48}px` }}
              />
              <span className="border-t border-line text-faint">{dayAndMonth(each.on)}</span>
            </li>
          ))}
        </ol>
      )}
      {mayWrite && (
        <div className="mt-1 print:hidden">
          {asking || aim.due ? (
            <Scale
              label="How well does it go today?"
              ends={['not at all', 'as well as ever']}
              value={aim.scores.find((each) => each.on === on)?.score}
              onChange={(score) => {
                if (score === undefined) return;
                change.mutate(scoreAim(aim.id, score, on));
                setAsking(false);
              }}
            />
          ) : (
            <Button
              look="quiet"
              onClick={() => {
                setAsking(true);
              }}
            >
              Ask today
            </Button>
          )}
          <Button
            look="quiet"
            onClick={() => {
              change.mutate(endAim(aim.id));
            }}
          >
            This aim is over
          </Button>
          <p role="alert" className="font-semibold text-warn empty:hidden">
            {change.error?.message}
          </p>
        </div>
      )}
    </section>
  );
}
