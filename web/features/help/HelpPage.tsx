import { useState } from 'react';
import { useSearchParams } from 'react-router';
import { matching } from '../../lib/matching';
import { TextField } from '../../ui/Field';
import { useLibrary } from '../../parts/board/useBoard';
import { doses, glossary, howTos, keys, type Meaning } from './words';

/** What words, codes and keys mean, and how the daily things are done. */
export function HelpPage() {
  const [search, setSearch] = useSearchParams();
  const [typed, setTyped] = useState(search.get('find') ?? '');
  const categories = useLibrary().data?.categories ?? [];
  const codes = categories.map(({ code, name, resists, direction }) => ({
    word: code,
    means: `${name}: ${resists}.`,
    also: direction ? 'direction' : '',
  }));
  const parts = [
    ['How to', howTos],
    ['Words', glossary],
    ['Codes', codes],
    ['Doses in short', doses],
    ['Keys', keys],
  ] as const;
  const shown = parts
    .map(([name, all]) => [name, all.filter((each) => fits(typed, each, name))] as const)
    .filter(([, all]) => all.length > 0);
  return (
    <div className="mx-auto max-w-4xl space-y-4 p-4">
      <h1 className="text-2xl font-bold">Help</h1>
      <TextField
        label="Find a word, a code, a key, or how something is done"
        value={typed}
        onChange={(value) => {
          setTyped(value);
          setSearch(value === '' ? {} : { find: value }, { replace: true });
        }}
      />
      {shown.length === 0 && <p>Nothing matches.</p>}
      {shown.map(([name, all]) => (
        <section key={name} aria-label={name}>
          <h2 className="mt-4 text-xl font-bold">{name}</h2>
          <dl>
            {all.map((each) => (
              <div key={each.word} className="grid gap-x-4 border-t border-line py-1.5 sm:grid-cols-[14rem_1fr]">
                <dt className="font-semibold">{each.word}</dt>
                <dd>{each.means}</dd>
              </div>
            ))}
          </dl>
        </section>
      ))}
    </div>
  );
}

function fits(typed: string, { word, means, also = '' }: Meaning, part: string): boolean {
  return (
    typed.trim() === '' || word.includes(typed.trim()) || matching(typed, `${word} ${means} ${also} ${part}`) !== null
  );
}
