import { useQueryClient } from '@tanstack/react-query';
import { useMemo, useState } from 'react';
import { useLocation, useNavigate } from 'react-router';
import type { Schemas } from '../api/client';
import { matching } from '../lib/matching';
import { pages, places } from '../lib/pages';
import { useMay } from '../lib/session';
import { useClients } from '../parts/client/useClients';
import { useRungs } from '../parts/rungs/useRungs';

interface Found {
  to: string;
  name: string;
  kind: 'client' | 'page' | 'exercise' | 'to do';
  /** what is looked at beside the name */
  also?: string;
}

const MOST = 12;
const SHORTEST = 2;

/** What answers to typed words: clients, exercises, pages, and what can be done, by words in any order. */
export function Choices({ onDone }: { onDone: () => void }) {
  const navigate = useNavigate();
  const isTrainer = useMay('trainer');
  const [typed, setTyped] = useState('');
  const [at, setAt] = useState(0);
  const rungs = useRungs({ q: typed }, isTrainer && typed.trim().length >= SHORTEST);
  const known = useKnown();
  const found = useMemo(() => {
    const exercises: Found[] =
      typed.trim().length < SHORTEST
        ? []
        : (rungs.data?.rungs ?? []).map((rung) => ({
            to: `/library/${rung.id}`,
            name: rung.name,
            kind: 'exercise' as const,
          }));
    const scored = known.flatMap((each) => {
      // what answers by its name goes before what only its place makes answer; among equals the order of the places
      const score = matching(typed, each.name) ?? matching(typed, `${each.name} ${each.also ?? ''}`);
      return score === null ? [] : [{ each, score }];
    });
    scored.sort((a, b) => b.score - a.score);
    const own = scored.slice(0, MOST).map(({ each }) => each);
    // a client or a page that answers goes before exercises, and leaves them room
    return [...own.slice(0, exercises.length === 0 ? MOST : MOST - Math.min(5, exercises.length)), ...exercises].slice(
      0,
      MOST,
    );
  }, [known, rungs.data, typed]);
  const chosen = Math.min(at, found.length - 1);
  const go = (to: string) => {
    onDone();
    void navigate(to);
  };
  return (
    <div
      onKeyDown={(event) => {
        const step = { ArrowDown: 1, ArrowUp: -1 }[event.key];
        if (step !== undefined && found.length > 0) {
          event.preventDefault();
          setAt((chosen + step + found.length) % found.length);
        }
        const one = found[chosen];
        if (event.key === 'Enter' && one !== undefined) {
          event.preventDefault();
          go(one.to);
        }
      }}
    >
      <input
        autoFocus
        role="combobox"
        aria-label="Client, exercise, page, or what to do"
        aria-expanded={found.length > 0}
        aria-controls="found"
        aria-activedescendant={found.length > 0 ? `found-${chosen}` : undefined}
        autoComplete="off"
        spellCheck={false}
        placeholder="log Maren, swap side plank, dead bug …"
        className="my-2 block w-full rounded-md border border-wood bg-card px-3 py-2 text-lg"
        value={typed}
        onChange={(event) => {
          setTyped(event.target.value);
          setAt(0);
        }}
      />
      <ul id="found" role="listbox" aria-label="Found" className="max-h-[60vh] overflow-y-auto">
        {found.map((each, i) => (
          <li
            key={`${each.kind}${each.to}${each.name}`}
            id={`found-${i}`}
            role="option"
            aria-selected={i === chosen}
            className={`flex min-h-11 cursor-pointer items-center gap-3 rounded-md px-3 ${i === chosen ? 'bg-stand text-on-stand' : 'hover:bg-paper'}`}
            onClick={() => {
              go(each.to);
            }}
          >
            <span className="flex-1 font-semibold">{each.name}</span>
            <span className={`text-sm ${i === chosen ? '' : 'text-faint'}`}>{each.kind}</span>
          </li>
        ))}
      </ul>
      {typed.trim() !== '' && found.length === 0 && !rungs.isFetching && <p>Nothing matches.</p>}
    </div>
  );
}

/** Everything that has an address and a name; the exercises of the week of the client who is looked at can be swapped. */
function useKnown(): Found[] {
  const isTrainer = useMay('trainer');
  const isOwner = useMay('owner');
  const clients = useClients().data;
  const { pathname } = useLocation();
  const queries = useQueryClient();
  return useMemo(() => {
    const here = /^\/clients\/([^/]+)\//.exec(pathname)?.[1];
    const board = here === undefined ? undefined : queries.getQueryData<Schemas['Board']>(['board', here]);
    const known: Found[] = [];
    for (const client of clients?.clients ?? []) {
      known.push({ to: `/clients/${client.id}/${isTrainer ? 'wall' : 'screen'}`, name: client.name, kind: 'client' });
      for (const place of places) {
        for (const page of place.pages.filter((each) => isTrainer || each.readers === true)) {
          const to = `/clients/${client.id}/${page.to}`;
          known.push({ to, name: `${page.name}, ${client.name}`, kind: 'page', also: place.name });
        }
      }
    }
    for (const page of pages.filter((each) => isTrainer || each.readers === true)) {
      if (isOwner || page.owners === undefined) known.push({ to: page.to, name: page.name, kind: 'page' });
    }
    for (const [s, session] of (board?.week?.sessions ?? []).entries()) {
      for (const [b, block] of session.blocks.entries()) {
        for (const [e, entry] of block.entries.entries()) {
          if (known.some((each) => each.name === `Swap ${entry.name}`)) continue;
          known.push({
            to: `/clients/${here ?? ''}/week?swap=${s}-${b}-${e}`,
            name: `Swap ${entry.name}`,
            kind: 'to do',
            also: board?.client.name ?? '',
          });
        }
      }
    }
    return known;
  }, [clients, isTrainer, isOwner, pathname, queries]);
}
