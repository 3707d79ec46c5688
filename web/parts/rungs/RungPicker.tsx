import { useEffect, useEffectEvent, useId, useState, type KeyboardEvent } from 'react';
import { Code } from '../../ui/Code';
import { Still } from '../../ui/Figure';
import { useFigures, useRungs, useTeach, type RungBrief } from './useRungs';

/** A field in which a name is typed, misspelt or not, and the exercise picked from what was found. */
export function RungPicker({
  label,
  onPick,
  autoFocus = false,
  teaches = true,
}: {
  label: string;
  onPick: (rung: RungBrief) => void;
  autoFocus?: boolean;
  /** whether a name that nothing has may be kept as the studio's own word for what is picked */
  teaches?: boolean;
}) {
  const id = useId();
  const [text, setText] = useState('');
  const [at, setAt] = useState(0);
  const found = useRungs({ q: text }, text.trim() !== '');
  const figures = useFigures();
  const rungs = text.trim() === '' ? [] : (found.data?.rungs.slice(0, 8) ?? []);
  const [said, setSaid] = useState<{ words: string; rung: RungBrief } | null>(null);
  // what is listed may still be the answer to fewer letters: who types fast and presses Enter gets the first of the newest
  const settled = !found.isPlaceholderData && !found.isPending;
  const [hurry, setHurry] = useState(false);
  const pickFirst = useEffectEvent(() => {
    setHurry(false);
    if (rungs[0] !== undefined) pick(rungs[0]);
  });
  useEffect(() => {
    if (hurry && settled) pickFirst();
  }, [hurry, settled]);

  function pick(rung: RungBrief) {
    setSaid(teaches && found.data?.suggested === true && settled ? { words: text.trim(), rung } : null);
    setText('');
    setAt(0);
    onPick(rung);
  }

  function onKey(event: KeyboardEvent) {
    const rung = rungs[at];
    const act: Record<string, () => void> = {
      ArrowDown: () => {
        setAt(Math.min(at + 1, rungs.length - 1));
      },
      ArrowUp: () => {
        setAt(Math.max(at - 1, 0));
      },
      Enter: () => {
        if (!settled) setHurry(true);
        else if (rung !== undefined) pick(rung);
      },
      Escape: () => {
        setText('');
      },
    };
    const handler = act[event.key];
    if (handler !== undefined && text !== '') {
      event.preventDefault();
      handler();
    }
  }

  return (
    <div className="relative">
      <label className="block font-semibold">
        {label}
        <input
          role="combobox"
          aria-expanded={rungs.length > 0}
          aria-controls={id}
          aria-activedescendant={rungs[at] === undefined ? undefined : `${id}${rungs[at].id}`}
          autoComplete="off"
          autoFocus={autoFocus}
          className="mt-0.5 block w-full rounded-md border border-wood bg-card px-2 py-1.5 text-base font-normal"
          placeholder="type a name"
          value={text}
          onChange={(event) => {
            setText(event.target.value);
            setSaid(null);
            setAt(0);
          }}
          onKeyDown={onKey}
        />
      </label>
      {text.trim() !== '' && (
        <ul
          id={id}
          role="listbox"
          aria-label={label}
          className="absolute inset-x-0 z-20 mt-1 max-h-96 overflow-y-auto rounded-md border border-line bg-card shadow-lg"
        >
          {found.data?.suggested === true && (
            <li className="px-2 py-1 text-sm text-faint">No exercise has that name. Is one of these meant?</li>
          )}
          {rungs.map((rung, i) => (
            <li
              key={rung.id}
              id={`${id}${rung.id}`}
              role="option"
              aria-selected={i === at}
              onClick={() => {
                pick(rung);
              }}
              className={`flex cursor-pointer items-center gap-2 px-2 py-1 ${i === at ? 'bg-paper' : ''}`}
            >
              <Still drawing={figures[rung.id]} className="h-12 w-14" />
              <span className="flex-1 leading-tight">{rung.name}</span>
              <Code code={rung.category} />
              <span className="text-sm text-faint">{rung.level}</span>
            </li>
          ))}
          {rungs.length === 0 && found.data !== undefined && (
            <li className="px-2 py-2 text-faint">No exercise of that name.</li>
          )}
        </ul>
      )}
      {said !== null && (
        <Teach
          key={said.words}
          said={said}
          onDone={() => {
            setSaid(null);
          }}
        />
      )}
    </div>
  );
}

/** Offers to keep what was typed as the studio's own word for what was picked. */
function Teach({ said, onDone }: { said: { words: string; rung: RungBrief }; onDone: () => void }) {
  const keep = useTeach(onDone);
  return (
    <p role="status" className="mt-1 text-[0.9375rem]">
      <button
        type="button"
        disabled={keep.isPending}
        className="min-h-8 text-left underline underline-offset-4"
        onClick={() => {
          keep.mutate({ words: said.words, rung: said.rung.id });
        }}
      >
        From now on “{said.words}” means {said.rung.name}
      </button>
      {keep.isError && <span className="block font-semibold text-warn">{keep.error.message}</span>}
    </p>
  );
}
