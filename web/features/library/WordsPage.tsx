import { useMutation, useQueryClient } from '@tanstack/react-query';
import { Trash2 } from 'lucide-react';
import { useState } from 'react';
import { Link } from 'react-router';
import { answer, api } from '../../api/client';
import { Button } from '../../ui/Button';
import { TextField } from '../../ui/Field';
import { Notice, Waiting } from '../../ui/Notice';
import { RungPicker } from '../../parts/rungs/RungPicker';
import { useLibraryChanged, type RungBrief } from '../../parts/rungs/useRungs';
import { Empty } from '../../ui/Empty';
import { useOwnWords } from './queries';

/** The names this studio uses that the library does not know, each matched once. */
export function WordsPage() {
  const words = useOwnWords();
  const queries = useQueryClient();
  const changed = useLibraryChanged();
  const [text, setText] = useState('');
  const [rung, setRung] = useState<RungBrief | null>(null);
  const keep = (list: Awaited<ReturnType<typeof add>>) => {
    queries.setQueryData(['words'], list);
    changed();
  };
  const add = (body: { words: string; rung: string }) => answer(api.POST('/words', { body }));
  const adding = useMutation({
    mutationFn: add,
    onSuccess: (list) => {
      keep(list);
      setText('');
      setRung(null);
    },
  });
  const removing = useMutation({
    mutationFn: (word: number) =>
      answer(api.POST('/words/{word}/remove', { params: { path: { word: String(word) } } })),
    onSuccess: keep,
  });
  if (words.isPending) return <Waiting what="the words" />;
  if (words.isError) return <Notice title={words.error.message} />;
  return (
    <div className="mx-auto max-w-3xl px-4 py-3">
      <p>
        <Link to="/library" className="underline underline-offset-4">
          Library
        </Link>{' '}
        / Your own words
      </p>
      <h1 className="text-2xl font-bold">Your own words</h1>
      <p className="mb-3 text-faint">
        What this studio calls an exercise, where the library has no such name. From then on the name is found and
        understood.
      </p>
      <form
        className="mb-4 grid items-end gap-3 rounded-lg border border-line bg-card p-3 sm:grid-cols-2"
        onSubmit={(event) => {
          event.preventDefault();
          if (rung !== null) adding.mutate({ words: text, rung: rung.id });
        }}
      >
        <TextField label="We say" value={text} onChange={setText} error={adding.error?.message} required />
        {rung === null ? (
          <RungPicker label="and mean" onPick={setRung} teaches={false} />
        ) : (
          <p>
            and mean <b>{rung.name}</b>{' '}
            <button
              type="button"
              className="min-h-8 underline underline-offset-4"
              onClick={() => {
                setRung(null);
              }}
            >
              another
            </button>
          </p>
        )}
        <Button look="act" type="submit" disabled={rung === null || text.trim() === '' || adding.isPending}>
          Keep these words
        </Button>
      </form>
      {words.data.words.length === 0 && <Empty>No words of your own yet.</Empty>}
      <ul>
        {words.data.words.map((word) => (
          <li key={word.id} className="flex items-center gap-3 border-t border-line py-1">
            <b>{word.words}</b>
            <span className="flex-1">
              {word.name ?? <span className="text-warn">its exercise is gone from the library</span>}
            </span>
            <Button
              look="quiet"
              aria-label={`Forget ${word.words}`}
              onClick={() => {
                removing.mutate(word.id);
              }}
            >
              <Trash2 size={18} aria-hidden />
            </Button>
          </li>
        ))}
      </ul>
    </div>
  );
}
